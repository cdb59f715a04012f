import type { Change, Job } from '../kit/types';
import { readPath } from '../build/given';

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
 * copied. Lists are addressed by the `id` of an element, or by index for elements without one.
 * An element whose id is not in the list is added; `undefined` takes a field or element away.
 *
 * @throws PathError when the path runs through something that is not there
 */
export function applyChange<T>(doc: T, change: Change): T {
  if (change.path.some((k) => FORBIDDEN_KEYS.includes(k)))
    throw new PathError(`a field cannot be called ${change.path.join('/')}`);
  return set(doc, change.path, 0, change) as T;
}

function set(node: unknown, path: readonly string[], depth: number, change: Change): unknown {
  if (depth === path.length) return change.value;
  const key = path[depth]!;
  const last = depth === path.length - 1;
  if (Array.isArray(node)) {
    const list: unknown[] = [...(node as unknown[])];
    const i = indexIn(list, key);
    if (last && change.value === undefined) {
      if (i >= 0 && i < list.length) list.splice(i, 1);
      return list;
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
    if (last && change.at !== undefined && !hasId(list[i], key))
      list.splice(change.at, 0, change.value);
    else list[i] = set(list[i], path, depth + 1, change);
    return list;
  }
  if (node === undefined && !last)
    // A list or object that is not there yet begins empty.
    return set(/^\d+$/.test(path[depth]!) ? [] : {}, path, depth, change);
  if (node === undefined && last) {
    if (/^\d+$/.test(key) || hasId(change.value, key)) return [change.value];
    return change.value === undefined ? undefined : { [key]: change.value };
  }
  if (node === null || typeof node !== 'object')
    throw new PathError(`nothing at ${path.slice(0, depth + 1).join('/')}`);
  const object = { ...(node as Record<string, unknown>) };
  const value = set(Object.hasOwn(object, key) ? object[key] : undefined, path, depth + 1, change);
  if (value === undefined) delete object[key];
  else object[key] = value;
  return object;
}

function hasId(e: unknown, id: string): boolean {
  return e !== null && typeof e === 'object' && (e as { id?: unknown }).id === id;
}

function indexIn(list: readonly unknown[], key: string): number {
  const byId = list.findIndex((e) => hasId(e, key));
  if (byId >= 0) return byId;
  return /^\d+$/.test(key) ? Number(key) : -1;
}

/** The change that takes `change` back, for the document before it. */
export function inverseOf(doc: unknown, change: Change): Change {
  const parentPath = change.path.slice(0, -1);
  const key = change.path[change.path.length - 1]!;
  const before = readPath(doc, change.path);
  const parent = readPath(doc, parentPath);
  if (before === undefined) {
    // What the change brings into being goes away again, with what it had to begin on the way.
    let depth = change.path.length;
    while (depth > 1 && readPath(doc, change.path.slice(0, depth - 1)) === undefined) depth--;
    return { path: change.path.slice(0, depth), value: undefined };
  }
  if (Array.isArray(parent) && change.at !== undefined && !hasId(before, key))
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
