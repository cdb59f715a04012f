import { exact, sayLength, plainLength } from '@/core/quantity/say';
import { pieceKey } from '@/core/place/piece';
import { standOf, type Stand } from '@/core/stand/stand';
import type { Piece } from '@/core/place/setting';
import type { PlacedDrive } from '@/core/areas/drive/place/drive';
import type { View } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import type { FittedUse } from '@/core/kit/types';
import { setDrive } from '@/core/areas/drive/moves/drive';
import { firstHoles } from '@/core/areas/joints/kit/pattern';
import { isSlide } from '@/core/areas/joints/model/free';
import { namedSeats, spotOfSeat, type NamedSeat } from '@/core/areas/joints/model/seats';
import { setSeat } from '@/core/areas/joints/moves/seat';
import { project } from '@/core/drawing/project';
import { valueOf } from '@/core/quantity/quantity';
import { setFitted } from '@/core/areas/space/moves/fitted';
import { holdOf } from '@/core/areas/carry/model/hold';
import { grabName } from '@/core/areas/carry/model/slides';
import { setCarry } from '@/core/areas/carry/moves/carry';
import { setPlateStation } from '@/core/areas/rods/moves/under';
import { setRodTip } from '@/core/areas/rods/moves/rods';
import { setSupport } from '@/core/areas/support/moves/support';
import { setStation } from '@/core/areas/front/moves/box';
import type { Built } from '@/core/build/build';

/** Something that can be taken hold of in a view. */
export interface Grip {
  key: string;
  /** Piece whose outline is left behind as a ghost. */
  piece: string;
  label: string;
  /** Where it is on the sheet. */
  u: number;
  v: number;
  value: number;
  text: string;
  /** The edit for a new value, mm or degrees. */
  to: (value: number) => Edit | null;
  /** The value that lets it find its place again; null when it is there or has none. */
  home: number | null;
  release: (() => Edit | null) | null;
  /** Value for a move on the sheet, mm from where it was taken hold of. */
  moved: (from: number, du: number, dv: number) => number;
}

const along = (from: number, du: number) => from + du;
const fromPlane = (z: number) => `${sayLength(z, 0)} from the image plane`;

/** What every grip needs of the rig. */
interface Ground {
  built: Built;
  stand: Stand;
  view: View;
  n: Stand['value'];
}

/**
 * Everything in a view that can be taken hold of.
 *
 * @param only key of the one that is asked for: the others are not worked out
 */
export function gripsOf(built: Built, view: View, only?: string): Grip[] {
  const stand = standOf(built);
  const g: Ground = { built, stand, view, n: stand.value };
  const wanted = (key: string) => only === undefined || only === key;
  const uses = (built.rig.fitted ?? []).filter((use) => wanted(pieceKey('fitted', use.id)));
  const seats = uses.length > 0 ? namedSeats(built) : [];
  const fitted = uses.flatMap((use) => {
    const piece = stand.pieces.find((p) => p.key === pieceKey('fitted', use.id));
    if (!piece?.faces || piece.kind === 'cage') return [];
    const seat = seats.find((s) => s.use.id === use.id);
    return seat ? seatGrip(g, seat, piece) : [fittedGrip(g, use, piece)];
  });
  const all =
    view === 'front'
      ? [...fitted, ...stand.drives.flatMap((d) => angleGrip(g, d))]
      : [...onRods(g), ...fitted, ...(view === 'side' ? grabGrip(g) : [])];
  return all.filter((x) => wanted(x.key));
}

/** Something at a station: its value is where it stands. */
function stationed(
  key: string,
  z: number,
  own: Pick<Grip, 'label' | 'v' | 'to'> & Partial<Grip>,
): Grip {
  return {
    key,
    piece: key,
    u: z,
    value: z,
    text: fromPlane(z),
    home: null,
    release: null,
    moved: along,
    ...own,
  };
}

