import type { StandSolid } from '../../../place/setting';
import type { Built } from '../../../build/build';
import { onAxis } from '../../../place/piece';
import { constant } from '../../../build/given';
import { standOf, type Stand } from '../../../stand/stand';
import { distanceFrom, inputsOf, nameOf } from '../../space/model/clearance';
import { distance } from '../../../solids/distance';
import { clearRadius } from '../model/lengths';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict, said, stateOf } from '../../../checks/judge';

export const rodsLensClear: Check = {
  id: 'rods.lens-clear',
  title: 'Lens over the rods',
  short: 'lens on the rods',
  says: 'Whether the lens, and what is closed on it, stands clear of the rods below.',
  formula: 'hypot(centres / 2, drop) - rod / 2 - radius of the lens',
  run(built) {
    const stand = standOf(built);
    const { lens } = built;
    if (!lens || stand.rods.length === 0) return [];
    const around = stand.solids.filter((s) => onAxis(s) && s.role !== 'foot');
    const rodSolids = stand.solids.filter((s) => s.role === 'rod');
    const missing = [...new Set([...around, ...rodSolids].flatMap((s) => s.inputs))].filter(
      (g) => !g.known,
    );
    const about = [lens.id, stand.rods[0]!.rods.id];
    const limit = built.rules['rods.lens-air'];
    const known = around.filter((s) => s.known);
    const pairs = known
      .flatMap((a) =>
        rodSolids.flatMap((b) => (b.known ? [{ a, b, d: distance(a.solid, b.solid) }] : [])),
      )
      .sort((p, q) => p.d - q.d);
    const worst = pairs[0];
    if (stand.drop && !stand.system) missing.push(NO_SYSTEM);
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
    const one = (pair: Pair) => judgePair(built, stand, about, pair);
    const main = one(worst);
    if (!main.margin) return [main];
    // Inside the tolerances another pair can be the nearest one: the interval is that of them all.
    const far = worst.d + worst.a.loose + worst.b.loose;
    const others = pairs
      .slice(1)
      .filter((p) => p.d - p.a.loose - p.b.loose < far)
      .map(one);
    const bounds = [main, ...others].map((v) => v.margin!);
    const lo = Math.min(...bounds.map((m) => m.lo));
    const hi = Math.min(...bounds.map((m) => m.hi));
    const state = stateOf(lo, hi, limit);
    return [{ ...said(main), state, margin: { ...main.margin, lo, hi } }];
  },
};

/** Which rods these are, as a missing number. */
const NO_SYSTEM = constant('rod system', '', null);

function upper(text: string): string {
  return text[0]!.toUpperCase() + text.slice(1);
}

interface Pair {
  a: StandSolid;
  b: StandSolid;
}

/** A solid of the lens over one of the rods. */
function judgePair(built: Built, stand: Stand, about: readonly string[], { a, b }: Pair): Verdict {
  const lens = built.lens!;
  const limit = built.rules['rods.lens-air'];
  const inputs = inputsOf(a, b);
  const { system, drop } = stand;
  const room = system && drop ? clearRadius(system.centres, stand.value(drop), system.rod) : NaN;
  return judge({
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
        ? `${upper(nameOf(stand, a))} would have to go ${sayLength(-o.value)} into the rods.`
        : `${upper(nameOf(stand, a))} stands ${sayLength(o.value)} clear of the rods.`,
    sum: (o) =>
      `radius that clears: hypot(${exact((system?.centres ?? NaN) / 2, 1)}, ${exact(stand.value(drop!), 1)}) - ${exact((system?.rod ?? NaN) / 2, 1)} = ${sayLength(room, 1)}; nearest ${sayLength(o.value, 1)}`,
    lacking: (m) => `Whether ${lens.name} clears the rods is not known: ${m} missing.`,
    basis: `[math] ${ruleBasis('rods.lens-air')}`,
  });
}
