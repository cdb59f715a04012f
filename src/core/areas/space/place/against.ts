import type { Built } from '../../../build/build';
import { lin, minus, of, plus, times, ZERO, type Lin } from '../../../build/lin';
import { isFitting, type FittedUse, type Fitting, type Part } from '../../../kit/types';
import { cagesOn, fittedOn } from '../../../place/fitted';
import { pieceKey } from '../../../place/piece';
import {
  block,
  dropOf,
  round,
  STAND_IN,
  type Faces,
  type Piece,
  type Pose,
  type Setting,
} from '../../../place/setting';
import { cylinder, turnedBox, X_AXIS } from '../../../solids/solid';
import { boxAsHost } from '../../front/place/box-solids';
import { facesOf, isSquare, poseOf } from '../../joints/place/pose';
import { seatedPose } from '../../joints/place/seated';
import { fittedInOrder } from './fitted';

/**
 * What a fitted part is held by: another fitted part, the matte box, the plate under the camera, or the
 * body. The box is placed later: `box` says where it will stand.
 */
export function hostPiece(
  pieces: readonly Piece[],
  use: FittedUse,
  box: () => Piece | null,
): { piece: Piece; fitted: boolean } | null {
  const by = (key: string) => pieces.find((p) => p.key === key);
  if (use.to !== undefined) {
    const piece = by(pieceKey('fitted', use.to));
    return piece ? { piece, fitted: true } : null;
  }
  if (use.on === 'box') {
    const piece = box();
    return piece && { piece, fitted: true };
  }
  const piece = (use.on === 'under' ? by('plate') : undefined) ?? by('body');
  return piece ? { piece, fitted: false } : null;
}

/** Handles, grips, monitors, batteries: blocks held by an interface, or against a face. */
export function placeFitted(
  s: Setting,
  camera: Faces | null,
  /** Uses that are left off. */
  without: ReadonlySet<string> = new Set(),
): void {
  const { built } = s;
  if (!camera) return;
  const cages = cagesOn(built).map((u) => pieceKey('fitted', u.id));
  for (const use of fittedInOrder(fittedOn(built))) {
    const part = built.kit.get(use.part);
    if (!isFitting(part) || part.kind === 'cage' || without.has(use.id)) continue;
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
  const rod = part.kind === 'rod';
  const size: Size = rod
    ? [
        of(s.q(part, ['width'], ROD[0])),
        of(s.q(part, ['width'], ROD[0])),
        of(s.q(part, ['depth'], ROD[1])),
      ]
    : [of(s.q(part, ['width'], w0)), of(s.q(part, ['height'], h0)), of(s.q(part, ['depth'], d0))];
  const piece = s.piece({ is: 'fitted', id: use.id }, part);
  const host = hostPiece(s.pieces, use, () => boxAsHost(s));
  const target = host?.fitted ? host.piece : null;
  const pose = seatedOf(s.built, use, part, size, host?.piece ?? null);
  if (pose) {
    piece.pose = pose;
    piece.faces = facesOf(pose);
  } else piece.faces = facesAgainst(s, camera, target, use, part, size, piece);
  if (rod) standRod(s, piece, use, part);
  else if (pose) standTurned(s, piece, piece.faces, pose);
  else block(s, piece, 'block', piece.faces, ((use.turn ?? 0) * Math.PI) / 180);
  if (part.tilts) tiltOf(s, piece, piece.faces!);
  standAgainst(s, piece, use, part, pose ? (host?.piece ?? null) : target, cages);
}

type Size = readonly [Lin, Lin, Lin];

/** Where it stands by the interfaces of the two; null when they name none that are there. */
function seatedOf(
  built: Built,
  use: FittedUse,
  part: Fitting,
  size: Size,
  host: Piece | null,
): Pose | null {
  const hostPart: Part | undefined = host ? built.kit.get(host.part) : undefined;
  if (!host || !hostPart || use.at === undefined || use.by === undefined) return null;
  return seatedPose(use, part, size, hostPart, host);
}

/** A block where its joint puts it, turned as far as the joint lets it. */
function standTurned(s: Setting, piece: Piece, faces: Faces, pose: Pose): void {
  if (isSquare(pose.axes)) {
    block(s, piece, 'block', faces);
    return;
  }
  s.add(piece, 'block', [...pose.middle, ...pose.half], (n) =>
    turnedBox(
      [n(pose.middle[0]), n(pose.middle[1]), n(pose.middle[2])],
      [n(pose.half[0]), n(pose.half[1]), n(pose.half[2])],
      pose.axes,
    ),
  );
}

/** A single rod: round, along its own z. Drives and supports find it among the rods. */
function standRod(s: Setting, piece: Piece, use: FittedUse, part: Fitting): void {
  const pose = poseOf(piece)!;
  const [x, y, z] = pose.middle;
  const dir = pose.axes[2];
  const along = Math.abs(dir[0]) < 1e-9 && Math.abs(dir[1]) < 1e-9;
  const [from, to] = [minus(z, pose.half[2]), plus(z, pose.half[2])];
  if (along) round(s, piece, 'bar', from, to, times(pose.half[0], 2), { x, y });
  else
    s.add(piece, 'bar', [...pose.middle, pose.half[0], pose.half[2]], (n) =>
      cylinder([n(x), n(y), n(z)], n(pose.half[0]), n(pose.half[2]), dir),
    );
  const diameter = s.q(part, ['width'], ROD[0]);
  s.single.push({ key: piece.key, use: use.id, part, x, y, from, to, diameter, along });
}

/** A screen that tilts sweeps a drum about its middle. */
function tiltOf(s: Setting, piece: Piece, { x0, x1, y0, y1, z0, z1 }: Faces): void {
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
    { moving: true },
  );
}

