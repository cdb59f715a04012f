'use client';

import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { build, shared, type Built, type Shared } from '@/core/build/build';
import type { Check } from '@/core/checks/check';
import type { Fix, Verdict } from '@/core/checks/finding';
import type { Setting } from '@/core/areas/front/model/situations';
import type { ShadingView } from '@/core/areas/front/model/view';
import type { ChipShading } from '@/core/areas/front/model/chip-shading';
import type { Job, Rig } from '@/core/kit/types';
import { useChecks } from '@/views/store/use-checks';
import { later, useLater } from '@/ui/use-later';
import type { NextMeasurement } from '@/core/solve/measure-next';
import { keyOf } from './rig-key';
import type { Told } from './judging';

export interface RigFacts {
  job: Job;
  rig: Rig;
  base: Shared;
  built: Built;
  verdicts: Verdict[];
  /** The checks that were run; null while they are still to come and nothing was looked at. */
  checks: readonly Check[] | null;
  /** The verdicts are of the state before the last edit: this one is being looked at. */
  behind: boolean;
}

/** Who runs the checks comes with them. */
const who = later(async () => {
  const [{ runChecks }, { Judging }] = await Promise.all([
    import('@/core/areas/checks'),
    import('./judging'),
  ]);
  return new Judging(runChecks, async (job, rig, knows) => {
    const { judge } = await import('@/workers/rig');
    return judge.ask(job, (w, n) => w.verdicts(n, rig, knows));
  });
});

/**
 * Everything the core says about a rig: at once, within the frame of an edit; where the checks take
 * longer than that the picture comes at once and what they say follows.
 */
export function useRigFacts(job: Job | null, rig: Rig | null): RigFacts | null {
  const checks = useChecks();
  const judging = useLater(who);
  const [news, setNews] = useState<Told | null>(null);
  // What finds the single rod under a box comes with the checks: such a rig is then built anew.
  const all = rig?.box?.on === undefined || checks !== null;
  const made = useMemo(() => {
    if (!job || !rig) return null;
    const base = shared(job);
    return { job, rig, base, built: build(job, rig, base), all };
  }, [job, rig, all]);
  const now = useMemo(
    () => (made && checks && judging ? judging.now({ ...made, checks }) : null),
    [made, checks, judging],
  );
  useEffect(() => {
    if (!made || !checks || !judging || now?.of === made.built) return;
    return judging.follow({ ...made, checks }, setNews);
  }, [made, checks, judging, now]);
  return useMemo(() => {
    if (!made) return null;
    const later = news?.key === keyOf(made.job, made.rig) && news.n > (now?.n ?? 0) ? news : now;
    return {
      ...made,
      verdicts: later?.verdicts ?? [],
      checks: later ? checks : null,
      behind: later !== null && later.of !== made.built,
    };
  }, [made, checks, now, news]);
}

export interface Advice {
  /** The facts the fixes were tried on: older for a moment after an edit. */
  of: RigFacts | null;
  /** Fixes of the finding that stands open. */
  fixes: readonly Fix[];
  key: string | null;
  measure: readonly NextMeasurement[];
  /** The facts the list was made from; null before the first. */
  measured: RigFacts | null;
  /** Why no answer came, in a sentence. */
  trouble: string | null;
}

/** An edit that is followed by another one within this time is not asked about, ms. */
const SETTLED = 40;
/** The adviser is started this long after the first view, ms. */
const WARM = 400;

/**
 * Tried fixes of the open finding and the measuring list. Each is the whole rig checked many times
 * over, so a worker does it and they follow when it is through.
 */
export function useAdvice(
  facts: RigFacts | null,
  lit: string | null,
  /** Nothing is asked: nobody looks, or it is still under the hand. */
  silent = false,
): Advice {
  const [advice, setAdvice] = useState<Advice>({
    of: null,
    fixes: [],
    key: null,
    measure: [],
    measured: null,
    trouble: null,
  });
  const ready = facts !== null;
  useEffect(() => {
    if (!facts) return;
    // Loaded and running before the first question, once the page has nothing better to do.
    const idle = setTimeout(() => {
      void import('@/workers/rig').then(({ adviser }) =>
        adviser.ask(facts.job, (w, n) => w.warm(n, facts.rig.id)).catch(() => undefined),
      );
    }, WARM);
    return () => clearTimeout(idle);
    // Once: later questions find it warm.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ready]);
  useEffect(() => {
    if (silent || !facts) return;
    let stale = false;
    const wait = setTimeout(() => {
      void (async () => {
        const { job, rig } = facts;
        const { adviser } = await import('@/workers/rig');
        if (stale) return;
        if (lit !== null) {
          const fixes = await adviser.ask(job, (w, n) => w.fixes(n, rig.id, lit));
          if (stale || !fixes) return;
          setAdvice((a) => ({ ...a, of: facts, fixes, key: lit, trouble: null }));
        }
        const measure = await adviser.ask(job, (w, n) => w.measure(n, rig.id));
        if (!stale && measure)
          setAdvice((a) => ({ ...a, measure, measured: facts, trouble: null }));
      })().catch((e: unknown) => {
        // Said where the fixes would stand; the next question has a new worker.
        if (!stale)
          setAdvice((a) => ({ ...a, trouble: e instanceof Error ? e.message : String(e) }));
      });
    }, SETTLED);
    return () => {
      stale = true;
      clearTimeout(wait);
    };
  }, [facts, lit, silent]);
  return advice;
}

/** What shades comes with the checks, right after the first picture. */
const shadingCode = later(() => import('@/core/areas/front/model/view'));

export interface Shading {
  view: ShadingView | null;
  /** The map for the plate; follows a moment later where a frame has no time for it. */
  map: ChipShading | null;
}

/** The shading at a setting, or at its worst. */
export function useShading(
  facts: RigFacts,
  setting: Setting | null,
  frame: string | null,
): Shading {
  const code = useLater(shadingCode);
  const { built } = facts;
  const view = useMemo(
    () => code?.shadingView(built, setting, frame) ?? null,
    [code, built, setting, frame],
  );
  const deferred = useDeferredValue(view);
  const map = useMemo(
    () => (code && deferred ? code.mapOf(built, deferred.situation) : null),
    // The situation was made from the facts: it changes with them.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [code, deferred],
  );
  return { view, map };
}
