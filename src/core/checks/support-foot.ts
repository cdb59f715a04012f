import { standOf } from '../build/stand';
import { given } from '../build/given';
import { givens, minus, of, plus } from '../build/lin';
import type { Part } from '../kit/types';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge } from './judge';
import { asFunction } from '../build/lin';

export const supportFoot: Check = {
  id: 'support.foot',
  title: 'Foot on the plate',
  short: 'foot does not meet',
  says: 'Whether a foot of the lens or an adapter that is tied down meets the plate: flush, or with a gap that a shim closes.',
  formula: 'plate top - bottom of the foot, from 0 to the gap that shims close',
  run(built) {
    const stand = standOf(built);
    const { plate, drop } = stand;
    if (!plate || !drop) return [];
    const limit = built.rules['support.foot-gap'];
    const top = minus(drop, of(given(plate.plate, 'topToRods')));
    const tied: { part: Part; key: string }[] = built.links
      .filter((l) => l.use.tied && l.link.foot)
      .map((l) => ({ part: l.link, key: `link:${l.index}` }));
    if (built.lens && built.rig.footTied) tied.push({ part: built.lens, key: 'lens' });
    return tied.flatMap(({ part, key }): Verdict[] => {
      const foot = given(part, 'footDown');
      const piece = stand.pieces.find((p) => p.key === key);
      const solid = piece?.solids.find((s) => s.role === 'foot');
      // A foot that ends ahead of the plate is tied to something else.
      if (
        solid &&
        (solid.extent[2] > stand.value(plate.to) || solid.extent[5] < stand.value(plate.from))
      )
        return [];
      const gap = minus(top, of(foot));
      const inputs = givens([plus(gap)]);
      const f = asFunction(gap, inputs);
      let low = false;
      return [
        judge({
          id: 'support.foot',
          key: `support.foot:${key}`,
          about: [part.id, plate.plate.id],
          station: solid ? (solid.extent[2] + solid.extent[5]) / 2 : null,
          inputs,
          margin: (x) => Math.min(f(x), limit - f(x)),
          unit: 'mm',
          limit: { value: limit, unit: 'mm', rule: 'support.foot-gap' },
          why: (o) => {
            const g = stand.value(gap);
            low = g < 0;
            return o.state === 'ok'
              ? `The foot of ${part.name} meets ${plate.plate.name}.`
              : low
                ? `The foot of ${part.name} goes ${mm(-g)} deeper than the top of ${plate.plate.name}: it lifts the lens or fouls the plate.`
                : `The foot of ${part.name} stands ${mm(g)} above ${plate.plate.name}${g > limit ? `: shim it, ${mm(limit)} can be left` : ''}.`;
          },
          sum: () =>
            `plate top ${exact(stand.value(top), 2)} below the axis - foot ${exact(foot.known!.value, 2)} = ${exact(stand.value(gap), 2)} mm`,
          lacking: (missing) =>
            `Whether the foot of ${part.name} meets the plate is not known: ${missing} missing.`,
          basis: ruleBasis('support.foot-gap'),
        }),
      ];
    });
  },
};
