import { bareLength, sayLength } from '../../../quantity/say';
import { pieceKey } from '../../../place/piece';
import { valueOf } from '../../../quantity/quantity';
import type { LensSupport, SupportUse } from '../../../kit/types';
import { lineOf, type Line } from '../../rods/under/line';
import { given, type Given } from '../../../build/given';
import { givens, lin, minus, of, plus, times, type Lin } from '../../../build/lin';
import { block, STAND_IN, type LensGear, type Setting, type Piece } from '../../../place/setting';

/** A lens support where it stands, or where it would. */
export interface PlacedSupport {
  use: SupportUse;
  part: LensSupport;
  key: string;
  /** Middle of its clamp. */
  station: Lin;
  /** Rod plane to where the barrel rests. */
  post: Lin;
  /** Post height that the barrel over it asks for; null when nothing is over it or no rods. */
  needed: Lin | null;
  /** Whether the station was found, and why not when there is none. */
  found: boolean;
  /** Numbers that its place was judged by and that are missing. */
  by: readonly Given[];
  trouble: string | null;
}

/** A single rod that far off the middle is not under a lens any more, mm. */
const BESIDE = 30;

/** Stations are tried in this step, mm. */
const STEP = 1;

/** A stretch of the barrel with its radius, stations nominal. */
export interface BarrelStep {
  from: number;
  to: number;
  /** Radius as a sum, for its tolerance. */
  radius: Lin;
  r: number;
}

/** The barrel from the seat of the lens on, by its outline or its front diameter. */
export function barrelSteps(s: Setting): BarrelStep[] {
  const { lens } = s.built;
  if (!lens) return [];
  const seat = s.value(s.seat);
  const length = valueOf(lens.length) ?? STAND_IN.lens;
  const steps = (lens.outline ?? [])
    .map((o, i) => ({ i, z: valueOf(o.z) ?? 0 }))
    .sort((a, b) => a.z - b.z);
  const step = (from: number, to: number, radius: Lin): BarrelStep => ({
    from: seat + from,
    to: seat + to,
    radius,
    r: s.value(radius),
  });
  if (steps.length === 0)
    return [step(0, length, times(of(s.q(lens, ['frontDiameter'], 2 * STAND_IN.radius)), 0.5))];
  return steps.map((o, k) =>
    step(
      o.z,
      steps[k + 1]?.z ?? length,
      times(of(s.q(lens, ['outline', String(o.i), 'd'], 2 * STAND_IN.radius)), 0.5),
    ),
  );
}

/** The widest step of the barrel over a stretch; null when the barrel does not reach over it. */
export function barrelOver(
  steps: readonly BarrelStep[],
  from: number,
  to: number,
): BarrelStep | null {
  const over = steps.filter((b) => b.from < to - 1e-9 && b.to > from + 1e-9);
  const first = steps[0];
  const last = steps[steps.length - 1];
  if (!first || !last || from < first.from - 1e-9 || to > last.to + 1e-9) return null;
  return over.reduce<BarrelStep | null>((m, b) => (m === null || b.r > m.r ? b : m), null);
}

/** Stretches of the barrel that turn or wander: a support under them would be turned away. */
export function movingStretches(
  s: Setting,
  gears: readonly LensGear[],
): { from: number; to: number; turns: string }[] {
  const { lens } = s.built;
  return gears.flatMap((g) => {
    const z = s.value(g.middle);
    const half = (valueOf(g.gear ? g.gear.width : g.ring.width) ?? 12) / 2;
    const travel = lens ? (valueOf(g.ring.travel) ?? 0) : 0;
    return [
      {
        from: z - half + Math.min(0, travel),
        to: z + half + Math.max(0, travel),
        turns: g.turns,
      },
    ];
  });
}

/**
 * Places a support: at its own station, or at the one nearest to the centre of gravity of the lens
 * where the barrel stands still, the post reaches and the rods are free.
 */
