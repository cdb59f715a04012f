import type Joi from 'joi';
import type { Job, Kind } from '../kit/types';
import { FITTING_KINDS, isBody, isBox, isFitting, isLens, isLink } from '../kit/types';
import { FIELDS, isKind } from '../kit/fields';
import { turnRanges } from '../kit/ranges';
import { FORBIDDEN_KEYS } from '../solve/edit';
import { joiOf } from './joi';
import { migrate } from './migrate';
import { describe, pathText, type Problem, type Read } from './problem';
import { expectation, ID_PATTERN, JOB_SHAPE, MOST_PARTS, shapeOfPart, type Shape } from './shape';

/** Largest file that is read, bytes: a hundred times a large kit. */
export const LARGEST_FILE = 25 * 1024 * 1024;
/** Longest list that is read: no list of a job may be longer. */
const LONGEST_LIST = MOST_PARTS;
const MOST_PROBLEMS = 1000;
/** Deepest nesting that is read; a job needs nine levels. */
const DEEPEST = 40;

const problem = (path: string, found: string, expected: string): Problem => ({
  path,
  found,
  expected,
});
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

let jobSchema: Joi.Schema | null = null;

/** All problems of a document against a Joi schema, each with its path. */
export function schemaProblems(schema: Joi.Schema, doc: unknown): Problem[] {
  return problemsOf(schema, doc, [], doc);
}

/** @param at where in the document `value` stands */
function problemsOf(
  schema: Joi.Schema,
  value: unknown,
  at: readonly (string | number)[],
  doc: unknown,
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
      expectedAt(schema, path, doc) ?? d.message,
    );
  });
}

