'use client';

import { useState } from 'react';

/** What a value was when it was last not held. */
export function useStill<T>(value: T, held: boolean): T {
  const [still, setStill] = useState(value);
  if (!held && still !== value) setStill(value);
  return held ? still : value;
}
