import { newId } from '../engine/ids';
import type { Edit } from '../edit/edit';
import type { Configuration, Rig } from '../kit/types';

/** Configurations of a rig: the same rig for another job of work, as a difference over it. */

const at = (rig: Rig, id: string, ...more: string[]) => [
  'rigs',
  rig.id,
  'configurations',
  id,
  ...more,
];

/** A name that no other configuration of the rig has. */
function free(rig: Rig, want: string): string {
  const taken = new Set(rig.configurations?.map((c) => c.name));
  const name = want.slice(0, 110);
  if (!taken.has(name)) return name;
  let n = 2;
  while (taken.has(`${name} ${n}`)) n++;
  return `${name} ${n}`;
}

/** A new configuration: as the rig stands, until something of it is set otherwise. */
export function addConfiguration(rig: Rig, name: string): { edit: Edit; id: string } {
  const id = newId('configuration');
  const own: Configuration = { id, name: free(rig, name), changes: [] };
  return {
    id,
    edit: {
      title: `New configuration ${own.name} of ${rig.name}`,
      changes: [{ path: at(rig, id), value: own }],
    },
  };
}

/** A copy of a configuration under a name of its own. */
export function copyConfiguration(rig: Rig, of: Configuration): { edit: Edit; id: string } {
  const id = newId('configuration');
  const own = { ...of, id, name: free(rig, `${of.name}, copy`) };
  return {
    id,
    edit: { title: `Copy ${of.name}`, changes: [{ path: at(rig, id), value: own }] },
  };
}

export function renameConfiguration(rig: Rig, of: Configuration, name: string): Edit {
  return {
    title: `Call the configuration ${name}`,
    changes: [{ path: at(rig, of.id, 'name'), value: name }],
  };
}

export function removeConfiguration(rig: Rig, of: Configuration): Edit {
  return {
    title: `Take the configuration ${of.name} away`,
    changes: [{ path: at(rig, of.id), value: undefined, prune: 3 }],
  };
}

/** Depth from which what is left empty of a difference goes too; the difference itself stays. */
const DIFFERENCE = 6;

/**
 * Takes back what a configuration says of one use, of what feeds it, or of one field of the rig: it is
 * as the rig has it again.
 */
export function asTheRig(
  rig: Rig,
  of: Configuration,
  what: { use: string | null; field?: string; links?: readonly string[]; name: string },
): Edit {
  const paths = what.links
    ? what.links.map((id) => at(rig, of.id, 'over', 'links', id))
    : what.use !== null
      ? [at(rig, of.id, 'over', 'uses', what.use), at(rig, of.id, 'over', 'joints', what.use)]
      : [at(rig, of.id, 'over', what.field ?? '')];
  const { over } = of as { over?: unknown };
  const there = (path: readonly string[]) =>
    path
      .slice(5)
      .reduce<unknown>((v, k) => (v as Record<string, unknown> | undefined)?.[k], over) !==
    undefined;
  return {
    title: `${what.name} as ${rig.name} has it`,
    changes: paths.filter(there).map((path) => ({ path, value: undefined, prune: DIFFERENCE })),
  };
}
