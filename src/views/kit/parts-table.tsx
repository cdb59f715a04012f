'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, Plus } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { putOn } from '@/core/areas/moves';
import type { KitColumn, KitRow } from '@/core/list/kit-rows';
import type { Job, Rig } from '@/core/kit/types';
import type { MountIndex } from '@/core/areas/mount/kit/standards';
import { useWide } from '@/ui/use-wide';
import { MiniFigure } from '@/views/part/figure/mini-figure';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';
import { COLUMNS, type Column } from './columns';
import { partLine } from './part-line';

/** A row, px. */
const ROW = 56;

export interface Sorting {
  by: KitColumn;
  down: boolean;
}

interface TableProps {
  rows: readonly KitRow[];
  job: Job;
  rig: Rig | null;
  mounts: MountIndex;
  shown: readonly KitColumn[];
  sorting: Sorting | null;
  onSort: (by: KitColumn) => void;
  picked: ReadonlySet<string>;
  onPick: (ids: readonly string[], on: boolean) => void;
}

/** The kit as a table: as many rows as are in sight are made, however long it is. */
export function PartsTable(props: TableProps) {
  const { rows, shown, picked, onPick } = props;
  const box = useRef<HTMLDivElement>(null);
  const wide = useWide();
  // On a phone a part is a line with its name, what it is, and what puts it on.
  const columns = COLUMNS.filter((c) => c.fixed || (wide && shown.includes(c.id)));
  const grid = `2.75rem ${wide ? columns.map((c) => c.width).join(' ') : 'minmax(0,1fr)'} 3.25rem`;
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are not passed on
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 8,
    initialRect: { width: 900, height: 600 },
  });
  const allIn = rows.length > 0 && rows.every((r) => picked.has(r.part.id));
  return (
    <div
      ref={box}
      role="table"
      aria-label="Parts of the kit"
      aria-rowcount={rows.length + 1}
      className="min-h-80 flex-1 overflow-auto border-y border-edge"
    >
      <div
        role="row"
        aria-rowindex={1}
        className="sticky top-0 z-10 grid items-center lg:min-w-max gap-x-2 border-b border-edge bg-paper px-1 lg:min-w-full"
        style={{ gridTemplateColumns: grid }}
      >
        <span role="columnheader" className="grid min-h-11 place-items-center">
          <input
            type="checkbox"
            className="size-5"
            aria-label="Select all that are shown"
            checked={allIn}
            onChange={(e) =>
              onPick(
                rows.map((r) => r.part.id),
                e.target.checked,
              )
            }
          />
        </span>
        {columns.map((c) => (
          <Heading key={c.id} column={c} sorting={props.sorting} onSort={props.onSort} />
        ))}
        <span role="columnheader" className="text-sm text-soft">
          put on
        </span>
      </div>
      <div
        role="rowgroup"
        className="relative lg:min-w-max"
        style={{ height: list.getTotalSize() }}
      >
        {list.getVirtualItems().map((v) => {
          const row = rows[v.index];
          return row ? (
            <Row
              key={row.part.id}
              {...props}
              row={row}
              columns={columns}
              grid={grid}
              top={v.start}
              index={v.index}
            />
          ) : null;
        })}
      </div>
    </div>
  );
}

function Heading({
  column,
  sorting,
  onSort,
}: {
  column: Column;
  sorting: Sorting | null;
  onSort: (by: KitColumn) => void;
}) {
  const on = sorting?.by === column.id;
  const Arrow = sorting?.down ? ArrowDown : ArrowUp;
  return (
    <span
      role="columnheader"
      aria-sort={on ? (sorting?.down ? 'descending' : 'ascending') : 'none'}
      className={column.right ? 'text-right' : ''}
    >
      <button
        type="button"
        onClick={() => onSort(column.id)}
        className="inline-flex min-h-11 items-center gap-1 text-sm text-soft hover:text-ink"
      >
        {column.name}
        {on ? <Arrow size={14} aria-hidden="true" /> : null}
      </button>
    </span>
  );
}

function Row({
  row,
  job,
  rig,
  mounts,
  columns,
  grid,
  top,
  index,
  picked,
  onPick,
}: TableProps & {
  row: KitRow;
  columns: readonly Column[];
  grid: string;
  top: number;
  index: number;
}) {
  const sheet = usePartSheet();
  const { part } = row;
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      aria-selected={picked.has(part.id)}
      className="absolute inset-x-0 grid items-center gap-x-2 border-b border-rule px-1 hover:bg-sunk aria-selected:bg-sunk"
      style={{ gridTemplateColumns: grid, height: ROW, top }}
    >
      <span role="cell" className="grid size-11 place-items-center">
        <input
          type="checkbox"
          className="size-5"
          aria-label={`Select ${part.name}`}
          checked={picked.has(part.id)}
          onChange={(e) => onPick([part.id], e.target.checked)}
        />
      </span>
      {columns.map((c) =>
        c.id === 'name' ? (
          <span role="cell" key={c.id} className="min-w-0">
            <button
              type="button"
              onClick={() => sheet.open(part.id)}
              className="flex min-h-13 w-full items-center gap-3 text-left"
            >
              <MiniFigure part={part} />
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{part.name}</span>
                <span className="block truncate text-sm text-soft">{partLine(part, mounts)}</span>
              </span>
            </button>
          </span>
        ) : (
          <span
            role="cell"
            key={c.id}
            title={c.title?.(row)}
            className={`truncate ${c.right ? 'text-right' : ''} ${c.id === 'unknown' ? 'text-unknown' : 'text-soft'}`}
          >
            {c.text(row)}
          </span>
        ),
      )}
      <span role="cell">
        <PutOn job={job} rig={rig} row={row} />
      </span>
    </div>
  );
}

/** Puts the part on the open rig, where its kind has a place there. */
function PutOn({ job, rig, row }: { job: Job; rig: Rig | null; row: KitRow }) {
  const store = useStore();
  const edit = useMemo(() => (rig ? putOn(job, rig, row.part) : null), [job, rig, row.part]);
  if (!edit || !rig) return null;
  return (
    <button
      type="button"
      title={`${edit.title}, on ${rig.name}`}
      aria-label={`${edit.title}, on ${rig.name}`}
      onClick={() => {
        store?.edit(edit);
        store?.notice(`${edit.title}, on ${rig.name}.`);
      }}
      className="grid size-11 place-items-center rounded-sm border border-rule hover:border-edge hover:bg-panel"
    >
      <Plus size={18} aria-hidden="true" />
    </button>
  );
}
