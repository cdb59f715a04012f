import { operateAs } from '../core/kit/operator';
import { readOperator } from '../core/kit/read-operator';
import { expose } from 'comlink';
import { sayIn, unitsFrom } from '../core/quantity/shown';
import { build, shared } from '../core/build/build';
import { patched, type JobPatch } from '../core/doc/patch';
import { check, CHECKS } from '../core/areas/checks';
import { newsOf, sayAll, type News, type Said } from '../core/checks/news';
import type { Fix } from '../core/checks/finding';
import {
  sweepAt,
  sweepPlan,
  sweepSettings,
  type SweepCell,
  type SweepPlan,
} from '../core/areas/front/model/sweep';
import type { Job, Rig } from '../core/kit/types';
import { fixesFor } from '../core/solve/fixes';
import { fillsFor, freeHosts, type FreeHost } from '../core/solve/fill';
import { rangeOf, type Range } from '../core/solve/range';
import { positionsOf, type TriedPosition } from '../core/solve/positions';
import { placesFor, type TriedPlace } from '../core/solve/places';
import { begin, type Choice } from '../core/shelf/begin';
import { GOALS } from '../core/shelf/goals';
import { sketch, type Sketch } from '../core/shelf/sketch';
import { bodyTable, type BodyTable } from '../core/set/bodies';
import { carriedSet, type CarriedSet } from '../core/set/carried';
import {
  configurationTable,
  lensRows,
  type ConfigurationTable,
  type LensRow,
} from '../core/set/configurations';
import type { Laid, TreeShape } from '../core/areas/power/model/layout';
import { rigCards, type RigCard } from '../core/set/rig-cards';
import { measureNext, type NextMeasurement } from '../core/solve/measure-next';

/*
 * What takes more than a frame, off the page's own thread. The job is held here and only what is
 * other of it is sent: what an edit leaves alone is the same object as before, so what was worked
 * out of it for the question before stands.
 */

let held: { job: Job; n: number } | null = null;

/** The rig a question is about; null when it is gone, or the job has moved on since. */
function rigOf(n: number, id: string): { job: Job; rig: Rig } | null {
  const rig = held?.n === n ? held.job.rigs.find((r) => r.id === id) : undefined;
  return rig ? { job: held!.job, rig } : null;
}

/** What was said last, by its number: who knows it is told only what is other. */
let last: { rig: string; at: number; said: Said } | null = null;

/** What the checks say, by number, and how long they took, ms. */
interface Answer {
  at: number;
  news: News;
  spent: number;
}

/** Lets messages in: a cancelled sweep hears of it between two settings. */
const breathe = () => new Promise<void>((go) => setTimeout(go));

let sweeping = 0;

