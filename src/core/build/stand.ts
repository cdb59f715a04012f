import type { RodSystem } from '../rods/systems';
import { isDrive, isDriveArm, isSupport, type DriveUse, type Rig } from '../kit/types';
import type { Built } from './build';
import { byId } from './fitted';
import type { Given } from './given';
import { Memo } from './memo';
import { givens, type Lin } from './lin';
import {
  above,
  type Contacts,
  type Layer,
  type LensGear,
  type Clamped,
  type Piece,
  type PlacedRods,
  type StandSolid,
} from './stand-setting';
import { aheadOf } from './stand-ahead';
import { cameraOf, type PlacedPlate } from './stand-camera';
import { placeDrive, type PlacedDrive } from './stand-drive';
import { placeRods } from './stand-rods';
import type { PlateHeight } from './under';
import { placeSupport, type PlacedSupport } from './stand-support';

/**
 * The rig as solids in the frame of reference: the body, what the lens is made of, what stands
 * under and beside it. Every solid knows the numbers it rests on; one whose numbers are missing is
 * drawn at a stand-in and never computed with.
 */

export interface Stand {
  built: Built;
  pieces: Piece[];
  solids: StandSolid[];
  /** What stands as it stood in the rig before, as long as the same layer comes back. */
  layers: readonly Layer[];
  memo: Memo;
  /** What is meant to touch. */
  contacts: Contacts;
  /** Face of the body's mount and seat of the lens. */
  face: Lin;
  seat: Lin;
  /** Axis down to the rods; null without a plate. */
  drop: Lin | null;
  /** How the plate stands, where its height can be set. */
  height: PlateHeight | null;
  system: RodSystem | null;
  plate: PlacedPlate | null;
  rods: PlacedRods[];
  /** What is clamped to the rods, without the plate's own clamps. */
  clamped: Clamped[];
  gears: LensGear[];
  drives: PlacedDrive[];
  supports: PlacedSupport[];
  /** Something stands under or beside the camera at all. */
  standing: boolean;
  value: (l: Lin) => number;
  missing: (l: readonly Lin[]) => Given[];
}

/** The rig as it stands; worked out once per built rig. */
export function standOf(built: Built): Stand {
  return built.memo.once(layOut, () => layOut(built));
}

/** Focus finds its place first, then iris and zoom; drives of one ring by id. */
function drivesInOrder(rig: Rig): DriveUse[] {
  return byId(rig.drives).sort((a, b) => TURNS.indexOf(a.turns) - TURNS.indexOf(b.turns));
}
const TURNS: readonly DriveUse['turns'][] = ['focus', 'iris', 'zoom'];

function layOut(built: Built): Stand {
  const { rig } = built;
  const camera = cameraOf(built);
  const ahead = aheadOf(built, camera);
  const { plate } = camera;
  const { gears, matte } = ahead;
  const s = above(ahead.s, built);
  // Rods come after what they carry behind: they reach back to it.
  placeRods(s, plate);
  // What holds the lens up is set before the drives look for room beside it.
  const supports = byId(rig.supports).flatMap((use) => {
    const part = built.kit.get(use.part);
    return isSupport(part) ? [placeSupport(s, use, part, gears)] : [];
  });
  const drives = drivesInOrder(rig).flatMap((use) => {
    const part = built.kit.get(use.part);
    if (!isDrive(part)) return [];
    const arm = use.arm === undefined ? null : built.kit.get(use.arm);
    return [placeDrive(s, use, part, isDriveArm(arm) ? arm : null, gears)];
  });
  if (matte) for (const r of s.rods) s.touch(matte, `rods:${r.use.id}`);
  return {
    built,
    pieces: s.pieces,
    solids: s.solids,
    layers: [camera.s.layer, ahead.s.layer],
    memo: new Memo(),
    contacts: s.contacts,
    face: s.face,
    seat: s.seat,
    drop: s.drop,
    height: s.height,
    system: s.system,
    plate,
    rods: s.rods,
    clamped: s.clamped,
    gears,
    drives,
    supports,
    standing:
      (rig.rods?.length ?? 0) +
        (rig.supports?.length ?? 0) +
        (rig.drives?.length ?? 0) +
        (rig.gears?.length ?? 0) +
        (rig.fitted?.length ?? 0) >
      0,
    value: s.value,
    missing: (l) => givens(l).filter((g) => g.known === null),
  };
}
