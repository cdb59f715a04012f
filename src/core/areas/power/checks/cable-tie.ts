import { constant } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict, said } from '../../../checks/judge';
import type { Lead } from '../../../kit/types';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { eachKept, flat } from '../model/judged';
import { laidOn, type Doubted, type Line } from '../model/lines';
import type { Laid } from '../model/lay';
import { farthest, tiesFor, type Run } from '../model/run';

export const cableTie: Check = {
  id: 'cable.tie',
  title: 'Ties of a lead',
  short: 'lead hangs loose',
  byHand: true,
  says: 'Whether a lead is tied to the rig on its way so often that no stretch of it is longer than the house wants. What is shorter than that wants no tie. A lead to the mains is looked at where it lies.',
  formula: 'longest stretch wanted - way along the rig / (ties + 1)',
  run(built) {
    const most = built.rules['cable.tie'];
    return flat(judged(laidOn(built), [most], (l) => tiesIn(l, most)));
  },
};

/** While all stands where it stood. */
const judged = eachKept<Doubted, readonly Verdict[]>();

function tiesIn({ line, mains, run, doubt }: Doubted, most: number): readonly Verdict[] {
  const { lead } = line;
  // Over the floor it is taped, not tied.
  if (!lead || mains) return [];
  const open = run?.sockets.find((s) => s.open);
  if (!run || run.missing.length > 0 || open)
    return [unsaid(line, lead, 'where it goes is not', lacking(run?.missing ?? open?.asks ?? []))];
  return loose(line, lead, run, doubt, most);
}

const keyOf = (l: Line) => `cable.tie:${l.key}`;

const unsaid = (l: Line, lead: Lead, why: string, measure: Verdict['measure'] = []): Verdict =>
  plainVerdict({
    id: 'cable.tie',
    key: keyOf(l),
    about: [lead.id],
    basis: ruleBasis('cable.tie'),
    state: 'unknown',
    why: `Whether ${lead.name} is tied often enough is not known: ${why}.`,
    sum: 'No sum.',
    measure,
  });

function loose(l: Line, lead: Lead, run: Run, doubt: string | null, most: number): Verdict[] {
  const laid = run.laid();
  const far = farthest(run);
  const { ties } = l;
  if (!laid || !Number.isFinite(far))
    return [unsaid(l, lead, 'no way along the rig was found that is clear')];
  const wanted = tiesFor(far, most);
  if (ties === undefined && wanted > 0) {
    const often = wanted === 1 ? 'one tie' : `${wanted} ties`;
    return [
      {
        ...said(unsaid(l, lead, `nobody said, and its way takes ${often}`)),
        wanted: [`${often} on its way`],
      },
    ];
  }
  const n = ties ?? 0;
  // Where somebody said where, its longest stretch counts; else ties are taken as far apart as they can be.
  const [name, parts, [value, lo, hi]] = l.via
    ? [`longest stretch of ${lead.name}`, 1, longestOf(laid, far)]
    : [
        `way of ${lead.name}`,
        n + 1,
        [Math.min(far, laid.length), Math.min(laid.length, run.near), far],
      ];
  const way = constant(name, 'mm', {
    value,
    tol: Math.max(value - lo, hi - value),
    from: 'guess',
    lo,
    hi,
  });
  const v = judge({
    id: 'cable.tie',
    key: keyOf(l),
    about: [lead.id, l.part.id],
    pieces: [run.from.key, run.to.key],
    inputs: [way],
    margin: ([way]) => most - way! / parts,
    unit: 'mm',
    limit: { value: most, unit: 'mm', rule: 'cable.tie' },
    assumed: doubt,
    why: (o) => {
      const stretch = sayLength(most - o.value, 0);
      const tied = n === 0 ? 'is not tied' : n === 1 ? 'is tied once' : `is tied ${n} times`;
      if (o.state === 'ok' && n === 0)
        return `${lead.name} wants no tie on its way: it is no longer than ${sayLength(most - o.lo, 0)}.`;
      return o.state === 'ok'
        ? `${lead.name} ${tied} on its way: no stretch of it is longer than ${sayLength(most - o.lo, 0)}.`
        : `${lead.name} ${tied} on its way: stretches of about ${stretch} hang loose, ${sayLength(most, 0)} at most are wanted.`;
    },
    sum: (o) =>
      `${exact(most, 0)} - ${exact((most - o.value) * parts, 0)}${parts > 1 ? ` / ${parts}` : ''} = ${exact(o.value, 0)} mm`,
    lacking: (m) => `Whether ${lead.name} is tied often enough is not known: ${m} missing.`,
    basis: ruleBasis('cable.tie'),
  });
  if (v.state === 'ok') return [v];
  if (l.via)
    return [{ ...said(v), wanted: [`a tie more where ${sayLength(value, 0)} hang loose`] }];
  if (wanted <= n) return [v];
  return [{ ...said(v), wanted: [`${wanted} ${wanted === 1 ? 'tie' : 'ties'} on its way`] }];
}

/** The longest stretch between ties that were put, with how far either of its ends may be off, mm. */
function longestOf({ stretches, length }: Laid, far: number): [number, number, number] {
  const longest = Math.max(...stretches);
  const doubt = far - length;
  return [longest, Math.max(0, longest - doubt), longest + doubt];
}
