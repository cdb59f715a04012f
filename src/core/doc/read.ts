import type {
  CardRun,
  Job,
  MarkTestRecord,
  MotorPull,
  PackMark,
  PackRun,
  Rig,
  Trial,
  Weighing,
} from '../kit/types';
import { alike } from './alike';
import { rigOf } from './read-rig';
import type { JobDoc, JobRecord, RigDoc } from '../kit/kept';

/** A job as it is read by roles; what is the same is the same object. */

const readAs = (r: JobRecord) => ({
  id: r.id,
  parts: r.about.parts ?? [],
  ...(r.at === undefined ? {} : { when: r.at }),
  ...(r.role === undefined ? {} : { role: r.role }),
  ...r.data,
});

/** With the rig that it was. */
const readOnRig = (r: JobRecord) => ({
  ...readAs(r),
  ...(r.about.rig === undefined ? {} : { rig: r.about.rig }),
});

interface Records {
  trials: Trial[];
  markTests: MarkTestRecord[];
  weighings: Weighing[];
  runs: PackRun[];
  packMarks: PackMark[];
  cardRuns: CardRun[];
  pulls: MotorPull[];
}

/** Kinds of records that this version reads. */
const KINDS: ReadonlySet<string> = new Set([
  'trial',
  'mark-test',
  'weighing',
  'pack-run',
  'pack-mark',
  'card-run',
  'motor-pull',
]);

const readRecords = new WeakMap<readonly JobRecord[], Records>();

function tried(records: readonly JobRecord[]): Records {
  let known = readRecords.get(records);
  if (!known) {
    const of = (kind: string, read: (r: JobRecord) => unknown = readAs) =>
      records.filter((r) => r.kind === kind).map(read);
    known = {
      trials: of('trial') as Trial[],
      markTests: of('mark-test') as MarkTestRecord[],
      weighings: of('weighing', readOnRig) as Weighing[],
      runs: of('pack-run', readOnRig) as PackRun[],
      packMarks: of('pack-mark') as PackMark[],
      cardRuns: of('card-run', readOnRig) as CardRun[],
      pulls: of('motor-pull', readOnRig) as MotorPull[],
    };
    readRecords.set(records, known);
  }
  return known;
}

/** Readings of a rig that are remembered, so that what did not change stays the same object. */
const READINGS = 6;
/** Rigs whose readings are remembered. */
const RIGS = 48;
const read = new WeakMap<RigDoc, Rig>();
const recent = new Map<string, Rig[]>();

/** A rig as it is read; lists that say the same as in a reading before are the same object. */
export function rigIn(doc: RigDoc): Rig {
  const known = read.get(doc);
  if (known) return known;
  const rig = rigOf(doc) as unknown as Record<string, unknown>;
  const before = recent.get(doc.id) ?? [];
  for (const [key, value] of Object.entries(rig)) {
    if (value === null || typeof value !== 'object') continue;
    const same = before.find((b) =>
      alike((b as unknown as Record<string, unknown>)[key], value),
    ) as unknown as Record<string, unknown> | undefined;
    if (same) rig[key] = same[key];
  }
  const out = rig as unknown as Rig;
  read.set(doc, out);
  recent.delete(doc.id);
  recent.set(doc.id, [out, ...before].slice(0, READINGS));
  for (const id of recent.keys()) {
    if (recent.size <= RIGS) break;
    recent.delete(id);
  }
  return out;
}

const jobs = new WeakMap<JobDoc, Job>();

/** A job as it is read. The same document is the same job. */
export function jobOf(doc: JobDoc): Job {
  const known = jobs.get(doc);
  if (known) return known;
  const { lensSet, records, rigs, ...flat } = doc;
  const { trials, markTests, weighings, runs, packMarks, cardRuns, pulls } = tried(records ?? NONE);
  const others = (records ?? NONE).filter((r) => !KINDS.has(r.kind));
  const job = {
    ...flat,
    rigs: rigs.map(rigIn),
    ...(lensSet ? { lensSet: lensSet.map((l) => l.id) } : {}),
    ...(trials.length > 0 ? { trials } : {}),
    ...(markTests.length > 0 ? { markTests } : {}),
    ...(weighings.length > 0 ? { weighings } : {}),
    ...(runs.length > 0 ? { runs } : {}),
    ...(packMarks.length > 0 ? { packMarks } : {}),
    ...(cardRuns.length > 0 ? { cardRuns } : {}),
    ...(pulls.length > 0 ? { pulls } : {}),
    ...(others.length > 0 ? { rest: { records: others } } : {}),
  } as Job;
  jobs.set(doc, job);
  return job;
}

const NONE: readonly JobRecord[] = [];
