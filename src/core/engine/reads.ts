/**
 * What was worked out of one document, kept for the next: every value comes with what was read for
 * it, and stands again in a document where all of that reads the same. Nothing says by hand what
 * depends on what.
 *
 * Documents are never changed in place, so what reads the same is the same object.
 */

/** One thing that can be read of a document, by an argument or without. */
export interface Cell<D> {
  readonly read: (doc: D, arg: string) => unknown;
}

/** A value that is worked out of a view of the document, and of nothing else. */
export interface Node<V, T> {
  readonly id: string;
  readonly make: (view: V) => T;
  /**
   * Whether two values say the same. Then the earlier one stands for both, and what was worked out
   * of it goes on standing too.
   */
  readonly same?: (a: T, b: T) => boolean;
  /**
   * Makes what a value has put off (its sentences), before it may stand in another document: what
   * that reads is read for the value too.
   */
  readonly settle?: (value: T) => void;
}

export function node<V, T>(
  id: string,
  make: (view: V) => T,
  more: Pick<Node<V, T>, 'same' | 'settle'> = {},
): Node<V, T> {
  return { id, make, ...more };
}

/** Same elements in the same order. */
export function sameList(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((x, i) => x === b[i]);
}

/** What a view reads through. */
export interface Reader<D, V> {
  readonly kept: Kept<D, V>;
  /** The document itself, for what is the same whatever it says. */
  readonly doc: D;
  cell: (cell: Cell<D>, arg?: string) => unknown;
  node: <T>(node: Node<V, T>) => T;
}

type AnyNode<V> = Node<V, unknown>;

/** A value with what was read for it, in the order in which it was read. */
interface Entry<D, V> {
  value: unknown;
  cells: Cell<D>[];
  args: string[];
  read: unknown[];
  nodes: AnyNode<V>[];
  got: unknown[];
  draft: boolean;
  /** What it has put off; null when there is nothing more to come. */
  settle: (() => void) | null;
}

/** Values of each node that are kept, newest first: the rig, a few steps back, its configurations. */
const KEEP = 4;

/** Stands for a value while it is worked out. */
const MAKING = Symbol('being worked out');

/** What reads of a value that is made already: a mistake in a node; see {@link onLateRead}. */
let late: ((node: string) => void) | null = null;

/**
 * Says what happens when a node reads on after its value was made. Such a read is not on its list,
 * so the value could stand where it no longer holds: tests throw there.
 */
export function onLateRead(then: ((node: string) => void) | null): void {
  late = then;
}

/** Everything that was worked out so far of documents that follow each other, within bounds. */
export class Kept<D, V> {
  readonly #entries = new Map<AnyNode<V>, Entry<D, V>[]>();
  /** How many values were made, and how many were found to stand. */
  readonly counts = { made: 0, stood: 0 };

  /** @param view what a node sees of a document; called for each value that is made */
  constructor(readonly view: (reader: Reader<D, V>) => V) {}

  /** @param draft one of many things tried: what is made for it gives way to the next one's */
  at(doc: D, draft = false): Snapshot<D, V> {
    return new Snapshot(this, doc, draft);
  }

  entries<T>(node: Node<V, T>): Entry<D, V>[] {
    const of = node as AnyNode<V>;
    let list = this.#entries.get(of);
    if (!list) this.#entries.set(of, (list = []));
    return list;
  }
}

/** One document, asked; what was asked before is answered at once. */
export class Snapshot<D, V> implements Reader<D, V> {
  readonly #values = new Map<AnyNode<V>, unknown>();

  constructor(
    readonly kept: Kept<D, V>,
    readonly doc: D,
    readonly draft: boolean,
  ) {}

  cell(cell: Cell<D>, arg = ''): unknown {
    return cell.read(this.doc, arg);
  }

