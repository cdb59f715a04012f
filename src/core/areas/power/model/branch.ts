import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { cellsOf } from '../../../engine/plugs';
import { leadOhms } from '../../../feed/copper';
import type { Mix } from '../../../feed/hours';
import { node } from '../../../engine/reads';
import { feed, type At, type Fed } from '../../../feed/network';
import {
  byDevice,
  byOutlet,
  deviceKey,
  feedsOn,
  leadGivens,
  meanOf,
  peakOf,
  type Device,
  type Feed,
} from './fed';
import { eachKept } from './judged';
import type { RigOutlet } from './outlets';

/** Takes of a device: `most`, or the mean of a day that is spent so. */
export type Takes = 'most' | Mix;

/** One outlet with all that hangs on it, over however many leads: what is solved as a whole. */
export interface Net {
  /** Volts at the outlet, then every number of what hangs on it. */
  inputs: readonly Given[];
  /** Volts and amps by `deviceKey`; null where a lead does not pass what is drawn. */
  solve: (x: readonly number[]) => ReadonlyMap<string, At> | null;
  /** Watts that are asked for by all of it, converters counted in; where nothing comes through, too. */
  asked: (x: readonly number[]) => number;
  /** Ohms from the outlet to a device, over all leads between. */
  ohmsTo: (device: Device, x: readonly number[]) => number;
  /** What hangs on it by a lead that nobody chose. */
  bare: readonly Feed[];
  /** Ohms of all leads that hang on it. */
  ohms: (x: readonly number[]) => number;
}

/** Kinds that are there to pass on, and say how much of it arrives. */
export const PASSES: ReadonlySet<string> = new Set(['dummy-battery', 'converter']);

/** What a device takes for itself; unknown where nobody said, also of what is there to pass on. */
export const ownOf = (part: Device['part'], at: Takes): Given =>
  at === 'most' ? peakOf(part) : meanOf(part, at);

/** What hangs on a device's own outlets. */
export function hangingOn(built: Built, { list, id, part }: Device): readonly Feed[] {
  if (list !== 'fitted' || !part.outlets?.length) return [];
  const by = byOutlet(built);
  return part.outlets.flatMap((o) => by.get(`${id}/${o.id}`) ?? []);
}

/** How much of what a device takes in for one of its outlets comes out there; known no better than this. */
const DOUBT = 0.07;

/**
 * Efficiency of a regulated outlet: that of its part, unknown where it could say so and does not; of
 * what has no such number the one the house counts on.
 */
export function efficiencyOf(built: Built, part: Device['part'] | undefined, name: string): Given {
  const own = part && given(part, 'efficiency');
  if (part && own && (own.known || PASSES.has(part.kind))) return own;
  const value = built.rules['power.efficiency'];
  const [lo, hi] = [Math.max(0.05, value - DOUBT), Math.min(1, value + DOUBT)];
  return constant(`efficiency of ${name}`, 'x', {
    value,
    tol: Math.max(value - lo, hi - value),
    from: 'guess',
    lo,
    hi,
  });
}

/** Number of a feed's outlet that everything behind it starts from. */
type Reading = (x: readonly number[]) => number;

/** Collects the numbers of a tree, each at its place. */
class Gathered {
  readonly inputs: Given[] = [];
  readonly bare: Feed[] = [];
  add(g: Given): Reading {
    const i = this.inputs.push(g) - 1;
    return (x) => x[i]!;
  }
}

interface Branch {
  tree: (x: readonly number[]) => Fed;
  asked: Reading;
  /** Ohms by `deviceKey`, from where the branch begins. */
  ohms: ReadonlyMap<string, Reading>;
}

