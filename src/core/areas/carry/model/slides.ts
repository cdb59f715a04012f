import type { Built } from '../../../build/build';
import { fittedOn } from '../../../place/fitted';
import type { Lin } from '../../../build/lin';
import { node } from '../../../engine/reads';
import { pieceKey } from '../../../place/piece';
import { standOf } from '../../../stand/stand';
import { closing } from '../../joints/model/fit';
import { isSlide } from '../../joints/model/free';
import { hangingOn, isNamed, seatsOf, spotOfSeat } from '../../joints/model/seats';
import { isPlate, type Change, type HoldKind } from '../../../kit/types';
import { moment } from '../../support/model/load';
import { along, type Hold, type Way } from './hold';
import { balanceOf, type Balance } from './balance';

/** Something of the rig that slides along the lens, and what that does to the balance. */
export interface Slider {
  id: string;
  /** What is slid, as it is said. */
  name: string;
  part: string;
  /** It is the place where the rig is held that moves, not a part. */
  grab: boolean;
  /** How far it may go from where it is, backwards (below 0) and forwards, mm. */
  from: number;
  to: number;
  /** How much the centre moves towards the subject from the hold, for each mm forwards. */
  gain: number;
  /** What is set when it is slid, from where it is: itself, and what goes along. */
  moves: readonly Stands[];
  /** What would find another place by itself once this is slid, and is kept where it is. */
  still?: readonly Kept[];
}

/** Where something stands along the lens: its path on the rig and its value, mm. */
interface Stands {
  path: string[];
  now: number;
  /** -1 where it counts the other way: a slide on a rail that is turned round. */
  sign?: number;
}

/** What is set as it is now. */
type Kept = Pick<Change, 'path' | 'value'>;

/** Changes that slide several things at once: what several of them move goes by all of it. */
export function slideChanges(slid: readonly Slid[]): Pick<Change, 'path' | 'value'>[] {
  const places = new Map<string, { path: string[]; value: number }>();
  const move = (s: Stands, by: number) => {
    const id = s.path.join('/');
    const from = places.get(id)?.value ?? s.now;
    places.set(id, { path: s.path, value: from + (s.sign ?? 1) * by });
  };
  for (const { slider, by } of slid) for (const s of slider.moves) move(s, by);
  const kept = new Map<string, Kept>();
  for (const { slider } of slid)
    for (const k of slider.still ?? [])
      if (!places.has(k.path.join('/'))) kept.set(k.path.join('/'), k);
  return [
    ...kept.values(),
    ...[...places.values()].map(({ path, value }) => ({ path, value: rounded(value) })),
  ];
}

/** Everything of the rig that slides along the lens. */
export function slidersOf(built: Built): readonly Slider[] {
  return built.once(SLIDERS);
}

const SLIDERS = node('what slides', (built: Built): readonly Slider[] => {
  const b = balanceOf(built);
  if (!b || b.weights.some((w) => w.mass.known === null)) return [];
  return [
    ...grabOf(built, b),
    ...onRods(built, b),
    ...onRails(built, b),
    ...plateOf(built, b),
  ].filter((s) => s.gain !== 0 && s.to - s.from > 0);
});

/** What moving some pieces does: all of the hold's part of it where the hold goes along. */
function gainOf(b: Balance, moves: ReadonlySet<string>): number {
  let [all, own] = [0, 0];
  for (const { key, mass } of b.weights) {
    const m = mass.known?.value ?? 0;
    all += m;
    if (moves.has(key)) own += m;
  }
  if (!(all > 0)) return 0;
  const held = b.hold.piece !== null && moves.has(b.hold.piece.key);
  return held ? -(all - own) / all : own / all;
}

/** The hand along its handle, a pad or a plate along what it is held by. */
function grabOf(built: Built, b: Balance): Slider[] {
  const { hold } = b;
  const name = grabName(hold);
  if (!hold.piece || name === null) return [];
  const now = built.rig.carry?.z ?? 0;
  return [
    {
      id: 'grab',
      name,
      part: hold.piece.part,
      grab: true,
      from: -hold.reach - now,
      to: hold.reach - now,
      gain: -1,
      moves: [{ path: ['carry', 'z'], now }],
    },
  ];
}

