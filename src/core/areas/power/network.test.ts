import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import type { Outlet } from '../../engine/part';
import type { Change, FedFrom, FittedUse, Job, Part, Rig } from '../../kit/types';
import { readJob, writeJob } from '../../format/read-job';
import { demoStandings, slotsOf } from '../../properties/rigs';
import { fixesFor } from '../../solve/fixes';
import { demo, exactly } from '../../test-kit';
import { checkRig } from '../checks';
import { netOf, rootOf } from './model/branch';
import { allOf, byDevice, devicesOn } from './model/fed';
import { changesIn, dayOf, sayDay } from './model/day';
import { offersOf } from './model/offers';
import { outletsOn } from './model/outlets';
import { sayHours } from './model/say';
import { swapsOn } from './model/swap';
import { powerTree } from './model/tree';

/** What is fed and gives on: converters, dummy batteries, screens with an outlet; switches, weak sockets. */

const base = demo();
const RIG = base.rigs[0]!;
const of = (id: string) => base.kit.find((p) => p.id === id)!;

/** A rig with a pack on a plate, and what hangs on it. */
function rigged(parts: readonly Part[], fitted: readonly FittedUse[], more: Partial<Rig> = {}) {
  const plate = {
    ...of('raft'),
    id: 'source',
    name: 'Source',
    outlets: [{ id: 'a', name: 'A', volts: exactly(14.4), amps: 20, plug: 'tap' }],
  } as Part;
  const rig: Rig = {
    ...RIG,
    drives: [],
    outlet: undefined,
    fitted: [
      { id: 'source', part: 'source', on: 'rods' },
      { id: 'pack', part: 'keel-98', on: 'rear', to: 'source' },
      ...fitted,
    ],
    ...more,
  };
  const job: Job = { ...base, kit: [...base.kit, plate, ...parts], rigs: [rig] };
  const built = build(job, rig, shared(job));
  const said = checkRig(job, rig);
  return { job, rig, built, said, key: (key: string) => said.find((v) => v.key === key) };
}

const device = (id: string, watts: number, outlets: Outlet[] = [], more: object = {}): Part =>
  ({
    ...of('pane-5'),
    id,
    name: id,
    watts: exactly(watts),
    wattsPeak: exactly(watts),
    voltsFrom: exactly(5),
    voltsTo: exactly(18),
    outlets,
    ...more,
  }) as Part;
const lead = (id: string, length: number, copper: number): Part =>
  ({ ...of('sheet'), id, name: id, length: exactly(length), copper: exactly(copper) }) as Part;
const fit = (id: string, part: string, outlet?: FedFrom): FittedUse => ({
  id,
  part,
  on: 'top',
  ...(outlet ? { outlet } : {}),
});

interface Node {
  watts: number;
  length: number;
  /** Volts that it gives on; null: those it has. */
  gives: number | null;
  efficiency: number;
  kids: Node[];
}
const anyNode = fc.letrec<{ node: Node }>((tie) => ({
  node: fc.record({
    watts: fc.double({ min: 0.5, max: 9, noNaN: true }),
    length: fc.double({ min: 100, max: 1500, noNaN: true }),
    gives: fc.option(fc.double({ min: 7, max: 13, noNaN: true })),
    efficiency: fc.double({ min: 0.7, max: 0.98, noNaN: true }),
    kids: fc.oneof<[fc.Arbitrary<Node[]>, fc.Arbitrary<Node[]>]>(
      { maxDepth: 3, depthIdentifier: 'kids' },
      fc.constant<Node[]>([]),
      fc.array(tie('node'), { minLength: 1, maxLength: 2, depthIdentifier: 'kids' }),
    ),
  }),
})).node;

const COPPER = 0.205;
/** IEC 60028, two conductors. */
const ohms = (n: Node) => (2 * 0.01724 * n.length) / 1000 / COPPER;

/**
 * By sweeps over all points: amps from the ends inwards at the volts there are, then volts from the source
 * outwards, until nothing moves. Null where they come to no end.
 */
