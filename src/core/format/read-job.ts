import type Joi from 'joi';
import { jobOf } from '../doc/read';
import { docOf } from '../doc/write';
import type { JobDoc } from '../kit/kept';
import type { Job } from '../kit/types';
import { FIELDS, isKind } from '../kit/fields';
import { turnRanges } from '../kit/ranges';
import { FORBIDDEN_KEYS } from '../edit/edit';
import { joiOf } from './joi';
import { laidOver, rigIn } from '../doc/layers';
import { clean } from '../doc/roles';
import { JOB_VERSION, migrate, partsOf5 } from './migrate';
import { describe, pathText, type Problem, type Read } from './problem';
import { mended, problem, referenceProblems } from './references';
import { referenceProblems3 } from './references-3';
import { expectation, ID_PATTERN, JOB_SHAPE, MOST_PARTS, shapeOfPart, type Shape } from './shape';
import { JOB_SHAPE_3 } from './shape-3';

/** Largest file that is read, bytes: a hundred times a large kit. */
export const LARGEST_FILE = 25 * 1024 * 1024;
/** Longest list that is read: no list of a job may be longer. */
const LONGEST_LIST = MOST_PARTS;
const MOST_PROBLEMS = 1000;
/** Deepest nesting that is read; a job needs nine levels. */
const DEEPEST = 40;

const refuse = <T>(p: Problem): Read<T> => ({ ok: false, problems: [p] });

/** Parses JSON text safely: size, syntax, depth and keys are judged before anything else. */
export function parseJson(text: string): Read<unknown> {
  if (text.length > LARGEST_FILE)
    return refuse(
      problem(
        '(file)',
        `${(text.length / 1024 / 1024).toFixed(1)} MB`,
        `at most ${LARGEST_FILE / 1024 / 1024} MB`,
      ),
    );
  let doc: unknown;
  try {
    doc = JSON.parse(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text);
  } catch (e) {
    const where = /position (\d+)/.exec(e instanceof Error ? e.message : '');
    const line = where ? text.slice(0, Number(where[1])).split('\n').length : null;
    return refuse(
      problem(
        '(file)',
        text.trim() === '' ? 'an empty file' : `no valid JSON${line ? ` in line ${line}` : ''}`,
        'a Nelvix file (JSON)',
      ),
    );
  }
  const bad = structureProblems(doc);
  return bad.length > 0 ? { ok: false, problems: bad } : { ok: true, value: doc };
}

/** Nesting that is too deep and keys that no data has; walks without recursion. */
function structureProblems(doc: unknown): Problem[] {
  const problems: Problem[] = [];
  const stack: { node: unknown; path: (string | number)[] }[] = [{ node: doc, path: [] }];
  while (stack.length > 0) {
    const { node, path } = stack.pop()!;
    if (node === null || typeof node !== 'object') continue;
    if (path.length >= DEEPEST) {
      problems.push(
        problem(
          pathText(path.slice(0, 6)) + '...',
          'very deep nesting',
          `at most ${DEEPEST} levels`,
        ),
      );
      if (problems.length > 50) return problems;
      continue;
    }
    if (Array.isArray(node)) {
      if (node.length > LONGEST_LIST) {
        // Nothing of ours has that many of anything: nothing else is looked at.
        return [
          problem(
            pathText(path),
            `a list of ${node.length}`,
            `a list of at most ${path.length === 1 && path[0] === 'kit' ? MOST_PARTS : LONGEST_LIST}`,
          ),
        ];
      }
      for (let i = 0; i < node.length; i++) {
        const child: unknown = node[i];
        if (child !== null && typeof child === 'object')
          stack.push({ node: child, path: [...path, i] });
      }
      continue;
    }
    for (const key of Object.keys(node)) {
      if (FORBIDDEN_KEYS.includes(key)) {
        problems.push(problem(pathText([...path, key]), `a field called ${key}`, 'another name'));
        continue;
      }
      const child = (node as Record<string, unknown>)[key];
      if (child !== null && typeof child === 'object')
        stack.push({ node: child, path: [...path, key] });
    }
  }
  return problems;
}

const schemas = new Map<Shape, Joi.Schema>();

function schemaOf(shape: Shape): Joi.Schema {
  let schema = schemas.get(shape);
  if (!schema) schemas.set(shape, (schema = joiOf(shape)));
  return schema;
}

/** All problems of a document against a Joi schema, each with its path. */
export function schemaProblems(
  schema: Joi.Schema,
  doc: unknown,
  shape: Shape = JOB_SHAPE,
): Problem[] {
  return problemsOf(schema, doc, [], doc, shape);
}

