import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict, said } from '../../../checks/judge';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { byChamber, feedsOn, meanOf, mixOf, runsOn, type Feed } from './fed';
import { eachKept, flat } from './judged';
import { usableOf } from './lasting';
import { sayHours } from './say';

/**
 * Whether the own battery of each device gains while it runs on what feeds it: what it takes in at most,
 * and no more than its outlet gives, against what it takes on the mean of the day; where it does not,
 * whether what is in that battery lasts the day.
 */
export function ownPacks(built: Built): Verdict[] {
  // While it is fed as it was, the day is as long and spent the same way.
  const { idle, ready, rolling } = mixOf(built);
  const deps = [idle, ready, rolling, usableOf(built), built.job.goal?.day];
  return flat(judged(feedsOn(built), deps, (f) => ownPackOf(built, f)));
}

const judged = eachKept<Feed, readonly Verdict[]>();
const NONE: readonly Verdict[] = [];

function ownPackOf(built: Built, f: Feed): readonly Verdict[] {
  if (!f.out) return NONE;
  if (runsOn(f)) return [ofOwn(built, f, f.out)];
  const { ownPack, ownWattHours, chargeWatts } = f.device.part;
  const said = ownWattHours !== undefined || chargeWatts !== undefined;
  return ownPack === undefined && said && !byChamber(f) ? [unsaid(f, f.out)] : NONE;
}

/** Numbers of a battery that nobody said is there. */
function unsaid({ device: { part, list, id } }: Feed, out: NonNullable<Feed['out']>): Verdict {
  return plainVerdict({
    id: 'power.charge',
    key: `power.charge:own:${list}:${id}`,
    about: [part.id, out.part],
    state: 'unknown',
    why: `Whether ${part.name} is charged while it runs is not known: whether it has a battery of its own nobody said.`,
    sum: 'No sum.',
    basis: ruleBasis('power.usable'),
  });
}

function ofOwn(built: Built, f: Feed, out: NonNullable<Feed['out']>): Verdict {
  const { part, id, list } = f.device;
  const base = {
    id: 'power.charge',
    key: `power.charge:own:${list}:${id}`,
    about: [part.id, out.part],
    basis: ruleBasis('power.usable'),
  };
  const open = `Whether ${part.name} is charged while it runs is not known`;
  const inputs = [given(part, 'chargeWatts'), out.amps, out.least, meanOf(part, mixOf(built))];
  const gets = (x: readonly number[]) => Math.min(x[0]!, x[1]! * x[2]!);
  const w = (x: number) => `${plain(x, 1)} W`;
  const gain = judge({
    ...base,
    inputs,
    margin: (x) => gets(x) - x[3]!,
    // What it takes in, or what its outlet gives, that does not count here would elsewhere.
    sense: (x) => gets(x) - x[3]! + 1e-9 * (x[0]! + x[1]! * x[2]!),
    unit: 'W',
    limit: { value: 0, unit: 'W', rule: null },
    why: (o) =>
      o.value >= 0
        ? `${part.name} takes in up to ${w(gets(inputs.map((g) => g.known!.value)))} and uses ${w(inputs[3]!.known!.value)} on the mean of the day: its own battery gains on it.`
        : `${part.name} uses ${w(inputs[3]!.known!.value)} on the mean of the day and takes in ${w(gets(inputs.map((g) => g.known!.value)))}: its own battery gives the rest.`,
    sum: (o) =>
      `${exact(o.value + inputs[3]!.known!.value, 1)} - ${exact(inputs[3]!.known!.value, 1)} = ${exact(o.value, 1)} W`,
    lacking: (missing) => `${open}: ${missing} missing.`,
  });
  if (gain.state === 'ok' || gain.state === 'unknown') return gain;
  const day = built.job.goal?.day;
  if (day === undefined)
    return gain.state === 'fail'
      ? { ...said(gain), state: 'tight', why: `${gain.why} How long the day is nobody said.` }
      : gain;
  return throughTheDay(built, f, { day, base, inputs, gets, gain });
}

interface Draining {
  day: number;
  base: Pick<Verdict, 'id' | 'key' | 'about' | 'basis'>;
  inputs: readonly ReturnType<typeof given>[];
  gets: (x: readonly number[]) => number;
  gain: Verdict;
}

/** What is left in its own battery at the end of the day. */
function throughTheDay(
  built: Built,
  f: Feed,
  { day, base, inputs, gets, gain }: Draining,
): Verdict {
  const { part } = f.device;
  const usable = usableOf(built);
  const all = [...inputs, given(part, 'ownWattHours')];
  const drains = (x: readonly number[]) => x[3]! - gets(x);
  const v = judge({
    ...base,
    inputs: all,
    margin: (x) => x[4]! * usable - drains(x) * day,
    sense: (x) => x[4]! * usable - drains(x) * day + 1e-9 * (x[0]! + x[1]! * x[2]!),
    unit: 'Wh',
    limit: { value: day, unit: 'h', rule: null },
    why: (o) => {
      const x = all.map((g) => g.known!.value);
      const lasts = drains(x) > 0 ? `, empty after ${sayHours((x[4]! * usable) / drains(x))}` : '';
      return `${gain.why.replace(/\.$/, '')}${lasts}; the day has ${sayHours(day)}${o.value < 0 ? ': it goes dark before the end' : ''}.`;
    },
    sum: (o) => {
      const x = all.map((g) => g.known!.value);
      return `${exact(x[4]!, 1)} x ${plain(usable, 2)} - ${exact(drains(x), 1)} x ${plain(day, 1)} = ${exact(o.value, 1)} Wh`;
    },
    lacking: (missing) => `${gain.why} How long that lasts is not known: ${missing} missing.`,
  });
  // It is emptier every hour: one that lasts is tight at the best, and has to be charged in the night.
  return v.state === 'ok' ? { ...said(v), state: 'tight' } : v;
}
