import type { Built } from '../../../build/build';
import { framingSqueeze } from '../../../build/circle';
import type { Front, FrontEdge } from '../../../build/front';
import { frameOnChip, type Rectangle } from '../../../optics/coverage';
import { clearance, emptyStack, stackOf, walkOf, type Stack } from '../../../pupil/aperture';
import {
  farthestStation,
  largestFrame,
  smallestOpening,
  type Direction,
} from '../../../pupil/inverse';
import { BLACK, lossOf, seen, shadingMap, stacks, type Scene, type Seen } from '../../../pupil/map';
import type { FalloffRow, Frame } from '../../../kit/types';
import { chiefRay, fraction } from '../../../pupil/region';
import { situations, type Situation } from './situations';

/** Corners of a rectangle in the picture, in the order in which they are read. */
export const CORNERS = ['top left', 'top right', 'bottom left', 'bottom right'] as const;

/** A rectangle of the chip that is judged: a delivery frame, or the whole chip. */
export interface Judged {
  id: string;
  name: string;
  frame: Frame | null;
  rectangle: (mode: { w: number; h: number }) => Rectangle;
}

/** Every delivery frame, then the chip. */
export function judgedFrames(built: Pick<Built, 'frames' | 'squeeze'>): Judged[] {
  const s = framingSqueeze(built);
  return [
    ...built.frames.map((frame) => ({
      id: frame.id,
      name: frame.name,
      frame,
      rectangle: (mode: { w: number; h: number }) => frameOnChip(frame, mode, s),
    })),
    {
      id: 'chip',
      name: 'chip',
      frame: null,
      rectangle: (mode: { w: number; h: number }) => ({ ...mode, x: 0, y: 0 }),
    },
  ];
}

/** Ray directions of the four corners, in the order of {@link CORNERS}. */
export function cornerDirections(
  sit: Situation,
  x: readonly number[],
  r: Rectangle,
): [Direction, Direction, Direction, Direction] {
  const left = r.x - r.w / 2;
  const right = r.x + r.w / 2;
  const top = r.y + r.h / 2;
  const bottom = r.y - r.h / 2;
  return [
    sit.direction(x, left, top),
    sit.direction(x, right, top),
    sit.direction(x, left, bottom),
    sit.direction(x, right, bottom),
  ];
}

type Corners = ReturnType<typeof cornerDirections>;

/**
 * {@link cornerDirections} of a rectangle as a function of the inputs of a situation. Those of the
 * front leave the corners where they are: while only they move, the same ones come back.
 */
export function cornersOf(sit: Situation, judged: Judged): (x: readonly number[]) => Corners {
  const from = sit.frontInputs;
  const before: number[] = [];
  let last: Corners | null = null;
  return (x) => {
    let same = last !== null;
    for (let i = from; i < x.length; i++)
      if (before[i - from] !== x[i]) {
        before[i - from] = x[i]!;
        same = false;
      }
    if (!same) last = cornerDirections(sit, x, judged.rectangle(sit.mode(x)));
    return last!;
  };
}

/** What the corners of a rectangle see at one setting of the lens. */
export interface Look {
  situation: Situation;
  x: readonly number[];
  scene: Scene;
  directions: readonly Direction[];
  corners: Seen[];
  /** Index of the corner that loses most. */
  worst: number;
  loss: number;
  hard: boolean;
  /** Least room to any edge, mm in its plane, and which edge; below 0 it is touched. */
  room: number;
  roomEdge: number | null;
}

export function lookAt(sit: Situation, judged: Judged, x: readonly number[]): Look {
  const scene = sit.scene(x);
  const of = stacks(scene);
  const directions = cornerDirections(sit, x, judged.rectangle(sit.mode(x)));
  const corners = directions.map((t) => seen(of(t.tx, t.ty), t.tx, t.ty));
  let worst = 0;
  let room = Infinity;
  let roomEdge: number | null = null;
  corners.forEach((c, i) => {
    if (c.fraction < corners[worst]!.fraction) worst = i;
  });
  scene.apertures.forEach((ap, i) => {
    for (const t of directions) {
      const r = clearance(ap, scene.pupil, scene.distance, t.tx, t.ty);
      if (r < room) {
        room = r;
        roomEdge = i;
      }
    }
  });
  return {
    situation: sit,
    x,
    scene,
    directions,
    corners,
    worst,
    loss: corners[worst]!.loss,
    hard: corners.some((c) => c.hard),
    room,
    roomEdge,
  };
}

