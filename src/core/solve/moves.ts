import { focalRange, isZoom } from '../build/build';
import { findChains, linksOf, type FoundChain } from '../areas/mount/chains';
import { mountIndex, STANDARD_MOUNTS } from '../areas/mount/registry';
import { ruleValues } from '../rules/rules';
import { readPath } from '../build/given';
import { valueOf } from '../quantity/quantity';
import {
  isBody,
  isLens,
  isLink,
  isReducer,
  type Body,
  type Change,
  type Frame,
  type Job,
  type Lens,
  type LinkUse,
  type Part,
  type Rig,
} from '../kit/types';
import { withoutBesidePart } from './beside-moves';
import { keyOf, listChanges, type Edit } from './edit';
import { followingFront, withoutFrontPart } from './front-moves';

/**
 * Moves: what a person does to a rig, as edits. What hangs on a choice follows it (a lens with
 * another mount brings the chain of adapters that fits), so that no move leaves a rig half done.
 */

const at = (rig: Rig, ...path: string[]) => ['rigs', rig.id, ...path];

/** Whether the pieces between body and lens mate as they are. */
function mates(body: Body, links: readonly LinkUse[], lens: Lens, job: Job): boolean {
  let mount = body.mount;
  for (const use of links) {
    const link = job.kit.find((p) => p.id === use.part);
    if (!isLink(link) || link.bodyMount !== mount) return false;
    mount = link.lensMount;
  }
  return mount !== undefined && mount === lens.mount;
}

/** Chains that were found in a kit before, by their two ends: a kit is never changed in place. */
const found = new WeakMap<Job['kit'], Map<string, FoundChain[]>>();

/** The chains from a body to a lens, best first. */
export function chainsBetween(job: Job, body: Body, lens: Lens, enough = 20): FoundChain[] {
  if (!body.mount || !lens.mount) return [];
  let list = found.get(job.kit);
  if (!list) found.set(job.kit, (list = new Map()));
  const key = JSON.stringify([body.mount, lens.mount, enough, job.rules, job.mounts]);
  let chains = list.get(key);
  if (!chains) list.set(key, (chains = searchChains(job, body, lens, enough)));
  return chains;
}

function searchChains(job: Job, body: Body, lens: Lens, enough: number): FoundChain[] {
  const rules = ruleValues(job.rules);
  return findChains({
    bodyMount: body.mount!,
    lensMount: lens.mount!,
    links: linksOf(job.kit),
    mounts: mountIndex(job),
    maxPieces: Math.max(3, rules['mount.joints']),
    closes: rules['mount.reach'],
    enough,
  });
}

/**
 * The chain a rig takes when its lens or body changes: the one on it if it still mates; else the
 * best one that keeps glass or no glass as before; null when there is none.
 */
export function followingChain(
  job: Job,
  rig: Rig,
  body: Body | null,
  lens: Lens | null,
): LinkUse[] | null {
  if (!body || !lens) return rig.between;
  if (mates(body, rig.between, lens, job)) return rig.between;
  const chains = chainsBetween(job, body, lens);
  const glass = rig.between.some((u) => isReducer(job.kit.find((p) => p.id === u.part)));
  const suits = (c: FoundChain) =>
    c.links.every((l) => !isReducer(l) || !l.madeFor?.length || l.madeFor.includes(body.id));
  const best = chains.find((c) => c.glass === glass && suits(c)) ?? chains.find(suits) ?? chains[0];
  if (!best) return null;
  const kept = new Map(rig.between.map((u) => [u.part, u]));
  return best.links.map((l) => kept.get(l.id) ?? { part: l.id });
}

function bodyOf(job: Job, id: string | null): Body | null {
  const p = job.kit.find((q) => q.id === id);
  return isBody(p) ? p : null;
}
function lensOf(job: Job, id: string | null): Lens | null {
  const p = job.kit.find((q) => q.id === id);
  return isLens(p) ? p : null;
}

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
  if (rig.lens !== null && rig.lens !== lens.id && rig.between.length > 0)
    changes.push({ path: at(rig, 'lenses', rig.lens), value: { between: rig.between } });
  if (between !== rig.between)
    changes.push(...listChanges(at(rig, 'between'), rig.between, between));
  changes.push(...settle(rig, lens), ...followingFront(job, rig, lens));
  const names = (uses: readonly LinkUse[]) =>
    uses.map((u) => job.kit.find((p) => p.id === u.part)?.name ?? u.part).join(' + ');
  const same = names(between) === names(rig.between);
  const with_ = same
    ? ''
    : between.length === 0
      ? ` without ${names(rig.between)}`
      : ` with ${names(between)}${rig.between.length > 0 ? ` in place of ${names(rig.between)}` : ''}`;
  return { title: `Put ${lens.name} on${with_}`, changes };
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

/** Puts another body under the rig; mode and chain follow. */
export function putBody(job: Job, rig: Rig, body: Body): Edit {
  const lens = lensOf(job, rig.lens);
  const mode = body.modes?.find((m) => m.id === rig.mode) ?? body.modes?.[0] ?? null;
  const changes: Change[] = [
    { path: at(rig, 'body'), value: body.id },
    { path: at(rig, 'mode'), value: mode?.id ?? null },
  ];
  const between = followingChain(job, rig, body, lens);
  if (between !== null && between !== rig.between)
    changes.push(...listChanges(at(rig, 'between'), rig.between, between));
  return { title: `Put ${body.name} on`, changes };
}

export function setMode(rig: Rig, mode: { id: string; name: string }): Edit {
  return { title: `Record in ${mode.name}`, changes: [{ path: at(rig, 'mode'), value: mode.id }] };
}

