import { standOf, type Stand } from '../../../stand/stand';
import type { PlateHeight } from '../../../place/setting';
import { asFunction, givens, lin } from '../../../build/lin';
import { exact, sayLength, sayRange } from '../../../quantity/say';
import { absolute } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';

export const rodsDrop: Check = {
  id: 'rods.drop',
  title: 'Height of the rods',
  short: 'rods off height',
  says: 'Whether the rods come out as far below the axis as their system has it; everything that stands on them is off by the difference.',
  formula:
    'axis to base + cage + risers under the body + plate top to rods - risers under the rods - height of the system',
  run(built) {
    const stand = standOf(built);
    const { body } = built;
    if (stand.rods.length === 0 || !body) return [];
    const about = [body.id, ...(built.rig.under ?? []).map((u) => u.part)];
    const station = stand.value(stand.face);
    const { drop, system } = stand;
    if (!drop || !system)
      return [
        plainVerdict({
          id: 'rods.drop',
          about: [...about, stand.rods[0]!.rods.id],
          station,
          state: 'unknown',
          why: drop
            ? `Which rod system these are is not known.`
            : `Nobody said what the rods hang on: put a plate under ${body.name}.`,
          sum: 'No sum.',
          basis: '[math]',
        }),
      ];
    const limit = built.rules['rods.drop-limit'];
    const wanted = built.rules['rods.drop-off'];
    const inputs = givens([drop]);
    let off = { value: 0, lo: 0, hi: 0 };
    const value = (x: readonly number[]) =>
      drop.c + drop.terms.reduce((sum, t) => sum + t.k * x[inputs.indexOf(t.g)]!, 0);
    const { height } = stand;
    const solved = height && height.use.height === undefined ? height.set : null;
    return [
      judge({
        id: 'rods.drop',
        about,
        station,
        inputs,
        margin: (x) => value(x) - system.drop,
        after: (s) => {
          off = s;
          const a = absolute(s);
          return { ...s, value: limit - a.value, lo: limit - a.hi, hi: limit - a.lo };
        },
        wanted: Math.max(0, limit - wanted),
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule: 'rods.drop-limit' },
        why: (o) =>
          o.state === 'ok'
            ? `${solved !== null ? `Set ${height!.plate.name} to ${sayLength(solved)}, top to rods: then the` : 'The'} rods come out ${sayLength(off.value + system.drop, 1)} below the axis, where ${system.name} has them.`
            : `The rods come out ${sayLength(Math.abs(off.value))} too ${off.value > 0 ? 'low' : 'high'} (${sayRange(off.lo, off.hi, 'mm')}): ${sayLength(off.value + system.drop, 1)} below the axis, ${system.name} has ${sayLength(system.drop, 1)}. What stands on them is off by as much.`,
        sum: () =>
          `${inputs.map((g) => `${g.label} ${exact(g.known!.value, 1)}`).join(', ')}: ${exact(off.value + system.drop, 2)} - ${exact(system.drop, 2)} = ${sayLength(off.value, 2)}`,
        lacking: (missing) => `How high the rods come out is not known: ${missing} missing.`,
        basis: `${system.basis === 'memory' ? '[mem] height of the system; ' : ''}${ruleBasis('rods.drop-limit')}`,
      }),
      ...(height ? inRange(stand, height, about, station) : []),
    ];
  },
};

/**
 * Whether a plate goes to the height it is set to. One whose range does not reach what the rods ask
 * for stands at the end of it: how far they are off then is said above.
 */
function inRange(stand: Stand, height: PlateHeight, about: string[], station: number): Verdict[] {
  const { plate, use, needed, lowest, highest } = height;
  const target = use.height !== undefined ? lin(use.height) : needed;
  if (!target) return [];
  const inputs = [...new Set([...givens([target]), lowest, highest])];
  const f = asFunction(target, inputs);
  const [lo, hi] = [inputs.indexOf(lowest), inputs.indexOf(highest)];
  const below = (x: readonly number[]) => f(x) - x[lo]!;
  const above = (x: readonly number[]) => x[hi]! - f(x);
  const now = inputs.map((g) => g.known?.value ?? NaN);
  const out = below(now) < 0 || above(now) < 0;
  if (out && use.height === undefined) return [];
  return [
    judge({
      id: 'rods.drop',
      key: 'rods.drop:set',
      about,
      station,
      inputs,
      inside: { below, above },
      unit: 'mm',
      limit: null,
      why: (o) => {
        const at = sayLength(stand.value(target));
        const goes = `it goes from ${exact(lowest.known!.value, 1)} to ${exact(highest.known!.value, 1)}`;
        return o.state === 'fail'
          ? `${plate.name} cannot be set to ${at}: ${goes}.`
          : o.state === 'tight'
            ? `${plate.name} has to be set to ${at}, near an end of its range: ${goes}.`
            : `${plate.name} goes to ${at}: ${goes}.`;
      },
      sum: (o) =>
        `${exact(stand.value(target), 1)} in ${exact(lowest.known!.value, 1)} to ${exact(highest.known!.value, 1)}: ${sayLength(o.value, 1)} inside`,
      lacking: (missing) =>
        `Whether ${plate.name} goes to the height of the rods is not known: ${missing} missing.`,
      basis: '[math]',
    }),
  ];
}
