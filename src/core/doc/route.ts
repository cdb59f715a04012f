import type { Change } from '../kit/types';
import type { JobDoc, RigDoc } from '../kit/kept';
import type { Edit } from '../edit/edit';
import { applyChange } from '../edit/edit';
import { alike, isFields, type Fields } from './alike';
import { below, laid, LISTS, OF_THE_RIG, WHOLE } from './layers';

/**
 * An edit of a rig as it stands in a configuration, written as one of the configuration: the same
 * paths under its difference. What belongs to the rig alone (its name, its configurations), and all
 * that is not of this rig, stays as it is.
 *
 * @param doc the job as it is kept, before the edit
 * @param edit an edit of the job as it is kept with the rig as it stands there
 */
export function routed(doc: JobDoc, rigId: string, configuration: string | null, edit: Edit): Edit {
  if (configuration === null) return edit;
  let now = doc;
  const changes: Change[] = [];
  for (const change of edit.changes) {
    const rig = now.rigs.find((r) => r.id === rigId);
    const [head, id, field] = change.path;
    const own =
      rig?.configurations?.some((c) => c.id === configuration) === true &&
      head === 'rigs' &&
      id === rigId &&
      field !== undefined &&
      !OF_THE_RIG.has(field);
    // Each is written against the job after the one before it.
    const list = own ? ofConfiguration(rig, configuration, change) : [change];
    for (const c of list) now = applyChange(now, c);
    changes.push(...list);
  }
  return { ...edit, changes };
}

function ofConfiguration(rig: RigDoc, configuration: string, change: Change): Change[] {
  const prefix = ['rigs', rig.id, 'configurations', configuration, 'over'];
  const over = rig.configurations!.find((c) => c.id === configuration)!.over;
  const path = change.path.slice(2);
  const [list, id, ...inner] = path;
  const adds = LISTS[list!];
  if (adds === undefined || id === undefined)
    return adds === undefined
      ? leaves(prefix, path, change.value, at(rig, path), at(over, path))
      : [{ path: [...prefix, list!], value: undefined }];
  const own = at(over, [list!, id]);
  const whole = isFields(own) && own[adds] !== undefined;
  const low = at(rig, [list!, id]);
  if (inner.length === 0) {
    const to = [...prefix, list!, id];
    if (change.value === undefined)
      // What it brought itself it takes back; what the rig has it leaves out.
      return low === undefined ? [gone(to)] : [{ path: to, value: { off: true } }];
    const { id: _id, ...value } = change.value as { id: string };
    return alike(value, withoutId(low)) ? [gone(to)] : [{ path: to, value }];
  }
  if (whole && low === undefined)
    return [{ ...change, path: [...prefix, ...path], prune: undefined }].map(bare);
  // What an element cannot be without makes an entry a whole one: all else of it is said with it.
  if (whole || inner[0] === adds) {
    const standing = whole ? own : withoutId(laid(low, own ?? {}));
    const next = at(applyChange({ e: standing }, { ...change, path: ['e', ...inner] }), ['e']);
    const to = [...prefix, list!, id];
    return alike(next, withoutId(low)) ? [gone(to)] : [{ path: to, value: next }];
  }
  if (list === 'joints' && inner[0] === 'host')
    return onHost([...prefix, 'joints', id], change.value, low as Fields | undefined, own);
  // A list below an element (positions of a part) lies over that of the rig as a whole.
  const [key] = inner as [string];
  const standing = at(own, [key]) ?? at(low, [key]);
  if (inner.length > 1 && Array.isArray(standing)) {
    const next = at(applyChange({ [key]: standing }, { ...change, path: inner }), [key]);
    return leaves(prefix, [list!, id, key], next, at(low, [key]), at(own, [key]));
  }
  // On another host nothing of the place below is left.
  const under = moved(own, low) ? undefined : at(low, inner);
  const said = inner[0] === 'place' ? under : at(low, inner);
  const changes = leaves(prefix, path, change.value, said, at(own, inner));
  // A place is one on its host: it says which.
  const host = isFields(low) ? low.host : undefined;
  if (
    list === 'joints' &&
    inner[0] === 'place' &&
    host !== undefined &&
    changes.length > 0 &&
    at(own, ['host']) === undefined
  )
    changes.push({ path: [...prefix, 'joints', id, 'host'], value: host });
  return changes;
}

const moved = (own: unknown, low: unknown) =>
  isFields(own) && isFields(low) && isFields(own.host) && !alike(own.host, low.host);

/** Another host: what stands of the place goes on standing, said anew. */
function onHost(joint: string[], host: unknown, low: Fields | undefined, own: unknown): Change[] {
  const mine = at(own, ['place']);
  const stands = moved(own, low) ? mine : laid(low?.place, mine ?? {});
  const place = isFields(stands) && Object.keys(stands).length > 0 ? stands : undefined;
  if (alike(host, low?.host))
    return [gone([...joint, 'host']), ...leaves(joint, ['place'], place, low?.place, mine)];
  return [
    { path: [...joint, 'host'], value: host ?? null },
    ...(place !== undefined
      ? [{ path: [...joint, 'place'], value: place }]
      : mine === undefined
        ? []
        : [gone([...joint, 'place'])]),
  ];
}

const at = (value: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((v, k) => below(v, k), value);

const withoutId = (e: unknown) => {
  if (!isFields(e)) return e;
  const { id: _id, ...rest } = e;
  return rest;
};

/** Depth from which what is left empty goes too: the difference itself stays. */
const INSIDE = 6;

const gone = (path: string[]): Change => ({ path, value: undefined, prune: INSIDE });

const bare = (c: Change): Change => {
  const { prune: _prune, ...rest } = c;
  return rest;
};

/** The fields of a value, each by itself: as the rig has it nothing is said of it. */
function leaves(
  prefix: readonly string[],
  path: readonly string[],
  value: unknown,
  low: unknown,
  own: unknown,
): Change[] {
  const to = [...prefix, ...path];
  const last = path[path.length - 1]!;
  const groups = !WHOLE.has(last) && (isFields(value) || value === undefined);
  if (groups && (isFields(low) || isFields(own)) && !Array.isArray(value)) {
    const keys = new Set([
      ...Object.keys(isFields(value) ? value : {}),
      ...Object.keys(isFields(low) ? low : {}),
      ...Object.keys(isFields(own) ? own : {}),
    ]);
    return [...keys].flatMap((k) =>
      leaves(prefix, [...path, k], below(value, k), below(low, k), below(own, k)),
    );
  }
  if (alike(value, low)) return own === undefined ? [] : [gone(to)];
  return value === undefined ? [{ path: to, value: null }] : [{ path: to, value }];
}
