'use client';

import { useEffect, useState } from 'react';
import { KIND_NAME, KINDS, type Kind } from '@/core/kit/fields';
import { differences, written } from '@/core/kit/numbers';
import type { Job, Part } from '@/core/kit/types';
import { headingLine, signatureOf, targetsOf } from '@/core/list/list';
import type { Chosen, ListReading, ListRow } from '@/core/list/list';
import type { MountIndex } from '@/core/areas/mount/kit/standards';
import { howMany } from '@/core/quantity/say';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';
import { useStore } from '@/views/store/store-context';
import { files } from '@/workers/files';
import { remember, rememberedFor } from './remembered';

/** Rows that are shown; all of them are taken in. */
const SHOWN = 200;

/** A list somebody keeps, as it was understood: nothing is stored before it is taken in. */
export function ListImport({
  name,
  grid,
  notes,
  job,
  mounts,
  take,
  leave,
}: {
  name: string;
  grid: string[][];
  notes: readonly string[];
  job: Job;
  mounts: MountIndex;
  take: (parts: Part[]) => void;
  leave: () => void;
}) {
  const store = useStore();
  const signature = signatureOf(grid[headingLine(grid)] ?? []);
  const [chosen, setChosen] = useState<Chosen>(() => rememberedFor(signature));
  const [list, setList] = useState<ListReading | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    const own = [...mounts.values()].map((m) => ({ id: m.id, name: m.name }));
    files
      .run((f) => f.readList(grid, chosen, own, [...job.kit]), stop.signal)
      .then((read) => {
        if (!stop.signal.aborted) setList(read);
      })
      .catch((e: unknown) => {
        if (!stop.signal.aborted)
          store?.notice(
            `${name} was not read: ${e instanceof Error ? e.message : String(e)}`,
            'warn',
          );
      });
    return () => stop.abort();
  }, [grid, chosen, mounts, job.kit, name, store]);
  const choose = (more: Chosen) => {
    const next = { ...chosen, ...more };
    setChosen(next);
    remember(signature, next);
  };
  if (!list) return <p className="p-3 text-soft">{name} is being read ...</p>;
  const parts = list.rows.flatMap((r) => (r.part ? [r.part] : []));
  const left = list.rows.length - parts.length;
  const marked = list.rows.reduce((n, r) => n + r.cells.filter((c) => c.trouble).length, 0);
  return (
    <section
      aria-label={`${name} as it was read`}
      className="my-3 border-l-4 border-accent bg-panel p-3"
    >
      <p className="font-semibold">
        {name}: {howMany(list.rows.length, 'line')}, as they were read. Nothing is stored yet.
      </p>
      {notes.map((n) => (
        <p key={n} className="text-tight">
          {n}
        </p>
      ))}
      <p className="text-soft">
        {marked > 0 ? `${howMany(marked, 'cell')} not understood, marked below. ` : ''}
        {left > 0 ? `${howMany(left, 'line')} not taken in: see why. ` : ''}
        {list.beyond > 0 ? `${howMany(list.beyond, 'line')} after the last are not read. ` : ''}
        {list.unused.length > 0
          ? `Not used: ${list.unused.map((c) => list.headings[c] || `column ${c + 1}`).join(', ')}.`
          : ''}
      </p>
      <Columns grid={grid} list={list} chosen={chosen} choose={choose} />
      <Rows list={list} />
      <div className="flex flex-wrap gap-2">
        <Button look="strong" disabled={parts.length === 0} onClick={() => take(parts)}>
          Take {parts.length === 1 ? 'it' : `these ${parts.length}`} in
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}

