import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { node, sameList } from '../../../engine/reads';

import { standOf } from '../../../stand/stand';
import type { Lead, Part, TiePoint } from '../../../kit/types';
import { deviceKey, feedsOn, type Feed } from './fed';
import { partsByUse } from './fitted';
import { eachKept } from './judged';
import type { Laid } from './lay';
import { mainsOn, type RigMains } from './outlets';
import { signalPort, type Port } from './ports';
import {
  doubtOf,
  keyOf,
  mainsOf,
  reachAlong,
  reachOf,
  runOf,
  sourceOf,
  wayBetween,
  type Reach,
  type Run,
  type WayEnd,
} from './run';
import { CARRIED, leadBetween, signalsOn, type Signal, type SignalEnd } from './signals';

/** A lead from one socket to another, whatever goes through it. */
export interface Line {
  /** In the keys of what is said of it: `body`, `fitted:screen`, `signal:director`. */
  key: string;
  /** What goes through it: one of the two. */
  feed: Feed | null;
  signal: Signal | null;
  lead: Lead | null;
  /** Its plugs by id, that at the source first. */
  plugs: readonly [string | undefined, string | undefined];
  /** Whether each of them is an elbow; nobody said when absent. */
  elbows: readonly [boolean | undefined, boolean | undefined];
  /** What it goes to. */
  part: Part;
  tied: boolean | undefined;
  ties: number | undefined;
  /** Where it is tied, where somebody said. */
  via: readonly TiePoint[] | undefined;
  /** What becomes of that when it comes out. */
  lost: string;
}

/** Every lead that feeds something, then every one that something is sent through; once for a rig. */
export function linesOn(built: Built): readonly Line[] {
  return built.once(LINES);
}

/** Every lead in the order in which it is laid: straight ones first, a coil round them last. */
export const layingOrder = (built: Built): Line[] =>
  linesOn(built).toSorted(
    (a, b) => Number(a.lead?.coiled === true) - Number(b.lead?.coiled === true),
  );

const LINES = node(
  'leads on the rig',
  (built: Built): readonly Line[] => [
    ...feedsOn(built).map(lineOf),
    ...signalsOn(built).flatMap((s) => lineOfSignal(s) ?? []),
  ],
  { same: sameList },
);

/** A line, as the rig stands. */
export interface Lying {
  line: Line;
  mains: RigMains | null;
  source: Part | null;
  run: Run | null;
}

/** Every line as it lies; once for a rig. */
export function lyingOn(built: Built): readonly Lying[] {
  return built.once(LYING);
}

const LYING = node(
  'leads as they lie',
  (built: Built): readonly Lying[] => {
    // All that is asked of the rig for one of them.
    const deps = [standOf(built).memo, mainsOn(built), partsByUse(built)];
    return lying(linesOn(built), deps, (line) => ({
      line,
      mains: mainsAt(built, line),
      source: sourceAt(built, line),
      run: runAt(built, line),
    }));
  },
  { same: sameList },
);

const lying = eachKept<Line, Lying>();

/** The same, with why its way is not known as well as it could be. */
export interface Doubted extends Lying {
  doubt: string | null;
}

/** Every line as it lies, laid out round what stands on the rig; once for a rig. */
export function laidOn(built: Built): readonly Doubted[] {
  return built.once(LAID);
}

const LAID = node(
  'leads, laid out',
  (built: Built): readonly Doubted[] =>
    laid(lyingOn(built), [standOf(built).memo], (l) => ({
      ...l,
      doubt: !l.run || l.run.missing.length > 0 ? null : doubtOf(built, l.run),
    })),
  { same: sameList },
);

const laid = eachKept<Lying, Doubted>();

/** Whether the plugs of a lead are elbows, that at its source first. */
function elbowsOf(lead: Lead | null): Line['elbows'] {
  const { elbows } = lead ?? {};
  const at = (end: 'source' | 'device') =>
    elbows === undefined ? undefined : elbows === 'both' || elbows === end;
  return [at('source'), at('device')];
}

const known = new WeakMap<Feed | Signal, Line>();

/** The lead of a feed. */
export function lineOf(feed: Feed): Line {
  let line = known.get(feed);
  if (!line) {
    const { device, lead, from } = feed;
    line = {
      key: deviceKey(device),
      feed,
      signal: null,
      lead,
      plugs: [lead?.plug, lead?.plugTo],
      elbows: elbowsOf(lead),
      part: device.part,
      tied: from.tied,
      ties: from.via?.length ?? from.ties,
      via: from.via,
      lost: 'goes dark',
    };
    known.set(feed, line);
  }
  return line;
}

/** The lead of a signal; null where what it goes to is not on the rig. */
export function lineOfSignal(signal: Signal): Line | null {
  let line = known.get(signal);
  if (!line) {
    const { use, from, to, lead } = signal;
    if (!to) return null;
    const turned = from?.port && to.port && lead && leadBetween(from.port, lead, to.port).turned;
    line = {
      key: `signal:${use.id}`,
      feed: null,
      signal,
      lead,
      plugs: turned ? [lead.plugTo, lead.plug] : [lead?.plug, lead?.plugTo],
      elbows: turned ? [elbowsOf(lead)[1], elbowsOf(lead)[0]] : elbowsOf(lead),
      part: to.part,
      tied: use.tied,
      ties: use.via?.length ?? use.ties,
      via: use.via,
      lost: `has no ${CARRIED[use.carries]}`,
    };
    known.set(signal, line);
  }
  return line;
}

/** What a lead comes from; null where that is not on the rig, or stands beside it. */
export const sourceAt = (built: Built, { feed, signal }: Line): Part | null =>
  feed ? sourceOf(built, feed) : (signal!.from?.part ?? null);

/** The mains unit that it comes from; null where it comes from something on the rig. */
export const mainsAt = (built: Built, { feed }: Line): RigMains | null =>
  feed && mainsOf(built, feed);

/** How far it has to go; null where one of its ends is not on the rig. */
export function runAt(built: Built, { feed, signal }: Line): Run | null {
  if (feed) return runOf(built, feed);
  const { from, to } = signal!;
  return from && to ? wayBetween(built, wayEnd(from), wayEnd(to), signal!.use.via) : null;
}

/** How long its way would be, tied at other places; null where there is none. */
export const lengthBy = (built: Built, line: Line, via: readonly TiePoint[]): number | null =>
  wayBy(built, line, via)?.length ?? null;

/** How it would lie, tied at other places; null where there is no way. */
export function wayBy(built: Built, line: Line, via: readonly TiePoint[]): Laid | null {
  const { feed, signal } = line;
  const run = feed
    ? runOf(built, { device: feed.device, from: { ...feed.from, via: [...via] } })
    : signal!.from && signal!.to
      ? wayBetween(built, wayEnd(signal!.from), wayEnd(signal!.to), via)
      : null;
  return run?.laid() ?? null;
}

const wayEnd = ({ at, part, port }: SignalEnd): WayEnd => ({
  piece: keyOf(at.list, at.id),
  id: `port ${at.port}`,
  said: port ?? part,
  port: () => (port ? signalPort(part, port) : nowhere(part)),
});

/** Of a port that its part has not nobody can say where it is. */
const nowhere = (part: Part): Port => {
  const of = (key: string) => given(part, 'ports', '', key);
  return { face: undefined, at: [of('x'), of('y'), of('z')], asks: of('face') };
};

/** How far leads reach between the same two sockets. */
export const reachAt = (built: Built, line: Line): ((lead: Lead) => Reach) =>
  line.feed
    ? reachOf(built, line.feed.device, line.feed.from)
    : reachAlong(built, runAt(built, line));
