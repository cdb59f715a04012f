import type { Built } from '../build/build';
import { node } from '../engine/reads';
import type { FittedUse } from '../kit/types';

/** Whether two uses say the same. */
export function sameUse(a: FittedUse, b: FittedUse): boolean {
  if (a === b) return true;
  const [x, y] = [Object.entries(a), b as unknown as Record<string, unknown>];
  return x.length === Object.keys(y).length && x.every(([k, v]) => y[k] === v);
}

/** Cages of the rig, by id: who asks for them does not mind what else is fitted. */
export function cagesOn(built: Built): readonly FittedUse[] {
  return built.once(CAGES);
}

const CAGES = node(
  'cages',
  ({ rig, kit }: Built): readonly FittedUse[] =>
    [...(rig.fitted ?? [])]
      .filter((u) => kit.get(u.part)?.kind === 'cage')
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  { same: (a, b) => a.length === b.length && a.every((u, i) => sameUse(u, b[i]!)) },
);
