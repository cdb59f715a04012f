import {
  isBox,
  isFilter,
  isLens,
  isPlate,
  isReduction,
  isRing,
  isRiser,
  isSleeve,
  onHand,
  type BoxUse,
  type Change,
  type Filter,
  type FlagLeaf,
  type Job,
  type Lens,
  type LightUse,
  type MatteBox,
  type Part,
  type ReductionRing,
  type Rig,
  type Ring,
  type Sleeve,
  type Stage,
  type ThreadUse,
  type TrayUse,
  type UnderUse,
  type WheelPlace,
} from '../kit/types';
import { clipWays } from '../areas/front/clip';
import { ringChains, sameThread } from '../areas/front/threads';
import { valueOf } from '../quantity/quantity';
import { ruleValues } from '../rules/rules';
import { newId } from '../kit/ids';
import type { Wheel } from '../areas/light/wheel';
import { keyOf, listChanges, type Edit } from './edit';

/**
 * Moves at the front of the rig, as edits. What hangs on a choice follows: a filter brings the
 * rings it needs, a clip-on box what it is clamped with, another lens the rings of its own thread.
 */

const at = (rig: Rig, ...path: string[]) => ['rigs', rig.id, ...path];

/** What is on the thread becomes these pieces; one that stays keeps what it is set to. */
function threadChanges(rig: Rig, parts: readonly Part[]): Change[] {
  const left = [...(rig.thread ?? [])];
  const uses = parts.map((p): ThreadUse => {
    const i = left.findIndex((u) => u.part === p.id);
    if (i >= 0) return left.splice(i, 1)[0]!;
    // A second piece of the same part needs a name of its own.
    return parts.filter((q) => q.id === p.id).length > 1
      ? { id: newId('thread'), part: p.id }
      : { part: p.id };
  });
  return listChanges(at(rig, 'thread'), rig.thread, uses);
}

function lensOf(job: Job, rig: Rig): Lens | null {
  const p = job.kit.find((q) => q.id === rig.lens);
  return isLens(p) ? p : null;
}

function partsOn(job: Job, rig: Rig): (Ring | Filter)[] {
  return (rig.thread ?? [])
    .map((u) => job.kit.find((p) => p.id === u.part))
    .filter((p): p is Ring | Filter => isRing(p) || isFilter(p));
}

/** The thread that is free ahead of what is screwed on; null when it is not known or there is none. */
export function freeThread(job: Job, rig: Rig): number | null {
  const on = partsOn(job, rig);
  const last = on[on.length - 1];
  return valueOf(last ? last.female : lensOf(job, rig)?.filterThread);
}

/** Sets what is on the thread, from the lens outwards. */
export function setThread(rig: Rig, parts: readonly Part[], title: string): Edit {
  return {
    title,
    changes: threadChanges(rig, parts),
  };
}

/**
 * The pieces with the rings they need between them, from a thread outwards. Where the kit has no
 * chain that is on hand the piece is put as it is: the finding says what is missing.
 */
export function chained(
  job: Job,
  thread: number | null,
  pieces: readonly (Ring | Filter)[],
): (Ring | Filter)[] {
  const rings = job.kit.filter(isRing).filter((r) => onHand(r) >= 1);
  const out: (Ring | Filter)[] = [];
  let now = thread;
  for (const p of pieces) {
    const male = valueOf(p.male);
    if (now !== null && male !== null && !sameThread(now, male)) {
      const [chain] = ringChains(now, { female: male }, rings, 3, 1);
      if (chain) out.push(...chain.rings);
    }
    out.push(p);
    now = valueOf(p.female);
  }
  return out;
}

/** The rings that a piece needs to go on next: none, some, or null when the kit has no way. */
export function ringsFor(job: Job, rig: Rig, part: Ring | Filter): Ring[] | null {
  const thread = freeThread(job, rig);
  const male = valueOf(part.male);
  if (thread === null || male === null) return null;
  if (sameThread(thread, male)) return [];
  const rings = chained(job, thread, [part]).slice(0, -1).filter(isRing);
  return rings.length > 0 ? rings : null;
}

/** Screws a ring or filter on, with the rings it needs. */
export function screwOn(job: Job, rig: Rig, part: Ring | Filter): Edit {
  const on = partsOn(job, rig);
  const added = chained(job, freeThread(job, rig), [part]);
  const rings = added.filter((p) => p !== part);
  return setThread(
    rig,
    [...on, ...added],
    `Screw ${part.name} on${rings.length > 0 ? ` with ${rings.map((r) => r.name).join(' + ')}` : ''}`,
  );
}

