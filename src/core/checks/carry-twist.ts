import { standOf } from '../build/stand';
import { given } from '../build/given';
import { moment } from '../support/load';
import { isFitting, type FittedUse } from '../kit/types';
import { exact } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge } from './judge';

export const carryTwist: Check = {
  id: 'carry.twist',
  title: 'Leverage on a single screw',
  short: 'turns on its screw',
  says: 'Whether a part that is held by one screw without pins has enough leverage to turn on it.',
  formula: 'mass x g x distance of its middle from the screw, across the screw',
  run(built) {
    const stand = standOf(built);
    const limit = built.rules['carry.twist'];
    return (built.rig.fitted ?? []).flatMap((use: FittedUse): Verdict[] => {
      const part = built.kit.get(use.part);
      if (!isFitting(part) || part.screws !== 1 || part.pins === true || use.on === 'rods')
        return [];
      const piece = stand.pieces.find((p) => p.key === `fitted:${use.id}`);
      const solid = piece?.solids[0];
      if (!piece || !solid) return [];
      const mass = given(part, 'mass');
      // The screw stands in the middle of the face; what is off it across the screw is leverage.
      const e = solid.extent;
      const target = stand.pieces.find((p) => p.key === `fitted:${use.to}`) ?? stand.pieces[0]!;
      const at = target.solids[0]?.extent ?? e;
      const clampTo = (k: 0 | 1 | 2) => {
        const mid = (e[k] + e[(k + 3) as 3 | 4 | 5]) / 2;
        return mid - Math.min(at[(k + 3) as 3 | 4 | 5], Math.max(at[k], mid));
      };
      const out =
        use.on === 'left' || use.on === 'right'
          ? 0
          : use.on === 'top' || use.on === 'bottom'
            ? 1
            : 2;
      // Gravity turns it about the screw by how far its middle hangs beside the screw.
      const lever =
        out === 1
          ? Math.hypot(clampTo(0), clampTo(2))
          : Math.hypot(e[(out + 3) as 3 | 4 | 5] - e[out as 0 | 1 | 2]) / 2;
      return [
        judge({
          id: 'carry.twist',
          key: `carry.twist:${use.id}`,
          about: [part.id],
          station: (e[2] + e[5]) / 2,
          inputs: [mass],
          margin: (x) => limit - moment(x[0]!, lever),
          after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
          unit: 'N m',
          limit: { value: limit, unit: 'N m', rule: 'carry.twist' },
          why: (o) =>
            o.state === 'ok'
              ? `${part.name} pulls on its single screw with ${exact(limit - o.value, 2)} N m.`
              : `${part.name} pulls on its single screw with ${exact(limit - o.value, 2)} N m and turns: two screws, or pins.`,
          sum: (o) =>
            `${exact(mass.known!.value, 0)} g x ${exact(lever, 0)} mm = ${exact(limit - o.value, 2)} N m`,
          lacking: (missing) =>
            `Whether ${part.name} turns on its screw is not known: ${missing} missing.`,
          basis: `${ruleBasis('carry.twist')}; ratings of its maker count`,
        }),
      ];
    });
  },
};
