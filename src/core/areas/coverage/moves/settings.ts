import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';
import type { Change, DriveUse, Job, Lens, Rig, SupportUse } from '../../../kit/types';
import { mm } from '../../../quantity/say';

/** What travels with a lens and how the rig was set when it was last on. */

/** What of a drive and of a support is set for a lens; the piece itself stays. */
const DRIVE = ['side', 'station', 'angle', 'flipped', 'reversed'] as const;
const SUPPORT = ['station', 'post'] as const;

/** Changes that dress a lens and set the rig as it was last on, with what they are in words. */
export interface Dressed {
  changes: Change[];
  said: string[];
}

/**
 * A lens as it was last on: what was on its thread and its rings, where supports, drives and box
 * stood. Pieces that are not in the kit or not on the rig any more are left as they are.
 */
export function dress(job: Job, rig: Rig, lens: Lens): Dressed | null {
  const own = rig.lenses?.[lens.id]?.dressing;
  if (!own || lens.id === rig.lens) return null;
  const name = (id: string) => job.kit.find((p) => p.id === id)?.name;
  const there = <T extends { part: string }>(list: readonly T[] | undefined) =>
    (list ?? []).filter((u) => name(u.part) !== undefined);
  const changes: Change[] = [];
  const said: string[] = [];
  for (const key of ['thread', 'gears'] as const) {
    const [was, now] = [rig[key] ?? [], there<{ id?: string; part: string }>(own[key])];
    const list = listChanges(at(rig, key), was, now);
    if (list.length === 0) continue;
    changes.push(...list);
    const names = now.map((u) => name(u.part)!);
    said.push(
      names.length > 0
        ? names.join(', ')
        : key === 'thread'
          ? 'nothing on its thread'
          : 'no gear ring',
    );
  }
  for (const s of rig.supports ?? []) {
    const before = own.supports?.find((x) => x.id === s.id && x.part === s.part);
    if (before) set(rig, 'supports', s, before, SUPPORT, name(s.part) ?? s.part, changes, said);
  }
  for (const d of rig.drives ?? []) {
    const before = own.drives?.find((x) => x.id === d.id && x.part === d.part);
    if (before) set(rig, 'drives', d, before, DRIVE, name(d.part) ?? d.part, changes, said);
  }
  if (rig.box && own.box?.part === rig.box.part)
    for (const key of ['ring', 'station'] as const) {
      const [was, now] = [rig.box[key], own.box[key]];
      if (was === now || (key === 'ring' && now !== undefined && name(String(now)) === undefined))
        continue;
      changes.push({ path: at(rig, 'box', key), value: now });
      said.push(
        key === 'ring'
          ? `${name(own.box.part)} with ${now === undefined ? 'no ring' : name(String(now))}`
          : `${name(own.box.part)} ${now === undefined ? 'where it finds its place' : `at ${mm(Number(now))}`}`,
      );
    }
  return { changes, said };
}

function set<T extends SupportUse | DriveUse>(
  rig: Rig,
  list: 'supports' | 'drives',
  now: T,
  before: T,
  keys: readonly string[],
  name: string,
  changes: Change[],
  said: string[],
): void {
  const words: string[] = [];
  for (const key of keys) {
    const [a, b] = [now, before].map((u) => (u as unknown as Record<string, unknown>)[key]);
    if (a === b) continue;
    changes.push({ path: at(rig, list, now.id, key), value: b });
    words.push(wordsOf(key, b));
  }
  if (words.length > 0) said.push(`${name} ${words.join(' and ')}`);
}

function wordsOf(key: string, value: unknown): string {
  if (value === undefined) return key === 'post' ? 'post as it is found' : `${key} as it is found`;
  if (key === 'station') return `at ${mm(Number(value))}`;
  if (key === 'post') return `post ${mm(Number(value))}`;
  if (key === 'angle') return `at ${String(value)} deg`;
  if (key === 'side') return `on the ${String(value)}`;
  return value === true ? key : `not ${key}`;
}
