import type { Model, ModelPiece } from './model';

/** Moves below this are rounding, mm. */
const STILL = 0.05;

/** Pieces of one model that another has not, or has elsewhere: as indices of the one. */
export function addedTo(model: Model, other: Model): ReadonlySet<number> {
  const was = new Map(other.pieces.map((p) => [p.key, p]));
  return new Set(
    model.pieces.flatMap((p, i) => {
      const before = was.get(p.key);
      return before && before.part === p.part && still(before, p) ? [] : [i];
    }),
  );
}

const still = (a: ModelPiece, b: ModelPiece) =>
  a.middle.every((x, k) => Math.abs(x - b.middle[k]!) < STILL);
