import { build, shared } from '../build/build';
import { check } from '../areas/checks';
import { putBody } from '../areas/coverage/moves/body';
import { likeness } from '../areas/joints/model/alike';
import type { Interface } from '../areas/joints/kit/parts';
import { withChanges } from '../edit/edit';
import type { Body, Job } from '../kit/types';
import { demo, exactly } from '../test-kit';
import { bodyTable } from './bodies';

const job = demo();
const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
const pocket = job.kit.find((p) => p.id === 'body-b') as Body;
const twin = (more: Partial<Body> = {}): Body => ({ ...pocket, id: 'twin', name: 'Twin', ...more });
const holes = (to: (i: Interface) => object): Interface[] =>
  pocket.interfaces!.map((i) => ({ ...i, ...to(i) }));
const withBody = (body: Body): Job => ({
  ...job,
  kit: [...job.kit.filter((p) => p.id !== 'body-c'), body],
});

describe('bodies that share shape', () => {
  test('one with the same numbers is alike; inside the tolerances it is, outside it is not', () => {
    expect(likeness(pocket, twin())).toEqual({ same: true, says: [] });
    // 128 mm with +-0.5 (class length) on both sides: 0.9 mm may be none, 1.1 mm may not.
    const by = (d: number) =>
      likeness(
        twin({ width: { value: 128, tol: 0.5, from: 'measured' } }),
        twin({ width: { value: 128 + d, tol: 0.5, from: 'measured' } }),
      );
    expect(by(0.9).same).toBe(true);
    expect(by(1.1)).toEqual({ same: false, says: ['1.1 mm wider'] });
    expect(by(-1.1).says).toEqual(['1.1 mm narrower']);
  });

  test('a hole that is not there, is elsewhere, or has another thread is said', () => {
    expect(likeness(pocket, twin({ interfaces: [] })).says).toEqual([
      'no top hole',
      'no base hole',
    ]);
    const off = twin({ interfaces: holes((i) => (i.id === 'top-hole' ? { z: exactly(4) } : {})) });
    expect(likeness(pocket, off)).toEqual({ same: false, says: ['top hole 4.0 mm elsewhere'] });
    const big = twin({
      interfaces: holes((i) => (i.id === 'top-hole' ? { type: 'unc-3-8' } : {})),
    });
    expect(likeness(pocket, big).says).toEqual(['no top hole']);
    const pinned = twin({ interfaces: holes((i) => ({ pinned: i.id === 'base-hole' })) });
    expect(likeness(pocket, pinned).says).toEqual(['base hole: pinned']);
  });

  test('what nobody measured is not known, never alike; and never hides what is other', () => {
    for (const key of ['width', 'height', 'depth', 'axisToBase'])
      for (const none of [null, undefined]) {
        expect(likeness(pocket, twin({ [key]: none })).same).toBeNull();
        expect(likeness(twin({ [key]: none }), pocket).same).toBeNull();
      }
    // Nobody said what holes either has: that is not the same holes.
    const bare = twin({ interfaces: undefined });
    expect(likeness(bare, { ...bare, id: 'other' })).toMatchObject({ same: null });
    expect(likeness(pocket, bare)).toEqual({ same: null, says: ['holes of Twin not known'] });
    for (const key of ['type', 'face']) {
      const vague = twin({ interfaces: holes(() => ({ [key]: undefined })) });
      expect(likeness(vague, { ...vague, id: 'other' }).same).toBeNull();
    }
    const unplaced = twin({ interfaces: holes(() => ({ x: undefined })) });
    expect(likeness(pocket, unplaced).same).toBeNull();
    expect(likeness(pocket, { ...unplaced, height: exactly(40) }).same).toBe(false);
  });
});

describe('the rig on every body', () => {
  test('of the demo: one that is hired has the same shell; the other is named by what is other', () => {
    const { bodies } = bodyTable(job, rig);
    expect(bodies.map((b) => [b.body.id, b.likeness?.same ?? null, b.toHire])).toEqual([
      ['body-b', null, false],
      ['body-c', true, true],
      ['body-a', false, false],
    ]);
    expect(bodies[2]!.likeness!.says).toContain('holes of Orrin Box not known');
  });

  test('the one that is on first, an alike one next; each column is that rig checked by itself', () => {
    const next = withBody(twin());
    const base = shared(next);
    const { bodies, table } = bodyTable(next, rig, base);
    expect(bodies.map((b) => [b.body.id, b.on, b.likeness?.same ?? null])).toEqual([
      ['body-b', true, null],
      ['twin', false, true],
      ['body-a', false, false],
    ]);
    bodies.forEach(({ body, on }, i) => {
      const own = on
        ? rig
        : withChanges(next, putBody(next, rig, body).changes).rigs.find((r) => r.id === rig.id)!;
      const verdicts = check(build(next, own, base));
      const { count } = table.columns[i]!;
      for (const s of ['ok', 'tight', 'fail', 'unknown'] as const)
        expect([body.id, s, count[s]]).toEqual([
          body.id,
          s,
          verdicts.filter((v) => v.state === s).length,
        ]);
    });
    // The twin says what the body says that it stands in for, but for what was tried with that very
    // body: a trial is of the pieces it was made with.
    const other = table.rows.filter((r) => r.cells[1]!.state !== r.cells[0]!.state);
    expect(other.map((r) => [r.check, r.cells[1]!.state])).toEqual([
      ['mount.throat', 'unknown'],
      ['mount.rear-depth', 'tight'],
    ]);
    expect(table.rows.some((r) => r.cells[2]!.state !== r.cells[0]!.state)).toBe(true);
  });

  test('what stood in a hole goes into the like one by another name; where there is none it is said', () => {
    const put = (body: Body) => {
      const next = withBody(body);
      const on = { ...rig, fitted: [{ id: 'mic', part: 'reed', on: 'top', at: 'top-hole' }] };
      const at = { ...next, rigs: [on as typeof rig] };
      return withChanges(at, putBody(at, on as typeof rig, body).changes).rigs[0]!.fitted![0]!.at;
    };
    expect(
      put(twin({ interfaces: holes((i) => ({ id: `${i.id}-2`, name: `${i.name}, new` })) })),
    ).toBe('top-hole-2');
    expect(put(twin())).toBe('top-hole');
    expect(put(twin({ interfaces: [] }))).toBe('top-hole');
  });
});
