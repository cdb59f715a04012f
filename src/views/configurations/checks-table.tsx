'use client';

import { useState, type ReactNode } from 'react';
import { bareLength, sayLength, sayMass } from '@/core/quantity/say';
import type { ConfigurationColumn, ConfigurationTable } from '@/core/set/configurations';
import { Button } from '@/ui/button';
import { StateGlyph, STATE_WORD } from '@/ui/state-mark';

/** One rig of several that are laid beside each other. */
export interface Column {
  key: string;
  name: string;
  head: ReactNode;
  /** Opens it at one of its findings; null where it has to be put on first. */
  open: ((finding: string | null) => void) | null;
}

export const HEAD = 'sticky left-0 z-10 bg-paper p-2 text-left';

export function Heads({ columns }: { columns: readonly Column[] }) {
  return (
    <tr>
      <th scope="col" className={HEAD}>
        <span className="sr-only">what is looked at</span>
      </th>
      {columns.map((c) => (
        <th key={c.key} scope="col" className="min-w-36 p-0.5 text-left align-bottom">
          {c.head}
        </th>
      ))}
    </tr>
  );
}

/** Every check in every column; what is the same everywhere is folded. */
export function ChecksTable({
  caption,
  columns,
  table,
}: {
  caption: string;
  columns: readonly Column[];
  table: ConfigurationTable;
}) {
  const [all, setAll] = useState(false);
  const { rows } = table;
  const shown = rows.filter((r) => all || r.differs);
  const rest = rows.length - rows.filter((r) => r.differs).length;
  return (
    <div>
      <div className="overflow-x-auto">
        <table className="border-collapse">
          <caption className="sr-only">{caption}</caption>
          <thead>
            <Heads columns={columns} />
          </thead>
          <tbody>
            <tr className="border-t border-rule align-top">
              <th scope="row" className={`${HEAD} font-normal`}>
                all of it
              </th>
              {table.columns.map((c, i) => (
                <td key={columns[i]!.key} className="p-2">
                  <Totals of={c} />
                </td>
              ))}
            </tr>
            {shown.map((r) => (
              <CheckRow key={r.check} columns={columns} row={r} />
            ))}
          </tbody>
        </table>
      </div>
      {rest > 0 ? (
        <Button
          look="bare"
          className="mt-1 underline"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all
            ? 'Only what differs'
            : `${rest} ${rest === 1 ? 'check says' : 'checks say'} the same everywhere`}
        </Button>
      ) : null}
    </div>
  );
}

function Totals({ of: c }: { of: ConfigurationColumn }) {
  return (
    <>
      <span className="flex items-center gap-2 font-semibold">
        <StateGlyph state={c.worst} />
        {c.count.fail} fail, {c.count.tight} tight
      </span>
      <span className="block text-sm text-soft">
        {c.count.unknown} unknown, {c.count.ok} ok
      </span>
      <span className="block text-sm">
        {sayMass(c.mass)}
        {c.unweighed > 0 ? ` and ${c.unweighed} not weighed` : ''}
      </span>
      <span className="block text-sm">
        {c.size
          ? `${c.open ? 'at least ' : ''}${bareLength(c.size[1], 0)} tall, ${bareLength(c.size[0], 0)} wide, ${sayLength(c.size[2], 0)} long`
          : 'size not known'}
      </span>
    </>
  );
}

function CheckRow({
  columns,
  row,
}: {
  columns: readonly Column[];
  row: ConfigurationTable['rows'][number];
}) {
  return (
    <tr className="border-t border-rule align-top">
      <th scope="row" className={`${HEAD} max-w-56 font-normal`}>
        {row.title}
        <span className="block text-sm text-soft">{row.area}</span>
      </th>
      {row.cells.map((c, i) => {
        const { key, name, open } = columns[i]!;
        if (c.state === null)
          return (
            <td key={key} className="p-2 text-soft">
              <span aria-label="nothing to say">-</span>
            </td>
          );
        const said = c.open > 1 ? `${c.open}` : STATE_WORD[c.state];
        if (!open)
          return (
            <td key={key} className="max-w-64 p-2 align-top">
              <span className="flex items-center gap-2">
                <StateGlyph state={c.state} />
                {said}
              </span>
              {c.state === 'ok' ? null : (
                <span className="line-clamp-3 text-sm text-soft">{c.why}</span>
              )}
            </td>
          );
        return (
          <td key={key} className="p-0.5">
            <button
              type="button"
              title={c.why}
              aria-label={`${row.title}, ${name}: ${STATE_WORD[c.state]}${c.open > 1 ? `, ${c.open} findings` : ''}`}
              className="flex min-h-11 w-full items-center gap-2 rounded-sm px-2 text-left hover:bg-sunk"
              onClick={() => open(c.key)}
            >
              <StateGlyph state={c.state} />
              {said}
            </button>
          </td>
        );
      })}
    </tr>
  );
}