/** Takes one piece off the thread; rings that only led to it go too. */
export function unscrew(job: Job, rig: Rig, index: number): Edit {
  const on = partsOn(job, rig);
  const gone = on[index];
  const rest = on.filter((_, i) => i !== index);
  const lens = lensOf(job, rig);
  const kept =
    gone && isFilter(gone)
      ? withoutIdleRings(job, valueOf(lens?.filterThread), rest, rig.box !== undefined)
      : rest;
  return setThread(rig, kept, `Take ${gone?.name ?? 'it'} off`);
}

/** Filters and clamp rings stay, rings between them are chosen anew: none that leads nowhere. */
function withoutIdleRings(
  job: Job,
  thread: number | null,
  pieces: readonly (Ring | Filter)[],
  clamps: boolean,
): (Ring | Filter)[] {
  const wanted = pieces.filter((p) => isFilter(p) || (clamps && p.clamp !== undefined));
  const next = chained(job, thread, wanted);
  let now = thread;
  const holds = pieces.every((p) => {
    const mates = sameThread(now, valueOf(p.male));
    now = valueOf(p.female);
    return mates;
  });
  // Rings that are on and still do stay the same pieces.
  return holds && next.length >= pieces.length ? [...pieces] : next;
}

/** Puts another filter in the place of one on the thread; the rings follow. */
export function swapOnThread(job: Job, rig: Rig, index: number, to: Filter): Edit {
  const on = partsOn(job, rig);
  const from = on[index]!;
  const pieces = on
    .map((p, i) => (i === index ? to : p))
    .filter((p) => isFilter(p) || p.clamp !== undefined);
  return setThread(
    rig,
    chained(job, valueOf(lensOf(job, rig)?.filterThread), pieces),
    `Use ${to.name} in place of ${from.name}`,
  );
}

function boxOf(job: Job, rig: Rig): MatteBox | null {
  const p = job.kit.find((q) => q.id === rig.box?.part);
  return isBox(p) ? p : null;
}

/**
 * Puts a box on. A clip-on brings what it is clamped with: the way of fewest pieces on hand. Filters
 * that stood in trays of the same names stay in them.
 */
export function putBox(job: Job, rig: Rig, box: MatteBox): Edit {
  const before = rig.box;
  const stages = new Set((box.stages ?? []).map((s) => s.id));
  const trays = before?.trays?.filter((t) => stages.has(t.id));
  const use: BoxUse = { part: box.id, ...(trays?.length ? { trays } : {}) };
  const changes: Change[] = [];
  let title = `Put ${box.name} on`;
  if (box.attach === 'clip-on') {
    const way = bestClip(job, rig, box, plainThread(job, rig));
    if (way) {
      if (way.reduction) use.ring = way.reduction.id;
      const thread = [...plainThread(job, rig), ...way.rings];
      changes.push(...threadChanges(rig, thread));
      const with_ = [...way.rings, ...(way.reduction ? [way.reduction] : [])];
      if (with_.length > 0) title += ` with ${with_.map((p) => p.name).join(' + ')}`;
    }
  }
  changes.push({ path: at(rig, 'box'), value: use });
  return { title, changes };
}

/** What is on the thread without the rings that only a clip-on box clamps. */
function plainThread(job: Job, rig: Rig): (Ring | Filter)[] {
  return partsOn(job, rig).filter((p) => isFilter(p) || p.clamp === undefined);
}

function bestClip(job: Job, rig: Rig, box: MatteBox, on: readonly (Ring | Filter)[]) {
  const lens = lensOf(job, rig);
  const opening = valueOf(box.opening);
  if (!lens || opening === null) return null;
  const last = on[on.length - 1];
  const ways = clipWays(
    opening,
    valueOf(lens.frontDiameter),
    valueOf(last ? last.female : lens.filterThread),
    job.kit.filter((p) => onHand(p) >= 1),
    ruleValues(job.rules)['front.fit-slack'],
    1,
  );
  return ways[0] ?? null;
}

