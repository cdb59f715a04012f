import { given } from '../../../build/given';
import { reader } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import { judge, plainVerdict } from '../../../checks/judge';
import { sayMass } from '../../../quantity/say';
import { isBeside } from '../../../kit/types';
import { usesOn } from '../../../roles/uses';

const BASE = { id: 'space.mass', key: 'space.mass', station: null } as const;

export const spaceMass: Check = {
  id: 'space.mass',
  title: 'Mass of the rig',
  short: 'too heavy',
  says: 'What everything on the rig weighs against what it may weigh: a gimbal, a head, an arm, whoever carries it.',
  formula:
    'limit - sum of the masses of all parts on the rig; a part that is on it twice counts twice',
  run(built) {
    const limit = built.rig.limits?.mass;
    if (limit === undefined) return [];
    // In whatever order they were put on, the sum reads the same.
    // What carries the rig is none of it.
    const ids = usesOn(built.rig)
      .filter((id) => !isBeside(built.kit.get(id)))
      .sort();
    const parts = ids.flatMap((id) => built.kit.get(id) ?? []);
    // What is not in the kit weighs something, too.
    if (parts.length < ids.length || parts.length === 0)
      return [
        plainVerdict({
          ...BASE,
          about: parts.map((p) => p.id),
          state: 'unknown',
          why:
            parts.length === 0
              ? 'What the rig weighs is not known: nothing is on it yet.'
              : 'What the rig weighs is not known: a part of it is not in the kit.',
          sum: `${parts.length} of ${ids.length} parts`,
          basis: '[math]',
        }),
      ];
    const masses = parts.map((p) => given(p, 'mass'));
    const inputs = [...new Set(masses)];
    const from = reader(inputs);
    return [
      judge({
        ...BASE,
        about: [...new Set(parts.map((p) => p.id))],
        inputs,
        margin: (x) => {
          const read = from(x);
          return limit - masses.reduce((sum, m) => sum + read(m), 0);
        },
        unit: 'g',
        limit: { value: limit, unit: 'g', rule: null },
        why: (o) =>
          o.value < 0
            ? `The rig weighs ${sayMass(limit - o.value)}: ${sayMass(-o.value)} more than the ${sayMass(limit)} it may.`
            : `The rig weighs ${sayMass(limit - o.value)}, ${sayMass(o.value)} under the ${sayMass(limit)} it may${o.lo < 0 ? ', or more inside the tolerances' : ''}.`,
        sum: (o) =>
          `${sayMass(limit)} - ${masses.map((m) => sayMass(m.known!.value)).join(' - ')} = ${sayMass(o.value)}`,
        lacking: (missing) => `What the rig weighs is not known: ${missing} missing.`,
        basis: '[math]',
      }),
    ];
  },
};