/** All that slides along the rods: from the side and from above. */
function onRods({ built, stand, view, n }: Ground): Grip[] {
  const { rig, job } = built;
  const rodsAt = stand.drop ? -n(stand.drop) : -85;
  const under = (x: number) => (view === 'side' ? rodsAt : -x);
  const list = stand.rods.map((r) =>
    stationed(pieceKey('rods', r.use.id), n(r.to), {
      label: `Tip of ${r.rods.name}`,
      v: under((stand.system?.centres ?? 60) / 2),
      to: (z) => setRodTip(rig, r.use.id, z, r.rods.name),
    }),
  );
  if (stand.plate)
    list.push(
      stationed('plate', n(stand.plate.to), {
        label: `${stand.plate.plate.name} along the camera`,
        u: (n(stand.plate.from) + n(stand.plate.to)) / 2,
        v: under(0),
        to: (z) => setPlateStation(job, rig, z),
        home: n(stand.face),
        release: () => setPlateStation(job, rig, undefined),
      }),
    );
  for (const s of stand.supports)
    list.push(
      stationed(s.key, n(s.station), {
        label: `${s.part.name} along the rods`,
        v: view === 'side' ? rodsAt + 18 : 0,
        to: (z) =>
          setSupport(rig, s.use.id, { station: z }, `Stand ${s.part.name} at ${plainLength(z)}`),
      }),
    );
  for (const d of stand.drives) {
    const { name } = d.part;
    const to = (station: number | undefined, title: string) =>
      setDrive(rig, d.use.id, { station }, title);
    list.push(
      stationed(d.key, n(d.station), {
        label: `${name} along the rods`,
        v: view === 'side' ? n(d.pivot.y) : under(n(d.pivot.x)),
        to: (z) => to(z, `Clamp ${name} at ${plainLength(z)}`),
        home: d.gear ? n(d.gear.middle) - (n(d.gearAt) - n(d.station)) : null,
        release: () => to(undefined, `Let ${name} follow the gear`),
      }),
    );
  }
  const box = stand.pieces.find((p) => p.is === 'box');
  const clamp = stand.clamped.find((c) => c.key === box?.key);
  if (box && clamp)
    list.push(
      stationed(box.key, n(clamp.from), {
        label: `${box.name} along its rods`,
        u: n(clamp.from) + 10,
        v: under(60),
        to: (z) => setStation(rig, z, box.name),
      }),
    );
  return list;
}

/** What a hole or a rail holds: along its row from hole to hole, along a rail as far as it slides. */
function seatGrip({ built, view, n }: Ground, s: NamedSeat, piece: Piece): Grip[] {
  const spot = spotOfSeat(built, s);
  const slides = isSlide(s.at);
  const holes = slides ? [] : firstHoles(s.at, s.by);
  if (!spot || (!slides && holes.length < 2)) return [];
  // How far a millimetre along it goes on the sheet, to the right and up.
  const [du, dv] = project(view, spot.along);
  if (Math.abs(du) + Math.abs(dv) < 0.5) return [];
  const [u, v] = project(view, [n(spot.at[0]), n(spot.at[1]), n(spot.at[2])]);
  const step = slides ? 1 : (valueOf(s.at.spacing) ?? 1);
  const value = slides ? (s.use.slide ?? 0) : (s.use.n ?? 0);
  const { key, name } = piece;
  const set = (k: 'slide' | 'n', to: number, title: string) =>
    setSeat(built.rig, s.use.id, { [k]: to === 0 ? undefined : to }, title);
  return [
    {
      key,
      piece: key,
      label: slides ? `${name} along ${s.at.name}` : `${name}, hole of ${s.at.name}`,
      u,
      v,
      value,
      text: slides
        ? `${sayLength(value, 0)} from the middle of ${s.at.name}`
        : `hole ${value + 1} of ${s.at.count ?? 1}`,
      to: (x) => {
        if (slides) return set('slide', x, `Slide ${name} to ${plainLength(x)}`);
        const hole = Math.min(holes.at(-1)!, Math.max(0, Math.round(x)));
        return set('n', hole, `Put ${name} in hole ${hole + 1}`);
      },
      home: slides ? 0 : null,
      release: slides ? () => set('slide', 0, `Put ${name} in the middle`) : null,
      moved: (from, a, b) => from + (a * du + b * dv) / step,
    },
  ];
}

