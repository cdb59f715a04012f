import { type Part, onHand } from '@/core/kit/types';
import type { Stand } from '@/core/stand/stand';
import type { Lin } from '@/core/build/lin';
import { bareLength, sayLength } from '@/core/quantity/say';

export const named = (p: Part, more = '') => `${p.name}${more}${onHand(p) < 1 ? ' (to hire)' : ''}`;

/** What was found for a place that is left open; a stand-in is no find. */
export function found(stand: Stand, l: Lin, word: string, digits = 0): string {
  return stand.missing([l]).length > 0
    ? 'not known yet'
    : `${word === 'mm' ? sayLength(stand.value(l), digits) : `${bareLength(stand.value(l), digits)} ${word}`}`;
}
