import {
  type Body,
  type LinkUse,
  type Lens,
  type Job,
  isLink,
  type Rig,
  isReducer,
  type Part,
} from '../../../kit/types';
import { type FoundChain, findChains, linksOf } from '../model/chains';
import { ruleValues } from '../../../rules/rules';
import { mountIndex } from '../kit/standards';
import { type Edit, keyOf } from '../../../edit/edit';
import { listChanges } from '../../../edit/list-changes';
import { at } from '../../../edit/rig-path';

/** Whether the pieces between body and lens mate as they are. */
export function mates(body: Body, links: readonly LinkUse[], lens: Lens, job: Job): boolean {
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

export function setSlot(rig: Rig, index: number, slot: 'glass' | 'empty', name: string): Edit {
  return {
    title: slot === 'glass' ? `Put the glass into ${name}` : `Take the glass out of ${name}`,
    changes: [
      { path: at(rig, 'between', keyOf(rig.between[index]) ?? String(index), 'slot'), value: slot },
    ],
  };
}
