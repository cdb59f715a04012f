import { standOf } from '../build/stand';
import { nameOf, nearIn, pairKey, pairMargin, pieceOf } from '../space/clearance';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { inWords, judge, lacking, plainVerdict } from './judge';

/** As many parts are named in a sentence as can be read in one. */
const MOST_NAMED = 4;

export const spacePair: Check = {
  id: 'space.pair',
  title: 'Parts against each other',
  short: 'foul each other',
  says: 'Whether any two parts that are not meant to touch come too near each other, or would have to stand in the same place, and by how much.',
  formula: 'shortest distance of the two solids; below 0 the depth of their overlap',
  run(built) {
    const stand = standOf(built);
    if (!stand.standing) return [];
    const still = built.rules['space.air'];
    const moving = built.rules['space.air-moving'];
    const solids = stand.solids.filter((s) => s.role !== 'sweep');
    const pairs = nearIn(
      stand,
      `pair ${still} ${moving}`,
      solids,
      (a, b) => (a.moving || b.moving ? moving : still),
      (a, b) =>
        // Lens against rods is a check of its own.
        !(a.role === 'rod' && onLens(b.piece)) && !(b.role === 'rod' && onLens(a.piece)),
    );
    const out: Verdict[] = pairs.near.map((n) => {
      const { a, b } = n;
      const moves = a.moving || b.moving;
      const limit = moves ? moving : still;
      const [p, r] = [pieceOf(stand, a), pieceOf(stand, b)];
      const [x, y] = [nameOf(stand, a), nameOf(stand, b)];
      const name = x[0]!.toUpperCase() + x.slice(1);
      return judge({
        id: 'space.pair',
        key: pairKey(a, b),
        about: [...new Set([p.part, r.part])],
        station: (Math.max(a.extent[2], b.extent[2]) + Math.min(a.extent[5], b.extent[5])) / 2,
        ...pairMargin(stand, n, limit),
        wanted: limit,
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule: moves ? 'space.air-moving' : 'space.air' },
        assumed: p.assumed ?? r.assumed,
        why: (o) =>
          o.value < 0
            ? `${name} and ${y} would have to stand in the same place, ${mm(-o.value)} deep.`
            : `${name} stands ${mm(o.value)} from ${y}${o.value >= limit ? '' : `; ${mm(limit)} of air are wanted`}.`,
        sum: (o) =>
          `distance of the two solids ${exact(o.value, 2)} mm (${exact(o.lo, 1)} to ${exact(o.hi, 1)}); wanted ${exact(limit, 1)}`,
        lacking: (missing) => `Whether ${x} clears ${y} is not known: ${missing} missing.`,
        basis: ruleBasis(moves ? 'space.air-moving' : 'space.air'),
      });
    });
    const blind = stand.pieces.filter(
      (p) => p.missing.length > 0 && p.key !== 'screen' && p.key !== 'swing',
    );
    if (blind.length > 0) {
      const missing = [...new Set(blind.flatMap((p) => p.missing))];
      const names = [...new Set(blind.map((p) => p.name))];
      out.push(
        plainVerdict({
          id: 'space.pair',
          key: 'space.pair:unknown',
          about: [...new Set(blind.map((p) => p.part))],
          state: 'unknown',
          why: `What ${names.length > MOST_NAMED ? `${inWords(names.slice(0, MOST_NAMED))} and ${names.length - MOST_NAMED} more` : inWords(names)} ${names.length > 1 ? 'clear' : 'clears'} is not known: ${missing.length} ${missing.length > 1 ? 'numbers are' : 'number is'} missing.`,
          sum: `missing: ${inWords(missing.map((g) => g.label))}`,
          basis: '[math]',
          measure: lacking(missing),
        }),
      );
    }
    if (out.every((v) => v.state === 'ok')) {
      const n = pairs.nearest;
      return [
        plainVerdict({
          id: 'space.pair',
          about: n
            ? [...new Set([pieceOf(stand, n.a).part, pieceOf(stand, n.b).part])]
            : stand.pieces.map((p) => p.part).slice(0, 2),
          state: 'ok',
          why: n
            ? `Nothing fouls: nearest to each other are ${nameOf(stand, n.a)} and ${nameOf(stand, n.b)}, ${mm(n.d)} apart.`
            : 'Nothing fouls: no two parts come near each other.',
          sum: `${stand.solids.length} solids, ${pairs.tested} pairs measured`,
          basis: ruleBasis('space.air'),
        }),
      ];
    }
    return out;
  },
};

function onLens(piece: string): boolean {
  return (
    piece === 'lens' ||
    piece.startsWith('gear:') ||
    piece.startsWith('thread:') ||
    piece.startsWith('link:')
  );
}
