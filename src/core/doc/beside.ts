import { applyEdit, type Edit } from '../edit/edit';
import { readPath } from '../edit/path';
import { fieldAt, isKind, KIND_NAME } from '../kit/fields';
import { rowName } from '../kit/numbers';
import type { JobDoc, RigDoc, Use } from '../kit/kept';
import type { Change, Part } from '../kit/types';
import { known, type QuantityInput } from '../quantity/quantity';
import { plain } from '../quantity/say';
import { isFields } from './alike';
import { difference } from './difference';

/**
 * A file of a job laid beside the same job as it is here: what differs, part by part, piece by piece
 * on a rig, field by field, each of which can be taken by itself.
 */
export interface Differing {
  key: string;
  /** In words: `length 84 to 85`. */
  said: string;
  /** What takes it from the file; nothing where it cannot be taken. */
  changes: readonly Change[];
}

export interface DifferingThing {
  key: string;
  name: string;
  sort: 'part' | 'rig' | 'job';
  /** Only in the file, only here, or other. */
  state: 'new' | 'gone' | 'other';
  items: readonly Differing[];
}

/** @param here the job as it is kept here, @param there as the file has it */
export function whatDiffers(here: JobDoc, there: JobDoc): DifferingThing[] {
  const changes = difference(here, there, []).filter(
    (c) => !OF_THE_FILE.has(c.path[0] ?? '') && c.path.length > 0,
  );
  const things = new Map<string, { sort: DifferingThing['sort']; changes: Change[] }>();
  for (const c of changes) {
    const sort = c.path[0] === 'kit' ? 'part' : c.path[0] === 'rigs' ? 'rig' : 'job';
    const key = sort === 'job' ? 'job' : `${c.path[0]}/${c.path[1]}`;
    const thing = things.get(key) ?? { sort, changes: [] };
    thing.changes.push(c);
    things.set(key, thing);
  }
  return [...things].map(([key, { sort, changes: own }]) => {
    const id = key.split('/')[1]!;
    if (sort === 'part') return partThing(key, id, own, here, there);
    if (sort === 'rig') return rigThing(key, id, own, here, there);
    return {
      key,
      name: 'the job',
      sort,
      state: 'other',
      items: own.map((c) => plainItem(c, here, 1)),
    };
  });
}

/** What is said of a file itself. */
const OF_THE_FILE: ReadonlySet<string> = new Set(['format', 'version', 'id']);

function partThing(
  key: string,
  id: string,
  changes: readonly Change[],
  here: JobDoc,
  there: JobDoc,
): DifferingThing {
  const [mine, other] = [partOf(here, id), partOf(there, id)];
  const name = (mine ?? other)?.name ?? id;
  const kind = (mine ?? other)?.kind ?? '';
  const called = isKind(kind) ? KIND_NAME[kind].one : kind;
  if (!mine)
    return {
      key,
      name,
      sort: 'part',
      state: 'new',
      items: [{ key, said: `${called}, only in the file`, changes }],
    };
  if (!other) {
    const rigs = here.rigs.filter((r) => JSON.stringify(r).includes(`"${id}"`)).map((r) => r.name);
    const used = rigs.length > 0;
    return {
      key,
      name,
      sort: 'part',
      state: 'gone',
      items: [
        {
          key,
          said: used
            ? `not in the file; it is on ${rigs.join(', ')} here, and stays`
            : 'not in the file; taken, it goes out of the kit',
          changes: used ? [] : changes,
        },
      ],
    };
  }
  return {
    key,
    name,
    sort: 'part',
    state: 'other',
    items: byField(kind, changes).map(([path, own]) => ({
      key: path.join('/'),
      said: `${fieldWord(other, path.slice(2))} ${saidValue(readPath(here, path))} to ${saidValue(readPath(there, path))}`,
      changes: own,
    })),
  };
}

/** Changes by the field they are in: half of a number, its value without its tolerance, is none. */
function byField(kind: string, changes: readonly Change[]): [path: string[], changes: Change[]][] {
  const fields = new Map<string, Change[]>();
  for (const c of changes) {
    let end = c.path.length;
    while (end > 3 && !fieldAt(kind, c.path.slice(2, end))) end--;
    const key = c.path.slice(0, end).join('/');
    fields.set(key, [...(fields.get(key) ?? []), c]);
  }
  return [...fields].map(([key, list]) => [key.split('/'), list]);
}

/** What a field is called, with the row that it is of: `width of focus ring`. */
function fieldWord(part: Part, path: readonly string[]): string {
  const label = fieldAt(part.kind, path)?.label ?? path.join(' ');
  const row = path.length > 2 ? readPath(part, path.slice(0, 2)) : undefined;
  const name = isFields(row) ? rowName(row) : null;
  return name === null ? label : `${label} of ${name}`;
}

const partOf = (job: JobDoc, id: string): Part | undefined => job.kit.find((p) => p.id === id);

