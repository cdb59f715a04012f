'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { leadsDrawn } from '@/core/areas/power/model/drawn';
import { lengthBy, type Line } from '@/core/areas/power/model/lines';
import { sayLine } from '@/core/areas/power/model/say-line';
import { tiePlaces } from '@/core/areas/power/model/tie-places';
import { tieMore, untie } from '@/core/areas/power/moves/via';
import { project, type View } from '@/core/drawing/project';
import { tiedLine, tiesShown, tieStepped, tyingAt, type TyingThere } from '@/core/model/tying';
import type { Edit } from '@/core/edit/edit';
import type { Vec } from '@/core/solids/solid';
import { Button } from '@/ui/button';
import { StateMark } from '@/ui/state-mark';
import type { Bench } from '@/views/bench/bench';
import { Handle } from '@/views/bench/handle';
import { Choose } from '@/views/bench/panel-parts';
import type { Sheet } from '@/views/bench/sheet';
import type { RigFacts } from '@/views/bench/use-rig';
import { polyline } from './leads';

type Over = (view: View, sheet: Sheet) => React.ReactNode;

/** A lead that is tied by pressing what it is to be tied to: what lies over the drawings, and a bar beside them. */
export function useTying({ facts, tying, setTying, drop }: Bench) {
  const { built } = facts;
  const line = useMemo(() => tiedLine(built, tying), [built, tying]);
  const [there, setThere] = useState<TyingThere | null>(null);
  const lost = tying !== null && !line;
  useEffect(() => {
    if (lost) setTying(null);
  }, [lost, setTying]);
  // Leaving the drawing ends it.
  useEffect(() => () => setTying(null), [setTying]);
  useEffect(() => {
    if (tying === null) return;
    const leave = (e: KeyboardEvent) => {
      if (e.key === 'Escape' && !e.defaultPrevented) setTying(null);
    };
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [tying, setTying]);
  const over = useMemo((): Over | undefined => {
    if (!line) return undefined;
    const keep = (edit: Edit | null) => {
      setThere(null);
      if (edit) drop(edit);
    };
    return function Over(view, sheet) {
      return (
        <TieLayer
          facts={facts}
          line={line}
          view={view}
          sheet={sheet}
          there={there}
          onThere={setThere}
          onKeep={keep}
        />
      );
    };
  }, [line, facts, there, drop]);
  const bar = line ? (
    <TyingBar
      key={line.key}
      facts={facts}
      line={line}
      there={there}
      onKeep={drop}
      onDone={() => setTying(null)}
    />
  ) : null;
  return { over, bar };
}

interface LayerProps {
  facts: RigFacts;
  line: Line;
  view: View;
  sheet: Sheet;
  there: TyingThere | null;
  onThere: (there: TyingThere | null) => void;
  onKeep: (edit: Edit | null) => void;
}

/** The lead as it lies and as it would, its ties to be moved, and room to press in. */
function TieLayer({ facts: { built, rig }, line, view, sheet, there, ...on }: LayerProps) {
  const { X, Y, k, w, h } = sheet;
  const ties = useMemo(() => tiesShown(built, line, view), [built, line, view]);
  const drawn = useMemo(
    () => leadsDrawn(built).find((l) => l.line === line)?.points,
    [built, line],
  );
  const d = (points: readonly Vec[]) =>
    polyline(points.map((p) => project(view, p)).map(([u, v]) => [X(u), Y(v)]));
  const at = (x: number, y: number) => [(x - X(0)) / k, (Y(0) - y) / k] as const;
  const moving = useRef<Edit | null>(null);
  const tied = (e: { nativeEvent: { offsetX: number; offsetY: number } }) =>
    tyingAt(built, line, view, at(e.nativeEvent.offsetX, e.nativeEvent.offsetY));
  return (
    <g>
      {drawn ? (
        <g fill="none" strokeLinejoin="round" pointerEvents="none">
          <path d={d(drawn)} stroke="var(--paper)" strokeWidth="7" />
          <path d={d(drawn)} stroke="var(--ink)" strokeWidth="3.5" />
        </g>
      ) : null}
      {there?.points ? (
        <path
          d={d(there.points)}
          fill="none"
          stroke="var(--accent)"
          strokeWidth="2.5"
          strokeDasharray="7 4"
          pointerEvents="none"
        />
      ) : null}
      <rect
        width={w}
        height={h}
        fill="transparent"
        className="cursor-crosshair"
        onPointerMove={(e) => (e.pointerType === 'touch' ? undefined : on.onThere(tied(e)))}
        onPointerLeave={() => on.onThere(null)}
        onClick={(e) => {
          const done = tied(e);
          if (done?.edit) on.onKeep(done.edit);
          else on.onThere(done);
        }}
      />
      {ties.map((t, i) => {
        const [x, y] = [X(t.point[0]), Y(t.point[1])];
        if (!t.seen)
          return (
            <path key={t.id} d={`M${x - 5} ${y - 5}h10v10h-10Z`} fill="var(--ink)">
              <title>{`${i + 1}. tied to ${t.name}`}</title>
            </path>
          );
        const step = (by: readonly [number, number]) => {
          const next = tieStepped(built, line, t.id, view, by);
          if (next) on.onKeep(next);
        };
        return (
          <g
            key={t.id}
            onKeyDown={(e) => {
              if (e.key !== 'Delete' && e.key !== 'Backspace') return;
              e.preventDefault();
              on.onKeep(untie(rig, line, t.id, t.name));
            }}
          >
            <Handle
              x={x}
              y={y}
              label={`Tie ${i + 1}, to ${t.name}`}
              value={Math.round(t.point[0])}
              text={`${i + 1}. tied to ${t.name}; delete unties it`}
              min={-1000}
              max={3000}
              onMove={(dx, dy) => {
                const next = tyingAt(built, line, view, at(x + dx, y + dy), t.id);
                moving.current = next?.edit ?? null;
                on.onThere(next);
              }}
              onStep={(by) => step([by, 0])}
              onDrop={() => {
                const edit = moving.current;
                moving.current = null;
                on.onKeep(edit);
              }}
            />
          </g>
        );
      })}
    </g>
  );
}

/** What is tied, where it is tied already, and how it stands with that. */
function TyingBar({
  facts: { built, rig, verdicts },
  line,
  there,
  onKeep,
  onDone,
}: {
  facts: RigFacts;
  line: Line;
  there: TyingThere | null;
  onKeep: (edit: Edit) => void;
  onDone: () => void;
}) {
  const ref = useRef<HTMLElement>(null);
  useEffect(() => ref.current?.focus(), []);
  const said = ['cable.length', 'cable.tie'].flatMap(
    (id) => verdicts.find((v) => v.key === `${id}:${line.key}`) ?? [],
  );
  const open = said.find((v) => v.state !== 'ok');
  const ties = tiesShown(built, line, 'side');
  const places = tiePlaces(built);
  return (
    <section
      ref={ref}
      tabIndex={-1}
      aria-label={`Tie ${line.lead!.name}`}
      className="border-b border-rule bg-panel px-3 py-1 outline-none"
    >
      <p>
        <span className="font-semibold">{line.lead!.name}</span>
        <span className="text-soft">{` to ${line.part.name}: ${sayLine(built, line)}`}</span>
      </p>
      <div className="flex flex-wrap items-center gap-x-4 text-sm">
        <p role="status" className="min-w-0 flex-1 basis-64">
          {there?.says ?? open?.why ?? 'Press what it is to be tied to, or drag a tie.'}
        </p>
        {said.map((v) => (
          <span key={v.key} className="flex items-center gap-1.5" title={v.why}>
            {v.id === 'cable.tie' ? 'its ties' : 'its length'}
            <StateMark state={v.state} />
          </span>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-x-3">
        {ties.map((t, i) => (
          <Button
            key={t.id}
            look="bare"
            className="!px-1"
            aria-label={`Untie from ${t.name}`}
            onClick={() => onKeep(untie(rig, line, t.id, t.name))}
          >
            {`${i + 1}. ${t.name}`} <span aria-hidden="true">×</span>
          </Button>
        ))}
        <Choose
          label="tie it to"
          value=""
          none="press, or choose"
          options={places.map(({ id, name, to }) => ({
            id,
            name,
            pick: () => onKeep(tieMore(rig, line, to, name, (v) => lengthBy(built, line, v))),
          }))}
        />
        <span className="flex-1" />
        <Button onClick={onDone}>Done</Button>
      </div>
    </section>
  );
}
