import type { Job, Kind, Part, Rig } from '../kit/types';
import { FITTING_KINDS, isBody, isBox, isFitting, isLens, isLink } from '../kit/types';
import { partProblems, problem, twiceIn, type Problem } from './references';

/** Ids of a job of version 3 that lead nowhere or stand twice. */
export function referenceProblems3(job: Job): Problem[] {
  const kit = new Map(job.kit.map((p) => [p.id, p]));
  return [
    ...partProblems(job),
    ...twiceIn(job.rigs, 'rigs'),
    ...job.rigs.flatMap((rig, i) => [
      ...cameraProblems(rig, `rigs[${i}]`, kit),
      ...besideProblems(rig, `rigs[${i}]`, kit),
      ...boxProblems(rig, `rigs[${i}]`, kit),
    ]),
    ...(job.lensSet ?? []).flatMap((id, i) =>
      isLens(kit.get(id))
        ? []
        : [problem(`lensSet[${i}]`, JSON.stringify(id), 'the id of a lens in the kit')],
    ),
  ];
}

type Kit = ReadonlyMap<string, Part>;

/** Body, mode, lens and what is between. */
function cameraProblems(rig: Rig, at: string, kit: Kit): Problem[] {
  const problems: Problem[] = [];
  const twice = (items: readonly { id: string }[], path: string) =>
    problems.push(...twiceIn(items, path));
  twice(rig.frames, `${at}.frames`);
  const body = rig.body === null ? null : kit.get(rig.body);
  if (rig.body !== null && !isBody(body))
    problems.push(problem(`${at}.body`, JSON.stringify(rig.body), 'the id of a body in the kit'));
  if (rig.mode !== null && isBody(body) && !body.modes?.some((m) => m.id === rig.mode))
    problems.push(
      problem(`${at}.mode`, JSON.stringify(rig.mode), `the id of a mode of ${body.name}`),
    );
  if (rig.lens !== null && !isLens(kit.get(rig.lens)))
    problems.push(problem(`${at}.lens`, JSON.stringify(rig.lens), 'the id of a lens in the kit'));
  rig.between.forEach((use, j) => {
    if (!isLink(kit.get(use.part)))
      problems.push(
        problem(
          `${at}.between[${j}].part`,
          JSON.stringify(use.part),
          'the id of an adapter or reducer in the kit',
        ),
      );
  });
  return problems;
}

/** Says of an id that it is not of the kinds that are wanted there. */
function wanting(at: string, kit: Kit, problems: Problem[]) {
  return (path: string, id: string | undefined, kinds: readonly Kind[], what: string) => {
    if (id === undefined) return;
    const part = kit.get(id);
    if (!part || !kinds.some((k) => k === part.kind))
      problems.push(problem(`${at}.${path}`, JSON.stringify(id), `the id of ${what} in the kit`));
  };
}

/** What is on the thread, under and beside. */
function besideProblems(rig: Rig, at: string, kit: Kit): Problem[] {
  const problems: Problem[] = [];
  const wants = wanting(at, kit, problems);
  const twice = (items: readonly { id: string }[], path: string) =>
    problems.push(...twiceIn(items, path));
  rig.thread?.forEach((u, j) =>
    wants(`thread[${j}].part`, u.part, ['ring', 'filter'], 'a ring or filter'),
  );
  rig.under?.forEach((u, j) =>
    wants(`under[${j}].part`, u.part, ['plate', 'riser'], 'a plate or riser'),
  );
  for (const list of ['rods', 'supports', 'drives', 'fitted'] as const)
    twice(rig[list] ?? [], `${at}.${list}`);
  rig.rods?.forEach((u, j) => wants(`rods[${j}].part`, u.part, ['rods'], 'rods'));
  rig.gears?.forEach((u, j) => wants(`gears[${j}].part`, u.part, ['gear-ring'], 'a gear ring'));
  rig.supports?.forEach((u, j) =>
    wants(`supports[${j}].part`, u.part, ['lens-support'], 'a lens support'),
  );
  rig.drives?.forEach((u, j) => {
    wants(`drives[${j}].part`, u.part, ['follow-focus', 'motor'], 'a follow focus or motor');
    wants(`drives[${j}].arm`, u.arm, ['drive-arm'], 'an extension arm');
    if (!u.outlet) return;
    const from = rig.fitted?.find((f) => f.id === u.outlet!.from);
    const part = from ? kit.get(from.part) : undefined;
    if (!isFitting(part) || !part.outlets?.some((o) => o.id === u.outlet!.id))
      problems.push(
        problem(
          `${at}.drives[${j}].outlet`,
          JSON.stringify(u.outlet),
          'an outlet of a part that is fitted to this rig',
        ),
      );
  });
  rig.fitted?.forEach((u, j) => {
    wants(`fitted[${j}].part`, u.part, FITTING_KINDS, 'a part that is fitted to a camera');
    // What stands against another part names one that was fitted before it: no circles.
    if (u.to !== undefined && !rig.fitted!.slice(0, j).some((f) => f.id === u.to))
      problems.push(
        problem(`${at}.fitted[${j}].to`, JSON.stringify(u.to), 'the id of a part fitted before it'),
      );
  });
  return problems;
}

/** The matte box, and what it holds. */
function boxProblems(rig: Rig, at: string, kit: Kit): Problem[] {
  if (!rig.box) return [];
  const problems: Problem[] = [];
  const wants = wanting(at, kit, problems);
  const twice = (items: readonly { id: string }[], path: string) =>
    problems.push(...twiceIn(items, path));
  wants('box.part', rig.box.part, ['matte-box'], 'a matte box');
  wants('box.ring', rig.box.ring, ['reduction-ring'], 'a reduction ring');
  wants('box.sleeve', rig.box.sleeve, ['sleeve'], 'a sleeve');
  twice(rig.box.trays ?? [], `${at}.box.trays`);
  twice(rig.box.flags ?? [], `${at}.box.flags`);
  const box = kit.get(rig.box.part);
  if (isBox(box)) {
    const own = (
      path: string,
      id: string | undefined,
      list: readonly { id: string }[] | undefined,
      what: string,
    ) => {
      if (id !== undefined && !list?.some((e) => e.id === id))
        problems.push(
          problem(`${at}.box.${path}`, JSON.stringify(id), `the id of a ${what} of ${box.name}`),
        );
    };
    rig.box.trays?.forEach((t, j) => own(`trays[${j}].id`, t.id, box.stages, 'stage'));
    rig.box.flags?.forEach((f, j) => own(`flags[${j}].id`, f.id, box.flags, 'flag'));
    own('mask', rig.box.mask, box.masks, 'mask');
  }
  rig.box.trays?.forEach((t, j) =>
    wants(`box.trays[${j}].filter`, t.filter, ['filter'], 'a filter'),
  );
  return problems;
}
