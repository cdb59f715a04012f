import { standOf } from '../../../stand/stand';
import { rodSystem } from '../kit/systems';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';
import { given } from '../../../build/given';

export const rodsSystem: Check = {
  id: 'rods.system',
  tried: () => true,
  title: 'Rod system',
  short: 'other rods',
  says: 'Whether everything that is clamped to the rods is made for them: diameter and distance of the rods differ from system to system.',
  formula: 'rod system of the part = rod system of the plate',
  run(built) {
    const stand = standOf(built);
    const { plate, rods } = stand;
    const clamped = stand.clamped.filter((c) => c.on === undefined);
    if (rods.length === 0 && clamped.length === 0) return [];
    const want = plate?.plate.rods ?? rods[0]?.rods.rods;
    const holder = plate?.plate ?? rods[0]?.rods ?? null;
    const all = [
      ...rods.map((r) => ({
        key: `rods:${r.use.id}`,
        part: r.rods.id,
        name: r.rods.name,
        rods: r.rods.rods,
        from: r.from,
      })),
      ...clamped,
    ].filter((c) => c.part !== holder?.id);
    return all.flatMap((c): Verdict[] => {
      const part = built.kit.get(c.part)!;
      const about = holder ? [c.part, holder.id] : [c.part];
      const base = {
        id: 'rods.system',
        key: `rods.system:${c.key}`,
        pieces: [c.key],
        about,
        station: stand.value(c.from),
        basis: '[trade] rod systems',
      };
      if (c.rods === undefined || want === undefined) {
        const who = c.rods === undefined ? part : holder;
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: who
              ? `Which rods ${who.name} is made for is not known.`
              : 'There is no plate: which rods these are is not known.',
            sum: 'No sum: a rod system is missing.',
            measure: who ? lacking([{ ...given(who, 'rods'), unit: '', known: null }]) : [],
          }),
        ];
      }
      const name = (id: string) => rodSystem(id)?.name ?? id;
      return [
        plainVerdict({
          ...base,
          state: c.rods === want ? 'ok' : 'fail',
          why:
            c.rods === want
              ? `${c.name} and ${holder!.name} are both ${name(want)}.`
              : `${c.name} is made for ${name(c.rods)}, ${holder!.name} holds ${name(want)}: it does not go on.`,
          sum: `${name(c.rods)} against ${name(want)}`,
        }),
      ];
    });
  },
};
