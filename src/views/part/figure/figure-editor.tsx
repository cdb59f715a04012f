'use client';

import { useMemo, useState } from 'react';
import { readPath } from '@/core/edit/path';
import { figureOf } from '@/core/figure/figures';
import { instrumentFor } from '@/core/figure/instrument';
import { layOut, type Layout, type PlacedLabel } from '@/core/figure/layout';
import { fieldAt, FIELDS, isKind } from '@/core/kit/fields';
import { rowName as nameOfRow } from '@/core/kit/numbers';
import { reversedRange } from '@/core/kit/ranges';
import type { Job, Part } from '@/core/kit/types';
import { hintOf } from '@/core/words/hints';
import { valueOf, type QuantityInput, type Source } from '@/core/quantity/quantity';
import { setNumber } from '@/core/solve/kit-moves';
import { From } from '@/ui/quantity-field';
import {
  isSocket,
  putInterface,
  putSocket,
  socketsToPut,
} from '@/core/areas/joints/moves/put-interface';
import type { Pressed } from '@/core/areas/joints/kit/figure-fixtures';
import { useSize } from '@/ui/use-size';
import { useStore } from '@/views/store/store-context';
import { Beside } from './beside';
import { Grips, gripsOf } from './grips';
import { FigureLines, FigureOver, FigureShapes } from './lines';
import { PutBar, PutOver, type Putting } from './put-on';
import { NumberOnDrawing, QuantityOnDrawing } from './number-input';

/** A number with its name over it, px; narrower where there is little room for the drawing beside it. */
const WIDE = { label: { w: 112, h: 44 }, step: 13 };
const NARROW = { label: { w: 82, h: 44 }, step: 8 };
/** Up to here a sheet is narrow, px. */
const PHONE = 480;

/** Where views are looked at from. */
const VIEW_WORD = { side: 'from the side', front: 'from the front', top: 'from above' } as const;

/** The keys of a part that its figure carries, so that no list has to repeat them. */
export function onFigure(part: Part): ReadonlySet<string> {
  const figure = figureOf(part);
  const list = figure?.views.flatMap((v) => [...v.dimensions, ...v.notes]) ?? [];
  return new Set(list.filter((d) => d.path.length === 1).map((d) => d.path[0]!));
}

