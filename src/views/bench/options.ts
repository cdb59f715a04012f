import { modesFor } from '@/core/solve/goal';
import { worst, type State } from '@/core/checks/finding';
import { searchParts } from '@/core/command/search';
import {
  isBody,
  isLens,
  isLink,
  isReducer,
  type Body,
  type Lens,
  type Link,
} from '@/core/kit/types';
import { linksOf, specification, type FoundChain } from '@/core/areas/mount/model/chains';
import { mountName } from '@/core/areas/mount/kit/standards';
import { chainsFor } from '@/core/areas/mount/model/chains-for';
import { valueOf } from '@/core/quantity/quantity';
import { exact, mm, plain } from '@/core/quantity/say';
import type { Edit } from '@/core/edit/edit';
import { tryOut } from '@/core/solve/try-out';
import { chainsBetween, setBetween } from '@/core/areas/mount/moves/chain';
import { lensSet, putLens } from '@/core/areas/coverage/moves/lens';
import { putBody } from '@/core/areas/coverage/moves/body';
import { setMode } from '@/core/areas/coverage/moves/picture';
import type { Option } from '@/ui/option';
import type { RigFacts } from './use-rig';

/** What the rig would be like after an edit: its worst finding. */
export function stateAfter(facts: RigFacts, edit: Edit): State | undefined {
  if (!facts.checks) return undefined;
  const after = tryOut(facts.job, facts.rig, edit.changes, facts.base, facts.checks);
  return after ? worst(after.verdicts.map((v) => v.state)) : undefined;
}

/** How many choices are tried out; a list is searched before it is longer than this. */
const MOST_TRIED = 40;

export function lensName(l: Lens): string {
  const f = valueOf(l.focal);
  const to = valueOf(l.focalTo);
  const t = valueOf(l.tStop);
  const n = valueOf(l.fStop);
  return [
    f === null ? null : to === null ? `${plain(f)} mm` : `${plain(f)} to ${plain(to)} mm`,
    t !== null ? `T${plain(t)}` : n !== null ? `f/${plain(n)}` : null,
    valueOf(l.squeeze) !== null ? `${plain(valueOf(l.squeeze)!)}\u00d7 squeeze` : null,
  ]
    .filter(Boolean)
    .join(', ');
}

export function lensOptions(facts: RigFacts, edit: (e: Edit) => void) {
  return (query: string): Option[] => {
    const all = lensSet(facts.job);
    const list = query.trim() === '' ? all : searchParts(all, query, 60).filter(isLens);
    return list.slice(0, 60).map((l, i) => {
      const move = putLens(facts.job, facts.rig, l);
      return {
        id: l.id,
        name: l.name,
        hint: `${lensName(l)}; ${mountName(facts.built.mounts, l.mount)}`,
        state: i < MOST_TRIED ? stateAfter(facts, move) : undefined,
        chosen: l.id === facts.rig.lens,
        pick: () => edit(move),
      };
    });
  };
}

export function bodyOptions(facts: RigFacts, edit: (e: Edit) => void) {
  return (query: string): Option[] => {
    const all = facts.job.kit.filter(isBody);
    const list =
      query.trim() === '' ? all : searchParts(all, query, 60).filter((p): p is Body => isBody(p));
    return list.map((b, i) => {
      const move = putBody(facts.job, facts.rig, b);
      return {
        id: b.id,
        name: b.name,
        hint: `${mountName(facts.built.mounts, b.mount)}; ${b.modes?.length ?? 0} modes`,
        state: i < MOST_TRIED ? stateAfter(facts, move) : undefined,
        chosen: b.id === facts.rig.body,
        pick: () => edit(move),
      };
    });
  };
}

export function modeOptions(facts: RigFacts, edit: (e: Edit) => void) {
  return (query: string): Option[] =>
    modesFor(facts.job.goal?.shot ? facts.rig.frames : [], facts.built.body?.modes ?? [])
      .filter((m) => m.name.toLowerCase().includes(query.trim().toLowerCase()))
      .map((m) => {
        const move = setMode(facts.rig, m);
        const w = valueOf(m.w);
        const h = valueOf(m.h);
        return {
          id: m.id,
          name: m.name,
          hint: [
            w !== null && h !== null ? `${exact(w, 2)} x ${mm(h, 2)}` : 'size not known',
            m.pxW && m.pxH ? `${m.pxW} x ${m.pxH}` : null,
            m.fps ? `up to ${plain(m.fps)} fps` : null,
          ]
            .filter(Boolean)
            .join(', '),
          state: stateAfter(facts, move),
          chosen: m.id === facts.rig.mode,
          pick: () => edit(move),
        };
      });
}