/** What each column goes into, and what the list itself does not say. */
function Columns({
  grid,
  list,
  chosen,
  choose,
}: {
  grid: string[][];
  list: ListReading;
  chosen: Chosen;
  choose: (more: Chosen) => void;
}) {
  const { matching: m, headings } = list;
  const at = headingLine(grid);
  const samples = (c: number) =>
    grid
      .slice(at + 1)
      .map((r) => (r[c] ?? '').trim())
      .filter(Boolean)
      .slice(0, 2)
      .join(' | ');
  const targets = [
    { id: '', name: 'not used' },
    { id: 'kind', name: 'kind of part' },
    { id: 'name', name: 'name' },
    { id: 'size', name: 'three sizes in one' },
    ...targetsOf(list.kinds.length > 0 ? list.kinds : KINDS)
      .filter((t) => t.key !== 'name')
      .map((t) => ({ id: t.key, name: t.label })),
  ];
  const into = (c: number) => {
    const own = chosen.columns?.[c];
    if (own !== undefined) return own;
    if (m.kind === c) return 'kind';
    if (m.name === c) return 'name';
    if (m.size === c) return 'size';
    return Object.values(m.fields).flatMap((f) => f[c] ?? [])[0] ?? '';
  };
  const silent = list.rows.some((r) => r.kind === null) || m.whole !== null;
  return (
    <details open className="my-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">What goes where</summary>
      <div className="grid gap-x-6 md:grid-cols-2 xl:grid-cols-3">
        {headings.map((h, c) => (
          <label key={c} className="flex min-h-12 items-center gap-2 border-b border-rule">
            <span className="min-w-0 flex-1">
              <span className="block truncate">{h || `column ${c + 1}`}</span>
              <span className="block truncate text-sm text-soft">{samples(c)}</span>
            </span>
            <select
              aria-label={`${h || `column ${c + 1}`} goes into`}
              className="h-11 w-44 rounded-sm border border-edge bg-paper px-2"
              value={into(c)}
              onChange={(e) => choose({ columns: { ...chosen.columns, [c]: e.target.value } })}
            >
              {targets.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap gap-4">
        {silent ? (
          <LabelledSelect
            label="lines that do not say their kind are"
            value={m.whole ?? ''}
            options={[
              { id: '', name: 'not taken in' },
              ...KINDS.map((k) => ({ id: k, name: KIND_NAME[k].many })),
            ]}
            onPick={(id) => choose({ whole: id === '' ? null : (id as Kind) })}
          />
        ) : null}
        <LabelledSelect
          label="decimals are behind"
          value={m.comma === null ? '' : m.comma ? 'comma' : 'point'}
          options={[
            { id: '', name: 'the list does not tell' },
            { id: 'point', name: 'a point: 1.5' },
            { id: 'comma', name: 'a comma: 1,5' },
          ]}
          onPick={(id) => choose({ comma: id === '' ? null : id === 'comma' })}
        />
      </div>
    </details>
  );
}

function Rows({ list }: { list: ListReading }) {
  return (
    <div className="my-2 max-h-96 overflow-auto">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-edge">
            <th className="py-1 pr-4">line</th>
            <th className="py-1 pr-4">kind</th>
            <th className="py-1 pr-4">name</th>
            <th className="py-1 pr-4">what it says</th>
            <th className="py-1">in the kit</th>
          </tr>
        </thead>
        <tbody>
          {list.rows.slice(0, SHOWN).map((r) => (
            <Row key={r.line} row={r} />
          ))}
        </tbody>
      </table>
      {list.rows.length > SHOWN ? (
        <p className="py-2 text-soft">and {list.rows.length - SHOWN} more</p>
      ) : null}
    </div>
  );
}

function Row({ row }: { row: ListRow }) {
  return (
    <tr className="border-b border-rule align-top">
      <td className="py-1 pr-4 text-soft">{row.line}</td>
      <td className="py-1 pr-4">{row.kind ? KIND_NAME[row.kind].one : '?'}</td>
      <td className="py-1 pr-4">{row.name}</td>
      <td className="py-1 pr-4">
        {row.trouble ? <span className="block text-fail">{row.trouble}</span> : null}
        {row.cells.map((c) => (
          <span key={`${c.column} ${c.key}`} className="mr-3 inline-block">
            {c.trouble ? (
              <span className="text-fail">{c.trouble}</span>
            ) : (
              <>
                <span className="text-soft">{c.label}</span> {c.read}
                {c.text === c.read ? null : <span className="text-soft"> ({c.text})</span>}
                {c.stays ? <span className="text-soft">, not taken: it was measured</span> : null}
              </>
            )}
          </span>
        ))}
      </td>
      <td className="py-1 text-soft">{inTheKit(row)}</td>
    </tr>
  );
}

/** New, or what it would change of the part that is there. */
function inTheKit({ part, same }: ListRow): string {
  if (!part) return 'not taken in';
  if (!same) return 'new';
  const changes = differences(same, { ...same, ...part });
  return changes.length === 0
    ? 'there already, with the same numbers'
    : `changes ${changes.map((d) => `${d.label} ${d.a ? written(d.a) : '?'} to ${d.b ? written(d.b) : '?'}`).join('; ')}`;
}
