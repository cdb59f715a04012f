import type { Built } from '../../../build/build';
import { asFunction, givens, minus, lin, type Lin } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { spread } from '../../../quantity/spread';
import { axisHeight, headroom, topOf, type AxisHeight } from '../model/heights';

export const carryHeadroom: Check = {
  id: 'carry.headroom',
  title: 'Height of the lens, and air under a ceiling',
  short: 'too high, or too low',
  says: 'How high the lens comes as it is held, against the eyes of the subject and a ceiling: what stands above the axis has to go under it. Heights of the operator are in the profile on this device.',
  formula: 'ceiling - (height of the axis + what stands above it); height of the axis - eyes',
  run(built) {
    const { ceiling, eyes } = built.rig.carry ?? {};
    if (ceiling === undefined && eyes === undefined) return [];
    const axis = axisHeight(built);
    return [
      ...(ceiling === undefined ? [] : [air(built, axis, ceiling)]),
      ...(eyes === undefined ? [] : [level(built, axis, eyes)]),
    ];
  },
};

const base = (what: string) => ({ id: 'carry.headroom', key: `carry.headroom:${what}`, about: [] });

const nobody = (what: string, why: string): Verdict =>
  plainVerdict({ ...base(what), state: 'unknown', why, sum: 'No sum.', basis: '[math]' });

function air(built: Built, axis: AxisHeight | null, ceiling: number): Verdict {
  const top = topOf(built);
  if (!axis || !top)
    return nobody(
      'ceiling',
      'How much air there is under the ceiling is not known: nobody said how high the lens is.',
    );
  const room = headroom(ceiling, axis.lowest, top.over);
  const inputs = givens([room]);
  const wanted = built.rules['carry.headroom'];
  // Legs that can be let down are taken as they stand lowest.
  const low = axis.lowest === axis.highest ? '' : `, with ${axis.by} at their lowest`;
  return judge({
    ...base('ceiling'),
    pieces: [top.key],
    inputs,
    margin: asFunction(room, inputs),
    wanted,
    unit: 'mm',
    limit: { value: wanted, unit: 'mm', rule: 'carry.headroom' },
    why: (o) =>
      o.hi < 0
        ? `${top.name} is ${sayLength(-o.value, 0)} too high for the ceiling at ${sayLength(ceiling, 0)}${low}.`
        : `${sayLength(o.value, 0)} of air over ${top.name} under the ceiling at ${sayLength(ceiling, 0)}${low}${o.state === 'ok' ? '' : `, ${sayLength(wanted, 0)} wanted`}.`,
    sum: (o) => `ceiling - axis - what is above it = ${exact(o.value, 0)} mm`,
    lacking: (m) => `How much air there is under the ceiling is not known: ${m} missing.`,
    basis: ruleBasis('carry.headroom'),
  });
}

/** The lens at the height of the eyes, or brought there; off by more than is let go is tight. */
function level(built: Built, axis: AxisHeight | null, eyes: number): Verdict {
  if (!axis)
    return nobody(
      'eyes',
      'Whether the lens comes to the height of the eyes is not known: nobody said how it is held, or by whom.',
    );
  const free = built.rules['carry.eyes'];
  const inputs = givens([axis.lowest, axis.highest]);
  const of = (l: Lin) => asFunction(minus(l, lin(eyes)), inputs);
  const [low, high] = [of(axis.lowest), of(axis.highest)];
  const off = (x: readonly number[]) => Math.max(0, low(x), -high(x));
  return judge({
    ...base('eyes'),
    inputs,
    margin: (x) => free - off(x),
    spread: () => {
      const ranges = inputs.map((g) => g.known!);
      const [a, b] = [spread(ranges, low), spread(ranges, high)];
      return {
        value: free - Math.max(0, a.value, -b.value),
        lo: free - Math.max(0, a.hi, -b.lo),
        hi: free - Math.max(0, a.lo, -b.hi),
        shares: a.shares,
      };
    },
    // A lens off the eyes is a choice that may be wanted: a word, not a fault.
    after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
    unit: 'mm',
    limit: { value: free, unit: 'mm', rule: 'carry.eyes' },
    why: (o) => {
      const x = inputs.map((g) => g.known!.value);
      const [l, h] = [low(x) + eyes, high(x) + eyes];
      const comes =
        h - l > 1
          ? `The lens comes to ${sayLength(l, 0)} to ${sayLength(h, 0)}`
          : `The lens is ${sayLength(l, 0)} high`;
      return `${comes} (${axis.by}); the eyes are at ${sayLength(eyes, 0)}${o.value < 0 ? `: ${sayLength(off(x), 0)} ${l > eyes ? 'above' : 'below'} them` : ''}.`;
    },
    sum: (o) => `${exact(free, 0)} - off the eyes = ${exact(o.value, 0)} mm`,
    lacking: (m) => `How high the lens comes is not known: ${m} missing.`,
    basis: ruleBasis('carry.eyes'),
  });
}
