/** Reads `a/b/0` style paths inside a part; list elements by their id, their part or index. */
export function readPath(from: unknown, path: readonly string[]): unknown {
  let at: unknown = from;
  for (const step of path) {
    if (at === null || typeof at !== 'object') return undefined;
    if (Array.isArray(at)) {
      const list: readonly unknown[] = at;
      const byKey = list.find((e) => {
        if (typeof e === 'string') return e === step;
        if (e === null || typeof e !== 'object') return false;
        const { id, part } = e as { id?: unknown; part?: unknown };
        return typeof id === 'string' ? id === step : part === step;
      });
      at = byKey ?? (/^\d+$/.test(step) ? list[Number(step)] : undefined);
    } else at = Object.hasOwn(at, step) ? (at as Record<string, unknown>)[step] : undefined;
  }
  return at;
}
