/**
 * Keeps what was worked out of a thing, on the thing itself. A weak map would do the same, but its
 * entries outlive collections of young garbage; dragging makes dozens of rigs a second.
 */
export class Memo {
  private readonly kept = new Map<unknown, unknown>();

  /** @param most of these at a time: the one that was made first goes first; no end otherwise */
  constructor(private readonly most = Infinity) {}

  /** What was made for a key before, if anything. */
  get<T>(key: unknown): T | undefined {
    return this.kept.get(key) as T | undefined;
  }

  /** What `make` gives, made once for a key. */
  once<T>(key: unknown, make: () => T): T {
    const known = this.kept.get(key);
    if (known !== undefined || this.kept.has(key)) return known as T;
    const value = make();
    if (this.kept.size >= this.most) this.kept.delete(this.kept.keys().next().value);
    this.kept.set(key, value);
    return value;
  }
}
