import type { Built, Shared } from '../build/build';
import { at as valueAt } from '../build/lin';
import { interfaceType } from '../areas/joints/kit/interfaces';
import { closing } from '../areas/joints/model/fit';
import {
  hostsOn,
  isSlide,
  seatingsFor,
  spotsOfHost,
  takenOf,
  type Host,
} from '../areas/joints/model/free';
import { namedSeats } from '../areas/joints/model/seats';
import { seat } from '../areas/joints/moves/seat';
import { canBeHeld, interfacesOf } from '../areas/joints/kit/sides';
import { isFitting, type Part } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { sayLength } from '../quantity/say';
import { usesOn } from '../roles/uses';
import { byTroubleFor, onePerHost, tried, type TriedPlace } from './places';
import { Trials } from './trial';

/** A place of the rig that could hold something more, and how much of it is free. */
export interface FreeHost {
  key: string;
  /** `top holes of Trellis cage`. */
  name: string;
  /** `3 of 5 free, 1/4-20 UNC`. */
  free: string;
  /** Where its first free place is, mm in the frame of reference, and out of what it is on. */
  at: readonly [number, number, number];
  out: readonly [number, number, number];
  /** How many parts that are in the kit and not on the rig would go there. */
  parts: number;
}

const keyOf = (h: Host) => `${h.piece} ${h.i.id}`;

/** Every place that is free: holes by thread and side, shoes, stretches of rail. */
export function freeHosts(built: Built): FreeHost[] {
  const spare = spareParts(built);
  const fits = new Map<string, Set<string>>();
  for (const part of spare)
    for (const s of seatingsFor(built, part)) {
      const own = fits.get(keyOf(s.host)) ?? new Set();
      own.add(part.id);
      fits.set(keyOf(s.host), own);
    }
  return hostsOn(built).flatMap((host): FreeHost[] => {
    const open = isSlide(host.i) ? stretch(built, host) : holes(built, host);
    const spots = spotsOfHost(built, host);
    const spot = open && (spots[open.first] ?? spots[0]);
    if (!open || !spot) return [];
    const value = (g: { known: { value: number } | null }) => g.known?.value ?? 0;
    return [
      {
        key: keyOf(host),
        name: `${host.i.name} of ${host.part.name}`,
        free: open.said,
        at: spot.at.map((l) => valueAt(l, value)) as unknown as FreeHost['at'],
        out: spot.out,
        parts: fits.get(keyOf(host))?.size ?? 0,
      },
    ];
  });
}

/** Parts that could be put on: in the kit, held by something, and not all of them on the rig. */
function spareParts(built: Built): Part[] {
  const on = new Map<string, number>();
  for (const id of usesOn(built.rig)) on.set(id, (on.get(id) ?? 0) + 1);
  return built.job.kit.filter(
    (p) =>
      isFitting(p) &&
      p.kind !== 'cage' &&
      interfacesOf(p).some(canBeHeld) &&
      (on.get(p.id) ?? 0) < Math.max(1, p.count ?? 1),
  );
}

const standard = (h: Host) => interfaceType(h.i.type)?.name ?? 'of a standard nobody said';

function holes(built: Built, host: Host): { said: string; first: number } | null {
  const count = host.i.count ?? 1;
  const taken = takenOf(built, host);
  const free = Array.from({ length: count }, (_, n) => n).filter((n) => !taken.has(n));
  if (free.length === 0) return null;
  return {
    said:
      count === 1
        ? `free, ${standard(host)}`
        : `${free.length} of ${count} free, ${standard(host)}`,
    first: free[0]!,
  };
}

/** Of a slide what no clamp sits on; what nobody measured is not subtracted but said. */
function stretch(built: Built, host: Host): { said: string; first: number } | null {
  const run = valueOf(host.i.run);
  const on = namedSeats(built).filter((s) => s.host.piece === host.piece && s.at.id === host.i.id);
  const clamps = on.map(
    (s) => closing({ part: host.part, i: host.i }, { part: s.part, i: s.by }).clamp.known?.value,
  );
  if (run === null || clamps.some((c) => c === undefined))
    return { said: `how much is free is not known, ${standard(host)}`, first: 0 };
  const left = run - clamps.reduce<number>((sum, c) => sum + c!, 0);
  return left <= 0
    ? null
    : { said: `${sayLength(left, 0)} of ${sayLength(run, 0)} free, ${standard(host)}`, first: 0 };
}

/** As many parts are tried on one place as can be read through. */
const MOST = 30;

/** What of the kit would go on one place, each tried on a copy of the rig and ranked. */
export function fillsFor(built: Built, base: Shared, key: string): TriedPlace[] {
  const trials = new Trials(built, base);
  return spareParts(built)
    .flatMap((part) =>
      onePerHost(seatingsFor(built, part).filter((s) => keyOf(s.host) === key))
        .slice(0, 1)
        .map((place) => ({ part, place })),
    )
    .slice(0, MOST)
    .flatMap(({ part, place }) =>
      tried(
        built,
        trials,
        place,
        seat(built.rig, part, place),
        `${part.name} by its ${place.by.name}`,
      ),
    )
    .sort(byTroubleFor(built.job.goal));
}
