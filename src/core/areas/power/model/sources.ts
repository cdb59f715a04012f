import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { feedsOn, type Feed } from './fed';
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
    .map(([id, own]) => ({
      id,
      packs: own,
      feeds: feeds.filter((f) => f.out?.packs.some((p) => own.some((o) => o.use.id === p))),
    }));
});
