import { onAxis, pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { standOf, type Stand } from '../../../stand/stand';
import { isFitting } from '../../../kit/types';
import {
  nameOf,
  nearIn,
  pairKey,
  pairMargin,
  pieceOf,
  type Near,
  type Pairs,
} from '../model/clearance';
import { given, type Given } from '../../../build/given';
import { blindPieces, unsettledDrives } from '../model/unsettled';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said } from '../../../checks/judge';

/** As many parts are named in a sentence as can be read in one. */
const MOST_NAMED = 4;

/** Every pair that comes too near, judged; once for a rig. */
export function pairVerdicts(built: Built): { near: Near; verdict: Verdict }[] {
  return built.once(PAIRS);
}

const PAIRS = node('pairs', (built: Built) => {
  const stand = standOf(built);
  return pairsOf(built).near.map((near) => ({ near, verdict: judgePair(stand, near) }));
});

function pairsOf(built: Built): Pairs {
  const stand = standOf(built);
  const still = built.rules['space.air'];
  const moving = built.rules['space.air-moving'];
  return nearIn(
    stand,
    `pair ${still} ${moving}`,
    stand.solids.filter((s) => s.role !== 'sweep'),
    {
      air: (a, b) => (a.moving || b.moving ? moving : still),
      most: Math.max(still, moving),
      // Lens against rods is a check of its own.
      wanted: (a, b) => !(a.role === 'rod' && onAxis(b)) && !(b.role === 'rod' && onAxis(a)),
    },
  );
}

function judgePair(stand: Stand, n: Near): Verdict {
  const { a, b, meets, wants: limit } = n;
  const moves = a.moving || b.moving;
  const [p, r] = [pieceOf(stand, a), pieceOf(stand, b)];
  const [x, y] = [nameOf(stand, a), nameOf(stand, b)];
  const name = x[0]!.toUpperCase() + x.slice(1);
  const rule = meets ? null : moves ? ('space.air-moving' as const) : ('space.air' as const);
  return judge({
    id: 'space.pair',
    key: pairKey(a, b),
    pieces: [a.piece, b.piece],
    about: [...new Set([p.part, r.part])],
    station: (Math.max(a.extent[2], b.extent[2]) + Math.min(a.extent[5], b.extent[5])) / 2,
    ...pairMargin(stand, n, limit),
    wanted: limit,
    unit: 'mm',
    limit: { value: limit, unit: 'mm', rule },
    assumed: p.assumed ?? r.assumed,
    why: (o) =>
      o.value < 0
        ? `${name} and ${y} would have to stand in the same place, ${sayLength(-o.value)} deep.`
        : `${name} stands ${sayLength(o.value)} from ${y}${o.value >= limit ? (o.state === 'tight' ? `; inside the tolerances ${sayLength(Math.max(0, o.lo))}` : '') : `; ${sayLength(limit)} of air are wanted`}.`,
    sum: (o) =>
      `distance of the two solids ${sayLength(o.value, 2)} (${exact(o.lo, 1)} to ${exact(o.hi, 1)}); wanted ${exact(limit, 1)}`,
    lacking: (missing) => `Whether ${x} clears ${y} is not known: ${missing} missing.`,
    basis: rule ? ruleBasis(rule) : '[math]',
  });
}