/** @param at where in the document `value` stands */
function problemsOf(
  schema: Joi.Schema,
  value: unknown,
  at: readonly (string | number)[],
  doc: unknown,
  shape: Shape,
): Problem[] {
  const { error } = schema.validate(value, {
    abortEarly: false,
    convert: false,
    allowUnknown: true,
    errors: { render: false },
  });
  if (!error) return [];
  return error.details.map((d) => {
    const context = d.context as { value?: unknown } | undefined;
    const missing = d.type === 'any.required';
    const path = [...at, ...d.path];
    return problem(
      pathText(path),
      missing ? 'nothing' : describe(context?.value),
      expectedAt(schema, path, doc, shape) ?? d.message,
    );
  });
}

/** What the shape of the job expects at a path, in words. */
function expectedAt(
  schema: Joi.Schema,
  path: readonly (string | number)[],
  doc: unknown,
  shape: Shape,
): string | null {
  const found = findExpectation(shape, path, doc);
  if (found) return found;
  const meta = (schema.describe() as { metas?: { expected?: string }[] }).metas;
  return meta?.find((m) => m.expected)?.expected ?? null;
}

function findExpectation(
  shape: Shape,
  path: readonly (string | number)[],
  doc: unknown,
): string | null {
  let at: Shape = shape;
  let node: unknown = doc;
  for (const step of path) {
    if (at.is === 'nullable') at = at.of;
    if (at.is === 'part') {
      const kind =
        node !== null && typeof node === 'object' ? (node as { kind?: unknown }).kind : '';
      at = shapeOfPart(typeof kind === 'string' ? kind : '');
    }
    node =
      node !== null && typeof node === 'object'
        ? (node as Record<string | number, unknown>)[step]
        : undefined;
    if (at.is === 'object') {
      const next: Shape | undefined = at.fields[String(step)];
      if (!next) return null;
      at = next;
    } else if (at.is === 'list' || at.is === 'map') at = at.of;
    else if (at.is === 'quantity') {
      if (step === 'value') return expectation({ ...at, is: 'number' });
      if (step === 'tol') return 'a tolerance, 0 or more';
      if (step === 'from') return '"measured", "sheet" or "guess"';
      return null;
    } else return null;
  }
  return expectation(at);
}

/**
 * As {@link schemaProblems}, of a job: part by part, each against the shape of its own kind. A kit
 * of thousands is not held against every kind there is, and a long list of bad parts ends early.
 */
export function jobProblems(doc: Record<string, unknown>, shape: Shape = JOB_SHAPE): Problem[] {
  const schema = schemaOf(shape);
  const { kit } = doc;
  if (!Array.isArray(kit) || kit.length > MOST_PARTS) return schemaProblems(schema, doc, shape);
  const problems = schemaProblems(schema, { ...doc, kit: [] }, shape);
  // What a piece is called stands for itself; what else is said of like pieces is read once.
  const sound = new Set<string>();
  for (let i = 0; i < kit.length && problems.length < MOST_PROBLEMS; i++) {
    const part: unknown = kit[i];
    const { id, name, ...more } = (part ?? {}) as Record<string, unknown>;
    const rest = JSON.stringify(more);
    const named = typeof id === 'string' && ID_PATTERN.test(id) && isName(name);
    if (named && sound.has(rest)) continue;
    const own = problemsOf(partSchema(more.kind), part, ['kit', i], doc, shape);
    problems.push(...own);
    if (own.length === 0) sound.add(rest);
  }
  // In the order in which they stand in the file.
  const order = shape.is === 'object' ? Object.keys(shape.fields) : [];
  const at = (p: Problem) => order.indexOf(/^\w*/.exec(p.path)![0]);
  return problems.sort((a, b) => at(a) - at(b));
}

/** Whether a name is one that every kind of part takes. */
function isName(name: unknown): boolean {
  return typeof name === 'string' && name.length >= 1 && name.length <= NAME_LENGTH;
}

const nameField = FIELDS.lens.find((f) => f.key === 'name');
const NAME_LENGTH = nameField?.type === 'text' ? nameField.max : 0;

const partSchemas = new Map<string, Joi.Schema>();

/** The schema of a part, by its kind; of a kind this version does not know its common fields. */
function partSchema(kind: unknown): Joi.Schema {
  const key = typeof kind === 'string' && isKind(kind) ? kind : 'other';
  let schema = partSchemas.get(key);
  if (!schema) partSchemas.set(key, (schema = joiOf(shapeOfPart(key))));
  return schema;
}

