import type { Built } from '../../../build/build';
import { type Generator, type Candidate, kitOf, candidate, hire } from '../../../checks/candidate';
import { standOf } from '../../../stand/stand';
import { isSupport, isRods, type LensSupport } from '../../../kit/types';
import { setSupport, putSupport, tieLensFoot } from '../moves/support';
import { valueOf } from '../../../quantity/quantity';
import { putRods } from '../../rods/moves/rods';
import { tieFoot } from '../../mount/moves/chain';

/** A support, another one, or a foot tied, where the lens hangs on its mount. */
export const holdUp: Generator = (built, v) => {
  if (!/^(support\.|mount\.load)/.test(v.id)) return [];
  const { rig } = built;
  const stand = standOf(built);
  const list: Candidate[] = [];
  for (const p of kitOf(built).filter(isSupport)) {
    if (rig.supports?.some((s) => s.part === p.id)) continue;
    if (rig.supports?.length)
      list.push(
        candidate(
          setSupport(
            rig,
            rig.supports[0]!.id,
            { part: p.id, station: undefined, post: undefined },
            `Use ${p.name} instead`,
          ),
          2,
          1,
          'support',
          hire(p),
        ),
      );
    else if (stand.rods.length > 0)
      list.push(candidate(putSupport(rig, p), 1, 0.5, 'support', hire(p)));
    else list.push(...withRods(built, p));
  }
  for (const s of rig.supports ?? [])
    if (s.station !== undefined || s.post !== undefined)
      list.push(
        candidate(
          setSupport(
            rig,
            s.id,
            { station: undefined, post: undefined },
            s.station === undefined
              ? `Set the post of ${built.kit.get(s.part)?.name ?? 'it'} so that it just touches`
              : `Let ${built.kit.get(s.part)?.name ?? 'it'} find its place`,
          ),
          0,
          0,
          'place',
        ),
      );
  for (const l of built.links)
    if (l.link.foot && !l.use.tied)
      list.push(candidate(tieFoot(rig, l.index, true, l.link.name), 0, 0.2, 'foot'));
  if (built.lens?.footDown !== undefined && !rig.footTied)
    list.push(candidate(tieLensFoot(rig, true, built.lens.name), 0, 0.1, 'foot'));
  return list;
};

/** A support stands on rods: the shortest pair of the system that takes it comes along. */
function withRods(built: Built, p: LensSupport): Candidate[] {
  return kitOf(built)
    .filter(isRods)
    .filter((r) => r.rods === p.rods)
    .sort((a, b) => (valueOf(a.length) ?? 0) - (valueOf(b.length) ?? 0))
    .map((r) => {
      const [a, b] = [putRods(built.rig, r), putSupport(built.rig, p)];
      const edit = {
        title: `${a.title} and ${b.title.toLowerCase()}`,
        changes: [...a.changes, ...b.changes],
      };
      return candidate(edit, 2, 0.6, 'support', hire(r, p));
    });
}
