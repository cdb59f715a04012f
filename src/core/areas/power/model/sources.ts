import type { Built } from '../../../build/build';
import { node, sameList } from '../../../engine/reads';
import { feedsOn, type Feed } from './fed';
import { partsByUse } from './fitted';
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

const SOURCES = node(
  'what feeds as one',
  (built: Built): readonly Source[] => {
    const packs = packsOn(built);
    const plates = partsByUse(built);
    const groups = new Map<string, RigPack[]>();
    // Which of them each pack is one of.
    const groupOf = new Map<string, string>();
    for (const p of packs) {
      const { to } = p.use;
      const plate = to !== undefined && plates.get(to)?.kind === 'battery-plate' ? to : p.use.id;
      groupOf.set(p.use.id, plate);
      const own = groups.get(plate);
      if (own) own.push(p);
      else groups.set(plate, [p]);
    }
    const fed = new Map<string, Feed[]>([...groups.keys()].map((id) => [id, []]));
    for (const f of feedsOn(built)) {
      const behind = f.out?.packs ?? [];
      const of = behind.map((p) => groupOf.get(p));
      for (const id of of.length > 1 ? new Set(of) : of) if (id !== undefined) fed.get(id)!.push(f);
    }
    return [...groups]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([id, own]) => {
        const feeds = fed.get(id)!;
        const all = own.flatMap((p) => [p.use, p.part]);
        return theSame(own[0]!.use, [id, ...all, ...feeds], () => ({ id, packs: own, feeds }));
      });
  },
  { same: sameList },
);

/** The one of before where it is the same in all: what was worked out of it stands. */
const theSame = keeper<Source>();
