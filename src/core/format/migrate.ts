import type Joi from 'joi';
import { docOf } from '../doc/write';
import { FITTING_KINDS, type Job } from '../kit/types';
import { joiOf } from './joi';
import { shapeOfPart, type Shape } from './shape';
import { JOB_VERSION } from './version';

/** One step from version n to n + 1 of a document. Pure: gets a document, returns a new one. */
export type Migration = (doc: Record<string, unknown>) => Record<string, unknown>;

export { JOB_VERSION };

/** Kinds and fields that version 1 only carried along and version 2 computes with. */
const NEW_KINDS = ['ring', 'filter', 'matte-box', 'reduction-ring', 'sleeve', 'plate', 'riser'];
const NEW_RIG_FIELDS = ['thread', 'box', 'under', 'light'];
const NEW_PART_FIELDS: Readonly<Record<string, readonly string[]>> = {
  adapter: ['slotType', 'slotStops', 'slotStopsTo'],
  reducer: ['falloff'],
  lens: [
    'frontClear',
    'pupil',
    'lengthClose',
    'lengthTo',
    'frontRotates',
    'frontLoad',
    'focalClose',
    'falloff',
  ],
};

/**
 * Version 1 to 2: the front of the rig came in. What a part of version 1 carried under a name that
 * now means something stays where it is when it reads as that; what does not is moved to
 * `carried`, so that it is neither lost nor mistaken for a number. What a rig carried under such a
 * name always moves: it would have to lead to parts, and nobody promised that it does.
 */
function frontOfTheRig(doc: Record<string, unknown>): Record<string, unknown> {
  const next = { ...doc };
  if (Array.isArray(doc.kit))
    next.kit = doc.kit.map((p: unknown) => {
      if (!isRecord(p) || typeof p.kind !== 'string') return p;
      const shape = shapeOfPart(p.kind);
      const names =
        NEW_PART_FIELDS[p.kind] ??
        (NEW_KINDS.includes(p.kind) && shape.is === 'object'
          ? Object.keys(shape.fields).filter((k) => !COMMON_FIELDS.includes(k))
          : []);
      return shape.is === 'object' ? carry(p, names, shape.fields) : p;
    });
  if (Array.isArray(doc.rigs))
    next.rigs = doc.rigs.map((r: unknown) => (isRecord(r) ? carry(r, NEW_RIG_FIELDS, {}) : r));
  return next;
}

/** Kinds and fields that version 2 only carried along and version 3 computes with. */
const KINDS_OF_3 = ['rods', 'gear-ring', 'lens-support', 'follow-focus', 'motor', 'drive-arm'];
const RIG_FIELDS_OF_3 = ['rods', 'gears', 'supports', 'drives', 'fitted', 'screenShut', 'limits'];
const FOOT = ['footAt', 'footLength', 'footDown'];
const PART_FIELDS_OF_3: Readonly<Record<string, readonly string[]>> = {
  body: [
    'centreOfGravity',
    'mountMoment',
    'screenSide',
    'screenHinge',
    'screenUp',
    'screenLength',
    'screenHeight',
    'screenOpens',
    'voltsFrom',
    'voltsTo',
    'watts',
  ],
  adapter: [...FOOT, 'mountMoment'],
  reducer: [...FOOT, 'mountMoment'],
  lens: ['rings', 'centreOfGravity', ...FOOT],
  'matte-box': ['clampLength'],
  plate: ['width', 'thickness', 'length', 'clampLength', 'slide'],
};

/**
 * Version 2 to 3: what stands under and beside the camera came in. As before: what reads as what
 * its name now means stays, what does not is moved to `carried`.
 */