/** What tolerances are carried through at one setting, many times over: as little as decides. */
export interface Near {
  /** Edges of the front that can touch a beam inside the tolerances, by index. */
  edges: readonly number[];
  /** Inputs that these edges, the lens and the chip rest on, by index. */
  inputs: readonly number[];
}

/**
 * The edges that can come to touch a beam inside all the tolerances, with the inputs that move
 * them. An edge whose room is larger than everything could add up to is left out: no draw of the
 * tolerances can bring it in, so it takes nothing in any of them.
 */
export function nearOf(front: Front, look: Look): Near {
  const { situation: sit, scene } = look;
  const edges: number[] = [];
  const inputs = new Set<number>();
  scene.apertures.forEach((ap, i) => {
    const dz = Math.abs(ap.z - scene.pupil.z);
    const own = front.edges[i]!.needs.reduce((sum, n) => sum + (sit.inputs[n]!.known?.tol ?? 0), 0);
    const close = look.directions.some((t) => {
      const slope = Math.hypot(t.tx, t.ty);
      const doubt =
        own * (1 + slope) +
        sit.doubt.shift * (slope + scene.pupil.r / scene.distance) +
        sit.doubt.aim * dz * slope +
        sit.doubt.beam * scene.pupil.r;
      // Half as much again over the first order, for what errors do to each other.
      return clearance(ap, scene.pupil, scene.distance, t.tx, t.ty) <= 1.5 * doubt + 0.1;
    });
    if (!close) return;
    edges.push(i);
    for (const n of front.edges[i]!.needs) inputs.add(n);
  });
  for (let i = sit.frontInputs; i < sit.inputs.length; i++) inputs.add(i);
  return { edges, inputs: [...inputs].sort((a, b) => a - b) };
}

/** Used again and again by the tolerance runs, so that they allocate nothing. */
const ROOM = 256;
const scratch = emptyStack(ROOM);

/** Laid flat for one ray direction; the scratch stack is good until the next one. */
function laid({ apertures, pupil, distance }: Scene, t: Direction): Stack {
  return stackOf(
    apertures,
    pupil,
    distance,
    apertures.length * 4 <= ROOM ? scratch : undefined,
    walkOf(pupil, t.tx, t.ty),
  );
}

/** Least room between the beam of a ray direction and any edge, mm in the plane of the edge. */
function roomOf({ apertures, pupil, distance }: Scene, t: Direction): number {
  let room = Infinity;
  for (const ap of apertures) {
    const r = clearance(ap, pupil, distance, t.tx, t.ty);
    if (r < room) room = r;
  }
  return room;
}

/** Share of the pupil left in the worst corner, and whether a chief ray is blocked. */
export function worstCorner(
  sit: Situation,
  corners: readonly Direction[],
  x: readonly number[],
  only?: readonly number[],
): { loss: number; hard: boolean } {
  const scene = sit.scene(x, only);
  let least = 1;
  let hard = false;
  let st: Stack | null = null;
  for (const t of corners) {
    // A beam that nothing touches loses nothing.
    if (roomOf(scene, t) >= 0) continue;
    if (!st || scene.pupil.walk) st = laid(scene, t);
    const f = fraction(st, t.tx, t.ty);
    if (f < least) least = f;
    // A blocked chief ray costs half the pupil at least.
    hard ||= f <= 0.5 && !chiefRay(st, t.tx, t.ty);
  }
  return { loss: lossOf(least), hard };
}

/** A millimetre of room counts as this many stops, where loss itself is flat. */
const ROOM_COUNTS = 1e-4;

/**
 * Loss of the worst corner that goes on where loss stops: below nothing by the room that is left,
 * beyond black by how deep it is. Says which way an input pushes.
 */
