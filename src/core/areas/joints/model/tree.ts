import type { Built } from '../../../build/build';
import { pieceKey } from '../../../place/piece';
import { heldTogether } from './load-path';
import { saidOf } from './seats';

/** The rig as a tree: what each piece holds, read from one end of it. */
export interface Branch {
  piece: string;
  name: string;
  /** What it is made of besides, where it is more than one part. */
  with: readonly string[];
  /** By what it is held, where that has a name: `top holes of Lattice cage`. */
  by: string | null;
  /** A second tie holds it, too. */
  tied: boolean;
  holds: readonly Branch[];
}

/** From what the rig is held by, or from the lens back. */
export type End = 'ground' | 'lens';

/**
 * The rig from one end: what is held by what, everything once. What hangs on nothing that leads to
 * the end stands beside it, as a tree of its own.
 */
export function treeOf(built: Built, end: End): Branch[] {
  const { parts, edges } = heldTogether(built);
  const firm = edges.filter((e) => !e.tie);
  const tied = new Set(edges.filter((e) => e.tie).flatMap((e) => [e.a, e.b]));
  const hold = firm.find((e) => e.seat?.use.id === built.rig.hold)?.seat?.piece;
  const first =
    end === 'lens'
      ? [pieceKey('lens'), pieceKey('body')]
      : [...(hold ? [hold] : []), pieceKey('plate'), pieceKey('body')];
  const seen = new Set<string>();
  const branch = (piece: string, by: string | null): Branch => {
    seen.add(piece);
    const [own, ...more] = parts.get(piece) ?? [];
    const holds: Branch[] = [];
    for (const e of firm) {
      const other = e.a === piece ? e.b : e.b === piece ? e.a : null;
      if (other === null || seen.has(other)) continue;
      holds.push(branch(other, e.seat ? saidOf(e.seat) : null));
    }
    return {
      piece,
      name: own?.name ?? piece,
      with: more.map((p) => p.name),
      by,
      tied: tied.has(piece),
      holds,
    };
  };
  const out: Branch[] = [];
  for (const key of [...first, ...parts.keys()])
    if (parts.has(key) && !seen.has(key)) out.push(branch(key, null));
  return out;
}
