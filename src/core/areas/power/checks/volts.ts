import { constant, given } from '../../../build/given';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { judge, plainVerdict, said } from '../../../checks/judge';
import { cellsOf, plugOf } from '../../../engine/plugs';
import { node, sameList } from '../../../engine/reads';
import { leadOhms } from '../../../feed/copper';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { outletsOn, type RigOutlet } from '../model/outlets';
import { capital } from '../model/say';
import { keeper } from '../model/judged';
import { arrivingAt } from '../model/arriving';
import { eachFed, isPlain, ownOf } from '../model/branch';
import { byChamber, byOutlet, deviceKey, feedsOn, windowOf, type Feed } from '../model/fed';

const V = (x: number) => `${plain(x, 1)} V`;

export const powerVolts: Check = {
  id: 'power.volts',
  title: 'Volts at the inlet',
  short: 'volts do not suit',
  says: 'Whether what comes in at a device is inside the volts it runs on: at most from a full battery without a load, at least from an empty one at the most it takes, through its lead.',
  formula: 'I = 2 P / (V + sqrt(V^2 - 4 R P)); volts = V - I R; R = 2 x 0.01724 x length / area',
  run(built) {
    const reserve = built.rules['power.volts-reserve'];
    const all = judged(built, [reserve], (f) => voltsOf(built, f, reserve));
    return all.map((said, i) =>
      said.others ? fromOthers(said.v, feedsOn(built)[i]!, built.once(FREE), reserve) : said.v,
    );
  },
};

/** What is said of what is fed, and whether another outlet could have a lead that does. */
interface Said {
  v: Verdict;
  others: boolean;
}

const judged = eachFed<Said>();

function voltsOf(built: Built, f: Feed, reserve: number): Said {
  const { out } = f;
  if (!out || out.packs.length === 0) return { v: nothingThere(f), others: false };
  const v = suits(built, f, out);
  if (v.state === 'ok' || (f.lead && v.state === 'unknown') || !isPlain(built, f))
    return { v, others: false };
  const own = leadFor(f, out, reserve);
  return own === null ? { v, others: true } : { v: { ...said(v), wanted: [own] }, others: false };
}

/** A lead from an outlet that is free, where none from its own would do. */
const fromOthers = (v: Verdict, f: Feed, free: readonly RigOutlet[], reserve: number): Verdict =>
  wanting(v, [free, reserve], () => {
    for (const out of free) {
      const wanted = leadFor(f, out, reserve);
      if (wanted !== null) return { ...said(v), wanted: [wanted] };
    }
    return v;
  });

const wanting = keeper<Verdict>();

const baseOf = ({ device, out, lead }: Feed): Base => ({
  id: 'power.volts',
  key: `power.volts:${deviceKey(device)}`,
  about: [device.part.id, ...(out ? [out.part] : []), ...(lead ? [lead.id] : [])],
  basis: ruleBasis('power.volts-reserve'),
});

function nothingThere(f: Feed): Verdict {
  const { name } = f.device.part;
  return plainVerdict({
    ...baseOf(f),
    state: 'unknown',
    why: f.out
      ? `What comes in at ${name} is not known: no battery stands behind ${f.out.name}.`
      : `What comes in at ${name} is not known: the outlet that fed it is not on the rig.`,
    sum: 'No sum: nothing gives volts.',
  });
}

function suits(built: Built, f: Feed, out: RigOutlet): Verdict {
  const base = baseOf(f);
  const worse = worseOf(overVolts(f, base), underVolts(built, f, base));
  // Where either position does it does not matter which it is.
  return out.switched !== undefined || worse.state === 'ok'
    ? worse
    : plainVerdict({
        ...base,
        state: 'unknown',
        why: `What comes in at ${f.device.part.name} is not known: nobody said how the switch of ${out.name} is set.`,
        sum: 'No sum: it has two positions.',
      });
}

/** The one that is said of the two. */
function worseOf(over: Verdict, under: Verdict): Verdict {
  if (RANK[over.state] !== RANK[under.state])
    return RANK[over.state] < RANK[under.state] ? over : under;
  // Where both are well the one sentence says both ends.
  if (under.state === 'ok') return under;
  // Too many volts break it, too few only stop it: where both are as near the first is said.
  return (under.margin?.lo ?? 0) < (over.margin?.lo ?? 0) ? under : over;
}

/** Outlets that nothing hangs on, which give what is written of them. */
const FREE = node(
  'outlets that are free',
  (built: Built): readonly RigOutlet[] => {
    const used = byOutlet(built);
    return outletsOn(built).filter(
      (o) =>
        o.packs.length > 0 &&
        o.over.length === 0 &&
        o.switched === null &&
        !used.has(`${o.from}/${o.id}`),
    );
  },
  { same: sameList },
);

/**
 * The lead that would do from an outlet: at worst, with the reserve, `R = (V - U) U / P`, and copper by
 * its length (IEC 60028); null where none would, or a number is missing.
 */
