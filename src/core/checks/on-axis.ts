import type { Check } from './check';
import { coverageChip } from './coverage-chip';
import { coverageFrame } from './coverage-frame';
import { coveragePixels } from './coverage-pixels';
import { coverageReducerExit } from './coverage-reducer-exit';
import { frontMatteFit } from './front-matte-fit';
import { frontMatteHeight } from './front-matte-height';
import { frontMatteTravel } from './front-matte-travel';
import { frontThread } from './front-thread';
import { frontTrayFit } from './front-tray-fit';
import { frontVignette } from './front-vignette';
import { mountChain } from './mount-chain';
import { mountControl } from './mount-control';
import { mountFlange } from './mount-flange';
import { mountGlassPath } from './mount-glass-path';
import { mountPlay } from './mount-play';
import { mountRearDepth } from './mount-rear-depth';
import { mountThroat } from './mount-throat';

/** The checks of what the light passes first, in its order: chip, mounts, lens, front. */
export const ON_AXIS: readonly Check[] = [
  coverageFrame,
  coverageChip,
  coveragePixels,
  coverageReducerExit,
  mountChain,
  mountFlange,
  mountThroat,
  mountRearDepth,
  mountGlassPath,
  mountPlay,
  mountControl,
  frontThread,
  frontMatteFit,
  frontMatteHeight,
  frontMatteTravel,
  frontTrayFit,
  frontVignette,
];
