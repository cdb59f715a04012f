import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';
import { exact, say } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { sharedOver, type Spread } from '../../../quantity/spread';
import { moment } from '../../support/model/load';
import { balanceOf, momentEnds, type Balance } from '../model/balance';
import { totalOf } from '../model/weighed';
import { aboutOf, ranked, under } from './offsets';

export const carryHand: Check = {
  id: 'carry.hand',
  title: 'Twist on the wrist',
  short: 'twists the wrist',
  nearer: 0.2,
  says: 'What a rig that is held by one grip twists the wrist with: roll and pitch apart, since the centre of gravity lies beside and ahead of the hand.',
  formula: 'roll m g dx, pitch m g dz about the grip',
  run(built) {
    const b = balanceOf(built);
    return b?.hold.kind === 'one-grip' ? [twist(built, b, 'roll'), twist(built, b, 'pitch')] : [];
  },
};

function twist(built: Built, b: Balance, which: 'roll' | 'pitch'): Verdict {
  const off = which === 'roll' ? b.right : b.ahead;
  const total = totalOf(built);
  const inputs = [...new Set([...off.inputs, ...total.inputs])];
  const at = new Map(inputs.map((g, i) => [g, i]));
  const most = built.rules['carry.wrist-most'];
  const free = built.rules['carry.wrist'];
  let twisting: Spread | null = null;
  const v = judge({
    id: 'carry.hand',
    key: `carry.hand:${which}`,
    about: aboutOf(b),
    inputs,
    margin: (x) =>
      most -
      Math.abs(
        moment(
          total.value(total.inputs.map((g) => x[at.get(g)!]!)),
          off.f(x.slice(0, off.inputs.length)),
        ),
      ),
    spread: () => {
      twisting = momentEnds(off.spread(), total);
      return sharedOver(() => inputs, twisting);
    },
    // Where nobody said where it is held nothing is sure, neither way.
    after: (x) => {
      const room = under(most)(x);
      return b.hold.assumed ? { ...room, hi: Math.max(0, room.hi) } : room;
    },
    wanted: Math.max(0, most - free),
    unit: 'N m',
    limit: { value: free, unit: 'N m', rule: 'carry.wrist' },
    assumed: b.hold.assumed,
    why: (o) =>
      `It twists the wrist with ${say(Math.abs(twisting!.value), 'N m')} of ${which}${o.state === 'tight' ? ` (${say(twisting!.lo, 'N m')} to ${say(twisting!.hi, 'N m')})` : ''}${o.hi < 0 ? ': nobody holds that for long. A second hand, a shoulder or a support' : ''}.`,
    sum: () => `m g d = ${exact(twisting!.value, 2)} N m`,
    lacking: (missing) => `What twists the wrist is not known: ${missing} missing.`,
    basis: ruleBasis('carry.wrist'),
  });
  return ranked(b, v);
}