  node<T>(of: Node<V, T>): T {
    const known = this.#values.get(of as AnyNode<V>);
    if (known === MAKING) throw new Error(`${of.id} needs itself`);
    if (known !== undefined || this.#values.has(of as AnyNode<V>)) return known as T;
    this.#values.set(of as AnyNode<V>, MAKING);
    try {
      const value = this.#find(of as AnyNode<V>);
      this.#values.set(of as AnyNode<V>, value);
      return value as T;
    } catch (e) {
      this.#values.delete(of as AnyNode<V>);
      throw e;
    }
  }

  #find(of: AnyNode<V>): unknown {
    const list = this.kept.entries(of);
    for (let i = 0; i < list.length; i++) {
      const e = list[i]!;
      if (!this.#stands(e)) continue;
      this.kept.counts.stood++;
      if (!this.draft) {
        e.draft = false;
        if (i > 0) list.unshift(...list.splice(i, 1));
      }
      return e.value;
    }
    return this.#make(of, list);
  }

  #make(of: AnyNode<V>, list: Entry<D, V>[]): unknown {
    const frame = new Frame(this, of.id);
    const e = frame.entry;
    const { settle } = of;
    try {
      e.value = of.make(this.kept.view(frame));
      if (settle)
        e.settle = () => {
          settle(e.value);
          frame.close();
        };
    } finally {
      if (!e.settle) frame.close();
    }
    this.kept.counts.made++;
    const before = of.same && list.find((x) => of.same!(x.value, e.value));
    if (before) e.value = before.value;
    const other = this.draft ? list.findIndex((x) => x.draft) : -1;
    if (other >= 0) list.splice(other, 1);
    // What was only tried stands behind what is.
    if (this.draft) list.push(e);
    else list.unshift(e);
    if (list.reduce((n, x) => n + (x.draft ? 0 : 1), 0) > KEEP) {
      let oldest = list.length - 1;
      while (list[oldest]!.draft) oldest--;
      list.splice(oldest, 1);
    }
    return e.value;
  }

  /**
   * Whether all that was read for a value reads the same here. What is read of the document first:
   * as long as that is the same, the nodes it went on to would be asked here too, in their order.
   */
  #stands(e: Entry<D, V>): boolean {
    let cells = 0;
    let nodes = 0;
    for (;;) {
      for (; cells < e.cells.length; cells++)
        if (e.cells[cells]!.read(this.doc, e.args[cells]!) !== e.read[cells]) return false;
      for (; nodes < e.nodes.length; nodes++)
        if (this.node(e.nodes[nodes]!) !== e.got[nodes]) return false;
      if (!e.settle) return true;
      // Only now it is worth making what it has put off; what that reads is looked at too.
      e.settle();
      e.settle = null;
    }
  }
}

/** Writes down what is read while a value is made. */
class Frame<D, V> implements Reader<D, V> {
  readonly entry: Entry<D, V>;
  readonly kept: Kept<D, V>;
  readonly doc: D;
  readonly #id: string;
  /**
   * Null once the value is made: a value may go on holding what it was made of, and through it all
   * values of its time, and through those all times before.
   */
  #at: Snapshot<D, V> | null;
  /** Null once the value is made. */
  #seen: Map<unknown, Set<string> | true> | null = new Map();

  constructor(at: Snapshot<D, V>, id: string) {
    this.#at = at;
    this.#id = id;
    this.kept = at.kept;
    this.doc = at.doc;
    this.entry = {
      value: undefined,
      cells: [],
      args: [],
      read: [],
      nodes: [],
      got: [],
      draft: at.draft,
      settle: null,
    };
  }

  /** Where it reads; anew for what reads on too late. */
  get #from(): Snapshot<D, V> {
    return this.#at ?? this.kept.at(this.doc, this.entry.draft);
  }

  cell(cell: Cell<D>, arg = ''): unknown {
    const value = this.#from.cell(cell, arg);
    if (!this.#seen) late?.(this.#id);
    else if (this.#isNew(cell, arg)) {
      const { cells, args, read } = this.entry;
      cells.push(cell);
      args.push(arg);
      read.push(value);
    }
    return value;
  }

  node<T>(of: Node<V, T>): T {
    const value = this.#from.node(of);
    if (!this.#seen) late?.(this.#id);
    else if (!this.#seen.has(of)) {
      this.#seen.set(of, true);
      this.entry.nodes.push(of as AnyNode<V>);
      this.entry.got.push(value);
    }
    return value;
  }

  #isNew(cell: Cell<D>, arg: string): boolean {
    const args = this.#seen!.get(cell);
    if (!(args instanceof Set)) {
      this.#seen!.set(cell, new Set([arg]));
      return true;
    }
    const { size } = args;
    return args.add(arg).size > size;
  }

  close(): void {
    this.#seen = null;
    this.#at = null;
  }
}