function underAndBeside(doc: Record<string, unknown>): Record<string, unknown> {
  const next = { ...doc };
  if (Array.isArray(doc.kit))
    next.kit = doc.kit.map((p: unknown) => {
      if (!isRecord(p) || typeof p.kind !== 'string') return p;
      const shape = shapeOfPart(p.kind);
      if (shape.is !== 'object') return p;
      const own = KINDS_OF_3.includes(p.kind) || FITTING_KINDS.some((k) => k === p.kind);
      const names =
        PART_FIELDS_OF_3[p.kind] ??
        (own ? Object.keys(shape.fields).filter((k) => !COMMON_FIELDS.includes(k)) : []);
      return carry(p, names, shape.fields);
    });
  if (Array.isArray(doc.rigs))
    next.rigs = doc.rigs.map((r: unknown) => {
      if (!isRecord(r)) return r;
      const moved = carry(r, RIG_FIELDS_OF_3, {});
      // A station of a plate means something now.
      return Array.isArray(moved.under)
        ? {
            ...moved,
            under: moved.under.map((u: unknown) => (isRecord(u) ? carry(u, ['station'], {}) : u)),
          }
        : moved;
    });
  return next;
}

/** Names of a rig and of a job that version 3 only carried along and version 4 uses. */
const RIG_NAMES_OF_4 = ['uses', 'joints', 'links', 'remembered', 'unread'];
const JOB_NAMES_OF_4 = ['records', 'dressing', 'rest'];

/**
 * Version 3 to 4: a rig became uses, joints and links, what was tried became records. A document
 * that is held against version 3 first; the report of it stays the same.
 */
function usesAndJoints(doc: Record<string, unknown>): Record<string, unknown> {
  const job = carry(doc, JOB_NAMES_OF_4, {});
  if (!Array.isArray(job.rigs) || !Array.isArray(job.kit)) return job;
  const rigs = job.rigs.map((was: unknown) => {
    if (!isRecord(was)) return was;
    const r = Array.isArray(was.fitted)
      ? { ...was, fitted: was.fitted.map((u: unknown) => (isRecord(u) ? carry(u, SEAT_5, {}) : u)) }
      : was;
    // What is said of a body or lens that is not on has no use to stand with.
    const names = [
      ...(r.body === null ? ['screenShut', 'wheel'] : []),
      ...(r.lens === null ? ['footTied', 'hand'] : []),
    ];
    return carry(r, [...RIG_NAMES_OF_4, ...names], {});
  });
  return docOf({ ...job, rigs } as unknown as Job) as unknown as Record<string, unknown>;
}

/** Kinds and fields that version 4 only carried along and version 5 computes with. */
const KINDS_OF_5 = [
  'bracket',
  'clamp',
  'rod',
  'spacer',
  'quick-plate',
  'receiver',
  'dovetail',
  'rail',
  'rosette-adapter',
  'shoe-mount',
  'microphone',
  'radio',
  'cable-clamp',
  'accessory',
  'screw',
  'key',
];
const PART_FIELDS_OF_5 = ['interfaces', 'vents', 'around'];
const SEAT_5 = ['at', 'by', 'n', 'slide', 'gap', 'screw', 'tight', 'signed', 'line', 'positions'];

/**
 * What a part carried along under a name that means something since version 5: it stays where it
 * reads as that, else it is moved to `carried`. Parts are read alike in every version.
 */
export function partsOf5(doc: Record<string, unknown>): Record<string, unknown> {
  if (!Array.isArray(doc.kit)) return doc;
  const kit = doc.kit.map((p: unknown) => {
    if (!isRecord(p) || typeof p.kind !== 'string') return p;
    const shape = shapeOfPart(p.kind);
    if (shape.is !== 'object') return p;
    const own = KINDS_OF_5.includes(p.kind)
      ? Object.keys(shape.fields).filter((k) => !COMMON_FIELDS.includes(k))
      : PART_FIELDS_OF_5.filter((k) => Object.hasOwn(shape.fields, k));
    return carry(p, own, shape.fields);
  });
  return kit.every((p, i) => p === (doc.kit as unknown[])[i]) ? doc : { ...doc, kit };
}

/**
 * Version 4 to 5: parts hold each other by named interfaces, a rig says what it is held by, and the
 * leverage on a screw became a rule of joints.
 */