function leadFor(f: Feed, out: RigOutlet, reserve: number): string | null {
  const { part } = f.device;
  if (cellsOf(out.outlet.plug) !== null) return null;
  const [volts, top, least, most, watts] = [
    out.least,
    out.most,
    given(part, 'voltsFrom'),
    given(part, 'voltsTo'),
    ownOf(part, 'most'),
  ].map((g) => g.known);
  if (!volts || !top || !least || !most || !watts) return null;
  const end = least.hi + reserve;
  if (volts.lo <= end || watts.hi <= 0 || top.hi > most.lo) return null;
  const area = leadOhms(1, 1) / (((volts.lo - end) * end) / watts.hi);
  const plug = (id: string | undefined, else_: string) => plugOf(id)?.name ?? else_;
  return `From ${out.name}: a lead from ${plug(out.outlet.plug, 'what goes into it')} to ${plug(part.inlet, `what ${part.name} takes`)}, with at least ${exact(Math.ceil(area * 100) / 100, 2)} mm2 in each conductor for every metre of it.`;
}

type Base = Pick<Verdict, 'id' | 'key' | 'about' | 'basis'>;

function overVolts(f: Feed, base: Base): Verdict {
  const { out } = f;
  const { part } = f.device;
  const [, most] = windowOf(f);
  return judge({
    ...base,
    inputs: [most, out!.most],
    margin: (x) => x[0]! - x[1]!,
    unit: 'V',
    limit: { value: most.known?.value ?? 0, unit: 'V', rule: null },
    why: (o) =>
      o.state === 'ok'
        ? `${capital(out!.name)} gives ${V(out!.most.known!.hi)} at most; ${part.name} runs up to ${V(most.known!.value)}.`
        : o.state === 'fail'
          ? `${capital(out!.name)} gives up to ${V(out!.most.known!.hi)}; ${part.name} ${byChamber(f) ? 'is made for' : 'runs up to'} ${V(most.known!.value)}${byChamber(f) ? ' in the place of its battery' : ''}: do not plug it in.`
          : `${capital(out!.name)} gives up to ${V(out!.most.known!.hi)}, about the ${V(most.known!.value)} that ${part.name} runs up to.`,
    sum: (o) =>
      `${plain(most.known!.value, 2)} - ${plain(out!.most.known!.value, 2)} = ${exact(o.value, 2)} V`,
    lacking: (missing) =>
      `Whether ${out!.name} suits ${part.name} is not known: ${missing} missing.`,
  });
}

function underVolts(built: Built, f: Feed, base: Base): Verdict {
  const { part } = f.device;
  const out = f.out!;
  const [least, most] = windowOf(f);
  const wanted = built.rules['power.volts-reserve'];
  const lacking = (missing: string) =>
    `What comes in at ${part.name} is not known: ${missing} missing.`;
  const limit = { value: wanted, unit: 'V', rule: 'power.volts-reserve' };
  const before = judge({
    ...base,
    inputs: [out.least, least],
    margin: (x) => x[0]! - x[1]!,
    wanted,
    unit: 'V',
    limit,
    why: () =>
      `${capital(out.name)} gives ${V(out.least.known!.value)} at its least; ${part.name} runs from ${V(least.known!.value)}, whatever the lead.`,
    sum: (o) =>
      `${plain(out.least.known!.value, 2)} - ${plain(least.known!.value, 2)} = ${exact(o.value, 2)} V before the lead`,
    lacking,
  });
  // No lead makes more of it than there is.
  if (before.state === 'fail') return before;
  const none = constant(`lead from ${out.name} to ${part.name}`, '', null);
  const bare = !f.lead && cellsOf(out.outlet.plug) === null;
  const { inputs, volts, sense, sum, asked } = bare
    ? { inputs: [out.least, none], volts: () => 0, sense: () => 0, sum: () => '', asked: () => 0 }
    : arrivingAt(built, f);
  const last = inputs.length;
  return judge({
    ...base,
    inputs: [...inputs, least],
    margin: (x) => volts(x) - x[last]!,
    // Where nothing comes through any more each number still pushes its own way.
    sense: (x) => sense(x) - x[last]!,
    wanted,
    unit: 'V',
    limit,
    why: (o) => {
      const at = o.value + least.known!.value;
      const over = f.lead ? ` over ${f.lead.name}` : '';
      if (o.state === 'ok')
        return `${part.name} gets ${plain(o.lo + least.known!.value, 1)} to ${V(out.most.known!.hi)} from ${out.name}${over}; it runs on ${plain(least.known!.value, 1)} to ${V(most.known!.value)}.`;
      return at <= 0
        ? `${f.lead?.name ?? out.name} does not pass the ${plain(asked(inputs.map((g) => g.known!.value)), 0)} W that ${isPlain(built, f) ? `${part.name} takes` : 'are taken'} at most from ${out.name}.`
        : `${part.name} gets ${V(at)} from ${out.name}${over}${o.state === 'tight' ? `, ${V(Math.max(0, o.lo + least.known!.value))} if all is at its worst` : ''}; it runs from ${V(least.known!.value)}.`;
    },
    sum: (o) =>
      `${plain(out.least.known!.value, 2)} V, ${sum(inputs.map((g) => g.known!.value))}: ${exact(o.value + least.known!.value, 2)} V; - ${plain(least.known!.value, 2)} = ${exact(o.value, 2)} V`,
    lacking,
  });
}
