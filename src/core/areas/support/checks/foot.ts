import { standOf } from '../../../stand/stand';
import { tiedFeet } from '../model/feet';
import { givens } from '../../../build/lin';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';
import { asFunction } from '../../../build/lin';

export const supportFoot: Check = {
  id: 'support.foot',
  tried: () => true,
  title: 'Foot on the plate',
  short: 'foot does not meet',
  says: 'Whether a foot of the lens or an adapter that is tied down meets the plate: flush, or with a gap that a shim closes.',
  formula: 'plate top - bottom of the foot, from 0 to the gap that shims close',
  run(built) {
    const stand = standOf(built);
    const limit = built.rules['support.foot-gap'];
    return tiedFeet(built, stand).flatMap(
      ({ part, key, plate, down, gap, lost, solid }): Verdict[] => {
        const { top } = plate;
        const inputs = [...new Set([...givens([gap]), ...lost])];
        const f = asFunction(gap, inputs);
        let low = false;
        return [
          judge({
            id: 'support.foot',
            key: `support.foot:${key}`,
            about: [part.id, plate.plate.id],
            station: solid ? (solid.extent[2] + solid.extent[5]) / 2 : null,
            inputs,
            inside: { below: f, above: (x) => limit - f(x) },
            unit: 'mm',
            limit: { value: limit, unit: 'mm', rule: 'support.foot-gap' },
            why: (o) => {
              const g = stand.value(gap);
              low = g < 0;
              return o.state === 'ok'
                ? `The foot of ${part.name} meets ${plate.plate.name}.`
                : low
                  ? `The foot of ${part.name} goes ${sayLength(-g)} deeper than the top of ${plate.plate.name}: it lifts the lens or fouls the plate.`
                  : `The foot of ${part.name} stands ${sayLength(g)} above ${plate.plate.name}${g > limit ? `: shim it, ${sayLength(limit)} can be left` : ''}.`;
            },
            sum: () =>
              `plate top ${exact(stand.value(top), 2)} below the axis - foot ${exact(down.known!.value, 2)} = ${sayLength(stand.value(gap), 2)}`,
            lacking: (missing) =>
              `Whether the foot of ${part.name} meets the plate is not known: ${missing} missing.`,
            basis: ruleBasis('support.foot-gap'),
          }),
        ];
      },
    );
  },
};
