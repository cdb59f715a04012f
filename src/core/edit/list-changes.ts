import type { Change } from '../kit/types';
import { isKeyOf, keyOf } from './edit';

/**
 * The changes that turn one list into another, element by element: another window that changes
 * other elements meanwhile keeps what it did. A list that ends empty goes.
 *
 * @param path of the list
 */
export function listChanges(
  path: readonly string[],
  before: readonly unknown[] | undefined,
  after: readonly unknown[],
): Change[] {
  const now = [...(before ?? [])];
  const changes: Change[] = [];
  const keys = new Set(after.map(keyOf));
  const take = (i: number) => {
    const key = keyOf(now[i]) ?? String(i);
    changes.push({ path: [...path, key], value: undefined, prune: path.length });
    now.splice(i, 1);
  };
  for (let i = now.length - 1; i >= 0; i--) if (!keys.has(keyOf(now[i]))) take(i);
  after.forEach((value, i) => {
    const key = keyOf(value) ?? String(i);
    const was = now.findIndex((e) => isKeyOf(e, key));
    if (was >= 0 && was !== i) take(was);
    if (was === i) {
      if (JSON.stringify(now[i]) === JSON.stringify(value)) return;
      changes.push({ path: [...path, key], value });
      now[i] = value;
    } else {
      changes.push({ path: [...path, key], value, at: i });
      now.splice(i, 0, value);
    }
  });
  return changes;
}
