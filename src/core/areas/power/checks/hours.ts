import { given, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, said } from '../../../checks/judge';
import { cellsOf } from '../../../engine/plugs';
import type { Interval } from '../../../quantity/spread';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { USABLE } from '../../../feed/hours';
import { mixOf } from '../model/fed';
import { judgedOnce } from '../model/judged';
import { hoursOf as hoursWith, type Hours } from '../model/lasting';
import {
  byLog,
  computedHours,
  contradicts,
  loggedGiven,
  loggedOf,
  logWords,
  type Logged,
} from '../model/log';
import { sayHours } from '../model/say';
import { sourcesOn, type Source } from '../model/sources';
import { whileDark } from './dark';

export const powerHours: Check = {
  id: 'power.hours',
  title: 'Hours on a battery',
  short: 'battery too small',
  says: 'How long a battery feeds all that hangs on it, and whether that is as long as the job wants without a change. What takes less at rest is at work for the share of the time that is rolled, and ready or at rest for what is left of it; what did not say so is at work all the time.',
  formula:
    'Wh x share counted on / sum (watts and what leads lose, over the efficiency of regulated outlets)',
  run: (built) => sourcesOn(built).flatMap((s) => hoursOf(built, s)),
};

/** Below this nobody wrote down what is left of a pack, C. */
const COLDEST = USABLE[0]![0];

function hoursOf(built: Built, source: Source): Verdict[] {
  const dark = whileDark(built, () => {
    const names = inWords(source.packs.map((p) => p.part.name));
    return {
      ...baseOf(source),
      open: `How long ${names} ${source.packs.length > 1 ? 'last' : 'lasts'}`,
    };
  });
  if (dark) return [dark];
  if (source.feeds.length === 0) return [];
  const own = hoursWith(built, source);
  const log = loggedOf(built, source);
  if (log) return [lastsFor(built, source, own, log)];
  // The same for as long as the same hangs on it, the mix of the day being in its hours.
  const rests = [powerHours.id, own, built.job.goal?.hours, built.rig.celsius];
  return [judgedOnce(source, rests, () => lastsFor(built, source, own, null))];
}

const baseOf = ({ id, packs, feeds }: Source): Pick<Verdict, 'id' | 'key' | 'about' | 'basis'> => ({
  id: powerHours.id,
  key: `power.hours:${id}`,
  about: [...packs.map((p) => p.part.id), ...feeds.map((f) => f.device.part.id)],
  basis: ruleBasis('power.usable'),
});

function lastsFor(
  built: Built,
  source: Source,
  { inputs, watts, held, usable, hours, ends }: Hours,
  log: Logged | null,
): Verdict {
  const { packs, feeds } = source;
  const names = inWords(packs.map((p) => p.part.name));
  const wanted = built.job.goal?.hours;
  const computed = log && computedHours(built, source);
  const lasts = (h: number) =>
    `${names} ${packs.length > 1 ? 'last' : 'lasts'} ${sayHours(h)} for ${inWords(feeds.map((f) => f.device.part.name))}${built.rig.celsius === undefined ? '' : ` at ${plain(built.rig.celsius, 0)} C`}${wanted === undefined ? '' : `; the job wants ${sayHours(wanted)}`}.`;
  const asked = {
    ...baseOf(source),
    unit: 'h',
    limit: wanted === undefined ? null : { value: wanted, unit: 'h', rule: null },
    lacking: (missing: string) =>
      `How long ${names} ${packs.length > 1 ? 'last' : 'lasts'} is not known: ${missing} missing.`,
  };
  if (log && !computed)
    return judge({
      ...asked,
      inputs: [loggedGiven(log, names)],
      margin: ([h]) => h! - (wanted ?? 0),
      // It ran so once; what it runs by is not known.
      assumed: `By the log alone: ${inWords(inputs.filter((g) => g.known === null).map((g) => g.label))} missing.`,
      why: (o) => lasts(o.value + (wanted ?? 0)),
      sum: (o) => `by the log ${exact(o.value + (wanted ?? 0), 2)} h`,
    });
  const odd = log && computed && contradicts(log, computed);
  const v = judge({
    ...asked,
    inputs: [...inputs],
    margin: (x) => hours(x) - (wanted ?? 0),
    spread: () => ({ ...moved(ends(), -(wanted ?? 0)), shares: ends().shares }),
    after: (s) => moved(byLog(log, moved(s, wanted ?? 0)), -(wanted ?? 0)),
    assumed: odd ? logWords(log, computed) : assumedOf(built, source),
    why: (o) => {
      const words = log && computed && !odd ? ` ${logWords(log, computed)}` : '';
      return `${lasts(o.value + (wanted ?? 0))}${words}`;
    },
    sum: (o) => {
      const x = inputs.map((g) => g.known!.value);
      const said = (key: string) => feeds.some((f) => given(f.device.part, key).known);
      const { rolling, ready } = mixOf(built);
      const percent = (share: number) => `${plain(share * 100, 0)} % of the time`;
      const mix = [
        ...(said('wattsIdle') || said('wattsReady') ? [`at work ${percent(rolling)}`] : []),
        ...(said('wattsReady') ? [`ready ${percent(ready)}`] : []),
      ].join(', ');
      return `${mix && `${mix}: `}${plain(held(x), 1)} Wh x ${plain(usable, 2)} / ${exact(watts(x), 1)} W = ${exact(hours(x), 2)} h${log ? `, by the log ${exact(o.value + (wanted ?? 0), 2)} h` : ''}`;
    },
  });
  return wanted === undefined ? v : larger(v, wanted, inputs.slice(0, packs.length));
}

const moved = ({ value, lo, hi }: Interval, by: number): Interval => ({
  value: value + by,
  lo: lo + by,
  hi: hi + by,
});

/** Packs that would do at worst, and when to change those that there are. */
function larger(v: Verdict, wanted: number, packs: readonly Given[]): Verdict {
  if (!v.margin || v.state === 'ok' || v.state === 'unknown') return v;
  const least = v.margin.lo + wanted;
  if (!(least > 0)) return v;
  const held = packs.reduce((sum, g) => sum + g.known!.lo, 0);
  const wh = Math.ceil((held * wanted) / least);
  return {
    ...said(v),
    wanted: [
      `${packs.length > 1 ? 'packs that hold' : 'a pack that holds'} at least ${plain(wh, 0)} Wh in all, or a change by ${sayHours(least)}`,
    ],
  };
}

/** What the hours rest on that nobody said. */
function assumedOf({ rig }: Built, { feeds }: Source): string | null {
  const list = [
    feeds.some((f) => !f.lead && cellsOf(f.out?.outlet.plug) === null)
      ? 'What leads that nobody chose lose is not counted.'
      : '',
    rig.celsius !== undefined && rig.celsius < COLDEST
      ? `What a pack gives below ${COLDEST} C is not known; it is counted as at ${COLDEST} C.`
      : '',
  ].filter(Boolean);
  return list.length > 0 ? list.join(' ') : null;
}
