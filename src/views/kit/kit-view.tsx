'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { searchParts } from '@/core/command/search';
import { kindCounts, kitRows, sortRows, type KitColumn } from '@/core/list/kit-rows';
import type { Job } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import { Button } from '@/ui/button';
import { Pop } from '@/ui/pop';
import { useWide } from '@/ui/use-wide';
import { useBench } from '@/views/bench/bench';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot } from '@/views/store/store-context';
import { COLUMNS, columnsHere, keepColumns } from './columns';
import { InAndOut } from './in-and-out';
import { Mounts } from './mounts';
import { PartsTable, type Sorting } from './parts-table';
import { Selection } from './selection';

export function KitView() {
  const { job } = useSnapshot();
  if (!job) return <p className="p-8 text-soft">No job is open.</p>;
  return <Kit job={job} />;
}

function Kit({ job }: { job: Job }) {
  const [query, setQuery] = useState('');
  const [kind, setKind] = useState('');
  const [sorting, setSorting] = useState<Sorting | null>(null);
  const [shown, setShown] = useState(columnsHere);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const asked = useDeferredValue(query);
  const mounts = useMemo(() => mountIndex(job), [job]);
  const all = useMemo(() => kitRows(job), [job]);
  const rows = useMemo(() => {
    const pool = kind === '' ? all : all.filter((r) => r.part.kind === kind);
    const byId = new Map(pool.map((r) => [r.part.id, r]));
    const parts = pool.map((r) => r.part);
    const found = searchParts(parts, asked, parts.length).map((p) => byId.get(p.id)!);
    return sorting ? sortRows(found, sorting.by, sorting.down) : found;
  }, [all, kind, asked, sorting]);
  const chosen = job.kit.filter((p) => picked.has(p.id));
  const rig = useBench()?.rig ?? null;
  const sheet = usePartSheet();
  const wide = useWide();
  const pick = (ids: readonly string[], on: boolean) =>
    setPicked((was) => new Set(on ? [...was, ...ids] : [...was].filter((x) => !ids.includes(x))));
  const sort = (by: KitColumn) =>
    setSorting((was) =>
      was?.by !== by ? { by, down: false } : was.down ? null : { by, down: true },
    );
  return (
    <section className="flex h-full min-h-[36rem] flex-col gap-2 p-4">
      <div className="flex flex-wrap items-center gap-2">
        <h1 className="mr-4 text-xl font-semibold">Kit of {job.name}</h1>
        <label className="flex items-center gap-2">
          <span className="text-soft">find</span>
          <input
            type="search"
            value={query}
            onChange={(e) => setQuery(e.target.value)}
            onKeyDown={(e) => {
              // What was found first opens, without a way through the table.
              const first = searchParts(
                rows.map((r) => r.part),
                query,
                1,
              )[0];
              if (e.key === 'Enter' && first) sheet.open(first.id);
            }}
            className="h-11 w-56 rounded-sm border border-edge bg-panel px-2"
          />
        </label>
        <span className="text-soft">
          {rows.length} of {job.kit.length}
        </span>
        {wide ? (
          <ColumnChoice
            shown={shown}
            onShown={(ids) => {
              setShown(ids);
              keepColumns(ids);
            }}
          />
        ) : null}
      </div>
      <InAndOut job={job} kind={kind} mounts={mounts} />
      {chosen.length > 0 ? (
        <Selection job={job} parts={chosen} clear={() => setPicked(new Set())} />
      ) : null}
      {job.kit.length === 0 ? (
        <Empty />
      ) : (
        <div className="flex min-h-0 flex-1 flex-col gap-2 lg:flex-row lg:gap-4">
          <Kinds job={job} kind={kind} onKind={setKind} />
          <PartsTable
            rows={rows}
            job={job}
            rig={rig}
            mounts={mounts}
            shown={shown}
            sorting={sorting}
            onSort={sort}
            picked={picked}
            onPick={pick}
          />
        </div>
      )}
      <Mounts job={job} />
    </section>
  );
}

/** What an empty kit is for, and what to do first. */
function Empty() {
  return (
    <p className="py-6">
      The kit is empty. It is to hold every part that the rigs of this job are made of: press Add
      for a body and a lens, your own or typical ones, or import the list you keep.
    </p>
  );
}

/** Kinds as filters, each with how many parts it has. */
function Kinds({ job, kind, onKind }: { job: Job; kind: string; onKind: (kind: string) => void }) {
  const counts = useMemo(() => kindCounts(job.kit), [job.kit]);
  const wide = useWide();
  const all = [{ kind: '', name: 'all kinds', n: job.kit.length }, ...counts];
  if (!wide)
    return (
      <label className="flex items-center gap-2">
        <span className="text-soft">kind</span>
        <select
          value={kind}
          onChange={(e) => onKind(e.target.value)}
          className="h-11 rounded-sm border border-edge bg-panel px-2"
        >
          {all.map((k) => (
            <option key={k.kind} value={k.kind}>
              {k.name} ({k.n})
            </option>
          ))}
        </select>
      </label>
    );
  return (
    <div
      role="group"
      aria-label="Kinds"
      className="w-44 shrink-0 overflow-auto border-y border-edge"
    >
      {all.map((k) => (
        <button
          key={k.kind}
          type="button"
          aria-pressed={k.kind === kind}
          onClick={() => onKind(k.kind === kind ? '' : k.kind)}
          className="flex min-h-11 w-full items-center gap-2 border-l-4 border-transparent px-2 text-left hover:bg-sunk aria-pressed:border-accent aria-pressed:font-semibold"
        >
          <span className="min-w-0 flex-1">{k.name}</span>
          <span className="text-soft">{k.n}</span>
        </button>
      ))}
    </div>
  );
}

function ColumnChoice({
  shown,
  onShown,
}: {
  shown: readonly KitColumn[];
  onShown: (ids: KitColumn[]) => void;
}) {
  return (
    <Pop label="Columns" trigger={<Button>Columns</Button>} align="start" className="w-60 p-2">
      {COLUMNS.filter((c) => !c.fixed).map((c) => (
        <label key={c.id} className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={shown.includes(c.id)}
            onChange={(e) =>
              onShown(
                COLUMNS.map((x) => x.id).filter((id) =>
                  id === c.id ? e.target.checked : shown.includes(id),
                ),
              )
            }
          />
          {c.name}
        </label>
      ))}
    </Pop>
  );
}
