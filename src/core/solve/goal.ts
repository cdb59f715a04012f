import type { Built } from '../build/build';
import type { Edit } from '../edit/edit';
import { isBeside, type Frame, type Job, type JobGoal, type Mode, type Part } from '../kit/types';
import { frameOnChip } from '../optics/coverage';
import { valueOf } from '../quantity/quantity';
import { usesOn } from '../roles/uses';
import { lightFigures } from '../areas/light/model/light';
import { stopsBetween } from '../optics/exposure';
import type { Piece } from '../place/setting';
import { standOf } from '../stand/stand';

/**
 * What is shot, and how: kept with the job. Proposals are ranked by it where nothing weightier
 * decides; it never makes a verdict.
 */

/** Sets one thing of the goal, or takes it away. */
export function setGoal<K extends keyof JobGoal>(
  job: Job,
  key: K,
  value: JobGoal[K] | undefined,
  said: string,
): Edit {
  return {
    title: value === undefined ? `What is shot: ${said} left open` : `What is shot: ${said}`,
    changes: [
      value === undefined
        ? { path: ['goal', key], value: undefined, prune: 1 }
        : { path: ['goal', key], value },
    ],
  };
}

/** Somebody carries the rig: every gram is felt. */
export const isCarried = (goal: JobGoal | undefined): boolean =>
  goal?.hold === 'shoulder' || goal?.hold === 'hand' || goal?.hold === 'gimbal';

/** Somebody works without a focus puller or a loader: every piece and every tool is one's own. */
export const isAlone = (goal: JobGoal | undefined): boolean => goal?.crew === 'alone';

/**
 * Room of a hand about the grip of a camera body, at camera right, mm. Common practice, no source: a
 * hand's breadth, with a thumb behind.
 */
const HAND = 45;

/**
 * Pieces that stand where the hand goes that holds the camera by its own grip: beside its right, as high
 * and as long as it is. What nobody knows the place of is not counted.
 */
export function inTheHand(built: Built): readonly Piece[] {
  const { pieces } = standOf(built);
  const body = pieces.find((p) => p.is === 'body')?.solids[0];
  if (!body?.known) return [];
  const [, y0, z0, x1, y1, z1] = body.extent;
  return pieces.filter(
    (p) =>
      p.is === 'fitted' &&
      p.solids.some(
        ({ known, moving, extent: e }) =>
          known &&
          !moving &&
          e[0] < x1 + HAND - TOUCH &&
          e[3] > x1 + TOUCH &&
          e[1] < y1 - TOUCH &&
          e[4] > y0 + TOUCH &&
          e[2] < z1 - TOUCH &&
          e[5] > z0 + TOUCH,
      ),
  );
}

/** What only touches a side of that room is not in it, mm. */
const TOUCH = 0.5;

/** What fixes are ranked by besides what they come to: less of each is better, in this order. */
export interface Asks {
  /** Pieces more where the hand goes. */
  hand: number;
  /** Light that they take from the chip, stops; at night there is none to give. */
  dark: number;
  /** Pieces, where one is alone. */
  pieces: number;
  /** What they add to what is carried, g. */
  burden: number;
}

/** What the goal of the job asks of a fix that takes `parts` pieces. */
export function asksOf(
  goal: JobGoal | undefined,
  before: Built,
  after: Built,
  parts: number,
): Asks {
  return {
    hand: goal?.grip === 'free' ? inTheHand(after).length - inTheHand(before).length : 0,
    dark: goal?.light === 'night' ? darker(before, after) : 0,
    pieces: isAlone(goal) ? parts : 0,
    burden: burden(goal, before, after),
  };
}

/** Whichever asks less; 0 where both do the same. */
export function byAsks(a: Asks, b: Asks): number {
  return a.hand - b.hand || a.dark - b.dark || a.pieces - b.pieces || a.burden - b.burden;
}

