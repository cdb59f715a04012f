import type { Chosen } from '@/core/list/list';

const KEY = 'nelvix.lists';
/** As many lists are remembered by their headings. */
const MOST = 30;

type Kept = [signature: string, chosen: Chosen][];

function all(): Kept {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? (kept as Kept).filter((k) => Array.isArray(k)) : [];
  } catch {
    return [];
  }
}

/** What was chosen for a list with these headings the last time. */
export function rememberedFor(signature: string): Chosen {
  const kept = all().find(([s]) => s === signature)?.[1];
  return typeof kept === 'object' && kept !== null ? kept : {};
}

/** Keeps what was chosen, for the next list with these headings; on this device. */
export function remember(signature: string, chosen: Chosen): void {
  const rest = all().filter(([s]) => s !== signature);
  try {
    localStorage.setItem(KEY, JSON.stringify([[signature, chosen], ...rest].slice(0, MOST)));
  } catch {
    // Private windows keep nothing.
  }
}