/** Every way to clamp the clip-on box that is on, as edits: for fixes. */
export function clampEdits(job: Job, rig: Rig): { edit: Edit; pieces: number; toHire: number }[] {
  const box = boxOf(job, rig);
  const lens = lensOf(job, rig);
  const opening = valueOf(box?.opening);
  if (!box || !lens || opening === null || !rig.box) return [];
  const on = plainThread(job, rig);
  const last = on[on.length - 1];
  return clipWays(
    opening,
    valueOf(lens.frontDiameter),
    valueOf(last ? last.female : lens.filterThread),
    job.kit,
    ruleValues(job.rules)['front.fit-slack'],
    6,
  )
    .slice(0, 6)
    .map((w) => {
      const names = [...w.rings, ...(w.reduction ? [w.reduction] : [])].map((p) => p.name);
      return {
        pieces: names.length,
        toHire: w.toHire,
        edit: {
          title:
            names.length > 0
              ? `Clamp ${box.name} with ${names.join(' + ')}`
              : `Clamp ${box.name} straight on`,
          changes: [
            ...threadChanges(rig, [...on, ...w.rings]),
            { path: at(rig, 'box', 'ring'), value: w.reduction?.id },
          ],
        },
      };
    });
}

export function takeBoxOff(job: Job, rig: Rig): Edit {
  const box = boxOf(job, rig);
  const on = partsOn(job, rig);
  const plain = plainThread(job, rig);
  return {
    title: `Take ${box?.name ?? 'the box'} off`,
    changes: [
      { path: at(rig, 'box'), value: undefined },
      ...(plain.length < on.length ? threadChanges(rig, plain) : []),
    ],
  };
}

/** Trays with one of them changed; trays that say nothing are left out. */
export function traysWith(use: BoxUse, stage: string, patch: Partial<TrayUse>): TrayUse[] {
  const before = use.trays ?? [];
  const now: TrayUse = { id: stage, ...before.find((t) => t.id === stage), ...patch };
  for (const k of ['filter', 'out', 'turn'] as const) if (!now[k]) delete now[k];
  const rest = before.filter((t) => t.id !== stage);
  return Object.keys(now).length > 1 ? [...rest, now] : rest;
}

export function setTrays(rig: Rig, trays: readonly TrayUse[], title: string): Edit {
  return { title, changes: listChanges(at(rig, 'box', 'trays'), rig.box?.trays, trays) };
}

export function putFilter(rig: Rig, stage: Stage, filter: Filter): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, { filter: filter.id, out: undefined }),
    `Put ${filter.name} in ${stage.name}`,
  );
}

export function takeFilter(rig: Rig, stage: Stage, name: string): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, { filter: undefined }),
    `Take ${name} out of ${stage.name}`,
  );
}

export function setStageOut(rig: Rig, stage: Stage, out: boolean): Edit {
  return setTrays(
    rig,
    traysWith(rig.box!, stage.id, out ? { out: true, filter: undefined } : { out: undefined }),
    out ? `Take ${stage.name} out of the box` : `Put ${stage.name} back into the box`,
  );
}

/** Turns a rotating stage, degrees. Steps of one movement are one step to take back. */
export function turnStage(rig: Rig, stage: Stage, turn: number): Edit {
  return {
    ...setTrays(
      rig,
      traysWith(rig.box!, stage.id, { turn }),
      `Turn ${stage.name} to ${turn} degrees`,
    ),
    group: `turn ${rig.id} ${stage.id}`,
  };
}

/** Exchanges what two stages hold. */
export function swapStages(rig: Rig, a: Stage, b: Stage): Edit {
  const use = rig.box!;
  const of = (id: string) => use.trays?.find((t) => t.id === id)?.filter;
  const first = traysWith(use, a.id, { filter: of(b.id) });
  return setTrays(
    rig,
    traysWith({ ...use, trays: first }, b.id, { filter: of(a.id) }),
    `Exchange ${a.name} and ${b.name}`,
  );
}

/** Station of the back of a box on rods, mm from the image plane; undefined: as close as may be. */
export function setStation(rig: Rig, station: number | undefined, name: string): Edit {
  return {
    title:
      station === undefined
        ? `Push ${name} back as far as it goes`
        : `Stand ${name} at ${Math.round(station * 10) / 10} mm`,
    changes: [{ path: at(rig, 'box', 'station'), value: station }],
  };
}

