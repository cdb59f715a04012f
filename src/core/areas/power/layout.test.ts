import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { anyRig, changed, demoRigs, type Subject } from '../../properties/rigs';
import { sendings } from '../../properties/sendings';
import { checkRig } from '../checks';
import { laidNarrow, laidOut, shapeOf, TALL, type Laid, type TreeShape } from './model/layout';
import { signalTree } from './model/signal-tree';
import { powerTree } from './model/tree';

/** Plates of twelve outlets, each with a pack behind it and a device on every outlet. */
function large(links: number): TreeShape {
  const nodes: { id: string; is: 'pack' | 'outlet' | 'device' }[] = [];
  const edges: { from: string; to: string; name: string }[] = [];
  for (let i = 0; i < links; i++) {
    const pack = `pack ${Math.floor(i / 12)}`;
    if (i % 12 === 0) nodes.push({ id: pack, is: 'pack' });
    nodes.push({ id: `outlet ${i}`, is: 'outlet' }, { id: `device ${i}`, is: 'device' });
    edges.push({ from: pack, to: `outlet ${i}`, name: '' });
    edges.push({ from: `outlet ${i}`, to: `device ${i}`, name: '-' });
  }
  return { nodes, edges };
}

function tidy(shape: TreeShape, laid: Laid) {
  const boxes = shape.nodes.map((n) => {
    const [x, y] = laid.at.get(n.id)!;
    return { x0: x, x1: x + laid.wide[n.is], y0: y, y1: y + TALL };
  });
  for (const [i, a] of boxes.entries()) {
    expect(a.x0 >= 0 && a.y0 >= 0 && a.x1 <= laid.w + 1e-6 && a.y1 <= laid.h + 1e-6).toBe(true);
    for (const b of boxes.slice(i + 1)) {
      const apart = a.x1 <= b.x0 || b.x1 <= a.x0 || a.y1 <= b.y0 || b.y1 <= a.y0;
      if (!apart) throw new Error(`boxes on each other: ${JSON.stringify([a, b])}`);
    }
  }
  expect(laid.ways).toHaveLength(shape.edges.length);
}

/** Leads that lie between the same two columns and cross. */
function crossings(shape: TreeShape, laid: Laid): number {
  const ends = shape.edges.map((e) => [laid.at.get(e.from)!, laid.at.get(e.to)!] as const);
  return ends.reduce(
    (sum, [a, b], i) =>
      sum +
      ends
        .slice(i + 1)
        .filter(([c, d]) => a[0] === c[0] && b[0] === d[0] && (a[1] - c[1]) * (b[1] - d[1]) < -1e-6)
        .length,
    0,
  );
}

describe('a tree of what feeds what, laid out', () => {
  test.each(demoRigs)('no box on another, sources at the left: %s', (_name, { job, rig }) => {
    const shape = shapeOf(powerTree(build(job, rig, shared(job)), checkRig(job, rig)));
    if (shape.nodes.length === 0) return;
    const wide = laidOut(shape);
    tidy(shape, wide);
    for (const e of shape.edges)
      expect(wide.at.get(e.from)![0]).toBeLessThan(wide.at.get(e.to)![0]);
    // Each thing is fed by one lead: what is laid out is a tree, and of a tree none has to cross.
    expect(new Set(shape.edges.map((e) => e.to)).size).toBe(shape.edges.length);
    expect(crossings(shape, wide)).toBe(0);
    tidy(shape, laidNarrow(shape, 360));
  });

  test('a hundred and twenty links as well, and what a worker sends back is the same', () => {
    const shape = large(120);
    const laid = laidOut(shape);
    tidy(shape, laid);
    expect(structuredClone(laid)).toEqual(laid);
    expect(laidOut(structuredClone(shape))).toEqual(laid);
    expect(crossings(shape, laid)).toBe(0);
  });

  test('in whatever order it is told', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })), (keys) => {
        const shuffled = <T>(list: readonly T[]) =>
          list
            .map((x) => ({ x, k: keys.next().value! }))
            .sort((a, b) => a.k - b.k)
            .map(({ x }) => x);
        const { nodes, edges } = large(30);
        const shape = { nodes: shuffled(nodes), edges: shuffled(edges) };
        const laid = laidOut(shape);
        tidy(shape, laid);
        expect(crossings(shape, laid)).toBe(0);
      }),
      { numRuns: 30, seed: 7 },
    );
  });

  test('two outlets on one thing still have an order, as few leads as can crossing', () => {
    const shape: TreeShape = {
      nodes: [
        { id: 'pack', is: 'pack' },
        ...['a', 'b', 'c'].map((id) => ({ id, is: 'outlet' as const })),
        ...['x', 'y', 'z'].map((id) => ({ id, is: 'device' as const })),
      ],
      edges: [
        ...['a', 'b', 'c'].map((to) => ({ from: 'pack', to, name: '' })),
        ...[
          ['a', 'z'],
          ['b', 'x'],
          ['c', 'y'],
          ['c', 'x'],
        ].map(([from, to]) => ({ from: from!, to: to!, name: '-' })),
      ],
    };
    const laid = laidOut(shape);
    tidy(shape, laid);
    expect(crossings(shape, laid)).toBe(0);
  });

  test('figures and states move nothing, another link does', () => {
    const [, { job, rig }] = demoRigs.find(([, s]) => s.rig.id === 'tug-b')!;
    const tree = powerTree(build(job, rig, shared(job)), checkRig(job, rig));
    const other = {
      nodes: tree.nodes.map((n) => ({ ...n, line: 'x', state: 'fail' as const })),
      edges: tree.edges.map((e) => ({
        ...e,
        line: 'x',
        name: e.name === '' ? '' : 'another lead',
      })),
    };
    expect(shapeOf(other)).toEqual(shapeOf(tree));
    expect(shapeOf({ ...tree, edges: tree.edges.slice(1) })).not.toEqual(shapeOf(tree));
  });
});

