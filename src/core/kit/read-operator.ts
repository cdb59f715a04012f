import type { Operator } from './operator';

/** Heights of a person, mm, and what one can hold, g: what a profile may say. */
export const OPERATOR_LIMITS = {
  shoulder: { from: 300, to: 2500, unit: 'mm' },
  eyes: { from: 300, to: 2500, unit: 'mm' },
  belt: { from: 200, to: 2000, unit: 'mm' },
  hand: { from: 100, to: 2000, unit: 'mm' },
  cheek: { from: 0, to: 300, unit: 'mm' },
  one: { from: 100, to: 200_000, unit: 'g' },
  two: { from: 100, to: 300_000, unit: 'g' },
  onShoulder: { from: 100, to: 300_000, unit: 'g' },
} as const satisfies Partial<Record<keyof Operator, { from: number; to: number; unit: string }>>;

export type ReadOperator = { ok: true; value: Operator } | { ok: false; error: string };

const HANDED = new Set(['left', 'right']);
const MOST_TIMES = 200;

/** Reads a profile from what a file or the device holds; says what, where and what was expected. */
export function readOperator(of: unknown): ReadOperator {
  const no = (error: string): ReadOperator => ({ ok: false, error });
  if (typeof of !== 'object' || of === null || Array.isArray(of))
    return no('A profile is an object of heights and weights.');
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(of)) {
    if (Object.hasOwn(OPERATOR_LIMITS, key)) {
      const l = OPERATOR_LIMITS[key as keyof typeof OPERATOR_LIMITS];
      if (typeof value !== 'number' || !(value >= l.from && value <= l.to))
        return no(`${key}: expected a number from ${l.from} to ${l.to} in ${l.unit}.`);
      out[key] = value;
    } else if (key === 'handed') {
      if (!HANDED.has(String(value))) return no('handed: expected "left" or "right".');
      out[key] = value;
    } else if (key === 'spare') {
      if (typeof value !== 'string' || value.length > 200)
        return no('spare: expected text of at most 200 characters.');
      out[key] = value;
    } else if (key === 'times') {
      if (!Array.isArray(value) || value.length > MOST_TIMES || !value.every(isTime))
        return no(
          `times: expected at most ${MOST_TIMES} of {by, mass in g, minutes}, both above 0.`,
        );
      out[key] = value;
    } else return no(`${key}: a profile says nothing by that name.`);
  }
  return { ok: true, value: out as Operator };
}

function isTime(t: unknown): boolean {
  const { by, mass, minutes } = (t ?? {}) as Record<string, unknown>;
  const above = (n: unknown) => typeof n === 'number' && n > 0 && n < 1e6;
  return typeof by === 'string' && above(mass) && above(minutes);
}
