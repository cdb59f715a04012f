import {
  isBody,
  isDrive,
  isDriveArm,
  isFitting,
  isGearRing,
  isLens,
  isPlate,
  isRods,
  isSupport,
  type Change,
  type Drive,
  type DriveArm,
  type DriveUse,
  type FittedUse,
  type Fitting,
  type GearRing,
  type Job,
  type LensSupport,
  type Part,
  type Rig,
  type RodUse,
  type Rods,
  type SpaceLimits,
  type SupportUse,
} from '../kit/types';
import { ringsThatFit } from '../areas/drive/rings';
import { newId } from '../kit/ids';
import { valueOf } from '../quantity/quantity';
import { keyOf, listChanges, type Edit } from './edit';
import { groupChanges } from './front-moves';

/**
 * Moves under and beside the camera, as edits. Where something stands is left open unless a person
 * sets it: then the place is found, and found again when the rig changes.
 */

const at = (rig: Rig, ...path: string[]) => ['rigs', rig.id, ...path];

/** Takes an element out of a list; the list goes with the last one. */
const without = (rig: Rig, list: string, key: string): Change => ({
  path: at(rig, list, key),
  value: undefined,
  prune: 3,
});

/** Ids of fitted parts with all that hangs on them, farthest out first. */
function hangingOn(rig: Rig, ids: Iterable<string>): Set<string> {
  const all = [...ids];
  for (let i = 0; i < all.length; i++)
    for (const u of rig.fitted ?? []) if (u.to === all[i] && !all.includes(u.id)) all.push(u.id);
  return new Set(all.reverse());
}

/** Puts a pair of rods in: in place of those of the same place, those through both clamps first. */
export function putRods(rig: Rig, rods: Rods, place: RodUse['place'] = 'through'): Edit {
  const rest = (rig.rods ?? []).filter((r) =>
    place === 'through' ? false : r.place !== place && r.place !== 'through',
  );
  const use: RodUse = {
    id: newId(place === 'through' ? 'rods' : place),
    part: rods.id,
    place,
  };
  const where = place === 'through' ? '' : place === 'front' ? ' ahead' : ' behind';
  return {
    title: `Put ${rods.name} in${where}`,
    changes: listChanges(at(rig, 'rods'), rig.rods, [...rest, use]),
  };
}

/** Puts other rods in the place of a pair. */
export function swapRods(rig: Rig, id: string, rods: Rods): Edit {
  return {
    title: `Use ${rods.name} instead`,
    changes: [
      { path: at(rig, 'rods', id, 'part'), value: rods.id },
      // Another pair finds its place anew.
      { path: at(rig, 'rods', id, 'tip'), value: undefined },
    ],
  };
}

