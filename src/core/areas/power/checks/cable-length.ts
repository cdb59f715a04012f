import { constant, given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said } from '../../../checks/judge';
import type { Lead, Part } from '../../../kit/types';
import { exact, sayLength } from '../../../quantity/say';
import { spread } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import { eachKept, flat, judgedOnce } from '../model/judged';
import { reachLength } from '../model/lead-length';
import type { RigMains } from '../model/outlets';
import { laidOn, type Doubted, type Line } from '../model/lines';
import { BENDS, THICKNESS, type Run } from '../model/run';

/** Lengths that leads are sold in, mm. Common practice, no source. */
const STOCK = [150, 200, 300, 450, 600, 800, 1000, 1500, 2000, 3000, 5000] as const;

export const cableLength: Check = {
  id: 'cable.length',
  title: 'Length of a lead',
  short: 'lead too short',
  says: 'Whether a lead is as long as the way from its outlet to what it feeds, round what stands between, with a bend at each plug and slack. A socket may be anywhere on its face where nobody said where; while nobody said on which face it is, nothing is ok.',
  formula: 'length - way along the rig - 2 bends of 4 x its thickness',
  run(built) {
    const slack = built.rules['cable.slack'];
    return flat(judged(laidOn(built), [slack], (l) => lengthOf(l, slack)));
  },
};

/** While all stands where it stood. */
const judged = eachKept<Doubted, readonly Verdict[]>();

function lengthOf(l: Doubted, slack: number): readonly Verdict[] {
  const { lead } = l.line;
  if (!lead) return [];
  return [l.mains ? overTheFloor(l.line, lead, l.mains, slack) : along(l, lead, slack)];
}

function along(
  { line: { key: of, part }, source, run, doubt }: Doubted,
  lead: Lead,
  slack: number,
): Verdict {
  const from = source?.name ?? 'what it comes from';
  const key = `cable.length:${of}`;
  const base = () => ({
    id: 'cable.length',
    key,
    about: [...new Set([lead.id, part.id, ...(source ? [source.id] : [])])],
    basis: ruleBasis('cable.slack'),
  });
  if (!run || run.missing.length > 0)
    return plainVerdict({
      ...base(),
      state: 'unknown',
      why: `Whether ${lead.name} reaches from ${from} to ${part.name} is not known: ${run ? `${inWords(run.missing.map((g) => g.label))} missing` : 'where the two stand is not'}.`,
      sum: 'No sum.',
      measure: lacking(run?.missing ?? []),
    });
  const { from: a, to: b, near, far } = run;
  const laid = run.laid();
  const { length, most, round } = laid ?? {};
  return judgedOnce(
    lead,
    [key, part, source, slack, a.key, b.key, near, far, doubt, length, most, round],
    () => reaches({ lead, part, from, run, slack, base: base(), doubt }),
  );
}

/** A lead from the mains beside the rig, against how far that is said to be. */
function overTheFloor(
  { key, part: device }: Line,
  lead: Lead,
  { use, part }: RigMains,
  slack: number,
): Verdict {
  const base = {
    id: 'cable.length',
    key: `cable.length:${key}`,
    about: [lead.id, device.id, part.id],
    basis: ruleBasis('cable.slack'),
  };
  const open = `Whether ${lead.name} reaches from ${part.name} to ${device.name} is not known`;
  const { away } = use;
  if (away === undefined)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `${open}: how far the one is from the rig nobody said.`,
      sum: 'No sum.',
    });
  const v = judge({
    ...base,
    inputs: [reachLength(lead)],
    margin: ([length]) => length! - away,
    wanted: (slack - 1) * away,
    unit: 'mm',
    limit: { value: slack, unit: 'x', rule: 'cable.slack' },
    why: (o) =>
      o.state === 'fail'
        ? `${lead.name} is too short, by ${sayLength(-o.hi, 0)} at the least: ${part.name} is ${sayLength(away, 0)} from the rig.`
        : `${lead.name} reaches from ${part.name} to ${device.name}, ${sayLength(away, 0)} from the rig${o.value < (slack - 1) * away ? ', with little slack' : ''}.`,
    sum: (o) => `${exact(o.value + away, 0)} - ${exact(away, 0)} = ${exact(o.value, 0)} mm`,
    lacking: (m) => `${open}: ${m} missing.`,
  });
  return v.state === 'ok' || v.state === 'unknown' || (v.margin?.lo ?? 0) >= (slack - 1) * away
    ? v
    : wanting(v, slack * away);
}