/** A part on a face or on the rods: along the axis, or across when it is looked along. */
function fittedGrip({ built: { rig }, view, n }: Ground, use: FittedUse, piece: Piece): Grip {
  const f = piece.faces!;
  const [x, y, z] = [(n(f.x0) + n(f.x1)) / 2, (n(f.y0) + n(f.y1)) / 2, (n(f.z0) + n(f.z1)) / 2];
  const { key, name } = piece;
  const offset = (mm: number) => `${sayLength(mm, 0)} from the middle of its face`;
  const set = (change: Parameters<typeof setFitted>[2], title: string) =>
    setFitted(rig, use.id, change, title);
  if (view === 'front')
    return {
      key,
      piece: key,
      label: `${name} across`,
      u: -x,
      v: y,
      value: use.x ?? 0,
      text: offset(use.x ?? 0),
      to: (v) => set({ x: v === 0 ? undefined : v }, `Move ${name} to ${plainLength(v)} across`),
      home: 0,
      release: () => set({ x: undefined }, `Put ${name} in the middle`),
      moved: (from, du) => from - du,
    };
  const at = { label: `${name} along the axis`, u: z, v: view === 'side' ? y : -x };
  if (use.on === 'rods')
    return stationed(key, n(f.z1), {
      ...at,
      to: (v) => set({ station: v }, `Slide ${name} to ${plainLength(v)}`),
    });
  return stationed(key, use.z ?? 0, {
    ...at,
    text: offset(use.z ?? 0),
    to: (v) => set({ z: v === 0 ? undefined : v }, `Move ${name} to ${plainLength(v)}`),
    home: 0,
    release: () => set({ z: undefined }, `Put ${name} in the middle`),
  });
}

/** A drive swung about the lens, looked at along the axis. */
function angleGrip({ built: { rig } }: Ground, d: PlacedDrive): Grip[] {
  if (d.centres === null || d.angle === null) return [];
  const c = d.centres;
  const deg = (d.angle * 180) / Math.PI;
  const { name } = d.part;
  return [
    {
      key: `angle:${d.use.id}`,
      piece: d.key,
      label: `${name} around the lens`,
      u: -c * Math.cos(d.angle),
      v: c * Math.sin(d.angle),
      value: deg,
      text: `${exact(deg, 0)} degrees about the axis`,
      to: (angle) =>
        setDrive(rig, d.use.id, { angle, side: d.side }, `Swing ${name} to ${angle} degrees`),
      home: null,
      release: null,
      moved: (from, du, dv) => {
        const a = (from * Math.PI) / 180;
        const [pu, pv] = [-c * Math.cos(a) + du, c * Math.sin(a) + dv];
        return (Math.atan2(pv, -pu) * 180) / Math.PI;
      },
    },
  ];
}

/** Where the rig is held, along what it is held by. */
function grabGrip({ built, n }: Ground): Grip[] {
  const { rig } = built;
  const hold = holdOf(built);
  if (!hold?.piece || grabName(hold) === null || hold.reach === 0) return [];
  const now = rig.carry?.z ?? 0;
  return [
    {
      key: 'grab',
      piece: hold.piece?.key ?? 'grab',
      label: 'Where it is held',
      u: n(hold.at[2]),
      v: n(hold.at[1]),
      value: now,
      text: `${sayLength(now, 0)} ahead of the middle of ${hold.piece?.name ?? 'it'}`,
      to: (z) => setCarry(rig, { z }, `Hold it ${plainLength(z)} ahead of the middle`),
      home: null,
      release: null,
      moved: along,
    },
  ];
}
