import { valueOf } from '../quantity/quantity';
import { rodSystem, type RodSystem } from '../rods/systems';
import {
  isBox,
  isDrive,
  isDriveArm,
  isFitting,
  isGearRing,
  isPlate,
  isRing,
  isRiser,
  isRods,
  isSupport,
  type FittedUse,
  type Fitting,
  type MatteBox,
  type Part,
  type Plate,
  type Rods,
} from '../kit/types';
import { MODULE, tipDiameter } from '../drive/gears';
import { cylinder, sector, turned, turnedBox, X_AXIS, type Axes } from '../solids/solid';
import { flangeOf, type Built } from './build';
import { frontPlaces } from './front-layout';
import { constant, exactly, readPath, type Given } from './given';
import { givens, lin, minus, of, plus, times, ZERO, type Lin } from './lin';
import {
  block,
  setting,
  STAND_IN,
  type Clamped,
  type Contacts,
  type Faces,
  type LensGear,
  type Piece,
  type PlacedRods,
  type Setting,
  type StandSolid,
} from './stand-setting';
import { placeDrive, type PlacedDrive } from './stand-drive';
import { placeSupport, type PlacedSupport } from './stand-support';

/**
 * The rig as solids in the frame of reference: the body, what the lens is made of, what stands
 * under and beside it. Every solid knows the numbers it rests on; one whose numbers are missing is
 * drawn at a stand-in and never computed with.
 */

export interface Stand {
  built: Built;
  pieces: Piece[];
  solids: StandSolid[];
  /** What is meant to touch. */
  contacts: Contacts;
  /** Face of the body's mount and seat of the lens. */
  face: Lin;
  seat: Lin;
  /** Axis down to the rods; null without a plate. */
  drop: Lin | null;
  system: RodSystem | null;
  plate: { plate: Plate; from: Lin; to: Lin; clamps: Clamped[] } | null;
  rods: PlacedRods[];
  /** What is clamped to the rods, without the plate's own clamps. */
  clamped: Clamped[];
  gears: LensGear[];
  drives: PlacedDrive[];
  supports: PlacedSupport[];
  /** Something stands under or beside the camera at all. */
  standing: boolean;
  value: (l: Lin) => number;
  missing: (l: readonly Lin[]) => Given[];
}

const kept = new WeakMap<Built, Stand>();

/** The rig as it stands; worked out once per built rig. */
export function standOf(built: Built): Stand {
  let stand = kept.get(built);
  if (!stand) kept.set(built, (stand = layOut(built)));
  return stand;
}

function layOut(built: Built): Stand {
  const s = setting(built);
  const { body, rig } = built;
  if (body) {
    const flange = flangeOf(built, body);
    s.standIns.set(flange, 20);
    s.face = of(flange);
  }
  const camera = placeBody(s);
  const plate = placePlate(s);
  placeLinksAndLens(s);
  const gears = placeGears(s);
  placeThread(s);
  const matte = placeMatteBox(s);
  placeFitted(s, camera);
  // Rods come after what they carry behind: they reach back to it.
  placeRods(s, plate);
  // What holds the lens up is set before the drives look for room beside it.
  const supports = (rig.supports ?? []).flatMap((use) => {
    const part = built.kit.get(use.part);
    return isSupport(part) ? [placeSupport(s, use, part, gears)] : [];
  });
  const drives = (rig.drives ?? []).flatMap((use) => {
    const part = built.kit.get(use.part);
    if (!isDrive(part)) return [];
    const arm = use.arm === undefined ? null : built.kit.get(use.arm);
    return [placeDrive(s, use, part, isDriveArm(arm) ? arm : null, gears)];
  });
  if (matte) for (const r of s.rods) s.touch(matte, `rods:${r.use.id}`);
  return {
    built,
    pieces: s.pieces,
    solids: s.solids,
    contacts: s.contacts,
    face: s.face,
    seat: s.seat,
    drop: s.drop,
    system: s.system,
    plate,
    rods: s.rods,
    clamped: s.clamped,
    gears,
    drives,
    supports,
    standing:
      (rig.rods?.length ?? 0) +
        (rig.supports?.length ?? 0) +
        (rig.drives?.length ?? 0) +
        (rig.gears?.length ?? 0) +
        (rig.fitted?.length ?? 0) >
      0,
    value: s.value,
    missing: (l) => givens(l).filter((g) => g.known === null),
  };
}