/** What the shape of the job expects at a path, in words. */
function expectedAt(
  schema: Joi.Schema,
  path: readonly (string | number)[],
  doc: unknown,
): string | null {
  const found = findExpectation(JOB_SHAPE, path, doc);
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

/** Ids that lead nowhere or stand twice. */
function referenceProblems(job: Job): Problem[] {
  const problems: Problem[] = [];
  const twice = (items: readonly { id: string }[], path: string) => {
    const seen = new Set<string>();
    items.forEach((item, i) => {
      if (seen.has(item.id))
        problems.push(
          problem(`${path}[${i}].id`, JSON.stringify(item.id), 'an id that is not used twice'),
        );
      seen.add(item.id);
    });
  };
  twice(job.kit, 'kit');
  twice(job.rigs, 'rigs');
  twice(job.mounts ?? [], 'mounts');
  const kit = new Map(job.kit.map((p) => [p.id, p]));
  job.kit.forEach((p, i) => {
    if (isBody(p)) twice(p.modes ?? [], `kit[${i}].modes`);
    if (isLens(p)) twice(p.rings ?? [], `kit[${i}].rings`);
    if (isFitting(p)) twice(p.outlets ?? [], `kit[${i}].outlets`);
    if (isBox(p)) {
      twice(p.stages ?? [], `kit[${i}].stages`);
      twice(p.masks ?? [], `kit[${i}].masks`);
      twice(p.flags ?? [], `kit[${i}].flags`);
    }
  });
  job.rigs.forEach((rig, i) => {
    twice(rig.frames, `rigs[${i}].frames`);
    const body = rig.body === null ? null : kit.get(rig.body);
    if (rig.body !== null && !isBody(body))
      problems.push(
        problem(`rigs[${i}].body`, JSON.stringify(rig.body), 'the id of a body in the kit'),
      );
    if (rig.mode !== null && isBody(body) && !body.modes?.some((m) => m.id === rig.mode))
      problems.push(
        problem(`rigs[${i}].mode`, JSON.stringify(rig.mode), `the id of a mode of ${body.name}`),
      );
    if (rig.lens !== null && !isLens(kit.get(rig.lens)))
      problems.push(
        problem(`rigs[${i}].lens`, JSON.stringify(rig.lens), 'the id of a lens in the kit'),
      );
    rig.between.forEach((use, j) => {
      if (!isLink(kit.get(use.part)))
        problems.push(
          problem(
            `rigs[${i}].between[${j}].part`,
            JSON.stringify(use.part),
            'the id of an adapter or reducer in the kit',
          ),
        );
    });
    const wants = (path: string, id: string | undefined, kinds: readonly Kind[], what: string) => {
      if (id === undefined) return;
      const part = kit.get(id);
      if (!part || !kinds.some((k) => k === part.kind))
        problems.push(
          problem(`rigs[${i}].${path}`, JSON.stringify(id), `the id of ${what} in the kit`),
        );
    };
    rig.thread?.forEach((u, j) =>
      wants(`thread[${j}].part`, u.part, ['ring', 'filter'], 'a ring or filter'),
    );
    rig.under?.forEach((u, j) =>
      wants(`under[${j}].part`, u.part, ['plate', 'riser'], 'a plate or riser'),
    );
    for (const list of ['rods', 'supports', 'drives', 'fitted'] as const)
      twice(rig[list] ?? [], `rigs[${i}].${list}`);
    rig.rods?.forEach((u, j) => wants(`rods[${j}].part`, u.part, ['rods'], 'rods'));
    rig.gears?.forEach((u, j) => wants(`gears[${j}].part`, u.part, ['gear-ring'], 'a gear ring'));
    rig.supports?.forEach((u, j) =>
      wants(`supports[${j}].part`, u.part, ['lens-support'], 'a lens support'),
    );
    rig.drives?.forEach((u, j) => {
      wants(`drives[${j}].part`, u.part, ['follow-focus', 'motor'], 'a follow focus or motor');
      wants(`drives[${j}].arm`, u.arm, ['drive-arm'], 'an extension arm');
      if (!u.outlet) return;
      const from = rig.fitted?.find((f) => f.id === u.outlet!.from);
      const part = from ? kit.get(from.part) : undefined;
      if (!isFitting(part) || !part.outlets?.some((o) => o.id === u.outlet!.id))
        problems.push(
          problem(
            `rigs[${i}].drives[${j}].outlet`,
            JSON.stringify(u.outlet),
            'an outlet of a part that is fitted to this rig',
          ),
        );
    });
    rig.fitted?.forEach((u, j) => {
      wants(`fitted[${j}].part`, u.part, FITTING_KINDS, 'a part that is fitted to a camera');
      // What stands against another part names one that was fitted before it: no circles.
      if (u.to !== undefined && !rig.fitted!.slice(0, j).some((f) => f.id === u.to))
        problems.push(
          problem(
            `rigs[${i}].fitted[${j}].to`,
            JSON.stringify(u.to),
            'the id of a part fitted before it',
          ),
        );
    });
    if (rig.box) {
      wants('box.part', rig.box.part, ['matte-box'], 'a matte box');
      wants('box.ring', rig.box.ring, ['reduction-ring'], 'a reduction ring');
      wants('box.sleeve', rig.box.sleeve, ['sleeve'], 'a sleeve');
      twice(rig.box.trays ?? [], `rigs[${i}].box.trays`);
      twice(rig.box.flags ?? [], `rigs[${i}].box.flags`);
      const box = kit.get(rig.box.part);
      if (isBox(box)) {
        const own = (
          path: string,
          id: string | undefined,
          list: readonly { id: string }[] | undefined,
          what: string,
        ) => {
          if (id !== undefined && !list?.some((e) => e.id === id))
            problems.push(
              problem(
                `rigs[${i}].box.${path}`,
                JSON.stringify(id),
                `the id of a ${what} of ${box.name}`,
              ),
            );
        };
        rig.box.trays?.forEach((t, j) => own(`trays[${j}].id`, t.id, box.stages, 'stage'));
        rig.box.flags?.forEach((f, j) => own(`flags[${j}].id`, f.id, box.flags, 'flag'));
        own('mask', rig.box.mask, box.masks, 'mask');
      }
      rig.box.trays?.forEach((t, j) =>
        wants(`box.trays[${j}].filter`, t.filter, ['filter'], 'a filter'),
      );
    }
  });
  job.lensSet?.forEach((id, i) => {
    if (!isLens(kit.get(id)))
      problems.push(problem(`lensSet[${i}]`, JSON.stringify(id), 'the id of a lens in the kit'));
  });
  return problems;
}

/**
 * As {@link schemaProblems}, of a job: part by part, each against the shape of its own kind. A kit
 * of thousands is not held against every kind there is, and a long list of bad parts ends early.
 */
export function jobProblems(doc: Record<string, unknown>): Problem[] {
  jobSchema ??= joiOf(JOB_SHAPE);
  const { kit } = doc;
  if (!Array.isArray(kit) || kit.length > MOST_PARTS) return schemaProblems(jobSchema, doc);
  const problems = schemaProblems(jobSchema, { ...doc, kit: [] });
  // What a piece is called stands for itself; what else is said of like pieces is read once.
  const sound = new Set<string>();
  for (let i = 0; i < kit.length && problems.length < MOST_PROBLEMS; i++) {
    const part: unknown = kit[i];
    const { id, name, ...more } = (part ?? {}) as Record<string, unknown>;
    const rest = JSON.stringify(more);
    const named = typeof id === 'string' && ID_PATTERN.test(id) && isName(name);
    if (named && sound.has(rest)) continue;
    const own = problemsOf(partSchema(more.kind), part, ['kit', i], doc);
    problems.push(...own);
    if (own.length === 0) sound.add(rest);
  }
  // In the order in which they stand in the file.
  const order = JOB_SHAPE.is === 'object' ? Object.keys(JOB_SHAPE.fields) : [];
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
export function validateJob(doc: unknown): Read<Job> {
  if (doc === null || typeof doc !== 'object' || Array.isArray(doc))
    return refuse(problem('(file)', describe(doc), 'a Nelvix job'));
  const head = doc as Record<string, unknown>;
  if (head.format !== 'nelvix-job')
    return refuse(problem('format', describe(head.format), '"nelvix-job"'));
  const migrated = migrate(head);
  if (!migrated.ok) return refuse(problem('version', migrated.found, migrated.expected));
  const problems = jobProblems(migrated.doc);
  if (problems.length > 0) return { ok: false, problems };
  const job = migrated.doc as unknown as Job;
  const dangling = referenceProblems(job);
  if (dangling.length > 0) return { ok: false, problems: dangling };
  const notes: string[] = [];
  const kit = job.kit.map((p) => {
    const { part, turned } = turnRanges(p);
    notes.push(...turned);
    return part;
  });
  return notes.length > 0 ? { ok: true, value: { ...job, kit }, notes } : { ok: true, value: job };
}

/**
 * Reads a job file. Never throws, never half-reads: either the whole job, with every field it
 * does not know kept as it was, or all that is wrong with it.
 */
export function readJob(text: string): Read<Job> {
  const parsed = parseJson(text);
  return parsed.ok ? validateJob(parsed.value) : parsed;
}

/** Writes a job as a file: what was read, in the order it was read. */
export function writeJob(job: Job): string {
  return `${JSON.stringify(job, null, 2)}\n`;
}
