import {
  type Rig,
  type Part,
  type Change,
  type ThreadUse,
  type Job,
  type Lens,
  isLens,
  type Ring,
  type Filter,
  isRing,
  isFilter,
  onHand,
} from '../../../kit/types';
import { newId } from '../../../engine/ids';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';
import { valueOf } from '../../../quantity/quantity';
import { sameThread, ringChains } from '../model/threads';

/** What is on the thread becomes these pieces; one that stays keeps what it is set to. */
export function threadChanges(rig: Rig, parts: readonly Part[]): Change[] {
  const left = [...(rig.thread ?? [])];
  const uses = parts.map((p): ThreadUse => {
    const i = left.findIndex((u) => u.part === p.id);
    if (i >= 0) return left.splice(i, 1)[0]!;
    // A second piece of the same part needs a name of its own.
    return parts.filter((q) => q.id === p.id).length > 1
      ? { id: newId('thread'), part: p.id }
      : { part: p.id };
  });
  return listChanges(at(rig, 'thread'), rig.thread, uses);
}

export function lensOf(job: Job, rig: Rig): Lens | null {
  const p = job.kit.find((q) => q.id === rig.lens);
  return isLens(p) ? p : null;
}

export function partsOn(job: Job, rig: Rig): (Ring | Filter)[] {
  return (rig.thread ?? [])
    .map((u) => job.kit.find((p) => p.id === u.part))
    .filter((p): p is Ring | Filter => isRing(p) || isFilter(p));
}

/** The thread that is free ahead of what is screwed on; null when it is not known or there is none. */
export function freeThread(job: Job, rig: Rig): number | null {
  const on = partsOn(job, rig);
  const last = on[on.length - 1];
  return valueOf(last ? last.female : lensOf(job, rig)?.filterThread);
}

/** Sets what is on the thread, from the lens outwards. */
export function setThread(rig: Rig, parts: readonly Part[], title: string): Edit {
  return {
    title,
    changes: threadChanges(rig, parts),
  };
}

/**
 * The pieces with the rings they need between them, from a thread outwards. Where the kit has no
 * chain that is on hand the piece is put as it is: the finding says what is missing.
 */
export function chained(
  job: Job,
  thread: number | null,
  pieces: readonly (Ring | Filter)[],
): (Ring | Filter)[] {
  const rings = job.kit.filter(isRing).filter((r) => onHand(r) >= 1);
  const out: (Ring | Filter)[] = [];
  let now = thread;
  for (const p of pieces) {
    const male = valueOf(p.male);
    if (now !== null && male !== null && !sameThread(now, male)) {
      const [chain] = ringChains(now, { female: male }, rings, 3, 1);
      if (chain) out.push(...chain.rings);
    }
    out.push(p);
    now = valueOf(p.female);
  }
  return out;
}

/** The rings that a piece needs to go on next: none, some, or null when the kit has no way. */
export function ringsFor(job: Job, rig: Rig, part: Ring | Filter): Ring[] | null {
  const thread = freeThread(job, rig);
  const male = valueOf(part.male);
  if (thread === null || male === null) return null;
  if (sameThread(thread, male)) return [];
  const rings = chained(job, thread, [part]).slice(0, -1).filter(isRing);
  return rings.length > 0 ? rings : null;
}

/** Screws a ring or filter on, with the rings it needs. */
export function screwOn(job: Job, rig: Rig, part: Ring | Filter): Edit {
  const on = partsOn(job, rig);
  const added = chained(job, freeThread(job, rig), [part]);
  const rings = added.filter((p) => p !== part);
  return setThread(
    rig,
    [...on, ...added],
    `Screw ${part.name} on${rings.length > 0 ? ` with ${rings.map((r) => r.name).join(' + ')}` : ''}`,
  );
}

/** Takes one piece off the thread; rings that only led to it go too. */
export function unscrew(job: Job, rig: Rig, index: number): Edit {
  const on = partsOn(job, rig);
  const gone = on[index];
  const rest = on.filter((_, i) => i !== index);
  const lens = lensOf(job, rig);
  const kept =
    gone && isFilter(gone)
      ? withoutIdleRings(job, valueOf(lens?.filterThread), rest, rig.box !== undefined)
      : rest;
  return setThread(rig, kept, `Take ${gone?.name ?? 'it'} off`);
}

/** Filters and clamp rings stay, rings between them are chosen anew: none that leads nowhere. */
function withoutIdleRings(
  job: Job,
  thread: number | null,
  pieces: readonly (Ring | Filter)[],
  clamps: boolean,
): (Ring | Filter)[] {
  const wanted = pieces.filter((p) => isFilter(p) || (clamps && p.clamp !== undefined));
  const next = chained(job, thread, wanted);
  let now = thread;
  const holds = pieces.every((p) => {
    const mates = sameThread(now, valueOf(p.male));
    now = valueOf(p.female);
    return mates;
  });
  // Rings that are on and still do stay the same pieces.
  return holds && next.length >= pieces.length ? [...pieces] : next;
}

/** Puts another filter in the place of one on the thread; the rings follow. */
export function swapOnThread(job: Job, rig: Rig, index: number, to: Filter): Edit {
  const on = partsOn(job, rig);
  const from = on[index]!;
  const pieces = on
    .map((p, i) => (i === index ? to : p))
    .filter((p) => isFilter(p) || p.clamp !== undefined);
  return setThread(
    rig,
    chained(job, valueOf(lensOf(job, rig)?.filterThread), pieces),
    `Use ${to.name} in place of ${from.name}`,
  );
}