/** Body and cage; the faces that other parts stand against. */
function placeBody(s: Setting): Faces | null {
  const { built } = s;
  const { body, rig } = built;
  if (!body) return null;
  const size = STAND_IN.body;
  const w = of(s.q(body, ['width'], size[0]));
  const h = of(s.q(body, ['height'], size[1]));
  const d = of(s.q(body, ['depth'], size[2]));
  const base = of(s.q(body, ['axisToBase'], STAND_IN.base));
  const piece = s.piece('body', body);
  const own: Faces = {
    x0: times(w, -0.5),
    x1: times(w, 0.5),
    y0: times(base, -1),
    y1: minus(h, base),
    z0: minus(s.face, d),
    z1: s.face,
  };
  piece.faces = own;
  block(s, piece, 'body', own);
  placeScreen(s, own);
  let faces = own;
  for (const use of rig.fitted ?? []) {
    const cage = built.kit.get(use.part);
    if (!isFitting(cage) || cage.kind !== 'cage') continue;
    const wall = of(s.q(cage, ['wall'], 6));
    const bottom = of(s.q(cage, ['bottom'], 8));
    const deep = of(s.q(cage, ['depth'], size[2]));
    const p = s.piece(`fitted:${use.id}`, cage);
    const outer: Faces = {
      x0: minus(own.x0, wall),
      x1: plus(own.x1, wall),
      y0: minus(own.y0, bottom),
      y1: plus(own.y1, wall),
      z0: minus(s.face, deep),
      z1: s.face,
    };
    p.faces = outer;
    block(s, p, 'top', { ...outer, y0: own.y1 });
    block(s, p, 'bottom', { ...outer, y1: own.y0 });
    block(s, p, 'left', { ...outer, x1: own.x0, y0: own.y0, y1: own.y1 });
    block(s, p, 'right', { ...outer, x0: own.x1, y0: own.y0, y1: own.y1 });
    s.touch('body', p.key);
    // The screen folds out past its own cage.
    s.touch('screen', p.key);
    faces = outer;
  }
  return faces;
}

/** What the flip-out screen sweeps: a slice of a disc about its hinge. */
function placeScreen(s: Setting, f: Faces): void {
  const { body, rig } = s.built;
  if (!body?.screenSide || rig.screenShut) return;
  const hinge = minus(s.face, of(s.q(body, ['screenHinge'], 20)));
  const up = of(s.q(body, ['screenUp'], 0));
  const length = of(s.q(body, ['screenLength'], 80));
  const height = of(s.q(body, ['screenHeight'], 55));
  const opens = s.counted(body, ['screenOpens'], 'deg');
  s.standIns.set(opens, 90);
  const piece = s.piece('screen', body);
  piece.name = `screen of ${body.name}`;
  const side = body.screenSide;
  const x = side === 'right' ? f.x1 : f.x0;
  const z = side === 'rear' ? f.z0 : hinge;
  const axes: Axes =
    side === 'rear'
      ? [
          [1, 0, 0],
          [0, 0, -1],
          [0, 1, 0],
        ]
      : side === 'left'
        ? [
            [0, 0, -1],
            [-1, 0, 0],
            [0, 1, 0],
          ]
        : [
            [0, 0, -1],
            [1, 0, 0],
            [0, -1, 0],
          ];
  s.add(
    piece,
    'sweep',
    [x, up, z, length, height, of(opens)],
    (n) =>
      sector(
        [n(x), n(up), n(z)],
        axes,
        Math.max(1, n(length)),
        Math.max(0.5, n(height) / 2),
        0,
        (Math.min(180, Math.max(1, n(of(opens)))) * Math.PI) / 180,
      ),
    true,
  );
  s.touch('screen', 'body');
}

