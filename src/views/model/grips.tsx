'use client';

import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { standOf } from '@/core/stand/stand';
import { outline, type View } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import { Handle } from '@/views/bench/handle';
import type { RigFacts } from '@/views/bench/use-rig';
import { gripsOf, type Grip } from './grips-of';
import type { Sheet } from '@/views/bench/sheet';

/** Stations this near to the found place snap to it, mm. */
const SNAP = 3;

interface GripsProps {
  facts: RigFacts;
  view: View;
  sheet: Sheet;
  /** Something is being dragged, in this view or in another. */
  dragging: boolean;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
}

/**
 * Handles on everything that slides along the rods, on a face, or swings about the lens. While one of
 * them is in the hand the others are out of its way.
 */
export function Grips({ facts, view, sheet, dragging, onDraft, onDrop }: GripsProps) {
  // The last place where nothing of the piece failed, while it is dragged.
  const [ghost, setGhost] = useState<string[]>([]);
  const { built } = facts;
  const [held, setHeld] = useState<{ key: string; off: number } | null>(null);
  const grips = useMemo(() => {
    if (!dragging) return gripsOf(built, view);
    return held ? gripsOf(built, view, held.key) : [];
  }, [built, view, dragging, held]);
  const placed = setApart(grips, sheet, dragging ? held : null);
  // What is done with a handle is looked up when it is done: the handles themselves are drawn
  // again only when they move.
  const now = useRef({ facts, grips, placed, sheet, view, onDraft, onDrop });
  useLayoutEffect(() => {
    now.current = { facts, grips, placed, sheet, view, onDraft, onDrop };
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
        if (moving.current?.key !== key)
          setHeld({ key, off: now.current.placed.get(key)?.off ?? 0 });
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
        setHeld(null);
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
        const { x, y } = placed.get(g.key)!;
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

interface Placed {
  x: number;
  y: number;
  /** How far it is set off from where it belongs, px. */
  off: number;
}

/**
 * Handles that would lie on one another are set apart, so that a thumb takes the right one: up first,
 * where the part is, and not into the ruler below. One that is in the hand stays as far off as it was.
 */
function setApart(
  grips: readonly Grip[],
  { X, Y, w, h }: Sheet,
  held: { key: string; off: number } | null,
): Map<string, Placed> {
  const placed = new Map<string, Placed>();
  const inside = (at: number, size: number) => Math.min(size - 12, Math.max(12, at));
  for (const g of grips) {
    const x = inside(X(g.u), w);
    const own = inside(Y(g.v), h);
    const free = (off: number) =>
      own + off >= 12 && own + off <= h - 12 && !someNear(placed, x, own + off);
    const off = g.key === held?.key ? held.off : (APART.find(free) ?? 0);
    placed.set(g.key, { x, y: own + off, off });
  }
  return placed;
}

/** Nearer than two handles may be to each other. */
function someNear(placed: ReadonlyMap<string, Placed>, x: number, y: number): boolean {
  for (const p of placed.values()) {
    const [dx, dy] = [p.x - x, p.y - y];
    if (dx * dx + dy * dy < 30 * 30) return true;
  }
  return false;
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
