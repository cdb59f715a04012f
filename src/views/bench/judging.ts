import type { Built } from '@/core/build/build';
import type { Check } from '@/core/checks/check';
import type { Verdict } from '@/core/checks/finding';
import { allOf, hear, type News, type Said } from '@/core/checks/news';
import type { Job, Rig } from '@/core/kit/types';
import { keyOf } from './rig-key';

/** Longest that the page itself runs the checks of an edit, ms: half of a frame at 60 a second. */
const OWN = 8;
/** So many edits after each other decide: one that was slow by chance does not. */
const IN_A_ROW = 3;

/** Where edits come faster than answers it rests so many times as long as the last one took ... */
const REST = 2;
/** ... and no longer than this, ms: the picture under the hand has the processor in between. */
const LONGEST_REST = 200;

const sleep = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

/** What was said of a state of a rig. */
export interface Told {
  /** Which rig of which job. */
  key: string;
  of: Built;
  verdicts: Verdict[];
  /** Counts the states up, whenever they were answered: the latest state is the one to show. */
  n: number;
}

export interface Question {
  job: Job;
  rig: Rig;
  built: Built;
  checks: readonly Check[];
}

/** Asks somebody else: what every check says, told to who knows answer number `knows`. */
export type Ask = (
  job: Job,
  rig: string,
  knows: number | null,
) => Promise<{ at: number; news: News; spent: number } | null>;

/**
 * Decides who runs the checks of a rig. The page does as long as that leaves it time for its picture;
 * where it took too long with several edits after each other a worker does, and what it says follows.
 */
export class Judging {
  private n = 0;
  private readonly order = new WeakMap<Built, number>();
  private last: Told | null = null;
  private heard: { rig: string; at: number; said: Said } | null = null;
  private readonly elsewhere = new Set<string>();
  private readonly row = new Map<string, number>();
  private wanted: { q: Question; then: (told: Told) => void } | null = null;
  private running = false;

  constructor(
    private readonly run: (built: Built, checks: readonly Check[]) => Verdict[],
    private readonly ask: Ask,
    private readonly clock: () => number = () => performance.now(),
    private readonly pause: (ms: number) => Promise<void> = sleep,
  ) {}

  /** What is said at once: of this state where the page has the time, else what was said last. */
  now(q: Question): Told | null {
    const key = keyOf(q.job, q.rig);
    if (!this.order.has(q.built)) this.order.set(q.built, ++this.n);
    if (this.elsewhere.has(key)) return this.last?.key === key ? this.last : null;
    const start = this.clock();
    const verdicts = this.run(q.built, q.checks);
    this.count(key, this.clock() - start > OWN, () => this.elsewhere.add(key));
    return this.keep(q, verdicts);
  }

  /**
   * Has somebody else look. Of several states that are asked about while one is looked at only the
   * latest is looked at next.
   *
   * @returns takes the question back
   */
  follow(q: Question, then: (told: Told) => void): () => void {
    this.wanted = { q, then };
    if (!this.running) void this.work();
    return () => {
      if (this.wanted?.q === q) this.wanted = null;
    };
  }

  private async work(): Promise<void> {
    this.running = true;
    while (this.wanted) {
      const { q, then } = this.wanted;
      this.wanted = null;
      const start = this.clock();
      then(await this.askOf(q));
      if (this.wanted) await this.pause(Math.min(LONGEST_REST, REST * (this.clock() - start)));
    }
    this.running = false;
  }

  private async askOf(q: Question): Promise<Told> {
    const rig = q.rig.id;
    const known = this.heard?.rig === rig ? this.heard : null;
    try {
      const answer = await this.ask(q.job, rig, known?.at ?? null);
      const said = answer && hear(known?.said ?? null, answer.news);
      if (answer && said) {
        this.heard = { rig, at: answer.at, said };
        const key = keyOf(q.job, q.rig);
        this.count(key, answer.spent < OWN / 2, () => this.elsewhere.delete(key));
        return this.keep(q, allOf(said, q.checks));
      }
    } catch {
      // Whoever it was is gone; the page looks itself, however long that takes.
    }
    this.heard = null;
    return this.keep(q, this.run(q.built, q.checks));
  }

  private keep({ job, rig, built }: Question, verdicts: Verdict[]): Told {
    const told = { key: keyOf(job, rig), of: built, verdicts, n: this.order.get(built) ?? 0 };
    // An answer that took long is of a state before the one that was looked at since.
    if (told.n >= (this.last?.n ?? 0)) this.last = told;
    return told;
  }

  private count(key: string, speaks: boolean, then: () => void): void {
    const n = speaks ? (this.row.get(key) ?? 0) + 1 : 0;
    this.row.set(key, n < IN_A_ROW ? n : 0);
    if (n >= IN_A_ROW) then();
  }
}
