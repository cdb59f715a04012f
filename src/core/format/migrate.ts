/** One step from version n to n + 1 of a document. Pure: gets a document, returns a new one. */
export type Migration = (doc: Record<string, unknown>) => Record<string, unknown>;

/** Version that this build writes. */
export const JOB_VERSION = 1;

/** Steps by the version they start from. Version 1 is the first, so there is none yet. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {};

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
