import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict, lacking } from '../../../checks/judge';
import type { HoldKind } from '../../../kit/types';
import type { Operator } from '../../../kit/operator';
import { exact, sayMass } from '../../../quantity/say';
import { massOf, weighFirst } from '../model/balance';
import { endurance, LEAST_SHARE } from '../model/endurance';
import { HOLDS } from '../model/hold';
import { totalOf, weightsOf } from '../model/weighed';

export const carryHoldTime: Check = {
  id: 'carry.hold-time',
  title: 'How long it can be held',
  short: 'held too long',
  says: 'How long somebody can keep the rig still against the minutes that are planned: by times of their own for a rig as heavy, else from the share of their greatest hold. Advice: weights are the operator’s to judge, and breaks and a second person come before any number.',
  formula:
    '-1.5 + 2.1/f - 0.6/f^2 + 0.1/f^3 minutes, f the share of one’s greatest hold (Rohmert 1960)',
  run(built) {
    const { by, minutes } = built.rig.carry ?? {};
    if (by === undefined || minutes === undefined || GREATEST[by] === undefined) return [];
    return [timeOf(built, by, minutes)];
  },
};

/** What of a profile says the greatest hold. */
const GREATEST: Partial<Record<HoldKind, 'one' | 'two' | 'onShoulder'>> = {
  handle: 'one',
  'one-grip': 'one',
  'two-grips': 'two',
  hugged: 'two',
  shoulder: 'onShoulder',
};

const NAMES = { one: 'in one hand', two: 'in two hands', onShoulder: 'on the shoulder' } as const;

function timeOf(built: Built, by: HoldKind, minutes: number): Verdict {
  const base = {
    id: 'carry.hold-time',
    key: 'carry.hold-time',
    about: [],
    basis: '[published] Rohmert 1960, from memory; advice',
  };
  const mass = massOf(built);
  const weights = weightsOf(built);
  if (!mass) {
    const missing = totalOf(built).inputs.filter((g) => g.known === null);
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: 'How long it can be held is not known: what it weighs is not.',
      sum: 'No sum.',
      measure: weighFirst(weights, lacking(missing)),
    });
  }
  const who = built.operator;
  const own = ownTime(who, by, mass.hi);
  if (own !== null)
    return plainVerdict({
      ...base,
      basis: '[measured] a time of the operator’s own; advice',
      state: own >= minutes ? 'ok' : 'tight',
      why: `You held as much ${HOLDS[by].name} for ${exact(own, 1)} min; ${exact(minutes, 0)} min are planned${own >= minutes ? '' : ': plan a break, or another pair of hands'}.`,
      sum: `${exact(own, 1)} min of your own - ${exact(minutes, 0)} min`,
    });
  const which = GREATEST[by]!;
  const greatest = who?.[which];
  if (greatest === undefined)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `How long you can hold ${sayMass(mass.value)} ${HOLDS[by].name} is not known: what you can just hold ${NAMES[which]} is missing in your profile.`,
      sum: 'No sum.',
    });
  const share = mass.hi / greatest;
  if (share > 1)
    return plainVerdict({
      ...base,
      state: 'tight',
      why: `${sayMass(mass.value)} are more than the ${sayMass(greatest)} you can just hold ${NAMES[which]}: a support, a vest, or two people.`,
      sum: `f = ${exact(share, 2)}`,
    });
  const time = endurance(share);
  if (time === null && share < LEAST_SHARE)
    return plainVerdict({
      ...base,
      state: 'ok',
      why: `${sayMass(mass.value)} are ${exact(share * 100, 0)} % of what you can just hold ${NAMES[which]}: that can be kept long.`,
      sum: `f = ${exact(share, 2)}, below ${LEAST_SHARE}`,
    });
  return plainVerdict({
    ...base,
    state: time !== null && time >= minutes ? 'ok' : 'tight',
    why: `About ${exact(time ?? 0, 1)} min ${HOLDS[by].name} at ${exact(share * 100, 0)} % of what you can just hold; ${exact(minutes, 0)} min are planned${time !== null && time >= minutes ? '' : ': plan breaks, or a support'}.`,
    sum: `f = ${exact(share, 2)}: -1.5 + 2.1/f - 0.6/f^2 + 0.1/f^3 = ${exact(time ?? 0, 1)} min`,
  });
}

/** The longest one has held at least as much in the same way, min. */
function ownTime(who: Operator | null, by: HoldKind, mass: number): number | null {
  const times = (who?.times ?? []).filter((t) => t.by === by && t.mass >= mass);
  return times.length > 0 ? Math.max(...times.map((t) => t.minutes)) : null;
}
