import { cagesOn, fittedOn } from '../../../place/fitted';
import { onTheBox } from '../../../place/on-box';
import { findUnderBox } from '../../../place/under-box';
import { lineOf } from '../../rods/under/line';
import { pieceKey } from '../../../place/piece';
import { node } from '../../../engine/reads';
import { rodSystem } from '../../rods/kit/systems';
import { isFitting, type FittedUse, type Fitting, type Plate } from '../../../kit/types';
import { poseOfFaces } from '../../joints/place/pose';
import { placeFitted } from './against';
import { sector, type Axes } from '../../../solids/solid';
import { AXIS_STAND_IN, faceOf, missingOf } from '../../../build/axis';
import type { Built } from '../../../build/build';
import { lin, minus, of, plus, times, ZERO, type Lin } from '../../../build/lin';
import { rodsOf, underCamera } from '../../rods/under/under';
import {
  above,
  block,
  setting,
  STAND_IN,
  type Clamped,
  type Faces,
  type Setting,
} from '../../../place/setting';

/** The plate on the rig, with its two rod clamps. */
export interface PlacedPlate {
  plate: Plate;
  /** Axis down to its top. */
  top: Lin;
  from: Lin;
  to: Lin;
  clamps: Clamped[];
}

/** The camera with what is screwed to it and what stands under it. */
export interface Camera {
  s: Setting;
  plate: PlacedPlate | null;
}

/**
 * Body, cage, screen, plate and all that is fitted to them: a lens or a drive that changes leaves
 * them as they are.
 */
export function cameraOf(built: Built): Camera {
  return built.once(CAMERA);
}

const CAMERA = node('camera', (built: Built): Camera => {
  const { s: below, plate, faces } = built.once(BARE);
  const s = above(below, built);
  placeFitted(s, faces);
  return { s, plate };
});

/** The camera without what the box carries: that stands when the box does. */
const UNBOXED = node('camera without what is on the box', (built: Built): Setting => {
  const { s: below, faces } = built.once(BARE);
  const s = above(below, built);
  placeFitted(s, faces, new Set(onTheBox(fittedOn(built)).map((u) => u.id)));
  return s;
});

findUnderBox((built, on) => {
  const s = built.once(UNBOXED);
  return { ...lineOf(s, on), value: s.value };
});

/** Body, cage, screen and plate: what is fitted to them, and moved, leaves them as they are. */
export function bareCamera(built: Built): Setting {
  return built.once(BARE).s;
}

const BARE = node('camera without what is fitted', layOut);

function layOut(built: Built): Camera & { faces: Faces | null } {
  const s = setting(built);
  s.face = faceOf(built);
  for (const g of missingOf(s.face)) s.standIns.set(g, AXIS_STAND_IN.flange);
  const faces = placeBody(s);
  const plate = placePlate(s);
  return { s, plate, faces };
}

/** Body and cage; the faces that other parts stand against. */
function placeBody(s: Setting): Faces | null {
  const { built } = s;
  const { body } = built;
  if (!body) return null;
  const size = STAND_IN.body;
  const w = of(s.q(body, ['width'], size[0]));
  const h = of(s.q(body, ['height'], size[1]));
  const d = of(s.q(body, ['depth'], size[2]));
  const base = of(s.q(body, ['axisToBase'], STAND_IN.base));
  const piece = s.piece({ is: 'body' }, body);
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
  for (const use of cagesOn(built)) {
    const cage = built.kit.get(use.part);
    if (isFitting(cage)) faces = placeCage(s, own, faces, use, cage);
  }
  return faces;
}

/**
 * A cage around the body: its walls, without the sides it leaves open. Its room inside is its own
 * where it says it, and then has to hold the body; one that is made for the body closes on it, and
 * any other is drawn close and not computed with.
 *
 * @returns what other parts stand against: the farther out of body and cage on every side
 */
