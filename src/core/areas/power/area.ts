import type { Area } from '../../checks/area';
import { powerAmps } from './checks/amps';
import { powerFeed } from './checks/feed';
import { powerFit } from './checks/fit';
import { powerHours } from './checks/hours';
import { powerPort } from './checks/port';
import { powerSwap } from './checks/swap';
import { powerVolts } from './checks/volts';
import { otherFeeds } from './fixes/feeds';
import { moves } from './moves/roles';

/** Power: what feeds what, by which lead, and for how long. */
export const power: Area = {
  id: 'power',
  name: 'Power',
  says: 'what feeds what, by which lead, and for how long',
  checks: [powerFeed, powerVolts, powerAmps, powerFit, powerPort, powerHours, powerSwap],
  moves,
  fixes: [otherFeeds],
};