/** Puts a flag on at an angle, or takes it off. */
export function setFlag(rig: Rig, leaf: FlagLeaf, angle: number | undefined): Edit {
  const rest = (rig.box?.flags ?? []).filter((f) => f.id !== leaf.id);
  const flags = angle === undefined ? rest : [...rest, { id: leaf.id, angle }];
  return {
    title:
      angle === undefined
        ? `Take the ${leaf.name} off`
        : `Set the ${leaf.name} to ${angle} degrees`,
    changes: listChanges(at(rig, 'box', 'flags'), rig.box?.flags, flags),
  };
}

export function setMask(rig: Rig, mask: { id: string; name: string } | null): Edit {
  return {
    title: mask ? `Put the ${mask.name} in` : 'Take the mask out',
    changes: [{ path: at(rig, 'box', 'mask'), value: mask?.id }],
  };
}

export function setReduction(rig: Rig, ring: ReductionRing | null): Edit {
  return {
    title: ring ? `Use ${ring.name}` : 'Take the reduction ring out',
    changes: [{ path: at(rig, 'box', 'ring'), value: ring?.id }],
  };
}

export function setSleeve(rig: Rig, sleeve: Sleeve | null): Edit {
  return {
    title: sleeve ? `Use ${sleeve.name}` : "Use the box's own sleeve",
    changes: [{ path: at(rig, 'box', 'sleeve'), value: sleeve?.id }],
  };
}

/** Sets what stands under the camera, from the body downwards. */
export function setUnder(rig: Rig, under: readonly UnderUse[], title: string): Edit {
  const seen = new Set<string>();
  const uses = under.map((u): UnderUse => {
    const twice = u.id === undefined && seen.has(u.part);
    seen.add(u.part);
    return twice ? { id: newId('under'), ...u } : u;
  });
  return { title, changes: listChanges(at(rig, 'under'), rig.under, uses) };
}

/** Puts a plate under the camera in place of the one there, or a riser beside it. */
export function putUnder(job: Job, rig: Rig, part: Part, place: 'body' | 'rods' = 'body'): Edit {
  const under = rig.under ?? [];
  if (isPlate(part))
    return setUnder(
      rig,
      [...under.filter((u) => !isPlate(job.kit.find((p) => p.id === u.part))), { part: part.id }],
      `Put ${part.name} under the camera`,
    );
  return setUnder(
    rig,
    [...under, { part: part.id, at: place }],
    `Put ${part.name} under the ${place}`,
  );
}

export function takeUnder(job: Job, rig: Rig, index: number): Edit {
  const gone = job.kit.find((p) => p.id === rig.under?.[index]?.part);
  return setUnder(
    rig,
    (rig.under ?? []).filter((_, i) => i !== index),
    `Take ${gone?.name ?? 'it'} away`,
  );
}

/** Field by field, so that what another window sets in the same group stays. */
export function groupChanges(
  rig: Rig,
  group: 'light' | 'limits',
  before: object | undefined,
  patch: object,
): Change[] {
  return Object.entries(patch)
    .filter(([k, v]) => (before as Record<string, unknown> | undefined)?.[k] !== v)
    .map(([k, value]): Change =>
      value === undefined
        ? { path: at(rig, group, k), value: undefined, prune: 3 }
        : { path: at(rig, group, k), value },
    );
}

/** Turns a place of a filter wheel in, or puts another filter into the slot it stands for. */
export function turnWheel(rig: Rig, wheel: Wheel, place: WheelPlace): Edit {
  const { owner, use } = wheel;
  return {
    title: `Turn ${place.name} in on ${owner.name}`,
    changes: [
      {
        path: use ? at(rig, 'between', keyOf(use) ?? use.part, 'wheel') : at(rig, 'wheel'),
        value: place.id,
      },
    ],
  };
}

export function setLight(rig: Rig, patch: Partial<LightUse>, title: string): Edit {
  return { title, changes: groupChanges(rig, 'light', rig.light, patch) };
}

/**
 * What follows when another lens goes on: rings between its thread and the filters, and what a
 * clip-on box is clamped with. Nothing when thread and front are the same.
 */
export function followingFront(job: Job, rig: Rig, to: Lens): Change[] {
  const from = lensOf(job, rig);
  const on = partsOn(job, rig);
  const box = boxOf(job, rig);
  const clips = box?.attach === 'clip-on';
  const thread = valueOf(to.filterThread);
  if (on.length === 0 && !clips) return [];
  if (
    from &&
    sameThread(valueOf(from.filterThread), thread) &&
    (!clips || valueOf(from.frontDiameter) === valueOf(to.frontDiameter))
  )
    return [];
  const next: Rig = { ...rig, lens: to.id };
  const pieces = chained(job, thread, on.filter(isFilter));
  const changes: Change[] = [];
  let all: (Ring | Filter)[] = pieces;
  if (clips && box && rig.box) {
    const way = bestClip(job, next, box, pieces);
    if (way) {
      all = [...pieces, ...way.rings];
      changes.push({ path: at(rig, 'box', 'ring'), value: way.reduction?.id });
    }
  }
  changes.push(...threadChanges(rig, all));
  return changes;
}

