import { graphlib, layout } from '@dagrejs/dagre';
import type { PowerEdge, PowerNode, PowerTree } from './tree';

/** How wide each sort of box is, and how tall all of them are, px. */
const WIDE = { pack: 150, outlet: 186, device: 190 } as const;
export const TALL = 68;
const GAP = 14;
const LABEL = { w: 132, h: 40 };

/** What a layout hangs on: boxes, and what runs between them. Figures and states move nothing. */
export interface TreeShape {
  nodes: readonly Pick<PowerNode, 'id' | 'is'>[];
  edges: readonly Pick<PowerEdge, 'from' | 'to' | 'name'>[];
}

/** The shape of a tree; two trees of one shape are laid out alike. */
export const shapeOf = ({ nodes, edges }: PowerTree): TreeShape => ({
  nodes: nodes.map(({ id, is }) => ({ id, is })),
  // Whether an edge has words counts, not what they are.
  edges: edges.map(({ from, to, name }) => ({ from, to, name: name === '' ? '' : '-' })),
});

export interface Laid {
  /** How wide each sort of box is. */
  wide: Readonly<Record<PowerNode['is'], number>>;
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
  const is = (of: PowerNode['is']) => nodes.filter((n) => n.is === of);
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

/** Lays the tree out in layers from left to right: sources, outlets, what is fed. */
export function laidOut({ nodes, edges }: TreeShape): Laid {
  const g = new graphlib.Graph({ multigraph: true });
  g.setGraph({ rankdir: 'LR', nodesep: 14, ranksep: 18, marginx: 16, marginy: 16 });
  g.setDefaultEdgeLabel(() => ({}));
  for (const n of nodes) g.setNode(n.id, { width: WIDE[n.is], height: TALL });
  // What nothing feeds stands with what is fed, not among the sources.
  const fed = new Set(edges.map((e) => e.to));
  const outlet = nodes.find((n) => n.is === 'outlet');
  for (const n of nodes)
    if (n.is === 'device' && !fed.has(n.id) && outlet)
      g.setEdge(outlet.id, n.id, { width: LABEL.w, height: 1, minlen: 1, weight: 0 }, 'loose');
  edges.forEach((e, i) =>
    g.setEdge(
      e.from,
      e.to,
      e.name === '' ? { width: 0, height: 0 } : { width: LABEL.w, height: LABEL.h, labelpos: 'c' },
      String(i),
    ),
  );
  layout(g);
  const at = new Map(
    nodes.map((n) => {
      const { x, y } = g.node(n.id) as { x: number; y: number };
      return [n.id, [x - WIDE[n.is] / 2, y - TALL / 2] as const];
    }),
  );
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
  const { width, height } = g.graph() as { width: number; height: number };
  return { w: width, h: height, at, ways, wide: WIDE };
}