export function placeSupport(
  s: Setting,
  use: SupportUse,
  part: LensSupport,
  gears: readonly LensGear[],
): PlacedSupport {
  const key = pieceKey('support', use.id);
  const { lens } = s.built;
  const clampLength = of(s.q(part, ['clampLength'], STAND_IN.clamp));
  const half = s.value(clampLength) / 2;
  const steps = barrelSteps(s);
  const moving = movingStretches(s, gears);
  const line = lineOf(s, use.on);
  const drop = use.on === undefined ? s.drop : times(line.y, -1);
  const on = use.on === undefined ? undefined : (line.single?.key ?? '');
  const low = valueOf(part.postFrom);
  const high = valueOf(part.postTo);
  const seat = s.value(s.seat);
  const wanted =
    seat + (valueOf(lens?.centreOfGravity) ?? (valueOf(lens?.length) ?? STAND_IN.lens) * 0.6);
  const reserved = [
    ...s.clamped
      .filter((c) => c.on === on)
      .map((c) => ({ from: s.value(c.from), to: s.value(c.to), name: c.name })),
    ...reservedForDrives(s, gears, use.on),
  ];
  const trouble = (z: number): string | null => {
    const from = z - half;
    const to = z + half;
    const over = barrelOver(steps, from, to);
    if (!over) return 'no barrel is over it';
    const ring = moving.find((m) => m.from < to && m.to > from);
    if (ring) return `the ${ring.turns} ring is over it`;
    const other = reserved.find((c) => c.from < to && c.to > from);
    if (other) return `${other.name} stands there`;
    const off = offTheRods(s, line, on, { from, to });
    if (off !== null) return off;
    if (drop && low !== null && high !== null) {
      const post = s.value(drop) - over.r;
      if (post < low - 1e-9 || post > high + 1e-9)
        return `the post would have to be ${sayLength(post, 1)}, it goes from ${bareLength(low, 0)} to ${bareLength(high, 0)}`;
    }
    return null;
  };
  let z = use.station ?? wanted;
  let found = use.station !== undefined;
  let why: string | null = use.station === undefined ? null : trouble(use.station);
  if (use.station === undefined && steps.length > 0) {
    const first = steps[0]!.from;
    const last = steps[steps.length - 1]!.to;
    const most = Math.max(wanted - first, last - wanted);
    let nearest: string | null = null;
    for (let off = 0; off <= most && !found; off += STEP)
      for (const at of off === 0 ? [wanted] : [wanted + off, wanted - off]) {
        const t = trouble(at);
        if (t === null) {
          z = at;
          found = true;
          break;
        }
        nearest ??= t;
      }
    if (!found) why = nearest;
  }
  const over = barrelOver(steps, z - half, z + half) ?? barrelOver(steps, z, z);
  const needed = drop && over ? minus(drop, over.radius) : null;
  const post: Lin = use.post !== undefined ? lin(use.post) : (needed ?? lin(low ?? 40));
  // Its place was judged by the barrel, the rings on it, where the lens sits, and its own clamp.
  const by = [
    ...new Set([
      ...s.pieces.filter((p) => p.is === 'lens' || p.is === 'link').flatMap((p) => p.missing),
      ...givens([...gears.map((g) => g.middle), clampLength, ...(drop ? [drop] : [])]),
      ...(line.single ? givens([line.x, line.single.from, line.single.to]) : []),
      ...gears.map((g) => g.width),
      // How far its post goes decides where it can stand.
      given(part, 'postFrom'),
      given(part, 'postTo'),
    ]),
  ].filter((g) => g.known === null);
  // Where it was sought its place hangs on all of them.
  const station =
    use.station === undefined ? plus(lin(z), ...by.map((g) => of(g, 0))) : lin(use.station);
  const piece = s.piece({ is: 'support', id: use.id }, part);
  const { z0, z1 } = addSolids(s, piece, part, line, { station, post, clampLength });
  for (const rod of line.pieces) s.touch(key, rod);
  s.touch(key, 'lens');
  for (const p of s.pieces) if (p.is === 'link') s.touch(key, p.key);
  s.clamped.push({
    key,
    part: part.id,
    name: part.name,
    from: z0,
    to: z1,
    rods: part.rods,
    ...(on === undefined ? {} : { on }),
  });
  return { use, part, key, station, post, needed, found, by, trouble: why };
}