function branchOf(
  built: Built,
  f: Feed,
  at: Takes,
  into: Gathered,
  seen: readonly string[],
): Branch {
  const key = deviceKey(f.device);
  const [length, copper] = f.lead ? leadGivens(f).map((g) => into.add(g)) : [];
  const ohms: Reading = length && copper ? (x) => leadOhms(length(x) / 1000, copper(x)) : () => 0;
  if (!f.lead && cellsOf(f.out?.outlet.plug) === null) into.bare.push(f);
  const own = into.add(ownOf(f.device.part, at));
  const below = hangingOn(built, f.device)
    .filter((k) => !seen.includes(deviceKey(k.device)))
    .map((k) => converted(built, k, branchOf(built, k, at, into, [...seen, key]), into));
  const all = new Map<string, Reading>([[key, ohms]]);
  for (const b of below) for (const [k, r] of b.ohms) all.set(k, (x) => ohms(x) + r(x));
  return {
    tree: (x) => {
      const itself: Fed = {
        is: 'device',
        id: below.length > 0 ? `${key} itself` : key,
        watts: own(x),
      };
      const to: Fed =
        below.length > 0
          ? { is: 'outlets', id: key, to: [itself, ...below.map((b) => b.tree(x))] }
          : itself;
      return f.lead ? { is: 'lead', id: `${key} lead`, ohms: ohms(x), to } : to;
    },
    asked: (x) => below.reduce((sum, b) => sum + b.asked(x), own(x)),
    ohms: all,
  };
}

/** A branch on an outlet that holds volts of its own. */
function converted(built: Built, f: Feed, branch: Branch, into: Gathered): Branch {
  const out = f.out;
  if (!out || out.outlet.passes === true) return branch;
  const volts = into.add(out.volts);
  const eff = into.add(efficiencyOf(built, built.kit.get(out.part) as Device['part'], out.name));
  return {
    tree: (x) => ({
      is: 'converter',
      id: `${deviceKey(f.device)} converter`,
      volts: volts(x),
      efficiency: eff(x),
      to: branch.tree(x),
    }),
    asked: (x) => branch.asked(x) / eff(x),
    // What is before it does not pull down what it gives.
    ohms: branch.ohms,
  };
}

/** What hangs on the outlet of a feed, all of it; volts at that outlet are the first number. */
export function netOf(built: Built, f: Feed, volts: Given, at: Takes): Net {
  const into = new Gathered();
  const start = into.add(volts);
  const branch = branchOf(built, f, at, into, []);
  return {
    inputs: into.inputs,
    bare: into.bare,
    solve: (x) => feed(start(x), branch.tree(x)),
    asked: branch.asked,
    ohmsTo: (device, x) => branch.ohms.get(deviceKey(device))?.(x) ?? 0,
    ohms: (x) => [...branch.ohms.values()].reduce((sum, r) => sum + r(x), 0),
  };
}

/**
 * The feed whose outlet holds its volts, or has those of a pack: above it nothing pulls them down. A
 * device that hangs on what only passes on is solved from there.
 */
export function rootOf(built: Built, f: Feed): Feed {
  let at = f;
  const seen = new Set<Feed>();
  for (;;) {
    const by = at.out && pulled(at.out) ? at.out.over[0] : undefined;
    const up = by === undefined ? undefined : byDevice(built).get(`fitted:${by}`);
    if (!up || seen.has(at)) return at;
    seen.add(at);
    at = up;
  }
}

/** What only passes on has the volts that are left before it. */
const pulled = (out: RigOutlet): boolean => out.outlet.passes === true && out.over.length > 0;

/** Nothing hangs on it and nothing pulls its outlet down but itself: one lead, in closed form. */
export function isPlain(built: Built, f: Feed): boolean {
  return !(f.out && pulled(f.out)) && hangingOn(built, f.device).length === 0;
}

/** What is fed and is not plain; once for a rig. */
export function oddOn(built: Built): ReadonlySet<Feed> {
  return built.once(ODD);
}

const ODD = node(
  'what is fed over something',
  (built: Built): ReadonlySet<Feed> => new Set(feedsOn(built).filter((f) => !isPlain(built, f))),
  { same: (a, b) => a.size === b.size && [...a].every((f) => b.has(f)) },
);

/**
 * Something of each that is fed. What is plain is kept while `deps` are the same; of what is not all that
 * hangs with it counts.
 */
export function eachFed<T extends NonNullable<unknown>>() {
  const each = eachKept<Feed, T>();
  return (built: Built, deps: readonly unknown[], make: (f: Feed) => T): readonly T[] => {
    const feeds = feedsOn(built);
    const odd = oddOn(built);
    if (odd.size === 0) return each(feeds, deps, make);
    const plain = each(
      feeds.filter((f) => !odd.has(f)),
      deps,
      make,
    );
    let i = 0;
    return feeds.map((f) => (odd.has(f) ? make(f) : plain[i++]!));
  };
}
