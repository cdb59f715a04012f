import { constant } from '../../../build/given';
import { fittedOn } from '../../../place/fitted';
import { lin, of, plus, times, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import type { HoldKind } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import type { Faces, Piece } from '../../../place/setting';
import { union } from '../../../solids/solid';
import { standOf } from '../../../stand/stand';

/** What each way of holding a rig is called, and where it takes hold. */
export const HOLDS: Readonly<
  Record<HoldKind, { name: string; grip: 'below' | 'above' | 'middle' | 'none'; by: string }>
> = {
  head: { name: 'on a tripod head', grip: 'below', by: 'the head' },
  shoulder: { name: 'on a shoulder', grip: 'below', by: 'the shoulder' },
  handle: { name: 'by its handle', grip: 'above', by: 'the hand' },
  hook: { name: 'on a hook', grip: 'above', by: 'the hook' },
  'two-grips': { name: 'by two grips', grip: 'middle', by: 'the hands' },
  'one-grip': { name: 'by one grip', grip: 'middle', by: 'the hand' },
  hugged: { name: 'hugged', grip: 'below', by: 'the hands and chest' },
  hip: { name: 'on hip or belt', grip: 'below', by: 'the belt' },
  gimbal: { name: 'in a gimbal', grip: 'below', by: 'the plate of the gimbal' },
  monopod: { name: 'on a monopod', grip: 'below', by: 'the monopod' },
  table: { name: 'set down', grip: 'none', by: 'what it stands on' },
  vehicle: { name: 'on a vehicle', grip: 'below', by: 'the mount' },
};

export const HOLD_KINDS = Object.keys(HOLDS) as HoldKind[];

/** Ways in which the rig swings under what holds it. */
export const HANGS: ReadonlySet<HoldKind> = new Set(['handle', 'hook']);
/** Ways in which it stands on a place that has to be under its weight. */
export const STANDS_ON: ReadonlySet<HoldKind> = new Set([
  'head',
  'shoulder',
  'gimbal',
  'monopod',
  'hip',
  'hugged',
  'vehicle',
]);

/** Ways in which a hand is closed about a part of the rig. */
export const IN_HAND: ReadonlySet<HoldKind> = new Set(['handle', 'one-grip', 'two-grips']);

/** One of the three directions of the rig as gravity has it. */
export interface Way {
  k: 0 | 1 | 2;
  sign: 1 | -1;
}

/** Up, to the right and forwards, by the axes of the frame of reference: a camera may lie on its side. */
export function waysOf(upright: 'left' | 'right' | undefined): { up: Way; side: Way; fore: Way } {
  const fore: Way = { k: 2, sign: 1 };
  // Its left on top: left is up, what was up is at the right.
  if (upright === 'left') return { up: { k: 0, sign: -1 }, side: { k: 1, sign: 1 }, fore };
  if (upright === 'right') return { up: { k: 0, sign: 1 }, side: { k: 1, sign: -1 }, fore };
  return { up: { k: 1, sign: 1 }, side: { k: 0, sign: 1 }, fore };
}

/** A coordinate along one of them. */
export const along = (at: readonly [Lin, Lin, Lin], w: Way): Lin =>
  w.sign === 1 ? at[w.k] : times(at[w.k], -1);

/** Where the rig is held. */
export interface Hold {
  kind: HoldKind;
  /** In the frame of reference, mm. */
  at: readonly [Lin, Lin, Lin];
  /** The piece that is held or stands on what carries it; null for what is not on the rig. */
  piece: Piece | null;
  /** All that is held: a grip for each hand. */
  pieces: readonly Piece[];
  /** How far the place may be moved along the rig, mm each way from the middle; 0 where it may not. */
  reach: number;
  /** What stands in for something that nobody said. */
  assumed: string | null;
}

/** The hold of the rig; null while nobody said how it is carried. */
export function holdOf(built: Built): Hold | null {
  return built.once(HOLD);
}

const HOLD = node('hold', (built: Built): Hold | null => {
  const kind = built.rig.carry?.by;
  return kind === undefined ? null : holdAs(built, kind);
});

/** Where it would be held in one of the ways. */
export function holdAs(built: Built, kind: HoldKind): Hold {
  const { rig } = built;
  const { grip } = HOLDS[kind];
  const list = piecesHeld(built, kind);
  const { x = 0, z = 0 } = rig.carry ?? {};
  const where = list.map((p) => p.piece).filter((p) => p !== null);
  if (where.length === 0) {
    const nobody = of(
      constant(`${HELD_BY[OWN[kind] ?? ''] ?? 'something to hold it by'} on the rig`, 'mm', null),
    );
    return { kind, at: [nobody, nobody, nobody], piece: null, pieces: [], reach: 0, assumed: null };
  }
  const { up, side } = waysOf(rig.upright);
  const boxes = where.map(facesOf);
  const mid = (f: Faces, k: 0 | 1 | 2) => times(plus(...endsOf(f, k)), 0.5);
  const at = ([0, 1, 2] as const).map((k): Lin => {
    const middles = boxes.map((f) => mid(f, k));
    const m = times(plus(...middles), 1 / middles.length);
    if (k === up.k && grip !== 'middle') {
      const high = (grip === 'above') === (up.sign === 1);
      return endsOf(boxes[0]!, k)[high ? 1 : 0];
    }
    if (k === side.k) return plus(m, lin(x * side.sign));
    return k === 2 ? plus(m, lin(z)) : m;
  }) as unknown as readonly [Lin, Lin, Lin];
  const e = where[0]!.solids.map((s) => s.extent).reduce(union);
  // Across, a hold is in the middle of what is held; along it nobody knows until it is said.
  const said = rig.carry?.z !== undefined;
  return {
    kind,
    at,
    piece: where[0]!,
    pieces: where,
    reach: Math.max(0, (e[5] - e[2]) / 2),
    assumed: said
      ? null
      : `Taken as held at the middle of ${where.map((p) => p.name).join(' and ')}: nobody said where.`,
  };
}

/** What is held, or stands on what carries it. */
function piecesHeld(built: Built, kind: HoldKind): { piece: Piece | null }[] {
  const { rig } = built;
  const { pieces } = standOf(built);
  const find = (key: string) => pieces.find((p) => p.key === key) ?? null;
  const named = rig.hold === undefined ? null : find(pieceKey('fitted', rig.hold));
  if (kind === 'two-grips') {
    const grips = pieces.filter((p) => p.kind === 'grip').sort((a, b) => (a.key < b.key ? -1 : 1));
    if (grips.length >= 2) return grips.slice(0, 2).map((piece) => ({ piece }));
  }
  if (named && matches(kind, named.kind)) return [{ piece: named }];
  const wanted = OWN[kind];
  if (wanted) {
    const own = pieces.filter((p) => p.kind === wanted).sort((a, b) => (a.key < b.key ? -1 : 1))[0];
    return [{ piece: own ?? null }];
  }
  return [{ piece: lowest(built, pieces) ?? find(pieceKey('body')) }];
}

/** What is taken hold of, where one thing does: nothing else will do then. */
const OWN: Partial<Record<HoldKind, string>> = {
  handle: 'handle',
  hook: 'handle',
  shoulder: 'shoulder-pad',
  'one-grip': 'grip',
  'two-grips': 'grip',
};

const HELD_BY: Readonly<Record<string, string>> = {
  handle: 'a handle',
  'shoulder-pad': 'a shoulder pad',
  grip: 'a grip',
};

/** A hook takes anything; what stands on something does not stand on its handle. */
const matches = (kind: HoldKind, of: string) =>
  kind === 'hook' || (OWN[kind] === undefined ? !GRIPPED.has(of) : OWN[kind] === of);

const GRIPPED: ReadonlySet<string> = new Set(Object.values(OWN));

/** What all stands on: the lowest of what is fitted under it, else the plate. */
function lowest(built: Built, pieces: readonly Piece[]): Piece | null {
  const fitted = new Map(fittedOn(built).map((u) => [pieceKey('fitted', u.id), u]));
  const under = pieces.filter((p) => {
    const on = fitted.get(p.key)?.on;
    return on === 'under' || (on === 'bottom' && fitted.get(p.key)!.to === undefined);
  });
  const bottom = (p: Piece) => Math.min(...p.solids.map((s) => s.extent[1]));
  const last = under.reduce<Piece | null>((a, p) => (a && bottom(a) <= bottom(p) ? a : p), null);
  return last ?? pieces.find((p) => p.key === pieceKey('plate')) ?? null;
}

export const endsOf = (f: Faces, k: 0 | 1 | 2): readonly [Lin, Lin] =>
  k === 0 ? [f.x0, f.x1] : k === 1 ? [f.y0, f.y1] : [f.z0, f.z1];

/** Six faces of a piece: its own, those of its largest solid, else its extent as it is drawn. */
export function facesOf(piece: Piece): Faces {
  if (piece.faces) return piece.faces;
  const still = piece.solids.filter((s) => !s.moving);
  const solids = still.length > 0 ? still : piece.solids;
  const only = solids.length === 1 ? solids[0]!.faces : null;
  if (only) return only;
  const e = solids.map((s) => s.extent).reduce(union);
  const missing = solids.flatMap((s) => s.inputs.filter((g) => g.known === null));
  const tol = Math.max(0, ...solids.filter((s) => s.known).map((s) => s.loose));
  const at = (v: number) =>
    plus(
      lin(v),
      ...missing.map((g) => of(g, 0)),
      of(
        constant(`where ${piece.name} stands`, 'mm', {
          value: 0,
          tol,
          from: 'guess',
          lo: -tol,
          hi: tol,
        }),
      ),
    );
  return { x0: at(e[0]), y0: at(e[1]), z0: at(e[2]), x1: at(e[3]), y1: at(e[4]), z1: at(e[5]) };
}

/** How far a place may be off: without bound where a number of it is missing, also one that cancels. */
export const doubtOf = (l: Lin): number =>
  l.terms.some((t) => t.g.known === null) ? Infinity : l.loose;
