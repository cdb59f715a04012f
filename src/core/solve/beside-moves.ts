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
import { ringsThatFit } from '../drive/rings';
import { valueOf } from '../quantity/quantity';
import type { Edit } from './edit';

/**
 * Moves under and beside the camera, as edits. Where something stands is left open unless a person
 * sets it: then the place is found, and found again when the rig changes.
 */

const at = (rig: Rig, ...path: string[]) => ['rigs', rig.id, ...path];
const list = <T>(items: readonly T[]): readonly T[] | undefined =>
  items.length > 0 ? items : undefined;

/** An id that no other entry of a list has. */
function freeId(taken: readonly { id: string }[], base: string): string {
  if (!taken.some((t) => t.id === base)) return base;
  for (let n = 2; ; n++) if (!taken.some((t) => t.id === `${base}-${n}`)) return `${base}-${n}`;
}

/** Puts a pair of rods in: in place of those of the same place, those through both clamps first. */
export function putRods(rig: Rig, rods: Rods, place: RodUse['place'] = 'through'): Edit {
  const rest = (rig.rods ?? []).filter((r) =>
    place === 'through' ? false : r.place !== place && r.place !== 'through',
  );
  const use: RodUse = {
    id: freeId(rest, place === 'through' ? 'rods' : place),
    part: rods.id,
    place,
  };
  const where = place === 'through' ? '' : place === 'front' ? ' ahead' : ' behind';
  return {
    title: `Put ${rods.name} in${where}`,
    changes: [{ path: at(rig, 'rods'), value: [...rest, use] }],
  };
}

/** Puts other rods in the place of a pair. */
export function swapRods(rig: Rig, id: string, rods: Rods): Edit {
  return {
    title: `Use ${rods.name} instead`,
    changes: [
      {
        path: at(rig, 'rods'),
        value: (rig.rods ?? []).map((r) =>
          r.id === id ? { id: r.id, part: rods.id, place: r.place } : r,
        ),
      },
    ],
  };
}

export function takeRods(rig: Rig, id: string, name: string): Edit {
  return {
    title: `Take ${name} out`,
    changes: [{ path: at(rig, 'rods'), value: list((rig.rods ?? []).filter((r) => r.id !== id)) }],
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
  const i = (rig.under ?? []).findIndex((u) => isPlate(job.kit.find((p) => p.id === u.part)));
  if (i < 0) return null;
  const name = job.kit.find((p) => p.id === rig.under![i]!.part)!.name;
  return {
    title: station === undefined ? `Put ${name} below the mount` : `Slide ${name} to ${station} mm`,
    changes: [{ path: at(rig, 'under', String(i), 'station'), value: station }],
    group: `plate ${rig.id}`,
  };
}

/** Closes a gear ring on a ring of the lens, in place of the one there. */
export function putGear(rig: Rig, gear: GearRing, turns: DriveUse['turns']): Edit {
  const rest = (rig.gears ?? []).filter((g) => g.turns !== turns);
  return {
    title: `Close ${gear.name} on the ${turns} ring`,
    changes: [{ path: at(rig, 'gears'), value: [...rest, { part: gear.id, turns }] }],
  };
}

export function takeGear(rig: Rig, turns: DriveUse['turns'], name: string): Edit {
  return {
    title: `Take ${name} off`,
    changes: [
      { path: at(rig, 'gears'), value: list((rig.gears ?? []).filter((g) => g.turns !== turns)) },
    ],
  };
}

export function putSupport(rig: Rig, support: LensSupport): Edit {
  const use: SupportUse = { id: freeId(rig.supports ?? [], 'support'), part: support.id };
  return {
    title: `Put ${support.name} under the lens`,
    changes: [{ path: at(rig, 'supports'), value: [...(rig.supports ?? []), use] }],
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
    changes: [
      { path: at(rig, 'supports'), value: list((rig.supports ?? []).filter((s) => s.id !== id)) },
    ],
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
  const use: DriveUse = { id: freeId(rig.drives ?? [], turns), part: drive.id, turns };
  const changes: Change[] = [{ path: at(rig, 'drives'), value: [...(rig.drives ?? []), use] }];
  let title = `Put ${drive.name} on the ${turns} ring`;
  const lens = job.kit.find((p) => p.id === rig.lens);
  const ring = isLens(lens) ? lens.rings?.find((r) => r.turns === turns) : undefined;
  if (ring && ring.teeth === undefined && !rig.gears?.some((g) => g.turns === turns)) {
    const gear = ringsThatFit(job.kit, valueOf(ring.diameter))[0];
    if (gear) {
      changes.push({
        path: at(rig, 'gears'),
        value: [...(rig.gears ?? []), { part: gear.id, turns }],
      });
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
    changes: [
      { path: at(rig, 'drives'), value: list((rig.drives ?? []).filter((d) => d.id !== id)) },
    ],
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
    id: freeId(fitted, part.kind),
    part: part.id,
    on: to && part.kind !== 'battery' ? 'top' : (USUAL[part.kind] ?? 'top'),
    ...(to ? { to: to.id } : {}),
  };
  return {
    title: `Fit ${part.name}`,
    changes: [{ path: at(rig, 'fitted'), value: [...fitted, use] }],
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
  const gone = new Set([id]);
  for (const u of rig.fitted ?? []) if (u.to !== undefined && gone.has(u.to)) gone.add(u.id);
  return {
    title: `Take ${name} off`,
    changes: withoutFitted(rig, gone),
  };
}

function withoutFitted(rig: Rig, gone: ReadonlySet<string>): Change[] {
  const changes: Change[] = [
    {
      path: at(rig, 'fitted'),
      value: list((rig.fitted ?? []).filter((u) => !gone.has(u.id))),
    },
  ];
  if (rig.drives?.some((d) => d.outlet && gone.has(d.outlet.from)))
    changes.push({
      path: at(rig, 'drives'),
      value: rig.drives.map((d) => {
        if (!d.outlet || !gone.has(d.outlet.from)) return d;
        const { outlet: _outlet, ...rest } = d;
        return rest;
      }),
    });
  return changes;
}

export function setLimits(rig: Rig, limits: SpaceLimits | undefined): Edit {
  return {
    title: limits === undefined ? 'No size limit' : 'Limit the size of the rig',
    changes: [{ path: at(rig, 'limits'), value: limits }],
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
    if (uses.some((u) => u.part === part.id))
      changes.push({ path: at(rig, key), value: list(uses.filter((u) => u.part !== part.id)) });
  }
  if (rig.drives?.some((d) => d.part === part.id || d.arm === part.id))
    changes.push({
      path: at(rig, 'drives'),
      value: list(
        rig.drives
          .filter((d) => d.part !== part.id)
          .map((d) => {
            if (d.arm !== part.id) return d;
            const { arm: _arm, ...rest } = d;
            return rest;
          }),
      ),
    });
  const gone = new Set((rig.fitted ?? []).filter((u) => u.part === part.id).map((u) => u.id));
  if (gone.size > 0) {
    for (const u of rig.fitted ?? []) if (u.to !== undefined && gone.has(u.to)) gone.add(u.id);
    changes.push(...withoutFitted(rig, gone));
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
