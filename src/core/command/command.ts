import { KIND_NAME, isKind } from '../kit/fields';
import { searchParts } from './search';
import type { Job, Rig } from '../kit/types';
import type { Edit } from '../edit/edit';
import { deedsOf, putOn, typedOf } from '../areas/moves';

/**
 * The command line: words to deeds. `put` and `swap` change the rig, `go` changes the view,
 * `find` opens a part. Without a verb everything is searched.
 */
export type Deed =
  | { kind: 'edit'; edit: Edit }
  | { kind: 'go'; to: string }
  | { kind: 'rig'; rig: string }
  | { kind: 'part'; part: string };

export interface Suggestion {
  id: string;
  title: string;
  hint: string;
  deed: Deed;
}

const MOST = 12;

/** Where one can go: its address, its name, and what it is found by besides. */
export interface Goal {
  to: string;
  name: string;
  words: string;
}

/** What a line of words could mean, best first. */
export function suggest(
  job: Job,
  rig: Rig | null,
  line: string,
  goals: readonly Goal[] = [],
): Suggestion[] {
  const text = line.trim().toLowerCase();
  const match = /^(put|swap|take|go|find)\b\s*(.*)$/.exec(text);
  const verb = match?.[1] ?? '';
  // "40 on A": the rig a part is meant for.
  const on = /^(.*?)\s+on\s+(.+)$/.exec(match ? match[2]! : text);
  const target = on ? (job.rigs.find((r) => r.name.toLowerCase().includes(on[2]!)) ?? null) : rig;
  const rest = on && target ? on[1]! : match ? match[2]! : text;
  const list: Suggestion[] = [];
  const add = (s: Suggestion) => {
    if (list.length < MOST && !list.some((x) => x.id === s.id)) list.push(s);
  };
  const hits = (haystack: string) =>
    rest.split(/\s+/).every((t) => haystack.toLowerCase().includes(t));

  if ((verb === '' || verb === 'go') && !on) {
    for (const v of goals)
      if (hits(`${v.name} ${v.words}`) && (rest !== '' || verb === 'go'))
        add({
          id: `go:${v.to}`,
          title: `Go to ${v.name}`,
          hint: 'view',
          deed: { kind: 'go', to: v.to },
        });
    for (const r of job.rigs)
      if (hits(r.name) && (rest !== '' || verb === 'go'))
        add({
          id: `rig:${r.id}`,
          title: `Go to ${r.name}`,
          hint: 'rig',
          deed: { kind: 'rig', rig: r.id },
        });
  }
  if (target && (verb === '' || verb === 'put' || verb === 'swap' || verb === 'take')) {
    if (rest !== '')
      for (const deed of typedOf(job, target, rest))
        add({
          id: `typed:${deed.title}`,
          title: deed.title,
          hint: target.name,
          deed: { kind: 'edit', edit: deed },
        });
    if (rest !== '')
      for (const deed of deedsOf(job, target))
        if (hits(deed.title) || (deed.words && hits(deed.words)))
          add({
            id: `deed:${deed.title}`,
            title: deed.title,
            hint: target.name,
            deed: { kind: 'edit', edit: deed },
          });
    if (rest !== '')
      for (const part of searchParts(job.kit, rest, MOST)) {
        const edit = putOn(job, target, part);
        if (edit)
          add({
            id: `put:${part.id}`,
            title: edit.title,
            hint: on ? target.name : isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind,
            deed: { kind: 'edit', edit },
          });
      }
  }
  if ((verb === '' || verb === 'find') && rest !== '' && !on)
    for (const part of searchParts(job.kit, rest, MOST))
      add({
        id: `part:${part.id}`,
        title: `Open ${part.name}`,
        hint: isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind,
        deed: { kind: 'part', part: part.id },
      });
  return list;
}
