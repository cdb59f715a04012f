import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict } from '../../../checks/judge';
import { exact, sayLength } from '../../../quantity/say';
import { closing } from '../model/fit';
import { isSlide, seatingsFor } from '../model/free';
import { holesTaken } from '../kit/pattern';
import { namedSeats, type NamedSeat } from '../model/seats';

export const jointFree: Check = {
  id: 'joint.free',
  title: 'One hole, one guest',
  short: 'taken twice',
  says: 'Whether two parts want the same hole, shoe or rosette, or the same stretch of a rail; and which free places would do.',
  formula: 'holes: each taken once; slides: |slide - slide| >= half of both clamps',
  run(built) {
    const groups = new Map<string, NamedSeat[]>();
    for (const s of namedSeats(built)) {
      const key = `${s.host.piece} ${s.at.id}`;
      const list = groups.get(key);
      if (list) list.push(s);
      else groups.set(key, [s]);
    }
    const found = [...groups.values()].flatMap((list) =>
      list.length < 2
        ? []
        : isSlide(list[0]!.at)
          ? pairsOf(list).flatMap(([a, b]) => stretch(a, b))
          : sharing(list).map(([a, b]) => holes(built, a, b)),
    );
    const named = namedSeats(built);
    return named.length === 0 || found.length > 0 ? found : [every(named)];
  },
};

type Pair = readonly [NamedSeat, NamedSeat];

const pairsOf = (list: readonly NamedSeat[]): Pair[] =>
  list.flatMap((a, i) => list.slice(i + 1).map((b): Pair => [a, b]));

/** Those that want a hole that another one wants, too. */
function sharing(list: readonly NamedSeat[]): Pair[] {
  const taken = list.map((s) => holesTaken(s.at, s.by, s.use.n ?? 0));
  const count = new Map<number, number>();
  for (const n of taken.flat()) count.set(n, (count.get(n) ?? 0) + 1);
  if ([...count.values()].every((n) => n === 1)) return [];
  const at = new Map(list.map((s, i) => [s, new Set(taken[i])]));
  return pairsOf(list).filter(([a, b]) => [...at.get(a)!].some((n) => at.get(b)!.has(n)));
}

/** Nothing is taken twice. */
function every(named: readonly NamedSeat[]): Verdict {
  return plainVerdict({
    id: 'joint.free',
    about: [...new Set(named.map((s) => s.part.id))],
    state: 'ok',
    why: `Every place that is named holds one part: ${named.length} looked at.`,
    sum: `${named.length} joints, none of them taken twice`,
    basis: '[math] one screw in one hole',
  });
}

function baseOf(a: NamedSeat, b: NamedSeat) {
  return {
    id: 'joint.free',
    key: `joint.free:${[a.use.id, b.use.id].sort().join('|')}`,
    about: [...new Set([a.part.id, b.part.id, a.host.part.id])],
    pieces: [a.piece, b.piece],
  };
}

function holes(built: Built, a: NamedSeat, b: NamedSeat): Verdict {
  return plainVerdict({
    ...baseOf(a, b),
    state: 'fail',
    why: `${a.part.name} and ${b.part.name} want the same place: ${a.at.name} of ${a.host.part.name}. ${freeWords(built, b)}`,
    sum: `both from ${(a.use.n ?? 0) + 1} and ${(b.use.n ?? 0) + 1} of ${a.at.count ?? 1}`,
    basis: '[math] one screw in one hole',
  });
}

/** The free places that would do for a part, in words. */
function freeWords(built: Built, s: NamedSeat): string {
  const would = [
    ...new Set(
      seatingsFor(built, s.part, s.use.id)
        .filter((x) => x.sure !== false)
        .map((x) => `${x.host.i.name} of ${x.host.part.name}`),
    ),
  ];
  if (would.length === 0) return `Nothing else on the rig would hold ${s.part.name}.`;
  return `Free for ${s.part.name}: ${inWords(would.slice(0, 3))}${would.length > 3 ? ` and ${would.length - 3} more` : ''}.`;
}

function stretch(a: NamedSeat, b: NamedSeat): Verdict[] {
  const clampOf = (s: NamedSeat) =>
    closing({ part: s.host.part, i: s.at }, { part: s.part, i: s.by }).clamp;
  const inputs = [clampOf(a), clampOf(b)];
  const apart = Math.abs((a.use.slide ?? 0) - (b.use.slide ?? 0));
  // One piece twice: its number is read once.
  const same = inputs[0] === inputs[1];
  return [
    judge({
      ...baseOf(a, b),
      inputs: same ? [inputs[0]!] : inputs,
      margin: (x) => apart - (x[0]! + x[same ? 0 : 1]!) / 2,
      unit: 'mm',
      limit: null,
      why: (o) =>
        o.state === 'ok'
          ? `${a.part.name} and ${b.part.name} both have room on ${a.at.name} of ${a.host.part.name}.`
          : `${a.part.name} and ${b.part.name} ${o.state === 'fail' ? 'want' : 'may want'} the same stretch of ${a.at.name} of ${a.host.part.name}: ${sayLength(Math.abs(o.value))} ${o.value < 0 ? 'too much' : 'left'}.`,
      sum: (o) => `${exact(apart, 1)} - half of both clamps = ${sayLength(o.value, 1)}`,
      lacking: (missing) =>
        `Whether ${a.part.name} and ${b.part.name} both have room on ${a.at.name} is not known: ${missing} missing.`,
      basis: '[math] two clamps on one rail',
    }),
  ];
}
