import type { Verdict } from '../../../checks/finding';
import type { MatteBox, Lens } from '../../../kit/types';
import { clips } from '../kit/attach';
import { frontOf } from '../place/front';
import { boxStation } from '../place/layout';
import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { gripOf } from './matte-fit';
import { exact, sayLength, bareLength } from '../../../quantity/say';
import { known, valueOf, type Known } from '../../../quantity/quantity';
import type { Check } from '../../../checks/check';
import { attachUnknown } from '../model/attach';
import { judge, plainVerdict } from '../../../checks/judge';
import { lensSeat } from '../place/front';

export const frontLeak: Check = {
  id: 'front.leak',
  title: 'Light between box and lens',
  short: 'light leaks in',
  says: 'Whether the sleeve of a box on rods closes on the lens front and covers the gap to it, at the shortest the lens gets.',
  formula: 'sleeve covers - gap >= 0; sleeve from <= lens front <= sleeve to',
  run(built) {
    const front = frontOf(built);
    const { lens } = built;
    const { box } = front;
    if (!lens || !box || clips(box.box)) return [];
    if (box.box.attach === undefined)
      return [
        attachUnknown(
          built,
          box.box,
          'front.leak',
          [box.box.id, lens.id],
          `Whether light leaks in behind ${box.box.name}`,
        ),
      ];
    const b = box.box;
    const own = box.sleeve;
    const keys = own
      ? (['from', 'to', 'reach'] as const)
      : (['sleeveFrom', 'sleeveTo', 'sleeveReach'] as const);
    const part = own ?? b;
    const name = own ? own.name : `the sleeve of ${b.name}`;
    const about = [b.id, ...(own ? [own.id] : []), lens.id];
    if (!own && b.sleeveTo === undefined && b.sleeveReach === undefined)
      return [noSleeve(built, b, lens, about)];
    const grip = gripOf(built, lens);
    const [from, to, reach] = keys.map((k) => given(part, k));
    const distance = gapGiven(built, b.name);
    const gap = distance.known?.value ?? 0;
    return [
      judge({
        id: 'front.leak',
        about,
        station: boxStation(built),
        inputs: [grip.d, from!, to!, reach!, distance],
        margin: (x) => Math.min(x[0]! - x[1]!, x[2]! - x[0]!, x[3]! - x[4]!),
        unit: 'mm',
        limit: { value: 0, unit: 'mm', rule: null },
        why: (o) => {
          const d = grip.d.known!.value;
          if (o.state === 'ok')
            return `${cap(name)} closes the ${sayLength(gap)} gap to ${lens.name}.`;
          if (gap > reach!.known!.value)
            return `${sayLength(gap)} between ${b.name} and ${lens.name}, ${name} covers ${sayLength(reach!.known!.value)}: light leaks in from behind.`;
          return `${cap(name)} closes on ${bareLength(from!.known!.value, 0)} to ${sayLength(to!.known!.value, 0)}; the front of ${lens.name} is ${bareLength(d, 1)}: ${o.state === 'fail' ? 'light leaks in' : 'it may leak'}.`;
        },
        sum: (o) =>
          `front ${exact(grip.d.known!.value, 1)} in ${exact(from!.known!.value, 1)} to ${exact(to!.known!.value, 1)}; gap ${exact(gap, 1)} of ${exact(reach!.known!.value, 1)}; room ${sayLength(o.value, 1)}`,
        lacking: (missing) =>
          `Whether light leaks in between ${b.name} and ${lens.name} is not known: ${missing} missing.`,
        basis: '[math]',
      }),
    ];
  },
};

function noSleeve(built: Built, b: MatteBox, lens: Lens, about: string[]): Verdict {
  return plainVerdict({
    id: 'front.leak',
    about,
    station: boxStation(built),
    state: 'unknown',
    why: `Nobody said what closes the gap between ${b.name} and ${lens.name}: light from behind reaches the filters.`,
    sum: 'No sum: no sleeve.',
    wanted: [`flexible sleeve closing on ${valueOf(lens.frontDiameter) ?? 'the lens'} mm`],
    basis: '[trade]',
  });
}

/**
 * How far the back of the box stands from the lens front at the shortest that the lens gets: there
 * the gap is widest. Unknown when a length on the way to it is.
 */
function gapGiven(built: Built, name: string): Given {
  const front = frontOf(built);
  const seat = lensSeat(built);
  const label = `how far ${name} stands from the lens`;
  const lengths = [built.lens?.length, built.lens?.lengthClose, built.lens?.lengthTo]
    .map((q) => known(q))
    .filter((k): k is Known => k !== null);
  if (!front.seat || seat === null || lengths.length === 0) return constant(label, 'mm', null);
  const x = front.inputs.map((g) => g.known?.value ?? NaN);
  const gap = Math.max(...lengths.map((k) => front.seat!(x, seat + k.value) - (seat + k.value)));
  if (!Number.isFinite(gap)) return constant(label, 'mm', null);
  // Set by hand it is as sure as the clamp and the lens are; pushed back it keeps its air.
  const tol =
    front.box?.use.station === undefined ? 0 : 0.5 + Math.max(...lengths.map((k) => k.tol));
  return constant(label, 'mm', {
    value: gap,
    tol,
    from: 'sheet',
    lo: gap - tol,
    hi: gap + tol,
  });
}

function cap(s: string): string {
  return s.charAt(0).toUpperCase() + s.slice(1);
}