function bySweeps(volts: number, root: Node): { amps: number; all: number[] } | null {
  const left = new Map<Node, number>();
  const drawn = (n: Node): number => {
    const v = left.get(n) ?? volts;
    return n.kids.reduce(
      (sum, k) => sum + (n.gives === null ? drawn(k) : (n.gives * drawn(k)) / n.efficiency / v),
      n.watts / v,
    );
  };
  const settle = (at: number, n: Node): number => {
    const v = at - ohms(n) * drawn(n);
    const moved = Math.abs(v - (left.get(n) ?? volts));
    left.set(n, v);
    return n.kids.reduce((most, k) => Math.max(most, settle(n.gives ?? v, k)), moved);
  };
  for (let i = 0; i < 400; i++) {
    const moved = settle(volts, root);
    if ([...left.values()].some((v) => !(v > 0.05))) return null;
    if (moved < 1e-10) {
      const list = (n: Node): number[] => [left.get(n)!, ...n.kids.flatMap(list)];
      return { amps: drawn(root), all: list(root) };
    }
  }
  return null;
}

/** The parts and uses of a tree; each device with one outlet for every other that hangs on it. */
function asRig(root: Node) {
  const parts: Part[] = [];
  const fitted: FittedUse[] = [];
  let n = 0;
  const walk = (x: Node, from: FedFrom) => {
    const id = `d${n++}`;
    const outlets = x.kids.map((_, i): Outlet => ({
      id: `o${i}`,
      name: `${i}`,
      plug: 'tap',
      amps: 10,
      ...(x.gives === null ? { passes: true } : { volts: exactly(x.gives) }),
    }));
    parts.push(
      lead(`${id}-lead`, x.length, COPPER),
      device(id, x.watts, outlets, { efficiency: exactly(x.efficiency) }),
    );
    fitted.push(fit(id, id, { ...from, lead: `${id}-lead` }));
    x.kids.forEach((k, i) => walk(k, { from: id, id: `o${i}` }));
  };
  walk(root, { from: 'source', id: 'a' });
  return { parts, fitted };
}

