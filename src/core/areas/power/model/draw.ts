import type { Built } from '../../../build/build';
import type { Given } from '../../../build/given';
import { leadOhms } from '../../../feed/copper';
import { isPlain, netOf, ownOf, rootOf, type Takes } from './branch';
import { atInlet, deviceKey, leadGivens, type Feed } from './fed';

/** What a device draws from its outlet through its lead; without a lead as if it were at the outlet. */
export interface Draw {
  /** Volts at the outlet, then length, conductor where there is a lead, then watts. */
  inputs: readonly Given[];
  amps: (x: readonly number[]) => number;
  /** What is taken from the outlet, W: the lead's own loss with it. */
  watts: (x: readonly number[]) => number;
  /** Rises and falls as the amps do, also where nothing comes through. */
  about: (x: readonly number[]) => number;
}

/**
 * @param volts at the outlet
 * @param at `most`: what the device takes at most; a number: what it takes on an hour's mean of which
 *   that share is at work, and the rest at rest
 */
export function drawOf(built: Built, f: Feed, volts: Given, at: Takes): Draw {
  if (!isPlain(built, f)) return drawOfAll(built, f, volts, at);
  const watts = ownOf(f.device.part, at);
  if (!f.lead)
    return {
      inputs: [volts, watts],
      amps: (x) => x[1]! / x[0]!,
      watts: (x) => x[1]!,
      about: (x) => x[1]! / x[0]!,
    };
  const [length, copper] = leadGivens(f);
  const ohms = (x: readonly number[]) => leadOhms(x[1]! / 1000, x[2]!);
  const amps = (x: readonly number[]) => {
    const { amps } = atInlet(x);
    // What does not pass is at least what a short at the far end would draw.
    return Number.isFinite(amps) ? amps : Math.max(x[0]! / ohms(x), x[3]! / x[0]!);
  };
  return {
    inputs: [volts, length, copper, watts],
    amps,
    watts: (x) => {
      // At no volts at all what is asked for counts.
      const taken = amps(x) * x[0]!;
      return Number.isFinite(taken) ? Math.max(x[3]!, taken) : x[3]!;
    },
    about: (x) => (x[3]! / x[0]!) * (1 + (ohms(x) * x[3]!) / x[0]! ** 2),
  };
}

/** Of what gives on, all that hangs on it; of what hangs on such, what it draws there. */
function drawOfAll(built: Built, f: Feed, volts: Given, at: Takes): Draw {
  const net = netOf(built, rootOf(built, f), volts, at);
  const key = deviceKey(f.device);
  // What does not pass asks for at least all its watts at the volts there are.
  const amps = (x: readonly number[]) => net.solve(x)?.get(key)?.amps ?? net.asked(x) / x[0]!;
  return {
    inputs: net.inputs,
    amps,
    watts: (x) => {
      const taken = amps(x) * x[0]!;
      return Number.isFinite(taken) ? taken : net.asked(x);
    },
    about: (x) => (net.asked(x) / x[0]!) * (1 + (net.ohms(x) * net.asked(x)) / x[0]! ** 2),
  };
}
