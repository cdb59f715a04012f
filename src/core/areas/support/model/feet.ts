import { pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { givens, minus, of, type Lin } from '../../../build/lin';
import type { PlacedPlate } from '../../space/place/camera';
import type { Stand } from '../../../stand/stand';
import type { StandSolid } from '../../../place/setting';
import type { Part } from '../../../kit/types';

/** A foot of the lens or an adapter that is tied to the plate. */
export interface TiedFoot {
  part: Part;
  /** Key of the piece it belongs to. */
  key: string;
  plate: PlacedPlate;
  /** Axis down to its bottom. */
  down: Given;
  /** From its bottom down to the plate, mm: below 0 it goes into it. */
  gap: Lin;
  /** Numbers missing of where it stands: whether it is over the plate hangs on them. */
  lost: Given[];
  solid: StandSolid | undefined;
}

/** The feet that are tied and stand over the plate; one that ends ahead of it is tied to something else. */
export function tiedFeet(built: Built, stand: Stand): TiedFoot[] {
  const { plate } = stand;
  if (!plate) return [];
  const tied: { part: Part; key: string }[] = built.links
    .filter((l) => l.use.tied && l.link.foot !== false)
    .map((l) => ({ part: l.link, key: pieceKey('link', l.index) }));
  if (built.lens && built.rig.footTied) tied.push({ part: built.lens, key: 'lens' });
  return tied.flatMap(({ part, key }): TiedFoot[] => {
    const solid = stand.pieces.find((p) => p.key === key)?.solids.find((s) => s.role === 'foot');
    if (
      solid?.known &&
      (solid.extent[2] > stand.value(plate.to) || solid.extent[5] < stand.value(plate.from))
    )
      return [];
    const down = given(part, 'footDown');
    const lost = [...(solid?.inputs ?? []), ...givens([plate.from, plate.to])].filter(
      (g) => g.known === null,
    );
    return [{ part, key, plate, down, lost, gap: minus(plate.top, of(down)), solid }];
  });
}
