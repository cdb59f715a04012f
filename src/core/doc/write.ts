import type {
  CardRun,
  Job,
  MarkTestRecord,
  MotorPull,
  PackMark,
  PackRun,
  Part,
  Trial,
  Weighing,
} from '../kit/types';
import type { JobDoc, JobRecord } from '../kit/kept';
import { rigDocOf, type PartOf } from './write-rig';

/** A job as it is kept, out of one that is read by roles. */

const indexes = new WeakMap<readonly Part[], PartOf>();

/** Finds a part of a kit by its id; the kit is gone through once, when it is first asked. */
export function partIn(kit: readonly Part[]): PartOf {
  let find = indexes.get(kit);
  if (!find) {
    let index: ReadonlyMap<string, Part> | null = null;
    find = (id) => (index ??= new Map(kit.map((p) => [p.id, p]))).get(id);
    indexes.set(kit, find);
  }
  return find;
}

/** Id of a record that begins with a letter. */
const recordId = (kind: string, id: string) =>
  /^[A-Za-z]/.test(id) ? id : `${kind}-${id}`.slice(0, 80);

function trialRecord({ id, parts, when, role, ...data }: Trial): JobRecord {
  return {
    id: recordId('trial', id),
    ...(when === undefined ? {} : { at: when }),
    ...(role === undefined ? {} : { role }),
    kind: 'trial',
    about: { parts },
    data,
  };
}

function markRecord({ id, parts, when, ...data }: MarkTestRecord): JobRecord {
  return {
    id: recordId('mark', id),
    ...(when === undefined ? {} : { at: when }),
    kind: 'mark-test',
    about: { parts },
    data: data as unknown as Record<string, unknown>,
  };
}

/** What was measured of a rig, how long its packs lasted, how a pack was left. */
function rigRecord(
  kind: string,
  { id, parts, when, role, ...of }: Weighing | PackRun | PackMark | CardRun | MotorPull,
): JobRecord {
  const { rig, ...data } = of as Partial<Weighing>;
  return {
    id: recordId(kind, id),
    ...(when === undefined ? {} : { at: when }),
    ...(role === undefined ? {} : { role }),
    kind,
    about: { parts, ...(rig === undefined ? {} : { rig }) },
    data: data as unknown as Record<string, unknown>,
  };
}

/** Records of what was tried, tested and measured by hand. */
export function recordsOf(
  job: Pick<
    Job,
    'trials' | 'markTests' | 'weighings' | 'runs' | 'packMarks' | 'cardRuns' | 'pulls'
  >,
): JobRecord[] {
  const taken = new Set<string>();
  return [
    ...(job.trials ?? []).map(trialRecord),
    ...(job.markTests ?? []).map(markRecord),
    ...(job.weighings ?? []).map((w) => rigRecord('weighing', w)),
    ...(job.runs ?? []).map((r) => rigRecord('pack-run', r)),
    ...(job.packMarks ?? []).map((m) => rigRecord('pack-mark', m)),
    ...(job.cardRuns ?? []).map((r) => rigRecord('card-run', r)),
    ...(job.pulls ?? []).map((p) => rigRecord('motor-pull', p)),
  ].map((r) => {
    let { id } = r;
    for (let n = 2; taken.has(id); n++) id = `${r.id.slice(0, 76)}-${n}`;
    taken.add(id);
    return id === r.id ? r : { ...r, id };
  });
}

/** A job as it is kept. */
export function docOf(job: Job): JobDoc {
  const {
    lensSet,
    trials: _trials,
    markTests: _marks,
    weighings: _weighings,
    runs: _runs,
    packMarks: _packMarks,
    cardRuns: _cardRuns,
    pulls: _pulls,
    rigs,
    kit,
    rest,
    ...flat
  } = job;
  const partOf = partIn(kit);
  const records = [...recordsOf(job), ...((rest?.records ?? []) as JobRecord[])];
  return {
    ...flat,
    kit,
    ...(lensSet ? { lensSet: lensSet.map((id) => ({ id })) } : {}),
    rigs: rigs.map((r) => rigDocOf(r, partOf)),
    ...(records.length > 0 ? { records } : {}),
  };
}
