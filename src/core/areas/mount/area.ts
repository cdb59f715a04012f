import type { Check } from '../../checks/check';
import type { Area } from '../../engine/area';
import { mountChain } from './checks/chain';
import { mountFlange } from './checks/flange';
import { mountThroat } from './checks/throat';
import { mountRearDepth } from './checks/rear-depth';
import { mountGlassPath } from './checks/glass-path';
import { mountPlay } from './checks/play';
import { mountControl } from './checks/control';
import { mountLoad } from './checks/load';

/** What goes together from body to lens, without what hangs on it. */
export const OPTICAL: readonly Check[] = [
  mountChain,
  mountFlange,
  mountThroat,
  mountRearDepth,
  mountGlassPath,
  mountPlay,
  mountControl,
];

/** Mounts: what goes together from body to lens, and what hangs on it. */
export const mount: Area = {
  id: 'mount',
  name: 'Mounts',
  says: 'what goes together from body to lens, and what hangs on it',
  checks: [...OPTICAL, mountLoad],
};
