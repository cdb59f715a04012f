import { type Generator, candidate } from '../../../checks/candidate';
import { coverageIds } from './picture';
import { acrossOf, horizontalField, fieldOff, sameSqueeze } from '../model/field';
import { lensSet, putLens } from '../moves/lens';
import { onHand } from '../../../kit/types';

/** Lenses tried for one finding: those of nearest field of view. */
const MOST_LENSES = 6;

/** A lens of another squeeze is another picture: it counts as this many degrees off. */
const SQUEEZE_PENALTY = 30;

/** Other lenses of the set, those of the nearest field first. */
export const otherLenses: Generator = (built, finding, area) => {
  if (!coverageIds.has(finding.id) && area !== 'mount') return [];
  const { lens, body } = built;
  if (!body) return [];
  const own = horizontalField(built);
  const across = acrossOf(built) ?? { mm: 36, squeezed: true };
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? 1), 1);
  return lensSet(built.job)
    .filter((l) => l.id !== lens?.id)
    .map((l) => ({
      l,
      off:
        own === null
          ? 0
          : fieldOff(l, across, m, own) + (sameSqueeze(l, lens) ? 0 : SQUEEZE_PENALTY),
    }))
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_LENSES)
    .map(({ l, off }) => {
      const edit = putLens(built.job, built.rig, l);
      return {
        ...candidate({ ...edit, title: `Put ${l.name} on instead` }, 2, 4 + off / 100, 'lens'),
        toHire: onHand(l) < 1 ? 1 : 0,
      };
    });
};
