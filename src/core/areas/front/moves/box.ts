import { plainLength } from '../../../quantity/say';
import {
  type Job,
  type Rig,
  type MatteBox,
  isBox,
  type BoxUse,
  type Change,
  type Ring,
  type Filter,
  isFilter,
  onHand,
  type FlagLeaf,
  type ReductionRing,
  type Sleeve,
  type Lens,
} from '../../../kit/types';
import { onTheBox } from '../../../place/on-box';
import { withoutFitted } from '../../space/moves/fitted';
import { clips } from '../kit/attach';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { threadChanges, partsOn, lensOf, chained } from './thread';
import { at } from '../../../edit/rig-path';
import { valueOf } from '../../../quantity/quantity';
import { clipWays } from '../model/clip';
import { ruleValues } from '../../../rules/rules';
import { sameThread } from '../model/threads';

export function boxOf(job: Job, rig: Rig): MatteBox | null {
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
  if (before?.on !== undefined && box.attach === 'rods') use.on = before.on;
  const changes: Change[] = [];
  let title = `Put ${box.name} on`;
  if (clips(box)) {
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

/** Takes the box away, with what stands on it. */
export function withoutBox(rig: Rig): Change[] {
  const on = new Set(
    onTheBox(rig.fitted ?? [])
      .map((u) => u.id)
      .reverse(),
  );
  return [{ path: at(rig, 'box'), value: undefined }, ...withoutFitted(rig, on)];
}

export function takeBoxOff(job: Job, rig: Rig): Edit {
  const box = boxOf(job, rig);
  const on = partsOn(job, rig);
  const plain = plainThread(job, rig);
  return {
    title: `Take ${box?.name ?? 'the box'} off`,
    changes: [...withoutBox(rig), ...(plain.length < on.length ? threadChanges(rig, plain) : [])],
  };
}

/** Stands a box on a single rod, by its use, or on the rods of the plate, as close as may be there. */
export function setBoxRod(rig: Rig, on: string | undefined, title: string): Edit {
  return {
    title,
    changes: [
      { path: at(rig, 'box', 'on'), value: on },
      { path: at(rig, 'box', 'station'), value: undefined },
    ],
  };
}

/** Station of the back of a box on rods, mm from the image plane; undefined: as close as may be. */
export function setStation(rig: Rig, station: number | undefined, name: string): Edit {
  return {
    title:
      station === undefined
        ? `Push ${name} back as far as it goes`
        : `Stand ${name} at ${plainLength(Math.round(station * 10) / 10)}`,
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

/**
 * What follows when another lens goes on: rings between its thread and the filters, and what a
 * clip-on box is clamped with. Nothing when thread and front are the same.
 */
export function followingFront(job: Job, rig: Rig, to: Lens): Change[] {
  const from = lensOf(job, rig);
  const on = partsOn(job, rig);
  const box = boxOf(job, rig);
  const closing = box !== null && clips(box);
  const thread = valueOf(to.filterThread);
  if (on.length === 0 && !closing) return [];
  if (
    from &&
    sameThread(valueOf(from.filterThread), thread) &&
    (!closing || valueOf(from.frontDiameter) === valueOf(to.frontDiameter))
  )
    return [];
  const next: Rig = { ...rig, lens: to.id };
  const pieces = chained(job, thread, on.filter(isFilter));
  const changes: Change[] = [];
  let all: (Ring | Filter)[] = pieces;
  if (closing && box && rig.box) {
    const way = bestClip(job, next, box, pieces);
    if (way) {
      all = [...pieces, ...way.rings];
      changes.push({ path: at(rig, 'box', 'ring'), value: way.reduction?.id });
    }
  }
  changes.push(...threadChanges(rig, all));
  return changes;
}
