import type { Built } from '../../../build/build';
import { node, sameList } from '../../../engine/reads';
import type { FittedUse, Part } from '../../../kit/types';
import { keeper } from './judged';

/** Something that is fitted to the rig, with its part. */
export interface FittedPart {
  use: FittedUse;
  part: Part;
}

/** All that is fitted to a rig, by id: the order of the list says nothing. Once for a rig. */
export function fittedParts(built: Built): readonly FittedPart[] {
  return built.once(PARTS);
}

const PARTS = node(
  'fitted parts',
  ({ rig, kit }: Built): readonly FittedPart[] =>
    byId(rig.fitted)
      .map((use) => ({ use, part: kit.get(use.part) }))
      .filter((f): f is FittedPart => f.part !== undefined)
      .map((f) => theSame(f.use, [f.part], () => f)),
  { same: sameList },
);

const theSame = keeper<FittedPart>();

/** The part of each, by its use; once for a rig. */
export function partsByUse(built: Built): ReadonlyMap<string, Part> {
  return built.once(BY_USE);
}

const BY_USE = node(
  'what is fitted, by its use',
  (built: Built): ReadonlyMap<string, Part> =>
    new Map(fittedParts(built).map(({ use, part }) => [use.id, part])),
  { same: sameMap },
);

function sameMap(a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): boolean {
  if (a.size !== b.size) return false;
  for (const [k, v] of a) if (b.get(k) !== v) return false;
  return true;
}

/** By id. */
export const byId = <T extends { id: string }>(list: readonly T[] | undefined): T[] =>
  [...(list ?? [])].sort((a, b) => (a.id < b.id ? -1 : 1));
