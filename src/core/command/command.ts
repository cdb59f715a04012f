import { KIND_NAME, isKind } from '../kit/fields';
import { isBody, isLens, isLink, type Job, type Part, type Rig } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { isZoom } from '../build/build';
import type { Edit } from '../solve/edit';
import {
  putBody,
  putLens,
  setBetween,
  setFocal,
  setMode,
  setStop,
  takeLensOff,
} from '../solve/moves';

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

export const VIEWS: readonly { to: string; name: string; words: string }[] = [
  { to: '/', name: 'Rig', words: 'rig line plate findings' },
  { to: '/set', name: 'Lens set', words: 'lens set coverage table' },
  { to: '/compare', name: 'Compare', words: 'compare two' },
  { to: '/kit', name: 'Kit', words: 'kit parts' },
  { to: '/rules', name: 'House rules', words: 'house rules limits' },
  { to: '/jobs', name: 'Jobs', words: 'jobs files import export backup' },
];

const MOST = 12;

/** A part's words, made once per part: kits have thousands. */
const words = new WeakMap<object, string>();

export function searchText(part: Part): string {
  let t = words.get(part);
  if (t === undefined) {
    const kind = isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind;
    const focal = isLens(part) ? `${valueOf(part.focal) ?? ''}mm` : '';
    t = `${part.name} ${kind} ${part.owner ?? ''} ${focal}`.toLowerCase();
    words.set(part, t);
  }
  return t;
}

/**
 * Parts that hold every word of a query, best first: names that begin with it, then words that
 * begin with it, then anywhere.
 */
export function searchParts(kit: readonly Part[], query: string, most = 50): Part[] {
  const tokens = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (tokens.length === 0) return kit.slice(0, most);
  const hits: { part: Part; score: number }[] = [];
  for (const part of kit) {
    const text = searchText(part);
    let score = 0;
    for (const t of tokens) {
      const i = text.indexOf(t);
      if (i < 0) {
        score = -1;
        break;
      }
      score += i === 0 ? 3 : text.charCodeAt(i - 1) === 32 || text.includes(` ${t}`) ? 2 : 1;
    }
    if (score > 0) hits.push({ part, score });
  }
  return hits
    .sort(
      (a, b) =>
        b.score - a.score ||
        a.part.name.length - b.part.name.length ||
        a.part.name.localeCompare(b.part.name),
    )
    .slice(0, most)
    .map((h) => h.part);
}

function putOn(job: Job, rig: Rig, part: Part): Edit | null {
  if (isLens(part)) return putLens(job, rig, part);
  if (isBody(part)) return putBody(job, rig, part);
  if (isLink(part)) return setBetween(rig, [part]);
  return null;
}

/** What a line of words could mean, best first. */
export function suggest(job: Job, rig: Rig | null, line: string): Suggestion[] {
  const text = line.trim().toLowerCase();
  const match = /^(put|swap|go|find)\b\s*(.*)$/.exec(text);
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
    for (const v of VIEWS)
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
  if (target && (verb === '' || verb === 'put' || verb === 'swap')) {
    const zoom = /^(?:zoom\s+)?(\d+(?:\.\d+)?)(?:\s*mm)?$/.exec(rest);
    const lens = job.kit.find((p) => p.id === target.lens);
    if (zoom && isLens(lens) && isZoom(lens)) {
      const f = Number(zoom[1]);
      if (f >= (valueOf(lens.focal) ?? Infinity) && f <= (valueOf(lens.focalTo) ?? 0))
        add({
          id: `zoom:${f}`,
          title: `Zoom to ${f} mm`,
          hint: lens.name,
          deed: { kind: 'edit', edit: setFocal(target, f) },
        });
    }
    const stop = /^t\s*(\d+(?:\.\d+)?)$/.exec(rest);
    if (stop && Number(stop[1]) >= 0.5 && Number(stop[1]) <= 64)
      add({
        id: `stop:${stop[1]!}`,
        title: `Work at T${stop[1]!}`,
        hint: 'stop',
        deed: { kind: 'edit', edit: setStop(target, Number(stop[1])) },
      });
    const body = job.kit.find((p) => p.id === target.body);
    if (rest !== '' && isBody(body))
      for (const m of body.modes ?? [])
        if (hits(m.name) && m.id !== target.mode)
          add({
            id: `mode:${m.id}`,
            title: `Record in ${m.name}`,
            hint: body.name,
            deed: { kind: 'edit', edit: setMode(target, m) },
          });
    if (target.lens !== null && (hits('no lens off') || rest === 'lens off'))
      if (rest !== '')
        add({
          id: 'lens-off',
          title: 'Take the lens off',
          hint: target.name,
          deed: { kind: 'edit', edit: takeLensOff(target) },
        });
    if (rest !== '')
      for (const part of searchParts(job.kit, rest, MOST)) {
        const edit = putOn(job, target, part);
        if (edit && part.id !== target.lens && part.id !== target.body)
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
