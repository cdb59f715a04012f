import { standOf } from '../../../stand/stand';
import { sayLength, mm } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, lacking, plainVerdict } from '../../../checks/judge';

export const supportPlace: Check = {
  id: 'support.place',
  title: 'Place of the support',
  short: 'no place for it',
  says: 'Whether a support stands under a stretch of barrel that keeps still, on rod that nothing else is clamped to.',
  formula: 'barrel over the whole cradle, no moving ring over it, no other clamp, rod under it',
  run(built) {
    const stand = standOf(built);
    const { lens } = built;
    if (!lens) return [];
    return stand.supports.map((s): Verdict => {
      const base = {
        id: 'support.place',
        key: `support.place:${s.use.id}`,
        pieces: [s.key],
        about: [s.part.id, lens.id],
        station: stand.value(s.station),
        basis: '[trade] a support stands under what keeps still',
      };
      if (s.by.length > 0)
        return plainVerdict({
          ...base,
          state: 'unknown',
          why: `Where ${s.part.name} can stand under ${lens.name} is not known: ${inWords(s.by.map((g) => g.label))} missing.`,
          sum: 'No sum.',
          measure: lacking(s.by),
        });
      const straight = !lens.outline?.length;
      return plainVerdict({
        ...base,
        state: s.trouble !== null ? 'fail' : straight ? 'tight' : 'ok',
        why:
          s.trouble !== null
            ? `${s.part.name} has no place under ${lens.name}${s.use.station === undefined ? '' : ` at ${sayLength(s.use.station, 0)}`}: ${s.trouble}.`
            : `${s.part.name} stands at ${sayLength(stand.value(s.station))}, under barrel that keeps still${straight ? `, if ${lens.name} is as wide all along as at its front` : ''}.`,
        sum: `station ${mm(stand.value(s.station), 1)} from the image plane`,
        measure:
          straight && s.trouble === null
            ? [
                {
                  path: ['kit', lens.id, 'outline'],
                  part: lens.id,
                  label: `barrel outline of ${lens.name}`,
                  unit: '',
                  share: 1,
                  missing: false,
                },
              ]
            : [],
      });
    });
  },
};