type Base = Pick<Verdict, 'id' | 'key' | 'about' | 'basis'>;

interface Way {
  lead: Lead;
  part: Part;
  /** What it comes from, as it is called. */
  from: string;
  run: Run;
  slack: number;
  base: Base;
  doubt: string | null;
}

/** The lead against its way, all of which is known. */
function reaches({ lead, part, from, run, slack, base, doubt }: Way): Verdict {
  const { near } = run;
  const laid = run.laid();
  const far = Math.max(run.far, laid?.most ?? 0);
  const width = given(lead, 'width');
  const thick = width.known ? width : constant(`thickness of ${lead.name}`, 'mm', { ...THICKNESS });
  const inputs = [reachLength(lead), thick];
  // Where the sockets are is as open as their faces are large.
  const value = Math.min(far, Math.max(near, laid?.length ?? (near + far) / 2));
  const way = constant(`where the sockets of ${from} and ${part.name} are`, 'mm', {
    value,
    tol: Math.max(far - value, value - near),
    from: 'guess',
    lo: near,
    hi: far,
  });
  const ends = () => [...inputs, way].map((g) => g.known!);
  const margin = (x: readonly number[]) => x[0]! - x[2]! - BENDS * x[1]!;
  const v = judge({
    ...base,
    pieces: [run.from.key, run.to.key],
    inputs: [...inputs, way],
    margin,
    spread: () => spread(ends(), margin),
    wanted: (slack - 1) * far,
    unit: 'mm',
    limit: { value: slack, unit: 'x', rule: 'cable.slack' },
    assumed: width.known
      ? doubt
      : `Its bends are counted as those of a lead ${exact(THICKNESS.lo, 0)} to ${exact(THICKNESS.hi, 0)} mm thick: nobody said.`,
    why: (o) => {
      const length = sayLength(inputs[0]!.known!.value, 0);
      const bends = BENDS * thick.known!.value;
      const round = laid?.round ? `, round ${laid.round},` : '';
      const ways = `${sayLength(near, 0)} to ${sayLength(far, 0)} lie between ${from} and ${part.name}${round} and its bends take ${sayLength(bends, 0)}`;
      if (o.state === 'fail')
        return `${lead.name} is too short, by ${sayLength(-o.hi, 0)} at the least: ${ways}; it is ${length} long.`;
      return o.state === 'ok'
        ? `${lead.name} reaches from ${from} to ${part.name}: ${ways}; it is ${length} long.`
        : `${lead.name} ${o.lo < 0 ? 'may or may not reach, by where the sockets are' : 'reaches, with little slack'}: ${ways}; it is ${length} long.`;
    },
    sum: (o) =>
      `${exact(inputs[0]!.known!.value, 0)} - ${exact(near, 0)} to ${exact(far, 0)} - ${BENDS} x ${exact(thick.known!.value, 1)} = ${exact(o.lo, 0)} to ${exact(o.hi, 0)} mm`,
    lacking: (m) => `Whether ${lead.name} reaches ${part.name} is not known: ${m} missing.`,
  });
  if (v.state === 'ok' || v.state === 'unknown') return v;
  // On which face it is comes before where on that.
  const sockets = [...run.sockets].sort((a, b) => Number(b.open) - Number(a.open));
  const asked = v.state === 'tight' ? lacking(sockets.flatMap((s) => s.asks)) : [];
  return {
    ...wanting(v, slack * far + BENDS * thick.known!.hi),
    measure: [...asked, ...v.measure],
  };
}

/** The next length that leads are sold in. */
function wanting(v: Verdict, least: number): Verdict {
  const stock = STOCK.find((l) => l >= least);
  return {
    ...said(v),
    wanted: [
      stock === undefined
        ? `a lead of at least ${sayLength(Math.ceil(least), 0)}, made to length`
        : `a lead of at least ${sayLength(Math.ceil(least), 0)}: sold as ${sayLength(stock, 0)}`,
    ],
  };
}
