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

const COMMON_FIELDS = ['id', 'kind', 'name', 'owner', 'count', 'mass', 'notes'];

function isRecord(x: unknown): x is Record<string, unknown> {
  return x !== null && typeof x === 'object' && !Array.isArray(x);
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
        joiOf(shape).validate(object[k], { convert: false, allowUnknown: true }).error !==
          undefined)
    );
  });
  if (odd.length === 0) return object;
  const kept = Object.fromEntries(Object.entries(object).filter(([k]) => !odd.includes(k)));
  const before = isRecord(object.carried) ? object.carried : {};
  return { ...kept, carried: { ...before, ...Object.fromEntries(odd.map((k) => [k, object[k]])) } };
}

/** Steps by the version they start from. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = { 1: frontOfTheRig };

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
