import { known, type Known } from '../../../quantity/quantity';
import type { Mount } from '../../../engine/part';

/**
 * Mounts by neutral facts: public standards by their name, bayonets owned by one maker by class,
 * flange distance and throat. Sources: C mount ISO 10935; B4 BTA S-1005B (from memory); positive
 * lock and CS common practice; all others from memory. Editable: a job's own mount with the same
 * id takes precedence.
 */
const STANDARD: readonly [
  id: string,
  name: string,
  flange: number,
  throat: number | null,
  note: string,
][] = [
  ['pl', 'PL (positive lock)', 52, 54, 'common practice, no source'],
  ['c', 'C (1"-32 UN)', 17.526, 25.4, 'ISO 10935'],
  ['cs', 'CS', 12.526, 25.4, 'common practice, no source'],
  ['b4', 'B4 (2/3" bayonet)', 48, null, 'BTA S-1005B, from memory'],
  ['m42', 'M42 x 1 screw', 45.46, 42, 'from memory'],
  ['m39', 'M39 x 1/26" screw', 28.8, 39, 'from memory'],
  ['t2', 'T2 (M42 x 0.75)', 55, 42, 'from memory'],
  ['four-thirds', 'four-thirds mirrorless', 19.25, null, 'from memory'],
  ['slr-44.00-54', 'SLR bayonet 44.00 / 54', 44, 54, 'from memory'],
  ['slr-46.50-44', 'SLR bayonet 46.50 / 44', 46.5, 44, 'from memory'],
  ['slr-45.46-44', 'SLR bayonet 45.46 / 44', 45.46, 44, 'from memory'],
  ['breech-42.00-48', 'SLR breech-lock 42.00', 42, 48, 'from memory'],
  ['ml-16.00-55', 'mirrorless 16.00 / 55', 16, 55, 'from memory'],
  ['ml-17.70-44', 'mirrorless 17.70 / 44', 17.7, 44, 'from memory'],
  ['ml-18.00-46', 'mirrorless 18.00 / 46', 18, 46, 'from memory'],
  ['ml-20.00-51.6', 'mirrorless 20.00 / 51.6', 20, 51.6, 'from memory'],
  ['ml-20.00-54', 'mirrorless 20.00 / 54', 20, 54, 'from memory'],
  ['cine-19.00', 'shallow cine bayonet 19.00', 19, null, 'from memory'],
  ['rf-27.80', 'rangefinder bayonet 27.80', 27.8, null, 'from memory'],
];

/**
 * A mount's standard is the nominal number; a sound piece keeps it to about a hundredth
 * (common practice, no source).
 */
const STANDARD_TOLERANCE = 0.01;

export const STANDARD_MOUNTS: readonly Mount[] = STANDARD.map(
  ([id, name, flange, throat, note]) => ({
    id,
    name,
    flange: { value: flange, tol: STANDARD_TOLERANCE, from: 'sheet' as const },
    ...(throat === null
      ? {}
      : { throat: { value: throat, tol: STANDARD_TOLERANCE, from: 'sheet' as const } }),
    note,
  }),
);

export interface MountFacts {
  id: string;
  /** The crew's own name when there is one, else the neutral one. */
  name: string;
  flange: Known | null;
  throat: Known | null;
  own: boolean;
  note: string;
}

export type MountIndex = ReadonlyMap<string, MountFacts>;

function facts(m: Mount, own: boolean): MountFacts {
  return {
    id: m.id,
    name: m.name,
    flange: known(m.flange, 'flange'),
    throat: known(m.throat, 'length'),
    own,
    note: m.note ?? '',
  };
}

const STANDARD_INDEX: MountIndex = new Map(STANDARD_MOUNTS.map((m) => [m.id, facts(m, false)]));

/** What a job says of mounts itself: its own, and what it calls the others. */
export interface OwnMounts {
  mounts?: readonly Mount[];
  aliases?: Readonly<Record<string, string>>;
}

/** All mounts a job knows: the standard ones, its own, and the crew's names for them. */
export function mountIndex(job: OwnMounts): MountIndex {
  if (!job.mounts?.length && !job.aliases) return STANDARD_INDEX;
  if (last?.mounts === job.mounts && last?.aliases === job.aliases) return last!.index;
  const index = new Map(job.aliases ? [] : STANDARD_INDEX);
  const add = (m: Mount, own: boolean) =>
    index.set(m.id, {
      ...facts(m, own),
      name: (job.aliases && Object.hasOwn(job.aliases, m.id) && job.aliases[m.id]) || m.name,
    });
  if (job.aliases) for (const m of STANDARD_MOUNTS) add(m, false);
  for (const m of job.mounts ?? []) add(m, true);
  last = { mounts: job.mounts, aliases: job.aliases, index };
  return index;
}

/** The same index for the same mounts, so that what was worked out with it goes on standing. */
let last: (OwnMounts & { index: MountIndex }) | null = null;

/** What to call a mount, also one that is not in the index. */
export function mountName(index: MountIndex, id: string | undefined): string {
  return id === undefined ? 'unknown mount' : (index.get(id)?.name ?? id);
}
