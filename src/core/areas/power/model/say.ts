/** Hours as a person says them: `2 h 05`, `40 min`. */
export function sayHours(hours: number): string {
  const minutes = Math.max(0, Math.round(hours * 60));
  const h = Math.floor(minutes / 60);
  const m = minutes % 60;
  return h === 0 ? `${m} min` : `${h} h ${String(m).padStart(2, '0')}`;
}

/** A name at the beginning of a sentence. */
export const capital = (name: string): string => name.slice(0, 1).toUpperCase() + name.slice(1);