function rigThing(
  key: string,
  id: string,
  changes: readonly Change[],
  here: JobDoc,
  there: JobDoc,
): DifferingThing {
  const [mine, other] = [rigOf(here, id), rigOf(there, id)];
  const name = (mine ?? other)?.name ?? id;
  const whole = (state: 'new' | 'gone', said: string): DifferingThing => ({
    key,
    name,
    sort: 'rig',
    state,
    items: [{ key, said, changes }],
  });
  if (!mine) return whole('new', 'a rig that is only in the file');
  if (!other) return whole('gone', 'not in the file; taken, it goes');
  // A piece and what seats it are one thing: half of it would hang in the air.
  const items = new Map<string, Change[]>();
  for (const c of changes) {
    const [, , list, element] = c.path;
    const own =
      (list === 'uses' || list === 'joints' || list === 'configurations') && element !== undefined
        ? `${key}/${list === 'configurations' ? list : 'piece'}/${element}`
        : c.path.join('/');
    items.set(own, [...(items.get(own) ?? []), c]);
  }
  return {
    key,
    name,
    sort: 'rig',
    state: 'other',
    items: [...items].map(([own, list]) => rigItem(own, list, mine, other, here, there)),
  };
}

const rigOf = (job: JobDoc, id: string): RigDoc | undefined => job.rigs.find((r) => r.id === id);

function rigItem(
  key: string,
  changes: Change[],
  mine: RigDoc,
  other: RigDoc,
  here: JobDoc,
  there: JobDoc,
): Differing {
  const element = changes[0]!.path[3] ?? '';
  if (key.includes('/configurations/')) {
    const of = (r: RigDoc) => r.configurations?.find((c) => c.id === element);
    const name = (of(mine) ?? of(other))?.name ?? element;
    const how = !of(mine) ? 'only in the file' : !of(other) ? 'not in the file' : 'other';
    return { key, said: `configuration ${name}: ${how}`, changes };
  }
  if (!key.includes('/piece/')) return plainItem(changes[0]!, here, 2);
  const pieceOf = (r: RigDoc): Use | undefined => r.uses.find((u) => u.id === element);
  const called = (u: Use | undefined, job: JobDoc) =>
    u ? (partOf(job, u.part)?.name ?? u.part) : '';
  const [was, now] = [pieceOf(mine), pieceOf(other)];
  if (was && now && was.part !== now.part)
    return { key, said: `${called(now, there)} in place of ${called(was, here)}`, changes };
  if (!was && now) return { key, said: `${called(now, there)} goes on`, changes };
  if (was && !now) return { key, said: `${called(was, here)} comes off`, changes };
  const what = changes.map(
    (c) =>
      `${c.path[c.path.length - 1]!} ${saidValue(readPath(here, c.path))} to ${saidValue(c.value)}`,
  );
  return { key, said: `${called(was, here) || element}: ${what.join(', ')}`, changes };
}

function plainItem(c: Change, here: JobDoc, from: number): Differing {
  const words = c.path.slice(from - 1).join(' ');
  return {
    key: c.path.join('/'),
    said: `${words} ${saidValue(readPath(here, c.path))} to ${saidValue(c.value)}`,
    changes: [c],
  };
}

/** A value in a few words: numbers with what they can be off by, groups by what they are called. */
function saidValue(v: unknown): string {
  if (v === undefined) return 'nothing';
  if (typeof v === 'number') return plain(v, 3);
  if (typeof v === 'boolean') return v ? 'yes' : 'no';
  if (typeof v === 'string') return v.length > 40 ? `${v.slice(0, 40)}...` : v;
  if (Array.isArray(v)) return `${v.length} ${v.length === 1 ? 'line' : 'lines'}`;
  const q = known(v as QuantityInput);
  if (q && isFields(v) && 'value' in v)
    return `${q.from === 'guess' ? '~' : ''}${plain(q.value, 3)}${v.tol === undefined ? '' : ` \u00b1${plain(q.tol, 3)}`}`;
  return isFields(v) && typeof v.name === 'string' ? v.name : 'a group';
}

/**
 * One edit that takes what was marked, with the parts that it cannot do without.
 *
 * @returns null where that would leave a job that cannot be worked with
 */
export function takeFrom(
  here: JobDoc,
  things: readonly DifferingThing[],
  marked: ReadonlySet<string>,
  name: string,
  sound: (job: JobDoc) => string | null,
): Edit | null {
  const items = things.flatMap((t) => t.items);
  const chosen = new Set(items.filter((i) => marked.has(i.key)));
  // What goes onto a rig comes with its part, where that is only in the file.
  for (const t of things)
    if (t.sort === 'part' && t.state === 'new') {
      const id = t.key.split('/')[1]!;
      const asked = [...chosen].some(
        (i) => i.key !== t.key && JSON.stringify(i.changes).includes(`"${id}"`),
      );
      if (asked) chosen.add(t.items[0]!);
    }
  // Parts first: a rig may only name what is there; what goes, goes last.
  const order = (c: Change) => (c.path[0] === 'kit' ? (c.value === undefined ? 2 : 0) : 1);
  const changes = items
    .filter((i) => chosen.has(i))
    .flatMap((i) => i.changes)
    .sort((a, b) => order(a) - order(b));
  if (changes.length === 0) return null;
  const edit = { title: `Take from ${name}`, changes };
  return sound(applyEdit(here, edit).doc) === null ? edit : null;
}
