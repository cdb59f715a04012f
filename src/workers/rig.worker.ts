import { expose } from 'comlink';
import { buildAfresh, shared } from '../core/build/build';
import { check } from '../core/checks/registry';
import type { Fix } from '../core/checks/finding';
import {
  sweepAt,
  sweepPlan,
  sweepSettings,
  type SweepCell,
  type SweepPlan,
} from '../core/areas/front/sweep';
import type { Job } from '../core/kit/types';
import { fixesFor } from '../core/solve/fixes';
import { measureNext, type NextMeasurement } from '../core/solve/measure-next';

/*
 * What takes more than a frame, off the page's own thread. Each question brings a job of its own:
 * nothing of it is there the next time, so nothing is kept.
 */

/** Lets messages in: a cancelled sweep hears of it between two settings. */
const breathe = () => new Promise<void>((go) => setTimeout(go));

let sweeping = 0;

const rig = {
  /** Runs through everything once, so that the first question does not pay for it. */
  warm(job: Job, rigId: string): void {
    const r = job.rigs.find((x) => x.id === rigId);
    if (r) check(buildAfresh(job, r));
  },

  /** Fixes of one finding, each tried on a copy of the rig. */
  fixes(job: Job, rigId: string, key: string): Fix[] {
    const r = job.rigs.find((x) => x.id === rigId);
    if (!r) return [];
    const base = shared(job);
    const built = buildAfresh(job, r, base);
    const verdicts = check(built);
    const open = verdicts.find((v) => v.key === key);
    return open ? fixesFor(built, open, base) : [];
  },

  /** What to measure next over the whole rig. */
  measure(job: Job, rigId: string): NextMeasurement[] {
    const r = job.rigs.find((x) => x.id === rigId);
    if (!r) return [];
    const base = shared(job);
    return measureNext(buildAfresh(job, r, base), base);
  },

  /**
   * Every frame over zoom, focus and stop.
   *
   * @param progress is told the share that is done, 0 to 1
   * @returns null when it was cancelled on the way
   */
  async sweep(
    job: Job,
    rigId: string,
    progress: (share: number) => void,
  ): Promise<{ plan: SweepPlan; cells: SweepCell[] } | null> {
    const own = ++sweeping;
    const r = job.rigs.find((x) => x.id === rigId);
    if (!r) return null;
    const built = buildAfresh(job, r);
    const plan = sweepPlan(built);
    const settings = [...sweepSettings(plan)];
    const cells: SweepCell[] = [];
    for (const [i, setting] of settings.entries()) {
      cells.push(...sweepAt(built, setting));
      if (i % 6 !== 5) continue;
      progress((i + 1) / settings.length);
      await breathe();
      if (own !== sweeping) return null;
    }
    return { plan, cells };
  },

  cancelSweep(): void {
    sweeping++;
  },
};

export type RigApi = typeof rig;

expose(rig);