/** The plate, with its two rod clamps. */
function placePlate(s: Setting): Stand['plate'] {
  const { built } = s;
  const { body, rig } = built;
  if (!body) return null;
  let drop: Lin = of(s.q(body, ['axisToBase'], STAND_IN.base));
  let plate: Plate | null = null;
  let station: number | undefined;
  for (const use of rig.fitted ?? []) {
    const cage = built.kit.get(use.part);
    if (cage?.kind === 'cage') drop = plus(drop, of(s.q(cage, ['bottom'], 8)));
  }
  let top = drop;
  for (const use of rig.under ?? []) {
    const part = built.kit.get(use.part);
    if (isPlate(part)) {
      plate = part;
      station = use.station;
      drop = plus(drop, of(s.q(part, ['topToRods'], 40)));
    } else if (isRiser(part)) {
      const t = of(s.q(part, ['thickness'], 5));
      if (use.at === 'rods') drop = minus(drop, t);
      else {
        drop = plus(drop, t);
        if (!plate) top = plus(top, t);
      }
    }
  }
  if (!plate) return null;
  // Risers named after the plate are under the body all the same.
  top = minus(drop, of(s.q(plate, ['topToRods'], 40)));
  s.drop = drop;
  const rodPart = (rig.rods ?? [])
    .map((u) => built.kit.get(u.part))
    .find((p): p is Rods => isRods(p) && p.rods !== undefined);
  s.system = rodSystem(plate.rods) ?? rodSystem(rodPart?.rods);
  const [w, t, l] = STAND_IN.plate;
  const length = of(s.q(plate, ['length'], l));
  const clamp = of(s.q(plate, ['clampLength'], STAND_IN.clamp));
  const wide = of(s.q(plate, ['width'], w));
  const thick = of(s.q(plate, ['thickness'], t));
  const front = station === undefined ? s.face : lin(station);
  const back = minus(front, length);
  const piece = s.piece('plate', plate);
  const faces: Faces = {
    x0: times(wide, -0.5),
    x1: times(wide, 0.5),
    y0: times(plus(top, thick), -1),
    y1: times(top, -1),
    z0: back,
    z1: front,
  };
  piece.faces = faces;
  block(s, piece, 'slab', faces);
  const clamps: Clamped[] = [
    { from: minus(front, clamp), to: front, name: `front clamp of ${plate.name}` },
    { from: back, to: plus(back, clamp), name: `rear clamp of ${plate.name}` },
  ].map((c) => ({ ...c, key: 'plate', part: plate.id, rods: plate.rods }));
  const across = (s.system?.centres ?? 60) / 2 + (s.system?.rod ?? 15);
  const around = (s.system?.rod ?? 15) / 2 + 4;
  for (const c of clamps)
    block(s, piece, 'clamp', {
      x0: lin(-across),
      x1: lin(across),
      y0: minus(lin(-around), drop),
      y1: minus(lin(around), drop),
      z0: c.from,
      z1: c.to,
    });
  s.touch('plate', 'body');
  for (const u of rig.fitted ?? [])
    if (built.kit.get(u.part)?.kind === 'cage') s.touch('plate', `fitted:${u.id}`);
  return { plate, from: back, to: front, clamps };
}

