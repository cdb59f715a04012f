import type { Place } from './types';

/**
 * The roles that pieces stand in on a rig. One table says of each where its settings live; reading
 * a rig by roles and writing it as uses, joints and links both follow from it.
 */

export type Fields = Record<string, unknown>;

export interface ListRole {
  /** The list of the rig as it is read. */
  list: 'between' | 'thread' | 'under' | 'rods' | 'gears' | 'supports' | 'drives' | 'fitted';
  roles: readonly string[];
  /** Kind of the joint that seats it. */
  seat: string;
  /** Fields that its role lets be set. */
  set: readonly string[];
  /** Fields of where it sits, by what the joint calls them. */
  place: Readonly<Record<string, keyof Place & string>>;
  /** Its place in the row means something. */
  row?: true;
  /** What was named by its part alone goes without an id when it is read. */
  named?: true;
}

export const BETWEEN: ListRole = {
  list: 'between',
  roles: ['adapter'],
  seat: 'mount',
  set: ['slot', 'wheel'],
  place: {},
  row: true,
  named: true,
};

export const LISTS: readonly ListRole[] = [
  BETWEEN,
  { list: 'thread', roles: ['thread'], seat: 'thread', set: [], place: {}, row: true, named: true },
  {
    list: 'under',
    roles: ['plate', 'spacer'],
    seat: 'stack',
    set: ['height'],
    place: { station: 'station' },
    row: true,
    named: true,
  },
  {
    list: 'rods',
    roles: ['rods'],
    seat: 'rod-clamp',
    set: [],
    place: { place: 'end', tip: 'station' },
  },
  { list: 'gears', roles: ['gear'], seat: 'ring', set: ['turns'], place: {}, named: true },
  {
    list: 'supports',
    roles: ['support'],
    seat: 'rods',
    set: ['post'],
    place: { station: 'station' },
  },
  {
    list: 'drives',
    roles: ['drive'],
    seat: 'rods',
    set: ['turns', 'angle', 'flipped', 'reversed', 'unit'],
    place: { side: 'side', station: 'station' },
  },
  {
    list: 'fitted',
    roles: ['fitted'],
    seat: 'face',
    set: [],
    place: { x: 'x', y: 'y', z: 'z', station: 'station', turn: 'turn' },
  },
];

/** Fields of a list's elements that are written in ways of their own. */
export const OWN_WAY: Readonly<Record<string, readonly string[]>> = {
  between: ['tied'],
  under: ['at'],
  drives: ['arm', 'outlet'],
  fitted: ['to', 'on'],
};

/** Every role that is read, with the lists it stands in; others ride along. */
export const BOX_ROLES = ['box', 'box-ring', 'sleeve', 'tray'] as const;
export const READ_ROLES: ReadonlySet<string> = new Set([
  'body',
  'lens',
  'extension',
  ...BOX_ROLES,
  ...LISTS.flatMap((l) => l.roles),
]);

/** Fields that are there, or nothing when none is. */
export function some<T extends object>(fields: T): T | undefined {
  const there = Object.entries(fields).filter(([, v]) => v !== undefined);
  return there.length > 0 ? (Object.fromEntries(there) as T) : undefined;
}

export function clean<T extends object>(fields: T): T {
  return some(fields) ?? ({} as T);
}

export function picked(from: Fields, keys: readonly string[]): Fields {
  return Object.fromEntries(keys.filter((k) => from[k] !== undefined).map((k) => [k, from[k]]));
}

/** Id of a use that nobody named: by what it is. */
export const nameOf = (role: string, part: string) => `${role}-${part}`.slice(0, 80);
