import { pieceKey } from '../place/piece';
import { fittedOn, type StandingUse } from '../place/fitted';
import { node } from '../engine/reads';
import type { RodSystem } from '../areas/rods/kit/systems';
import { isDrive, isDriveArm, isSupport, type DriveUse, type Lens, type Rig } from '../kit/types';
import type { Built } from '../build/build';
import type { Contacts } from '../place/contacts';
import { byId } from '../areas/space/place/fitted';
import type { Given } from '../build/given';
import type { Memo } from '../build/memo';
import { at, givens, nominal, sameLin, type Lin } from '../build/lin';
import {
  above,
  type Layer,
  type LensGear,
  type Clamped,
  type Piece,
  type PlacedRod,
  type PlacedRods,
  type Setting,
  type StandSolid,
} from '../place/setting';
import { aheadOf } from '../areas/mount/place/ahead';
import { bareCamera, cameraOf, type PlacedPlate } from '../areas/space/place/camera';
import { placeDrive, type PlacedDrive } from '../areas/drive/place/drive';
import { placeRods } from '../areas/rods/place/rods';
import type { PlateHeight } from '../place/setting';
import { placeSupport, type PlacedSupport } from '../areas/support/place/support';

/**
 * The rig as solids in the frame of reference: the body, what the lens is made of, what stands
 * under and beside it. Every solid knows the numbers it rests on; one whose numbers are missing is
 * drawn at a stand-in and never computed with.
 */

export class Stand {
  readonly #built: Built;

  constructor(built: Built) {
    this.#built = built;
  }

  /** What stands last, on top of all before it. */
  get #top(): Setting {
    return this.#built.once(DRIVES).s;
  }
  get lens(): Lens | null {
    return this.#built.lens;
  }
  get fitted(): readonly StandingUse[] {
    return fittedOn(this.#built);
  }
  get pieces(): readonly Piece[] {
    return this.#top.pieces;
  }
  /** Body and all that is fitted to it: who asks for these does not mind what else stands. */
  get onCamera(): readonly Piece[] {
    return cameraOf(this.#built).s.pieces;
  }
  get solids(): readonly StandSolid[] {
    return this.#top.solids;
  }
  /** What stands as it stood in the rig before, as long as the same layer comes back. */
  get layers(): readonly Layer[] {
    return this.#built.once(LAYERS);
  }
  /** What was worked out of all of it. */
  get memo(): Memo {
    return this.#top.layer.memo;
  }
  /** What is meant to touch. */
  get contacts(): Contacts {
    return this.#top.contacts;
  }
  /** Face of the body's mount. */
  get face(): Lin {
    return cameraOf(this.#built).s.face;
  }
  /** Seat of the lens. */
  get seat(): Lin {
    return this.#built.once(SEAT);
  }
  /** Axis down to the rods; null without a plate. */
  get drop(): Lin | null {
    return cameraOf(this.#built).s.drop;
  }
  /** How the plate stands, where its height can be set. */
  get height(): PlateHeight | null {
    return cameraOf(this.#built).s.height;
  }
  get plate(): PlacedPlate | null {
    return cameraOf(this.#built).plate;
  }
  get gears(): readonly LensGear[] {
    return aheadOf(this.#built).gears;
  }
  get system(): RodSystem | null {
    return this.#built.once(RODS).system;
  }
  get rods(): readonly PlacedRods[] {
    return this.#built.once(RODS).rods;
  }
  /** Single rods that something else than the plate holds. */
  get single(): readonly PlacedRod[] {
    return cameraOf(this.#built).s.single;
  }
  /** What is clamped to the rods, without the plate's own clamps. */
  get clamped(): readonly Clamped[] {
    return this.#top.clamped;
  }
  get supports(): readonly PlacedSupport[] {
    return this.#built.once(SUPPORTS).supports;
  }
  get drives(): readonly PlacedDrive[] {
    return this.#built.once(DRIVES).drives;
  }
  /** Something stands under or beside the camera at all. */
  get standing(): boolean {
    return this.#built.once(STANDING);
  }

  /** A sum as it stands; a number that is missing as what stands in for it. */
  readonly value = (l: Lin): number => {
    const value = nominal(l);
    return Number.isNaN(value)
      ? at(l, (g) => g.known?.value ?? this.#top.standIns.get(g) ?? 0)
      : value;
  };

  readonly missing = (l: readonly Lin[]): Given[] => givens(l).filter((g) => g.known === null);
}

/** What stands on the camera leaves the lens where it is: the same sum goes on standing. */
const SEAT = node('seat', (built: Built) => aheadOf(built).s.seat, { same: sameLin });

/**
 * The rig as it stands. It is laid out in layers, each on top of those before it: the camera, what
 * is ahead of it, the rods, what holds the lens up, what turns its rings. Who asks for the rods
 * does not mind the drives.
 */
export function standOf(built: Built): Stand {
  return new Stand(built);
}

/** Rods come after what they carry behind: they reach back to it. */
const RODS = node('rods', (built: Built): Setting => {
  const { s: below, matte } = aheadOf(built);
  const s = above(below, built);
  placeRods(s, cameraOf(built).plate);
  if (matte) for (const r of s.rods) s.touch(matte, pieceKey('rods', r.use.id));
  return s;
});

/** What holds the lens up is set before the drives look for room beside it. */
const SUPPORTS = node('supports', (built: Built) => {
  const s = above(built.once(RODS), built);
  const { gears } = aheadOf(built);
  const supports = byId(built.rig.supports).flatMap((use) => {
    const part = built.kit.get(use.part);
    return isSupport(part) ? [placeSupport(s, use, part, gears)] : [];
  });
  return { s, supports };
});

/** Focus finds its place first, then iris and zoom; drives of one ring by id. */
function drivesInOrder(rig: Rig): DriveUse[] {
  return byId(rig.drives).sort((a, b) => TURNS.indexOf(a.turns) - TURNS.indexOf(b.turns));
}
const TURNS: readonly DriveUse['turns'][] = ['focus', 'iris', 'zoom'];

const DRIVES = node('drives', (built: Built) => {
  const s = above(built.once(SUPPORTS).s, built);
  const { gears } = aheadOf(built);
  const drives = drivesInOrder(built.rig).flatMap((use) => {
    const part = built.kit.get(use.part);
    if (!isDrive(part)) return [];
    const arm = use.arm === undefined ? null : built.kit.get(use.arm);
    return [placeDrive(s, use, part, isDriveArm(arm) ? arm : null, gears)];
  });
  return { s, drives };
});

const LAYERS = node('layers', (built: Built): readonly Layer[] =>
  [
    bareCamera(built),
    cameraOf(built).s,
    aheadOf(built).s,
    built.once(RODS),
    built.once(SUPPORTS).s,
    built.once(DRIVES).s,
  ].map((s) => s.layer),
);

const STANDING = node(
  'standing',
  ({ rig }: Built): boolean =>
    (rig.rods?.length ?? 0) +
      (rig.supports?.length ?? 0) +
      (rig.drives?.length ?? 0) +
      (rig.gears?.length ?? 0) +
      (rig.fitted?.length ?? 0) >
    0,
);
