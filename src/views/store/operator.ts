import { operateAs, operator, type Operator } from '@/core/kit/operator';

const KEY = 'nelvix.operator';

/** Whoever works on this device, as they said it; nobody where that cannot be read. */
export function operateHere(): void {
  try {
    const text = localStorage.getItem(KEY);
    // It was read closely as it was kept; what is no object of numbers is nobody.
    const own = text === null ? null : (JSON.parse(text) as Operator | null);
    operateAs(typeof own === 'object' ? own : null);
  } catch {
    // A browser that keeps nothing, or what somebody else wrote there: nobody is known.
    operateAs(null);
  }
}

/**
 * Keeps a profile on this device; null forgets it. What was worked out before rests on the old one,
 * here and in the workers: the page begins anew.
 *
 * @returns whether it could be kept
 */
export function keepOperator(who: Operator | null): boolean {
  try {
    if (who === null || Object.keys(who).length === 0) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(who));
    return true;
  } catch {
    return false;
  }
}

export { operator };