/** What is slid where the rig is held; null where it is held in one place. */
export function grabName({ kind }: Hold): string | null {
  return GRABS[kind] ?? null;
}

/** Where it can be held anywhere along a part, and what moves then. */
const GRABS: Readonly<Partial<Record<HoldKind, string>>> = {
  handle: 'the hand',
  hook: 'the hook',
  head: 'the hole that is used',
  gimbal: 'the hole that is used',
  monopod: 'the hole that is used',
  hip: 'the place on the belt',
  hugged: 'the hands',
};

const rounded = (x: number) => Math.round(x * 10) / 10 + 0;

/** What is clamped to the rods by itself, with all that hangs on it. */
function onRods(built: Built, b: Balance): Slider[] {
  const stand = standOf(built);
  const { rods } = stand;
  if (rods.length === 0) return [];
  const back = Math.min(...rods.map((r) => stand.value(r.from)));
  const front = Math.max(...rods.map((r) => stand.value(r.to)));
  const loose = looseRods(built);
  const clamps = looseClamps(built);
  const still = [...loose.map(asItIs), ...clamps];
  const ofRods = rods.map((r) => pieceKey('rods', r.use.id));
  // Rods that nobody set can go back with what they carry, until what is in front needs them.
  const plate = stand.pieces.find(keyed('plate'));
  const needed = (but: string) =>
    Math.max(
      ...stand.clamped.filter((c) => c.key !== but && !c.on).map((c) => stand.value(c.to)),
      ...(plate?.solids.map((s) => s.extent[5]) ?? []),
    );
  const follow = (but: string) =>
    rods.every((r) => r.use.tip === undefined) ? Math.max(0, front - needed(but)) : 0;
  return fittedOn(built).flatMap((use): Slider[] => {
    if (use.on !== 'rods') return [];
    const key = pieceKey('fitted', use.id);
    const piece = stand.pieces.find((p) => p.key === key);
    if (!piece?.faces) return [];
    const [z0, z1] = [stand.value(piece.faces.z0), stand.value(piece.faces.z1)];
    const moves = hangingOn(built, use.id);
    const free = freeRod(built, key, { from: Math.min(0, back - z0), to: Math.max(0, front - z1) });
    const own = {
      part: piece.part,
      grab: false,
    };
    const station = { path: ['fitted', use.id, 'station'], now: z1 };
    return [
      {
        ...own,
        id: use.id,
        name: piece.name,
        ...free,
        gain: gainOf(b, new Set(moves)),
        moves: [station],
        still,
      },
      {
        ...own,
        id: `${use.id} with the rods`,
        name: `${piece.name} with the rods`,
        from: -follow(key),
        to: 0,
        gain: gainOf(b, new Set([...moves, ...ofRods])),
        moves: [station, ...loose],
        still: clamps,
      },
    ];
  });
}

/** How far a clamp can be slid until the next one on the rods is in its way. */
function freeRod(built: Built, key: string, ends: { from: number; to: number }) {
  const stand = standOf(built);
  const own = stand.clamped.find((c) => c.key === key);
  if (!own) return ends;
  const [from, to] = [stand.value(own.from), stand.value(own.to)];
  const room = { ...ends };
  for (const c of [...stand.clamped, ...(stand.plate?.clamps ?? [])]) {
    if (c === own || c.on !== own.on) continue;
    if (stand.value(c.from) >= to) room.to = Math.min(room.to, stand.value(c.from) - to);
    else if (stand.value(c.to) <= from) room.from = Math.max(room.from, stand.value(c.to) - from);
  }
  return room;
}

/** Rods that nobody set: they find their place anew when something is slid. */
function looseRods(built: Built): Stands[] {
  const stand = standOf(built);
  return stand.rods
    .filter((r) => r.use.tip === undefined)
    .map((r) => ({ path: ['rods', r.use.id, 'tip'], now: stand.value(r.to) }));
}

