import { USUAL } from '../kit/usual';
import { type Job, type Part, type Change, isLens } from '../kit/types';
import type { Edit } from '../edit/edit';
import { readPath } from '../edit/path';
import type { RowsField } from '../engine/field';
import { newNamedId } from '../engine/ids';
import { howMany } from '../quantity/say';
import { STANDARD_MOUNTS } from '../areas/mount/kit/standards';

/** Corrects one field of a part, a rig or the job. */
export function setField(job: Job, path: string[], value: unknown, label: string): Edit {
  const before = readPath(job, path);
  const verb = value === undefined ? 'Clear' : before === undefined ? 'Give' : 'Correct';
  const title = `${verb} ${label}`;
  if (path[0] === 'mounts' && path.length === 3 && !job.mounts?.some((m) => m.id === path[1])) {
    // A standard mount becomes the job's own when one of its numbers is corrected.
    const standard = STANDARD_MOUNTS.find((m) => m.id === path[1]);
    const own = { ...(standard ?? { id: path[1]!, name: path[1]! }), [path[2]!]: value };
    return {
      title,
      changes: [{ path: ['mounts', path[1]!], value: own }],
    };
  }
  return { title, changes: [{ path, value }] };
}

/**
 * A number of a part that stands on its drawing. The line of a table that it would be in, and that
 * is not there yet, is begun with it.
 *
 * @param path inside the part: `['length']`, `['pupil', '0', 'behind']`
 */
export function setNumber(
  job: Job,
  part: Part,
  path: readonly string[],
  value: unknown,
  label: string,
): Edit {
  const at = ['kit', part.id, ...path];
  const row = path.length > 2 ? at.slice(0, -1) : null;
  if (row === null || readPath(job, row) !== undefined) return setField(job, at, value, label);
  const line = { [path[path.length - 1]!]: value };
  return {
    title: `Give ${label}`,
    changes: value === undefined ? [] : [{ path: row, value: line }],
  };
}

/** One field of many parts at once: owner, tag, count. */
export function setOnMany(parts: readonly Part[], key: string, value: unknown, what: string): Edit {
  return {
    title: `${what} of ${howMany(parts.length, 'part')}`,
    changes: parts.map((p) => ({ path: ['kit', p.id, key], value })),
  };
}

/** Adds a part; a new lens joins the set when one was chosen by hand. */
export function addPart(job: Job, part: Part): Edit {
  const joins: Change[] =
    isLens(part) && job.lensSet ? [{ path: ['lensSet', part.id], value: part.id }] : [];
  return {
    title: `Add ${part.name}`,
    changes: [{ path: ['kit', part.id], value: part }, ...joins],
  };
}

/** Rows that parts of this kind usually have and this one does not, under names of their own. */
export function usualRows(part: Part, field: RowsField): readonly { name: string }[] {
  const own = (part as unknown as Record<string, { name?: string }[] | undefined>)[field.key];
  const names = new Set((own ?? []).map((r) => r.name));
  return ((field.usual ? USUAL[field.key]?.(part.kind) : null) ?? []).filter(
    (r) => !names.has(r.name),
  );
}

/** Takes what parts of this kind usually have, to be trimmed and corrected; null when it has all. */
export function takeUsual(part: Part, field: RowsField): Edit | null {
  const rows = usualRows(part, field);
  if (rows.length === 0) return null;
  return {
    title: `Take the usual ${field.label} for ${part.name}`,
    changes: rows.map((r) => {
      const id = newNamedId(r.name);
      return { path: ['kit', part.id, field.key, id], value: { id, ...r } };
    }),
  };
}
