import { build, shared, type Built } from '../../build/build';
import type { Lin } from '../../build/lin';
import fc from 'fast-check';
import { applyEdit } from '../../edit/edit';
import { operateAs, type Operator } from '../../kit/operator';
import type { Change, Job, Rig } from '../../kit/types';
import { anyRig, demoStandings, type Subject } from '../../properties/rigs';
import { standOf } from '../../stand/stand';
import { check } from '../checks';
import { grabElsewhere } from './fixes/grab';
import { carriedView } from './model/drawn';
import { endsOf, holdOf, HOLD_KINDS } from './model/hold';
import { besideOf, handsOf, headBeside, type Touch } from './model/touch';

/** Room for the hands that hold a rig and for the cheek beside it. */

const ME: Operator = { shoulder: 1480, eyes: 1650, cheek: 60, handed: 'right' };
const standing = (name: string) => demoStandings.find(([n]) => n.endsWith(name))![1];

function held(name: string, carry: object = {}, changes: readonly Change[] = []) {
  const { job, rig } = standing(name);
  return heldIn(job, { ...rig, carry: { ...rig.carry, ...carry } } as Rig, changes);
}

function heldIn(job: Job, rig: Rig, changes: readonly Change[] = []) {
  const all = { ...job, rigs: job.rigs.map((r) => (r.id === rig.id ? rig : r)) };
  const doc = applyEdit(all, { title: 'x', changes: [...changes] }).doc;
  const own = doc.rigs.find((r) => r.id === rig.id) ?? rig;
  const built = build(doc, own, shared(doc));
  const said = check(built).filter((v) => v.id === 'carry.touch');
  return { built, said, one: (what: string) => said.find((v) => v.key.includes(what)) };
}

afterEach(() => operateAs(null));

/** Every tenth of the extent of a box, whichever way. */
function* grid(lo: readonly number[], hi: readonly number[]) {
  const n = 12;
  for (let a = 0; a <= n; a++)
    for (let b = 0; b <= n; b++)
      for (let c = 0; c <= n; c++)
        yield [a, b, c].map((t, k) => lo[k]! + (t / n) * (hi[k]! - lo[k]!));
}

/** All of the room, fingers and all. */
const boxOf = (built: Built, t: Touch) => {
  const { value } = standOf(built);
  const ends = ([0, 1, 2] as const).map((k) => endsOf(t.faces, k).map(value));
  const air = (side: number) => (t.bare.has(side) ? 0 : t.air);
  return {
    lo: ends.map((e, k) => e[0]! - air(-(k + 1))),
    hi: ends.map((e, k) => e[1]! + air(k + 1)),
  };
};