export function takeRods(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} out`,
    changes: [without(rig, 'rods', id)],
  };
}

/** Slides rods in their clamps; undefined lets them find their place again. */
export function setRodTip(rig: Rig, id: string, tip: number | undefined, name: string): Edit {
  return {
    title: tip === undefined ? `Let ${name} find their place` : `Slide ${name} to ${tip} mm`,
    changes: [{ path: at(rig, 'rods', id, 'tip'), value: tip }],
    group: `rods ${rig.id} ${id}`,
  };
}

/** Moves the plate along the camera; undefined puts its front below the mount face. */
export function setPlateStation(job: Job, rig: Rig, station: number | undefined): Edit | null {
  return setPlate(job, rig, 'station', station, (name) =>
    station === undefined ? `Put ${name} below the mount` : `Slide ${name} to ${station} mm`,
  );
}

/** Sets the height of a plate, top to rods; undefined sets it where the rods come out right. */
export function setPlateHeight(job: Job, rig: Rig, height: number | undefined): Edit | null {
  return setPlate(job, rig, 'height', height, (name) =>
    height === undefined
      ? `Set ${name} to the height of the rods`
      : `Set ${name} to ${height} mm, top to rods`,
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

/** Closes a gear ring on a ring of the lens, in place of the one there. */
export function putGear(rig: Rig, gear: GearRing, turns: DriveUse['turns']): Edit {
  const rest = (rig.gears ?? []).filter((g) => g.turns !== turns);
  return {
    title: `Close ${gear.name} on the ${turns} ring`,
    changes: listChanges(at(rig, 'gears'), rig.gears, [...rest, { part: gear.id, turns }]),
  };
}

export function takeGear(rig: Rig, turns: DriveUse['turns'], name: string): Edit {
  return {
    title: `Take ${name} off`,
    changes: listChanges(
      at(rig, 'gears'),
      rig.gears,
      (rig.gears ?? []).filter((g) => g.turns !== turns),
    ),
  };
}

export function putSupport(rig: Rig, support: LensSupport): Edit {
  const use: SupportUse = { id: newId('support'), part: support.id };
  return {
    title: `Put ${support.name} under the lens`,
    changes: [{ path: at(rig, 'supports', use.id), value: use }],
  };
}

export function setSupport(
  rig: Rig,
  id: string,
  to: Partial<Pick<SupportUse, 'station' | 'post' | 'part'>>,
  title: string,
): Edit {
  return {
    title,
    changes: Object.entries(to).map(([k, value]) => ({
      path: at(rig, 'supports', id, k),
      value,
    })),
    group: `support ${rig.id} ${id} ${Object.keys(to).join()}`,
  };
}

export function takeSupport(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} away`,
    changes: [without(rig, 'supports', id)],
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
    changes: [without(rig, 'drives', id)],
  };
}

/** Where a part of a kind goes when nobody says. */
const USUAL: Partial<Record<string, FittedUse['on']>> = {
  'battery-plate': 'rods',
  battery: 'rear',
  'dummy-battery': 'rear',
  grip: 'left',
  'shoulder-pad': 'bottom',
  counterweight: 'rear',
  finder: 'left',
  arm: 'left',
};

/** Fits a part against the camera, or a battery against its plate, a screen against its handle. */
export function fit(job: Job, rig: Rig, part: Fitting): Edit {
  const fitted = rig.fitted ?? [];
  const of = (kind: string) =>
    fitted.find((u) => job.kit.find((p) => p.id === u.part)?.kind === kind);
  const to =
    part.kind === 'battery'
      ? of('battery-plate')
      : part.kind === 'monitor' || part.kind === 'recorder'
        ? of('handle')
        : undefined;
  const use: FittedUse = {
    id: newId(part.kind),
    part: part.id,
    on: to && part.kind !== 'battery' ? 'top' : (USUAL[part.kind] ?? 'top'),
    ...(to ? { to: to.id } : {}),
  };
  return {
    title: `Fit ${part.name}`,
    changes: [{ path: at(rig, 'fitted', use.id), value: use }],
  };
}

/** Moves a fitted part; undefined puts it back to the middle of its face. */
export function setFitted(rig: Rig, id: string, to: Partial<FittedUse>, title: string): Edit {
  return {
    title,
    changes: Object.entries(to).map(([k, value]) => ({ path: at(rig, 'fitted', id, k), value })),
    group: `fitted ${rig.id} ${id} ${Object.keys(to).join()}`,
  };
}

/** Takes a fitted part off, with what stands against it, and the leads to its outlets. */
export function takeFitted(rig: Rig, id: string, name: string): Edit {
  const gone = hangingOn(rig, [id]);
  return {
    title: `Take ${name} off`,
    changes: withoutFitted(rig, gone),
  };
}

function withoutFitted(rig: Rig, gone: ReadonlySet<string>): Change[] {
  return [
    ...[...gone].map((id) => without(rig, 'fitted', id)),
    ...(rig.drives ?? []).flatMap((d): Change[] =>
      d.outlet && gone.has(d.outlet.from)
        ? [{ path: at(rig, 'drives', d.id, 'outlet'), value: undefined }]
        : [],
    ),
  ];
}