export function pressure(
  sit: Situation,
  corners: readonly Direction[],
  x: readonly number[],
  only: readonly number[],
): number {
  const scene = sit.scene(x, only);
  let room = Infinity;
  let least = 1;
  let st: Stack | null = null;
  for (const t of corners) {
    const r = roomOf(scene, t);
    if (r < room) room = r;
    if (r >= 0) continue;
    if (!st || scene.pupil.walk) st = laid(scene, t);
    const f = fraction(st, t.tx, t.ty);
    if (f < least) least = f;
  }
  if (room >= 0) return -room * ROOM_COUNTS;
  const loss = lossOf(least);
  return loss < BLACK ? loss : BLACK - room * ROOM_COUNTS;
}

/** Nominal inputs of a situation; null when one is missing. */
export function nominal(sit: Situation): number[] | null {
  const x: number[] = [];
  for (const g of sit.inputs) {
    if (!g.known) return null;
    x.push(g.known.value);
  }
  return x;
}

/** Looks at a rectangle at every setting, worst first; empty when a number is missing. */
export function looks(
  built: Built,
  judged: Judged,
  list: readonly Situation[] = situations(built),
): Look[] {
  const all: Look[] = [];
  for (const sit of list) {
    const x = nominal(sit);
    if (x) all.push(lookAt(sit, judged, x));
  }
  return all.sort((a, b) => b.loss - a.loss || a.room - b.room);
}

/** What a culprit would have to do, at one setting, to stay within a limit of loss. */
export interface Way {
  edge: FrontEdge;
  /** Smallest clear width or diameter that does it, and its size now; null if none does. */
  opening: { needed: number; now: number } | null;
  /** How far it would have to come back towards the lens, mm; null if that does not do it. */
  back: number | null;
}

export function wayOut(front: Front, look: Look, edge: number, limit: number): Way {
  const { scene, directions } = look;
  const ap = scene.apertures[edge]!;
  const factor = smallestOpening(scene, edge, directions, limit);
  const now =
    ap.kind === 'circle' ? ap.r * 2 : ap.kind === 'rectangle' ? bindingSide(look, edge) : 0;
  const z = farthestStation(scene, edge, directions, limit);
  return {
    edge: front.edges[edge]!,
    opening: factor === null || ap.kind === 'edge' ? null : { needed: now * factor, now },
    back: z === null || z >= ap.z ? null : ap.z - z,
  };
}

/** The side of a rectangle that is in the way: its width or its height, mm. */
export function bindingSide(look: Look, edge: number): number {
  const ap = look.scene.apertures[edge]!;
  if (ap.kind !== 'rectangle') return 0;
  const t = look.directions[look.worst]!;
  const dz = ap.z - look.scene.pupil.z;
  const across = ap.hw - Math.abs(t.tx * dz - ap.cx);
  const up = ap.hh - Math.abs(t.ty * dz - ap.cy);
  return 2 * (across < up ? ap.hw : ap.hh);
}

/** Largest scale of a frame whose corners stay within a loss, over every setting; null if unknown. */
export function cleanScale(built: Built, frame: Frame, limit: number): number | null {
  const s = framingSqueeze(built);
  let least = frame.scale ?? 1;
  for (const sit of situations(built)) {
    const x = nominal(sit);
    if (!x) return null;
    const mode = sit.mode(x);
    least = Math.min(
      least,
      largestFrame(
        sit.scene(x),
        (u) =>
          cornerDirections(sit, x, frameOnChip({ ...frame, scale: Math.max(1e-6, u) }, mode, s)),
        limit,
        least,
      ),
    );
  }
  return least;
}

export type Layer = 'mechanical' | 'natural' | 'reducer';
export const LAYERS: readonly Layer[] = ['mechanical', 'natural', 'reducer'];

/** Shading over the whole chip at one setting, in stops, row 0 at the bottom of the picture. */
export interface ChipShading {
  nx: number;
  ny: number;
  /** Size of the chip, mm. */
  w: number;
  h: number;
  mechanical: Float64Array;
  natural: Float64Array;
  /** Null when a reducer is on and says nothing of its own shading. */
  reducer: Float64Array | null;
  hard: Uint8Array;
  /** Index into the edges of the front, -1 where nothing takes anything. */
  culprit: Int16Array;
  /** Where the natural falloff comes from. */
  naturalFrom: 'table' | 'estimate';
}

