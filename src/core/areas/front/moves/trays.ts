import type { BoxUse, TrayUse, Rig, Stage, Filter } from '../../../kit/types';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';

/** Trays with one of them changed; trays that say nothing are left out. */
export function traysWith(use: BoxUse, stage: string, patch: Partial<TrayUse>): TrayUse[] {
  const before = use.trays ?? [];
  const now: TrayUse = { id: stage, ...before.find((t) => t.id === stage), ...patch };
  for (const k of ['filter', 'out', 'turn'] as const) if (!now[k]) delete now[k];
  const rest = before.filter((t) => t.id !== stage);
  if (Object.keys(now).length <= 1) return rest;
  // Their order means nothing: by name, as they are read again.
  return [...rest, now].sort((a, b) => (a.id < b.id ? -1 : 1));
}

export function setTrays(rig: Rig, trays: readonly TrayUse[], title: string): Edit {
  return { title, changes: listChanges(at(rig, 'box', 'trays'), rig.box?.trays, trays) };
}

export function putFilter(rig: Rig, stage: Stage, filter: Filter): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, { filter: filter.id, out: undefined }),
    `Put ${filter.name} in ${stage.name}`,
  );
}

export function takeFilter(rig: Rig, stage: Stage, name: string): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, { filter: undefined }),
    `Take ${name} out of ${stage.name}`,
  );
}

export function setStageOut(rig: Rig, stage: Stage, out: boolean): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, out ? { out: true, filter: undefined } : { out: undefined }),
    out ? `Take ${stage.name} out of the box` : `Put ${stage.name} back into the box`,
  );
}

/** Turns a rotating stage, degrees. Steps of one movement are one step to take back. */
export function turnStage(rig: Rig, stage: Stage, turn: number): Edit {
  return {
    ...setTrays(
      rig,
      traysWith(rig.box!, stage.id, { turn }),
      `Turn ${stage.name} to ${turn} degrees`,
    ),
    group: `turn ${rig.id} ${stage.id}`,
  };
}

/** Exchanges what two stages hold. */
export function swapStages(rig: Rig, a: Stage, b: Stage): Edit {
  const use = rig.box!;
  const of = (id: string) => use.trays?.find((t) => t.id === id)?.filter;
  const first = traysWith(use, a.id, { filter: of(b.id) });
  return setTrays(
    rig,
    traysWith({ ...use, trays: first }, b.id, { filter: of(a.id) }),
    `Exchange ${a.name} and ${b.name}`,
  );
}