/** The part drawn to scale from its own numbers, and every number typed where it is measured. */
export function FigureEditor({ part, job }: { part: Part; job: Job }) {
  const [open, setOpen] = useState<string | null>(null);
  const [lit, setLit] = useState<readonly string[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [source, setSource] = useState<Source>('sheet');
  const { ref, w } = useSize({ w: 940, h: 10 }, { w: 260, h: 0 });
  const figure = useMemo(() => figureOf(part, open), [part, open]);
  const [putting, setPutting] = useState<Putting | null>(null);
  const store = useStore();
  const [other, setOther] = useState<string | null>(null);
  const over = job.kit.find((p) => p.id === other && p.kind === part.kind) ?? null;
  const layout = useMemo(() => {
    const sheet = { width: w, tall: 250, most: 7, ...(w < PHONE ? NARROW : WIDE) };
    return figure && layOut(figure, sheet, over && figureOf(over));
  }, [figure, w, over]);
  if (!figure || !layout) return null;
  const put = (at: Pressed) => {
    if (!putting) return;
    const { edit, key } = isSocket(putting.type)
      ? putSocket(part, at, putting.type)
      : putInterface(part, at, putting.type, putting.side);
    store?.edit(edit);
    setPutting(null);
    setOpen(key);
  };
  const blank = layout.views.flatMap((v) => v.labels).filter((l) => !l.known).length;
  return (
    <section aria-label={`Drawing of ${part.name}`} className="min-w-0">
      <div className="flex flex-wrap items-center gap-x-4 border-y border-rule">
        <Said part={part} job={job} lit={lit} trouble={trouble} blank={blank} />
        <label className="flex min-h-11 items-center gap-2 text-sm">
          <span className="text-soft">what is typed was</span>
          <select
            value={source}
            onChange={(e) => setSource(e.target.value as Source)}
            className="h-11 rounded-sm border border-edge bg-paper px-2"
          >
            <option value="measured">measured on this piece</option>
            <option value="sheet">read from a data sheet</option>
            <option value="guess">guessed</option>
          </select>
        </label>
      </div>
      <div ref={ref} className="overflow-x-auto pt-2">
        <Sheet layout={layout} lit={lit}>
          {layout.views.flatMap((v) =>
            v.labels.map((l) => (
              <OnDrawing
                key={`${v.id} ${l.path.join('/')}`}
                label={l}
                size={layout.label}
                part={part}
                job={job}
                source={source}
                onFocus={() => setLit(l.path)}
                onTrouble={setTrouble}
              />
            )),
          )}
          {putting ? <PutOver figure={figure} layout={layout} onPut={put} /> : null}
        </Sheet>
      </div>
      <Grips views={layout.views} open={open} onOpen={setOpen} />
      {figure.block ? (
        <PutBar putting={putting} sockets={socketsToPut(part)} onChange={setPutting} onPut={put} />
      ) : null}
      <Beside part={part} job={job} other={over} onOther={setOther} />
    </section>
  );
}

function Sheet({
  layout,
  lit,
  children,
}: {
  layout: Layout;
  lit: readonly string[] | null;
  children: React.ReactNode;
}) {
  const { width, height } = layout;
  return (
    <div className="relative mx-auto" style={{ width, height }}>
      <svg width={width} height={height} aria-hidden="true" className="absolute inset-0">
        {layout.views.map((v) => (
          <g key={v.id}>
            <text x={v.name[0]} y={v.name[1]} className="fill-soft text-xs">
              {VIEW_WORD[v.id]}
            </text>
            <FigureShapes view={v} />
            <FigureOver view={v} />
            <FigureLines view={v} lit={lit?.join('/') ?? null} />
            {gripsOf([v]).map((g) => (
              <g key={g.key}>
                <path d={`M${g.of.join(' ')}L${g.at.join(' ')}`} className="stroke-soft" />
                <circle cx={g.at[0]} cy={g.at[1]} r={8} className="fill-panel stroke-soft" />
                <text x={g.at[0]} y={g.at[1] + 4} textAnchor="middle" className="fill-ink text-xs">
                  {gripsOf(layout.views).findIndex((x) => x.key === g.key) + 1}
                </text>
              </g>
            ))}
          </g>
        ))}
      </svg>
      {children}
    </div>
  );
}

/** What a row is called: `focus ring`, `Top tray`, `line 2`. */
function rowName(part: Part, path: readonly string[]): string {
  const field = fieldAt(part.kind, path.slice(0, 1));
  const row = readPath(part, path.slice(0, 2)) as Record<string, unknown> | undefined;
  return (row && nameOfRow(row)) ?? (field?.type === 'rows' ? field.label : '');
}

/** What a number of a part is called where it stands by itself. */
function nameOf(part: Part, path: readonly string[]): string {
  const label = fieldAt(part.kind, path)?.label ?? path[path.length - 1]!;
  return path.length > 1 ? `${label}, ${rowName(part, path)}` : label;
}

function OnDrawing({
  label: l,
  size,
  part,
  job,
  source,
  onFocus,
  onTrouble,
}: {
  label: PlacedLabel;
  size: { w: number; h: number };
  part: Part;
  job: Job;
  source: Source;
  onFocus: () => void;
  onTrouble: (sentence: string | null) => void;
}) {
  const store = useStore();
  const field = fieldAt(part.kind, l.path);
  if (field?.type !== 'quantity' && field?.type !== 'number') return null;
  const path = ['kit', part.id, ...l.path];
  const value = readPath(job, path);
  const label = nameOf(part, l.path);
  const keep = (next: unknown) => {
    const own = isKind(part.kind) ? FIELDS[part.kind] : [];
    const rows = l.path.length > 1 ? fieldAt(part.kind, l.path.slice(0, 1)) : null;
    const fields = rows?.type === 'rows' ? rows.fields : own;
    const trouble =
      next === undefined && field.required
        ? `${label} cannot be left empty: correct it, or take its line away in the list.`
        : reversedRange(fields, readPath(job, path.slice(0, -1)) ?? {}, field.key, next);
    onTrouble(trouble);
    if (!trouble) store?.edit(setNumber(job, part, l.path, next, `${label} of ${part.name}`));
  };
  const box = {
    label,
    short: l.path.length > 1 && field.key === 'z' ? rowName(part, l.path) : field.label,
    x: l.x,
    y: l.y,
    ...size,
    onFocus,
    onTrouble,
  };
  return field.type === 'quantity' ? (
    <QuantityOnDrawing
      {...box}
      field={field}
      value={value as QuantityInput | undefined}
      source={source}
      onKeep={keep}
    />
  ) : (
    <NumberOnDrawing {...box} field={field} value={value} onKeep={keep} />
  );
}

/** One line over the drawing: what the number in hand is, what it is measured with, how sure it is. */
function Said({
  part,
  job,
  lit,
  trouble,
  blank,
}: {
  part: Part;
  job: Job;
  lit: readonly string[] | null;
  trouble: string | null;
  blank: number;
}) {
  const store = useStore();
  const field = lit && fieldAt(part.kind, lit);
  const hint = field ? hintOf(part.kind, field) : null;
  const path = lit && ['kit', part.id, ...lit];
  const value = path ? (readPath(job, path) as QuantityInput | undefined) : undefined;
  const tool = lit && instrumentFor(part.kind, lit, valueOf(value));
  return (
    <div className="flex min-h-14 min-w-64 flex-1 flex-wrap items-center gap-x-3 py-1">
      {!lit || !field ? (
        <p className="text-soft">
          Press a number and type; Tab goes on round the piece.{' '}
          {blank > 0 ? `${blank} ${blank === 1 ? 'is' : 'are'} not known yet.` : ''}
        </p>
      ) : (
        <p className="min-w-0 flex-1">
          <span className="font-semibold">{nameOf(part, lit)}</span>
          {hint !== null ? <span className="text-soft">: {hint}</span> : null}
          {tool ? <span className="text-soft"> ({tool})</span> : null}
          {trouble ? <span className="block text-fail">{trouble}</span> : null}
        </p>
      )}
      {field?.type === 'quantity' && path && lit ? (
        <From
          label={nameOf(part, lit)}
          cls={field.cls}
          value={value}
          onKeep={(v) =>
            store?.edit(setNumber(job, part, lit, v, `where ${nameOf(part, lit)} is from`))
          }
        />
      ) : null}
    </div>
  );
}
