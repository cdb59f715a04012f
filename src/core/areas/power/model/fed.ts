import type { Built } from '../../../build/build';
import { constant, exactly, given, type Given } from '../../../build/given';
import { cellsOf } from '../../../engine/plugs';
import { node, sameList } from '../../../engine/reads';
import { meanWatts, type Mix } from '../../../feed/hours';
import { overLead } from '../../../feed/network';
import { leadOhms } from '../../../feed/copper';
import {
  isBody,
  isDrive,
  isFitting,
  isLead,
  type FedFrom,
  type Lead,
  type Outlet,
  type Part,
  type Supplied,
} from '../../../kit/types';
import { byId, fittedParts, type FittedPart } from './fitted';
import { eachKept, flat, keeper } from './judged';
import { wireLength } from './lead-length';
import { outletsOn, type RigOutlet } from './outlets';

/** Something on the rig that takes power. */
export interface Device {
  /** Which it is: the camera, or a use of a list of the rig. */
  list: 'body' | 'drives' | 'fitted';
  id: string;
  part: Part & Supplied & { outlets?: readonly Outlet[] };
}

/** What feeds a device. */
export interface Feed {
  device: Device;
  from: FedFrom;
  /** Null where the part with the outlet, or the outlet, is not on the rig any more. */
  out: RigOutlet | null;
  /** The lead; null where none is chosen. */
  lead: Lead | null;
}

/**
 * Kinds that take power whatever is known of them. Others count once something is said to feed them:
 * many a microphone has a cell of its own, a dummy battery only passes on.
 */
const ALWAYS: ReadonlySet<string> = new Set([
  'body',
  'motor',
  'monitor',
  'recorder',
  'finder',
  'radio',
  'hand-unit',
]);

/** A device's name in keys: `body`, `fitted:screen`. */
export const deviceKey = ({ list, id }: Pick<Device, 'list' | 'id'>) =>
  list === 'body' ? 'body' : `${list}:${id}`;

/** A device, and what is said to feed it. */
interface Taker {
  device: Device;
  from: FedFrom | undefined;
}

/** All that takes power on a rig, the camera first, then by id; once for a rig. */
export function devicesOn(built: Built): readonly Taker[] {
  return built.once(TAKERS);
}

const TAKERS = node(
  'what takes power',
  (built: Built): readonly Taker[] => {
    const { rig, kit } = built;
    const body = rig.body === null ? undefined : kit.get(rig.body);
    return flat([
      body ? takerOf(body, 'body', { id: 'body', outlet: rig.outlet }, body) : [],
      ...byId(rig.drives).map((use) => {
        const part = kit.get(use.part);
        return part ? takerOf(use, 'drives', use, part) : [];
      }),
      ...fitted(fittedParts(built), [], (f) => takerOf(f, 'fitted', f.use, f.part)),
    ]);
  },
  { same: sameList },
);

const fitted = eachKept<FittedPart, readonly Taker[]>();
const takers = keeper<Taker>();

/** What takes power of a use: itself, or nothing; `of` is what it is kept with. */
function takerOf(
  of: object,
  list: Device['list'],
  { id, outlet: from }: { id: string; outlet?: FedFrom },
  part: Part,
): readonly Taker[] {
  if (!isBody(part) && !isDrive(part) && !isFitting(part)) return [];
  return ALWAYS.has(part.kind) || from
    ? [takers(of, [part, from], () => ({ device: { list, id, part }, from }))]
    : [];
}

/** Everything that is fed, and by what; once for a rig. */
export function feedsOn(built: Built): readonly Feed[] {
  return built.once(FEEDS);
}

const FEEDS = node(
  'what is fed',
  (built: Built): readonly Feed[] => {
    const outlets = built.once(OUTLETS);
    const feeds: Feed[] = [];
    for (const { device, from } of devicesOn(built)) {
      if (!from) continue;
      const lead = from.lead === undefined ? undefined : built.kit.get(from.lead);
      const out = outlets.get(from.from)?.get(from.id) ?? null;
      feeds.push(theSame({ device, from, out, lead: isLead(lead) ? lead : null }));
    }
    return feeds;
  },
  { same: sameList },
);

