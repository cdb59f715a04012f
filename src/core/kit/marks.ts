import type { PackMark } from './records';

/** How many of a part's pieces, of as many as are counted, are left in one of some states: the last mark of each counts. */
export function leftAs(
  marks: readonly PackMark[],
  part: string,
  of: number,
  states: readonly PackMark['state'][],
): number {
  const last = new Map<number, PackMark['state']>();
  for (const m of marks) if (m.parts[0] === part && m.n <= of) last.set(m.n, m.state);
  return [...last.values()].filter((s) => states.includes(s)).length;
}
