import type { Job } from '../kit/types';
import { keeping } from './alike';

/** Elements of a list that are new or other than they were; their order where that changed. */
interface ListPatch<T> {
  changed: readonly T[];
  /** Ids in their order, when some came, went or moved. */
  order?: readonly string[];
}

/** What is other in one state of a job than in another one: small, and plain data. */
export interface JobPatch {
  kit?: ListPatch<Job['kit'][number]>;
  rigs?: ListPatch<Job['rigs'][number]>;
  /** Other fields as they are now. */
  rest: Readonly<Record<string, unknown>>;
  gone: readonly string[];
}

const LISTS = ['kit', 'rigs'] as const;

function listPatch<T extends { id: string }>(was: readonly T[], now: readonly T[]): ListPatch<T> {
  const before = new Map(was.map((e) => [e.id, e]));
  const moved = was.length !== now.length || now.some((e, i) => was[i]!.id !== e.id);
  return {
    changed: now.filter((e) => before.get(e.id) !== e),
    ...(moved ? { order: now.map((e) => e.id) } : {}),
  };
}

/**
 * What turns one state of a job into another. Documents are never changed in place, so what is the
 * same object says the same; only what is another one is sent.
 */
export function patchOf(before: Job, after: Job): JobPatch {
  const patch: JobPatch = {
    rest: Object.fromEntries(
      Object.entries(after).filter(
        ([k, v]) => !LISTS.includes(k as 'kit') && before[k as keyof Job] !== v,
      ),
    ),
    gone: Object.keys(before).filter((k) => !Object.hasOwn(after, k)),
  };
  if (before.kit !== after.kit) patch.kit = listPatch(before.kit, after.kit);
  if (before.rigs !== after.rigs) patch.rigs = listPatch(before.rigs, after.rigs);
  return patch;
}

function listAfter<T extends { id: string }>(was: readonly T[], patch?: ListPatch<T>): T[] {
  if (!patch) return was as T[];
  const byId = new Map(was.map((e) => [e.id, e]));
  // A message brings copies: what of them says the same is what is here already.
  for (const e of patch.changed) byId.set(e.id, keeping(byId.get(e.id), e) as T);
  return (patch.order ?? was.map((e) => e.id)).map((id) => byId.get(id)!);
}

/** The job that a patch leads to; what it leaves alone stays the same object. */
export function patched(job: Job, patch: JobPatch): Job {
  const next: Record<string, unknown> = { ...job, ...patch.rest };
  for (const k of patch.gone) delete next[k];
  next.kit = listAfter(job.kit, patch.kit);
  next.rigs = listAfter(job.rigs, patch.rigs);
  return next as unknown as Job;
}
