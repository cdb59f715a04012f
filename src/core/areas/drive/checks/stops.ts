import { standOf } from '../../../stand/stand';
import { withoutTeeth } from '../model/told';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';

export const driveStops: Check = {
  id: 'drive.stops',
  title: 'End stops',
  short: 'no end stops',
  says: 'Whether something stops the pull at both ends: the lens, hard stops on the follow focus, or limits that are set by hand on a motor.',
  formula: 'stops of the lens, or of the drive',
  run(built) {
    const stand = standOf(built);
    return stand.drives.flatMap((d): Verdict[] => {
      const ring = stand.gears.find((g) => g.turns === d.use.turns)?.ring;
      const { lens } = built;
      if (d.use.turns === 'iris') return [];
      if (!ring || !lens)
        return withoutTeeth(stand, d, 'drive.stops', 'Whether anything ends the pull');
      const base = {
        id: 'drive.stops',
        key: `drive.stops:${d.use.id}`,
        pieces: [d.key],
        about: [d.part.id, lens.id],
        station: stand.value(d.gearAt),
        basis: '[trade] end stops',
      };
      if (ring.stops === undefined)
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: `Whether the ${ring.turns} ring of ${lens.name} has hard stops is not known.`,
            sum: 'No sum.',
            measure: [
              {
                path: ['kit', lens.id, 'rings', ring.id, 'stops'],
                part: lens.id,
                label: `hard stops of ${lens.name}`,
                unit: '',
                share: 1,
                missing: true,
              },
            ],
          }),
        ];
      const motor = d.part.kind === 'motor';
      const hard = d.part.kind === 'follow-focus' && d.part.hardStops === true;
      const state = ring.stops || hard ? 'ok' : 'tight';
      return [
        plainVerdict({
          ...base,
          state,
          why: ring.stops
            ? `${lens.name} stops at both ends${motor ? `: ${d.part.name} calibrates against them` : ''}.`
            : hard
              ? `${lens.name} turns past infinity; the hard stops of ${d.part.name} hold it.`
              : motor
                ? `${lens.name} has no end stops: ${d.part.name} cannot calibrate against them, set its limits by hand.`
                : `${lens.name} turns past infinity and ${d.part.name} has no hard stops: nothing ends the pull.`,
          sum: `lens ${ring.stops ? 'stops' : 'does not stop'}, drive ${hard ? 'has hard stops' : motor ? 'takes limits by hand' : 'has none'}`,
        }),
      ];
    });
  },
};
