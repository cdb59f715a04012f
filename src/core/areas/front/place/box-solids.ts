import { onTheBox } from '../../../place/on-box';
import { fittedOn } from '../../../place/fitted';
import { pieceKey } from '../../../place/piece';
import { type ThreadUse, isBox, type MatteBox } from '../../../kit/types';
import { facesOf, poseOf } from '../../joints/place/pose';
import {
  type Setting,
  STAND_IN,
  type Faces,
  type Piece,
  block,
  pieceOf,
} from '../../../place/setting';
import { plus, of, lin, minus, times, ZERO, type Lin } from '../../../build/lin';
import { underBox } from '../../../place/under-box';
import { onAnyRods } from '../kit/attach';
import { frontPlaces, frontLayout } from './layout';
import { axisOf } from '../../../build/axis';
import { constant } from '../../../build/given';
import { boxStationOf } from './box';
import { cylinder, turnedBox, type Axes, sector } from '../../../solids/solid';

/** A piece on the thread goes by what it is, not by where it stands: it may move up or down. */
export function threadKey(use: ThreadUse): string {
  return pieceKey('thread', use.id ?? use.part);
}

/** Where the block of the matte box stands: what it is drawn by, its height, its six faces. */
function outerOf(s: Setting) {
  const { built } = s;
  const { lens, rig } = built;
  const part = rig.box ? built.kit.get(rig.box.part) : null;
  if (!isBox(part) || !lens) return null;
  const { rim, thread } = axisOf(built);
  // Where nobody knows the station of the lens it is drawn at a stand-in, and not computed with.
  const drawn = (frontPlaces(built) ?? frontLayout(built, s.value(rim))).box;
  if (!drawn) return null;
  // It follows the lens and what is on its thread, or stands where it was set.
  const pinned = rig.box!.station !== undefined && part.attach === 'rods';
  const held =
    part.attach === undefined ? [of(constant(`how ${part.name} is held`, 'mm', null), 0)] : [];
  const back = pinned
    ? of(boxStationOf(part, rig.box!.station!))
    : plus(rim, lin(drawn.from - s.value(rim)), ...held, ...thread.map((t) => of(t.thickness, 0)));
  const deep = of(s.q(part, ['mouthZ'], 80));
  const front = minus(plus(back, deep), plus(...stagesOut(s, part)));
  const single = underBox(built);
  // Axis down to the middle of what it stands on.
  const down = single ? times(single.y, -1) : s.drop;
  const w = of(s.q(part, ['width'], 170));
  const h = of(s.q(part, ['height'], 130));
  // How far the rods are off their height is in the drawing; what nobody knows of it counts here.
  const middle = plus(lin(drawn.middle), part.attach === 'rods' && down ? times(down, 0) : ZERO);
  const faces: Faces = {
    x0: times(w, -0.5),
    x1: times(w, 0.5),
    y0: minus(middle, times(h, 0.5)),
    y1: plus(middle, times(h, 0.5)),
    z0: back,
    z1: front,
  };
  return { part, drawn, back, w, h, faces, single, down };
}

type Outer = NonNullable<ReturnType<typeof outerOf>>;

/**
 * The matte box as something that parts stand on, before it is placed itself: they stand on the camera
 * like all that is fitted, and it is placed with the lens. Null without one, or without a lens.
 */
export function boxAsHost(s: Setting): Piece | null {
  const outer = outerOf(s);
  return outer && { ...pieceOf({ is: 'box' }, outer.part), faces: outer.faces };
}

/** The matte box as a block from its back to its mouth, its flags, its swing. */
export function placeMatteBox(s: Setting): string | null {
  const { rig } = s.built;
  const outer = outerOf(s);
  if (!outer) return null;
  const { part, drawn, back, faces, single } = outer;
  const piece = s.piece({ is: 'box' }, part);
  piece.faces = faces;
  block(s, piece, 'box', faces);
  placeFlags(s, piece, outer);
  s.touch('box', 'lens');
  for (const u of rig.thread ?? []) s.touch('box', threadKey(u));
  for (const g of rig.gears ?? [])
    if (part.attach !== 'rods') s.touch('box', pieceKey('gear', g.turns));
  if (onAnyRods(part)) {
    const clamp = of(s.q(part, ['clampLength'], STAND_IN.clamp));
    const rod = single ? (single.single?.key ?? '') : undefined;
    s.clamped.push({
      key: 'box',
      part: part.id,
      name: part.name,
      from: back,
      to: plus(back, clamp),
      rods: part.rods,
      ...(rod === undefined ? {} : { on: rod }),
    });
    if (rod) for (const own of ['box', 'swing']) s.touch(own, rod);
    placeBracket(s, piece, outer, clamp);
  }
  if (part.swing) {
    swing(s, part, faces, drawn.middle);
    swungAlong(s, part, faces);
  }
  return 'box';
}

