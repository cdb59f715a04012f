import { type Riser, onHand, isRiser, type UnderUse } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import type { Built } from '../../../build/build';
import { type Candidate, candidate } from '../../../checks/candidate';
import { setUnder } from '../moves/under';

/** Pieces that are stacked at most. */
const MOST = 3;

/** Stacks that are tried at most for a finding: those of the fewest and thinnest pieces. */
const MOST_STACKS = 60;

interface Stack {
  risers: Riser[];
  thick: number;
}

/** Every stack that the risers of a kit make, fewest pieces first, then the thinnest. */
export function stacksOf(risers: readonly Riser[]): Stack[] {
  let stacks: Stack[] = [{ risers: [], thick: 0 }];
  for (const r of [...risers].sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const next: Stack[] = [];
    for (const s of stacks)
      for (let n = 0; n <= Math.max(1, onHand(r)) && s.risers.length + n <= MOST; n++)
        next.push({
          risers: [...s.risers, ...Array.from({ length: n }, () => r)],
          thick: s.thick + n * (valueOf(r.thickness) ?? 0),
        });
    stacks = next;
  }
  return stacks.sort((a, b) => a.risers.length - b.risers.length || a.thick - b.thick);
}

/**
 * Other stacks of risers under rods or body, in place of those that are there: the title says what
 * comes out. The plate stays.
 */
export function riserCandidates(built: Built): Candidate[] {
  const { rig, kit } = built;
  const under = rig.under ?? [];
  const there = under.filter((u) => isRiser(kit.get(u.part)));
  const rest = under.filter((u) => !there.includes(u));
  const name = (u: UnderUse) => kit.get(u.part)?.name ?? u.part;
  const now = there
    .map((u) => `${u.part}/${u.at ?? 'body'}`)
    .sort()
    .join();
  const out = there.length > 0 ? ` in place of ${there.map(name).join(' + ')}` : '';
  const list: Candidate[] = [];
  const stacks = stacksOf([...kit.values()].filter(isRiser));
  for (const [i, stack] of stacks.entries())
    for (const place of ['rods', 'body'] as const) {
      if (list.length >= MOST_STACKS) return list;
      if (stack.risers.length === 0 && place === 'body') continue;
      const uses = stack.risers.map((r): UnderUse => ({ part: r.id, at: place }));
      if (
        uses
          .map((u) => `${u.part}/${u.at ?? 'body'}`)
          .sort()
          .join() === now
      )
        continue;
      const title =
        uses.length === 0
          ? `Take ${there.map(name).join(' + ')} out`
          : `Put ${stack.risers.map((r) => r.name).join(' + ')} under the ${place}${out}`;
      list.push(
        candidate(
          setUnder(rig, [...uses, ...rest], title),
          Math.max(
            1,
            uses.length + there.filter((t) => !uses.some((u) => u.part === t.part)).length,
          ),
          0.1 * stack.risers.length + i / 10_000,
          'riser',
          new Set(stack.risers.filter((r) => onHand(r) < 1)).size,
        ),
      );
    }
  return list;
}