/** Adapters, reducers and the lens by its barrel. */
function placeLinksAndLens(s: Setting): void {
  const { built } = s;
  let z = s.face;
  const seen: string[] = ['body'];
  for (const { link, index } of built.links) {
    const length = of(s.q(link, ['length'], 20));
    const d = of(s.q(link, ['outerDiameter'], 2 * STAND_IN.radius));
    const piece = s.piece(`link:${index}`, link);
    const from = z;
    const to = plus(z, length);
    s.add(piece, 'barrel', [from, to, d], (n) => turned(0, 0, n(from), n(to), n(d) / 2));
    foot(s, piece, link, from);
    // Pieces of one chain are each other's neighbours, however thin the one between them is.
    for (const k of seen) s.touch(k, piece.key);
    s.touch('plate', `${piece.key}/foot`);
    seen.push(piece.key);
    z = to;
  }
  s.seat = z;
  const { lens } = built;
  if (!lens) return;
  const seat = z;
  const length = of(s.q(lens, ['length'], STAND_IN.lens));
  const steps = (lens.outline ?? [])
    .map((o, i) => ({ i, z: valueOf(o.z) ?? 0 }))
    .sort((a, b) => a.z - b.z);
  const piece = s.piece(
    'lens',
    lens,
    steps.length > 0 ? null : `${lens.name} is taken as straight: its barrel outline is not known.`,
  );
  const rim = plus(seat, length);
  if (steps.length === 0) {
    const d = of(s.q(lens, ['frontDiameter'], 2 * STAND_IN.radius));
    s.add(piece, 'barrel', [seat, rim, d], (n) => turned(0, 0, n(seat), n(rim), n(d) / 2));
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
    s.add(piece, driven ? 'barrel' : 'shoulder', [from, to, d], (n) =>
      turned(0, 0, n(from), n(to), n(d) / 2),
    );
  });
  // Where the front comes to when it is focused close or zoomed: swept.
  for (const key of ['lengthClose', 'lengthTo'] as const) {
    const far = valueOf(lens[key]);
    const now = valueOf(lens.length);
    if (far === null || now === null || far <= now) continue;
    const to = plus(seat, of(s.q(lens, [key], now)));
    const d = of(s.q(lens, ['frontDiameter'], 2 * STAND_IN.radius));
    s.add(piece, 'travel', [rim, to, d], (n) => turned(0, 0, n(rim), n(to), n(d) / 2), true);
  }
  foot(s, piece, lens, seat);
  s.touch('plate', 'lens/foot');
  for (const k of seen.slice(1)) s.touch(k, 'lens');
  if (seen.length === 1) s.touch('body', 'lens');
}

/** A tripod foot: a block from the barrel down to its bottom. */
function foot(s: Setting, piece: Piece, part: Part, from: Lin): void {
  const p = part as { footDown?: unknown; footAt?: unknown; footLength?: unknown };
  if (p.footDown === undefined) return;
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
  const { lens, rig, kit } = s.built;
  if (!lens) return [];
  const list: LensGear[] = [];
  for (const ring of lens.rings ?? []) {
    const use = rig.gears?.find((g) => g.turns === ring.turns);
    const part = use ? kit.get(use.part) : null;
    const gear = isGearRing(part) ? part : null;
    const middle = plus(s.seat, of(s.q(lens, ['rings', ring.id, 'z'], 40)));
    const cut = ring.teeth !== undefined;
    const teeth = gear
      ? s.counted(gear, ['teeth'], 'teeth')
      : cut
        ? s.counted(lens, ['rings', ring.id, 'teeth'], 'teeth')
        : null;
    const own = gear ?? lens;
    const modulePath = gear ? ['module'] : ['rings', ring.id, 'module'];
    const said = readPath(own, modulePath);
    const gearModule =
      said === undefined ? constant('module', 'mm', exactly(MODULE)) : s.q(own, modulePath, MODULE);
    const width = gear ? s.q(gear, ['width'], 12) : s.q(lens, ['rings', ring.id, 'width'], 12);
    const entry: LensGear = {
      turns: ring.turns,
      ring,
      gear,
      teeth,
      module: gearModule,
      middle,
      width,
    };
    list.push(entry);
    if (!teeth) continue;
    s.standIns.set(teeth, 90);
    const piece = gear
      ? s.piece(`gear:${ring.turns}`, gear)
      : s.pieces.find((p) => p.key === 'lens')!;
    const t = of(teeth);
    const half = times(of(width), 0.5);
    const travel =
      ring.travel === undefined ? null : of(s.q(lens, ['rings', ring.id, 'travel'], 0));
    s.add(
      piece,
      `gear-${ring.turns}`,
      [middle, half, t],
      (n) => {
        const m = gearModule.known?.value ?? MODULE;
        return turned(
          0,
          0,
          n(middle) - n(half),
          n(middle) + n(half),
          tipDiameter(Math.max(6, n(t)), m) / 2,
        );
      },
      travel !== null,
    );
    if (gear) {
      s.touch(piece.key, 'lens');
      for (const other of list)
        if (other.gear && other !== entry) s.touch(piece.key, `gear:${other.turns}`);
    }
  }
  return list;
}

