import type { Area } from '../../checks/area';
import { frontThread } from './checks/thread';
import { frontMatteFit } from './checks/matte-fit';
import { frontMatteHeight } from './checks/matte-height';
import { frontMatteTravel } from './checks/matte-travel';
import { frontTrayFit } from './checks/tray-fit';
import { frontVignette } from './checks/vignette';
import { frontFlag } from './checks/flag';
import { frontLeak } from './checks/leak';
import { frontPolariserTurn } from './checks/polariser-turn';
import { frontStack } from './checks/stack';
import { threads } from './fixes/thread';
import { smallerBox, fits, boxHeight, travel, flags, leaks } from './fixes/box';
import { trays, turning, clashes } from './fixes/trays';
import { vignette } from './fixes/vignette';
import { moves } from './moves/roles';

/** Front: what stands in front of the lens and what it takes of the picture. */
export const front: Area = {
  id: 'front',
  name: 'Front',
  says: 'what stands in front of the lens and what it takes of the picture',
  checks: [
    frontThread,
    frontMatteFit,
    frontMatteHeight,
    frontMatteTravel,
    frontTrayFit,
    frontVignette,
    frontFlag,
    frontLeak,
    frontPolariserTurn,
    frontStack,
  ],
  moves,
  fixes: [
    threads,
    fits,
    boxHeight,
    travel,
    trays,
    vignette,
    flags,
    leaks,
    turning,
    clashes,
    smallerBox,
  ],
};
