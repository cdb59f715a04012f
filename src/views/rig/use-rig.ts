'use client';

import { useDeferredValue, useMemo } from 'react';
import { build, shared, type Built, type Shared } from '@/core/build/build';
import { check } from '@/core/checks/registry';
import type { Fix, Verdict } from '@/core/checks/finding';
import type { Job, Rig } from '@/core/kit/types';
import { readings, type Reading } from '@/core/readings/readings';
import { fixesFor } from '@/core/solve/fixes';
import { measureNext, type NextMeasurement } from '@/core/solve/measure-next';

export interface RigFacts {
  job: Job;
  rig: Rig;
  base: Shared;
  built: Built;
  verdicts: Verdict[];
  readings: Reading[];
}

/** Everything the core says about a rig at once: needed within the frame of an edit. */
export function useRigFacts(job: Job, rig: Rig): RigFacts {
  return useMemo(() => {
    const base = shared(job);
    const built = build(job, rig, base);
    return { job, rig, base, built, verdicts: check(built), readings: readings(built) };
  }, [job, rig]);
}

export interface Advice {
  /** The facts this advice was made for: older for a moment after an edit. */
  of: RigFacts;
  /** Fixes of the finding that stands open. */
  fixes: readonly Fix[];
  key: string | null;
  measure: NextMeasurement[];
}

/**
 * Tried fixes of the open finding and the measuring list. Each is the whole rig checked many
 * times over, so they follow a moment after the edit has shown.
 */
export function useAdvice(facts: RigFacts, lit: string | null): Advice {
  const of = useDeferredValue(facts);
  const key = useDeferredValue(lit);
  const measure = useMemo(() => measureNext(of.job, of.rig, of.verdicts, of.base), [of]);
  const fixes = useMemo(() => {
    const open = of.verdicts.find((v) => v.key === key);
    return open ? fixesFor(of.built, open, of.verdicts, of.base) : [];
  }, [of, key]);
  return { of, key, fixes, measure };
}