/** Rings and filters on the thread, by their outside. */
function placeThread(s: Setting): void {
  const { built } = s;
  const { lens, rig } = built;
  if (!lens) return;
  let z = plus(s.seat, of(s.q(lens, ['length'], STAND_IN.lens)));
  let before = 'lens';
  rig.thread?.forEach((use, index) => {
    const part = built.kit.get(use.part);
    if (!part || (part.kind !== 'ring' && part.kind !== 'filter')) return;
    const piece = s.piece(`thread:${index}`, part);
    const from = z;
    const to = plus(z, of(s.q(part, ['thickness'], 6)));
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
    s.add(piece, 'rim', [from, to, d], (n) => turned(0, 0, n(from), n(to), n(d) / 2));
    s.touch(before, piece.key);
    for (let i = 0; i < index; i++) s.touch(`thread:${i}`, piece.key);
    s.touch('lens', piece.key);
    before = piece.key;
    z = to;
  });
}

/** The matte box as a block from its back to its mouth, its flags, its swing. */
function placeMatteBox(s: Setting): string | null {
  const { built } = s;
  const { lens, rig } = built;
  const part = rig.box ? built.kit.get(rig.box.part) : null;
  const drawn = frontPlaces(built)?.box ?? null;
  if (!isBox(part) || !drawn || !lens) return null;
  const piece = s.piece('box', part);
  const length = s.q(lens, ['length'], STAND_IN.lens);
  const rim = plus(s.seat, of(length));
  // It follows the lens, or stands where it was set.
  const back =
    rig.box!.station !== undefined && part.attach === 'rods'
      ? lin(rig.box!.station)
      : plus(rim, lin(drawn.from - s.value(rim)));
  const deep = of(s.q(part, ['mouthZ'], 80));
  const shorter = drawn.to - drawn.from - (valueOf(part.mouthZ) ?? 80);
  const front = plus(back, deep, lin(shorter));
  const w = of(s.q(part, ['width'], 170));
  const h = of(s.q(part, ['height'], 130));
  const middle = lin(drawn.middle);
  const faces: Faces = {
    x0: times(w, -0.5),
    x1: times(w, 0.5),
    y0: minus(middle, times(h, 0.5)),
    y1: plus(middle, times(h, 0.5)),
    z0: back,
    z1: front,
  };
  piece.faces = faces;
  block(s, piece, 'box', faces);
  for (const f of drawn.flags) {
    const dz = f.tip[0] - f.hinge[0];
    const dr = f.tip[1] - f.hinge[1];
    const long = Math.hypot(dz, dr);
    if (long < 1) continue;
    const upright = f.side === 'top' || f.side === 'bottom';
    const along: readonly [number, number, number] = upright
      ? [0, dr / long, dz / long]
      : [dr / long, 0, dz / long];
    const side: readonly [number, number, number] = upright ? [1, 0, 0] : [0, 1, 0];
    const third: readonly [number, number, number] = [
      along[1] * side[2] - along[2] * side[1],
      along[2] * side[0] - along[0] * side[2],
      along[0] * side[1] - along[1] * side[0],
    ];
    const half = upright ? drawn.halfWide : drawn.half;
    const off = f.hinge[0] - s.value(back);
    s.add(piece, 'flag', [back, w, h], (n) => {
      const z = n(back) + off + dz / 2;
      const r = f.hinge[1] + dr / 2;
      return turnedBox(
        upright ? [0, r, z] : [r, drawn.middle, z],
        [half, long / 2, 1],
        [side, along, third],
      );
    });
  }
  s.touch('box', 'lens');
  (rig.thread ?? []).forEach((_, i) => s.touch('box', `thread:${i}`));
  for (const g of rig.gears ?? []) if (part.attach !== 'rods') s.touch('box', `gear:${g.turns}`);
  if (part.attach === 'rods') {
    const clamp = of(s.q(part, ['clampLength'], STAND_IN.clamp));
    s.clamped.push({
      key: 'box',
      part: part.id,
      name: part.name,
      from: back,
      to: plus(back, clamp),
      rods: part.rods,
    });
    if (s.drop) {
      const across = (s.system?.centres ?? 60) / 2 + (s.system?.rod ?? 15);
      const drop = s.drop;
      block(s, piece, 'bracket', {
        x0: lin(-across),
        x1: lin(across),
        y0: minus(lin(-(s.system?.rod ?? 15)), drop),
        y1: faces.y0,
        z0: back,
        z1: plus(back, clamp),
      });
    }
  }
  if (part.swing) swing(s, part, faces, drawn.middle);
  return 'box';
}

