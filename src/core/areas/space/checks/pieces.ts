import { tooFew, usesOn } from '../../../roles/uses';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';

export const spacePieces: Check = {
  id: 'space.pieces',
  title: 'Pieces that are there',
  short: 'piece not there',
  says: 'Whether every piece stands on the rig only as often as the kit has it: what is counted once cannot be in two places, and what was set aside as faulty is not used.',
  formula:
    'pieces on hand (one when nobody says, one when it would be hired) that were not set aside - times it is used',
  run(built) {
    const { rig, kit, body } = built;
    if (!body) return [];
    const base = { id: 'space.pieces', basis: '[math]' };
    const short = tooFew(rig, kit, built.job.packMarks);
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
    return short.map(({ part, used, there, aside }): Verdict => {
      const left = there - aside;
      const name = kit.get(part)?.name ?? part;
      return plainVerdict({
        ...base,
        key: `space.pieces:${part}`,
        about: [part],
        state: 'fail',
        margin: { value: left - used, lo: left - used, hi: left - used, unit: 'pieces' },
        why:
          aside === 0
            ? `${name} stands on this rig in ${used} places, and there ${there === 1 ? 'is one' : `are ${there}`}.`
            : `${name} is on this rig${used > 1 ? ` ${used} times` : ''}, and ${there === 1 ? 'it' : `${aside} of ${there}`} ${there === 1 || aside === 1 ? 'is' : 'are'} set aside as faulty: another has to go in its place.`,
        sum: `${aside === 0 ? there : `${there} - ${aside}`} - ${used}`,
      });
    });
  },
};
