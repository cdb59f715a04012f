import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import type { FittedUse, Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { interfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';
import { spotOf, type Spot } from '../place/pose';
import { closing, fitsByNumbers } from './fit';
import { canBeHeld, canHold, interfacesOf } from '../kit/sides';
import { firstHoles, holesTaken } from '../kit/pattern';
import { namedSeats, poseAt, seatsOf, type NamedSeat } from './seats';

/** A place on the rig that can hold something. */
export interface Host {
  part: Part;
  piece: string;
  /** The fitted part it is on; null for the body and the plate under it. */
  use: FittedUse | null;
  /** It is on the plate under the camera. */
  on: 'under' | 'box' | null;
  i: Interface;
}

/** Everything on the rig that can hold something, whether it does or not. */
export function hostsOn(built: Built): readonly Host[] {
  return built.once(HOSTS);
}

const HOSTS = node('hosts', (built: Built): readonly Host[] => {
  const { body, rig, kit } = built;
  const of = (part: Part, piece: string, use: FittedUse | null, on: Host['on'] = null): Host[] =>
    interfacesOf(part)
      .filter(canHold)
      .map((i) => ({ part, piece, use, on, i }));
  const plate = rig.under?.map((u) => kit.get(u.part)).find((p) => p?.kind === 'plate');
  const box = rig.lens !== null && rig.box && kit.get(rig.box.part);
  return [
    ...(body ? of(body, pieceKey('body'), null) : []),
    ...(plate ? of(plate, pieceKey('plate'), null, 'under') : []),
    ...(box ? of(box, pieceKey('box'), null, 'box') : []),
    ...seatsOf(built).flatMap((s) => of(s.part, s.piece, s.use)),
  ];
});

/** What lets as many guests on as there is free stretch. */
export const isSlide = (i: Interface) => interfaceType(i.type)?.family === 'slide';

/** Holes of a host that something is in, by the seat that is in them. */
export function takenOf(
  built: Built,
  host: Pick<Host, 'piece' | 'i'>,
  but?: string,
): Map<number, NamedSeat> {
  const taken = new Map<number, NamedSeat>();
  for (const s of namedSeats(built)) {
    if (s.host.piece !== host.piece || s.at.id !== host.i.id || s.use.id === but) continue;
    for (const n of holesTaken(s.at, s.by, s.use.n ?? 0)) if (!taken.has(n)) taken.set(n, s);
  }
  return taken;
}

/** First holes of a host that a guest could take, nothing else being in them; none of a slide. */
export function freeHoles(built: Built, host: Host, guest: Interface, but?: string): number[] {
  if (isSlide(host.i)) return [];
  const taken = takenOf(built, host, but);
  return firstHoles(host.i, guest).filter((n) =>
    holesTaken(host.i, guest, n).every((x) => !taken.has(x)),
  );
}

/** What is left between two clamps on one rail, and what a slide is set to at most finely, mm. */
const BETWEEN = 0.5;

/**
 * Where along a slide a clamp could go: in its middle, else beside what is on it already, as near to
 * the middle as it goes. Nothing is offered beside a clamp that nobody knows the length of.
 *
 * @param guest the side that is clamped on, with its part
 * @returns mm off the middle of the slide, nearest first
 */
export function freeStretches(
  built: Built,
  host: Host,
  guest: { part: Part; i: Interface },
  but?: string,
): number[] {
  const on = namedSeats(built).filter(
    (s) => s.use.id !== but && s.host.piece === host.piece && s.at.id === host.i.id,
  );
  if (on.length === 0) return [0];
  const slid = { part: host.part, i: host.i };
  const { clamp, run } = closing(slid, guest);
  if (!clamp.known || !run.known) return [];
  const taken = on.map((s) => ({
    at: s.use.slide ?? 0,
    half: (closing(slid, { part: s.part, i: s.by }).clamp.known?.hi ?? Infinity) / 2,
  }));
  const half = clamp.known.hi / 2;
  const room = run.known.lo / 2 - half;
  return [0, ...taken.flatMap((t) => [-1, 1].map((way) => beside(t, half, way)))]
    .filter((x) => Math.abs(x) <= room)
    .filter((x) => taken.every((t) => Math.abs(x - t.at) >= t.half + half))
    .sort((a, b) => Math.abs(a) - Math.abs(b) || a - b)
    .filter((x, i, all) => all.indexOf(x) === i);
}

/** The nearest a clamp goes beside another, rounded away from it. */
function beside(t: { at: number; half: number }, half: number, way: number): number {
  const least = (t.at * way + t.half + half + BETWEEN) / BETWEEN;
  return way * Math.ceil(least) * BETWEEN + 0;
}

/** A place that a part could be put: a free host, and the part's own side for it. */
export interface Seating {
  host: Host;
  by: Interface;
  n: number;
  /** Along a slide, mm off its middle; 0 for a hole. */
  slide: number;
  /** By their numbers they go together; false is never listed, null is not known. */
  sure: boolean | null;
}

/**
 * Where a part could go: every free host on the rig that some side of it goes together with.
 *
 * @param but a use that is taken as if it were off: the part itself, when it is moved
 */
export function seatingsFor(built: Built, part: Part, but?: string): Seating[] {
  // A cage goes around its body.
  if (part.kind === 'cage') return [];
  const own = interfacesOf(part).filter(canBeHeld);
  // Nothing is held by what hangs on it.
  const below = new Set<string>();
  if (but !== undefined) {
    below.add(but);
    for (let n = -1; n !== below.size;) {
      n = below.size;
      for (const s of seatsOf(built))
        if (s.use.to !== undefined && below.has(s.use.to)) below.add(s.use.id);
    }
  }
  const allowed = built.rules['joint.holes'];
  return hostsOn(built)
    .filter((h) => h.use === null || !below.has(h.use.id))
    .flatMap((host) =>
      own.flatMap((by): Seating[] => {
        const sure = fitsByNumbers({ part: host.part, i: host.i }, { part, i: by }, allowed);
        if (sure === false) return [];
        if (sure === null && (host.i.type === undefined || host.i.type !== by.type)) return [];
        return isSlide(host.i)
          ? freeStretches(built, host, { part, i: by }, but)
              .slice(0, 1)
              .map((slide) => ({ host, by, n: 0, slide, sure }))
          : freeHoles(built, host, by, but).map((n) => ({ host, by, n, slide: 0, sure }));
      }),
    );
}

/** How a part is put there, as fields of its use. */
export function seatFields(s: Seating): Pick<FittedUse, 'to' | 'on' | 'at' | 'by' | 'n' | 'slide'> {
  return {
    to: s.host.use?.id,
    on: s.host.on ?? s.host.i.face ?? 'top',
    at: s.host.i.id,
    by: s.by.id,
    n: s.n === 0 ? undefined : s.n,
    slide: s.slide === 0 ? undefined : s.slide,
  };
}

/**
 * Where a host stands, for the drawing: one spot for each of its holes, of a slide one.
 *
 * @param slide mm off the middle of what is slid on
 */
export function spotsOfHost(built: Built, host: Host, slide = 0): Spot[] {
  const pose = poseAt(built, host.piece);
  if (!pose) return [];
  const count = isSlide(host.i) ? 1 : (host.i.count ?? 1);
  return Array.from({ length: count }, (_, n) =>
    spotOf(pose, host.part, host.i, isSlide(host.i) ? { slide } : { first: n, held: 1 }),
  );
}
