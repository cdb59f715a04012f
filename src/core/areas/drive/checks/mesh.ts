import { standOf } from '../../../stand/stand';
import { centreDistance } from '../kit/gears';
import { gearName, withoutTeeth } from '../model/told';
import { exact, sayLength, plain, mm } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';

/** Modules that run with each other: 0.8 and 32 diametral pitch do. Common practice, no source. */
const ALIKE = 0.01;

export const driveMesh: Check = {
  id: 'drive.mesh',
  tried: () => true,
  title: 'Gear in gear',
  short: 'gears differ',
  says: 'Whether the teeth of drive and lens are of one size, and how far apart the two axes stand.',
  formula: '(pitch of the lens gear + pitch of the drive gear) / 2, pitch = module x teeth',
  run(built) {
    const stand = standOf(built);
    return stand.drives.flatMap((d): Verdict[] => {
      const { gear } = d;
      if (!gear?.teeth)
        return withoutTeeth(stand, d, 'drive.mesh', `Whether ${d.part.name} meshes`);
      const about = [d.part.id, gear.gear?.id ?? built.lens!.id];
      const base = {
        id: 'drive.mesh',
        key: `drive.mesh:${d.use.id}`,
        pieces: [d.key],
        about,
        station: stand.value(gear.middle),
        basis: '[trade] 0.8 module',
      };
      const missing = [gear.teeth, d.teeth, gear.module, d.module].filter((g) => !g.known);
      if (missing.length > 0)
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: `Whether ${d.part.name} meshes with ${gearName(stand, d)} is not known: ${missing.map((g) => g.label).join(' and ')} missing.`,
            sum: 'No sum.',
            measure: lacking(missing),
          }),
        ];
      const a = gear.module.known!.value;
      const b = d.module.known!.value;
      const c = centreDistance(gear.teeth.known!.value, d.teeth.known!.value, a);
      const off = Math.abs(a - b);
      const state = off < 1e-9 ? 'ok' : off <= ALIKE ? 'tight' : 'fail';
      return [
        plainVerdict({
          ...base,
          state,
          why:
            state === 'ok'
              ? `${d.part.name} meshes with ${gearName(stand, d)}: ${sayLength(c)} from axis to axis.`
              : state === 'tight'
                ? `Module ${plain(b, 3)} of ${d.part.name} runs with ${plain(a, 3)} of ${gearName(stand, d)}, close enough in practice, not the same.`
                : `${d.part.name} has module ${plain(b, 3)}, ${gearName(stand, d)} ${plain(a, 3)}: the teeth do not run together.`,
          sum: `${plain(a, 3)} x (${exact(gear.teeth.known!.value, 0)} + ${exact(d.teeth.known!.value, 0)}) / 2 = ${mm(c, 1)}`,
        }),
      ];
    });
  },
};