describe('room for a hand', () => {
  test('a microphone beside the handle leaves no finger between; off, or thinner fingers, it does', () => {
    const { one, built } = held('from hand to hand');
    // Handle 32 wide about the axis; the microphone ends 29 to the left of it: 29 - 16 = 13.
    const mic = standOf(built).pieces.find((p) => p.kind === 'microphone')!.solids[0]!.extent;
    expect(mic[3]).toBeCloseTo(-29, 6);
    expect(one('hand')!.state).toBe('fail');
    // Fifteen is the least that a finger wants.
    expect(one('hand')!.margin!.value).toBeCloseTo(29 - 16 - 15, 6);
    expect(one('hand')!.why).toContain('leaves 13 mm');
    expect(one('hand')!.wanted[0]).toMatch(/another place/);
    const slim = {
      path: ['rules'],
      value: { set: 'house', values: { 'carry.fingers-least': 10 } },
    };
    expect(held('from hand to hand', {}, [slim]).one('hand')!.state).toBe('tight');
  });

  test('held where nothing is beside it there is room; the fix says how far', () => {
    const { built } = held('from hand to hand', { z: 20 });
    const finding = check(built).find((v) => v.id === 'carry.touch')!;
    expect(finding.state).toBe('fail');
    // The microphone ends at 49 and the handle at 75 from its middle: no palm of 100 goes between.
    expect(grabElsewhere(built, finding, null)).toEqual([]);
    const short = held('from hand to hand', { z: 20 }, [
      { path: ['kit', 'bittern', 'depth'], value: 30 },
    ]);
    const v = short.one('hand')!;
    const fixes = grabElsewhere(short.built, v, null);
    // It ends at 4.25 then: a palm that begins at -30 goes 34.25 further, and its tolerance besides.
    expect(fixes.map((f) => f.edit.title)).toEqual(['Hold it 44 mm further forward']);
    expect(v.state).toBe('fail');
    for (const f of fixes) {
      const doc = applyEdit(short.built.job, f.edit).doc;
      const after = heldIn(
        doc,
        doc.rigs.find((r) => r.id === short.built.rig.id)!,
      );
      expect(after.one('hand')!.state).not.toBe('fail');
    }
  });

  test('what is not known is never room', () => {
    const { job, rig } = standing('from hand to hand');
    const gone = heldIn(job, rig, [{ path: ['kit', 'bittern', 'width'], value: undefined }]);
    expect(gone.one('hand')!.state).toBe('unknown');
    expect(gone.one('hand')!.measure.map((m) => m.path)).toContainEqual([
      'kit',
      'bittern',
      'width',
    ]);
    const own = heldIn(job, rig, [{ path: ['kit', 'stirrup', 'width'], value: undefined }]);
    expect(own.one('hand')?.state).toBe('unknown');
  });

  test('a place that nobody said is at best tight', () => {
    const { rig } = standing('from hand to hand');
    const { z: _z, ...carry } = rig.carry!;
    const rest = (rig.fitted ?? []).filter((u) => u.part !== 'bittern');
    const { job } = standing('from hand to hand');
    const { one } = heldIn(job, { ...rig, carry, fitted: rest });
    expect(one('hand')!.state).toBe('tight');
    expect(one('hand')!.why).toContain('nobody said where');
  });

  test('grips at unlike heights are a word, never a fault', () => {
    const { job, rig } = standing(', cabin');
    const grip = rig.fitted!.find((u) => u.part === 'fender')!;
    const two = (y: number) =>
      heldIn(job, {
        ...rig,
        carry: { by: 'two-grips' },
        fitted: [
          ...rig.fitted!,
          { id: 'second', part: 'knot', on: 'left', x: 0, y, z: 0 } as NonNullable<
            Rig['fitted']
          >[number],
        ],
      });
    const first = two(0);
    expect(first.one('grips')!.limit!.rule).toBe('carry.grips-uneven');
    const middle = (built: Built, key: string) => {
      const e = standOf(built).pieces.find((p) => p.key === key)!.solids[0]!.extent;
      return (e[1] + e[4]) / 2;
    };
    const apart = Math.abs(
      middle(first.built, `fitted:${grip.id}`) - middle(first.built, 'fitted:second'),
    );
    expect(first.one('grips')!.margin!.value).toBeCloseTo(40 - apart, 6);
    expect(['ok', 'tight']).toContain(first.one('grips')!.state);
    expect(two(200).one('grips')!.state).toBe('tight');
    // With one grip on the rig it is not known, never ok.
    const one = heldIn(job, { ...rig, carry: { by: 'two-grips' } }).one('grips')!;
    expect(one.state).toBe('unknown');
    expect(one.why).toContain('Fender grip is the only one');
    // A hand on each of them is looked at.
    expect(first.said.filter((v) => v.key.includes('hand:'))).toHaveLength(2);
  });
});

