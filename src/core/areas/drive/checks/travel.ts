import { standOf } from '../../../stand/stand';
import { given } from '../../../build/given';
import { givens } from '../../../build/lin';
import { gearName, withoutTeeth } from '../model/told';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';
import { asFunction } from '../../../build/lin';

export const driveTravel: Check = {
  id: 'drive.travel',
  title: 'Mesh over the travel',
  short: 'runs out of mesh',
  says: 'Whether the gears overlap enough along the axis at both ends of the throw: rings that wander as they turn take their gear with them.',
  formula: 'overlap of the two gears at the worse end - width that must mesh',
  run(built) {
    const stand = standOf(built);
    const limit = built.rules['drive.overlap'];
    return stand.drives.flatMap((d): Verdict[] => {
      const { gear } = d;
      if (!gear?.teeth || !built.lens)
        return withoutTeeth(stand, d, 'drive.travel', `Whether ${d.part.name} stays in mesh`);
      const travel =
        gear.ring.travel === undefined ? null : given(built.lens, 'rings', gear.ring.id, 'travel');
      const inputs = [
        ...new Set([
          ...givens([gear.middle, d.gearAt]),
          gear.width,
          d.gearWidth,
          ...(travel ? [travel] : []),
        ]),
      ];
      const middle = asFunction(gear.middle, inputs);
      const drive = asFunction(d.gearAt, inputs);
      const n = (x: readonly number[], g: (typeof inputs)[number]) => x[inputs.indexOf(g)]!;
      const overlap = (x: readonly number[], by: number) => {
        const half = n(x, gear.width) / 2;
        const own = n(x, d.gearWidth) / 2;
        const z = middle(x) + by;
        return Math.min(z + half, drive(x) + own) - Math.max(z - half, drive(x) - own);
      };
      return [
        judge({
          id: 'drive.travel',
          key: `drive.travel:${d.use.id}`,
          pieces: [d.key],
          about: [d.part.id, gear.gear?.id ?? built.lens.id],
          station: stand.value(d.gearAt),
          inputs,
          margin: (x) => Math.min(overlap(x, 0), overlap(x, travel ? n(x, travel) : 0)) - limit,
          unit: 'mm',
          limit: { value: limit, unit: 'mm', rule: 'drive.overlap' },
          why: (o) =>
            o.value + limit <= 0
              ? `${d.part.name} runs off ${gearName(stand, d)}: at the end of the throw the gears are ${sayLength(-(o.value + limit))} apart.`
              : `${d.part.name} and ${gearName(stand, d)} overlap by ${sayLength(o.value + limit)} ${travel ? `at the worse end of the throw (the ring wanders ${sayLength(Math.abs(travel.known!.value))})` : 'along the axis'}${o.state === 'ok' ? '' : `; ${sayLength(limit)} are wanted`}.`,
          sum: (o) =>
            `gear of the lens ${exact(stand.value(gear.middle), 1)}, of the drive ${exact(stand.value(d.gearAt), 1)}: ${sayLength(o.value + limit, 1)} overlap - ${exact(limit, 1)} = ${sayLength(o.value, 1)}`,
          lacking: (missing) => `Whether the gears stay in mesh is not known: ${missing} missing.`,
          basis: ruleBasis('drive.overlap'),
        }),
      ];
    });
  },
};
