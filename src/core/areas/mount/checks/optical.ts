import type { Check } from '../../../checks/check';
import { mountChain } from './chain';
import { mountFlange } from './flange';
import { mountThroat } from './throat';
import { mountRearDepth } from './rear-depth';
import { mountGlassPath } from './glass-path';
import { mountPlay } from './play';
import { mountControl } from './control';

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
