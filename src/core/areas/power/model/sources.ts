import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { feedsOn, type Feed } from './fed';
import { keeper } from './judged';
import { packsOn, type RigPack } from './outlets';

/** What feeds as one: a pack by itself, or all that stand on one plate. */
export interface Source {
  /** The plate, or the pack that stands on none. */
  id: string;
  packs: readonly RigPack[];
  feeds: readonly Feed[];
}

/** Every source on the rig, by id. */
export function sourcesOn(built: Built): readonly Source[] {
  return built.once(SOURCES);
}

const SOURCES = node('what feeds as one', (built: Built): readonly Source[] => {
  const packs = packsOn(built);
  const groups = new Map<string, RigPack[]>();
  for (const p of packs) {
    const on = (built.rig.fitted ?? []).find((u) => u.id === p.use.to);
    const plate = on && built.kit.get(on.part)?.kind === 'battery-plate' ? on.id : p.use.id;
    groups.set(plate, [...(groups.get(plate) ?? []), p]);
  }
  const feeds = feedsOn(built);
  return [...groups]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([id, own]) => {
      const ids = new Set(own.map((p) => p.use.id));
      const fed = feeds.filter((f) => f.out?.packs.some((p) => ids.has(p)));
      const all = own.flatMap((p) => [p.use, p.part]);
      return theSame(own[0]!.use, [id, ...all, ...fed], () => ({ id, packs: own, feeds: fed }));
    });
});

/** The one of before where it is the same in all: what was worked out of it stands. */
const theSame = keeper<Source>();
