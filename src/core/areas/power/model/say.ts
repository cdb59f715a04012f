/** Hours as a person says them: `2 h 05`, `40 min`. */
export function sayHours(hours: number): string {
  const minutes = Math.max(0, Math.round(hours * 60));
  const h = Math.floor(minutes / 60);
  const m = minutes % 60;
  return h === 0 ? `${m} min` : `${h} h ${String(m).padStart(2, '0')}`;
}

/**
 * Hours as a person writes them: `1 h 12`, `1:12`, `72 min`, `1.2`, `1,2 h`.
 *
 * @returns hours; null where that is none of these
 */
export function readHours(text: string): number | null {
  const t = text.trim().toLowerCase().replace(',', '.');
  const clock = /^(\d{1,3})\s*(?:h|:)\s*(\d{1,2})\s*(?:min|m)?$/.exec(t);
  if (clock) return Number(clock[2]) < 60 ? Number(clock[1]) + Number(clock[2]) / 60 : null;
  const one = /^(\d+(?:\.\d+)?)\s*(h|hours?|min|m|minutes?)?$/.exec(t);
  if (!one) return null;
  return one[2]?.startsWith('m') ? Number(one[1]) / 60 : Number(one[1]);
}

/** A name at the beginning of a sentence. */
export const capital = (name: string): string => name.slice(0, 1).toUpperCase() + name.slice(1);
