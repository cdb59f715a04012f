import type { LensRing } from '../../../kit/types';
import { cagesOn } from '../../../place/fitted';
import { pieceKey } from '../../../place/piece';
import {
  type Setting,
  type LensGear,
  above,
  STAND_IN,
  round,
  type Piece,
  block,
} from '../../../place/setting';
import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { cameraOf, type Camera } from '../../space/place/camera';
import { placeMatteBox, threadKey } from '../../front/place/box-solids';
import { axisOf } from '../../../build/axis';
import { of, plus, type Lin, times, lin, ZERO, minus } from '../../../build/lin';
import { valueOf } from '../../../quantity/quantity';
import { type Part, isGearRing, type Lens, type GearRing, isRing } from '../../../kit/types';
import { readPath } from '../../../edit/path';
import { constant, exactly, type Given } from '../../../build/given';
import { MODULE, tipDiameter } from '../../drive/kit/gears';
import { turned } from '../../../solids/solid';

/** The lens with all that is in front of the camera along the axis. */
export interface Ahead {
  s: Setting;
  gears: LensGear[];
  /** Key of the matte box; null without one. */
  matte: string | null;
}

/** Adapters, lens, gears, what is on its thread, matte box; on top of the camera. */
export function aheadOf(built: Built): Ahead {
  return built.once(AHEAD);
}

const AHEAD = node('ahead', (built: Built): Ahead => layOut(built, cameraOf(built)));

function layOut(built: Built, camera: Camera): Ahead {
  const s = above(camera.s, built);
  placeLinksAndLens(s);
  const gears = placeGears(s);
  placeThread(s);
  return { s, gears, matte: placeMatteBox(s) };
}

/** Adapters, reducers and the lens by its barrel. */
function placeLinksAndLens(s: Setting): void {
  const { built } = s;
  const axis = axisOf(built);
  for (const [g, standIn] of axis.standIns) s.standIns.set(g, standIn);
  const seen: string[] = ['body'];
  for (const { link, index, use, from, to } of axis.links) {
    const d = of(s.q(link, ['outerDiameter'], 2 * STAND_IN.radius));
    const piece = s.piece({ is: 'link', id: index }, link);
    round(s, piece, 'barrel', from, to, d);
    foot(s, piece, link, from);
    // Pieces of one chain are each other's neighbours, however thin the one between them is.
    for (const k of seen) s.touch(k, piece.key);
    footMeets(s, piece.key, use.tied === true);
    seen.push(piece.key);
  }
  s.seat = axis.seat;
  const { lens } = built;
  if (!lens) return;
  const { seat, rim } = axis;
  const steps = (lens.outline ?? [])
    .map((o, i) => ({ i, z: valueOf(o.z) ?? 0 }))
    .sort((a, b) => a.z - b.z);
  const piece = s.piece(
    { is: 'lens' },
    lens,
    steps.length > 0 ? null : `${lens.name} is taken as straight: its barrel outline is not known.`,
  );
  if (steps.length === 0) {
    const d = of(s.q(lens, ['frontDiameter'], 2 * STAND_IN.radius));
    round(s, piece, 'barrel', seat, rim, d);
  }
  steps.forEach((o, k) => {
    const from = plus(seat, of(s.q(lens, ['outline', String(o.i), 'z'], 0)));
    const next = steps[k + 1];
    const to = next ? plus(seat, of(s.q(lens, ['outline', String(next.i), 'z'], 0))) : rim;
    const d = of(s.q(lens, ['outline', String(o.i), 'd'], 2 * STAND_IN.radius));
    // Under a ring that is driven the barrel is as deep as the teeth ask for.
    const [a, b] = [s.value(from), s.value(to)];
    const driven = (lens.rings ?? []).some((r) => {
      const z = s.value(seat) + (valueOf(r.z) ?? -1e6);
      return z >= a && z <= b;
    });
    round(s, piece, driven ? 'barrel' : 'shoulder', from, to, d);
  });
  // Where the front comes to when it is focused close or zoomed: swept.
  for (const key of ['lengthClose', 'lengthTo'] as const) {
    const far = valueOf(lens[key]);
    const now = valueOf(lens.length);
    if (far === null || now === null || far <= now) continue;
    const to = plus(seat, of(s.q(lens, [key], now)));
    const d = of(s.q(lens, ['frontDiameter'], 2 * STAND_IN.radius));
    round(s, piece, 'travel', rim, to, d, { moving: true });
  }
  foot(s, piece, lens, seat);
  footMeets(s, 'lens', built.rig.footTied === true);
  for (const k of seen.slice(1)) s.touch(k, 'lens');
  if (seen.length === 1) s.touch('body', 'lens');
}

/** A foot may lie on the plate; tied down it may be let into plate, cage or risers. */
function footMeets(s: Setting, key: string, tied: boolean): void {
  for (const k of ['plate', ...cagesOn(s.built).map((u) => pieceKey('fitted', u.id))])
    if (tied) s.touch(k, { piece: key, role: 'foot' });
    else s.meet(k, { piece: key, role: 'foot' });
}

/** A tripod foot: a block from the barrel down to its bottom. */
function foot(s: Setting, piece: Piece, part: Part, from: Lin): void {
  const p = part as {
    foot?: boolean;
    footDown?: unknown;
    footAt?: unknown;
    footLength?: unknown;
  };
  // That it is there is said by itself, or by one number of it: what is lacking is missing, not no foot.
  const numbers = [p.footDown, p.footAt, p.footLength];
  if (!p.foot && numbers.every((v) => v === undefined)) return;
  const middle = plus(from, of(s.q(part, ['footAt'], 20)));
  const half = times(of(s.q(part, ['footLength'], 30)), 0.5);
  const down = times(of(s.q(part, ['footDown'], 60)), -1);
  block(s, piece, 'foot', {
    x0: lin(-14),
    x1: lin(14),
    y0: down,
    y1: ZERO,
    z0: minus(middle, half),
    z1: plus(middle, half),
  });
}

