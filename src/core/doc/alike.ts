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