const OUTLETS = node(
  'outlets of each',
  (built: Built): ReadonlyMap<string, ReadonlyMap<string, RigOutlet>> => {
    const by = new Map<string, Map<string, RigOutlet>>();
    for (const o of outletsOn(built)) {
      let own = by.get(o.from);
      if (!own) by.set(o.from, (own = new Map()));
      own.set(o.id, o);
    }
    return by;
  },
);

const known = new WeakMap<FedFrom, Feed[]>();
/** So many of one link are kept: configurations of a rig share it. */
const MOST = 8;

/** The one of before where it is the same in all: what was judged of it stands. */
function theSame(f: Feed): Feed {
  let list = known.get(f.from);
  if (!list) known.set(f.from, (list = []));
  const { part, id } = f.device;
  const before = list.find(
    (b) =>
      b.device.part === part &&
      b.device.id === id &&
      b.device.list === f.device.list &&
      b.out === f.out &&
      b.lead === f.lead,
  );
  if (before) return before;
  list.unshift(f);
  list.length = Math.min(list.length, MOST);
  return f;
}

/** The outlet that something hangs on: `plate/v14`. */
export const outletKey = ({ from }: Pick<Feed, 'from'>) => `${from.from}/${from.id}`;

/** What hangs on each outlet, by its key; once for a rig. */
export function byOutlet(built: Built): ReadonlyMap<string, readonly Feed[]> {
  return built.once(BY_OUTLET);
}

const BY_OUTLET = node(
  'what hangs on outlets',
  (built: Built): ReadonlyMap<string, readonly Feed[]> => {
    const by = new Map<string, Feed[]>();
    for (const f of feedsOn(built)) {
      const key = outletKey(f);
      const list = by.get(key);
      if (list) list.push(f);
      else by.set(key, [f]);
    }
    const kept = new Map<string, readonly Feed[]>();
    for (const [key, list] of by)
      kept.set(
        key,
        together(list[0]!, list, () => list),
      );
    return kept;
  },
);

/** The same list while the same hangs together. */
const together = keeper<readonly Feed[]>();

/** What feeds each device, by `deviceKey`; once for a rig. */
export function byDevice(built: Built): ReadonlyMap<string, Feed> {
  return built.once(BY_DEVICE);
}

const BY_DEVICE = node(
  'what feeds each',
  (built: Built): ReadonlyMap<string, Feed> =>
    new Map(feedsOn(built).map((f) => [deviceKey(f.device), f])),
);

/** A pack stands on a lead's end where the device has its own: it gives it up for what fills its chamber. */
export const byChamber = ({ out, device: { part } }: Feed): boolean =>
  cellsOf(out?.outlet.plug) !== null && out?.outlet.plug !== part.inlet;

/** It goes on by a battery of its own when what feeds it is gone. */
export const runsOn = (f: Feed): boolean => f.device.part.ownPack === true && !byChamber(f);

/** Volts of one cell, empty and full. Common practice, no source. */
const CELL = [3, 4.2] as const;

/**
 * The volts that a device runs on, where it is fed: at its inlet, or in the place of its battery, as
 * much as the battery gives.
 */
export function windowOf(f: Feed): [least: Given, most: Given] {
  const { part } = f.device;
  if (!byChamber(f)) return [given(part, 'voltsFrom'), given(part, 'voltsTo')];
  // By what the device takes, not by what is pushed into it.
  const cells = cellsOf(part.chamber);
  const of = (which: string, i: 0 | 1) =>
    cells === null
      ? constant(`battery that ${part.name} takes`, 'V', null)
      : constant(`volts of ${cells} cells, ${which}`, 'V', exactly(cells * CELL[i]));
  return [of('empty', 0), of('full', 1)];
}

/** What takes power and is fed by nothing that anybody said. */
export function unfedOn(built: Built): readonly Device[] {
  return built.once(UNFED);
}

const UNFED = node(
  'what nothing feeds',
  (built: Built): readonly Device[] =>
    devicesOn(built)
      .filter(({ device, from }) => !from && device.part.ownPack !== true)
      .map(({ device }) => device),
  { same: sameList },
);