export function setLimits(rig: Rig, limits: SpaceLimits | undefined): Edit {
  return {
    title: limits === undefined ? 'No size limit' : 'Limit the size of the rig',
    changes: limits
      ? groupChanges(rig, 'limits', rig.limits, {
          ...Object.fromEntries(Object.keys(rig.limits ?? {}).map((k) => [k, undefined])),
          ...limits,
        })
      : [{ path: at(rig, 'limits'), value: undefined }],
  };
}

export function shutScreen(rig: Rig, shut: boolean): Edit {
  return {
    title: shut ? 'Leave the screen shut' : 'Fold the screen out',
    changes: [{ path: at(rig, 'screenShut'), value: shut ? true : undefined }],
  };
}

/** Takes a part off a rig, wherever it stands under or beside the camera. */
export function withoutBesidePart(rig: Rig, part: Part): Change[] {
  const changes: Change[] = [];
  for (const key of ['rods', 'gears', 'supports'] as const) {
    const uses: readonly { part: string }[] = rig[key] ?? [];
    for (const u of uses) if (u.part === part.id) changes.push(without(rig, key, keyOf(u)!));
  }
  for (const d of rig.drives ?? [])
    if (d.part === part.id) changes.push(without(rig, 'drives', d.id));
    else
      for (const key of ['arm', 'unit'] as const)
        if (d[key] === part.id)
          changes.push({ path: at(rig, 'drives', d.id, key), value: undefined });
  const gone = new Set((rig.fitted ?? []).filter((u) => u.part === part.id).map((u) => u.id));
  if (gone.size > 0) {
    changes.push(...withoutFitted(rig, hangingOn(rig, gone)));
  }
  return changes;
}

/** The move that puts a part of the kit where its kind goes; null for others, or where it is in. */
export function besideMove(job: Job, rig: Rig, part: Part): Edit | null {
  if (isRods(part)) {
    const now = rig.rods?.[0];
    if (now?.part === part.id) return null;
    return now ? swapRods(rig, now.id, part) : putRods(rig, part);
  }
  if (isGearRing(part))
    return rig.gears?.some((g) => g.part === part.id) ? null : putGear(rig, part, 'focus');
  if (isSupport(part)) return putSupport(rig, part);
  if (isDrive(part)) return putDrive(job, rig, part);
  if (isFitting(part)) return fit(job, rig, part);
  if (isDriveArm(part)) {
    const drive = rig.drives?.[0];
    return drive && drive.arm !== part.id ? armOn(rig, drive, part) : null;
  }
  return null;
}

/** Deeds under and beside the camera that take something away or turn it over, for the command line. */
export function besideDeeds(job: Job, rig: Rig): (Edit & { words?: string })[] {
  const name = (id: string) => job.kit.find((p) => p.id === id)?.name ?? id;
  const body = job.kit.find((p) => p.id === rig.body);
  return [
    ...(rig.rods ?? []).map((u) => takeRods(rig, u.id, name(u.part))),
    ...(rig.supports ?? []).map((u) => takeSupport(rig, u.id, name(u.part))),
    ...(rig.gears ?? []).map((u) => takeGear(rig, u.turns, name(u.part))),
    ...(rig.drives ?? []).flatMap((u) => {
      const part = job.kit.find((p) => p.id === u.part);
      const flip =
        isDrive(part) && part.flips
          ? [
              setDrive(
                rig,
                u.id,
                { flipped: u.flipped !== true },
                `Flip ${part.name} ${u.flipped === true ? 'back' : 'over'}`,
              ),
            ]
          : [];
      return [takeDrive(rig, u.id, name(u.part)), ...flip];
    }),
    ...(rig.fitted ?? []).map((u) => takeFitted(rig, u.id, name(u.part))),
    ...(isBody(body) && body.screenSide ? [shutScreen(rig, rig.screenShut !== true)] : []),
  ];
}

/** Puts an extension arm between a drive and its gear. */
export function armOn(rig: Rig, drive: DriveUse, arm: DriveArm): Edit {
  return setDrive(rig, drive.id, { arm: arm.id }, `Put ${arm.name} on`);
}
