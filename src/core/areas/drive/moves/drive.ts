import {
  type Rig,
  type Job,
  type DriveUse,
  isLens,
  type Drive,
  type Change,
  type DriveArm,
} from '../../../kit/types';
import type { Edit } from '../../../edit/edit';
import { withoutLinks } from '../../../edit/write-signals';
import { at, without } from '../../../edit/rig-path';
import { newId } from '../../../engine/ids';
import { ringsThatFit } from '../model/rings';
import { valueOf } from '../../../quantity/quantity';

/** Says that a hand turns a ring on the barrel itself, or that none does. */
export function setHand(rig: Rig, hand: Rig['hand']): Edit {
  return {
    title: hand ? `A hand turns the ${hand} ring` : 'No hand on the barrel',
    changes: [{ path: at(rig, 'hand'), value: hand }],
  };
}

/** The ring a new drive turns: focus first, then what has no drive yet. */
function nextRing(job: Job, rig: Rig): DriveUse['turns'] {
  const lens = job.kit.find((p) => p.id === rig.lens);
  const has = isLens(lens) ? (lens.rings ?? []).map((r) => r.turns) : [];
  const taken = new Set((rig.drives ?? []).map((d) => d.turns));
  const order = ['focus', 'iris', 'zoom'] as const;
  return (
    order.find((t) => !taken.has(t) && has.includes(t)) ??
    order.find((t) => !taken.has(t)) ??
    'focus'
  );
}

/** Puts a follow focus or motor on; a lens without a gear gets the ring of the kit that fits. */
export function putDrive(job: Job, rig: Rig, drive: Drive, turns = nextRing(job, rig)): Edit {
  const use: DriveUse = { id: newId(turns), part: drive.id, turns };
  const changes: Change[] = [{ path: at(rig, 'drives', use.id), value: use }];
  let title = `Put ${drive.name} on the ${turns} ring`;
  const lens = job.kit.find((p) => p.id === rig.lens);
  const ring = isLens(lens) ? lens.rings?.find((r) => r.turns === turns) : undefined;
  if (ring && ring.teeth === undefined && !rig.gears?.some((g) => g.turns === turns)) {
    const gear = ringsThatFit(job.kit, valueOf(ring.diameter))[0];
    if (gear) {
      changes.push({ path: at(rig, 'gears', gear.id), value: { part: gear.id, turns } });
      title += ` with ${gear.name}`;
    }
  }
  return { title, changes };
}

/** Sets a drive: side, station, angle, outlet. What is undefined is found again. */
export function setDrive(rig: Rig, id: string, to: Partial<DriveUse>, title: string): Edit {
  return {
    title,
    changes: Object.entries(to).map(([k, value]) => ({ path: at(rig, 'drives', id, k), value })),
    group: `drive ${rig.id} ${id} ${Object.keys(to).join()}`,
  };
}

export function takeDrive(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} off`,
    changes: [without(rig, 'drives', id), ...withoutLinks(rig, 'drives', new Set([id]))],
  };
}

/** Puts an extension arm between a drive and its gear. */
export function armOn(rig: Rig, drive: DriveUse, arm: DriveArm): Edit {
  return setDrive(rig, drive.id, { arm: arm.id }, `Put ${arm.name} on`);
}
