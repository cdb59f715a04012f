'use client';

import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { standOf } from '@/core/stand/stand';
import { outline, type View } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import { Handle } from '@/views/bench/handle';
import type { RigFacts } from '@/views/bench/use-rig';
import { gripsOf } from './grips-of';
import type { Sheet } from '@/views/bench/sheet';

/** Stations this near to the found place snap to it, mm. */
const SNAP = 3;

interface GripsProps {
  facts: RigFacts;
  view: View;
  sheet: Sheet;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
}

/** Handles on everything that slides along the rods, on a face, or swings about the lens. */
export function Grips({ facts, view, sheet, onDraft, onDrop }: GripsProps) {
  // The last place where nothing of the piece failed, while it is dragged.
  const [ghost, setGhost] = useState<string[]>([]);
  const { built } = facts;
  const grips = useMemo(() => gripsOf(built, view), [built, view]);
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