/** Loss by image height, linear between the lines of a table; the last line holds beyond it. */
function curveOf(rows: readonly FalloffRow[]): (height: number) => number {
  const lines = [...rows].sort((a, b) => a.height - b.height);
  return (height) => {
    let h0 = 0;
    let s0 = 0;
    for (const r of lines) {
      if (height <= r.height)
        return r.height === h0 ? r.stops : s0 + ((r.stops - s0) * (height - h0)) / (r.height - h0);
      h0 = r.height;
      s0 = r.stops;
    }
    return s0;
  };
}

/** A falloff table at a focal length: linear between the lengths it is given for. */
function tableAt(rows: readonly FalloffRow[], focal: number | null): (height: number) => number {
  const focals = [...new Set(rows.map((r) => r.focal))];
  if (focals.includes(undefined) || focal === null)
    return curveOf(rows.filter((r) => r.focal === focals[0]));
  const sorted = focals.filter((f): f is number => f !== undefined).sort((a, b) => a - b);
  const lo = [...sorted].reverse().find((f) => f <= focal) ?? sorted[0]!;
  const hi = sorted.find((f) => f >= focal) ?? sorted[sorted.length - 1]!;
  const a = curveOf(rows.filter((r) => r.focal === lo));
  if (lo === hi) return a;
  const b = curveOf(rows.filter((r) => r.focal === hi));
  const t = (focal - lo) / (hi - lo);
  return (height) => a(height) + (b(height) - a(height)) * t;
}

/**
 * Natural falloff of a ray direction: the fourth power of the cosine, in stops. An estimate: many
 * lenses are better. Source: the cos^4 law of illumination.
 */
export function naturalLoss(t: Direction): number {
  return 2 * Math.log2(1 + t.tx * t.tx + t.ty * t.ty);
}

/** What lens and reducer lose by themselves at a point of the chip, mm from its centre. */
export type SoftLosses = (px: number, py: number) => { natural: number; reducer: number | null };

/**
 * Shading that does not come from what stands in front, at one setting: the falloff of the lens
 * (its own table, or the estimate) and that of its reducers; null where one says nothing of it.
 */
export function softLosses(built: Built, sit: Situation, x: readonly number[]): SoftLosses {
  let m = 1;
  for (const g of built.magnifications) m *= g.known?.value ?? 1;
  const rows = built.lens?.falloff;
  const own = rows?.length ? tableAt(rows, sit.setting.focal) : null;
  const says = built.reducers.every((r) => r.falloff?.length);
  const reducers = says ? built.reducers.map((r) => tableAt(r.falloff!, null)) : null;
  return (px, py) => {
    const height = Math.hypot(px, py);
    return {
      natural: own ? own(height / m) : naturalLoss(sit.direction(x, px, py)),
      reducer: reducers ? reducers.reduce((sum, at) => sum + at(height), 0) : null,
    };
  };
}

/** Shading of the whole chip at a setting; null when a number is missing. */
export function chipShading(
  built: Built,
  sit: Situation,
  nx: number,
  ny: number,
): ChipShading | null {
  const x = nominal(sit);
  if (!x) return null;
  const { w, h } = sit.mode(x);
  const a = sit.direction(x, -w / 2, -h / 2);
  const b = sit.direction(x, w / 2, h / 2);
  const map = shadingMap(
    sit.scene(x),
    { nx, ny, left: a.tx, right: b.tx, bottom: a.ty, top: b.ty },
    { culprits: true },
  );
  const n = nx * ny;
  const mechanical = new Float64Array(n);
  const natural = new Float64Array(n);
  const losses = softLosses(built, sit, x);
  const reducer = built.reducers.every((r) => r.falloff?.length) ? new Float64Array(n) : null;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const f = map.fraction[k]!;
      mechanical[k] = f >= 1 ? 0 : f <= 2 ** -10 ? 10 : -Math.log2(f);
      const soft = losses(
        (nx < 2 ? 0 : i / (nx - 1) - 0.5) * w,
        (ny < 2 ? 0 : j / (ny - 1) - 0.5) * h,
      );
      natural[k] = soft.natural;
      if (reducer) reducer[k] = soft.reducer ?? 0;
    }
  return {
    nx,
    ny,
    w,
    h,
    mechanical,
    natural,
    reducer,
    hard: map.hard,
    culprit: map.culprit!,
    naturalFrom: built.lens?.falloff?.length ? 'table' : 'estimate',
  };
}

