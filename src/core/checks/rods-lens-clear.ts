import { standOf } from '../build/stand';
import { distanceFrom, inputsOf, nameOf } from '../space/clearance';
import { distance } from '../solids/distance';
import { clearRadius } from '../rods/lengths';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import { judge, lacking, plainVerdict } from './judge';

export const rodsLensClear: Check = {
  id: 'rods.lens-clear',
  title: 'Lens over the rods',
  short: 'lens on the rods',
  says: 'Whether the lens, and what is closed on it, stands clear of the rods below.',
  formula: 'hypot(centres / 2, drop) - rod / 2 - radius of the lens',
  run(built) {
    const stand = standOf(built);
    const { lens } = built;
    if (!lens || stand.rods.length === 0 || !stand.drop || !stand.system) return [];
    const lensKeys = new Set([
      'lens',
      ...stand.pieces
        .map((p) => p.key)
        .filter((k) => k.startsWith('gear:') || k.startsWith('thread:') || k.startsWith('link:')),
    ]);
    const around = stand.solids.filter((s) => lensKeys.has(s.piece) && s.role !== 'foot');
    const rodSolids = stand.solids.filter((s) => s.role === 'rod');
    const missing = [...new Set([...around, ...rodSolids].flatMap((s) => s.inputs))].filter(
      (g) => !g.known,
    );
    const about = [lens.id, stand.rods[0]!.rods.id];
    const limit = built.rules['rods.lens-air'];
    const known = around.filter((s) => s.known);
    let worst: { a: (typeof around)[number]; b: (typeof around)[number]; d: number } | null = null;
    for (const a of known)
      for (const b of rodSolids)
        if (b.known) {
          const d = distance(a.solid, b.solid);
          if (!worst || d < worst.d) worst = { a, b, d };
        }
    if (!worst || missing.length > 0)
      return [
        plainVerdict({
          id: 'rods.lens-clear',
          about,
          station: stand.value(stand.seat),
          state: 'unknown',
          why: `Whether ${lens.name} clears the rods is not known: ${missing.map((g) => g.label).join(', ')} missing.`,
          sum: 'No sum.',
          basis: '[math]',
          measure: lacking(missing),
        }),
      ];
    const { a, b } = worst;
    const inputs = inputsOf(a, b);
    const room = clearRadius(stand.system.centres, stand.value(stand.drop), stand.system.rod);
    return [
      judge({
        id: 'rods.lens-clear',
        about: [...new Set([...about, stand.pieces.find((p) => p.key === a.piece)!.part])],
        station: (a.extent[2] + a.extent[5]) / 2,
        inputs,
        margin: distanceFrom(a, b, inputs),
        wanted: limit,
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule: 'rods.lens-air' },
        why: (o) =>
          o.value < 0
            ? `${upper(nameOf(stand, a))} would have to go ${mm(-o.value)} into the rods.`
            : `${upper(nameOf(stand, a))} stands ${mm(o.value)} clear of the rods.`,
        sum: (o) =>
          `radius that clears: hypot(${exact(stand.system!.centres / 2, 1)}, ${exact(stand.value(stand.drop!), 1)}) - ${exact(stand.system!.rod / 2, 1)} = ${exact(room, 1)} mm; nearest ${exact(o.value, 1)} mm`,
        lacking: (m) => `Whether ${lens.name} clears the rods is not known: ${m} missing.`,
        basis: `[math] ${ruleBasis('rods.lens-air')}`,
      }),
    ];
  },
};

function upper(text: string): string {
  return text[0]!.toUpperCase() + text.slice(1);
}
