import { build, shared, type Built, type Shared } from '../build/build';
import type { Job, Rig } from '../kit/types';
import type { Check } from './check';
import { tried } from './tried';
import { coverageChip } from './coverage-chip';
import { coverageFrame } from './coverage-frame';
import { coveragePixels } from './coverage-pixels';
import { coverageReducerExit } from './coverage-reducer-exit';
import { frontExposure } from './front-exposure';
import { frontFlag } from './front-flag';
import { frontLeak } from './front-leak';
import { frontMatteFit } from './front-matte-fit';
import { frontMatteHeight } from './front-matte-height';
import { frontMatteTravel } from './front-matte-travel';
import { frontPolariserTurn } from './front-polariser-turn';
import { frontStack } from './front-stack';
import { frontThread } from './front-thread';
import { frontTrayFit } from './front-tray-fit';
import { frontVignette } from './front-vignette';
import { STATES, type Verdict } from './finding';
import { mountChain } from './mount-chain';
import { mountControl } from './mount-control';
import { mountFlange } from './mount-flange';
import { mountGlassPath } from './mount-glass-path';
import { mountPlay } from './mount-play';
import { mountRearDepth } from './mount-rear-depth';
import { mountThroat } from './mount-throat';

/** Every check there is, in the order in which light passes them. */
export const CHECKS: readonly Check[] = [
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
  frontFlag,
  frontLeak,
  frontPolariserTurn,
  frontStack,
  frontExposure,
];

/** Runs every check on a built rig, worst first; within a state in catalogue order. */
export function check(built: Built): Verdict[] {
  const all = CHECKS.flatMap((c) => c.run(built)).map((v) => tried(built, v));
  return all
    .map((v, i) => ({ v, i }))
    .sort((a, b) => STATES.indexOf(a.v.state) - STATES.indexOf(b.v.state) || a.i - b.i)
    .map((x) => x.v);
}

/** Builds and checks one rig of a job. */
export function checkRig(job: Job, rig: Rig, base: Shared = shared(job)): Verdict[] {
  return check(build(job, rig, base));
}
