import type { JobDoc, Link, RigDoc, Use } from '../kit/kept';
import { ROLES } from '../roles/roles';
import { interfacesOf } from '../areas/joints/kit/sides';
import { isBody, isBox, isFitting, isLens, type Part } from '../kit/types';
import type { Problem } from './problem';

export type { Problem };

export const problem = (path: string, found: string, expected: string): Problem => ({
  path,
  found,
  expected,
});

/** Ids of a list that stand twice. */
export function twiceIn(items: readonly { id: string }[], path: string): Problem[] {
  const seen = new Set<string>();
  return items.flatMap((item, i) => {
    const again = seen.has(item.id);
    seen.add(item.id);
    return again
      ? [problem(`${path}[${i}].id`, JSON.stringify(item.id), 'an id that is not used twice')]
      : [];
  });
}

/** Ids of the kit, and of what its parts list, that stand twice. */
export function partProblems(job: {
  kit: readonly Part[];
  mounts?: readonly { id: string }[];
}): Problem[] {
  return [
    ...twiceIn(job.kit, 'kit'),
    ...twiceIn(job.mounts ?? [], 'mounts'),
    ...job.kit.flatMap((p, i) => twiceIn(interfacesOf(p), `kit[${i}].interfaces`)),
    ...job.kit.flatMap((p, i) => {
      const of = (list: readonly { id: string }[] | undefined, key: string) =>
        twiceIn(list ?? [], `kit[${i}].${key}`);
      if (isBody(p)) return of(p.modes, 'modes');
      if (isLens(p)) return of(p.rings, 'rings');
      if (isFitting(p)) return of(p.outlets, 'outlets');
      if (isBox(p))
        return [...of(p.stages, 'stages'), ...of(p.masks, 'masks'), ...of(p.flags, 'flags')];
      return [];
    }),
  ];
}

const ROLE = new Map(ROLES.map((r) => [r.id, r]));

/** What a record of a kind that is read here cannot be without. */
const RECORD_NEEDS: Readonly<Record<string, readonly string[]>> = {
  trial: ['result'],
  'mark-test': ['error'],
  weighing: ['what', 'value', 'on'],
  'motor-pull': ['drive', 'source', 'outlet', 'went'],
  'card-run': ['mode', 'minutes', 'gigabytes'],
  'pack-mark': ['n', 'state'],
  'pack-run': ['source', 'fed', 'hours', 'full', 'left'],
};

/** Ids of a job that lead nowhere or stand twice. What this version does not know rides along. */
export function referenceProblems(job: JobDoc): Problem[] {
  const kit = new Map(job.kit.map((p) => [p.id, p]));
  return [
    ...partProblems(job),
    ...twiceIn(job.rigs, 'rigs'),
    ...job.rigs.flatMap((rig, i) => rigProblems(rig, `rigs[${i}]`, kit)),
    ...twiceIn(job.records ?? [], 'records'),
    ...(job.records ?? []).flatMap((r, i) => {
      const needs = RECORD_NEEDS[r.kind];
      const at = `records[${i}]`;
      if (!needs) return [];
      return [
        ...needs
          .filter((key) => r.data[key] === undefined)
          .map((key) => problem(`${at}.data.${key}`, 'nothing', `what came of the ${r.kind}`)),
        ...(r.about.parts === undefined
          ? [problem(`${at}.about.parts`, 'nothing', 'ids of the pieces')]
          : []),
      ];
    }),
    ...(job.lensSet ?? []).flatMap((l, i) =>
      isLens(kit.get(l.id))
        ? []
        : [problem(`lensSet[${i}].id`, JSON.stringify(l.id), 'the id of a lens in the kit')],
    ),
  ];
}

function rigProblems(rig: RigDoc, at: string, kit: ReadonlyMap<string, Part>): Problem[] {
  const body = rig.uses.find((u) => u.role === 'body');
  const camera = body && kit.get(body.part);
  return [
    ...twiceIn(rig.frames, `${at}.frames`),
    ...twiceIn(rig.uses, `${at}.uses`),
    ...twiceIn(rig.joints, `${at}.joints`),
    ...twiceIn(rig.links, `${at}.links`),
    ...[...rig.uses, ...rig.joints, ...rig.links].flatMap((e) =>
      /^[A-Za-z]/.test(e.id)
        ? []
        : [problem(at, JSON.stringify(e.id), 'an id that begins with a letter')],
    ),
    ...(rig.mode !== undefined && isBody(camera) && !camera.modes?.some((m) => m.id === rig.mode)
      ? [problem(`${at}.mode`, JSON.stringify(rig.mode), `the id of a mode of ${camera.name}`)]
      : []),
    ...rig.uses.flatMap((u, j) => useProblems(rig, u, `${at}.uses[${j}]`, kit)),
    ...rig.links.flatMap((l, j) => linkProblems(rig, l, `${at}.links[${j}]`, kit)),
    ...hostProblems(rig, at),
  ];
}

/** What is wrong with what feeds something: an outlet that is not there, a lead that is none. */
function linkProblems(
  rig: RigDoc,
  link: Link,
  at: string,
  kit: ReadonlyMap<string, Part>,
): Problem[] {
  const out: Problem[] = [];
  const from = rig.uses.find((u) => u.id === link.from.use);
  const part = from && kit.get(from.part);
  if (
    link.kind === 'power' &&
    link.from.port !== undefined &&
    isFitting(part) &&
    !part.outlets?.some((o) => o.id === link.from.port)
  )
    out.push(
      problem(`${at}.from.port`, JSON.stringify(link.from.port), `an outlet of ${part.name}`),
    );
  const lead = rig.uses.find((u) => u.id === link.lead);
  if (lead && lead.role !== 'lead')
    out.push(problem(`${at}.lead`, JSON.stringify(link.lead), 'the id of a lead of this rig'));
  return out;
}

