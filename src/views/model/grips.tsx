'use client';

import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { standOf, type Stand } from '@/core/build/stand';
import { outline, type View } from '@/core/drawing/project';
import { exact } from '@/core/quantity/say';
import type { Edit } from '@/core/edit/edit';
import { setDrive } from '@/core/areas/drive/moves/drive';
import { setFitted } from '@/core/areas/space/moves/fitted';
import { setPlateStation } from '@/core/areas/rods/moves/under';
import { setRodTip } from '@/core/areas/rods/moves/rods';
import { setSupport } from '@/core/areas/support/moves/support';
import { setStation } from '@/core/areas/front/moves/box';
import { Handle } from '@/views/bench/handle';
import type { RigFacts } from '@/views/bench/use-rig';
import type { Sheet } from './sheet';

/** Stations this near to the found place snap to it, mm. */
const SNAP = 3;

/** Something that can be taken hold of in a view. */
interface Grip {
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

/** Handles on everything that slides along the rods, on a face, or swings about the lens. */
export function Grips({
  facts,
  view,
  sheet,
  onDraft,
  onDrop,
}: {
  facts: RigFacts;
  view: View;
  sheet: Sheet;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
}) {
  // The last place where nothing of the piece failed, while it is dragged.
  const [ghost, setGhost] = useState<string[]>([]);
  const stand = standOf(facts.built);
  const grips = gripsOf(facts, stand, view);
  const { X, Y } = sheet;
  const placed: { x: number; y: number }[] = [];
  // What is done with a handle is looked up when it is done: the handles themselves are drawn
  // again only when they move.
  const now = useRef({ facts, grips, sheet, view, onDraft, onDrop });
  useLayoutEffect(() => {
    now.current = { facts, grips, sheet, view, onDraft, onDrop };
  });
  const moving = useRef<{ key: string; from: number; edit: Edit | null } | null>(null);
  const act = useMemo((): Act => {
    const find = (key: string) => now.current.grips.find((g) => g.key === key);
    return {
      move: (key, dx, dy) => {
        const g = find(key);
        if (!g) return;
        const { k } = now.current.sheet;
        const from = moving.current?.key === key ? moving.current.from : g.value;
        const value = g.moved(from, dx / k, -dy / k);
        const next =
          g.home !== null && g.release && Math.abs(value - g.home) <= SNAP
            ? g.release()
            : g.to(Math.round(value));
        const fails = now.current.facts.verdicts.some(
          (v) => v.state === 'fail' && v.key.includes(g.piece),
        );
        if (!fails) setGhost(outlinesOf(now.current, g.piece));
        moving.current = { key, from, edit: next };
        now.current.onDraft(next);
      },
      step: (key, by) => {
        const g = find(key);
        const next = g?.to(Math.round(g.value) + by);
        if (next) now.current.onDrop(next);
      },
      drop: () => {
        const done = moving.current?.edit ?? null;
        moving.current = null;
        setGhost([]);
        now.current.onDrop(done);
      },
    };
  }, []);
  return (
    <>
      {ghost.map((d) => (
        <path
          key={d}
          d={d}
          fill="none"
          stroke="var(--accent)"
          strokeDasharray="2 4"
          strokeWidth="1.5"
          className="pointer-events-none"
        />
      ))}
      {grips.map((g) => {
        const x = Math.min(sheet.w - 12, Math.max(12, X(g.u)));
        const own = Math.min(sheet.h - 12, Math.max(12, Y(g.v)));
        // Handles that would lie on one another are set apart, so that a thumb takes the right one:
        // up first, where the part is, and not into the ruler below.
        const y =
          APART.map((off) => own + off).find(
            (at) => at >= 12 && at <= sheet.h - 12 && !placed.some((p) => near(p, x, at)),
          ) ?? own;
        placed.push({ x, y });
        return (
          <GripHandle
            key={g.key}
            id={g.key}
            x={x}
            y={y}
            label={g.label}
            value={Math.round(g.value)}
            text={g.text}
            act={act}
          />
        );
      })}
    </>
  );
}

/** Nearer than two handles may be to each other. */
function near(p: { x: number; y: number }, x: number, y: number): boolean {
  const [dx, dy] = [p.x - x, p.y - y];
  return dx * dx + dy * dy < 30 * 30;
}

const APART = [0, -30, 30, -60, 60, -90, 90];

interface Act {
  move: (key: string, dx: number, dy: number) => void;
  step: (key: string, by: number) => void;
  drop: () => void;
}

const GripHandle = memo(function GripHandle({
  id,
  act,
  ...at
}: {
  id: string;
  x: number;
  y: number;
  label: string;
  value: number;
  text: string;
  act: Act;
}) {
  return (
    <Handle
      {...at}
      min={-1000}
      max={3000}
      onMove={(dx, dy) => act.move(id, dx, dy)}
      onStep={(by) => act.step(id, by)}
      onDrop={act.drop}
    />
  );
});

/** Outlines of a piece on the sheet, as paths. */
function outlinesOf(
  { facts, view, sheet }: { facts: RigFacts; view: View; sheet: Sheet },
  piece: string,
): string[] {
  return standOf(facts.built)
    .solids.filter((s) => s.piece === piece && s.role !== 'sweep')
    .map(
      (s) =>
        `M${outline(view, s.solid)
          .map(([u, v]) => `${sheet.X(u)} ${sheet.Y(v)}`)
          .join('L')}Z`,
    );
}

function gripsOf(facts: RigFacts, stand: Stand, view: View): Grip[] {
  const { rig, job } = facts;
  const n = stand.value;
  const list: Grip[] = [];
  const pieces = new Map(stand.pieces.map((p) => [p.key, p]));
  const rodsAt = stand.drop ? -n(stand.drop) : -85;
  const under = (x: number) => (view === 'side' ? rodsAt : -x);
  const along = (from: number, du: number) => from + du;
  const mm = (z: number) => `${exact(z, 0)} mm from the image plane`;
  if (view !== 'front') {
    for (const r of stand.rods)
      list.push({
        key: `rods:${r.use.id}`,
        piece: `rods:${r.use.id}`,
        label: `Tip of ${r.rods.name}`,
        u: n(r.to),
        v: under((stand.system?.centres ?? 60) / 2),
        value: n(r.to),
        text: mm(n(r.to)),
        to: (z) => setRodTip(rig, r.use.id, z, r.rods.name),
        home: null,
        release: null,
        moved: along,
      });
    if (stand.plate)
      list.push({
        key: 'plate',
        piece: 'plate',
        label: `${stand.plate.plate.name} along the camera`,
        u: (n(stand.plate.from) + n(stand.plate.to)) / 2,
        v: under(0),
        value: n(stand.plate.to),
        text: mm(n(stand.plate.to)),
        to: (z) => setPlateStation(job, rig, z),
        home: n(stand.face),
        release: () => setPlateStation(job, rig, undefined),
        moved: along,
      });
    for (const s of stand.supports)
      list.push({
        key: s.key,
        piece: s.key,
        label: `${s.part.name} along the rods`,
        u: n(s.station),
        v: view === 'side' ? rodsAt + 18 : 0,
        value: n(s.station),
        text: mm(n(s.station)),
        to: (z) => setSupport(rig, s.use.id, { station: z }, `Stand ${s.part.name} at ${z} mm`),
        home: null,
        release: null,
        moved: along,
      });
    for (const d of stand.drives) {
      const mesh = d.gear ? n(d.gear.middle) - (n(d.gearAt) - n(d.station)) : null;
      list.push({
        key: d.key,
        piece: d.key,
        label: `${d.part.name} along the rods`,
        u: n(d.station),
        v: under(d.pivot.x),
        value: n(d.station),
        text: mm(n(d.station)),
        to: (z) => setDrive(rig, d.use.id, { station: z }, `Clamp ${d.part.name} at ${z} mm`),
        home: mesh,
        release: () =>
          setDrive(rig, d.use.id, { station: undefined }, `Let ${d.part.name} follow the gear`),
        moved: along,
      });
    }
    const box = pieces.get('box');
    const clamp = stand.clamped.find((c) => c.key === 'box');
    if (box && clamp)
      list.push({
        key: 'box',
        piece: 'box',
        label: `${box.name} along its rods`,
        u: n(clamp.from) + 10,
        v: under(60),
        value: n(clamp.from),
        text: mm(n(clamp.from)),
        to: (z) => setStation(rig, z, box.name),
        home: null,
        release: null,
        moved: along,
      });
  }
  for (const use of rig.fitted ?? []) {
    const piece = pieces.get(`fitted:${use.id}`);
    if (!piece?.faces || piece.kind === 'cage') continue;
    const f = piece.faces;
    const [x, y, z] = [(n(f.x0) + n(f.x1)) / 2, (n(f.y0) + n(f.y1)) / 2, (n(f.z0) + n(f.z1)) / 2];
    const name = piece.name;
    if (view === 'front') {
      list.push({
        key: piece.key,
        piece: piece.key,
        label: `${name} across`,
        u: -x,
        v: y,
        value: use.x ?? 0,
        text: `${exact(use.x ?? 0, 0)} mm from the middle of its face`,
        to: (v) =>
          setFitted(rig, use.id, { x: v === 0 ? undefined : v }, `Move ${name} to ${v} mm across`),
        home: 0,
        release: () => setFitted(rig, use.id, { x: undefined }, `Put ${name} in the middle`),
        moved: (from, du) => from - du,
      });
      continue;
    }
    const onRods = use.on === 'rods';
    list.push({
      key: piece.key,
      piece: piece.key,
      label: `${name} along the axis`,
      u: z,
      v: view === 'side' ? y : -x,
      value: onRods ? n(f.z1) : (use.z ?? 0),
      text: onRods ? mm(n(f.z1)) : `${exact(use.z ?? 0, 0)} mm from the middle of its face`,
      to: (v) =>
        onRods
          ? setFitted(rig, use.id, { station: v }, `Slide ${name} to ${v} mm`)
          : setFitted(rig, use.id, { z: v === 0 ? undefined : v }, `Move ${name} to ${v} mm`),
      home: onRods ? null : 0,
      release: onRods
        ? null
        : () => setFitted(rig, use.id, { z: undefined }, `Put ${name} in the middle`),
      moved: along,
    });
  }
  if (view === 'front')
    for (const d of stand.drives) {
      if (d.centres === null || d.angle === null) continue;
      const c = d.centres;
      const deg = (d.angle * 180) / Math.PI;
      const u = -c * Math.cos(d.angle);
      const v = c * Math.sin(d.angle);
      list.push({
        key: `angle:${d.use.id}`,
        piece: d.key,
        label: `${d.part.name} around the lens`,
        u,
        v,
        value: deg,
        text: `${exact(deg, 0)} degrees about the axis`,
        to: (a) =>
          setDrive(
            rig,
            d.use.id,
            { angle: a, side: d.side },
            `Swing ${d.part.name} to ${a} degrees`,
          ),
        home: null,
        release: null,
        moved: (from, du, dv) => {
          const a = (from * Math.PI) / 180;
          const [pu, pv] = [-c * Math.cos(a) + du, c * Math.sin(a) + dv];
          return (Math.atan2(pv, -pu) * 180) / Math.PI;
        },
      });
    }
  return list;
}
