import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import type { FittedUse, Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { interfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';
import { spotOf, type Spot } from '../place/pose';
import { fitsByNumbers } from './fit';
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
  under: boolean;
  i: Interface;
}

/** Everything on the rig that can hold something, whether it does or not. */
export function hostsOn(built: Built): readonly Host[] {
  return built.once(HOSTS);
}

const HOSTS = node('hosts', (built: Built): readonly Host[] => {
  const { body, rig, kit } = built;
  const of = (part: Part, piece: string, use: FittedUse | null, under = false): Host[] =>
    interfacesOf(part)
      .filter(canHold)
      .map((i) => ({ part, piece, use, under, i }));
  const plate = rig.under?.map((u) => kit.get(u.part)).find((p) => p?.kind === 'plate');
  return [
    ...(body ? of(body, pieceKey('body'), null) : []),
    ...(plate ? of(plate, pieceKey('plate'), null, true) : []),
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

/** First holes of a host that a guest could take, nothing else being in them. */
export function freeHoles(built: Built, host: Host, guest: Interface, but?: string): number[] {
  if (isSlide(host.i)) return freeStretch(built, host, guest, but) ? [0] : [];
  const taken = takenOf(built, host, but);
  return firstHoles(host.i, guest).filter((n) =>
    holesTaken(host.i, guest, n).every((x) => !taken.has(x)),
  );
}

/** Whether nothing is clamped in the middle of what it would slide on. */
function freeStretch(built: Built, host: Host, _guest: Interface, but?: string): boolean {
  return namedSeats(built).every(
    (s) =>
      s.use.id === but ||
      s.host.piece !== host.piece ||
      s.at.id !== host.i.id ||
      Math.abs(s.use.slide ?? 0) > 1e-9,
  );
}

/** A place that a part could be put: a free host, and the part's own side for it. */
export interface Seating {
  host: Host;
  by: Interface;
  n: number;
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
        return freeHoles(built, host, by, but).map((n) => ({ host, by, n, sure }));
      }),
    );
}

/** How a part is put there, as fields of its use. */
export function seatFields(s: Seating): Pick<FittedUse, 'to' | 'on' | 'at' | 'by' | 'n'> {
  return {
    to: s.host.use?.id,
    on: s.host.under ? 'under' : (s.host.i.face ?? 'top'),
    at: s.host.i.id,
    by: s.by.id,
    n: s.n === 0 ? undefined : s.n,
  };
}

/** Where a host stands, for the drawing: one spot for each of its holes. */
export function spotsOfHost(built: Built, host: Host): Spot[] {
  const pose = poseAt(built, host.piece);
  if (!pose) return [];
  const count = isSlide(host.i) ? 1 : (host.i.count ?? 1);
  return Array.from({ length: count }, (_, n) =>
    spotOf(pose, host.part, host.i, isSlide(host.i) ? {} : { first: n, held: 1 }),
  );
}