function chainHint(c: FoundChain): string {
  return [
    `${c.joints} ${c.joints === 1 ? 'joint' : 'joints'}`,
    c.error === null ? 'a length is not known' : `nominal error ${mm(c.error, 2)}`,
    c.links
      .filter(isReducer)
      .map((r) => `${plain(valueOf(r.magnification) ?? NaN, 2)}\u00d7`)
      .join(' '),
    c.toHire > 0 ? 'to hire' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Chains that were found, then single pieces of the kit. */
export function linkOptions(facts: RigFacts, edit: (e: Edit) => void) {
  return (query: string): Option[] => {
    const q = query.trim().toLowerCase();
    const now = facts.rig.between.map((u) => u.part).join('/');
    const verdict = chainsFor(facts.built);
    const list: Option[] = [];
    if (verdict?.kind === 'found')
      for (const c of verdict.chains) {
        const name =
          c.links.length === 0 ? 'nothing: straight on' : c.links.map((l) => l.name).join(' + ');
        if (!name.toLowerCase().includes(q)) continue;
        const move = setBetween(facts.rig, c.links);
        list.push({
          id: `chain:${c.links.map((l) => l.id).join('/')}`,
          name,
          hint: chainHint(c),
          group: 'closes',
          state: list.length < MOST_TRIED ? stateAfter(facts, move) : undefined,
          chosen: c.links.map((l) => l.id).join('/') === now,
          pick: () => edit(move),
        });
      }
    if (facts.rig.between.length > 0 && q === '')
      list.push({
        id: 'none',
        name: 'Take everything off',
        group: 'other pieces',
        pick: () => edit(setBetween(facts.rig, [])),
      });
    const links = linksOf(facts.job.kit);
    for (const l of q === ''
      ? links.slice(0, 30)
      : searchParts(links, q, 30).filter((p): p is Link => isLink(p)))
      list.push({
        id: `piece:${l.id}`,
        name: l.name,
        hint: `${mountName(facts.built.mounts, l.lensMount)} to ${mountName(facts.built.mounts, l.bodyMount)}`,
        group: 'other pieces',
        pick: () => edit(setBetween(facts.rig, [l])),
      });
    return list;
  };
}

/** Why nothing closes, and what to look for; empty when something does. */
export function chainTrouble(facts: RigFacts): string[] {
  const verdict = chainsFor(facts.built, 1);
  if (!verdict || verdict.kind === 'found') return [];
  if (verdict.kind === 'never')
    return [`No plain adapter can exist: ${mm(verdict.gap, 2)} between the two flanges.`];
  if (verdict.kind === 'unknown') return ['The flange distance of a mount is not known.'];
  return verdict.parts.map((p) => `Look for: ${specification(p, facts.built.mounts)}.`);
}

/** The edit that puts the next or previous of what can stand at a place; null when there is none. */
export function stepTo(facts: RigFacts, kind: string, by: 1 | -1): Edit | null {
  const { job, rig, built } = facts;
  if (kind === 'lens') {
    const set = lensSet(job);
    if (set.length === 0) return null;
    const at = set.findIndex((x) => x.id === rig.lens);
    const next = set[(at + by + set.length) % set.length];
    return next && next.id !== rig.lens ? putLens(job, rig, next) : null;
  }
  if (kind === 'body') {
    const modes = built.body?.modes ?? [];
    const at = modes.findIndex((m) => m.id === rig.mode);
    const next = modes[(at + by + modes.length) % modes.length];
    return next && next.id !== rig.mode ? setMode(rig, next) : null;
  }
  if (kind === 'link' && built.body && built.lens) {
    const chains = chainsBetween(job, built.body, built.lens);
    if (chains.length === 0) return null;
    const now = rig.between.map((u) => u.part).join('/');
    const at = chains.findIndex((c) => c.links.map((x) => x.id).join('/') === now);
    const next = chains[(at + by + chains.length) % chains.length];
    return next ? setBetween(rig, next.links) : null;
  }
  return null;
}