function interfaces(doc: Record<string, unknown>): Record<string, unknown> {
  const next = { ...partsOf5(doc) };
  const { rules } = next;
  if (isRecord(rules) && isRecord(rules.values) && Object.hasOwn(rules.values, 'carry.twist')) {
    const { 'carry.twist': twist, ...values } = rules.values;
    next.rules = { ...rules, values: { 'joint.twist': twist, ...values } };
  }
  if (Array.isArray(next.rigs))
    next.rigs = next.rigs.map((r: unknown) => {
      if (!isRecord(r)) return r;
      const rig = carry(r, ['hold', 'overhead', 'upright'], {});
      if (!Array.isArray(rig.joints)) return rig;
      return { ...rig, joints: rig.joints.map((j: unknown) => (isRecord(j) ? seat(j) : j)) };
    });
  return next;
}

function seat(j: Record<string, unknown>): Record<string, unknown> {
  const joint = carry(j, ['screw', 'tight', 'signed', 'line', 'positions'], {});
  return isRecord(joint.place)
    ? { ...joint, place: carry(joint.place, ['n', 'slide', 'gap'], {}) }
    : joint;
}

const COMMON_FIELDS = ['id', 'kind', 'name', 'owner', 'count', 'mass', 'notes'];

function isRecord(x: unknown): x is Record<string, unknown> {
  return x !== null && typeof x === 'object' && !Array.isArray(x);
}

/** Schemas by their shape: a file has hundreds of parts of a few kinds. */
const schemas = new WeakMap<Shape, Joi.Schema>();

function schemaOf(shape: Shape): Joi.Schema {
  let schema = schemas.get(shape);
  if (!schema) schemas.set(shape, (schema = joiOf(shape)));
  return schema;
}

/** Moves the named fields that do not read as their shape, or have none, to `carried`. */
function carry(
  object: Record<string, unknown>,
  names: readonly string[],
  shapes: Readonly<Record<string, Shape>>,
): Record<string, unknown> {
  const odd = names.filter((k) => {
    const shape = shapes[k];
    return (
      Object.hasOwn(object, k) &&
      (shape === undefined ||
        schemaOf(shape).validate(object[k], { convert: false, allowUnknown: true }).error !==
          undefined)
    );
  });
  if (odd.length === 0) return object;
  const kept = Object.fromEntries(Object.entries(object).filter(([k]) => !odd.includes(k)));
  const before = isRecord(object.carried) ? object.carried : {};
  return { ...kept, carried: { ...before, ...Object.fromEntries(odd.map((k) => [k, object[k]])) } };
}

/** Steps by the version they start from. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: frontOfTheRig,
  2: underAndBeside,
  3: usesAndJoints,
  4: interfaces,
};

export type Migrated =
  | { ok: true; doc: Record<string, unknown>; from: number }
  | { ok: false; found: string; expected: string };

/**
 * Brings a document to the version this build reads, step by step. A newer one is refused:
 * reading it would lose what it says.
 *
 * @param target and @param steps for tests; the real ones by default
 */
export function migrate(
  doc: Record<string, unknown>,
  target: number = JOB_VERSION,
  steps: Readonly<Record<number, Migration>> = MIGRATIONS,
): Migrated {
  const from = doc.version;
  if (typeof from !== 'number' || !Number.isInteger(from))
    return {
      ok: false,
      found: from === undefined ? 'no version' : `version ${JSON.stringify(from).slice(0, 40)}`,
      expected: `a whole number up to ${target}`,
    };
  if (from > target)
    return {
      ok: false,
      found: `version ${from}`,
      expected: `version ${target} or older: this file was written by a newer Nelvix`,
    };
  let now = doc;
  for (let v = from; v < target; v++) {
    const step = steps[v];
    if (!step)
      return {
        ok: false,
        found: `version ${from}`,
        expected: `a version from which there is a way to ${target}`,
      };
    now = { ...step(now), version: v + 1 };
  }
  return { ok: true, doc: now, from };
}