describe('what is fed and gives on', () => {
  test('random trees of a rig against sweeps, every volt and the amps of the plate', () => {
    let [fed, not] = [0, 0];
    fc.assert(
      fc.property(anyNode, (root) => {
        const { parts, fitted } = asRig(root);
        const { built } = rigged(parts, fitted);
        const f = byDevice(built).get('fitted:d0')!;
        const net = netOf(built, f, f.out!.volts, allOf('rolling'));
        const at = net.solve(net.inputs.map((g) => g.known!.value));
        const other = bySweeps(14.4, root);
        if (!other || !at) {
          // Near its limit the sweeps come to no end; what they find is never denied.
          expect(other).toBeNull();
          not++;
          return;
        }
        fed++;
        expect(at.get('fitted:d0')!.amps).toBeCloseTo(other.amps, 5);
        // Devices are named in the order that the other way meets them.
        other.all.forEach((v, i) => expect(at.get(`fitted:d${i}`)!.volts).toBeCloseTo(v, 5));
        // The lead that is drawn says the same.
        const tree = powerTree(built, []);
        const last = tree.edges.find((e) => e.to === 'device fitted:d0')!;
        expect(last.line).toContain(`${Math.round(at.get('fitted:d0')!.volts * 10) / 10} V`);
      }),
      { numRuns: 150, seed: 12 },
    );
    expect(fed).toBeGreaterThan(100);
    expect(fed + not).toBe(150);
  });

  test('10,000 draws of a screen behind another one stay inside the interval, and fill it', () => {
    const q = (value: number, tol: number) => ({ value, tol, from: 'sheet' as const });
    const parts = [
      { ...lead('l0', 900, 0.2), length: q(900, 20), copper: q(0.2, 0.02) } as Part,
      { ...lead('l1', 500, 0.2), length: q(500, 20), copper: q(0.2, 0.02) } as Part,
      device('near', 9, [{ id: 'loop', name: 'loop', passes: true, plug: 'tap', amps: 5 }], {
        wattsPeak: q(12, 2),
      }),
      device('far', 9, [], { wattsPeak: q(9, 1.5), voltsFrom: exactly(11) }),
    ];
    const { key } = rigged(parts, [
      fit('near', 'near', { from: 'source', id: 'a', lead: 'l0' }),
      fit('far', 'far', { from: 'near', id: 'loop', lead: 'l1' }),
    ]);
    const v = key('power.volts:fitted:far')!;
    let [lo, hi] = [Infinity, -Infinity];
    let seed = 11;
    const draw = (m: number, t: number) =>
      m + t * (2 * ((seed = (seed * 16807) % 2147483647) / 2147483647) - 1);
    for (let i = 0; i < 10_000; i++) {
      const [len0, cu0, len1, cu1] = [
        draw(900, 20),
        draw(0.2, 0.02),
        draw(500, 20),
        draw(0.2, 0.02),
      ];
      const [w0, w1] = [draw(12, 2), draw(9, 1.5)];
      // Two points, by turns, until neither moves.
      let [v0, v1] = [14.4, 14.4];
      for (let k = 0; k < 60; k++) {
        const i1 = w1 / v1;
        v0 = 14.4 - ((2 * 0.01724 * len0) / 1000 / cu0) * (w0 / v0 + i1);
        v1 = v0 - ((2 * 0.01724 * len1) / 1000 / cu1) * i1;
      }
      [lo, hi] = [Math.min(lo, v1 - 11), Math.max(hi, v1 - 11)];
    }
    expect(lo).toBeGreaterThanOrEqual(v.margin!.lo - 1e-6);
    expect(hi).toBeLessThanOrEqual(v.margin!.hi + 1e-6);
    expect((hi - lo) / (v.margin!.hi - v.margin!.lo)).toBeGreaterThan(0.6);
  });

  // 24 W behind a converter of 0.9 and 98 Wh x 0.85: 3.12 h. Common practice, no source.
  test('hours count what a converter burns, and count nothing twice', () => {
    const parts = [
      { ...of('keel-98'), id: 'own-pack' } as Part,
      device('step', 0, [{ id: 'o', name: 'o', volts: exactly(12), plug: 'tap', amps: 5 }], {
        kind: 'converter',
        efficiency: exactly(0.9),
      }),
      device('screen', 24),
      { ...lead('short', 1, 50) },
      { ...lead('short-2', 1, 50) },
    ];
    const { key } = rigged(
      parts,
      [
        fit('step', 'step', { from: 'source', id: 'a', lead: 'short' }),
        fit('screen', 'screen', { from: 'step', id: 'o', lead: 'short-2' }),
      ],
      { body: null },
    );
    const v = key('power.hours:source')!;
    // The plate's own outlet is regulated, too: house efficiency 0.88.
    expect(v.margin!.value + (base.goal?.hours ?? 0)).toBeCloseTo((98 * 0.85 * 0.9 * 0.88) / 24, 2);
    expect(key('power.amps:source/a')!.margin!.value).toBeCloseTo(20 - 24 / 0.9 / 14.4, 2);
    expect(key('power.amps:step/o')!.margin!.value).toBeCloseTo(5 - 2, 2);
  });

  test('what it takes for itself, or its efficiency, not said: nothing about it is ok', () => {
    const plain = { ...exactly(0.5) };
    const said = (more: object) => {
      const { key } = rigged(
        [
          { ...of('keel-98'), id: 'own-pack' } as Part,
          device('step', 0, [{ id: 'o', name: 'o', volts: exactly(12), plug: 'tap', amps: 5 }], {
            kind: 'converter',
            voltsFrom: exactly(9),
            voltsTo: exactly(18),
            efficiency: exactly(0.9),
            watts: plain,
            wattsPeak: undefined,
            ...more,
          }),
          device('screen', 6),
          lead('short', 1, 50),
          lead('short-2', 1, 50),
        ],
        [
          fit('step', 'step', { from: 'source', id: 'a', lead: 'short' }),
          fit('screen', 'screen', { from: 'step', id: 'o', lead: 'short-2' }),
        ],
        { body: null },
      );
      return ['power.volts:fitted:step', 'power.amps:source/a', 'power.hours:source'].map(
        (k) => key(k)!.state,
      );
    };
    expect(said({})).not.toContain('unknown');
    for (const missing of ['watts', 'efficiency'])
      expect(said({ [missing]: undefined })).toEqual(['unknown', 'unknown', 'unknown']);
  });

  test('a circle feeds nothing, and nobody is offered what they feed', () => {
    const loop = (id: string) => device(id, 5, [{ id: 'o', name: 'o', passes: true, plug: 'tap' }]);
    const { said, built } = rigged(
      [loop('x'), loop('y')],
      [fit('x', 'x', { from: 'y', id: 'o' }), fit('y', 'y', { from: 'x', id: 'o' })],
    );
    for (const k of ['fitted:x', 'fitted:y'])
      expect(said.find((v) => v.key === `power.volts:${k}`)!.state).toBe('unknown');
    expect(said.find((v) => v.id === 'power.feed')!.state).toBe('unknown');
    const chain = rigged(
      [loop('x'), device('z', 5)],
      [fit('x', 'x', { from: 'source', id: 'a' }), fit('z', 'z')],
    ).built;
    const out = outletsOn(chain).find((o) => o.from === 'x')!;
    expect(out.packs).toEqual(['pack']);
    expect(offersOf(chain, out).find((o) => o.device.id === 'x')).toMatchObject({
      can: 'no',
      why: 'feeds it',
    });
    expect(offersOf(chain, out).find((o) => o.device.id === 'z')!.can).not.toBe('no');
    expect(rootOf(built, byDevice(built).get('fitted:x')!)).toBeDefined();
  });

  test('what goes dark behind what goes dark is said at a change of the pack', () => {
    const { built } = rigged(
      [
        device('near', 9, [{ id: 'loop', name: 'loop', passes: true, plug: 'tap' }]),
        device('far', 3),
      ],
      [
        fit('near', 'near', { from: 'source', id: 'a', lead: 'sheet' }),
        fit('far', 'far', { from: 'near', id: 'loop' }),
      ],
    );
    const swap = swapsOn(built).find((s) => s.id === 'pack')!;
    expect(swap.dark.map((d) => d.id).sort()).toEqual(['far', 'near']);
    // A lead that nobody chose: what it loses is not known, wherever it hangs.
    const v = checkRig(built.job as Job, built.rig).find(
      (x) => x.key === 'power.volts:fitted:near',
    )!;
    expect(v.state).toBe('unknown');
  });
});