/** Against a face of the camera or of another part, or clamped to the rods. */
function facesAgainst(
  s: Setting,
  camera: Faces,
  target: Piece | null,
  use: FittedUse,
  part: Fitting,
  [w, h, d]: Size,
  piece: Piece,
): Faces {
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
    case 'box':
      y0 = plus(against.y1, y);
      y1 = plus(y0, h);
      break;
    case 'bottom':
      y1 = plus(against.y0, y);
      y0 = minus(y1, h);
      break;
    case 'under':
      y1 = plus(lowest(s) ?? against.y0, y);
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
      const drop = dropOf(s);
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
      break;
    }
  }
  const faces = { x0, x1, y0, y1, z0, z1 };
  return part.kind === 'dummy-battery' && !target ? sunk(faces, use.on, [w, h, d]) : faces;
}

/** What fills the chamber of a battery is flush with the face that it goes in by, and inside. */
function sunk(f: Faces, on: FittedUse['on'], [w, h, d]: Size): Faces {
  const into: Partial<Record<FittedUse['on'], ['x' | 'y' | 'z', Lin]>> = {
    top: ['y', times(h, -1)],
    bottom: ['y', h],
    under: ['y', h],
    left: ['x', w],
    right: ['x', times(w, -1)],
    front: ['z', times(d, -1)],
    rear: ['z', d],
  };
  const [axis, by] = into[on] ?? [];
  if (!axis || !by) return f;
  return {
    ...f,
    [`${axis}0`]: plus(f[`${axis}0`], by),
    [`${axis}1`]: plus(f[`${axis}1`], by),
  };
}

/** Bottom of the plate under the camera, its clamps included; null without one. */
function lowest(s: Setting): Lin | null {
  const plate = s.pieces.find((p) => p.key === 'plate');
  const pose = plate ? poseOf(plate) : null;
  return pose ? facesOf(pose).y0 : null;
}

/** What a fitted part lies against, and may be inside of. */
function standAgainst(
  s: Setting,
  piece: Piece,
  use: FittedUse,
  part: Fitting,
  target: Piece | null,
  cages: readonly string[],
): void {
  if (part.kind === 'dummy-battery') {
    // It stands where the battery of the body would: inside it.
    for (const k of ['body', ...cages]) s.touch(k, piece.key);
  }
  const faced = target
    ? [target.key]
    : use.on === 'rods'
      ? []
      : ['body', ...cages, ...(use.on === 'under' ? ['plate'] : [])];
  const tilts = piece.solids.some((x) => x.role === 'tilt');
  for (const k of faced) {
    // A rod goes through the clamp that holds it, and a clamp around its rod.
    if (part.kind === 'rod' || target?.kind === 'rod') s.touch(k, piece.key);
    else s.meet(k, piece.key);
    // What tilts is held clear by the arm it tilts on.
    if (tilts) s.touch(k, { piece: piece.key, role: 'tilt' });
  }
}

/** What a single rod is drawn as while nobody said how wide and long it is, mm. */
const ROD = [15, 150] as const;

/** A clamp of a battery plate reaches so far under the rods; it stands so far behind the camera. */
const UNDER_RODS = 14;
const BEHIND = 20;
const CLEAR = 4;
