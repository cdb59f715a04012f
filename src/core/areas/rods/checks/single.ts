import { asFunction, givens, minus } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';
import type { Clamped, PlacedRod } from '../../../place/setting';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { type RuleValues } from '../../../rules/rules';
import { standOf, type Stand } from '../../../stand/stand';
import { rodSystem } from '../kit/systems';

/** How far the clamp of a rod closes either way of its class, mm. Common practice, no source. */
const CLOSES = 0.15;

export const rodsSingle: Check = {
  id: 'rods.single',
  tried: (v) => v.key.endsWith(':fits'),
  title: 'On a single rod',
  short: 'not held by its rod',
  says: 'Whether what is clamped to a single rod is made for its diameter, whether that runs along the lens, and whether enough of it is in the clamp.',
  formula:
    '|diameter of the rod - diameter the clamp is made for| <= what the clamp closes; rod inside the clamp, from either end >= rod that a clamp must hold',
  run(built) {
    const stand = standOf(built);
    return stand.clamped
      .filter((c) => c.on !== undefined)
      .flatMap((c) => {
        const rod = stand.single.find((r) => r.key === c.on);
        return rod ? onRod(built.rules, stand, c, rod) : [gone(stand, c)];
      });
  },
};

function baseOf(stand: Stand, c: Clamped, what: string) {
  return {
    id: 'rods.single',
    key: `rods.single:${c.key}${what}`,
    about: [c.part],
    pieces: [c.key],
    station: stand.value(c.from),
  };
}

function gone(stand: Stand, c: Clamped): Verdict {
  return plainVerdict({
    ...baseOf(stand, c, ''),
    state: 'unknown',
    why: `What ${c.name} is clamped to is not known: the rod it was on is not on the rig, or is none.`,
    sum: 'No sum.',
    basis: '[math]',
  });
}

function onRod(rules: RuleValues, stand: Stand, c: Clamped, rod: PlacedRod): Verdict[] {
  const both = { about: [c.part, rod.part.id], pieces: [c.key, rod.key] };
  if (!rod.along)
    return [
      plainVerdict({
        ...baseOf(stand, c, ''),
        ...both,
        state: 'fail',
        why: `${rod.part.name} does not run along the lens: ${c.name} has nothing to be clamped to.`,
        sum: 'across the lens',
        basis: '[math]',
      }),
    ];
  return [fits(stand, c, rod, both), held(rules, stand, c, rod, both)];
}

type Both = Pick<Verdict, 'about' | 'pieces'>;

/** The class of a clamp is a diameter; how far apart the rods of a pair are says nothing here. */
function fits(stand: Stand, c: Clamped, { part, diameter }: PlacedRod, both: Both): Verdict {
  const system = rodSystem(c.rods);
  if (!system)
    return plainVerdict({
      ...baseOf(stand, c, ':fits'),
      ...both,
      state: 'unknown',
      why: `Which rods ${c.name} is made for is not known.`,
      sum: 'No sum: a rod system is missing.',
      basis: '[trade] rod systems',
      measure: [
        {
          path: ['kit', c.part, 'rods'],
          part: c.part,
          label: `rods of ${c.name}`,
          unit: '',
          share: 1,
          missing: true,
        },
      ],
    });
  return judge({
    ...baseOf(stand, c, ':fits'),
    ...both,
    inputs: [diameter],
    inside: { below: ([d]) => d! - system.rod + CLOSES, above: ([d]) => system.rod + CLOSES - d! },
    unit: 'mm',
    limit: null,
    why: (o) => {
      const d = sayLength(diameter.known!.value, 2);
      if (o.state === 'ok') return `${c.name} closes on the ${d} of ${part.name}.`;
      return o.state === 'fail'
        ? `${c.name} is made for rods of ${sayLength(system.rod)}, ${part.name} is ${d}: it does not go on.`
        : `${c.name} is made for rods of ${sayLength(system.rod)} and may or may not close on the ${d} of ${part.name}.`;
    },
    sum: (o) =>
      `|${exact(diameter.known!.value, 2)} - ${exact(system.rod, 1)}| against ${exact(CLOSES, 2)}: ${sayLength(o.value, 2)}`,
    lacking: (missing) =>
      `Whether ${c.name} closes on ${part.name} is not known: ${missing} missing.`,
    basis: '[trade] rod systems',
  });
}

/** A clamp needs its millimetres of rod from whichever end it is nearer to. */
function held(rules: RuleValues, stand: Stand, c: Clamped, rod: PlacedRod, both: Both): Verdict {
  const grip = rules['rods.grip'];
  const [front, rear] = [minus(rod.to, c.from), minus(c.to, rod.from)];
  const inputs = givens([front, rear]);
  const [f, r] = [asFunction(front, inputs), asFunction(rear, inputs)];
  const whole = stand.value(minus(c.to, c.from));
  return judge({
    ...baseOf(stand, c, ''),
    ...both,
    inputs,
    inside: { below: (x) => r(x) - grip, above: (x) => f(x) - grip },
    wanted: Math.max(0, whole - grip - 1),
    unit: 'mm',
    limit: { value: grip, unit: 'mm', rule: 'rods.grip' },
    why: (o) => {
      const inIt = Math.min(whole, o.value + grip);
      if (o.state === 'ok') return `${rod.part.name} goes through the clamp of ${c.name}.`;
      const end = stand.value(front) < stand.value(rear) ? 'front' : 'rear';
      return inIt < 0
        ? `${rod.part.name} ends ${sayLength(-inIt)} short of ${c.name} at its ${end}.`
        : `${c.name} hangs on the last ${sayLength(inIt)} of ${rod.part.name}; its clamp is ${sayLength(whole)}.`;
    },
    sum: (o) =>
      `rod from ${exact(stand.value(rod.from), 1)} to ${exact(stand.value(rod.to), 1)}, clamp from ${exact(stand.value(c.from), 1)} to ${exact(stand.value(c.to), 1)}: ${sayLength(o.value + grip, 1)} from the nearer end, at least ${exact(grip, 1)} wanted`,
    lacking: (missing) =>
      `Whether ${rod.part.name} reaches ${c.name} is not known: ${missing} missing.`,
    basis: ruleBasis('rods.grip'),
  });
}
