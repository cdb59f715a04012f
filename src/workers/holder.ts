import type { Remote } from 'comlink';
import { patchOf, type JobPatch } from '../core/doc/patch';
import type { Job } from '../core/kit/types';
import type { Helper } from './helper';

/** A worker that holds a job: it is given once, then what is other of it. */
export interface Holds {
  /** Takes a whole job, by its number. */
  hold(job: Job, n: number): void;
  /** Takes what is other; false when it does not hold the job that this follows. */
  follow(patch: JobPatch, from: number, to: number): boolean;
}

/** Brings a worker the job that a question is about, as little of it as will do. */
export class Holder<T extends Holds> {
  private sent: { to: Remote<T>; job: Job; n: number } | null = null;
  private count = 0;

  constructor(private readonly helper: Helper<T>) {}

  /**
   * Asks about a job.
   *
   * @param question is handed the worker and the number by which it holds the job
   * @throws TaskEnded when it was cancelled, took too long, or the worker died under it
   */
  ask<R>(
    job: Job,
    question: (remote: Remote<T>, n: number) => Promise<R>,
    cancel?: AbortSignal,
  ): Promise<R> {
    return this.helper.run(
      async (remote) => question(remote, await this.bring(remote, job)),
      cancel,
    );
  }

  private async bring(to: Remote<T>, job: Job): Promise<number> {
    const before = this.sent;
    // A worker that was started anew holds nothing; another job is another matter.
    const known = before?.to === to && before.job.id === job.id ? before : null;
    if (known?.job === job) return known.n;
    const n = ++this.count;
    // Messages arrive in their order: what is asked next follows this one.
    this.sent = { to, job, n };
    const holds = to as unknown as Remote<Holds>;
    if (!known || !(await holds.follow(patchOf(known.job, job), known.n, n)))
      await holds.hold(job, n);
    return n;
  }
}
