import { KIND_NAME, isKind } from '../kit/fields';
import { searchParts } from './search';
import { VIEWS } from './views';
import { isBody, isLens, isLink, type Job, type Part, type Rig } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { isZoom } from '../build/build';
import type { Edit } from '../solve/edit';
import { besideDeeds, besideMove } from '../solve/beside-moves';
import { frontDeeds, frontMove } from '../solve/front-moves';
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

const MOST = 12;

function putOn(job: Job, rig: Rig, part: Part): Edit | null {
  if (isLens(part)) return putLens(job, rig, part);
  if (isBody(part)) return putBody(job, rig, part);
  if (isLink(part)) return setBetween(rig, [part]);
  return frontMove(job, rig, part) ?? besideMove(job, rig, part);
}

/** What a line of words could mean, best first. */
export function suggest(job: Job, rig: Rig | null, line: string): Suggestion[] {
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
  if (target && (verb === '' || verb === 'put' || verb === 'swap' || verb === 'take')) {
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
      for (const deed of [...frontDeeds(job, target), ...besideDeeds(job, target)])
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
