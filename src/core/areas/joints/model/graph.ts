/** What holds what, as a graph: pieces and the joints between them. */

export interface Edge {
  id: string;
  a: string;
  b: string;
}

/**
 * Joints whose loss parts the rig in two: bridges of the graph, by one walk that numbers the pieces
 * in the order it meets them (R. E. Tarjan, "A note on finding the bridges of a graph", 1974).
 * Two joints between the same two pieces are none.
 */
export function bridges(nodes: Iterable<string>, edges: readonly Edge[]): Set<string> {
  const beside = neighbours(edges);
  const met = new Map<string, number>();
  const low = new Map<string, number>();
  const out = new Set<string>();
  for (const root of nodes) {
    if (met.has(root)) continue;
    // A walk of its own stack: chains of arms can be long.
    const stack: { at: string; by: string | null; i: number }[] = [{ at: root, by: null, i: 0 }];
    met.set(root, met.size);
    low.set(root, met.get(root)!);
    while (stack.length > 0) {
      const top = stack[stack.length - 1]!;
      const list = beside.get(top.at) ?? [];
      if (top.i < list.length) {
        const { edge, to } = list[top.i++]!;
        if (edge.id === top.by) continue;
        if (met.has(to)) low.set(top.at, Math.min(low.get(top.at)!, met.get(to)!));
        else {
          met.set(to, met.size);
          low.set(to, met.get(to)!);
          stack.push({ at: to, by: edge.id, i: 0 });
        }
        continue;
      }
      stack.pop();
      const up = stack[stack.length - 1];
      if (!up) continue;
      low.set(up.at, Math.min(low.get(up.at)!, low.get(top.at)!));
      if (low.get(top.at)! > met.get(up.at)!) out.add(top.by!);
    }
  }
  return out;
}

/** Everything that can be reached from a piece without going over a joint. */
export function sideOf(from: string, edges: readonly Edge[], without: string): Set<string> {
  const beside = neighbours(edges);
  const seen = new Set([from]);
  const list = [from];
  for (const at of list)
    for (const { edge, to } of beside.get(at) ?? [])
      if (edge.id !== without && !seen.has(to)) {
        seen.add(to);
        list.push(to);
      }
  return seen;
}

/**
 * For every joint of the tree that hangs on a root what hangs on it, outwards. Joints that are in a
 * ring, or that the root does not reach, are not in it.
 */
export function farSides(root: string, edges: readonly Edge[]): Map<string, readonly string[]> {
  const beside = neighbours(edges);
  const walk: { at: string; by: string | null; up: number }[] = [{ at: root, by: null, up: -1 }];
  const seen = new Set([root]);
  const out = new Map<string, string[]>();
  for (let i = 0; i < walk.length; i++)
    for (const { edge, to } of beside.get(walk[i]!.at) ?? []) {
      if (edge.id === walk[i]!.by) continue;
      // A ring: what hangs on one of its joints hangs on the others, too.
      if (seen.has(to)) return new Map();
      seen.add(to);
      walk.push({ at: to, by: edge.id, up: i });
    }
  for (const w of walk)
    for (let x = w; x.by !== null; x = walk[x.up]!) {
      const list = out.get(x.by);
      if (list) list.push(w.at);
      else out.set(x.by, [w.at]);
    }
  return out;
}

function neighbours(edges: readonly Edge[]) {
  const out = new Map<string, { edge: Edge; to: string }[]>();
  const put = (at: string, edge: Edge, to: string) => {
    const list = out.get(at);
    if (list) list.push({ edge, to });
    else out.set(at, [{ edge, to }]);
  };
  for (const e of edges) {
    put(e.a, e, e.b);
    put(e.b, e, e.a);
  }
  return out;
}