/** Stops that less light comes to the chip, to a tenth; 0 where it is not known. */
function darker(before: Built, after: Built): number {
  const [was, is] = [lightFigures(before).lightFor, lightFigures(after).lightFor];
  return was === null || is === null ? 0 : Math.round(stopsBetween(is, was) * 10) / 10 + 0;
}

/** What a part that nobody weighed counts as, g: it is not lighter for that. */
const NOT_WEIGHED = 500;

/** What a change adds to what is carried, g; nothing where nobody carries it. */
export function burden(goal: JobGoal | undefined, before: Built, after: Built): number {
  if (!isCarried(goal)) return 0;
  const mass = (b: Built) =>
    usesOn(b.rig)
      .filter((id) => !isBeside(b.kit.get(id)))
      .reduce((sum, id) => sum + (valueOf(b.kit.get(id)?.mass) ?? NOT_WEIGHED), 0);
  return mass(after) - mass(before);
}

/**
 * Parts that could be put on, the lightest first where somebody carries the rig, cages that leave the
 * grip of the camera free before others where it is held by that; as they are listed otherwise. One that nobody weighed comes after all that are.
 */
export function lightestFirst<T extends Part>(
  goal: JobGoal | undefined,
  parts: readonly T[],
): readonly T[] {
  const free = goal?.grip === 'free';
  if (!isCarried(goal) && !free) return parts;
  const mass = (p: T) => (isCarried(goal) ? (valueOf(p.mass) ?? Infinity) : 0);
  const closed = (p: T) =>
    Number(free && p.kind === 'cage' && (p as { openRight?: boolean }).openRight !== true);
  return parts
    .map((p, i) => ({ p, i, m: mass(p), c: closed(p) }))
    .sort((a, b) => a.c - b.c || (a.m === b.m ? a.i - b.i : a.m - b.m))
    .map(({ p }) => p);
}

/** What the goal of a job changes, as it stands: nothing is promised that is not done. */
export function goalMeans(goal: JobGoal): string {
  const parts = [
    goal.grip === 'free'
      ? 'What stands where the hand holds the camera by its own grip comes last, and a cage that is open there first.'
      : '',
    goal.light === 'night' ? 'Fixes that cost no light come first.' : '',
    isAlone(goal)
      ? 'Alone: fewer pieces before less weight, places without a tool before others.'
      : '',
    goal.sound === 'camera' ? 'Places for a microphone far from a fan come first.' : '',
    isCarried(goal)
      ? 'Fixes that add less to what is carried come first, low places before high ones, light parts before heavy ones.'
      : goal.hold
        ? 'Nobody carries it: fixes with fewer pieces come first.'
        : 'Say how it is held, and fixes, places and parts are ranked by it.',
    goal.shot
      ? 'Recording modes that leave most of the chip to the frames come first.'
      : 'Say what it is for, and recording modes are ranked by the frames.',
  ];
  const kept = goal.hours === undefined ? '' : ' Hours are held against batteries and cards.';
  return `${parts.filter(Boolean).join(' ')}${kept} ${goal.hours === undefined ? 'A finding is never' : 'No other finding is'} changed by any of it.`;
}

/**
 * Modes of a body, those first that leave most of the chip to the frames that are delivered: the
 * area of the smallest of them on the chip. As they are listed where there is no frame; a mode of
 * unknown size comes last.
 */
export function modesFor(frames: readonly Frame[], modes: readonly Mode[]): readonly Mode[] {
  if (frames.length === 0) return modes;
  const area = (m: Mode) => {
    const [w, h] = [valueOf(m.w), valueOf(m.h)];
    if (w === null || h === null) return -1;
    return Math.min(
      ...frames.map((f) => {
        const r = frameOnChip(f, { w, h }, 1);
        return r.w * r.h;
      }),
    );
  };
  return modes
    .map((m, i) => ({ m, i, a: area(m) }))
    .sort((x, y) => y.a - x.a || x.i - y.i)
    .map(({ m }) => m);
}
