import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedPlate } from '../../space/place/camera';
import { givens } from '../../../build/lin';
import { gripOf } from '../model/lengths';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';
import { asFunction } from '../../../build/lin';

export const rodsGrip: Check = {
  id: 'rods.grip',
  title: 'Rods in the clamps of the plate',
  short: 'barely held',
  says: 'Whether the clamps of the plate hold enough of each pair of rods.',
  formula: 'stretch of rod inside the clamp - rod that a clamp must hold',
  run(built) {
    const stand = standOf(built);
    const { plate } = stand;
    if (!plate)
      return stand.rods.map((r) =>
        plainVerdict({
          id: 'rods.grip',
          key: `rods.grip:${r.use.id}:0`,
          about: [r.rods.id],
          state: 'unknown',
          why: `What holds ${r.rods.name} is not known: there is no plate with rod clamps.`,
          sum: 'No sum.',
          basis: '[math]',
        }),
      );
    const grip = built.rules['rods.grip'];
    const list = stand.rods.flatMap((r): Verdict[] => {
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
              ? `${r.rods.name} do not reach the ${c.name}: ${sayLength(-h)} short.`
              : o.state === 'ok'
                ? `The ${c.name} holds ${sayLength(h)} of ${r.rods.name}.`
                : `The ${c.name} holds only ${sayLength(h)} of ${r.rods.name}; ${sayLength(grip)} are wanted.`;
          },
          sum: (o) =>
            `rods from ${exact(stand.value(r.from), 1)} to ${exact(stand.value(r.to), 1)}, clamp from ${exact(stand.value(c.from), 1)} to ${exact(stand.value(c.to), 1)}: ${sayLength(o.value + grip, 1)} held`,
          lacking: (missing) =>
            `How much of ${r.rods.name} is held is not known: ${missing} missing.`,
          basis: ruleBasis('rods.grip'),
        });
      });
    });
    return [...list, ...oneBore(stand, plate)];
  },
};

/** Two pairs that want the same stretch of the same clamp: one bore takes one rod. */
function oneBore(stand: Stand, plate: PlacedPlate): Verdict[] {
  const out: Verdict[] = [];
  stand.rods.forEach((a, i) => {
    for (const b of stand.rods.slice(i + 1)) {
      const all = [a.from, a.to, b.from, b.to];
      const inputs = givens(all);
      const [af, at, bf, bt] = all.map((l) => asFunction(l, inputs));
      out.push(
        judge({
          id: 'rods.grip',
          key: `rods.grip:${a.use.id}|${b.use.id}`,
          about: [...new Set([a.rods.id, b.rods.id, plate.plate.id])],
          station: Math.max(stand.value(a.from), stand.value(b.from)),
          inputs,
          // Apart along the bore: the one ends before the other begins.
          margin: (x) => Math.max(bf!(x) - at!(x), af!(x) - bt!(x)),
          unit: 'mm',
          limit: { value: 0, unit: 'mm', rule: null },
          why: (o) =>
            o.value < 0
              ? `${a.rods.name} and ${b.rods.name} would have to stand in the same bore for ${sayLength(-o.value)}.`
              : `${a.rods.name} and ${b.rods.name} follow each other in the same bore, ${sayLength(o.value)} apart.`,
          sum: () =>
            `${exact(stand.value(a.from), 1)} to ${exact(stand.value(a.to), 1)} against ${exact(stand.value(b.from), 1)} to ${exact(stand.value(b.to), 1)}`,
          lacking: (missing) =>
            `Whether ${a.rods.name} and ${b.rods.name} share a bore is not known: ${missing} missing.`,
          basis: '[math]',
        }),
      );
    }
  });
  return out;
}
