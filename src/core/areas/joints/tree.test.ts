import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { anyRig, demoRigs } from '../../properties/rigs';
import { heldTogether } from './model/load-path';
import { sideOf } from './model/graph';
import { treeOf, type Branch } from './model/tree';

/** The rig as a tree: everything once, and what a branch holds is what falls with it. */

const all = (list: readonly Branch[]): Branch[] => list.flatMap((b) => [b, ...all(b.holds)]);

describe('the rig as a tree', () => {
  test('from either end every piece stands once, random rigs included', () => {
    const once = ({ job, rig }: (typeof demoRigs)[number][1]) => {
      const built = build(job, rig, shared(job));
      const { parts } = heldTogether(built);
      for (const end of ['ground', 'lens'] as const)
        expect(
          all(treeOf(built, end))
            .map((b) => b.piece)
            .sort(),
        ).toEqual([...parts.keys()].sort());
    };
    for (const [, s] of demoRigs) once(s);
    fc.assert(
      fc.property(anyRig, (s) => once(s)),
      { numRuns: 25 },
    );
  });

  test('what a branch of the demo holds is the far side of its joint', () => {
    const [, { job, rig }] = demoRigs.find(([, s]) => s.rig.id === 'lockside-b')!;
    const built = build(job, rig, shared(job));
    const { edges } = heldTogether(built);
    const firm = edges.filter((e) => !e.tie);
    const [root] = treeOf(built, 'ground');
    expect(root!.piece).toBe('fitted:handle');
    for (const b of all(root!.holds)) {
      const edge = firm.find((e) => (e.a === b.piece || e.b === b.piece) && !beyond(b, e))!;
      expect(
        all([b])
          .map((x) => x.piece)
          .sort(),
      ).toEqual([...sideOf(b.piece, firm, edge.id)].sort());
    }
    function beyond(b: Branch, e: { a: string; b: string }) {
      const other = e.a === b.piece ? e.b : e.a;
      return all(b.holds).some((x) => x.piece === other);
    }
    const screen = all(treeOf(built, 'lens')).find((b) => b.piece === 'fitted:screen')!;
    expect(screen.by).toBe('Pane 5 on stud of Spar arm');
  });
});
