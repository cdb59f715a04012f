import type { JobDoc, Joint, RigDoc } from '../kit/kept';
import { alike, isFields, type Fields } from './alike';

/**
 * A configuration is a difference over its rig: the rig's own paths, lists as maps by id. An entry
 * that names what an element cannot be without (a use its role, a joint its guest, a link where it
 * comes from, a frame its shape) stands as it is; any other changes the element below it. null takes
 * a field away, `off` leaves an element out.
 */

/** Lists of a rig whose elements go by id, and the field that makes an entry a whole element. */
export const LISTS: Readonly<Record<string, string>> = {
  uses: 'role',
  joints: 'guest',
  links: 'from',
  frames: 'aspect',
};

/** Names of a rig that belong to the rig and to no configuration of it. */
export const OF_THE_RIG: ReadonlySet<string> = new Set(['id', 'name', 'configurations', 'carried']);

/** Ends lead somewhere as one: half of one and half of another lead nowhere. */
export const WHOLE: ReadonlySet<string> = new Set(['host', 'guest', 'from', 'to']);

/** One value laid over another: groups field by field, all else as a whole. */
export function laid(low: unknown, over: unknown): unknown {
  if (!isFields(over)) return over;
  const out: Record<string, unknown> = isFields(low) ? { ...low } : {};
  for (const [k, v] of Object.entries(over)) {
    if (v === null || v === undefined) delete out[k];
    else if (WHOLE.has(k)) out[k] = v;
    else {
      const next = laid(out[k], v);
      if (isFields(next) && isFields(v) && Object.keys(next).length === 0) delete out[k];
      else out[k] = next;
    }
  }
  return out;
}

type Element = Fields & { id: string };

/** The elements of a list with what lies over them; what changes an element that is gone is left. */
function laidList(list: readonly Element[], over: Fields, adds: string): Element[] {
  const out = [...list];
  for (const [id, own] of Object.entries(over)) {
    if (!isFields(own)) continue;
    const i = out.findIndex((e) => e.id === id);
    if (own[adds] !== undefined) {
      const whole = { ...own, id } as Element;
      if (i >= 0) out[i] = whole;
      else out.push(whole);
    } else if (i >= 0) {
      const low = out[i]!;
      // A place is one on its host: on another host nothing of it is left.
      const moved = isFields(own.host) && !alike(own.host, low.host);
      const { host: _host, place: _place, ...rest } = low;
      out[i] = { ...(laid(moved ? rest : low, own) as Fields), id } as Element;
    }
  }
  return out;
}

/** A rig with one difference laid over it, elements that are off still in their lists. */
export function laidOver(rig: RigDoc, over: Fields | undefined): RigDoc {
  if (!over) return rig;
  const out = { ...rig } as unknown as Record<string, unknown>;
  for (const [k, v] of Object.entries(over)) {
    if (OF_THE_RIG.has(k)) continue;
    const adds = LISTS[k];
    if (adds !== undefined) {
      if (isFields(v)) out[k] = laidList((out[k] ?? []) as Element[], v, adds);
    } else if (v === null || v === undefined) delete out[k];
    else out[k] = laid(out[k], v);
  }
  return out as unknown as RigDoc;
}

/**
 * What is really on: what is off goes, with all that it holds; a host that is not there any more
 * leaves its guest to its face. A stack closes up by itself.
 */
function standing(rig: RigDoc): RigDoc {
  const uses = new Map(rig.uses.map((u) => [u.id, u]));
  const seats = new Map(
    rig.joints.filter((j) => j.id === j.guest.use).map((j) => [j.id, j] as const),
  );
  const off = new Set([
    ...rig.uses.filter(isOff).map((u) => u.id),
    ...[...seats.values()].filter(isOff).map((j) => j.id),
  ]);
  for (let before = -1; before !== off.size;) {
    before = off.size;
    for (const [id, j] of seats) if (j.host?.use !== undefined && off.has(j.host.use)) off.add(id);
  }
  const on = (id: string | undefined) => id === undefined || (uses.has(id) && !off.has(id));
  return {
    ...rig,
    uses: rig.uses.filter((u) => on(u.id)),
    joints: rig.joints
      .filter((j) => !isOff(j) && on(j.guest.use))
      .map((j) => (on(j.host?.use) ? j : { ...j, host: withoutUse(j.host!) })),
    links: rig.links.filter((l) => !isOff(l) && on(l.from.use) && on(l.to.use)),
    frames: rig.frames.filter((f) => !isOff(f)),
  };
}

const isOff = (e: object) => (e as { off?: unknown }).off === true;

function withoutUse(host: NonNullable<Joint['host']>): Joint['host'] {
  const { use: _use, interface: _interface, ...rest } = host;
  return rest;
}

const seen = new WeakMap<RigDoc, Map<string, RigDoc>>();

/**
 * A rig as it stands in one of its configurations; the rig itself for none, or one that is gone. The
 * same rig in the same configuration is the same object.
 */
export function rigIn(rig: RigDoc, configuration: string | null): RigDoc {
  const own = rig.configurations?.find((c) => c.id === configuration);
  if (!own) return rig;
  let list = seen.get(rig);
  if (!list) seen.set(rig, (list = new Map()));
  let out = list.get(own.id);
  if (!out) list.set(own.id, (out = standing(laidOver(rig, own.over))));
  return out;
}

/** What a configuration says other than its rig: fields by their paths, with both values. */
export interface Overridden {
  path: string[];
  base: unknown;
  own: unknown;
}

/** Every field that a configuration overrides, with what the rig says. */
export function overriddenBy(rig: RigDoc, configuration: string): Overridden[] {
  const over = rig.configurations?.find((c) => c.id === configuration)?.over;
  if (!over) return [];
  const out: Overridden[] = [];
  const walk = (own: unknown, base: unknown, path: string[]) => {
    if (isFields(own) && !WHOLE.has(path[path.length - 1] ?? '') && !isWhole(own, path))
      for (const [k, v] of Object.entries(own)) walk(v, below(base, k), [...path, k]);
    else out.push({ path, base, own: own === null ? undefined : own });
  };
  for (const [k, v] of Object.entries(over)) if (!OF_THE_RIG.has(k)) walk(v, below(rig, k), [k]);
  return out;
}

/** An element that the configuration brings itself is one thing. */
const isWhole = (own: Fields, path: readonly string[]) =>
  path.length === 2 && LISTS[path[0]!] !== undefined && own[LISTS[path[0]!]!] !== undefined;

/** A field of a value, an element of a list by its id. */
export function below(value: unknown, key: string): unknown {
  if (Array.isArray(value)) return (value as unknown[]).find((e) => isFields(e) && e.id === key);
  return isFields(value) ? value[key] : undefined;
}

/** A job with one of its rigs as it stands in a configuration. The same twice is the same object. */
export function viewed(doc: JobDoc, rigId: string | null, configuration: string | null): JobDoc {
  if (rigId === null || configuration === null) return doc;
  const rig = doc.rigs.find((r) => r.id === rigId);
  const stands = rig && rigIn(rig, configuration);
  if (!rig || stands === rig) return doc;
  let list = views.get(doc);
  if (!list) views.set(doc, (list = new Map()));
  const key = `${rigId} ${configuration}`;
  let out = list.get(key);
  if (!out) list.set(key, (out = { ...doc, rigs: doc.rigs.map((r) => (r === rig ? stands! : r)) }));
  return out;
}

const views = new WeakMap<JobDoc, Map<string, JobDoc>>();