const standing = (name: string) => demoStandings.find(([n]) => n.endsWith(name))![1];
const edited = ({ job, rig }: { job: Job; rig: Rig }, changes: readonly Change[]) => {
  const after = applyEdit(job, { title: 'x', changes: [...changes] }).doc;
  return { job: after, rig: after.rigs.find((r) => r.id === rig.id)! };
};
const says = ({ job, rig }: { job: Job; rig: Rig }) => {
  const said = checkRig(job, rig);
  return (key: string) => said.find((v) => v.key === key);
};
function cures(s: { job: Job; rig: Rig }, key: string): string[] {
  const all = shared(s.job);
  const built = build(s.job, s.rig, all);
  return fixesFor(built, says(s)(key)!, all).map((f) => f.title);
}

describe('a dummy battery', () => {
  const dummy = standing('dummy battery');

  test('without a converter on four cells: do not plug it in; one with a converter is the fix', () => {
    for (const key of ['power.volts:body', 'power.volts:fitted:dummy']) {
      expect(says(dummy)(key)).toMatchObject({ state: 'fail' });
      expect(says(dummy)(key)!.why).toContain('do not plug it in');
      expect(cures(dummy, key)).toContain(
        'Use Stepped dummy for the Pocket instead of Dummy for the Pocket',
      );
    }
    const cured = edited(dummy, [
      { path: ['rigs', dummy.rig.id, 'fitted', 'dummy', 'part'], value: 'dummy-b-step' },
    ]);
    expect(says(cured)('power.volts:body')!.state).toBe('ok');
    expect(says(cured)('power.fit:body')!.state).toBe('ok');
  });

  test('of another battery does not go in; of which nobody said what it takes is not known', () => {
    const takes = (value: unknown) =>
      says(edited(dummy, [{ path: ['kit', 'body-b', 'chamber'], value }]))('power.fit:body')!.state;
    expect(takes('cell-2')).toBe('ok');
    expect(takes('cell-4')).toBe('fail');
    expect(takes(undefined)).toBe('unknown');
    // The volts are those of what it takes, whatever is pushed in.
    const cured = edited(dummy, [
      { path: ['rigs', dummy.rig.id, 'fitted', 'dummy', 'part'], value: 'dummy-b-step' },
    ]);
    const volts = (value: unknown) =>
      says(edited(cured, [{ path: ['kit', 'body-b', 'chamber'], value }]))('power.volts:body')!
        .state;
    expect([volts('cell-2'), volts('cell-4'), volts(undefined)]).toEqual(['ok', 'fail', 'unknown']);
  });

  test('the battery that it takes the place of holds nothing up', () => {
    const own = edited(dummy, [{ path: ['kit', 'body-b', 'ownPack'], value: true }]);
    const swap = (s: { job: Job; rig: Rig }) => swapsOn(build(s.job, s.rig, shared(s.job)))[0]!;
    expect(swap(own).dark.map((d) => d.id)).toContain('body');
    const led = edited(own, [
      { path: ['rigs', own.rig.id, 'outlet'], value: { from: 'plate', id: 'v14', lead: 'warp' } },
    ]);
    expect(swap(led).stays.map((d) => d.id)).toContain('body');
  });

  test('stands inside the body, flush with the face it goes in by', () => {
    const { built } = { built: build(dummy.job, dummy.rig, shared(dummy.job)) };
    const said = checkRig(dummy.job, dummy.rig, undefined);
    expect(said.filter((v) => v.state === 'fail' && v.pieces.includes('fitted:dummy'))).toEqual([]);
    expect(devicesOn(built).map((d) => d.device.id)).toContain('dummy');
  });
});

