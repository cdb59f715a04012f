'use client';

import { startTransition, useEffect, useRef, useState } from 'react';

/**
 * A value that follows another one: at once, except in a hurry, where it follows every so often and
 * leaves the time in between to what is under the hand.
 *
 * @param every how often it follows in a hurry, ms
 */
export function useUnhurried<T>(value: T, hurried: boolean, every: number): T {
  const [slow, setSlow] = useState<T>(value);
  const last = useRef(0);
  if (!hurried && slow !== value) setSlow(() => value);
  useEffect(() => {
    if (!hurried) return;
    const wait = setTimeout(
      () => {
        last.current = performance.now();
        startTransition(() => setSlow(() => value));
      },
      Math.max(0, last.current + every - performance.now()),
    );
    return () => clearTimeout(wait);
  }, [value, hurried, every]);
  return hurried ? slow : value;
}
