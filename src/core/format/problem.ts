/** Something in a file that cannot be used: where, what was found, what was expected. */
export interface Problem {
  /** `kit[3].imageCircle[0].diameter`; `(file)` for the file as a whole. */
  path: string;
  found: string;
  expected: string;
}

/** `notes`: what was put right while reading, in sentences. */
export type Read<T> = { ok: true; value: T; notes?: string[] } | { ok: false; problems: Problem[] };

/** A problem as a sentence. */
export function problemSentence(p: Problem): string {
  return `${p.path}: found ${p.found}, expected ${p.expected}.`;
}

/** A value as it is named in a problem, short whatever it is. */
export function describe(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (typeof value === 'string')
    return value.length > 40
      ? `text ${JSON.stringify(value.slice(0, 40))}...`
      : JSON.stringify(value);
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  if (Array.isArray(value)) return `a list of ${value.length}`;
  return 'an object';
}

/** `['kit', 3, 'focal']` as `kit[3].focal`. */
export function pathText(path: readonly (string | number)[]): string {
  if (path.length === 0) return '(file)';
  return path
    .map((k, i) =>
      typeof k === 'number'
        ? `[${k}]`
        : /^[A-Za-z_$][\w$]*$/.test(k)
          ? `${i > 0 ? '.' : ''}${k}`
          : `[${JSON.stringify(k.length > 60 ? `${k.slice(0, 60)}...` : k)}]`,
    )
    .join('');
}