export const spacePair: Check = {
  id: 'space.pair',
  // Nor what nobody knows of many.
  tried: (v) => v.key !== 'space.pair' && v.key !== 'space.pair:unknown',
  title: 'Parts against each other',
  short: 'foul each other',
  says: 'Whether any two parts that are not meant to go into each other come too near each other, or would have to stand in the same place, and by how much.',
  formula: 'shortest distance of the two solids; below 0 the depth of their overlap',
  run(built) {
    const stand = standOf(built);
    if (!stand.standing) return [];
    const pairs = pairsOf(built);
    const blind = blindPieces(stand);
    const missing = [...new Set(blind.flatMap((p) => p.missing))];
    const sought = unsettledDrives(stand);
    // A pair that is ok is not ok where one of the two has a size or a place that nobody knows.
    const sure = (key: string) =>
      stand.pieces.find((p) => p.key === key)?.missing.length === 0 &&
      sought.every((d) => d.key !== key);
    const out: Verdict[] = [
      ...pairVerdicts(built)
        .filter(
          ({ near, verdict }) =>
            verdict.state !== 'ok' || (sure(near.a.piece) && sure(near.b.piece)),
        )
        .map(({ near, verdict }) =>
          verdict.state === 'tight' && !(sure(near.a.piece) && sure(near.b.piece))
            ? notKnown(stand, near, verdict, missing)
            : verdict,
        ),
      ...cages(built),
    ];
    if (blind.length > 0) {
      const names = [...new Set(blind.map((p) => p.name))];
      out.push(
        plainVerdict({
          id: 'space.pair',
          key: 'space.pair:unknown',
          about: [...new Set([...blind.map((p) => p.part), ...sought.map((d) => d.part.id)])],
          state: 'unknown',
          why: `What ${names.length > MOST_NAMED ? `${inWords(names.slice(0, MOST_NAMED))} and ${names.length - MOST_NAMED} more` : inWords(names)} ${names.length > 1 ? 'clear' : 'clears'} is not known: ${missing.length} ${missing.length > 1 ? 'numbers are' : 'number is'} missing.${sought.length > 0 ? ` Where ${inWords([...new Set(sought.map((d) => d.part.name))])} would go hangs on it.` : ''}`,
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
            ? `Nothing fouls: nearest to each other are ${nameOf(stand, n.a)} and ${nameOf(stand, n.b)}, ${sayLength(n.d)} apart.`
            : 'Nothing fouls: no two parts come near each other.',
          sum: `${stand.solids.length} solids, ${pairs.tested} pairs measured`,
          basis: ruleBasis('space.air'),
        }),
      ];
    }
    return out;
  },
};

/** A pair that is near where its numbers are known: where they are not it can be nearer still. */
function notKnown(
  stand: Stand,
  { a, b }: Near,
  verdict: Verdict,
  elsewhere: readonly Given[],
): Verdict {
  const own = [...new Set([a, b].flatMap((s) => pieceOf(stand, s).missing))];
  const missing = own.length > 0 ? own : elsewhere;
  return {
    ...said(verdict),
    state: 'unknown',
    margin: null,
    why: `Whether ${nameOf(stand, a)} clears ${nameOf(stand, b)} is not known: ${missing.length > 3 ? `${missing.length} numbers are` : inWords(missing.map((g) => g.label))} missing.`,
    measure: lacking(missing),
  };
}

/** Whether a cage goes around this body: by its own room inside, or because it is made for it. */
function cages({ body, rig, kit }: Built): Verdict[] {
  if (!body) return [];
  return (rig.fitted ?? []).flatMap((u): Verdict[] => {
    const cage = kit.get(u.part);
    if (!isFitting(cage) || cage.kind !== 'cage') return [];
    // With room of its own the pair of solids speaks.
    const missing = (['innerWidth', 'innerHeight'] as const).filter((k) => cage[k] === undefined);
    if (missing.length === 0 || cage.madeFor?.includes(body.id)) return [];
    const others = (cage.madeFor ?? []).map((id) => kit.get(id)?.name ?? id);
    return [
      plainVerdict({
        id: 'space.pair',
        key: `space.pair:around:${u.id}`,
        pieces: [pieceKey('fitted', u.id)],
        about: [cage.id, body.id],
        state: 'unknown',
        why: `Whether ${cage.name} goes around ${body.name} is not known: ${others.length > 0 ? `it is made for ${inWords(others)}, and ` : ''}its room inside is not given.`,
        sum: 'No sum.',
        basis: '[math]',
        measure: lacking(missing.map((k) => given(cage, k))),
      }),
    ];
  });
}
