import type { Built } from './build';
import { given, type Given } from './given';

/** f-stop at the chip after the reducers, with their limits. */
export function chipStop(built: Built): Given[] {
  return [
    built.fStop,
    ...built.magnifications,
    ...built.reducers
      .filter((r) => r.fastestStop !== undefined)
      .map((r) => given(r, 'fastestStop')),
  ];
}

/** `max(m N, limit)` over {@link chipStop}'s inputs. */
export function chipStopValue(built: Built, x: readonly number[]): number {
  const m = built.magnifications.length;
  let n = x[0]!;
  for (let i = 1; i <= m; i++) n *= x[i]!;
  for (let i = m + 1; i < x.length; i++) n = Math.max(n, x[i]!);
  return n;
}
