'use client';

import { useMemo } from 'react';
import { sideBySide, type SideBySide } from '@/core/doc/side-by-side';
import { saidBetween, type RigChange } from '@/core/set/changes';
import type { Configuration, Rig } from '@/core/kit/types';
import { useSnapshot } from '@/views/store/store-context';

/** What the open configuration says other than its rig. */
export interface Overrides {
  rig: Rig;
  configuration: Configuration;
  list: readonly RigChange[];
}

/** Many pieces ask for the same: it is told once. */
const told = new WeakMap<SideBySide, Map<string, readonly RigChange[]>>();

function tell(side: SideBySide, id: string): readonly RigChange[] {
  let list = told.get(side);
  if (!list) told.set(side, (list = new Map()));
  let own = list.get(id);
  const open = side.standings.find((s) => s.id === id);
  if (!own) {
    const kit = new Map(side.job.kit.map((p) => [p.id, p]));
    own = open ? saidBetween(kit, side.standings[0]!.doc, open.doc) : [];
    list.set(id, own);
  }
  return own;
}

/** Null while the rig itself is open. */
export function useOverrides(): Overrides | null {
  const { job, doc, rigId, configuration } = useSnapshot();
  return useMemo(() => {
    const rig = job?.rigs.find((r) => r.id === rigId);
    const own = rig?.configurations?.find((c) => c.id === configuration);
    const side = own && doc && rigId !== null ? sideBySide(doc, rigId) : null;
    if (!rig || !own || !side) return null;
    return { rig, configuration: own, list: tell(side, own.id) };
  }, [job, doc, rigId, configuration]);
}
