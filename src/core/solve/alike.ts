import type { Candidate } from '../checks/candidate';
import { type Built, withKit } from '../build/build';
import { node } from '../engine/reads';
import { partsOn } from '../roles/uses';
import { type Part, onHand } from '../kit/types';

/** Fixes that are shown of one finding. */
export const MOST_FIXES = 4;

/** The fixes that clear a finding so far: within a family the best two are offered. */
export class Offered {
  readonly #cleared = new Map<string, number>();
  readonly #titles = new Set<string>();

  enoughOf(c: Candidate): boolean {
    return (this.#cleared.get(c.family) ?? 0) >= 2 || this.#titles.has(c.edit.title);
  }

  clears(c: Candidate): void {
    this.#cleared.set(c.family, (this.#cleared.get(c.family) ?? 0) + 1);
    this.#titles.add(c.edit.title);
  }

  /** As many as are shown: in order of rank, so none that follows comes before them. */
  get full(): boolean {
    return this.#titles.size >= MOST_FIXES;
  }
}

/**
 * Candidates that differ only in which of several like pieces they take come to the same: in a
 * large kit one of them is tried for all. Two are offered of what helps without clearing.
 */
export class Alike {
  readonly #built: Built;
  readonly #came = new Map<string, number>();
  readonly #special: ReadonlySet<string>;

  constructor(built: Built) {
    this.#built = built;
    this.#special = special(built);
  }

  #key(c: Candidate): string {
    const { kit } = this.#built;
    return JSON.stringify(c.edit.changes, (_key, value: unknown) => {
      const part = typeof value === 'string' ? kit.get(value) : undefined;
      return part && !this.#special.has(part.id) ? sortOf(part) : value;
    });
  }

  known(c: Candidate): boolean {
    return (this.#came.get(this.#key(c)) ?? 0) >= 2;
  }

  fails(c: Candidate): void {
    this.#came.set(this.#key(c), 2);
  }

  helps(c: Candidate): void {
    const key = this.#key(c);
    this.#came.set(key, (this.#came.get(key) ?? 0) + 1);
  }
}

/** Pieces that are like no other: on the rig already, or spoken of by name somewhere. */
function special(built: Built): ReadonlySet<string> {
  return built.once(SPECIAL);
}

const SPECIAL = node('special pieces', ({ job, rig, kit }: Built): ReadonlySet<string> => {
  const ids = partsOn(rig);
  for (const t of job.trials ?? []) for (const id of t.parts) ids.add(id);
  for (const t of job.markTests ?? []) for (const id of t.parts) ids.add(id);
  for (const id of Object.keys(rig.lenses ?? {})) ids.add(id);
  for (const p of kit.values())
    for (const id of (p as { madeFor?: string[] }).madeFor ?? []) ids.add(id);
  return ids;
});

/** Like pieces that are looked at: two fixes of a family are offered, of three pieces each at most. */
const LIKE_PIECES = 6;

/**
 * The rig with the kit that is looked through for fixes: of pieces that are like each other the
 * first few. What they would come to is what the others would.
 */
export function thinned(built: Built): Built {
  const few = built.once(FEW);
  return few.size === built.kit.size ? built : withKit(built, few);
}

const FEW = node('few of each sort', (built: Built): ReadonlyMap<string, Part> => {
  const own = special(built);
  const seen = new Map<string, number>();
  const few = built.job.kit.filter((p) => {
    if (own.has(p.id)) return true;
    const key = `${onHand(p) < 1} ${sortOf(p)}`;
    const n = (seen.get(key) ?? 0) + 1;
    seen.set(key, n);
    return n <= LIKE_PIECES;
  });
  return new Map(few.map((p) => [p.id, p]));
});

/** What a part is but for what it is called and whose it is. */
function sortOf(part: Part): string {
  let sort = sorts.get(part);
  if (sort === undefined) {
    const { id: _id, name: _name, owner: _owner, notes: _notes, ...rest } = part;
    sorts.set(part, (sort = JSON.stringify(rest)));
  }
  return sort;
}

const sorts = new WeakMap<Part, string>();