describe('an outlet with a switch', () => {
  const s = standing('switched outlet');
  const set = (switched: boolean | undefined) =>
    edited(s, [
      {
        path: ['rigs', s.rig.id, 'fitted', 'radio', 'outlet'],
        value: {
          from: 'plate',
          id: 'step',
          lead: 'tether',
          ...(switched === undefined ? {} : { switched }),
        },
      },
    ]);
  const states = (switched: boolean | undefined) =>
    ['power.switch', 'power.volts'].map((id) => says(set(switched))(`${id}:fitted:radio`)!.state);

  test('set wrong it fails, set right it is ok, and nobody knows while nobody said', () => {
    expect(states(true)).toEqual(['fail', 'fail']);
    expect(states(false)).toEqual(['ok', 'ok']);
    expect(states(undefined)).toEqual(['unknown', 'unknown']);
    for (const switched of [true, undefined])
      expect(cures(set(switched), 'power.switch:fitted:radio')).toEqual([
        'Set the switch of switched outlet of Punt plate to 7.4 V',
      ]);
  });

  test('where either position does it does not matter; where neither does no switch helps', () => {
    const runs = (from: number, to: number) => {
      const wide = edited(set(undefined), [
        { path: ['kit', 'conch', 'voltsFrom'], value: exactly(from) },
        { path: ['kit', 'conch', 'voltsTo'], value: exactly(to) },
      ]);
      return says(wide)('power.switch:fitted:radio')!.state;
    };
    expect(runs(5, 17)).toBe('ok');
    expect(runs(5, 9)).toBe('unknown');
    const neither = edited(set(true), [{ path: ['kit', 'conch', 'voltsTo'], value: exactly(7) }]);
    expect(says(neither)('power.switch:fitted:radio')!.why).toContain('runs on neither');
  });

  test('is kept in a file, and two links that say unlike things of one switch say nothing', () => {
    const read = readJob(writeJob(base));
    if (!read.ok) throw new Error('not read');
    const kept = read.value.rigs.flatMap((r) => r.configurations ?? []);
    expect(JSON.stringify(kept.find((c) => c.name === 'switched outlet'))).toContain(
      '"switched":true',
    );
    const two = edited(set(true), [
      {
        path: ['rigs', s.rig.id, 'fitted', 'monitor', 'outlet'],
        value: { from: 'plate', id: 'step', switched: false },
      },
    ]);
    expect(says(two)('power.switch:fitted:radio')!.state).toBe('unknown');
  });

  test('an outlet that is free is offered in the position that does', () => {
    const bare = edited(s, [
      { path: ['rigs', s.rig.id, 'fitted', 'radio', 'outlet'], value: undefined },
    ]);
    const built = build(bare.job, bare.rig, shared(bare.job));
    const out = outletsOn(built).find((o) => o.id === 'step')!;
    expect(offersOf(built, out).find((o) => o.device.id === 'radio')).toMatchObject({
      can: 'yes',
      from: { switched: false, lead: 'tether' },
    });
  });
});

