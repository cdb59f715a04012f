import { graphlib, layout } from '@dagrejs/dagre';
import { Memo } from '../../../build/memo';
import type { PowerEdge, Tree, TreeNode } from './tree';

/** How wide each sort of box is, and how tall all of them are, px. */
const WIDE = { pack: 150, outlet: 186, device: 190 } as const;
export const TALL = 68;
const GAP = 14;
const LABEL = { w: 132, h: 40 };

/** What a layout hangs on: boxes, and what runs between them. Figures and states move nothing. */
export interface TreeShape {
  nodes: readonly Pick<TreeNode, 'id' | 'is'>[];
  edges: readonly Pick<PowerEdge, 'from' | 'to' | 'name'>[];
}

/** The shape of a tree; two trees of one shape are laid out alike. */
export const shapeOf = ({ nodes, edges }: Tree): TreeShape => ({
  nodes: nodes.map(({ id, is }) => ({ id, is })),
  // Whether an edge has words counts, not what they are.
  edges: edges.map(({ from, to, name }) => ({ from, to, name: name === '' ? '' : '-' })),
});

export interface Laid {
  /** How wide each sort of box is. */
  wide: Readonly<Record<TreeNode['is'], number>>;
  w: number;
  h: number;
  /** Upper left corner of each node, by id. */
  at: ReadonlyMap<string, readonly [number, number]>;
  /** Points that each edge runs over, and the middle of its words; in the order of the edges. */
  ways: readonly {
    points: readonly (readonly [number, number])[];
    label: readonly [number, number];
  }[];
}

/** On a phone: packs on top, outlets under each other, what is fed beside its outlet or below. */
export function laidNarrow({ nodes, edges }: TreeShape, width: number): Laid {
  const w = Math.floor((width - 3 * GAP) / 2);
  const at = new Map<string, readonly [number, number]>();
  let y = GAP;
  const is = (of: TreeNode['is']) => nodes.filter((n) => n.is === of);
  for (const n of is('pack')) {
    at.set(n.id, [GAP, y]);
    y += TALL + GAP;
  }
  for (const n of is('outlet')) {
    at.set(n.id, [GAP, y]);
    const fed = edges.filter((e) => e.from === n.id);
    fed.forEach((e, i) => at.set(e.to, [2 * GAP + w, y + i * (TALL + GAP)]));
    y += Math.max(1, fed.length) * (TALL + GAP);
  }
  for (const n of is('device'))
    if (!at.has(n.id)) {
      at.set(n.id, [2 * GAP + w, y]);
      y += TALL + GAP;
    }
  const ways = edges.map((e): Laid['ways'][number] => {
    const [a, b] = [at.get(e.from)!, at.get(e.to)!];
    const [from, to] = [a[1] + TALL / 2, b[1] + TALL / 2];
    // Contacts run down beside the outlets, leads between them and what they feed.
    const [x, turn] = e.name === '' ? [a[0], a[0] - GAP / 2] : [a[0] + w, b[0] - GAP / 2];
    return {
      points: [
        [x, from],
        [turn, from],
        [turn, to],
        [b[0], to],
      ],
      label: [turn, from],
    };
  });
  return { w: width, h: y, at, ways, wide: { pack: w, outlet: w, device: w } };
}

/**
 * Lays the tree out in layers from left to right: sources, outlets, what is fed. What hangs together
 * is laid out by itself, one under the other: the time grows faster than what is laid out at once.
 */
export function laidOut({ nodes, edges }: TreeShape): Laid {
  const at = new Map<string, readonly [number, number]>();
  const size = { w: 0, h: MARGIN };
  for (const part of together({ nodes, edges })) {
    const shape = numbered(part);
    const { width, height, centres } = kept.once(JSON.stringify(shape), () => layered(shape));
    part.nodes.forEach((n, i) => {
      const [x, y] = centres[i]!;
      at.set(n.id, [MARGIN + x - WIDE[n.is] / 2, size.h + y - TALL / 2]);
    });
    size.w = Math.max(size.w, width + 2 * MARGIN);
    size.h += height + GAP;
  }
  const is = new Map(nodes.map((n) => [n.id, n.is]));
  const ways = edges.map((e) => {
    const [a, b] = [at.get(e.from)!, at.get(e.to)!];
    const from = [a[0] + WIDE[is.get(e.from)!], a[1] + TALL / 2] as const;
    const to = [b[0], b[1] + TALL / 2] as const;
    // Leads run level out of their outlet and turn before what they feed; contacts turn at once.
    const turn = e.name === '' ? from[0] + 9 : to[0] - 9;
    return {
      points: [from, [turn, from[1]] as const, [turn, to[1]] as const, to],
      label: [(from[0] + to[0]) / 2, from[1]] as const,
    };
  });
  return { w: size.w, h: size.h - GAP + MARGIN, at, ways, wide: WIDE };
}

/** Room about all of it, px. */
const MARGIN = 16;

/** Plates with as much on them look alike, and an edit leaves most of them as they were. */
const kept = new Memo(64);

/** A shape whose nodes go by their places in the list: two that differ in names only are one. */
function numbered({ nodes, edges }: TreeShape): TreeShape {
  const place = new Map(nodes.map((n, i) => [n.id, String(i)]));
  return {
    nodes: nodes.map((n, i) => ({ id: String(i), is: n.is })),
    edges: edges.map((e) => ({ ...e, from: place.get(e.from)!, to: place.get(e.to)! })),
  };
}