/** What a swing-away box sweeps: about an upright hinge at its side. */
function swing(s: Setting, part: MatteBox, f: Faces, middle: number): void {
  const piece = s.piece('swing', part);
  piece.name = `${part.name} swung away`;
  const right = part.swing === 'right';
  const w = minus(f.x1, f.x0);
  const h = minus(f.y1, f.y0);
  const axes: Axes = right
    ? [
        [-1, 0, 0],
        [0, 0, 1],
        [0, 1, 0],
      ]
    : [
        [1, 0, 0],
        [0, 0, 1],
        [0, -1, 0],
      ];
  const x = right ? f.x1 : f.x0;
  s.add(
    piece,
    'sweep',
    [x, w, h, f.z1],
    (n) => sector([n(x), middle, n(f.z1)], axes, n(w), n(h) / 2, 0, Math.PI / 2),
    true,
  );
  for (const k of ['box', 'lens', 'plate']) s.touch('swing', k);
  for (const u of s.built.rig.rods ?? []) s.touch('swing', `rods:${u.id}`);
  (s.built.rig.thread ?? []).forEach((_, i) => s.touch('swing', `thread:${i}`));
}

/** Handles, grips, monitors, batteries: blocks against a face. */
function placeFitted(s: Setting, camera: Faces | null): void {
  const { built } = s;
  if (!camera) return;
  const cages = (built.rig.fitted ?? [])
    .filter((u) => built.kit.get(u.part)?.kind === 'cage')
    .map((u) => `fitted:${u.id}`);
  for (const use of built.rig.fitted ?? []) {
    const part = built.kit.get(use.part);
    if (!isFitting(part) || part.kind === 'cage') continue;
    placeOne(s, camera, use, part, cages);
  }
}

function placeOne(
  s: Setting,
  camera: Faces,
  use: FittedUse,
  part: Fitting,
  cages: readonly string[],
): void {
  const [w0, h0, d0] = STAND_IN.block;
  const w = of(s.q(part, ['width'], w0));
  const h = of(s.q(part, ['height'], h0));
  const d = of(s.q(part, ['depth'], d0));
  const piece = s.piece(`fitted:${use.id}`, part);
  const target =
    use.to === undefined ? null : (s.pieces.find((p) => p.key === `fitted:${use.to}`) ?? null);
  const against = target?.faces ?? camera;
  const mid = (a: Lin, b: Lin) => times(plus(a, b), 0.5);
  const [x, y, z] = [lin(use.x ?? 0), lin(use.y ?? 0), lin(use.z ?? 0)];
  const centred = (a: Lin, b: Lin, size: Lin, by: Lin): [Lin, Lin] => {
    const m = plus(mid(a, b), by);
    return [minus(m, times(size, 0.5)), plus(m, times(size, 0.5))];
  };
  let [x0, x1] = centred(against.x0, against.x1, w, x);
  let [y0, y1] = centred(against.y0, against.y1, h, y);
  let [z0, z1] = centred(against.z0, against.z1, d, z);
  switch (use.on) {
    case 'top':
      y0 = plus(against.y1, y);
      y1 = plus(y0, h);
      break;
    case 'bottom':
      y1 = plus(against.y0, y);
      y0 = minus(y1, h);
      break;
    case 'left':
      x1 = plus(against.x0, x);
      x0 = minus(x1, w);
      break;
    case 'right':
      x0 = plus(against.x1, x);
      x1 = plus(x0, w);
      break;
    case 'front':
      z0 = plus(against.z1, z);
      z1 = plus(z0, d);
      break;
    case 'rear':
      z1 = plus(against.z0, z);
      z0 = minus(z1, d);
      break;
    case 'rods': {
      const drop = s.drop ?? lin(STAND_IN.drop);
      [x0, x1] = centred(ZERO, ZERO, w, x);
      y0 = plus(minus(lin(-UNDER_RODS), drop), y);
      y1 = plus(y0, h);
      // Room for cables behind the camera, and clear of the plate's own clamp.
      const behind = minus(camera.z0, lin(BEHIND));
      const plate = s.pieces.find((p) => p.key === 'plate')?.faces ?? null;
      const clear = plate ? minus(plate.z0, lin(CLEAR)) : behind;
      const free = s.value(clear) < s.value(behind) ? clear : behind;
      z1 = use.station === undefined ? plus(free, z) : lin(use.station);
      z0 = minus(z1, d);
      const clamp = part.clampLength === undefined ? d : of(s.q(part, ['clampLength'], 20));
      s.clamped.push({
        key: piece.key,
        part: part.id,
        name: part.name,
        from: minus(z1, clamp),
        to: z1,
        rods: part.rods,
      });
      for (const u of s.built.rig.rods ?? []) s.touch(piece.key, `rods:${u.id}`);
      break;
    }
  }
  piece.faces = { x0, x1, y0, y1, z0, z1 };
  block(s, piece, 'block', piece.faces, ((use.turn ?? 0) * Math.PI) / 180);
  if (part.tilts)
    // A screen that tilts sweeps a drum about its middle.
    s.add(
      piece,
      'tilt',
      [x0, x1, y0, y1, z0, z1],
      (n) =>
        cylinder(
          [(n(x0) + n(x1)) / 2, (n(y0) + n(y1)) / 2, (n(z0) + n(z1)) / 2],
          Math.hypot(n(y1) - n(y0), n(z1) - n(z0)) / 2,
          Math.abs(n(x1) - n(x0)) / 2,
          X_AXIS,
        ),
      true,
    );
  if (target) s.touch(target.key, piece.key);
  else if (use.on !== 'rods') {
    s.touch('body', piece.key);
    for (const cage of cages) s.touch(cage, piece.key);
  }
  if (use.on === 'rods') s.touch(piece.key, 'plate/none');
}

