import type { Built } from '../build/build';
import type { Verdict } from './finding';

/** A check: a small pure function from a built rig to verdicts. */
export interface Check {
  /** Stable and public. */
  id: string;
  title: string;
  /** What a fail of it is called where there is room for two words. */
  short: string;
  /** What it tells, in a sentence or two. */
  says: string;
  /** By which formula. */
  formula: string;
  /** It takes longer than others: a trial comes to it last. */
  slow?: true;
  run: (built: Built) => Verdict[];
}
