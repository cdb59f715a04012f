'use client';

import { createContext, useContext } from 'react';
import type { RigFacts } from './use-rig';

export const UnderHand = createContext<RigFacts | null>(null);

/**
 * What is said of the open rig as it is under the hand this moment: for the one drawing that is
 * dragged in. Everything else takes the facts of the bench.
 */
export function useUnderHand(): RigFacts | null {
  return useContext(UnderHand);
}
