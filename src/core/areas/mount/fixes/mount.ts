import { type Generator, candidate } from '../../../checks/candidate';
import { coverageIds } from '../../coverage/fixes/picture';
import { type Part, isReducer } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { chainsBetween, setBetween, tieFoot, setSlot } from '../moves/chain';
import { hasSlot } from '../model/flange';

/** Other chains of adapters and reducers that close from body to lens. */
export const otherLinks: Generator = (built, finding, area) => {
  if (area !== 'mount' && !coverageIds.has(finding.id)) return [];
  const { body, lens, rig } = built;
  if (!body || !lens) return [];
  const now = rig.between.map((u) => u.part).join('/');
  const magnification = (links: readonly Part[]) =>
    links.filter(isReducer).reduce((m, r) => m * (valueOf(r.magnification) ?? 1), 1);
  const own = magnification(built.reducers);
  const farther = (links: readonly Part[]) => Math.abs(Math.log(magnification(links) / own));
  return chainsBetween(built.job, body, lens)
    .filter((c) => c.links.map((l) => l.id).join('/') !== now)
    .map((c, i) => {
      // What keeps the magnification keeps the picture.
      const touched =
        c.links.filter((l) => !rig.between.some((u) => u.part === l.id)).length +
        rig.between.filter((u) => !c.links.some((l) => l.id === u.part)).length;
      return {
        ...candidate(setBetween(rig, c.links), touched, 3 + farther(c.links) + i * 0.01, 'link'),
        toHire: c.toHire,
        measureFirst: true,
      };
    });
};

/** Feet of adapters tied, where a joint has play. */
export const tieFeet: Generator = (built, finding) =>
  finding.id !== 'mount.play'
    ? []
    : built.links
        .filter((l) => l.link.foot && !l.use.tied)
        .map((l) => candidate(tieFoot(built.rig, l.index, true, l.link.name), 0, 0, 'foot'));

/** The glass of a drop-in slot in or out. */
export const glassInOut: Generator = (built, finding) =>
  finding.id !== 'mount.glass-path' && finding.id !== 'mount.flange'
    ? []
    : built.links
        .filter((l) => hasSlot(l.link))
        .map((l) =>
          candidate(
            setSlot(
              built.rig,
              l.index,
              (l.use.slot ?? 'glass') === 'glass' ? 'empty' : 'glass',
              l.link.name,
            ),
            1,
            0,
            'glass',
          ),
        );