describe('what is sent to what', () => {
  const laidBoth = (shape: TreeShape) => {
    tidy(shape, laidOut(shape));
    tidy(shape, laidNarrow(shape, 390));
  };

  test('is laid out on every rig, whatever is sent in circles', () => {
    const look = ({ job, rig }: Subject) => {
      const tree = signalTree(build(job, rig, shared(job)), checkRig(job, rig));
      const ids = new Set(tree.nodes.map((n) => n.id));
      expect(ids.size).toBe(tree.nodes.length);
      for (const e of tree.edges) expect([ids.has(e.from), ids.has(e.to)]).toEqual([true, true]);
      laidBoth(shapeOf(tree));
    };
    demoRigs.forEach(([, s]) => look(s));
    fc.assert(fc.property(anyRig, look), { numRuns: 15 });
    const tug = demoRigs[0]![1];
    for (const edit of sendings(tug.job, tug.rig)) look(changed(tug, edit.changes));
    const both = { carries: 'control', way: 'both' } as const;
    const ports = (part: string) => ({
      path: ['kit', part, 'ports'],
      value: [{ id: 'a', name: 'a', ...both }],
    });
    const ends = [
      { list: 'body', id: 'body', port: 'a' },
      { list: 'fitted', id: 'monitor', port: 'a' },
    ] as const;
    const sent = ends.map((from, i) => ({
      id: `c${i}`,
      carries: 'control',
      from,
      to: ends[1 - i]!,
    }));
    look(
      changed(tug, [
        ports('body-b'),
        ports('pane-5'),
        { path: ['rigs', tug.rig.id, 'signals'], value: sent },
      ]),
    );
  });

  test('a lead has the worst that is said of it, a port whether it is used twice', () => {
    const { job, rig } = demoRigs[0]![1];
    const said = checkRig(job, rig);
    const tree = signalTree(build(job, rig, shared(job)), said);
    const lead = tree.edges.find((e) => e.name === 'Bowline lead')!;
    expect([lead.from, lead.to, lead.line, lead.state]).toEqual([
      'port body/body/hdmi-out',
      'part fitted/monitor',
      'picture',
      'tight',
    ]);
    expect(tree.nodes.map((n) => [n.name, n.is, n.line, n.state])).toEqual([
      ['Pellin Pocket', 'pack', '', null],
      ['Pane 5', 'device', 'gets picture', 'ok'],
      ['HDMI out', 'outlet', 'of Pellin Pocket, picture', 'ok'],
      ['HDMI loop', 'outlet', 'of Pane 5, picture', null],
    ]);
    const bare = signalTree(build(job, rig, shared(job)), []);
    expect(bare.nodes.concat(bare.edges as never).every((x) => x.state === null)).toBe(true);
  });
});
