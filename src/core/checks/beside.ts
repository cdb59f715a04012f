import type { Check } from './check';
import { frontExposure } from './front-exposure';
import { frontFlag } from './front-flag';
import { frontLeak } from './front-leak';
import { frontPolariserTurn } from './front-polariser-turn';
import { frontStack } from './front-stack';
import { mountLoad } from './mount-load';
import { rodsSystem } from './rods-system';
import { rodsDrop } from './rods-drop';
import { rodsReachFront } from './rods-reach-front';
import { rodsReachRear } from './rods-reach-rear';
import { rodsGrip } from './rods-grip';
import { rodsInFrame } from './rods-in-frame';
import { rodsProud } from './rods-proud';
import { rodsLensClear } from './rods-lens-clear';
import { driveRingFit } from './drive-ring-fit';
import { driveMesh } from './drive-mesh';
import { driveReach } from './drive-reach';
import { driveTravel } from './drive-travel';
import { driveTurn } from './drive-turn';
import { driveDirection } from './drive-direction';
import { driveStops } from './drive-stops';
import { driveTorque } from './drive-torque';
import { driveInterference } from './drive-interference';
import { supportNeed } from './support-need';
import { supportHeight } from './support-height';
import { supportPlace } from './support-place';
import { supportFoot } from './support-foot';
import { spacePair } from './space-pair';
import { spaceSweep } from './space-sweep';
import { spaceEnvelope } from './space-envelope';
import { spaceLensChange } from './space-lens-change';
import { carryTwist } from './carry-twist';
import { sightView } from './sight-view';
import { spacePieces } from './space-pieces';

/**
 * The checks of flags and stacks, of how the light is set, and of what stands under and beside the
 * camera: rods, drives, supports, room. The first picture does not wait for them.
 */
export const BESIDE: readonly Check[] = [
  frontFlag,
  frontLeak,
  frontPolariserTurn,
  frontStack,
  frontExposure,
  mountLoad,
  rodsSystem,
  rodsDrop,
  rodsReachFront,
  rodsReachRear,
  rodsGrip,
  rodsInFrame,
  rodsProud,
  rodsLensClear,
  driveRingFit,
  driveMesh,
  driveReach,
  driveTravel,
  driveTurn,
  driveDirection,
  driveStops,
  driveTorque,
  driveInterference,
  supportNeed,
  supportHeight,
  supportPlace,
  supportFoot,
  spacePair,
  spaceSweep,
  spaceEnvelope,
  spaceLensChange,
  carryTwist,
  sightView,
  spacePieces,
];
