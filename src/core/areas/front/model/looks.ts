import { type Situation, situations } from './situations';
import { type Scene, type Seen, stacks, seen, lossOf, BLACK } from '../../../pupil/map';
import type { Direction } from '../../../pupil/inverse';
import { type Judged, cornerDirections } from './judged';
import { clearance, emptyStack, type Stack, stackOf, walkOf } from '../../../pupil/aperture';
import type { Front } from '../place/parts';
import { fraction, chiefRay } from '../../../pupil/region';
import type { Built } from '../../../build/build';

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