const rig = {
  hold(job: Job, n: number): void {
    held = { job, n };
  },

  follow(patch: JobPatch, from: number, to: number): boolean {
    if (held?.n !== from) return false;
    held = { job: patched(held.job, patch), n: to };
    return true;
  },

  /** A rig that nobody has opened yet: what is put on for what is shot, and how it stands. */
  begin(goal: string, body: Choice, lens: Choice, name: string, id: string): Sketch | null {
    const what = GOALS.find((g) => g.id === goal);
    const job = what ? begin({ goal: what, body, lens }, name, id) : null;
    return job && sketch(job);
  },

  /** Runs through everything once, so that the first question does not pay for it. */
  warm(n: number, rigId: string): void {
    const at = rigOf(n, rigId);
    if (at) check(build(at.job, at.rig));
  },

  /**
   * What every check says; null when the job has moved on.
   *
   * @param knows number of the answer that who asks has, null for none
   */
  verdicts(n: number, rigId: string, knows: number | null): Answer | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const start = performance.now();
    const known = last && last.at === knows && last.rig === rigId ? last.said : null;
    const said = sayAll(build(at.job, at.rig), CHECKS);
    last = { rig: rigId, at: (last?.at ?? 0) + 1, said };
    const news = newsOf(known, said);
    return { at: last.at, news, spent: performance.now() - start };
  },

  /** Fixes of one finding, each tried on a copy of the rig; null when the job has moved on. */
  fixes(n: number, rigId: string, key: string): Fix[] | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    const built = build(at.job, at.rig, base);
    const open = check(built).find((v) => v.key === key);
    return open ? fixesFor(built, open, base) : [];
  },

  /** What to measure next over the whole rig; null when the job has moved on. */
  measure(n: number, rigId: string): NextMeasurement[] | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    return measureNext(build(at.job, at.rig, base), base);
  },

  /** Where a part of the kit could go, or one that is on the rig; null when the job has moved on. */
  places(n: number, rigId: string, partId: string, useId: string | null): TriedPlace[] | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    const part = base.kit.get(partId);
    const use = at.rig.fitted?.find((u) => u.id === useId);
    return part ? placesFor(build(at.job, at.rig, base), base, part, use) : [];
  },

  /**
   * How far a joint lets a part move; `none` where that cannot be said, null when the job has moved
   * on.
   */
  range(n: number, rigId: string, use: string, what: Range['what']): Range | 'none' | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    return rangeOf(build(at.job, at.rig, base), base, use, what) ?? 'none';
  },

  /** Named positions of its joints, each tried; null when the job has moved on. */
  positions(n: number, rigId: string): TriedPosition[] | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    return positionsOf(build(at.job, at.rig, base), base);
  },

  /** Places of the rig that are free; null when the job has moved on. */
  free(n: number, rigId: string): FreeHost[] | null {
    const at = rigOf(n, rigId);
    return at && freeHosts(build(at.job, at.rig));
  },

  /** What of the kit would go on one of them, tried; null when the job has moved on. */
  fills(n: number, rigId: string, host: string): TriedPlace[] | null {
    const at = rigOf(n, rigId);
    if (!at) return null;
    const base = shared(at.job);
    return fillsFor(build(at.job, at.rig, base), base, host);
  },

  /** Every rig of the job, as it looks and how it stands; null when the job has moved on. */
  cards(n: number): RigCard[] | null {
    return held?.n === n ? rigCards(held.job) : null;
  },

  /**
   * Rigs of the job beside each other: every check, every lens, and one of them on every body; null
   * when the job has moved on.
   *
   * @param on which of them goes on every body, the first where there is no such
   */
  beside(
    n: number,
    rigs: readonly string[],
    on: number,
  ): { table: ConfigurationTable; lenses: LensRow[]; bodies: BodyTable } | null {
    if (held?.n !== n) return null;
    const { job } = held;
    const list = rigs.flatMap((id) => job.rigs.find((r) => r.id === id) ?? []);
    const base = shared(job);
    return {
      table: configurationTable(job, list, base),
      lenses: lensRows(job, list, base),
      bodies: bodyTable(job, list[on] ?? list[0]!, base),
    };
  },

  /** Every lens of the set as the rig is carried with it; null when the job has moved on. */
  carried(n: number, rigId: string): CarriedSet | null {
    const at = rigOf(n, rigId);
    return at && carriedSet(at.job, at.rig, { cures: true });
  },

  /**
   * Every frame over zoom, focus and stop.
   *
   * @param progress is told the share that is done, 0 to 1
   * @returns null when it was cancelled on the way
   */
  async sweep(
    n: number,
    rigId: string,
    progress: (share: number) => void,
  ): Promise<{ plan: SweepPlan; cells: SweepCell[] } | null> {
    const own = ++sweeping;
    const at = rigOf(n, rigId);
    if (!at) return null;
    const built = build(at.job, at.rig);
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

  /** Where the boxes of a tree of what feeds what stand. */
  async layTree(shape: TreeShape): Promise<Laid> {
    const { laidOut } = await import('../core/areas/power/model/layout');
    return laidOut(shape);
  },

  cancelSweep(): void {
    sweeping++;
  },
};

export type RigApi = typeof rig;

// What starts it names it by the units it is to speak in, and by who works there.
const [units, who] = ((globalThis as { name?: string }).name ?? '').split(/\|(.*)/s);
sayIn(unitsFrom(units));
const read = readOperator(JSON.parse(who || 'null'));
operateAs(read.ok ? read.value : null);
expose(rig);
