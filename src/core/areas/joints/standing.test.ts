import fc from 'fast-check';
import { build, buildAfresh, shared } from '../../build/build';
import { applyChange } from '../../edit/edit';
import { demo } from '../../test-kit';
import type { FittedUse, Job, Part, Rig } from '../../kit/types';
import type { Verdict } from '../../checks/finding';
import { check } from '../checks';
import { bridges, farSides, sideOf, type Edge } from './model/graph';

/**
 * What stands from before against what is worked out afresh: a joint that is moved, turned, taken
 * off or whose part is corrected asks again all that it has to do with.
 */

const job = demo();
const rig = job.rigs.find((r) => r.id === 'lockside-b')!;

const said = (list: readonly Verdict[]) =>
  list
    .map((v) => [v.key, v.state, v.why, v.sum, v.margin?.lo ?? null, v.margin?.hi ?? null, v.about])
    .map((v) => JSON.stringify(v))
    .sort();

type Step = {
  use: number;
  what: 'n' | 'turn' | 'slide' | 'gap' | 'line' | 'off' | 'mass';
  by: number;
};

function stepped(j: Job, r: Rig, s: Step): [Job, Rig] {
  const fitted = r.fitted!;
  const use = fitted[s.use % fitted.length]!;
  if (s.what === 'mass') {
    const value = { value: 50 + s.by * 40, from: 'measured' } as unknown as Part;
    const path = ['kit', use.part, 'mass'];
    return [applyChange(j as never, { path, value }) as unknown as Job, r];
  }
  if (s.what === 'off') return [j, { ...r, fitted: fitted.filter((u) => u !== use) }];
  const to: Partial<FittedUse> =
    s.what === 'line'
      ? { line: s.by % 2 === 0 }
      : { [s.what]: s.what === 'turn' ? s.by * 15 : s.what === 'n' ? s.by % 3 : s.by };
  return [j, { ...r, fitted: fitted.map((u) => (u === use ? { ...u, ...to } : u)) }];
}

test('after any edits of joints every check says what it says of the rig afresh', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record<Step>({
          use: fc.nat(20),
          what: fc.constantFrom('n', 'turn', 'slide', 'gap', 'line', 'off', 'mass'),
          by: fc.nat(12),
        }),
        { minLength: 1, maxLength: 6 },
      ),
      (steps) => {
        let [j, r] = [job, rig];
        check(build(j, r, shared(j)));
        for (const s of steps) {
          [j, r] = stepped(j, r, s);
          const base = shared(j);
          expect(said(check(build(j, r, base)))).toEqual(said(check(buildAfresh(j, r, base))));
        }
      },
    ),
    { numRuns: 12 },
  );
});

test('what hangs on a joint of a tree is its far side, by taking every joint away in turn', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(100), { minLength: 1, maxLength: 25 }), (hosts) => {
      const edges: Edge[] = hosts.map((h, i) => ({
        id: `e${i}`,
        a: `p${h % (i + 1)}`,
        b: `p${i + 1}`,
      }));
      const far = farSides('p0', edges);
      for (const e of edges)
        expect([...far.get(e.id)!].sort()).toEqual([...sideOf(e.b, edges, e.id)].sort());
      expect(bridges(['p0', ...edges.map((e) => e.b)], edges).size).toBe(edges.length);
    }),
    { numRuns: 200 },
  );
});

test('in a ring nothing is said to hang on one of its joints', () => {
  const edges: Edge[] = [
    { id: 'a', a: 'p', b: 'q' },
    { id: 'b', a: 'q', b: 'r' },
    { id: 'c', a: 'r', b: 'p' },
  ];
  expect(farSides('p', edges).size).toBe(0);
});