/** What hangs on an outlet that is not there, or that no pack stands behind. */
export function deadOn(built: Built): readonly Device[] {
  return built.once(DEAD);
}

const DEAD = node(
  'what hangs on nothing',
  (built: Built): readonly Device[] =>
    feedsOn(built)
      .filter((f) => !f.out || f.out.packs.length === 0)
      .map((f) => f.device),
  { same: sameList },
);

/** What takes power of which it is not known what feeds it: by nothing, or by what gives nothing here. */
export function inTheDark(built: Built): readonly Device[] {
  return built.once(DARK);
}

const DARK = node(
  'what is in the dark',
  (built: Built): readonly Device[] => [...unfedOn(built), ...deadOn(built)],
  { same: sameList },
);

/** A device is asked for half as much again as at work, at most, where nobody said. Common practice, no source. */
const PEAK = 1.5;

/**
 * What a device takes at most; where nobody said, from what it takes at work to half as much again. It
 * never takes less at most than at work, whatever is written.
 */
export function peakOf(part: Device['part']): Given {
  const peak = given(part, 'wattsPeak');
  const work = given(part, 'watts');
  if (peak.known) {
    if (!work.known || work.known.value <= peak.known.value) return peak;
    return { ...peak, known: work.known };
  }
  if (!work.known) return work;
  const { lo, hi } = work.known;
  return {
    ...peak,
    known: {
      value: (lo + hi * PEAK) / 2,
      tol: (hi * PEAK - lo) / 2,
      from: 'guess',
      lo,
      hi: hi * PEAK,
    },
  };
}

/**
 * What a device takes on the mean of a day; where nobody said what it takes at rest or ready, as at work
 * all the time. Where one of the two is said it counts for both. At rest it never takes more than
 * ready, and ready never more than at work, whatever is written.
 */
export function meanOf(part: Device['part'], mix: Mix): Given {
  const work = given(part, 'watts');
  const [idle, ready] = [given(part, 'wattsIdle').known, given(part, 'wattsReady').known];
  const [rest, waits] = [idle ?? ready, ready ?? idle];
  if (!work.known || !rest || !waits) return work;
  const at = (rolling: number, w: number, i: number) => {
    const most = Math.min(rolling, w);
    return meanWatts({ rolling, ready: most, idle: Math.min(most, i) }, mix);
  };
  const { value, lo, hi, from } = work.known;
  const ends = { lo: at(lo, waits.lo, rest.lo), hi: at(hi, waits.hi, rest.hi) };
  const mean = at(value, waits.value, rest.value);
  return {
    ...work,
    known: { value: mean, tol: Math.max(mean - ends.lo, ends.hi - mean), from, ...ends },
  };
}

/** How the day of a rig is spent, by the house rules: what is not rolled is ready or at rest. */
export function mixOf({ rules }: Built): Mix {
  const rolling = rules['media.rolling'];
  const ready = (1 - rolling) * rules['power.ready'];
  return { rolling, ready, idle: 1 - rolling - ready };
}

/** All of the day spent in one way. */
export const allOf = (how: keyof Mix): Mix => ({ idle: 0, ready: 0, rolling: 0, [how]: 1 });

/** The numbers of a lead; missing ones while none is chosen. */
export function leadGivens({ lead, out, device }: Feed): [length: Given, copper: Given] {
  if (lead) return [wireLength(lead), given(lead, 'copper')];
  const name = `lead from ${out?.name ?? 'the outlet'} to ${device.part.name}`;
  return [constant(name, 'mm', null), constant(name, 'mm2', null)];
}

/**
 * Volts and amps at the end of a lead: `V = source - I R`, constant watts, copper at 20 C.
 *
 * @param x volts at the outlet, length mm, conductor mm2, watts
 * @returns nothing at all where the lead does not pass what is drawn
 */
export function atInlet([volts, length, copper, watts]: readonly number[]): {
  volts: number;
  amps: number;
} {
  const ohms = leadOhms(length! / 1000, copper!);
  return overLead(volts!, ohms, watts!) ?? { volts: 0, amps: Infinity };
}
