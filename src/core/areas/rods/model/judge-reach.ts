import type { Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { standOf } from '../../../stand/stand';
import { asFunction, givens, minus, times } from '../../../build/lin';
import { farthestClamp, pairFor, rodsNeeded } from './reach';
import { exact, sayLength, mm } from '../../../quantity/say';
import { sayRod } from './lengths';
import { ruleBasis } from '../../../rules/names';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';

/** A clamp that ends within this of the tip is whole on the rod, mm. */
const CHAMFER = 1;

/** Whether the rods reach what is clamped farthest, one way. */
export function reach(built: Built, way: 'ahead' | 'behind'): Verdict[] {
  const stand = standOf(built);
  const c = farthestClamp(stand, way);
  if (!c) return [];
  const id = way === 'ahead' ? 'rods.reach-front' : 'rods.reach-rear';
  const rods = pairFor(stand, way);
  const station = stand.value(way === 'ahead' ? c.to : c.from);
  const need = rodsNeeded(built, stand, rods, c, way);
  const cure = need.stock
    ? ` ${sayRod(need.stock.mm)} is the shortest stock length that reaches${need.kit ? `; in the kit: ${need.kit}` : ''}.`
    : ` No stock length reaches: ${sayLength(need.length)} would be needed.`;
  if (!rods)
    return [
      plainVerdict({
        id,
        about: [c.part],
        station,
        state: 'fail',
        why: `There are no rods under ${c.name}.${cure}`,
        sum: `needs ${mm(need.length, 1)} from the plate`,
        basis: '[math]',
        wanted: need.kit || !need.stock ? [] : [`rods, ${sayRod(need.stock.mm)}`],
      }),
    ];
  const grip = built.rules['rods.grip'];
  const end = way === 'ahead' ? rods.to : rods.from;
  const near = way === 'ahead' ? c.from : c.to;
  const room = way === 'ahead' ? minus(end, near) : minus(near, end);
  const whole = stand.value(minus(c.to, c.from));
  const inputs = givens([room, times(minus(c.to, c.from), 0)]);
  const f = asFunction(room, inputs);
  const verdict = judge({
    id,
    about: [rods.rods.id, c.part],
    station,
    inputs,
    margin: (x) => f(x) - grip,
    wanted: Math.max(0, whole - grip - CHAMFER),
    unit: 'mm',
    limit: { value: grip, unit: 'mm', rule: 'rods.grip' },
    why: (o) => {
      const past = o.value + grip - whole;
      if (o.state === 'ok')
        return `${rods.rods.name} reach ${c.name} with ${sayLength(past)} to spare.`;
      if (o.state === 'fail')
        return `${rods.rods.name} end ${sayLength(Math.max(0, -past))} short of the ${way === 'ahead' ? 'front' : 'rear'} of ${c.name}.${cure}`;
      return `${c.name} hangs on the last ${sayLength(Math.max(0, o.value + grip))} of ${rods.rods.name}; its clamp is ${sayLength(whole)}.${past < 0 ? cure : ''}`;
    },
    sum: (o) =>
      `${way === 'ahead' ? 'tip' : 'end'} of the rods ${exact(stand.value(end), 1)}, clamp from ${exact(stand.value(c.from), 1)} to ${exact(stand.value(c.to), 1)}: ${sayLength(o.value + grip, 1)} of rod in it, at least ${exact(grip, 1)} wanted`,
    lacking: (missing) => `Whether the rods reach ${c.name} is not known: ${missing} missing.`,
    basis: ruleBasis('rods.grip'),
  });
  // A clamp that nobody knows the place or length of may be farther still; a fail it does not cure.
  const lost = givens(
    stand.clamped.flatMap((k) => (k.on === undefined ? [k.from, k.to] : [])),
  ).filter((g) => !g.known);
  if (lost.length === 0 || verdict.state === 'fail' || verdict.state === 'unknown')
    return [verdict];
  return [mayBeFarther(verdict, lost)];
}

/** Whether another clamp is farther still is not known. */
function mayBeFarther({ id, about, station }: Verdict, lost: readonly Given[]): Verdict {
  return plainVerdict({
    id,
    about,
    station,
    state: 'unknown',
    why: `Whether the rods reach all that is clamped to them is not known: ${inWords(lost.map((g) => g.label))} missing.`,
    sum: 'No sum.',
    basis: ruleBasis('rods.grip'),
    measure: lacking(lost),
  });
}
