import { shownUnit } from '@/core/quantity/shown';
import type { KitColumn, KitRow } from '@/core/list/kit-rows';
import { howMany } from '@/core/quantity/say';
import { massWithTolerance } from '@/core/quantity/with-tolerance';

/** A column of the table: what it says of a part. */
export interface Column {
  id: KitColumn;
  name: string;
  /** Share of the width. */
  width: string;
  right?: true;
  /** Always there. */
  fixed?: true;
  text: (r: KitRow) => string;
  /** The whole of it, where the text is short. */
  title?: (r: KitRow) => string;
}

export const COLUMNS: readonly Column[] = [
  { id: 'name', name: 'part', width: 'minmax(16rem,3fr)', fixed: true, text: (r) => r.part.name },
  { id: 'kind', name: 'kind', width: 'minmax(5.5rem,1fr)', text: (r) => r.kind },
  { id: 'owner', name: 'owner or tag', width: 'minmax(5.5rem,0.7fr)', text: (r) => r.owner },
  {
    id: 'count',
    name: 'on hand',
    width: '4rem',
    right: true,
    text: (r) => (r.count < 1 ? 'to hire' : String(r.count)),
  },
  {
    id: 'mass',
    get name() {
      return `mass, ${shownUnit('g').unit}`;
    },
    width: '5.5rem',
    right: true,
    text: (r) => massWithTolerance(r.mass),
  },
  {
    id: 'rigs',
    name: 'used on',
    width: 'minmax(5rem,1fr)',
    text: (r) =>
      r.rigs.length === 0 ? '' : r.rigs.length === 1 ? r.rigs[0]! : howMany(r.rigs.length, 'rig'),
    title: (r) => r.rigs.join('; '),
  },
  {
    id: 'unknown',
    name: 'not known',
    width: 'minmax(5rem,1fr)',
    text: (r) =>
      r.unknown.length > 2 ? `${r.unknown.length} of what is needed` : r.unknown.join(', '),
    title: (r) => r.unknown.join(', '),
  },
];

const KEY = 'nelvix.kit-columns';

/** Columns that are shown on this device; all of them until somebody chose. */
export function columnsHere(): readonly KitColumn[] {
  try {
    const own: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    if (Array.isArray(own)) return COLUMNS.map((c) => c.id).filter((id) => own.includes(id));
  } catch {
    // Nothing is kept here, or nothing that is understood.
  }
  return COLUMNS.map((c) => c.id);
}

export function keepColumns(ids: readonly KitColumn[]): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(ids));
  } catch {
    // Private windows keep nothing: it holds for as long as the view is open.
  }
}
