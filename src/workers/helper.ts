import { releaseProxy, wrap, type Remote } from 'comlink';

/** A task off the page's thread that came to no end, or was ended. */
export class TaskEnded extends Error {
  constructor(
    readonly why: 'cancelled' | 'too long' | 'died',
    sentence: string,
  ) {
    super(sentence);
  }
}

/**
 * A worker that is started at first use and again after it died. Every task has an end: it comes
 * back, is cancelled, takes too long, or the worker dies under it; the last two end the worker, and
 * the next task has a new one.
 */
export class Helper<T> {
  private worker: Worker | null = null;
  private remote: Remote<T> | null = null;
  private readonly ends = new Set<(e: TaskEnded) => void>();

  constructor(
    private readonly start: () => Worker,
    /** What it does, as it is said: `The reader of files`. */
    private readonly name: string,
    /** Longest that a task may take, ms. */
    private readonly most: number,
  ) {}

  private get(): Remote<T> {
    if (!this.remote) {
      this.worker = this.start();
      this.worker.addEventListener('error', () => this.end('died'));
      this.worker.addEventListener('messageerror', () => this.end('died'));
      this.remote = wrap<T>(this.worker);
    }
    return this.remote;
  }

  /** Ends the worker and every task that waits for it. */
  private end(why: TaskEnded['why']): void {
    try {
      this.remote?.[releaseProxy]();
    } catch {
      // It is gone already.
    }
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    const error = this.ended(why);
    for (const end of [...this.ends]) end(error);
  }

  private ended(why: TaskEnded['why']): TaskEnded {
    const words = {
      cancelled: `${this.name} was stopped.`,
      'too long': `${this.name} took too long and was ended; it is started again.`,
      died: `${this.name} ended by itself; it is started again.`,
    };
    return new TaskEnded(why, words[why]);
  }

  /** Has the worker loaded and running before it is asked. */
  warm(): void {
    this.get();
  }

  /**
   * Runs a task.
   *
   * @throws TaskEnded when it was cancelled, took too long, or the worker died under it
   */
  run<R>(task: (remote: Remote<T>) => Promise<R>, cancel?: AbortSignal): Promise<R> {
    if (cancel?.aborted) return Promise.reject(this.ended('cancelled'));
    return new Promise<R>((resolve, reject) => {
      const timer = setTimeout(() => this.end('too long'), this.most);
      const stop = () => this.end('cancelled');
      const end = (e: TaskEnded) => {
        done();
        reject(e);
      };
      const done = () => {
        clearTimeout(timer);
        this.ends.delete(end);
        cancel?.removeEventListener('abort', stop);
      };
      this.ends.add(end);
      cancel?.addEventListener('abort', stop);
      task(this.get()).then(
        (value) => {
          done();
          resolve(value);
        },
        (e: unknown) => {
          done();
          reject(e instanceof Error ? e : new Error(String(e)));
        },
      );
    });
  }
}
