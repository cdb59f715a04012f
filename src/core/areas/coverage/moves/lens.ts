import {
  type Job,
  type Rig,
  type Lens,
  type Change,
  type LinkUse,
  isLens,
} from '../../../kit/types';
import { type Edit } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { bodyOf } from './on-rig';
import { mates, followingChain } from '../../mount/moves/chain';
import { at } from '../../../edit/rig-path';
import { followingFront } from '../../front/moves/box';
import { dressingOf } from '../../../kit/dressing';
import { dress } from './settings';
import { focalRange, isZoom } from '../../../build/lens';
import { valueOf } from '../../../quantity/quantity';

/** Puts a lens on a rig; the chain follows. */
export function putLens(job: Job, rig: Rig, lens: Lens): Edit {
  const body = bodyOf(job, rig.body);
  const before = rig.lenses?.[lens.id]?.between;
  // What stood between when this lens was last on, as long as it still goes together.
  const between =
    body && before && lens.id !== rig.lens && mates(body, before, lens, job)
      ? before
      : (followingChain(job, rig, body, lens) ?? rig.between);
  const changes: Change[] = [{ path: at(rig, 'lens'), value: lens.id }];
  const dressing = dressingOf(rig);
  if (rig.lens !== null && rig.lens !== lens.id && (rig.between.length > 0 || dressing))
    changes.push({
      path: at(rig, 'lenses', rig.lens),
      value: { between: rig.between, ...(dressing ? { dressing } : {}) },
    });
  if (between !== rig.between)
    changes.push(...listChanges(at(rig, 'between'), rig.between, between));
  const dressed = dress(job, rig, lens);
  changes.push(...settle(rig, lens), ...(dressed?.changes ?? followingFront(job, rig, lens)));
  const names = (uses: readonly LinkUse[]) =>
    uses.map((u) => job.kit.find((p) => p.id === u.part)?.name ?? u.part).join(' + ');
  const same = names(between) === names(rig.between);
  const with_ = same
    ? ''
    : between.length === 0
      ? ` without ${names(rig.between)}`
      : ` with ${names(between)}${rig.between.length > 0 ? ` in place of ${names(rig.between)}` : ''}`;
  const said =
    dressed && dressed.said.length > 0 ? `; as it was last on: ${dressed.said.join(', ')}` : '';
  return { title: `Put ${lens.name} on${with_}${said}`, changes };
}

/** Focal length and stop that a lens cannot be set to go back to what it has. */
function settle(rig: Rig, lens: Lens): Change[] {
  const changes: Change[] = [];
  const range = focalRange(lens);
  if (
    rig.focal !== undefined &&
    (!isZoom(lens) || !range || rig.focal < range.from || rig.focal > range.to)
  )
    changes.push({ path: at(rig, 'focal'), value: undefined });
  const widest = valueOf(lens.tStop) ?? valueOf(lens.fStop);
  if (rig.stop !== undefined && widest !== null && rig.stop < widest)
    changes.push({ path: at(rig, 'stop'), value: undefined });
  return changes;
}

/** Takes the lens off. */
export function takeLensOff(rig: Rig): Edit {
  return { title: 'Take the lens off', changes: [{ path: at(rig, 'lens'), value: null }] };
}

/** Puts a lens into the set that is stepped through, or leaves it out. */
export function keepInSet(job: Job, lens: Lens, inSet: boolean): Edit {
  const title = inSet
    ? `Put ${lens.name} into the lens set`
    : `Leave ${lens.name} out of the lens set`;
  if (job.lensSet)
    return {
      title,
      changes: [{ path: ['lensSet', lens.id], value: inSet ? lens.id : undefined }],
    };
  // Chosen by hand for the first time: all of them but this one.
  const all = job.kit.filter(isLens).map((l) => l.id);
  const value = inSet ? all : all.filter((id) => id !== lens.id);
  return {
    title,
    changes: [{ path: ['lensSet'], value }],
  };
}

/** The lenses a rig steps through, short to long. */
export function lensSet(job: Job): Lens[] {
  const all = job.kit.filter(isLens);
  const chosen = job.lensSet ? new Set(job.lensSet) : null;
  return all
    .filter((l) => !chosen || chosen.has(l.id))
    .sort(
      (a, b) =>
        (valueOf(a.focal) ?? Infinity) - (valueOf(b.focal) ?? Infinity) ||
        a.name.localeCompare(b.name),
    );
}
