import type { ListRole } from '../edit/role';
import { ROLES } from '../roles/roles';

export type { Fields, ListRole } from '../edit/role';

/** A list of a rig as it is read, with the roles that stand in it. */
export interface RoleList extends ListRole {
  roles: readonly string[];
}

/** Every list that roles are read as, in the order of the roles. */
export const LISTS: readonly RoleList[] = [
  ...new Map(
    ROLES.flatMap((r) =>
      r.list
        ? [
            [
              r.list.list,
              {
                ...r.list,
                roles: ROLES.filter((x) => x.list?.list === r.list!.list).map((x) => x.id),
              },
            ] as const,
          ]
        : [],
    ),
  ).values(),
];

export const BETWEEN: RoleList = LISTS.find((l) => l.list === 'between')!;

/** Every role that is read; others ride along. */
export const READ_ROLES: ReadonlySet<string> = new Set(ROLES.map((r) => r.id));

/** Fields that are there, or nothing when none is. */
export function some<T extends object>(fields: T): T | undefined {
  const there = Object.entries(fields).filter(([, v]) => v !== undefined);
  return there.length > 0 ? (Object.fromEntries(there) as T) : undefined;
}

export function clean<T extends object>(fields: T): T {
  return some(fields) ?? ({} as T);
}

export function picked(
  from: Record<string, unknown>,
  keys: readonly string[],
): Record<string, unknown> {
  return Object.fromEntries(keys.filter((k) => from[k] !== undefined).map((k) => [k, from[k]]));
}

/** Id of a use that nobody named: by what it is. */
export const nameOf = (role: string, part: string) => `${role}-${part}`.slice(0, 80);

/** What an element of a list is named by. */
export const named = (l: RoleList, element: Record<string, unknown>): string =>
  l.nameOf?.(element) ?? String(element.part);
