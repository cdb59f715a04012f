import { said } from '../checks/judge';
import { checkRig } from '../areas/checks';
import { elevation } from '../drawing/elevation';
import { isLens, isRods, type Job, type Rig } from '../kit/types';
import { putOn } from '../areas/moves';
import { setDrive } from '../areas/drive/moves/drive';
import { setFitted } from '../areas/space/moves/fitted';
import { setRodTip } from '../areas/rods/moves/rods';
import { setSupport } from '../areas/support/moves/support';
import { applyEdit, type Edit } from '../edit/edit';
import { putLens } from '../areas/coverage/moves/lens';
import { setField } from '../solve/kit-moves';
import { demo } from '../test-kit';
import { build } from '../build/build';
import { constant, given } from '../build/given';
import { leastGap, lin, minus, net, of, plus } from '../build/lin';
import { standOf } from './stand';
import { draws as random } from '../pupil/oracles';

const job = demo();

/** Something a person could do next to a rig; null when this rig has nothing of the kind. */
function anyEdit(j: Job, r: Rig, rnd: () => number): Edit | null {
  const pick = <T>(list: readonly T[] | undefined): T | undefined =>
    list?.[Math.floor(rnd() * list.length)];
  const at = Math.round(rnd() * 260 - 60);
  switch (Math.floor(rnd() * 9)) {
    case 0: {
      const d = pick(r.drives);
      return d ? setDrive(r, d.id, { station: rnd() < 0.3 ? undefined : at }, 'drive') : null;
    }
    case 1: {
      const u = pick(r.fitted);
      return u ? setFitted(r, u.id, { z: at / 4 }, 'fitted') : null;
    }
    case 2: {
      const u = pick(r.rods);
      return u ? setRodTip(r, u.id, at, 'rods') : null;
    }
    case 3: {
      const u = pick(r.supports);
      return u ? setSupport(r, u.id, { station: at }, 'support') : null;
    }
    case 4:
      return putLens(j, r, pick(j.kit.filter(isLens))!);
    case 5:
      return putOn(j, r, pick(j.kit.filter(isRods))!);
    case 6: {
      const ids = [r.body, r.lens, ...(r.fitted ?? []).map((u) => u.part)].filter(
        (x) => x !== null,
      );
      const field = pick(['length', 'height', 'depth', 'width'])!;
      return setField(j, ['kit', pick(ids)!, field], { value: 60 + rnd() * 80, tol: rnd() }, field);
    }
    case 7: {
      const rods = pick(r.rods);
      const system = pick(['lw15', 'st15', 'st19'])!;
      return rods ? setField(j, ['kit', rods.part, 'rods'], system, 'rods') : null;
    }
    default: {
      const d = pick(r.drives);
      return d ? setDrive(r, d.id, { side: rnd() < 0.5 ? 'left' : 'right' }, 'side') : null;
    }
  }
}

describe('what stands as it stood', () => {
  test.each(job.rigs.map((r, i) => [r.name, r.id, i] as const))(
    'is the same as laid out anew, edit by edit: %s',
    (_name, id, seed) => {
      const rnd = random(seed + 1);
      let now = job;
      let changed = 0;
      for (let i = 0; i < 200 && changed < 20; i++) {
        const rig = now.rigs.find((r) => r.id === id)!;
        const edit = anyEdit(now, rig, rnd);
        if (!edit) continue;
        now = applyEdit(now, edit).doc;
        changed++;
        const after = now.rigs.find((r) => r.id === id)!;
        // Other objects with the same numbers: nothing that was kept can be found again.
        const fresh = structuredClone(now);
        const again = fresh.rigs.find((r) => r.id === id)!;
        expect(checkRig(now, after).map(said)).toEqual(checkRig(fresh, again).map(said));
        expect(elevation(build(now, after), 'side')).toEqual(
          elevation(build(fresh, again), 'side'),
        );
      }
      expect(changed).toBe(20);
    },
  );

  test('a drive that is dragged leaves all but the drives the very same solids', () => {
    const rig = job.rigs.find((r) => r.id === 'tug-b')!;
    const before = standOf(build(job, rig));
    const edit = setDrive(rig, rig.drives![0]!.id, { station: 92 }, 'drag');
    const next = applyEdit(job, edit).doc;
    const after = standOf(
      build(
        next,
        next.rigs.find((r) => r.id === 'tug-b')!,
      ),
    );
    const moved = after.solids.filter((s) => !before.solids.includes(s));
    expect(new Set(moved.map((s) => s.piece.split(':')[0]))).toEqual(new Set(['drive']));
    expect(after.layers.length).toBe(6);
    after.layers.slice(0, 5).forEach((l, i) => expect(l).toBe(before.layers[i]));
    expect(after.layers[5]).not.toBe(before.layers[5]);
    // Each stands on those before it: what lies between two belongs to the upper one.
    expect(after.layers.map((l) => l.depth)).toEqual([0, 1, 2, 3, 4, 5]);
  });

  test('a part that is moved on its joint leaves body, cage and plate the very same solids', () => {
    const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
    const before = standOf(build(job, rig));
    const fitted = rig.fitted!.map((u) => (u.id === 'screen' ? { ...u, turn: 30 } : u));
    const after = standOf(build(job, { ...rig, fitted }));
    expect(after.layers[0]).toBe(before.layers[0]);
    expect(after.layers[1]).not.toBe(before.layers[1]);
    for (const key of ['body', 'plate', 'fitted:cage']) {
      const of = (s: typeof before) => s.pieces.find((p) => p.key === key);
      expect(of(after)).toBe(of(before));
    }
  });
});

describe('sums of given numbers', () => {
  const exact = (value: number, tol: number) =>
    constant('x', 'mm', { value, tol, from: 'measured', lo: value - tol, hi: value + tol });
  const [a, b, c] = [exact(10, 0.5), exact(4, 0.2), exact(7, 0.1)];

  test('what stands in both of two sums cancels', () => {
    const left = plus(of(a), of(b));
    const right = plus(of(a), of(c), lin(1));
    // 4 - 7 - 1, loose by 0.2 + 0.1 and not by the 0.5 that both rest on.
    expect(leastGap(left, right)).toBeCloseTo(-4.3, 12);
    expect(net(minus(left, right)).terms.map((t) => t.g)).toEqual([b, c]);
    expect(net(minus(left, left)).terms).toEqual([]);
  });

  test('a missing number leaves no gap sure, unless it cancels', () => {
    const gone = constant('z', 'mm', null);
    expect(leastGap(plus(of(gone), lin(5)), plus(of(gone), lin(2)))).toBe(3);
    expect(leastGap(of(a), of(constant('y', 'mm', null)))).toBe(-Infinity);
  });

  test('one number of a part is one object, another part with the same numbers has its own', () => {
    const part = job.kit.find(isLens)!;
    expect(given(part, 'length')).toBe(given(part, 'length'));
    expect(given({ ...part }, 'length')).not.toBe(given(part, 'length'));
    expect(given({ ...part }, 'length')).toEqual(given(part, 'length'));
  });
});