describe('one socket of a camera for a drive and for power', () => {
  const s = standing('drive on a lead');
  const key = 'power.port:card:card';

  test('cannot be; a card in its slot is the fix; two sockets are well; nobody said is not known', () => {
    expect(says(s)(key)!.state).toBe('fail');
    expect(cures(s, key)).toContain('Use Locker 512 instead of Hold 1000');
    const told = (value: unknown) =>
      says(edited(s, [{ path: ['kit', 'body-c', 'inletData'], value }]))(key)!.state;
    expect([told(true), told(false), told(undefined)]).toEqual(['fail', 'ok', 'unknown']);
    // Another plug goes into another socket.
    expect(
      says(edited(s, [{ path: ['kit', 'hold-1t', 'plug'], value: 'usb-a' }]))(key),
    ).toBeUndefined();
    const blind = edited(s, [
      { path: ['kit', 'body-c', 'inlet'], value: undefined },
      { path: ['kit', 'ratline', 'plugTo'], value: undefined },
    ]);
    expect(says(blind)(key)!.state).toBe('unknown');
  });

  test('a weak socket wants a clamp; tied it is relieved; a plug that nobody said is not known', () => {
    const strain = 'cable.strain:body';
    expect(says(s)(strain)!.state).toBe('tight');
    expect(cures(s, strain)).toEqual(['Tie Ratline lead at its plugs']);
    const tied = edited(s, [
      {
        path: ['rigs', s.rig.id, 'outlet'],
        value: { from: 'plate', id: 'c15', lead: 'ratline', tied: true },
      },
    ]);
    expect(says(tied)(strain)!.state).toBe('ok');
    const plugs = (plug?: string, plugTo?: string) =>
      says(
        edited(s, [
          { path: ['kit', 'ratline', 'plug'], value: plug },
          { path: ['kit', 'ratline', 'plugTo'], value: plugTo },
        ]),
      )(strain)?.state;
    expect(plugs('tap', undefined)).toBe('unknown');
    expect(plugs('tap', 'usb-c')).toBe('tight');
    expect(plugs('tap', 'round-2')).toBeUndefined();
  });
});

test('the cold day at the lock: the pack is too small, and how large one would do is said', () => {
  const s = standing('cold lock');
  const v = says(s)('power.hours:plate')!;
  expect(v.state).toBe('tight');
  const wh = Number(/at least (\d+) Wh/.exec(v.wanted!.join())![1]);
  const with_ = (value: number) =>
    says(edited(s, [{ path: ['kit', 'keel-98', 'wattHours'], value: exactly(value) }]))(
      'power.hours:plate',
    )!.state;
  expect(with_(wh)).toBe('ok');
  expect(with_(wh - 2)).not.toBe('ok');
  expect(with_(98)).not.toBe('ok');
});

