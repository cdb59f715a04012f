import type { Area } from '../../checks/area';
import { powerAmps } from './checks/amps';
import { cableBend } from './checks/cable-bend';
import { cableLength } from './checks/cable-length';
import { cableLock } from './checks/cable-lock';
import { cableSpare } from './checks/cable-spare';
import { cableStrain } from './checks/cable-strain';
import { cableTie } from './checks/cable-tie';
import { powerCharge } from './checks/charge';
import { powerDay } from './checks/day';
import { powerEvent } from './checks/event';
import { powerFeed } from './checks/feed';
import { powerFit } from './checks/fit';
import { powerHours } from './checks/hours';
import { powerPort } from './checks/port';
import { signalFit } from './checks/signal-fit';
import { signalPort } from './checks/signal-port';
import { powerSwap } from './checks/swap';
import { powerSwitch } from './checks/switch';
import { powerVolts } from './checks/volts';
import { otherFeeds } from './fixes/feeds';
import { otherSignals } from './fixes/signals';
import { moves } from './moves/roles';

/** Power: what feeds what, by which lead, and for how long; and what is sent by leads besides. */
export const power: Area = {
  id: 'power',
  name: 'Power',
  says: 'what feeds what and what is sent to what, by which lead, for how long, and whether the lead reaches',
  checks: [
    powerFeed,
    powerVolts,
    powerAmps,
    powerFit,
    powerPort,
    powerSwitch,
    powerHours,
    powerDay,
    powerEvent,
    powerCharge,
    powerSwap,
    cableLength,
    cableBend,
    cableLock,
    cableStrain,
    cableSpare,
    cableTie,
    signalFit,
    signalPort,
  ],
  moves,
  fixes: [otherFeeds, otherSignals],
};
