import type { Rig, FittedUse, Job, Fitting, Change, SpaceLimits } from '../../../kit/types';
import type { Edit } from '../../../edit/edit';
import { build } from '../../../build/build';
import { seatingsFor, type Seating } from '../../joints/model/free';
import { seat } from '../../joints/moves/seat';
import { newId } from '../../../engine/ids';
import { withoutLinks } from '../../../edit/write-signals';
import { at, without, groupChanges } from '../../../edit/rig-path';

/** Ids of fitted parts with all that hangs on them, farthest out first. */
export function hangingOn(rig: Rig, ids: Iterable<string>): Set<string> {
  const all = [...ids];
  for (let i = 0; i < all.length; i++)
    for (const u of rig.fitted ?? []) if (u.to === all[i] && !all.includes(u.id)) all.push(u.id);
  return new Set(all.reverse());
}

/** Where a part of a kind goes when nobody says. */
const USUAL: Partial<Record<string, FittedUse['on']>> = {
  'battery-plate': 'rods',
  battery: 'rear',
  'dummy-battery': 'rear',
  converter: 'rear',
  grip: 'left',
  'shoulder-pad': 'bottom',
  counterweight: 'rear',
  finder: 'left',
  arm: 'left',
};

/**
 * Puts a part where something of the rig holds it by name: of a row the hole nearest to its middle.
 * Null where nothing does.
 */
function onItsPlace(job: Job, rig: Rig, part: Fitting): Edit | null {
  if (!part.interfaces?.length) return null;
  const caged = (rig.fitted ?? []).some(
    (u) => job.kit.find((p) => p.id === u.part)?.kind === 'cage',
  );
  // What the body has is behind its cage: that comes last.
  const places = seatingsFor(build(job, rig), part)
    .filter((p) => p.sure !== false)
    .sort((a, b) => (caged ? Number(behind(a)) - Number(behind(b)) : 0));
  const first = places.find((p) => p.sure === true) ?? places[0];
  if (!first) return null;
  const row = places.filter((p) => p.host === first.host && p.by === first.by);
  return seat(rig, part, row[Math.floor((row.length - 1) / 2)]!);
}

const behind = ({ host }: Seating) => host.use === null && host.on === null;

/** Fits a part on what holds it by name, else against the camera, or a battery against its plate, a screen against its handle. */
export function fit(job: Job, rig: Rig, part: Fitting): Edit {
  const named = onItsPlace(job, rig, part);
  if (named) return named;
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

export function withoutFitted(rig: Rig, gone: ReadonlySet<string>): Change[] {
  return [
    ...[...gone].map((id) => without(rig, 'fitted', id)),
    ...(rig.hold !== undefined && gone.has(rig.hold)
      ? [{ path: at(rig, 'hold'), value: undefined }]
      : []),
    ...(rig.outlet && gone.has(rig.outlet.from)
      ? [{ path: at(rig, 'outlet'), value: undefined }]
      : []),
    ...(['drives', 'fitted'] as const).flatMap((list) =>
      (rig[list] ?? []).flatMap((u): Change[] =>
        u.outlet && gone.has(u.outlet.from) && !gone.has(u.id)
          ? [{ path: at(rig, list, u.id, 'outlet'), value: undefined }]
          : [],
      ),
    ),
    ...withoutLinks(rig, 'fitted', gone),
    ...(['drives', 'supports'] as const).flatMap((list) =>
      (rig[list] ?? []).flatMap((u): Change[] =>
        u.on !== undefined && gone.has(u.on)
          ? [{ path: at(rig, list, u.id, 'on'), value: undefined }]
          : [],
      ),
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
