import type { Built } from '../../../build/build';
import { type Front } from '../place/parts';
import { frontOf } from '../place/front';
import { type Candidate, candidate, kitOf, hire, type Generator } from '../../../checks/candidate';
import {
  setMask,
  setStation,
  setFlag,
  putBox,
  takeBoxOff,
  clampEdits,
  setSleeve,
} from '../moves/box';
import { standOf } from '../../../stand/stand';
import { setStageOut } from '../moves/trays';
import { flagSight } from '../model/flags';
import { riserCandidates } from '../../rods/fixes/risers';
import { isPlate, isBox, isSleeve } from '../../../kit/types';
import { setUnder } from '../../rods/moves/under';
import { otherRoundFilters, platesInstead, offTheThread } from './thread';

/** The mask of the box out, or another one in. */
export function masks(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box?.use.mask) return [];
  return [
    candidate(setMask(built.rig, null), 1, 1.8, 'mask'),
    ...(box.box.masks ?? [])
      .filter((m) => m.id !== box.use.mask)
      .map((m) =>
        candidate({ ...setMask(built.rig, m), title: `Use the ${m.name} instead` }, 1, 1.7, 'mask'),
      ),
  ];
}

/** A box that was set on its rods pushed back as far as it goes. */
export function pushedBack(built: Built, front: Front): Candidate[] {
  const { box } = front;
  if (!box || box.box.attach !== 'rods' || box.use.station === undefined) return [];
  return [candidate(setStation(built.rig, undefined, box.box.name), 0, 0.5, 'station')];
}

/** @param only one flag, by id; all that are on when absent */
export function flagsUp(built: Built, front: Front, only?: string): Candidate[] {
  const { box } = front;
  if (!box) return [];
  return box.flags.flatMap(({ leaf, use }) => {
    if (only !== undefined && leaf.id !== only) return [];
    const lowest = flagSight(built, leaf.id)?.lowest ?? null;
    const list: Candidate[] = [];
    if (lowest !== null && lowest > use.angle - 0.5)
      // To the next half degree further open, and one more for the hinge.
      list.push(candidate(setFlag(built.rig, leaf, Math.ceil(lowest * 2) / 2 + 1), 0, 0.2, 'flag'));
    list.push(candidate(setFlag(built.rig, leaf, undefined), 1, 4, 'off'));
    return list;
  });
}

/** Risers under body or rods, and other plates. */
export function heights(built: Built): Candidate[] {
  const under = built.rig.under ?? [];
  const list: Candidate[] = riserCandidates(built);
  const plate = under.find((u) => isPlate(built.kit.get(u.part)));
  for (const p of kitOf(built).filter(isPlate))
    if (p.id !== plate?.part)
      list.push(
        candidate(
          setUnder(
            built.rig,
            [...under.filter((u) => u !== plate), { part: p.id }],
            `Put ${p.name} under the camera`,
          ),
          2,
          3,
          'plate',
          hire(p),
        ),
      );
  return list;
}

/** Another box of the kit; `order` says how late it is tried. */
export function otherBoxes(built: Built, order: number): Candidate[] {
  return kitOf(built)
    .filter(isBox)
    .filter((b) => b.id !== built.rig.box?.part)
    .map((b) =>
      candidate(
        { ...putBox(built.job, built.rig, b), title: `Put ${b.name} on instead` },
        2,
        order,
        'box',
        hire(b),
      ),
    );
}

/** The box off: it gives up what it was put on for. */
export const boxOff = (built: Built, front: Front): Candidate[] =>
  front.box ? [candidate(takeBoxOff(built.job, built.rig), 1, 8, 'off')] : [];

/** Other ways to clamp the box, and other boxes. */
export const fits: Generator = (built, finding) => {
  if (finding.id !== 'front.matte-fit') return [];
  const front = frontOf(built);
  return [
    ...clampEdits(built.job, built.rig).map((c) =>
      candidate(c.edit, Math.max(1, c.pieces), c.pieces, 'clamp', c.toHire),
    ),
    ...heights(built).filter((c) => c.family === 'plate'),
    ...otherBoxes(built, 5),
    ...boxOff(built, front),
  ];
};

/** Plates and risers that bring the box to the axis. */
export const boxHeight: Generator = (built, finding) =>
  finding.id === 'front.matte-height' ? heights(built) : [];

/** More room between the box and a front that moves. */
export const travel: Generator = (built, finding) => {
  if (finding.id !== 'front.matte-travel') return [];
  const front = frontOf(built);
  return [
    ...pushedBack(built, front),
    ...otherRoundFilters(built, front),
    ...platesInstead(built, front),
    ...offTheThread(built, front, 3),
    ...otherBoxes(built, 6),
  ];
};

/** The flag that a finding speaks of, further up or off. */
export const flags: Generator = (built, finding) =>
  finding.id === 'front.flag'
    ? flagsUp(built, frontOf(built), finding.key.slice('front.flag:'.length))
    : [];

/** What closes the gap between lens and box. */
export const leaks: Generator = (built, finding) => {
  if (finding.id !== 'front.leak') return [];
  const front = frontOf(built);
  return [
    ...pushedBack(built, front),
    ...kitOf(built)
      .filter(isSleeve)
      .filter((s) => s.id !== front.box?.sleeve?.id)
      .map((s) => candidate(setSleeve(built.rig, s), 1, 1, 'sleeve', hire(s))),
    ...(front.box?.sleeve ? [candidate(setSleeve(built.rig, null), 1, 2, 'sleeve')] : []),
  ];
};

/** An empty stage out of the box makes it shorter; a box on rods can stand farther ahead. */
export const smallerBox: Generator = (built, v) => {
  const { rig } = built;
  const box = rig.box && built.kit.get(rig.box.part);
  if (v.id !== 'space.pair' || !isBox(box) || !v.about.includes(box.id)) return [];
  const stand = standOf(built);
  const front = stand.pieces.find((p) => p.key === 'box')?.faces;
  const empty = (box.stages ?? []).filter(
    (s) => s.removable && !rig.box!.trays?.some((t) => t.id === s.id && (t.filter || t.out)),
  );
  const ahead = box.attach === 'rods' && front ? [5, 10, 20] : [];
  return [
    ...empty.map((s) => candidate(setStageOut(rig, s, true), 1, 0.5, 'stage')),
    ...ahead.map((by) =>
      candidate(
        setStation(rig, Math.ceil(stand.value(front!.z0) + by), box.name),
        0,
        0.4 + by / 100,
        'station',
      ),
    ),
  ];
};
