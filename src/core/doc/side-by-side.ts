import type { Job, Rig } from '../kit/types';
import type { JobDoc, RigDoc } from '../kit/kept';
import { rigIn as rigLaid } from './layers';
import { jobOf, rigIn as rigRead } from './read';

/** One way a rig stands: itself, or one of its configurations. */
export interface Standing {
  /** Null for the rig itself. */
  id: string | null;
  name: string;
  /** As it is kept, the configuration laid over it. */
  doc: RigDoc;
  /** The same as it is read, under an id of its own in {@link SideBySide.job}. */
  rig: Rig;
}

/** A rig and all of its configurations beside each other, as rigs of one job. */
export interface SideBySide {
  job: Job;
  standings: readonly Standing[];
}

const known = new WeakMap<JobDoc, Map<string, SideBySide | null>>();

/**
 * The rig itself first, then its configurations in their order; null for a rig that is not there.
 * The same document is the same answer.
 */
export function sideBySide(doc: JobDoc, rigId: string): SideBySide | null {
  let list = known.get(doc);
  if (!list) known.set(doc, (list = new Map()));
  let own = list.get(rigId);
  if (own === undefined) list.set(rigId, (own = laid(doc, rigId)));
  return own;
}

function laid(doc: JobDoc, rigId: string): SideBySide | null {
  const rig = doc.rigs.find((r) => r.id === rigId);
  if (!rig) return null;
  const standings = [
    { id: null, name: 'the rig itself' },
    ...(rig.configurations ?? []).map((c) => ({ id: c.id as string | null, name: c.name })),
  ].map(({ id, name }): Standing => {
    const own = rigLaid(rig, id);
    // Lists that say the same stay the same objects; only the id is another.
    return { id, name, doc: own, rig: { ...rigRead(own), id: keyOf(rigId, id) } };
  });
  return { job: { ...jobOf(doc), rigs: standings.map((s) => s.rig) }, standings };
}

/** The id of a standing among the others. */
export const keyOf = (rigId: string, id: string | null) => (id === null ? rigId : `${rigId} ${id}`);
