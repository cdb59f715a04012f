import { standOf } from '../build/stand';
import { givens } from '../build/lin';
import { exact, mm, sayRange } from '../quantity/say';
import { absolute } from '../quantity/spread';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import { judge, plainVerdict } from './judge';

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
            ? `The rods come out ${exact(off.value + system.drop, 1)} mm below the axis, where ${system.name} has them.`
            : `The rods come out ${mm(Math.abs(off.value))} too ${off.value > 0 ? 'low' : 'high'} (${sayRange(off.lo, off.hi, 'mm')}): ${exact(off.value + system.drop, 1)} mm below the axis, ${system.name} has ${exact(system.drop, 1)}. What stands on them is off by as much.`,
        sum: () =>
          `${inputs.map((g) => `${g.label} ${exact(g.known!.value, 1)}`).join(', ')}: ${exact(off.value + system.drop, 2)} - ${exact(system.drop, 2)} = ${exact(off.value, 2)} mm`,
        lacking: (missing) => `How high the rods come out is not known: ${missing} missing.`,
        basis: `${system.basis === 'memory' ? '[mem] height of the system; ' : ''}${ruleBasis('rods.drop-limit')}`,
      }),
    ];
  },
};
