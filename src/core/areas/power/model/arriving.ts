import type { Built } from '../../../build/build';
import { constant, type Given } from '../../../build/given';
import { leadOhms } from '../../../feed/copper';
import { exact, plain } from '../../../quantity/say';
import { isPlain, netOf, ownOf, rootOf } from './branch';
import { atInlet, deviceKey, leadGivens, type Feed } from './fed';

const LITTLE = 1e-6;

/** What comes in at a device, of the numbers it rests on. */
interface Arriving {
  inputs: readonly Given[];
  volts: (x: readonly number[]) => number;
  /** Rises and falls as the volts do, also where nothing comes through. */
  sense: (x: readonly number[]) => number;
  sum: (x: readonly number[]) => string;
  /** Watts that are asked for of the outlet at most. */
  asked: (x: readonly number[]) => number;
}

/**
 * What comes in at a device: by its lead alone in closed form; where something gives on, of all that hangs
 * on the outlet together.
 *
 * @param f whose outlet is on the rig; its volts are the first of the inputs
 * @param volts of that outlet: its least, where nothing else is said
 */
export function arrivingAt(built: Built, f: Feed, volts: Given = f.out!.least): Arriving {
  if (f.lead && isPlain(built, f)) {
    const ohms = (x: readonly number[]) => leadOhms(x[1]! / 1000, x[2]!);
    return {
      inputs: [volts, ...leadGivens(f), ownOf(f.device.part, 'most')],
      volts: (x) => atInlet(x).volts,
      sense: (x) => x[0]! - (ohms(x) * x[3]!) / x[0]!,
      sum: (x) => `${exact(ohms(x), 3)} ohm, ${plain(x[3]!, 1)} W`,
      asked: (x) => x[3]!,
    };
  }
  const net = netOf(built, rootOf(built, f), volts, 'most');
  const key = deviceKey(f.device);
  return {
    // What a lead loses that nobody chose is not known, wherever on the outlet it is.
    inputs: [
      ...net.inputs,
      ...net.bare.map((b) => constant(`lead to ${b.device.part.name}`, '', null)),
    ],
    volts: (x) => net.solve(x)?.get(key)?.volts ?? 0,
    // What hangs beside it pulls down a little, too.
    sense: (x) => x[0]! - ((net.ohmsTo(f.device, x) + LITTLE * net.ohms(x)) * net.asked(x)) / x[0]!,
    sum: (x) => `${exact(net.ohmsTo(f.device, x), 3)} ohm, ${plain(net.asked(x), 1)} W in all`,
    asked: net.asked,
  };
}