/**
 * Joints and links that lead to a use which is not there: two windows can leave such, each right by
 * itself. They go, or stand against the camera, and it is said; what is clamped to a rod keeps that.
 */
export function mended(job: JobDoc): { job: JobDoc; notes: string[] } {
  const notes: string[] = [];
  const rigs = job.rigs.map((rig) => {
    const uses = new Set(rig.uses.map((u) => u.id));
    const gone = (id: string | undefined) => id !== undefined && !uses.has(id);
    const say = (what: string, id: string) =>
      notes.push(`${rig.name}: ${what} led to ${id}, which is not on the rig.`);
    const joints = rig.joints.flatMap((j) => {
      if (gone(j.guest.use)) {
        say(`the joint ${j.id} was left out: it`, j.guest.use);
        return [];
      }
      // What is clamped to a rod that is gone says so itself; without it, it would be on the plate's.
      if (!gone(j.host?.use) || j.kind === 'rods') return [j];
      const { use, ...host } = j.host!;
      say(`${j.guest.use} stands against the camera now: it`, use!);
      return [{ ...j, host }];
    });
    const links = rig.links.flatMap((l) => {
      const end = [l.from.use, l.to.use].find(gone);
      if (end !== undefined) {
        say(`the link ${l.id} was left out: it`, end);
        return [];
      }
      const tied = l.via?.find((t) => gone(t.use));
      if (tied) say(`a tie of the link ${l.id} was left out: it`, tied.use);
      const kept = tied ? { ...l, via: l.via!.filter((t) => !gone(t.use)) } : l;
      if (!gone(l.lead)) return [kept];
      const { lead, ...rest } = kept;
      say(`the link ${l.id} has no lead now: it`, lead!);
      return [rest];
    });
    return joints.length === rig.joints.length &&
      links.length === rig.links.length &&
      joints.every((j, i) => j === rig.joints[i]) &&
      links.every((l, i) => l === rig.links[i])
      ? rig
      : { ...rig, joints, links };
  });
  return notes.length > 0 ? { job: { ...job, rigs }, notes } : { job, notes };
}

function useProblems(rig: RigDoc, use: Use, at: string, kit: ReadonlyMap<string, Part>): Problem[] {
  const role = ROLE.get(use.role);
  if (!role) return [];
  const part = kit.get(use.part);
  const out: Problem[] = [];
  if (!part || !role.kinds.some((k) => k === part.kind))
    out.push(problem(`${at}.part`, JSON.stringify(use.part), `the id of ${role.what} in the kit`));
  if (role.once && rig.uses.find((u) => u.role === use.role) !== use)
    out.push(problem(`${at}.role`, JSON.stringify(use.role), 'a role that stands on a rig once'));
  const { set, place } = role.needs ?? {};
  if (set && use.set?.[set] === undefined)
    out.push(problem(`${at}.set.${set}`, 'nothing', '"focus" or "iris" or "zoom"'));
  const seat = rig.joints.find((j) => j.id === use.id);
  if (use.role !== 'body' && !seat)
    out.push(problem(`${at}.id`, JSON.stringify(use.id), 'the id of a joint that seats it too'));
  else if (seat && seat.guest.use !== use.id)
    out.push(problem(`${at}.id`, JSON.stringify(use.id), 'a joint of this id that seats it'));
  if (seat && place && (seat.place as Record<string, unknown>)?.[place] === undefined)
    out.push(
      problem(`${at}.id`, JSON.stringify(use.id), 'a joint whose place says which end it is at'),
    );
  const box = use.role === 'box' ? part : boxOf(rig, use, kit);
  if (use.role === 'tray' && isBox(box)) {
    const stage = seat?.host?.interface;
    if (!box.stages?.some((s) => s.id === stage))
      out.push(problem(at, JSON.stringify(stage ?? null), `a stage of ${box.name}`));
  }
  if (use.role === 'box' && isBox(box)) out.push(...boxProblems(use, at, box));
  return out;
}

function boxOf(rig: RigDoc, use: Use, kit: ReadonlyMap<string, Part>): Part | undefined {
  const box = use.role === 'tray' ? rig.uses.find((u) => u.role === 'box') : undefined;
  return box && kit.get(box.part);
}

function boxProblems(use: Use, at: string, box: Part): Problem[] {
  if (!isBox(box)) return [];
  const set = (use.set ?? {}) as { mask?: string; stages?: object; flags?: object };
  const own = (
    path: string,
    ids: readonly string[],
    list: readonly { id: string }[] | undefined,
    what: string,
  ) =>
    ids.flatMap((id) =>
      list?.some((e) => e.id === id)
        ? []
        : [problem(`${at}.set.${path}`, JSON.stringify(id), `the id of a ${what} of ${box.name}`)],
    );
  return [
    ...own('stages', Object.keys(set.stages ?? {}), box.stages, 'stage'),
    ...own('flags', Object.keys(set.flags ?? {}), box.flags, 'flag'),
    ...own('mask', set.mask === undefined ? [] : [set.mask], box.masks, 'mask'),
  ];
}

/** What stands on itself, by whatever way. */
function hostProblems(rig: RigDoc, at: string): Problem[] {
  const seats = new Map(rig.joints.map((j) => [j.id, j]));
  return rig.joints.flatMap((j, i) => {
    const seen = new Set<string>();
    let up: string | undefined = j.id;
    while (up !== undefined && !seen.has(up)) {
      seen.add(up);
      up = seats.get(up)?.host?.use;
    }
    return up === j.id
      ? [problem(`${at}.joints[${i}].host.use`, JSON.stringify(j.host?.use), 'no circle of hosts')]
      : [];
  });
}
