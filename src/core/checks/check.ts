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
  /**
   * What it finds is a setting to follow up, a tie or a spare more, not a part that does not go: said as a
   * cost of a fix.
   */
  byHand?: true;
  /** While it fails others are silent: what they say once it is cleared is not the fix's doing. */
  hides?: true;
  /** It speaks of frames by name: a finding of a frame that is gone is not carried over to another. */
  ofFrames?: true;
  /** Whether putting the pieces together at the bench answers a finding of it; never when absent. */
  tried?: (verdict: Verdict) => boolean;
  /** A mark test says more than its numbers: one can be put down with it. */
  marks?: true;
  /**
   * What is in doubt for other reasons may still come nearer: a fix that leaves it tight counts where
   * it brings its margin up by this much, in its unit.
   */
  nearer?: number;
  /** It takes longer than others: a trial comes to it last. */
  slow?: true;
  run: (built: Built) => Verdict[];
}