/** What hangs together by leads and contacts, each by itself, in the order of the nodes. */
function together({ nodes, edges }: TreeShape): TreeShape[] {
  const up = new Map(nodes.map((n) => [n.id, n.id]));
  const rootOf = (id: string): string => {
    let at = id;
    while (up.get(at) !== at) at = up.get(at)!;
    up.set(id, at);
    return at;
  };
  for (const e of edges) up.set(rootOf(e.to), rootOf(e.from));
  const loose = looseOf({ nodes, edges });
  const outlet = nodes.find((n) => n.is === 'outlet');
  const parts = new Map<
    string,
    { nodes: TreeShape['nodes'][0][]; edges: TreeShape['edges'][0][] }
  >();
  const partOf = (id: string) => {
    const root = rootOf(id);
    const part = parts.get(root) ?? { nodes: [], edges: [] };
    parts.set(root, part);
    return part;
  };
  for (const n of nodes) partOf(outlet && loose.has(n.id) ? outlet.id : n.id).nodes.push(n);
  for (const e of edges) partOf(e.from).edges.push(e);
  return [...parts.values()];
}

/** What nothing feeds: it stands with what is fed, not among the sources. */
function looseOf({ nodes, edges }: TreeShape): Set<string> {
  const fed = new Set(edges.map((e) => e.to));
  return new Set(nodes.flatMap((n) => (n.is === 'device' && !fed.has(n.id) ? [n.id] : [])));
}

/** From one box to the next, px. */
const BETWEEN = 18;

/** How large it gets, and the middle of each node, px. */
function layered({ nodes, edges }: TreeShape): Layered {
  const ends = endsOf({ nodes, edges });
  if (!ends) return byLibrary({ nodes, edges }, (n) => WIDE[n.is]);
  // What each outlet feeds lies level with it: the two are laid out as one box.
  const far = BETWEEN + LABEL.w + WIDE.device;
  const inner = nodes.filter((n) => n.is !== 'device');
  const { width, height, centres } = byLibrary(
    { nodes: inner, edges: edges.filter((e) => !ends.has(e.to)) },
    (n) => WIDE[n.is] + (n.is === 'outlet' ? far : 0),
  );
  const at = new Map(inner.map((n, i) => [n.id, centres[i]!]));
  return {
    width,
    height,
    centres: nodes.map((n) => {
      const [x, y] = at.get(ends.get(n.id) ?? n.id)!;
      const half = (WIDE.outlet + far) / 2;
      if (n.is === 'outlet') return [x - half + WIDE.outlet / 2, y];
      return n.is === 'device' ? [x + half - WIDE.device / 2, y] : [x, y];
    }),
  };
}

interface Layered {
  width: number;
  height: number;
  centres: readonly (readonly [number, number])[];
}

/** Nothing hangs on two: what is met first is above what is met next, and no branches cross. */
const isTree = ({ edges }: TreeShape) => new Set(edges.map((e) => e.to)).size === edges.length;

/**
 * The outlet of each device, where every device of a tree has one to itself and gives nothing on, as on
 * a plate that feeds screens; null where anything is otherwise.
 */
function endsOf({ nodes, edges }: TreeShape): ReadonlyMap<string, string> | null {
  if (!isTree({ nodes, edges })) return null;
  const is = new Map(nodes.map((n) => [n.id, n.is]));
  const ends = new Map<string, string>();
  const giving = new Set<string>();
  for (const { from, to } of edges) {
    if (is.get(from) === 'device') return null;
    if (is.get(to) !== 'device') continue;
    if (is.get(from) !== 'outlet' || giving.has(from)) return null;
    ends.set(to, from);
    giving.add(from);
  }
  const devices = nodes.filter((n) => n.is === 'device');
  return devices.length > 0 && devices.length === ends.size ? ends : null;
}

function byLibrary(shape: TreeShape, wide: (n: TreeShape['nodes'][number]) => number): Layered {
  const { nodes, edges } = shape;
  const g = new graphlib.Graph({ multigraph: true });
  g.setGraph({ rankdir: 'LR', nodesep: 14, ranksep: BETWEEN });
  g.setDefaultEdgeLabel(() => ({}));
  for (const n of nodes) g.setNode(n.id, { width: wide(n), height: TALL });
  const outlet = nodes.find((n) => n.is === 'outlet');
  if (outlet)
    for (const id of looseOf(shape))
      g.setEdge(outlet.id, id, { width: LABEL.w, height: 1, minlen: 1, weight: 0 }, 'loose');
  edges.forEach((e, i) =>
    g.setEdge(
      e.from,
      e.to,
      e.name === '' ? { width: 0, height: 0 } : { width: LABEL.w, height: LABEL.h, labelpos: 'c' },
      String(i),
    ),
  );
  // Branches of a tree do not cross in the order in which they are met: nothing is to be improved.
  layout(g, { disableOptimalOrderHeuristic: isTree(shape) });
  const { width, height } = g.graph() as { width: number; height: number };
  const centres = nodes.map((n) => {
    const { x, y } = g.node(n.id) as { x: number; y: number };
    return [x, y] as const;
  });
  return { width, height, centres };
}
