import type { Built } from '../build/build';
import { node } from '../engine/reads';
import type { FittedUse } from '../kit/types';

/** A fitted part by where it stands; what feeds it is not said here. */
export type StandingUse = Omit<FittedUse, 'outlet'>;

/** Whether two uses say the same. */
export function sameUse(a: StandingUse, b: StandingUse): boolean {
  if (a === b) return true;
  const [x, y] = [Object.entries(a), b as unknown as Record<string, unknown>];
  return x.length === Object.keys(y).length && x.every(([k, v]) => y[k] === v);
}

const sameUses = (a: readonly StandingUse[], b: readonly StandingUse[]): boolean =>
  a.length === b.length && a.every((u, i) => sameUse(u, b[i]!));

/**
 * Everything that is fitted to a rig, by where it stands. An edit of a lead leaves this as it is: who
 * asks for it does not mind what feeds what.
 */
export function fittedOn(built: Built): readonly StandingUse[] {
  return built.once(FITTED);
}

const FITTED = node(
  'what is fitted',
  ({ rig }: Built): readonly StandingUse[] =>
    (rig.fitted ?? []).map((u) => {
      if (u.outlet === undefined) return u;
      const { outlet: _, ...stands } = u;
      return stands;
    }),
  { same: sameUses },
);

/** Cages of the rig, by id: who asks for them does not mind what else is fitted. */
export function cagesOn(built: Built): readonly StandingUse[] {
  return built.once(CAGES);
}

const CAGES = node(
  'cages',
  (built: Built): readonly StandingUse[] =>
    fittedOn(built)
      .filter((u) => built.kit.get(u.part)?.kind === 'cage')
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  { same: sameUses },
);
