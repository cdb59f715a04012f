import type { Built } from '../../../build/build';
import { type ChainVerdict, judgeChains, linksOf } from './chains';

/** Every way the kit has to bring this rig's lens onto its body, or why there is none. */
export function chainsFor(built: Built, enough = 40): ChainVerdict | null {
  const { body, lens } = built;
  if (!body?.mount || !lens?.mount) return null;
  return judgeChains({
    bodyMount: body.mount,
    lensMount: lens.mount,
    links: linksOf(built.job.kit),
    mounts: built.mounts,
    maxPieces: Math.max(3, built.rules['mount.joints']),
    closes: built.rules['mount.reach'],
    enough,
  });
}