function placeCage(s: Setting, own: Faces, so: Faces, use: FittedUse, cage: Fitting): Faces {
  const wall = of(s.q(cage, ['wall'], 6));
  const bottom = of(s.q(cage, ['bottom'], 8));
  const deep = of(s.q(cage, ['depth'], STAND_IN.body[2]));
  const back = cage.frontBack === undefined ? ZERO : of(s.q(cage, ['frontBack'], 0));
  const front = minus(s.face, back);
  // Whose cage it is closes on its body; of another nobody knows what room it leaves.
  const closes = cage.madeFor?.includes(s.built.body!.id) === true;
  const open = (key: string) => (closes ? ZERO : of(s.q(cage, [key], 0), 0));
  const [across, up] = [open('innerWidth'), open('innerHeight')];
  const room: Faces = {
    ...own,
    x0: plus(own.x0, across),
    x1: plus(own.x1, across),
    y1: plus(own.y1, up),
  };
  if (cage.innerWidth !== undefined) {
    const w = of(s.q(cage, ['innerWidth'], STAND_IN.body[0]));
    room.x0 = times(w, -0.5);
    room.x1 = times(w, 0.5);
  }
  if (cage.innerHeight !== undefined)
    room.y1 = plus(own.y0, of(s.q(cage, ['innerHeight'], STAND_IN.body[1])));
  const p = s.piece({ is: 'fitted', id: use.id }, cage);
  const outer: Faces = {
    x0: cage.openLeft ? room.x0 : minus(room.x0, wall),
    x1: cage.openRight ? room.x1 : plus(room.x1, wall),
    y0: cage.openBottom ? own.y0 : minus(own.y0, bottom),
    y1: cage.openTop ? room.y1 : plus(room.y1, wall),
    z0: minus(front, deep),
    z1: front,
  };
  p.faces = outer;
  if (!cage.openTop) block(s, p, 'top', { ...outer, y0: room.y1 });
  if (!cage.openBottom) block(s, p, 'bottom', { ...outer, y1: own.y0 });
  const sides = { y0: own.y0, y1: room.y1 };
  if (!cage.openLeft) block(s, p, 'left', { ...outer, ...sides, x1: room.x0 });
  if (!cage.openRight) block(s, p, 'right', { ...outer, ...sides, x0: room.x1 });
  s.meet('body', p.key);
  // The screen folds out past its own cage.
  s.touch('screen', p.key);
  const further = (a: Lin, b: Lin, sign: number) => (sign * (s.value(a) - s.value(b)) >= 0 ? a : b);
  return {
    x0: further(outer.x0, so.x0, -1),
    x1: further(outer.x1, so.x1, 1),
    y0: further(outer.y0, so.y0, -1),
    y1: further(outer.y1, so.y1, 1),
    z0: further(outer.z0, so.z0, -1),
    z1: further(outer.z1, so.z1, 1),
  };
}

/** What the flip-out screen sweeps: a slice of a disc about its hinge. */
function placeScreen(s: Setting, f: Faces): void {
  const { body, rig } = s.built;
  if (!body?.screenSide || body.screenSide === 'fixed' || rig.screenShut) return;
  const hinge = minus(s.face, of(s.q(body, ['screenHinge'], 20)));
  const up = of(s.q(body, ['screenUp'], 0));
  const length = of(s.q(body, ['screenLength'], 80));
  const height = of(s.q(body, ['screenHeight'], 55));
  const opens = s.counted(body, ['screenOpens'], 'deg');
  s.standIns.set(opens, 90);
  const piece = s.piece({ is: 'screen' }, body);
  piece.name = `screen of ${body.name}`;
  const side = body.screenSide;
  const rear = side === 'rear' || side === 'rear-right';
  const x = side === 'right' || side === 'rear-right' ? f.x1 : f.x0;
  const z = rear ? f.z0 : hinge;
  const axes: Axes =
    side === 'rear'
      ? [
          [1, 0, 0],
          [0, 0, -1],
          [0, 1, 0],
        ]
      : side === 'rear-right'
        ? [
            [-1, 0, 0],
            [0, 0, -1],
            [0, -1, 0],
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
    { moving: true },
  );
  s.touch('screen', 'body');
}

/** The plate, with its two rod clamps. */
function placePlate(s: Setting): PlacedPlate | null {
  const { built } = s;
  const { body } = built;
  if (!body) return null;
  const under = underCamera(built, s.q);
  const { plate, use, top, drop } = under;
  if (!plate || !drop) return null;
  s.drop = drop;
  s.height = under.height;
  s.system = rodSystem(plate.rods) ?? rodSystem(rodsOf(built));
  const [w, t, l] = STAND_IN.plate;
  const length = of(s.q(plate, ['length'], l));
  const clamp = of(s.q(plate, ['clampLength'], STAND_IN.clamp));
  const wide = of(s.q(plate, ['width'], w));
  const thick = of(s.q(plate, ['thickness'], t));
  const front = use?.station === undefined ? s.face : lin(use.station);
  const back = minus(front, length);
  const piece = s.piece({ is: 'plate' }, plate);
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
  // What stands under it stands under its clamps, where these reach lower than its slab.
  const low = minus(lin(-around), drop);
  if (s.value(low) < s.value(faces.y0)) piece.pose = poseOfFaces({ ...faces, y0: low });
  s.meet('plate', 'body');
  for (const u of cagesOn(built)) s.meet('plate', pieceKey('fitted', u.id));
  return { plate, top, from: back, to: front, clamps };
}