describe('the cheek beside a rig on the shoulder', () => {
  test('nobody known: unknown, with what the profile lacks', () => {
    operateAs({ shoulder: 1480 });
    const v = held(', shoulder').one('head')!;
    expect(v.state).toBe('unknown');
    expect(v.why).toMatch(/height of your eyes.*cheek.*hand that holds/);
  });

  test('the nearer the cheek the deeper in it; far enough off there is room', () => {
    operateAs(ME);
    const near = held(', shoulder').one('head')!;
    expect(near.state).toBe('tight');
    expect(near.why).toMatch(/9 mm into where your head is/);
    operateAs({ ...ME, cheek: 50 });
    const nearer = held(', shoulder').one('head')!;
    expect(nearer.state).toBe('fail');
    expect(nearer.margin!.value).toBeCloseTo(near.margin!.value - 10, 6);
    operateAs({ ...ME, cheek: 120 });
    expect(held(', shoulder').one('head')!.state).toBe('ok');
  });

  test('on the other shoulder the head is on the other side', () => {
    const side = (handed: 'left' | 'right') => {
      operateAs({ ...ME, handed });
      const { built } = held(', shoulder');
      return boxOf(built, headBeside(built, holdOf(built)!)!);
    };
    const [left, right] = [side('left'), side('right')];
    expect(right.hi[0]).toBeLessThan(0);
    expect(left.lo[0]).toBeCloseTo(-right.hi[0]!, 6);
    expect(left.lo.slice(1)).toEqual(right.lo.slice(1));
  });
});

test('what is in the room and what is not, against points all over both', () => {
  operateAs(ME);
  const seen = { apart: 0, within: 0, others: 0 };
  const look = ({ job, rig }: Subject) => {
    for (const by of ['handle', 'one-grip', 'two-grips', 'shoulder'] as const) {
      const built = build(job, { ...rig, carry: { by, z: 0 } }, shared(job));
      const hold = holdOf(built)!;
      const head = headBeside(built, hold);
      for (const t of [...handsOf(built, hold), ...(head ? [head] : [])]) {
        if (Object.values(t.faces).some((l) => (l as Lin).terms.some((t) => t.g.known === null)))
          continue;
        const { lo, hi } = boxOf(built, t);
        const near = besideOf(built, t);
        // Nothing that was not listed goes into it.
        const stand = standOf(built);
        const own = t.piece.solids[0]!;
        for (const s of near.some((b) => b.hi < 0) ? [] : stand.solids) {
          if (!s.known || s.moving || s.piece === t.piece.key) continue;
          if (near.some((b) => b.solid === s)) continue;
          if (stand.contacts.between(own.named, s.named) !== 'apart') continue;
          const [e0, e1] = [s.extent.slice(0, 3), s.extent.slice(3)];
          const apart =
            e0.some((x, k) => x >= hi[k]! - 1e-9) || e1.some((x, k) => x <= lo[k]! + 1e-9);
          if (!apart) expect(near[0]!.value).toBeLessThan(t.air);
          seen.others++;
        }
        for (const b of near.slice(0, 6)) {
          const e = b.solid.extent;
          let inside = false;
          for (const p of grid(e.slice(0, 3), e.slice(3)))
            inside ||= p.every((x, k) => x > lo[k]! && x < hi[k]!);
          // The points may miss what is thinner than they are apart; what they hit is in it.
          expect(b.lo <= b.value && b.value <= b.hi).toBe(true);
          if (inside) expect(b.value).toBeLessThan(t.air);
          if (b.value > t.air) seen.apart++;
          if (inside) seen.within++;
        }
      }
    }
  };
  demoStandings.forEach(([, s]) => look(s));
  fc.assert(fc.property(anyRig, look), { numRuns: 150 });
  expect(seen.others).toBeGreaterThan(500);
  expect(seen.apart).toBeGreaterThan(20);
  expect(seen.within).toBeGreaterThan(20);
});

test('what is drawn is what is judged, and nothing where nobody knows', () => {
  operateAs(ME);
  for (const [, { job, rig }] of demoStandings)
    for (const by of HOLD_KINDS) {
      const built = build(job, { ...rig, carry: { by, z: 0 } }, shared(job));
      const said = check(built).filter((v) => v.id === 'carry.touch' && !v.key.includes('grips'));
      for (const view of ['side', 'front'] as const) {
        const { touches } = carriedView(built, view);
        expect(said.map((v) => v.key.replace('carry.touch:', ''))).toEqual(
          expect.arrayContaining(touches.map((t) => t.key)),
        );
        for (const { from, to } of touches) {
          expect(to[0]).toBeGreaterThan(from[0]);
          expect(to[1]).toBeGreaterThan(from[1]);
        }
        expect(carriedView(built, view, true).touches).toEqual([]);
      }
    }
});