/** Validates a document as a job: format, version, shape, references. All problems at once. */
export function validateJob(doc: unknown): Read<JobDoc> {
  if (doc === null || typeof doc !== 'object' || Array.isArray(doc))
    return refuse(problem('(file)', describe(doc), 'a Nelvix job'));
  const head = partsAsRead(doc as Record<string, unknown>);
  if (head.format !== 'nelvix-job')
    return refuse(problem('format', describe(head.format), '"nelvix-job"'));
  const old = typeof head.version === 'number' && head.version < LISTS_BY_ROLE + 1;
  // What an older version wrote is held against that: its sentences name the places it has.
  const migrated = migrate(head, old ? LISTS_BY_ROLE : JOB_VERSION);
  if (!migrated.ok)
    return refuse(problem('version', migrated.found, expectedVersion(migrated.expected)));
  const problems = jobProblems(migrated.doc, old ? JOB_SHAPE_3 : JOB_SHAPE);
  if (problems.length > 0) return { ok: false, problems };
  const now = old ? migrate(migrated.doc) : migrated;
  if (!now.ok) return refuse(problem('version', now.found, now.expected));
  const { job, notes } = mended(now.doc as unknown as JobDoc);
  const dangling = old
    ? referenceProblems3(migrated.doc as unknown as Job)
    : referenceProblems(job);
  if (dangling.length > 0) return { ok: false, problems: dangling };
  const odd = configurationProblems(job);
  if (odd.length > 0) return { ok: false, problems: odd };
  const kit = job.kit.map((p) => {
    const { part, turned } = turnRanges(p);
    notes.push(...turned);
    return part;
  });
  return notes.length > 0 ? { ok: true, value: { ...job, kit }, notes } : { ok: true, value: job };
}

/**
 * What is wrong with a rig as it stands in one of its configurations, which nothing is wrong with by
 * itself: held against the same shape and the same references as the rig.
 */
function configurationProblems(job: JobDoc): Problem[] {
  return job.rigs.flatMap((rig, i) =>
    (rig.configurations ?? []).flatMap((c, j): Problem[] => {
      if (Object.keys(c.over).length === 0) return [];
      const said = (list: readonly Problem[]) =>
        list.map((p) => ({
          ...p,
          path: `rigs[${i}].configurations[${j}].over, read as ${p.path.replace(/^rigs\[0\]/, 'the rig')}`,
        }));
      const alone = (r: typeof rig) => ({
        ...job,
        lensSet: undefined,
        records: undefined,
        rigs: [r],
      });
      const { configurations: _configurations, ...laid } = laidOver(rig, c.over);
      const shape = jobProblems({ ...clean(alone(laid)), kit: [] }, JOB_SHAPE);
      if (shape.length > 0) return said(shape);
      const { configurations: _own, ...stands } = rigIn(rig, c.id);
      return said(referenceProblems(clean(alone(stands)) as JobDoc));
    }),
  );
}

/** Parts are held against the fields of this version whatever wrote them: what meant nothing moves. */
function partsAsRead(doc: Record<string, unknown>): Record<string, unknown> {
  const { version } = doc;
  return typeof version === 'number' && version < JOB_VERSION ? partsOf5(doc) : doc;
}

/** The last version whose rigs were lists by role. */
const LISTS_BY_ROLE = 3;

/** What was expected of a version, whichever step of the way said it. */
const expectedVersion = (expected: string) =>
  expected.replace(String(LISTS_BY_ROLE), String(JOB_VERSION));

/**
 * Reads a job file as it is kept. Never throws, never half-reads: either the whole job, with every
 * field it does not know kept as it was, or all that is wrong with it.
 */
export function readDoc(text: string): Read<JobDoc> {
  const parsed = parseJson(text);
  return parsed.ok ? validateJob(parsed.value) : parsed;
}

/** As {@link readDoc}, the job as it is read by roles. */
export function readJob(text: string): Read<Job> {
  const read = readDoc(text);
  return read.ok ? { ...read, value: jobOf(read.value) } : read;
}

/** Lists of a rig and of a job whose elements stand on a line each. */
const BY_LINE: ReadonlySet<string> = new Set(['uses', 'joints', 'links', 'records', 'frames']);

/** Writes a job as a file: what was read, in the order it was read. */
export function writeDoc(doc: JobDoc): string {
  return `${written(doc, '', null)}\n`;
}

export function writeJob(job: Job): string {
  return writeDoc(docOf(job));
}

/** A number with its tolerance, a size: short enough for one line. */
function isShort(value: object): boolean {
  const inside = Object.values(value);
  return inside.length <= 8 && inside.every((v) => v === null || typeof v !== 'object');
}

/** JSON with two spaces a level; elements of the lists that are many stand on a line each. */
function written(value: unknown, indent: string, key: string | null): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  const deeper = `${indent}  `;
  if (key !== null && isShort(value)) {
    const line = JSON.stringify(value);
    if (line.length <= 100) return line;
  }
  if (Array.isArray(value)) {
    if (value.length === 0) return '[]';
    const lines = value.map((v: unknown) =>
      (key !== null && BY_LINE.has(key)) || (v !== null && typeof v === 'object' && isShort(v))
        ? JSON.stringify(v)
        : written(v, deeper, null),
    );
    return `[\n${lines.map((l) => `${deeper}${l}`).join(',\n')}\n${indent}]`;
  }
  const lines = Object.entries(value).flatMap(([k, v]) =>
    v === undefined ? [] : [`${deeper}${JSON.stringify(k)}: ${written(v, deeper, k)}`],
  );
  return lines.length === 0 ? '{}' : `{\n${lines.join(',\n')}\n${indent}}`;
}
