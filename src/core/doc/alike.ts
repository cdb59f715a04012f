export type Fields = Readonly<Record<string, unknown>>;

export function isFields(x: unknown): x is Fields {
  return x !== null && typeof x === 'object' && !Array.isArray(x);
}

/** Whether two documents say the same; fields that are undefined are not there. */
export function alike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a) || Array.isArray(b)) {
    if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false;
    return a.every((x, i) => alike(x, (b as unknown[])[i]));
  }
  if (!isFields(a) || !isFields(b)) return false;
  for (const k of Object.keys(a)) if (!alike(a[k], b[k])) return false;
  for (const k of Object.keys(b)) if (a[k] === undefined && b[k] !== undefined) return false;
  return true;
}

/**
 * What says the same as before stays the object it was, however deep: what was worked out of it stands.
 * Elements of lists are found again by their id, else by their place.
 */
export function keeping(before: unknown, after: unknown): unknown {
  if (before === after || alike(before, after)) return before;
  if (Array.isArray(before) && Array.isArray(after)) {
    const byId = new Map(
      before.flatMap((x) => (isFields(x) && x.id !== undefined ? [[x.id, x]] : [])),
    );
    return after.map((x, i) =>
      keeping(isFields(x) && x.id !== undefined ? byId.get(x.id) : before[i], x),
    );
  }
  if (!isFields(before) || !isFields(after)) return after;
  return Object.fromEntries(Object.entries(after).map(([k, v]) => [k, keeping(before[k], v)]));
}
