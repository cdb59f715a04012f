import { elementsOf, type Deed, type Element, type Role, type RoleMoves } from '../edit/role';
import { at, without } from '../edit/rig-path';
import { keyOf, type Edit } from '../edit/edit';
import { newId } from '../engine/ids';
import type { Change, Job, Part, Rig } from '../kit/types';
import { ROLES } from '../roles/roles';
import { AREAS } from './registry';

/** What areas say of their roles. */
const OWN: Readonly<Record<string, RoleMoves>> = Object.assign(
  {},
  ...AREAS.map((a) => a.moves),
) as Record<string, RoleMoves>;

const own = (role: Role): RoleMoves => OWN[role.id] ?? {};

const elements = (rig: Rig, role: Role): readonly Element[] =>
  role.list ? elementsOf(rig, role.list.list) : [];

/** Puts a part into the list that its role is read as. */
function join(rig: Rig, role: Role, part: Part): Edit | null {
  if (!role.list) return null;
  const id = newId(role.id);
  return {
    title: `Put ${part.name} on`,
    changes: [{ path: at(rig, role.list.list, id), value: { id, part: part.id } }],
  };
}

/** Takes elements out of the list that a role is read as. */
function leave(rig: Rig, role: Role, goes: (part: string) => boolean): Change[] {
  return elements(rig, role)
    .filter((u) => goes(u.part))
    .map((u) => without(rig, role.list!.list, keyOf(u)!));
}

/**
 * The move that puts a part of the kit where its kind goes.
 *
 * @returns null where there is no place for it, where it is in already, and for kinds that nothing
 *   takes
 */
export function putOn(job: Job, rig: Rig, part: Part): Edit | null {
  for (const role of ROLES) {
    if (!role.kinds.includes(part.kind)) continue;
    const { put } = own(role);
    const edit = put ? put(job, rig, part) : join(rig, role, part);
    // What is in already where it would go changes nothing.
    if (edit !== undefined) return edit?.changes.length === 0 ? null : edit;
  }
  return null;
}

/** What can be taken off a rig or turned over, role by role. */
export function deedsOf(job: Job, rig: Rig): Deed[] {
  return ROLES.flatMap((role) => {
    const { deeds } = own(role);
    if (deeds) return deeds(job, rig);
    // What areas put on in ways of their own they take off so too.
    return own(role).put
      ? []
      : elements(rig, role).map((u): Deed => {
          const name = job.kit.find((p) => p.id === u.part)?.name ?? u.part;
          return {
            title: `Take ${name} off`,
            changes: [without(rig, role.list!.list, keyOf(u)!)],
          };
        });
  });
}

/** What a figure or word means on a rig by itself, role by role. */
export function typedOf(job: Job, rig: Rig, text: string): Deed[] {
  return ROLES.flatMap((role) => own(role).typed?.(job, rig, text) ?? []);
}

/** Changes that take a part off a rig, in whatever roles it stands there. */
export function takenOff(rig: Rig, part: Part): Change[] {
  return ROLES.flatMap((role) => {
    const go = own(role).without;
    return go ? go(rig, part) : leave(rig, role, (id) => id === part.id);
  });
}
