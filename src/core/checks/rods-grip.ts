import { standOf } from '../build/stand';
import { givens } from '../build/lin';
import { gripOf } from '../rods/lengths';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge } from './judge';
import { asFunction } from '../build/lin';

export const rodsGrip: Check = {
  id: 'rods.grip',
  title: 'Rods in the clamps of the plate',
  short: 'barely held',
  says: 'Whether the clamps of the plate hold enough of each pair of rods.',
  formula: 'stretch of rod inside the clamp - rod that a clamp must hold',
  run(built) {
    const stand = standOf(built);
    const { plate } = stand;
    if (!plate) return [];
    const grip = built.rules['rods.grip'];
    return stand.rods.flatMap((r): Verdict[] => {
      // A pair through both clamps is held by both, one of two pairs by its own.
      const split = stand.rods.length > 1;
      const clamps = plate.clamps.filter(
        (_, i) =>
          r.use.place === 'through' || !split || (r.use.place === 'front' ? i === 0 : i === 1),
      );
      return clamps.map((c, i) => {
        const all = [r.from, r.to, c.from, c.to];
        const inputs = givens(all);
        const [rf, rt, cf, ct] = all.map((l) => asFunction(l, inputs));
        const hold = (x: readonly number[]) =>
          gripOf({ from: rf!(x), to: rt!(x) }, { from: cf!(x), to: ct!(x) });
        return judge({
          id: 'rods.grip',
          key: `rods.grip:${r.use.id}:${i}`,
          about: [r.rods.id, plate.plate.id],
          station: stand.value(c.from),
          inputs,
          margin: (x) => hold(x) - grip,
          unit: 'mm',
          limit: { value: grip, unit: 'mm', rule: 'rods.grip' },
          why: (o) => {
            const h = o.value + grip;
            return h <= 0
              ? `${r.rods.name} do not reach the ${c.name}: ${mm(-h)} short.`
              : o.state === 'ok'
                ? `The ${c.name} holds ${mm(h)} of ${r.rods.name}.`
                : `The ${c.name} holds only ${mm(h)} of ${r.rods.name}; ${mm(grip)} are wanted.`;
          },
          sum: (o) =>
            `rods from ${exact(stand.value(r.from), 1)} to ${exact(stand.value(r.to), 1)}, clamp from ${exact(stand.value(c.from), 1)} to ${exact(stand.value(c.to), 1)}: ${exact(o.value + grip, 1)} mm held`,
          lacking: (missing) =>
            `How much of ${r.rods.name} is held is not known: ${missing} missing.`,
          basis: ruleBasis('rods.grip'),
        });
      });
    });
  },
};