/** Finds a piece by its key, which is made once. */
function keyed(is: 'plate' | 'body') {
  const key = pieceKey(is);
  return (p: { key: string }) => p.key === key;
}

/** What is on the rods and nobody set: it finds its place behind the plate. */
function looseOnRods(built: Built): Stands[] {
  const stand = standOf(built);
  return fittedOn(built).flatMap((use) => {
    if (use.on !== 'rods' || use.station !== undefined) return [];
    const key = pieceKey('fitted', use.id);
    const faces = stand.pieces.find((p) => p.key === key)?.faces;
    return faces ? [{ path: ['fitted', use.id, 'station'], now: stand.value(faces.z1) }] : [];
  });
}

const asItIs = ({ path, now }: Stands): Kept => ({ path, value: rounded(now) });

/** Radians as they are set, degrees from 0 on. */
const turned = (angle: number) =>
  rounded((((angle * 180) / Math.PI) % 360) + (angle < 0 ? 360 : 0));

/** Drives and supports that nobody set: they find their place, and their way up, by the room there is. */
function looseClamps(built: Built): Kept[] {
  const stand = standOf(built);
  const place = (list: string, id: string, set: Record<string, unknown>, now: object): Kept[] =>
    Object.entries(now)
      .filter(([key]) => set[key] === undefined)
      .map(([key, value]) => ({ path: [list, id, key], value: value as unknown }));
  const station = (at: Lin) => rounded(stand.value(at));
  return [
    ...stand.drives.flatMap((d) =>
      place(
        'drives',
        d.use.id,
        { ...d.use },
        {
          station: station(d.station),
          side: d.side,
          flipped: d.flipped,
          // An arm that swings to another place takes its weight along.
          ...(d.angle === null ? {} : { angle: turned(d.angle) }),
        },
      ),
    ),
    ...stand.supports.flatMap((p) =>
      place('supports', p.use.id, { ...p.use }, { station: station(p.station) }),
    ),
  ];
}

/** What sits on a rail or a dovetail that runs along the lens. */
function onRails(built: Built, b: Balance): Slider[] {
  return seatsOf(built).flatMap((s): Slider[] => {
    if (!isNamed(s) || !isSlide(s.at)) return [];
    const { run, clamp } = closing({ part: s.host.part, i: s.at }, { part: s.part, i: s.by });
    const spot = spotOfSeat(built, s);
    if (!run.known || !clamp.known || !spot) return [];
    const z = spot.along[2];
    // Across the lens it is no cure for a nose that hangs.
    if (Math.abs(z) < 0.99) return [];
    const room = Math.max(0, run.known.lo / 2 - clamp.known.hi / 2);
    const now = s.use.slide ?? 0;
    const [a, c] = [-room - now, room - now];
    const sign = Math.sign(z);
    return [
      {
        id: s.use.id,
        name: s.part.name,
        part: s.part.id,
        grab: false,
        from: Math.min(0, sign > 0 ? a : -c),
        to: Math.max(0, sign > 0 ? c : -a),
        gain: gainOf(b, new Set(hangingOn(built, s.use.id))),
        moves: [{ path: ['fitted', s.use.id, 'slide'], now, sign }],
      },
    ];
  });
}