/** Gears that are cut into the lens, and gear rings that are closed on it. */
function placeGears(s: Setting): LensGear[] {
  const { lens } = s.built;
  if (!lens) return [];
  const list: LensGear[] = [];
  for (const ring of lens.rings ?? []) {
    const entry = lensGear(s, lens, ring);
    const { gear, teeth, middle, width } = entry;
    list.push(entry);
    if (!teeth) continue;
    s.standIns.set(teeth, 90);
    const piece = gear
      ? s.piece({ is: 'gear', id: ring.turns }, gear)
      : s.pieces.find((p) => p.key === 'lens')!;
    const t = of(teeth);
    const half = times(of(width), 0.5);
    const travel =
      ring.travel === undefined ? null : of(s.q(lens, ['rings', ring.id, 'travel'], 0));
    const m = entry.module.known?.value ?? MODULE;
    const radius = (n: number) => tipDiameter(Math.max(6, n), m) / 2;
    const [z0, z1] = [minus(middle, half), plus(middle, half)];
    // Teeth that are counted have no tolerance; those of a strap go by the barrel.
    const tips = gear?.style === 'strap' ? plus(times(t, m / 2), lin(m)) : lin(radius(s.value(t)));
    s.add(
      piece,
      `gear-${ring.turns}`,
      [middle, half, t],
      (n) => turned(0, 0, n(middle) - n(half), n(middle) + n(half), radius(n(t))),
      {
        called: `${ring.turns} gear`,
        moving: travel !== null,
        faces: { x0: times(tips, -1), x1: tips, y0: times(tips, -1), y1: tips, z0, z1 },
      },
    );
    if (gear) {
      s.touch(piece.key, 'lens');
      for (const other of list)
        if (other.gear && other !== entry) s.touch(piece.key, pieceKey('gear', other.turns));
    }
  }
  return list;
}

/** How far the pitch line of a strap stands off the barrel when nobody says, mm. Common practice. */
const STRAP = { value: 2.5, tol: 1 };

/** Teeth of a strap: as many as go around the barrel it is closed on. */
function strapTeeth(s: Setting, lens: Lens, ring: string, gear: GearRing): Given {
  const barrel = s.q(lens, ['rings', ring, 'diameter'], 2 * STAND_IN.radius);
  const height = s.q(gear, ['strapHeight'], STRAP.value).known ?? STRAP;
  const m = valueOf(gear.module) ?? MODULE;
  const d = barrel.known;
  const value = d ? (d.value + 2 * height.value) / m : 0;
  const tol = d ? (d.tol + 2 * height.tol) / m : 0;
  return {
    ...barrel,
    label: d ? `teeth that ${gear.name} has around its barrel` : barrel.label,
    unit: 'teeth',
    known: d ? { value, tol, from: d.from, lo: value - tol, hi: value + tol } : null,
  };
}

/** The gear of a ring: closed on it, cut in, or none. */
function lensGear(s: Setting, lens: Lens, ring: LensRing): LensGear {
  const { rig, kit } = s.built;
  const use = rig.gears?.find((g) => g.turns === ring.turns);
  const part = use ? kit.get(use.part) : null;
  const gear = isGearRing(part) ? part : null;
  const middle = plus(s.seat, of(s.q(lens, ['rings', ring.id, 'z'], 40)));
  const cut = ring.teeth !== undefined;
  const teeth = gear
    ? gear.style === 'strap'
      ? strapTeeth(s, lens, ring.id, gear)
      : // One that may be a strap has the teeth its barrel gives it, or those it says.
        s.counted(gear, gear.style === undefined ? ['style'] : ['teeth'], 'teeth')
    : cut
      ? s.counted(lens, ['rings', ring.id, 'teeth'], 'teeth')
      : null;
  const own = gear ?? lens;
  const modulePath = gear ? ['module'] : ['rings', ring.id, 'module'];
  const said = readPath(own, modulePath);
  const gearModule =
    said === undefined ? constant('module', 'mm', exactly(MODULE)) : s.q(own, modulePath, MODULE);
  const width = gear ? s.q(gear, ['width'], 12) : s.q(lens, ['rings', ring.id, 'width'], 12);
  return {
    turns: ring.turns,
    ring,
    gear,
    teeth,
    module: gearModule,
    middle,
    width,
  };
}

/** Rings and filters on the thread, by their outside. */
function placeThread(s: Setting): void {
  const { built } = s;
  const { lens, rig } = built;
  if (!lens) return;
  let before = 'lens';
  for (const { part, index, from, to } of axisOf(built).thread) {
    const use = rig.thread![index]!;
    const piece = s.piece({ is: 'thread', id: use.id ?? use.part }, part);
    const size = Math.max(
      valueOf((part as { female?: number }).female) ?? 0,
      valueOf((part as { male?: number }).male) ?? 0,
      60,
    );
    const d = of(
      isRing(part) && part.outerDiameter === undefined && part.clamp !== undefined
        ? s.q(part, ['clamp'], size + 4)
        : s.q(part, ['outerDiameter'], size + 4),
    );
    round(s, piece, 'rim', from, to, d);
    s.touch(before, piece.key);
    for (const u of rig.thread!.slice(0, index)) s.touch(threadKey(u), piece.key);
    s.touch('lens', piece.key);
    before = piece.key;
  }
}