/** Changes that take a part of the front off every place it stands in on a rig. */
export function withoutFrontPart(rig: Rig, part: Part): Change[] {
  const changes: Change[] = [];
  if (rig.thread?.some((u) => u.part === part.id))
    changes.push(
      ...listChanges(
        at(rig, 'thread'),
        rig.thread,
        rig.thread.filter((u) => u.part !== part.id),
      ),
    );
  if (rig.under?.some((u) => u.part === part.id))
    changes.push(
      ...listChanges(
        at(rig, 'under'),
        rig.under,
        rig.under.filter((u) => u.part !== part.id),
      ),
    );
  if (rig.box?.part === part.id) changes.push({ path: at(rig, 'box'), value: undefined });
  else if (rig.box) {
    if (isReduction(part) && rig.box.ring === part.id)
      changes.push({ path: at(rig, 'box', 'ring'), value: undefined });
    if (isSleeve(part) && rig.box.sleeve === part.id)
      changes.push({ path: at(rig, 'box', 'sleeve'), value: undefined });
    if (rig.box.trays?.some((t) => t.filter === part.id)) {
      const use = rig.box;
      const trays = rig.box.trays.reduce<TrayUse[]>(
        (now, t) =>
          t.filter === part.id
            ? traysWith({ ...use, trays: now }, t.id, { filter: undefined })
            : now,
        rig.box.trays,
      );
      changes.push(...listChanges(at(rig, 'box', 'trays'), rig.box.trays, trays));
    }
  }
  return changes;
}

/** Whether this build knows where a part of this kind goes at the front or under the camera. */
export function frontMove(job: Job, rig: Rig, part: Part): Edit | null {
  if (isBox(part)) return putBox(job, rig, part);
  if (isRing(part)) return screwOn(job, rig, part);
  if (isPlate(part)) return putUnder(job, rig, part);
  if (isRiser(part)) return putUnder(job, rig, part, 'rods');
  const box = boxOf(job, rig);
  if (isReduction(part)) return box ? setReduction(rig, part) : null;
  if (isSleeve(part)) return box ? setSleeve(rig, part) : null;
  if (!isFilter(part)) return null;
  if (part.shape === 'screw' || (part.shape === undefined && part.male !== undefined))
    return screwOn(job, rig, part);
  const taken = new Set(
    (rig.box?.trays ?? []).filter((t) => t.filter !== undefined || t.out).map((t) => t.id),
  );
  const free = (box?.stages ?? []).filter((s) => !taken.has(s.id));
  const turns = part.mustRotate || part.type === 'polariser' || part.type === 'streak';
  const stage = free.find((s) => (s.rotates === true) === turns) ?? free[0];
  return stage ? putFilter(rig, stage, part) : null;
}

/** Deeds at the front that have no part of their own to name, for the command line. */
export function frontDeeds(job: Job, rig: Rig): (Edit & { words?: string })[] {
  const list: (Edit & { words?: string })[] = [];
  partsOn(job, rig).forEach((_p, i) => list.push(unscrew(job, rig, i)));
  const box = boxOf(job, rig);
  if (!box || !rig.box) return list;
  list.push(takeBoxOff(job, rig));
  for (const s of box.stages ?? []) {
    const use = rig.box.trays?.find((t) => t.id === s.id);
    const filter = job.kit.find((p) => p.id === use?.filter);
    // "take stage 3 out" is the stage; what stands in it is called by its own name.
    if (s.removable || use?.out)
      list.push({
        ...setStageOut(rig, s, !use?.out),
        words: `take ${s.name} out`,
      });
    if (filter) list.push(takeFilter(rig, s, filter.name));
  }
  for (const f of rig.box.flags ?? []) {
    const leaf = box.flags?.find((l) => l.id === f.id);
    if (leaf) list.push(setFlag(rig, leaf, undefined));
  }
  if (rig.box.mask !== undefined) list.push(setMask(rig, null));
  return list;
}