/** Why no rod of what it is clamped to is under a stretch; null where one is. */
function offTheRods(
  s: Setting,
  line: Line,
  on: string | undefined,
  { from, to }: { from: number; to: number },
): string | null {
  const rods = on === undefined ? s.rods : line.single ? [line.single] : [];
  const under = rods.some((r) => s.value(r.from) <= from && s.value(r.to) >= to);
  if (!under && (on !== undefined || rods.length > 0)) return 'no rod is under it';
  if (line.single && s.value(line.y) > 0) return 'the rod is over the lens';
  if (line.single && Math.abs(s.value(line.x)) > BESIDE) return 'the rod is beside the lens';
  return null;
}

/** Clamp, post and cradle of a support; where its clamp begins and ends. */
function addSolids(
  s: Setting,
  piece: Piece,
  part: LensSupport,
  line: Line,
  { station, post, clampLength }: { station: Lin; post: Lin; clampLength: Lin },
): { z0: Lin; z1: Lin } {
  const { rod } = line;
  const cc = line.centres / 2;
  const halfClamp = times(clampLength, 0.5);
  const cradle = part.cradleWidth === undefined ? lin(46) : of(s.q(part, ['cradleWidth'], 46));
  const z0 = minus(station, halfClamp);
  const z1 = plus(station, halfClamp);
  block(s, piece, 'clamp', {
    x0: plus(line.x, lin(-cc - rod)),
    x1: plus(line.x, lin(cc + rod)),
    y0: plus(line.y, lin(-rod / 2 - 4)),
    y1: plus(line.y, lin(rod / 2 + 4)),
    z0,
    z1,
  });
  const top = plus(post, line.y);
  block(s, piece, 'post', {
    x0: lin(-9),
    x1: lin(9),
    y0: plus(line.y, lin(rod / 2 + 4)),
    y1: top,
    z0: minus(station, times(clampLength, 0.35)),
    z1: plus(station, times(clampLength, 0.35)),
  });
  block(s, piece, 'cradle', {
    x0: times(cradle, -0.5),
    x1: times(cradle, 0.5),
    y0: minus(top, lin(5)),
    y1: top,
    z0: minus(station, times(clampLength, 0.35)),
    z1: plus(station, times(clampLength, 0.35)),
  });
  return { z0, z1 };
}

/** Where the drives of the rig will want their clamps: a support leaves these free. */
function reservedForDrives(
  s: Setting,
  gears: readonly LensGear[],
  on: string | undefined,
): { from: number; to: number; name: string }[] {
  return (s.built.rig.drives ?? []).flatMap((use) => {
    if (use.on !== on) return [];
    const part = s.built.kit.get(use.part);
    const gear = gears.find((g) => g.turns === use.turns);
    if (!part || (!gear && use.station === undefined)) return [];
    const d = part as { gearAhead?: never; clampLength?: never };
    const arm = use.arm === undefined ? null : s.built.kit.get(use.arm);
    const ahead =
      (valueOf(d.gearAhead) ?? 0) * (use.flipped ? -1 : 1) +
      (valueOf((arm as { ahead?: never } | null)?.ahead) ?? 0);
    const z = use.station ?? s.value(gear!.middle) - ahead;
    const half = (valueOf(d.clampLength) ?? STAND_IN.clamp) / 2;
    return [{ from: z - half, to: z + half, name: part.name }];
  });
}
