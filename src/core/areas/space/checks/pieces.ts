import { tooFew, usesOn } from '../../../roles/uses';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';

export const spacePieces: Check = {
  id: 'space.pieces',
  title: 'Pieces that are there',
  short: 'used twice',
  says: 'Whether every piece stands on the rig only as often as the kit has it: what is counted once cannot be in two places.',
  formula: 'pieces on hand (one when nobody says, one when it would be hired) - times it is used',
  run(built) {
    const { rig, kit, body } = built;
    if (!body) return [];
    const base = { id: 'space.pieces', basis: '[math]' };
    const short = tooFew(rig, kit);
    if (short.length === 0)
      return [
        plainVerdict({
          ...base,
          about: [body.id],
          state: 'ok',
          why: 'Every piece on the rig is there as often as it is used.',
          sum: `${usesOn(rig).length} places`,
        }),
      ];
    return short.map(({ part, used, there }): Verdict => {
      const name = kit.get(part)?.name ?? part;
      return plainVerdict({
        ...base,
        key: `space.pieces:${part}`,
        about: [part],
        state: 'fail',
        margin: { value: there - used, lo: there - used, hi: there - used, unit: 'pieces' },
        why: `${name} stands on this rig in ${used} places, and there ${there === 1 ? 'is one' : `are ${there}`}.`,
        sum: `${there} - ${used}`,
      });
    });
  },
};