export function setBetween(rig: Rig, links: readonly Part[]): Edit {
  const kept = new Map(rig.between.map((u) => [u.part, u]));
  return {
    title:
      links.length === 0
        ? 'Take the adapters off'
        : `Use ${links.map((l) => l.name).join(' + ')}${rig.between.length > 0 ? ' instead' : ''}`,
    changes: listChanges(
      at(rig, 'between'),
      rig.between,
      links.map((l) => kept.get(l.id) ?? { part: l.id }),
    ),
  };
}

export function setFocal(rig: Rig, focal: number): Edit {
  return {
    title: `Zoom to ${focal} mm`,
    changes: [{ path: at(rig, 'focal'), value: focal }],
    group: `zoom ${rig.id}`,
  };
}

export function setStop(rig: Rig, stop: number | undefined): Edit {
  return {
    title: stop === undefined ? 'Work wide open' : `Work at T${stop}`,
    changes: [{ path: at(rig, 'stop'), value: stop }],
  };
}

export function setFocus(rig: Rig, focus: number | undefined): Edit {
  return {
    title: focus === undefined ? 'Focus at infinity' : `Focus at ${focus / 1000} m`,
    changes: [{ path: at(rig, 'focus'), value: focus }],
  };
}

export function tieFoot(rig: Rig, index: number, tied: boolean, name: string): Edit {
  return {
    title: tied ? `Tie the foot of ${name}` : `Untie the foot of ${name}`,
    changes: [
      {
        path: at(rig, 'between', keyOf(rig.between[index]) ?? String(index), 'tied'),
        value: tied ? true : undefined,
      },
    ],
  };
}

/** Ties the lens's own foot to plate, cage or rods, or unties it. */
export function tieLensFoot(rig: Rig, tied: boolean, name: string): Edit {
  return {
    title: tied ? `Tie the foot of ${name}` : `Untie the foot of ${name}`,
    changes: [{ path: at(rig, 'footTied'), value: tied ? true : undefined }],
  };
}

/** Says that a hand turns a ring on the barrel itself, or that none does. */
export function setHand(rig: Rig, hand: Rig['hand']): Edit {
  return {
    title: hand ? `A hand turns the ${hand} ring` : 'No hand on the barrel',
    changes: [{ path: at(rig, 'hand'), value: hand }],
  };
}

export function setSlot(rig: Rig, index: number, slot: 'glass' | 'empty', name: string): Edit {
  return {
    title: slot === 'glass' ? `Put the glass into ${name}` : `Take the glass out of ${name}`,
    changes: [
      { path: at(rig, 'between', keyOf(rig.between[index]) ?? String(index), 'slot'), value: slot },
    ],
  };
}

export function putFrame(rig: Rig, frame: Frame): Edit {
  return {
    title: `Frame for ${frame.name}`,
    changes: [{ path: at(rig, 'frames', frame.id), value: frame }],
  };
}

export function takeFrame(rig: Rig, frame: Frame): Edit {
  return {
    title: `Take the ${frame.name} frame away`,
    changes: [{ path: at(rig, 'frames', frame.id), value: undefined }],
  };
}

export function scaleFrame(rig: Rig, frame: Frame, scale: number): Edit {
  return {
    title: `Scale the ${frame.name} frame to ${(scale * 100).toFixed(1)} %`,
    changes: [
      { path: at(rig, 'frames', frame.id, 'scale'), value: scale === 1 ? undefined : scale },
    ],
  };
}

/** Corrects one field of a part, a rig or the job. */
export function setField(job: Job, path: string[], value: unknown, label: string): Edit {
  const before = readPath(job, path);
  const verb = value === undefined ? 'Clear' : before === undefined ? 'Give' : 'Correct';
  const title = `${verb} ${label}`;
  if (path[0] === 'mounts' && path.length === 3 && !job.mounts?.some((m) => m.id === path[1])) {
    // A standard mount becomes the job's own when one of its numbers is corrected.
    const standard = STANDARD_MOUNTS.find((m) => m.id === path[1]);
    const own = { ...(standard ?? { id: path[1]!, name: path[1]! }), [path[2]!]: value };
    return {
      title,
      changes: [{ path: ['mounts', path[1]!], value: own }],
    };
  }
  return { title, changes: [{ path, value }] };
}

/** Adds a part; a new lens joins the set when one was chosen by hand. */
export function addPart(job: Job, part: Part): Edit {
  const joins: Change[] =
    isLens(part) && job.lensSet ? [{ path: ['lensSet', part.id], value: part.id }] : [];
  return {
    title: `Add ${part.name}`,
    changes: [{ path: ['kit', part.id], value: part }, ...joins],
  };
}

/** Takes a part out of the kit, and off every rig it is on. */
export function removePart(job: Job, part: Part): Edit {
  const changes: Change[] = [];
  for (const rig of job.rigs) {
    if (rig.body === part.id)
      changes.push({ path: at(rig, 'body'), value: null }, { path: at(rig, 'mode'), value: null });
    if (rig.lens === part.id) changes.push({ path: at(rig, 'lens'), value: null });
    if (rig.between.some((u) => u.part === part.id))
      changes.push(
        ...rig.between
          .filter((u) => u.part === part.id)
          .map((u): Change => ({ path: at(rig, 'between', keyOf(u)!), value: undefined })),
      );
    changes.push(...withoutFrontPart(rig, part), ...withoutBesidePart(rig, part));
  }
  for (const other of job.kit)
    if ((other as { madeFor?: string[] }).madeFor?.includes(part.id))
      changes.push({ path: ['kit', other.id, 'madeFor', part.id], value: undefined });
  if (job.lensSet?.includes(part.id))
    changes.push({ path: ['lensSet', part.id], value: undefined });
  changes.push({ path: ['kit', part.id], value: undefined });
  return { title: `Take ${part.name} out of the kit`, changes };
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