/** One point of the profile from the middle of the chip to a corner. */
export interface ProfilePoint {
  /** Distance from the middle, mm. */
  at: number;
  mechanical: number;
  natural: number;
  reducer: number | null;
  total: number;
}

/**
 * Shading along the diagonal, from the lower left corner of the chip through its middle to the
 * upper right (or the other diagonal).
 */
export function profile(
  built: Built,
  sit: Situation,
  n: number,
  falling = false,
): ProfilePoint[] | null {
  const x = nominal(sit);
  if (!x) return null;
  const { w, h } = sit.mode(x);
  const of = stacks(sit.scene(x));
  const losses = softLosses(built, sit, x);
  return Array.from({ length: n }, (_, i) => {
    const u = (2 * i) / (n - 1) - 1;
    const px = (u * w) / 2;
    const py = ((falling ? -u : u) * h) / 2;
    const t = sit.direction(x, px, py);
    const mechanical = seen(of(t.tx, t.ty), t.tx, t.ty).loss;
    const soft = losses(px, py);
    return {
      at: u * (Math.hypot(w, h) / 2),
      mechanical,
      ...soft,
      total: mechanical + soft.natural + (soft.reducer ?? 0),
    };
  });
}

/** One ray of the cone of a corner, as far as it gets. */
export interface Ray {
  /** From the pupil, and where it is stopped or leaves the drawing; x, y, z in mm. */
  from: readonly [number, number, number];
  to: readonly [number, number, number];
  /** Index of the edge that stops it; null when it gets out. */
  stopped: number | null;
}

/**
 * The extreme rays of a corner's cone: from the edge of the pupil that is nearest to the axis, its
 * middle, and its far edge, in the plane through the axis and the corner.
 *
 * @param until station at which rays that get out end
 */
export function coneOf(look: Look, corner: number, until: number): Ray[] {
  const { scene } = look;
  const { pupil, apertures, distance } = scene;
  const t = look.directions[corner]!;
  const size = Math.hypot(t.tx, t.ty) || 1;
  const z0 = pupil.z + walkOf(pupil, t.tx, t.ty);
  const order = apertures.map((a, i) => ({ a, i })).sort((p, q) => p.a.z - q.a.z);
  return [-1, 0, 1].map((side) => {
    const px = (side * pupil.r * (pupil.aspect ?? 1) * t.tx) / size;
    const py = (side * pupil.r * t.ty) / size;
    const at = (z: number): readonly [number, number, number] => {
      const dz = z - z0;
      const k = 1 - dz / distance;
      return [px * k + t.tx * dz, py * k + t.ty * dz, z];
    };
    for (const { a, i } of order) {
      const [qx, qy] = at(a.z);
      if (!inside(a, qx, qy)) return { from: at(z0), to: at(Math.max(z0, a.z)), stopped: i };
    }
    return { from: at(z0), to: at(until), stopped: null };
  });
}

function inside(a: Scene['apertures'][number], x: number, y: number): boolean {
  if (a.kind === 'circle') return Math.hypot(x - a.cx, y - a.cy) <= a.r;
  if (a.kind === 'edge') return a.nx * x + a.ny * y <= a.d;
  const c = Math.cos(a.turn);
  const s = Math.sin(a.turn);
  return (
    Math.abs((x - a.cx) * c + (y - a.cy) * s) <= a.hw &&
    Math.abs(-(x - a.cx) * s + (y - a.cy) * c) <= a.hh
  );
}
