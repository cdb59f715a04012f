import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { node } from '../../../engine/reads';
import { isFitting, type Fitting, type FittedUse, type Outlet } from '../../../kit/types';

/** An outlet of something that is fitted to the rig. */
export interface RigOutlet {
  from: string;
  id: string;
  name: string;
  outlet: Outlet;
  part: string;
  /** Its volts: regulated, or those of the pack between full and empty. */
  volts: Given;
  /** Its volts at their least and at their most; the same number where it holds them. */
  least: Given;
  most: Given;
  amps: Given;
  /** What stands behind it, by id of the fitted part; none on an empty plate. */
  packs: readonly string[];
}

/** By id: the order of the list says nothing. */
const byId = (fitted: readonly FittedUse[] | undefined): FittedUse[] =>
  [...(fitted ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1));

/** A pack on the rig. */
export interface RigPack {
  use: FittedUse;
  part: Fitting;
}

/** Every pack on the rig, by id; once for a rig. */
export function packsOn(built: Built): readonly RigPack[] {
  return built.once(PACKS);
}

const PACKS = node('packs on the rig', ({ rig, kit }: Built): readonly RigPack[] =>
  byId(rig.fitted).flatMap((use) => {
    const part = kit.get(use.part);
    return isFitting(part) && part.kind === 'battery' ? [{ use, part }] : [];
  }),
);

/** Every outlet on the rig; once for a rig. */
export function outletsOn(built: Built): readonly RigOutlet[] {
  return built.once(OUTLETS);
}

const OUTLETS = node('outlets on the rig', (built: Built): readonly RigOutlet[] => {
  const { rig, kit } = built;
  const packs = packsOn(built);
  return byId(rig.fitted).flatMap((u) => {
    const part = kit.get(u.part);
    if (!isFitting(part)) return [];
    const behind = packs.filter((p) => p.use.id === u.id || p.use.to === u.id);
    return (part.outlets ?? []).map((o): RigOutlet => {
      const own = given(part, 'outlets', o.id, 'volts');
      const pack = o.passes === true && behind.length === 1 ? behind[0]!.part : null;
      const name = `${o.name} of ${part.name}`;
      const [least, most] = pack ? [given(pack, 'voltsFrom'), given(pack, 'voltsTo')] : [own, own];
      return {
        from: u.id,
        id: o.id,
        name,
        outlet: o,
        part: part.id,
        volts: pack ? span(least, most, name) : own,
        least,
        most,
        amps: given(part, 'outlets', o.id, 'amps'),
        packs: behind.map((p) => p.use.id),
      };
    });
  });
});

/** Two ends as one number that is not known better. */
function span(least: Given, most: Given, name: string): Given {
  const [a, b] = [least.known, most.known];
  const lo = a && b ? Math.min(a.lo, b.lo) : 0;
  const hi = a && b ? Math.max(a.hi, b.hi) : 0;
  return {
    ...(a ? most : least),
    label: `volts of ${name}`,
    known: a && b ? { value: (lo + hi) / 2, tol: (hi - lo) / 2, from: a.from, lo, hi } : null,
  };
}
