/**
 * What is meant to touch what on a rig. Pieces and solids are named by text where the rig is laid
 * out and told apart by numbers afterwards: every pair that comes near is asked for, and a number
 * made of two is found at once where a text made of two has to be put together and read.
 */

/** A solid as contacts name it: the piece it belongs to, and itself. */
export interface Named {
  piece: number;
  own: number;
}

/** Numbers of the names in use. They only tell names apart and never set an order. */
const numbers = new Map<string, number>();

function numberOf(name: string): number {
  let n = numbers.get(name);
  if (n === undefined) numbers.set(name, (n = numbers.size));
  return n;
}

/** The name of a solid: of its piece, and of its role in it. */
export function named(piece: string, role: string): Named {
  return { piece: numberOf(piece), own: numberOf(`${piece}/${role}`) };
}

/**
 * One number for two, whichever comes first, and another for any other two (M. Szudzik, "An
 * elegant pairing function", 2006): small as long as both are.
 */
export function pairNumber(a: number, b: number): number {
  return a < b ? b * b + a : a * a + b;
}

/** A piece, or one solid of it. */
export type Whose = string | { piece: string; role: string };

/**
 * How two may stand to each other: `through` or around each other, a rod and its clamp, or of one
 * piece (never measured); `against` each other, a handle and its cage (a foul where one goes into
 * the other); `apart`.
 */
export type Contact = 'through' | 'against' | 'apart';

/** As many pairs are copied into the layer above: fewer layers to be asked. */
const FEW = 60;

/** What is meant to touch what on a rig, on top of what was said of the layers below. */
export class Contacts {
  private readonly pieces = new Map<number, Contact>();
  /** Pairs in which a solid is named, and not a whole piece: most layers know few of them. */
  private readonly solids = new Map<number, Contact>();
  /** This, and those below that say too much to be copied. */
  readonly #layers: readonly Contacts[];

  /** @param below what was said before; nothing is said there any more */
  constructor(below: Contacts | null = null) {
    const large = below !== null && below.pieces.size + below.solids.size > FEW;
    if (below && !large) {
      for (const [pair, how] of below.pieces) this.pieces.set(pair, how);
      for (const [pair, how] of below.solids) this.solids.set(pair, how);
    }
    const under = below === null ? [] : below.#layers.slice(large ? 0 : 1);
    this.#layers = [this, ...under];
  }

  /** The two go through or around each other. */
  touch(a: Whose, b: Whose): void {
    this.#say(a, b, 'through');
  }

  /** The two may lie against each other. */
  meet(a: Whose, b: Whose): void {
    this.#say(a, b, 'against');
  }

  #say(a: Whose, b: Whose, how: Contact): void {
    const list = typeof a === 'string' && typeof b === 'string' ? this.pieces : this.solids;
    const pair = pairNumber(nameOf(a), nameOf(b));
    if (list.get(pair) !== 'through') list.set(pair, how);
  }

  /** How two solids may stand to each other; `through` outranks `against`, wherever it was said. */
  between(a: Named, b: Named): Contact {
    if (a.piece === b.piece) return 'through';
    const pair = pairNumber(a.piece, b.piece);
    const one = pairNumber(a.piece, b.own);
    const other = pairNumber(a.own, b.piece);
    const both = pairNumber(a.own, b.own);
    let against = false;
    for (const { pieces, solids } of this.#layers) {
      const whole = pieces.size > 0 && pieces.get(pair);
      if (whole === 'through') return whole;
      if (whole) against = true;
      if (solids.size === 0) continue;
      const [x, y, z] = [solids.get(one), solids.get(other), solids.get(both)];
      if (x === 'through' || y === 'through' || z === 'through') return 'through';
      if (x || y || z) against = true;
    }
    return against ? 'against' : 'apart';
  }
}

function nameOf(w: Whose): number {
  return typeof w === 'string' ? numberOf(w) : named(w.piece, w.role).own;
}
