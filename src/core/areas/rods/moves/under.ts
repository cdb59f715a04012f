import { plainLength } from '../../../quantity/say';
import { type Rig, type UnderUse, type Job, type Part, isPlate } from '../../../kit/types';
import { type Edit, keyOf } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { newId } from '../../../engine/ids';
import { at } from '../../../edit/rig-path';

/** Sets what stands under the camera, from the body downwards. */
export function setUnder(rig: Rig, under: readonly UnderUse[], title: string): Edit {
  const seen = new Set<string>();
  const uses = under.map((u): UnderUse => {
    const twice = u.id === undefined && seen.has(u.part);
    seen.add(u.part);
    return twice ? { id: newId('under'), ...u } : u;
  });
  return { title, changes: listChanges(at(rig, 'under'), rig.under, uses) };
}

/** Puts a plate under the camera in place of the one there, or a riser beside it. */
export function putUnder(job: Job, rig: Rig, part: Part, place: 'body' | 'rods' = 'body'): Edit {
  const under = rig.under ?? [];
  if (isPlate(part))
    return setUnder(
      rig,
      [...under.filter((u) => !isPlate(job.kit.find((p) => p.id === u.part))), { part: part.id }],
      `Put ${part.name} under the camera`,
    );
  return setUnder(
    rig,
    [...under, { part: part.id, at: place }],
    `Put ${part.name} under the ${place}`,
  );
}

export function takeUnder(job: Job, rig: Rig, index: number): Edit {
  const gone = job.kit.find((p) => p.id === rig.under?.[index]?.part);
  return setUnder(
    rig,
    (rig.under ?? []).filter((_, i) => i !== index),
    `Take ${gone?.name ?? 'it'} away`,
  );
}

/** Moves the plate along the camera; undefined puts its front below the mount face. */
export function setPlateStation(job: Job, rig: Rig, station: number | undefined): Edit | null {
  return setPlate(job, rig, 'station', station, (name) =>
    station === undefined
      ? `Put ${name} below the mount`
      : `Slide ${name} to ${plainLength(station)}`,
  );
}

/** Sets the height of a plate, top to rods; undefined sets it where the rods come out right. */
export function setPlateHeight(job: Job, rig: Rig, height: number | undefined): Edit | null {
  return setPlate(job, rig, 'height', height, (name) =>
    height === undefined
      ? `Set ${name} to the height of the rods`
      : `Set ${name} to ${plainLength(height)}, top to rods`,
  );
}

function setPlate(
  job: Job,
  rig: Rig,
  key: 'station' | 'height',
  value: number | undefined,
  title: (name: string) => string,
): Edit | null {
  const i = (rig.under ?? []).findIndex((u) => isPlate(job.kit.find((p) => p.id === u.part)));
  if (i < 0) return null;
  return {
    title: title(job.kit.find((p) => p.id === rig.under![i]!.part)!.name),
    changes: [{ path: at(rig, 'under', keyOf(rig.under![i]) ?? String(i), key), value }],
    group: `plate ${key} ${rig.id}`,
  };
}
