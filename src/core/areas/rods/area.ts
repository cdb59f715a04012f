import type { Area } from '../../checks/area';
import { rodsSystem } from './checks/system';
import { rodsDrop } from './checks/drop';
import { rodsReachFront } from './checks/reach-front';
import { rodsReachRear } from './checks/reach-rear';
import { rodsGrip } from './checks/grip';
import { rodsInFrame } from './checks/in-frame';
import { rodsProud } from './checks/proud';
import { rodsLensClear } from './checks/lens-clear';
import { rodsSingle } from './checks/single';
import { singleRods } from './fixes/single';
import { otherRods, slideRods, rodHeight, movePlate } from './fixes/rods';
import { moves } from './moves/roles';

/** Rods: what carries plate, box, supports and drives. */
export const rods: Area = {
  id: 'rods',
  name: 'Rods',
  says: 'what carries plate, box, supports and drives',
  checks: [
    rodsSystem,
    rodsDrop,
    rodsReachFront,
    rodsReachRear,
    rodsGrip,
    rodsInFrame,
    rodsProud,
    rodsLensClear,
    rodsSingle,
  ],
  followUps: { 'rods.proud': slideRods },
  moves,
  fixes: [otherRods, rodHeight, movePlate, singleRods],
};
