import { build, shared } from '../build/build';
import { check } from '../areas/checks';
import { countsOf, type Counts } from '../checks/counts';
import { docOf } from '../doc/write';
import { elevation, type Elevation, type Outlined } from '../drawing/elevation';
import type { JobDoc } from '../kit/kept';
import type { Job } from '../kit/types';
import { measureNext } from '../solve/measure-next';

/** What can be said of a job that nobody has opened yet: how it looks and how it stands. */
export interface Sketch {
  doc: JobDoc;
  outlines: readonly Outlined[];
  bounds: Elevation['bounds'];
  /** How many findings there are, by state. */
  counts: Counts;
  /** The worst of them, in sentences. */
  worst: readonly string[];
  /** What to measure first. */
  next: readonly string[];
  /** What the rig is made of, by name. */
  parts: readonly string[];
}

const FEW = 3;

/** The first rig of a job from the side, with what is said of it. */
export function sketch(job: Job): Sketch {
  const base = shared(job);
  const built = build(job, job.rigs[0]!, base);
  const verdicts = check(built);
  const { outlines, bounds } = elevation(built, 'side');
  return {
    doc: docOf(job),
    outlines,
    bounds,
    counts: countsOf(verdicts),
    worst: verdicts
      .filter((v) => v.state !== 'ok')
      .slice(0, FEW)
      .map((v) => v.why),
    next: measureNext(built, base)
      .slice(0, FEW)
      .map((m) => m.label),
    parts: job.kit.map((p) => p.name),
  };
}
