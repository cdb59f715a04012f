import { build, shared } from '../build/build';
import { withChanges } from '../edit/edit';
import { balanceOf, massOf } from '../areas/carry/model/balance';
import { lyingOf } from '../areas/carry/model/lying';
import { demoStandings, demoRigs, type Subject } from '../properties/rigs';
import { demo } from '../test-kit';
import { bestWay } from './table';
import { carriedSet } from './carried';

const job = demo();
const rigOf = (id: string) => job.rigs.find((r) => r.id === id)!;
const held = [...demoRigs, ...demoStandings].filter(([, s]) => s.rig.carry?.by !== undefined);
const nominal = (s: Subject['job'], rig: Subject['rig']) => {
  const b = balanceOf(build(s, rig, shared(s)))!;
  return b.ahead.f(b.ahead.inputs.map((g) => g.known!.value));
};

describe('the lens set as it is carried', () => {
  test.each(held)(
    '%s: every lens as it is when it is put on by itself',
    (_name, { job: own, rig }) => {
      const set = carriedSet(own, rig);
      const base = shared(own);
      for (const l of set.lenses.slice(0, 4)) {
        if (l.on) continue;
        const put = bestWay(build(own, rig, base), l.lens, base);
        const next = withChanges(own, put.changes);
        const after = next.rigs.find((r) => r.id === rig.id)!;
        const mass = massOf(build(next, after));
        expect(l.mass === 'not known').toBe(mass === null);
        if (l.ahead !== null) expect(l.ahead).toBeCloseTo(nominal(next, after), 6);
      }
    },
  );

  test('the mark of the lens that is on balances it', () => {
    let marked = 0;
    for (const [, { job: own, rig }] of held) {
      const l = carriedSet(own, rig).lenses.find((x) => x.on);
      if (!l?.edit) continue;
      marked++;
      const next = withChanges(own, l.edit.changes);
      expect(
        Math.abs(
          nominal(
            next,
            next.rigs.find((r) => r.id === rig.id)!,
          ),
        ),
      ).toBeLessThan(0.6);
    }
    expect(marked).toBeGreaterThan(1);
  });

  test('no other setting on a millimetre grid has a smaller worst than the one that is offered', () => {
    const rig = rigOf('lockside-b');
    const set = carriedSet(job, { ...rig, carry: { ...rig.carry, by: 'handle' } });
    const aheads = set.lenses.map((l) => l.ahead!);
    expect(aheads.every((a) => a !== null)).toBe(true);
    expect(set.one).not.toBeNull();
    const after = withChanges(job, set.one!.edit.changes).rigs.find((r) => r.id === rig.id)!;
    const by = (after.carry?.z ?? 0) - (rig.carry?.z ?? 0);
    const worst = (x: number) => Math.max(...aheads.map((a) => Math.abs(a - x)));
    for (let x = -100; x <= 100; x++) expect(worst(by)).toBeLessThanOrEqual(worst(x) + 0.51);
  });

  test('the long zoom asks for a bigger head, and the kit has one', () => {
    const rig = rigOf('locks-long');
    const short = job.kit.find((p) => p.kind === 'lens' && p.id === 'marl-24')!;
    const base = shared(job);
    const put = bestWay(build(job, rig, base), short as never, base);
    const next = withChanges(job, put.changes);
    const small = next.rigs.find((r) => r.id === rig.id)!;
    const zoom = carriedSet(next, small, { cures: true }).lenses.find(
      (l) => l.lens.id === rig.lens,
    )!;
    const head = zoom.asks.find((a) => a.check === 'carry.head' && a.state === 'fail')!;
    expect(head.wanted.join()).toMatch(/tripod head/);
    expect(head.cure).toMatch(/head in place of/);
  });
});

describe('ways to lay it down', () => {
  test('never on glass or a screen first; what tips is none of them', () => {
    for (const [, { job: own, rig }] of [...demoRigs, ...demoStandings]) {
      const ways = lyingOf(build(own, rig));
      expect(ways).toHaveLength(6);
      for (const l of ways.filter((w) => w.safe)) {
        expect(l.tender).toEqual([]);
        expect(l.lean).toBeGreaterThan(3);
      }
      expect(ways.find((w) => w.side === 'front')!.safe && rig.lens !== null && !rig.box).toBe(
        false,
      );
    }
  });

  test('a mass that nobody knows: whether it stays is not known, and nothing is called good', () => {
    const kit = job.kit.map((p) => (p.id === 'keel-98' ? { ...p, mass: undefined } : p));
    const ways = lyingOf(build({ ...job, kit }, rigOf('tug-b')));
    expect(ways.every((w) => w.lean === null && !w.safe)).toBe(true);
  });
});
