import type { Known } from './quantity';
import { exact } from './say';
import { shownUnit } from './shown';

/** A mass with what it can be off by, in the unit of `shownUnit('g')`: `812 \u00b125`. */
export function massWithTolerance(q: Known | null, times = 1): string {
  const { per, more } = shownUnit('g');
  return withTolerance(q, more, times * per);
}

/** A number with what it can be off by: `812 \u00b125`, a guess with its sign `~`; `?` for none. */
export function withTolerance(q: Known | null, digits: number, times = 1): string {
  if (!q) return '?';
  const tol = q.tol > 0 ? ` \u00b1${exact(q.tol * times, digits)}` : '';
  return `${q.from === 'guess' ? '~' : ''}${exact(q.value * times, digits)}${tol}`;
}