/** The plate under the camera: it slides as far as its length lets it stay under the body. */
function plateOf(built: Built, b: Balance): Slider[] {
  const use = built.rig.under?.find((u) => isPlate(built.kit.get(u.part)));
  const stand = standOf(built);
  const piece = stand.pieces.find(keyed('plate'));
  const body = stand.pieces.find(keyed('body'));
  const faces = piece?.faces ?? piece?.solids.find((s) => s.faces)?.faces;
  const base = body?.solids[0]?.extent;
  const part = use && built.kit.get(use.part);
  if (!use || !faces || !base || !piece || !part) return [];
  const [z0, z1] = [stand.value(faces.z0), stand.value(faces.z1)];
  // Half of it has to stay under the camera.
  const half = Math.min(z1 - z0, base[5] - base[2]) / 2;
  // What hangs under the plate goes along with it: a dovetail, a pad, what the rig is held by.
  const under = seatsOf(built)
    .filter((s) => s.host?.piece === piece.key)
    .flatMap((s) => hangingOn(built, s.use.id));
  const moves = new Set([
    piece.key,
    ...under,
    ...(built.rig.rods ?? []).filter((r) => r.tip === undefined).map((r) => pieceKey('rods', r.id)),
  ]);
  return [
    {
      id: 'plate',
      name: part.name,
      part: part.id,
      grab: false,
      from: Math.min(0, base[2] + half - z1),
      to: Math.max(0, base[5] - half - z0),
      gain: gainOf(b, moves),
      moves: [{ path: ['under', use.id ?? use.part, 'station'], now: z1 }, ...looseRods(built)],
      still: [...looseOnRods(built).map(asItIs), ...looseClamps(built)],
    },
  ];
}

/** One slider and how far it is slid, mm forwards. */
export interface Slid {
  slider: Slider;
  by: number;
}

/**
 * The slides that bring the centre over the hold: each that can do it alone by the least movement
 * first, else those that do it together with the least movement in all. Along one line that is a
 * linear programme with one equation: what moves the centre most for each mm goes first, to its end
 * (as the fractional knapsack; G. B. Dantzig, "Discrete-variable extremum problems", 1957).
 *
 * @param ahead centre ahead of the hold, mm; below 0 behind it
 */
export function balancing(
  sliders: readonly Slider[],
  ahead: number,
): { alone: Slid[]; together: Slid[] | null; left: number } {
  const alone = sliders
    .map((slider) => ({ slider, by: -ahead / slider.gain }))
    .filter(({ slider, by }) => by >= slider.from - 1e-9 && by <= slider.to + 1e-9)
    .sort((a, b) => Math.abs(a.by) - Math.abs(b.by) || (a.slider.id < b.slider.id ? -1 : 1));
  const byLever = [...sliders].sort(
    (a, b) => Math.abs(b.gain) - Math.abs(a.gain) || (a.id < b.id ? -1 : 1),
  );
  const together: Slid[] = [];
  let left = ahead;
  for (const slider of byLever) {
    if (Math.abs(left) < 1e-9) break;
    const by = Math.min(slider.to, Math.max(slider.from, -left / slider.gain));
    if (Math.abs(by) < 1e-9) continue;
    together.push({ slider, by });
    left += by * slider.gain;
  }
  return {
    alone,
    together: Math.abs(left) < 1e-6 && together.length > 0 ? together : null,
    left: Math.abs(left) < 1e-6 ? 0 : left,
  };
}

/**
 * The smallest dead weight that would balance it from a place, g: `m (z_cg - z_t) / (z_t - z_c)`
 * with z_t the support and z_c the weight's place; null where it cannot help from there.
 *
 * @param mass of the rig, g; @param ahead centre ahead of the support, mm; @param place of the weight
 *   ahead of the support, mm
 */
export function counterweight(mass: number, ahead: number, place: number): number | null {
  if (place === 0) return null;
  const m = (mass * ahead) / -place;
  return m > 0 ? m : null;
}

/** Front and rear of the shoulder as moments about it, N m; null while a number is missing. */
export function frontRear(b: Balance, way: Way = b.fore): { front: number; rear: number } | null {
  const sum = { front: 0, rear: 0 };
  for (const w of b.weights) {
    const { known } = w.mass;
    const z = along(w.at, way);
    const h = along(b.hold.at, way);
    if (!known || [...z.terms, ...h.terms].some((t) => t.g.known === null)) return null;
    const read = (l: typeof z) => l.c + l.terms.reduce((s, t) => s + t.k * t.g.known!.value, 0);
    const pull = moment(known.value, read(z) - read(h));
    sum[pull >= 0 ? 'front' : 'rear'] += Math.abs(pull);
  }
  return sum;
}