describe('a day', () => {
  const s = standing('cold lock');
  const daily = (day: number, count: number, from = s) =>
    edited(from, [
      { path: ['goal', 'day'], value: day },
      { path: ['kit', 'keel-98', 'count'], value: count },
    ]);
  const key = 'power.day:plate';

  test('there are as many packs as the day wants, one fewer is too few; how many more is said', () => {
    const said = says(daily(7, 4))(key)!;
    expect(said.state).toBe('fail');
    const more = Number(/^(\d+) more of Keel 98/.exec(said.wanted![0]!)![1]);
    expect(says(daily(7, 4 + more))(key)!.state).toBe('ok');
    expect(says(daily(7, 3 + more))(key)!.state).not.toBe('ok');
  });

  test('each set lasts what the hours say, changes come one set apart, the last line is where nothing is left', () => {
    const at = daily(7, 4);
    const built = build(at.job, at.rig, shared(at.job));
    const [plate] = dayOf(built);
    const hours = says(at)('power.hours:plate')!;
    const goal = at.job.goal!.hours!;
    expect(plate!.lasts!.value).toBeCloseTo(hours.margin!.value + goal, 9);
    expect(plate!.lasts!.lo).toBeCloseTo(hours.margin!.lo + goal, 9);
    const { value, lo } = plate!.lasts!;
    expect(changesIn(plate!, 7)).toEqual([1, 2, 3].map((i) => ({ at: i * value, worst: i * lo })));
    const lines = sayDay(plate!, 7);
    expect(lines).toHaveLength(5);
    expect(lines[4]).toBe(`Nothing is left from ${sayHours(4 * value)} to 7 h 00.`);
    // As many as last at worst leave nothing dark.
    const enough = daily(7, Math.ceil(7 / lo));
    expect(
      sayDay(dayOf(build(enough.job, enough.rig, shared(enough.job)))[0]!, 7).join(),
    ).not.toContain('Nothing');
  });

  test('no pack goes on after the day: what is there for the worst says so', () => {
    const minutes = (h: string, m: string) => 60 * Number(h) + Number(m);
    let spare = 0;
    for (let day = 1; day <= 14; day += 0.5) {
      const { job, rig } = daily(day, 6);
      for (const s of dayOf(build(job, rig, shared(job))))
        for (const line of sayDay(s, day)) {
          const [, h, m, to, until] = /from (\d+) h (\d+) to (\d+) h (\d+)/.exec(line) ?? [];
          if (h) expect(minutes(h, m!)).toBeLessThan(minutes(to!, until!) + 1);
          if (line.includes('only at worst, from')) spare++;
        }
    }
    expect(spare).toBeGreaterThan(2);
  });

  test('two packs on one plate go in twos; what is not fed, or has no number, is not known', () => {
    const two = standing('long night');
    const sets = dayOf(build(two.job, two.rig, shared(two.job)))[0]!.sets;
    const count = (id: string) => two.job.kit.find((p) => p.id === id)!.count!;
    expect(sets).toBe(Math.min(count('keel-98'), count('keel-150')));
    // Two plates that take the same pack share those that there are.
    const pack = (id: string, to: string): FittedUse => ({ id, part: 'keel-98', on: 'rear', to });
    const shared_ = rigged(
      [device('a', 9), device('b', 9)],
      [
        { id: 'second', part: 'raft', on: 'rods' },
        pack('pack-2', 'second'),
        fit('a', 'a', { from: 'source', id: 'a', lead: 'sheet' }),
        fit('b', 'b', { from: 'second', id: 'v14', lead: 'sheet' }),
      ],
      { body: null },
    );
    expect(dayOf(shared_.built).map((d) => d.sets)).toEqual([2, 2]);
    expect(count('keel-98')).toBe(5);
    for (const path of [
      ['kit', 'keel-98', 'wattHours'],
      ['kit', 'pane-5', 'watts'],
      ['rigs', s.rig.id, 'outlet'],
    ]) {
      const blind = edited(s, [{ path, value: undefined }]);
      expect(says(blind)(key)!.state).toBe('unknown');
      const [plate] = dayOf(build(blind.job, blind.rig, shared(blind.job)));
      expect(plate!.lasts).toBeNull();
      expect(sayDay(plate!, 7)).toEqual(['How long Keel 98 lasts is not known.']);
    }
    expect(says(edited(s, [{ path: ['goal', 'day'], value: undefined }]))(key)).toBeUndefined();
  });
});

test('no number taken away, of any part of these, makes anything of power ok', () => {
  const RANKED = ['fail', 'tight', 'unknown', 'ok'];
  for (const name of ['dummy battery', 'switched outlet', 'drive on a lead']) {
    const s = standing(name);
    const before = says(s);
    const on = new Set([
      'dummy-b',
      'punt',
      'conch',
      'tether',
      'ratline',
      'body-b',
      'body-c',
      'warp',
      'raft',
    ]);
    for (const slot of s.job.kit.filter((p) => on.has(p.id)).flatMap(slotsOf)) {
      const after = edited(s, [{ path: slot.path, value: undefined }]);
      for (const v of checkRig(after.job, after.rig)) {
        const was = before(v.key);
        if (!/^(power|cable)/.test(v.id) || !was || v.state !== 'ok') continue;
        expect([slot.path.join('/'), v.key, RANKED.indexOf(was.state)]).toEqual([
          slot.path.join('/'),
          v.key,
          3,
        ]);
      }
    }
  }
});
