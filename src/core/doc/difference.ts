import type { Change } from '../kit/types';
import { alike, isFields, type Fields } from './alike';

/** Ends lead somewhere as one: half of one and half of another lead nowhere. */
const WHOLE: ReadonlySet<string> = new Set(['host', 'guest', 'from', 'to']);

/** Elements of a list by id; null when one of them has none, or two have the same. */
function byId(list: unknown): Map<string, unknown> | null {
  if (!Array.isArray(list)) return null;
  const map = new Map<string, unknown>();
  for (const e of list as unknown[]) {
    const id = isFields(e) ? e.id : undefined;
    if (typeof id !== 'string' || map.has(id)) return null;
    map.set(id, e);
  }
  return map;
}

/**
 * The changes that turn one document into another, field by field and element by element: what
 * another window changes beside them stays. The order of elements with ids says nothing and is not
 * compared.
 *
 * @param path where both stand
 */
export function difference(before: unknown, after: unknown, path: readonly string[]): Change[] {
  if (alike(before, after)) return [];
  const whole = WHOLE.has(path[path.length - 1] ?? '');
  const [was, now] = [byId(before), byId(after)];
  if (was && now && !whole) return elements(was, now, path);
  if (whole || Array.isArray(before) || Array.isArray(after))
    return [{ path: [...path], value: after }];
  if (isFields(before) && (isFields(after) || after === undefined))
    return fields(before, after, path);
  // A group that is not there yet begins with its fields, unless they could be lines of a table.
  if (before === undefined && isFields(after) && !Object.keys(after).some((k) => /^\d+$/.test(k)))
    return Object.entries(after)
      .filter(([, v]) => v !== undefined)
      .flatMap(([k, v]) => difference(undefined, v, [...path, k]));
  return [{ path: [...path], value: after }];
}

function elements(
  was: ReadonlyMap<string, unknown>,
  now: ReadonlyMap<string, unknown>,
  path: readonly string[],
): Change[] {
  const changes: Change[] = [];
  for (const id of [...was.keys()].reverse())
    if (!now.has(id)) changes.push({ path: [...path, id], value: undefined });
  for (const [id, e] of now)
    if (was.has(id)) changes.push(...difference(was.get(id), e, [...path, id]));
    else changes.push({ path: [...path, id], value: e });
  return changes;
}

function fields(before: Fields, after: Fields | undefined, path: readonly string[]): Change[] {
  const changes: Change[] = [];
  for (const key of new Set([...Object.keys(before), ...Object.keys(after ?? {})])) {
    const own = difference(before[key], after?.[key], [...path, key]);
    // What is left empty goes too; what another window put beside it stays.
    changes.push(
      ...own.map((c) =>
        after === undefined && c.value === undefined ? { ...c, prune: path.length } : c,
      ),
    );
  }
  return changes;
}
