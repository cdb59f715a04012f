import { standOf } from '../../../stand/stand';
import { withoutTeeth } from '../model/told';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';

export const driveDirection: Check = {
  id: 'drive.direction',
  title: 'Direction of the pull',
  short: 'turns the wrong way',
  says: 'Whether the lens turns as the wheel does in cine practice, or needs a reverse gear or the drive on the other side.',
  formula: 'direction of the ring, reversed by a reverse gear',
  run(built) {
    const stand = standOf(built);
    return stand.drives.flatMap((d): Verdict[] => {
      const ring = stand.gears.find((g) => g.turns === d.use.turns)?.ring;
      if (d.use.turns !== 'focus') return [];
      if (!ring || !built.lens)
        return withoutTeeth(stand, d, 'drive.direction', 'Which way the ring turns');
      const base = {
        id: 'drive.direction',
        key: `drive.direction:${d.use.id}`,
        pieces: [d.key],
        about: [d.part.id, built.lens.id],
        station: stand.value(d.gearAt),
        basis: '[trade] direction of focus',
      };
      if (ring.turnsBack === undefined)
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: `Which way ${built.lens.name} turns is not known: some stills lenses turn against cine practice.`,
            sum: 'No sum.',
            measure: [
              {
                path: ['kit', built.lens.id, 'rings', ring.id, 'turnsBack'],
                part: built.lens.id,
                label: `turns the other way, ${built.lens.name}`,
                unit: '',
                share: 1,
                missing: true,
              },
            ],
          }),
        ];
      const reversed = d.use.reversed === true;
      const wrong = (ring.turnsBack === true) !== reversed;
      const can = d.part.kind === 'motor' || d.part.reversible === true;
      return [
        plainVerdict({
          ...base,
          state: wrong ? 'tight' : 'ok',
          why: wrong
            ? ring.turnsBack
              ? `${built.lens.name} turns the other way from cine practice: ${can ? `set ${d.part.name} reversed` : `${d.part.name} has no reverse; the pull is the wrong way round`}.`
              : `${d.part.name} is set reversed on a lens that turns as cine lenses do.`
            : `${built.lens.name} and ${d.part.name} turn as hands expect it.`,
          sum: `ring ${ring.turnsBack ? 'turns back' : 'as cine practice'}, drive ${reversed ? 'reversed' : 'straight'}`,
        }),
      ];
    });
  },
};
