import type { Change, Job } from '../kit/types';
import { readPath } from './path';

/** What a person did, as one step that can be undone. */
export interface Edit {
  title: string;
  changes: Change[];
  /** Steps of one movement (a slider) carry the same group and are taken back together. */
  group?: string;
}

/** Keys that would reach into the language instead of the data. */
export const FORBIDDEN_KEYS: readonly string[] = ['__proto__', 'constructor', 'prototype'];

/** A path that leads nowhere: a bug of the caller or a list that has changed under it. */
export class PathError extends Error {}

/**
 * Applies one change to a document and returns a new one; nothing that is not on the path is
 * copied. Elements of lists are addressed by their `id`, those without one by their `part`, texts by
 * themselves, lines of a table by index. An element that is not in the list is added; `undefined`
 * takes a field or element away, and with `prune` what is then empty.
 *
 * @throws PathError when the path runs through something that is not there
 */
export function applyChange<T>(doc: T, change: Change): T {
  if (change.path.some((k) => FORBIDDEN_KEYS.includes(k)))
    throw new PathError(`a field cannot be called ${change.path.join('/')}`);
  return set(doc, change.path, 0, change) as T;
}

/** What lies under the difference of a configuration goes by id there, and is no list. */
const byKey = (path: readonly string[], depth: number) => path[depth - 2] === 'over';

/** Lists that a job or a rig always has. */
const STAYS: ReadonlySet<string> = new Set(['kit', 'rigs', 'between', 'frames']);

function set(node: unknown, path: readonly string[], depth: number, change: Change): unknown {
  if (depth === path.length) return change.value;
  const key = path[depth]!;
  const last = depth === path.length - 1;
  // What a document cannot be without stays, empty.
  const stays = depth > 0 && STAYS.has(path[depth - 1]!);
  const gone = (empty: boolean) =>
    !stays &&
    empty &&
    change.value === undefined &&
    change.prune !== undefined &&
    depth >= change.prune;
  if (Array.isArray(node)) {
    const list: unknown[] = [...(node as unknown[])];
    const i = indexIn(list, key);
    if (last && change.value === undefined) {
      if (i >= 0 && i < list.length) list.splice(i, 1);
      return gone(list.length === 0) ? undefined : list;
    }
    if (i < 0 || i >= list.length) {
      if (!last) {
        // Only a row right behind the last one begins by itself; an id that is gone is an error.
        if (key !== String(list.length))
          throw new PathError(`nothing at ${path.slice(0, depth + 1).join('/')}`);
        list.push(set({}, path, depth + 1, change));
        return list;
      }
      list.splice(change.at ?? list.length, 0, change.value);
      return list;
    }
    // Putting an element back where it was: an index path with `at` inserts instead of replacing.
    if (last && change.at !== undefined && !isKeyOf(list[i], key))
      list.splice(change.at, 0, change.value);
    else {
      const value = set(list[i], path, depth + 1, change);
      if (value === undefined) list.splice(i, 1);
      else list[i] = value;
    }
    return gone(list.length === 0) ? undefined : list;
  }
  if (node === undefined && !last) {
    if (change.value === undefined) return undefined;
    // A list or object that is not there yet begins empty.
    return set(/^\d+$/.test(key) && !byKey(path, depth) ? [] : {}, path, depth, change);
  }
  if (node === undefined && last) {
    if (change.value === undefined) return undefined;
    if (!byKey(path, depth) && (/^\d+$/.test(key) || isKeyOf(change.value, key)))
      return [change.value];
    return { [key]: change.value };
  }
  if (node === null || typeof node !== 'object')
    throw new PathError(`nothing at ${path.slice(0, depth + 1).join('/')}`);
  const object = { ...(node as Record<string, unknown>) };
  const value = set(Object.hasOwn(object, key) ? object[key] : undefined, path, depth + 1, change);
  if (value === undefined) delete object[key];
  else object[key] = value;
  return gone(Object.keys(object).length === 0) ? undefined : object;
}

/** What an element of a list goes by: its id, else its part, else its text; null for table lines. */
export function keyOf(e: unknown): string | null {
  if (typeof e === 'string') return e;
  if (e === null || typeof e !== 'object') return null;
  const { id, part } = e as { id?: unknown; part?: unknown };
  return typeof id === 'string' ? id : typeof part === 'string' ? part : null;
}

/** Whether an element of a list goes by a key. */
export function isKeyOf(e: unknown, key: string): boolean {
  return keyOf(e) === key;
}

function indexIn(list: readonly unknown[], key: string): number {
  const found = list.findIndex((e) => isKeyOf(e, key));
  if (found >= 0) return found;
  return /^\d+$/.test(key) ? Number(key) : -1;
}

/**
 * The change that takes `change` back, for the document before it: the very field again, and what
 * came into being with it only where nothing else is in it by then.
 */
export function inverseOf(doc: unknown, change: Change): Change {
  const parentPath = change.path.slice(0, -1);
  const key = change.path[change.path.length - 1]!;
  const before = readPath(doc, change.path);
  const parent = readPath(doc, parentPath);
  if (before === undefined) {
    let depth = change.path.length;
    while (depth > 1 && readPath(doc, change.path.slice(0, depth - 1)) === undefined) depth--;
    return depth < change.path.length
      ? { path: change.path, value: undefined, prune: depth }
      : { path: change.path, value: undefined };
  }
  if (Array.isArray(parent) && change.at !== undefined && !isKeyOf(before, key))
    return { path: change.path, value: undefined };
  if (Array.isArray(parent) && change.value === undefined)
    return { path: change.path, value: before, at: indexIn(parent, key) };
  return { path: change.path, value: before };
}

/**
 * Applies the changes of an edit in order.
 *
 * @returns the new document and the edit that takes it back
 */
export function applyEdit<T>(doc: T, edit: Edit): { doc: T; inverse: Edit } {
  let now = doc;
  const back: Change[] = [];
  for (const change of edit.changes) {
    back.unshift(inverseOf(now, change));
    now = applyChange(now, change);
  }
  return { doc: now, inverse: { title: edit.title, changes: back } };
}

/** A job with changes applied; what fixes, configurations and previews are tried on. */
export function withChanges(job: Job, changes: readonly Change[]): Job {
  return changes.reduce<Job>((j, c) => applyChange(j, c), job);
}