/** What reaches down to the rods, or to the one rod, that it stands on. */
function placeBracket(s: Setting, piece: Piece, outer: Outer, clamp: Lin): void {
  const { down, single, back, faces } = outer;
  if (!down || (single && s.value(down) <= 0)) return;
  const rod = single?.rod ?? s.system?.rod ?? 15;
  const across = single ? rod : (s.system?.centres ?? 60) / 2 + rod;
  const x = single?.x ?? ZERO;
  block(s, piece, 'bracket', {
    x0: plus(x, lin(-across)),
    x1: plus(x, lin(across)),
    y0: minus(lin(-rod), down),
    y1: faces.y0,
    z0: back,
    z1: plus(back, clamp),
  });
}

/** The flags at the angles that they are set to. */
function placeFlags(s: Setting, piece: Piece, { part, drawn, back, w, h }: Outer): void {
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
    const leaf = (key: string) => of(s.q(part, ['flags', f.id, key], 0), 0);
    s.add(piece, 'flag', [back, w, h, leaf('z'), leaf('offset'), leaf('length')], (n) => {
      const z = n(back) + off + dz / 2;
      const r = f.hinge[1] + dr / 2;
      return turnedBox(
        upright ? [0, r, z] : [r, drawn.middle, z],
        [half, long / 2, 1],
        [side, along, third],
      );
    });
  }
}

/** What the stages that are taken out make a box shorter by. */
function stagesOut(s: Setting, part: MatteBox): Lin[] {
  return (s.built.rig.box?.trays ?? []).flatMap((t) =>
    t.out && part.stages?.some((x) => x.id === t.id)
      ? [of(s.q(part, ['stages', t.id, 'shorter'], 0))]
      : [],
  );
}

/** The upright hinge of a box that swings away: at one side of its mouth. */
function hingeOf(part: MatteBox, f: Faces): { x: Lin; axes: Axes } {
  return part.swing === 'right'
    ? {
        x: f.x1,
        axes: [
          [-1, 0, 0],
          [0, 0, 1],
          [0, 1, 0],
        ],
      }
    : {
        x: f.x0,
        axes: [
          [1, 0, 0],
          [0, 0, 1],
          [0, -1, 0],
        ],
      };
}

/**
 * What a swing-away box sweeps: about an upright hinge at its side. It stands behind the hinge, so its
 * farthest corner, from which the sweep begins, comes round a little behind it.
 */
function swing(s: Setting, part: MatteBox, f: Faces, middle: number): void {
  const piece = s.piece({ is: 'swing' }, part);
  piece.name = `${part.name} swung away`;
  const w = minus(f.x1, f.x0);
  const h = minus(f.y1, f.y0);
  const { x, axes } = hingeOf(part, f);
  s.add(
    piece,
    'sweep',
    [x, w, h, f.z0, f.z1],
    (n) => {
      const deep = n(f.z1) - n(f.z0);
      const far = Math.hypot(n(w), deep);
      const from = -Math.atan2(deep, n(w));
      return sector([n(x), middle, n(f.z1)], axes, far, n(h) / 2, from, Math.PI / 2);
    },
    { moving: true },
  );
  for (const k of ['box', 'lens', 'plate']) s.touch('swing', k);
  for (const u of s.built.rig.thread ?? []) s.touch('swing', threadKey(u));
}

/**
 * What stands on a box that swings away goes with it: about the same hinge, as far out as its farthest
 * corner, all that lies between counted in.
 */
function swungAlong(s: Setting, part: MatteBox, f: Faces): void {
  const { x, axes } = hingeOf(part, f);
  for (const use of onTheBox(fittedOn(s.built))) {
    const own = s.pieces.find((p) => p.key === pieceKey('fitted', use.id));
    const pose = own && poseOf(own);
    const on = own && s.built.kit.get(own.part);
    if (!own || !pose || !on) continue;
    const { x0, x1, y0, y1, z0, z1 } = facesOf(pose);
    const sweep = s.piece({ is: 'swing', id: use.id }, on);
    sweep.name = `${own.name} swung away with ${part.name}`;
    s.add(
      sweep,
      'sweep',
      [x, f.z1, x0, x1, y0, y1, z0, z1],
      (n) => {
        const corners = [x0, x1].flatMap((a) =>
          [z0, z1].map((b) => [axes[0][0] * (n(a) - n(x)), n(b) - n(f.z1)] as const),
        );
        const far = Math.max(...corners.map(([out, ahead]) => Math.hypot(out, ahead)));
        const [low, high] = [n(y0), n(y1)];
        const hinge = [n(x), (low + high) / 2, n(f.z1)] as const;
        // It begins where the part stands, behind the hinge as a rule, and goes a quarter turn on.
        const angles = corners.map(([out, ahead]) => Math.atan2(ahead, out));
        const [from, to] = [Math.min(...angles), Math.max(...angles) + Math.PI / 2];
        // What reaches past the hinge comes round behind it as well: all the way is counted in.
        return corners.some(([out]) => out < 0) || to - from > Math.PI
          ? cylinder(hinge, far, (high - low) / 2, [0, 1, 0])
          : sector(hinge, axes, far, (high - low) / 2, from, to);
      },
      { moving: true },
    );
    for (const k of [
      'box',
      'swing',
      ...onTheBox(fittedOn(s.built)).map((u) => pieceKey('fitted', u.id)),
    ])
      s.touch(sweep.key, k);
    s.touch('swing', own.key);
  }
}
