import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said } from '../../../checks/judge';
import { given } from '../../../build/given';
import { onHand } from '../../../kit/types';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { judgedOnce } from '../model/judged';
import {
  changesOf,
  doneOf,
  fillingOf,
  MOST_PACKS,
  nightOf,
  soonestOf,
  type Night,
} from '../model/night';
import { packsOn } from '../model/outlets';
import { ownPacks } from '../model/own-pack';
import { sayHours } from '../model/say';

export const powerCharge: Check = {
  id: 'power.charge',
  title: 'Charging, while it runs and over night',
  short: 'packs not full',
  says: 'Whether the chargers of the kit fill all packs that they take from empty in the hours of the night, each pack where it is done first, and one after the other where there are fewer bays than packs; and whether a device that has a battery of its own gains on what it takes, or lasts the day.',
  formula:
    'hours of the night - the last of (Wh / (W of a bay x share that fills)) in each bay; W taken in - W on the mean, else own Wh x usable - what drains x hours of the day',
  run(built) {
    const night = built.job.goal?.night;
    const own = ownPacks(built);
    if (night === undefined || packsOn(built).length === 0) return own;
    const n = nightOf(built);
    return [
      ...own,
      ...(n.left.length > 0 ? [leftOut(n)] : []),
      ...(n.lots.length > 0 ? [inTime(n, night, built.rules['power.charging'])] : []),
    ];
  },
};

const SUM = 'No sum: chargers are looked through.';

/** Packs of the rig that no charger is said to take. */
function leftOut({ left, open, chargers }: Night): Verdict {
  const names = inWords(left.map((p) => p.name));
  const none = chargers.length === 0 && open.length === 0;
  const why = none
    ? `What charges ${names} is not known: no charger is in the kit.`
    : open.length > 0
      ? `What charges ${names} is not known: which packs ${inWords(open.map((c) => c.name))} ${open.length > 1 ? 'take' : 'takes'} nobody said.`
      : `No charger of the kit takes ${names}.`;
  return plainVerdict({
    id: 'power.charge',
    key: 'power.charge:left',
    about: left.map((p) => p.id),
    state: none || open.length > 0 ? 'unknown' : 'fail',
    why,
    sum: SUM,
    basis: '[math] a pack is filled by a charger that it goes on',
    ...(none || open.length > 0 ? {} : { wanted: [`a charger for ${names}`] }),
  });
}

/** An edit of a lead leaves the night as it is. */
const inTime = (n: Night, night: number, share: number): Verdict =>
  judgedOnce(n, [night, share], () => throughTheNight(n, night, share));

function throughTheNight(n: Night, night: number, share: number): Verdict {
  const { lots, chargers, packs, bays, plan, inputs } = n;
  const base = {
    id: 'power.charge',
    key: 'power.charge:night',
    about: [...lots.map((l) => l.part.id), ...chargers.map((c) => c.id)],
    basis: ruleBasis('power.charging'),
  };
  const open = `Whether ${inWords(chargers.map((c) => c.name))} ${chargers.length > 1 ? 'make' : 'makes'} the night is not known`;
  const noBays = chargers.filter((c) => c.bays === undefined);
  if (noBays.length > 0)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `${open}: how many packs ${inWords(noBays.map((c) => c.name))} ${noBays.length > 1 ? 'fill' : 'fills'} at once nobody said.`,
      sum: 'No sum.',
      measure: lacking(noBays.map((c) => given(c, 'bays'))),
    });
  if (packs.length > MOST_PACKS)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `${open}: more than ${MOST_PACKS} packs are not planned.`,
      sum: 'No sum.',
    });
  const v = judge({
    ...base,
    inputs: [...inputs],
    margin: (x) => night - doneOf(n, x),
    sense: (x) => -fillingOf(n, x),
    // Another plan may be quicker where the numbers are at their best: never before this.
    after: (s) => ({ ...s, hi: Math.max(s.hi, night - soonestOf(n)) }),
    unit: 'h',
    limit: { value: night, unit: 'h', rule: null },
    assumed: openOf(n),
    why: (o) => sentence(n, night, night - o.value),
    sum: (o) =>
      `${plain(night, 1)} - ${exact(night - o.value, 2)} = ${exact(o.value, 2)} h; ${packs.length} ${packs.length === 1 ? 'pack' : 'packs'}, ${bays.length} ${bays.length === 1 ? 'bay' : 'bays'}, ${plain(share, 2)} of the watts of each`,
    lacking: (missing) => `${open}: ${missing} missing.`,
  });
  if (!v.margin || !plan || v.state === 'ok' || v.state === 'unknown') return v;
  const over = Math.ceil(((night - v.margin.lo) / night) * bays.length);
  return {
    ...said(v),
    wanted: [
      over > bays.length
        ? `${over - bays.length} more ${over - bays.length === 1 ? 'bay' : 'bays'} at the least, or a pack that is charged by day`
        : 'a bay more, or a pack that is charged by day',
    ],
  };
}

/** What it rests on that is not there for sure; null where all is. */
function openOf({ lots, chargers }: Night): string | null {
  const unsaid = lots.filter((l) => l.unsaid).map((l) => l.part.name);
  const hired = chargers.filter((c) => onHand(c) === 0).map((c) => c.name);
  const list = [
    unsaid.length > 0
      ? `How many of ${inWords(unsaid)} there are nobody said; those on the rig are counted.`
      : '',
    hired.length > 0 ? `${inWords(hired)} would have to be hired.` : '',
  ].filter(Boolean);
  return list.length > 0 ? list.join(' ') : null;
}

function sentence(n: Night, night: number, done: number): string {
  const { lots, chargers } = n;
  const all = inWords(lots.map((l) => `${l.n} of ${l.part.name}`));
  const up = changesOf(n);
  const late = up.filter((h) => h < night);
  const changed =
    late.length === 0
      ? 'Nobody has to get up.'
      : late.length > 4
        ? `Packs are changed ${late.length} times, first at ${sayHours(late[0]!)}.`
        : `Packs are changed at ${inWords(late.map(sayHours))}.`;
  return `${all}: ${inWords(chargers.map((c) => c.name))} ${chargers.length > 1 ? 'fill' : 'fills'} them from empty in ${sayHours(done)}; the night has ${sayHours(night)}. ${changed}`;
}
