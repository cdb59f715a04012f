import { given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { at as sumAt, type Lin } from '../../../build/lin';
import { node } from '../../../engine/reads';
import { FACES } from '../../../engine/field';
import type { Face } from '../../../engine/part';
import type { Lead } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { sayLength } from '../../../quantity/say';
import type { Piece } from '../../../place/setting';
import type { Bounds, Vec } from '../../../solids/solid';
import { standOf } from '../../../stand/stand';
import { OUT, poseOf, turnedBy } from '../../joints/place/pose';
import { roomsOf, type Block } from './lay';
import { laidOn, layingOrder } from './lines';
import { BENDS, THICKNESS } from './run';

/** Left over by more than this it has to be coiled, mm. Common practice, no source. */
export const COILED = 150;

/** Inside radius of a coil in thicknesses of its lead, as of any bend of it. Common practice, no source. */
const RADIUS = 4;
/** As much of a bundle is lead, the rest is air: it is wound by hand. Common practice, no source. */
const FULL = 0.5;

/** What is left over of a lead, wound up. mm, and cm3 of the box that it goes into. */
export interface Coil {
  /** How much of the lead is in it. */
  over: number;
  across: number;
  thick: number;
  volume: number;
}

/**
 * The smallest ring that a piece of lead is wound into: turns of `2 pi (4 d + d / 2)`, in a round bundle
 * of `d sqrt(turns / 0.5)`.
 *
 * @param over how much of it, mm
 * @param width how thick the lead is, mm
 */
export function coilOf(over: number, width: number): Coil {
  const mean = (2 * RADIUS + 1) * width;
  const turns = Math.max(1, Math.ceil(over / (Math.PI * mean) - 1e-9));
  const thick = turns === 1 ? width : width * Math.sqrt(turns / FULL);
  const across = mean + thick;
  return { over, across, thick, volume: (across * across * thick) / 1000 };
}

/** Where a coil is put. */
export interface Bay {
  coil: Coil;
  /** The face, as it is called; null where none of them has room for it. */
  name: string | null;
  /** The box of the coil. */
  box: Bounds | null;
}

/** What may carry a coil. No hand is there, no screen, and it is not changed during the day. */
const CARRIES: ReadonlySet<string> = new Set([
  'body',
  'cage',
  'battery-plate',
  'bracket',
  'recorder',
  'converter',
  'counterweight',
  'rail',
  'dovetail',
  'arm',
]);

/**
 * Where what is left over of each lead can be put, by the key of its line, those that are laid first choosing first: the face
 * that is nearest to its way, is as large as the ring, and has nothing in front of it as deep as that,
 * nothing that swings either. Ahead of the lens there is none, and the body only where nothing else has room.
 */
export function baysOn(built: Built): ReadonlyMap<string, Bay> {
  return built.once(BAYS);
}

const BAYS = node('what is left over of leads', (built: Built): ReadonlyMap<string, Bay> => {
  const bays = new Map<string, Bay>();
  const taken: Bounds[] = [];
  const ways = new Map(laidOn(built).map((l) => [l.line, l]));
  for (const line of layingOrder(built)) {
    const run = ways.get(line)?.run;
    const laid = run && run.missing.length === 0 && !run.sockets.some((s) => s.open) && run.laid();
    const over = laid && line.lead ? overOf(line.lead, laid.length) : 0;
    if (!laid || !line.lead || line.lead.coiled === true || over <= COILED) continue;
    const coil = coilOf(over, given(line.lead, 'width').known?.value ?? THICKNESS.value);
    const place = placeOf(built, coil, laid.points, taken);
    if (place) taken.push(place.box);
    bays.set(line.key, { coil, name: place?.name ?? null, box: place?.box ?? null });
  }
  return bays;
});

/** What is left over of a lead that lies so far, mm: its bends are taken off as they are for its length. */
export const overOf = (lead: Lead, way: number): number =>
  (valueOf(lead.length) ?? 0) - way - BENDS * THICKNESS.value;

const frontOf = (p: Piece) => Math.max(...p.solids.map((s) => s.extent[5]));

interface Place {
  name: string;
  box: Bounds;
}

function placeOf(
  built: Built,
  coil: Coil,
  way: readonly Vec[],
  taken: readonly Bounds[],
): Place | null {
  const stand = standOf(built);
  const blocks = roomsOf(stand);
  const front = Math.max(
    ...stand.pieces.filter((p) => p.kind === 'lens').map((p) => frontOf(p)),
    -Infinity,
  );
  const swept = new Set(blocks.flatMap((b) => (b.swept ? [b.piece] : [])));
  let best: (Place & { rank: number }) | null = null;
  for (const piece of stand.pieces) {
    if (!CARRIES.has(piece.kind) || piece.missing.length > 0 || swept.has(piece.key)) continue;
    for (const [face, side] of FACES)
      for (const spot of spotsOn(piece, face, coil)) {
        const rank = (piece.kind === 'body' ? 1e6 : 0) + offOf(spot.middle, way);
        if (best && best.rank <= rank) continue;
        if (Number.isFinite(front) && spot.box[5] > front) continue;
        if (!clear(spot.box, piece.key, blocks) || taken.some((t) => meet(t, spot.box))) continue;
        best = { name: `${piece.name}, ${side}`, box: spot.box, rank };
      }
  }
  return best;
}

const nominal = (l: Lin) => sumAt(l, (g) => g.known?.value ?? 0);

/** In the middle of a face and at its corners. */
const SPOTS = [
  [0, 0],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;

/** Where on a face a coil lies flat, as boxes that hold it; none where the face is smaller than the coil. */
function spotsOn(
  piece: Piece,
  face: Face,
  { across, thick }: Coil,
): { middle: Vec; box: Bounds }[] {
  const pose = poseOf(piece);
  if (!pose) return [];
  const own = OUT[face];
  const half = pose.half.map(nominal);
  const middle = pose.middle.map(nominal);
  const n = own.findIndex((o) => o !== 0);
  const [u, v] = [0, 1, 2].filter((k) => k !== n) as [number, number];
  const [ru, rv] = [half[u]! - across / 2, half[v]! - across / 2];
  if (ru < 0 || rv < 0) return [];
  return SPOTS.map(([su, sv]) => {
    const p = [0, 0, 0];
    p[n] = own[n as 0] * (half[n]! + thick / 2);
    p[u] = su * ru;
    p[v] = sv * rv;
    const at = turnedBy(pose.axes, p as unknown as Vec).map((x, k) => x + middle[k]!);
    const size = [across / 2, across / 2, across / 2];
    size[n] = thick / 2;
    // As far as a box that is turned reaches along each axis of the rig.
    const reach = [0, 1, 2].map((w) =>
      size.reduce((sum, s, j) => sum + s * Math.abs(pose.axes[j as 0][w as 0]), 0),
    );
    return {
      middle: at as unknown as Vec,
      box: [
        ...at.map((x, k) => x - reach[k]!),
        ...at.map((x, k) => x + reach[k]!),
      ] as unknown as Bounds,
    };
  });
}

/** How far a place is from the bends of a way, mm. */
const offOf = (p: Vec, way: readonly Vec[]): number =>
  Math.min(...way.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])));

const meet = (a: Bounds, b: Bounds) =>
  [0, 1, 2].every((k) => a[k as 0] < b[(k + 3) as 3] && b[k as 0] < a[(k + 3) as 3]);

const clear = (box: Bounds, piece: string, blocks: readonly Block[]) =>
  blocks.every((b) => b.piece === piece || !meet(b.e, box));

/** `about 420 mm left over: a ring 61 mm across and 16 mm thick (58 cm3), which has room on Sill Cage, camera left`. */
export function sayBay({ coil, name }: Bay): string {
  const ring = `a ring ${sayLength(coil.across, 0)} across and ${sayLength(coil.thick, 0)} thick (${Math.ceil(coil.volume)} cm3)`;
  return `about ${sayLength(coil.over, 0)} left over: ${ring}, ${name === null ? 'for which no face of the rig has room' : `which has room on ${name}`}`;
}