/** A clamp of a battery plate reaches so far under the rods; it stands so far behind the camera. */
const UNDER_RODS = 14;
const BEHIND = 20;
const CLEAR = 4;

/** Rods through or from the clamps of the plate. */
function placeRods(s: Setting, plate: Stand['plate']): void {
  const { built } = s;
  const uses = (built.rig.rods ?? []).flatMap((use) => {
    const part = built.kit.get(use.part);
    return isRods(part) ? [{ use, part }] : [];
  });
  if (uses.length === 0) return;
  const drop = s.drop ?? lin(STAND_IN.drop);
  const system = s.system ?? rodSystem(uses[0]!.part.rods);
  s.system = system;
  const r = (system?.rod ?? 15) / 2;
  const cc = (system?.centres ?? 60) / 2;
  const rearPair = uses.some((u) => u.use.place === 'rear');
  for (const { use, part } of uses) {
    const length = of(s.q(part, ['length'], STAND_IN.rods));
    const back = plate?.from ?? minus(s.face, lin(100));
    let from: Lin;
    let to: Lin;
    if (use.tip !== undefined) {
      to = lin(use.tip);
      from = minus(to, length);
    } else if (use.place === 'rear') {
      to = plate ? plate.clamps[1]!.to : back;
      from = minus(to, length);
    } else {
      // As far back as the clamps and what hangs behind ask for, the rest stands ahead.
      from = use.place === 'front' && plate && rearPair ? plate.clamps[0]!.from : back;
      if (use.place === 'through' && !rearPair)
        for (const c of s.clamped)
          if (s.value(c.to) < s.value(back) && s.value(c.from) < s.value(from)) from = c.from;
      to = plus(from, length);
    }
    s.rods.push({ use, rods: part, from, to });
    const piece = s.piece(`rods:${use.id}`, part);
    for (const x of part.single ? [0] : [-cc, cc])
      s.add(piece, 'rod', [from, to, drop], (n) => turned(x, -n(drop), n(from), n(to), r));
    piece.faces = {
      x0: lin(-cc - r),
      x1: lin(cc + r),
      y0: minus(lin(-r), drop),
      y1: minus(lin(r), drop),
      z0: from,
      z1: to,
    };
    s.touch(piece.key, 'plate');
    for (const other of s.rods) if (other.use !== use) s.touch(piece.key, `rods:${other.use.id}`);
  }
}
