import type { Check } from '../../../checks/check';
import { judge, plainVerdict } from '../../../checks/judge';
import { sayMass } from '../../../quantity/say';
import type { Built } from '../../../build/build';
import type { Verdict } from '../../../checks/finding';
import { logOf } from '../model/log';
import { isOf, measuredOf } from '../model/rows';
import { endsOfTotal, sharesOfTotal, totalOf, weightsOf } from '../model/weighed';
import { ranked } from './offsets';

export const carryMass: Check = {
  id: 'carry.mass',
  title: 'Mass against the wanted band',
  short: 'off the wanted mass',
  says: 'What the rig weighs against what it should weigh at least and may weigh: too light is wrong as well for who wants inertia. What carries it is not in it.',
  formula: 'limit - sum of masses; sum of masses - least',
  run(built) {
    const { least, most } = built.rig.carry ?? {};
    return [
      ...contradicted(built),
      ...(most === undefined ? [] : [against(built, most, 'most')]),
      ...(least === undefined ? [] : [against(built, least, 'least')]),
    ];
  },
};

/** What was measured and cannot be, as its parts are: one of the numbers is wrong, or something is not on. */
function contradicted(built: Built): Verdict[] {
  const { against } = measuredOf(built);
  if (against.size === 0) return [];
  // What was measured of another rig is found there.
  const own = new Set((built.job.weighings ?? []).filter((w) => isOf(w, built)).map((w) => w.id));
  return logOf(built)
    .filter((l) => l.against && own.has(l.id))
    .map((l) =>
      plainVerdict({
        id: 'carry.mass',
        key: `carry.mass:log:${l.id}`,
        about: [...new Set(weightsOf(built).map((w) => w.part.id))],
        state: 'tight',
        why: `${l.measured} ${l.what}; forecast ${l.forecast}: a number of its parts is wrong, or something is on that is not in the list.`,
        sum: 'outside of what the tolerances allow',
        basis: '[measured] outranks what is worked out',
      }),
    );
}

/** The mass of the rig against one end of the band: outside of it is tight, never a fail. */
function against(built: Built, limit: number, which: 'most' | 'least'): Verdict {
  const total = totalOf(built);
  const room = (m: number) => (which === 'most' ? limit - m : m - limit);
  const mass = (o: { value: number }) => (which === 'most' ? limit - o.value : limit + o.value);
  const v = judge({
    id: 'carry.mass',
    key: `carry.mass:${which}`,
    about: [...total.parts],
    inputs: total.inputs,
    spread: () => {
      const { value, lo, hi } = endsOfTotal(total)!;
      const [a, b] = [room(lo), room(hi)];
      return {
        value: room(value),
        lo: Math.min(a, b),
        hi: Math.max(a, b),
        shares: sharesOfTotal(total),
      };
    },
    // A school of its own: off the band is a word, not a fault.
    after: (s) => ({ ...s, hi: Math.max(s.hi, 0) }),
    unit: 'g',
    limit: { value: limit, unit: 'g', rule: null },
    why: (o) => {
      const says = `The rig weighs ${sayMass(mass(o))}`;
      const off = sayMass(Math.abs(o.value));
      if (which === 'most')
        return o.value < 0
          ? `${says}, ${off} more than the ${sayMass(limit)} wanted.`
          : `${says}, ${off} under the ${sayMass(limit)} wanted${o.lo < 0 ? ', or more inside the tolerances' : ''}.`;
      return o.value < 0
        ? `${says}, ${off} less than the ${sayMass(limit)} that steady it.`
        : `${says}, ${off} over the ${sayMass(limit)} that steady it${o.lo < 0 ? ', or less inside the tolerances' : ''}.`;
    },
    sum: (o) => `${total.pieces} parts, ${sayMass(mass(o))}; ${which} ${sayMass(limit)}`,
    lacking: (missing) => `What the rig weighs is not known: ${missing} missing.`,
    basis: '[trade] both schools: light to carry, heavy to steady',
  });
  // Only what is missing is ranked by where it stands.
  return v.state === 'unknown' ? ranked({ weights: weightsOf(built) }, v) : v;
}
