import type { Area } from '../../checks/area';
import { driveRingFit } from './checks/ring-fit';
import { driveMesh } from './checks/mesh';
import { driveReach } from './checks/reach';
import { driveTravel } from './checks/travel';
import { driveTurn } from './checks/turn';
import { driveDirection } from './checks/direction';
import { driveStops } from './checks/stops';
import { driveTorque } from './checks/torque';
import { driveInterference } from './checks/interference';
import { otherDrives } from './fixes/drives';
import { moves } from './moves/roles';

/** Drives: what turns the rings of the lens. */
export const drive: Area = {
  id: 'drive',
  name: 'Drives',
  says: 'what turns the rings of the lens',
  checks: [
    driveRingFit,
    driveMesh,
    driveReach,
    driveTravel,
    driveTurn,
    driveDirection,
    driveStops,
    driveTorque,
    driveInterference,
  ],
  moves,
  fixes: [otherDrives],
};
