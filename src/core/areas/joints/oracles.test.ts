import { interfaceType } from './kit/interfaces';
import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { at } from '../../build/lin';
import { applyEdit } from '../../edit/edit';
import type { Given } from '../../build/given';
import type { Part } from '../../kit/types';
import { anyRig, demoRigs, type Subject } from '../../properties/rigs';
import { inside } from '../../solids/oracles';
import { box, bounds, cylinder, union, type Solid, type Vec } from '../../solids/solid';
import { emptyJob } from '../../solve/rigs';
import { DRIVERS } from './kit/drivers';
import type { Interface } from './kit/parts';
import { accessOf, waysTo } from './model/access';
import { adapterChains } from './model/adapters';
import { clampedLength, closing, fitsByNumbers } from './model/fit';
import { freeHoles, freeStretches, hostsOn, isSlide, seatingsFor } from './model/free';
import { bridges, sideOf, type Edge } from './model/graph';
import { canBeHeld, canHold, interfacesOf } from './kit/sides';
import { holesTaken } from './kit/pattern';
import { isNamed, pieceAt, seatsOf, spotOfSeat } from './model/seats';
import { seat } from './moves/seat';
import { about, facing, poseOf, spotOf, turnedBy } from './place/pose';

/** What joints rest on, held against something that works it out another way. */

describe('bridges', () => {
  const graph = fc
    .tuple(
      fc.integer({ min: 1, max: 9 }),
      fc.array(fc.tuple(fc.nat(8), fc.nat(8)), { maxLength: 14 }),
    )
    .map(([n, pairs]) => ({
      nodes: Array.from({ length: n }, (_, i) => String(i)),
      edges: pairs
        .map(([a, b], i): Edge => ({ id: `e${i}`, a: String(a % n), b: String(b % n) }))
        .filter((e) => e.a !== e.b),
    }));

  test('are the joints without which something cannot be reached: each taken away in turn', () => {
    fc.assert(
      fc.property(graph, ({ nodes, edges }) => {
        const found = bridges(nodes, edges);
        for (const e of edges) expect(found.has(e.id)).toBe(!sideOf(e.a, edges, e.id).has(e.b));
      }),
      { numRuns: 400 },
    );
  });
});

describe('poses', () => {
  const dirs: Vec[] = [
    [1, 0, 0],
    [-1, 0, 0],
    [0, 1, 0],
    [0, -1, 0],
    [0, 0, 1],
    [0, 0, -1],
  ];

  test('a face is turned to look the other way of its host, and left stays left', () => {
    for (const own of dirs)
      for (const out of dirs) {
        const axes = facing(own, out);
        expect(turnedBy(axes, own)).toEqual(out.map((v) => -v + 0));
        // A rotation and no mirror: x cross y is z.
        const [x, y, z] = axes;
        const cross = [
          x[1] * y[2] - x[2] * y[1],
          x[2] * y[0] - x[0] * y[2],
          x[0] * y[1] - x[1] * y[0],
        ];
        expect(cross.map((v) => Math.round(v * 1e9) / 1e9 + 0)).toEqual(z.map((v) => v + 0));
      }
  });

  test('turning by a quarter four times comes back, by any angle keeps lengths', () => {
    fc.assert(
      fc.property(fc.constantFrom(...dirs), fc.integer({ min: -720, max: 720 }), (u, deg) => {
        const v: Vec = [1, 2, 3];
        const w = turnedBy(about(u, deg), v);
        expect(Math.hypot(...w)).toBeCloseTo(Math.hypot(...v), 9);
        const back = turnedBy(about(u, -deg), w);
        back.forEach((x, k) => expect(x).toBeCloseTo(v[k]!, 9));
      }),
    );
  });

  const value = (g: Given) => g.known?.value ?? 0;

  test('what is put on a free host has its own side on that of the host, looking at it', () => {
    const hold = ({ job, rig }: Subject) => {
      const built = build(job, rig, shared(job));
      for (const part of job.kit.filter((p) => interfacesOf(p).length > 0).slice(0, 20))
        for (const place of seatingsFor(built, part).slice(0, 6)) {
          const edit = seat(rig, part, place);
          const next = applyEdit(job, edit).doc;
          const now = next.rigs.find((r) => r.id === rig.id)!;
          const b = build(next, now, shared(next));
          const id = edit.changes[0]!.path[3]!;
          const s = seatsOf(b).find((x) => x.use.id === id)!;
          if (!isNamed(s)) throw new Error(`${part.name} is not seated`);
          const host = spotOfSeat(b, s)!;
          const own = spotOf(poseOf(pieceAt(b, s.piece)!)!, s.part, s.by);
          host.at.forEach((l, k) => expect(at(own.at[k]!, value)).toBeCloseTo(at(l, value), 6));
          own.out.forEach((v, k) => expect(v).toBeCloseTo(-host.out[k]!, 9));
          // It is taken now.
          if (isSlide(place.host.i)) {
            const guest = { part, i: place.by };
            // Whatever is still offered leaves both clamps room.
            const { clamp } = closing({ part: place.host.part, i: place.host.i }, guest);
            for (const slide of freeStretches(b, place.host, guest))
              expect(Math.abs(slide - place.slide)).toBeGreaterThanOrEqual(clamp.known!.value);
          } else expect(freeHoles(b, place.host, place.by)).not.toContain(place.n);
        }
    };
    for (const [, s] of demoRigs.slice(-1)) hold(s);
    fc.assert(
      fc.property(anyRig, (s) => hold(s)),
      { numRuns: 15 },
    );
  });
});

const side = (
  id: string,
  type: string,
  held: 'host' | 'guest' | 'either',
  more: Partial<Interface> = {},
): Interface => ({
  id,
  name: id,
  type,
  side: held,
  face: held === 'host' ? 'top' : 'bottom',
  ...more,
});

const anyInterface = (id: string): fc.Arbitrary<Interface> =>
  fc
    .record({
      type: fc.constantFrom('unc-1-4', 'unc-3-8', 'shoe', 'rail', 'rosette', 'own'),
      held: fc.constantFrom<'host' | 'guest' | 'either'>('host', 'guest', 'either'),
      pinned: fc.boolean(),
      count: fc.integer({ min: 1, max: 3 }),
      width: fc.integer({ min: 20, max: 23 }),
      pattern: fc.constantFrom('a', 'b'),
    })
    .map(({ type, held, pinned, count, width, pattern }) =>
      side(id, type, held, {
        ...(type.startsWith('unc')
          ? {
              count,
              spacing: 12,
              ...(held === 'guest' ? { length: 5 } : { depth: 6 }),
              ...(pinned ? { pinned } : {}),
            }
          : {}),
        ...(type === 'rail'
          ? held === 'host'
            ? { width, run: 60 }
            : { from: 21, to: 22, clamp: 20 }
          : {}),
        ...(type === 'own' ? { pattern } : {}),
        ...(type === 'rosette' ? (held === 'guest' ? { length: 5 } : { depth: 6 }) : {}),
      }),
    );

const anyKit: fc.Arbitrary<Part[]> = fc
  .array(
    fc.tuple(anyInterface('a'), anyInterface('b'), fc.option(anyInterface('c'), { nil: null })),
    { minLength: 1, maxLength: 5 },
  )
  .map((list) =>
    list.map(
      ([a, b, c], i) =>
        ({
          id: `p${i}`,
          kind: 'bracket',
          name: `P${i}`,
          interfaces: [a, b, ...(c ? [c] : [])],
        }) as unknown as Part,
    ),
  );

describe('adapters', () => {
  type End = { part: Part; i: Interface };
  const goes = (a: End, b: End) => {
    const fit = fitsByNumbers(a, b, 0.3);
    return fit !== false && a.i.type === b.i.type;
  };

  /** Every way of at most so many pieces, found by trying all of them. */
  function exhaustive(kit: readonly Part[], host: End, guest: End, most: number): string[][] {
    const out: string[][] = [];
    const go = (end: End, used: string[], said: string[]) => {
      if (goes(end, guest)) out.push(said);
      if (used.length === most) return;
      for (const part of kit) {
        if (used.includes(part.id)) continue;
        for (const by of interfacesOf(part))
          for (const holds of interfacesOf(part))
            if (by !== holds && canBeHeld(by) && canHold(holds) && goes(end, { part, i: by }))
              go(
                { part, i: holds },
                [...used, part.id],
                [...said, `${part.id} ${by.id} ${holds.id}`],
              );
      }
    };
    go(host, [], []);
    return out;
  }

  test('the shortest ways of a random kit are those of trying everything', () => {
    let found = 0;
    fc.assert(
      fc.property(anyKit, anyInterface('h'), anyInterface('g'), (kit, h, g) => {
        const host = {
          part: { id: 'host', kind: 'cage', name: 'Host', interfaces: [h] } as unknown as Part,
          i: h,
        };
        const guest = {
          part: { id: 'guest', kind: 'arm', name: 'Guest', interfaces: [g] } as unknown as Part,
          i: g,
        };
        const all = exhaustive(kit, host, guest, 3);
        const least = Math.min(...all.map((w) => w.length));
        const wanted =
          least === 0 ? [] : all.filter((w) => w.length === least).map((w) => w.join());
        const ways = adapterChains(kit, host, guest, 0.3).map((c) =>
          c.links.map((l) => `${l.part.id} ${l.by} ${l.at}`).join(),
        );
        expect([...ways].sort()).toEqual([...wanted].sort());
        if (ways.length > 0) found++;
      }),
      { numRuns: 1600 },
    );
    expect(found).toBeGreaterThan(20);
  });
});

describe('free places', () => {
  test('every place named free is held by nobody, and every hole that is left out is taken or too few', () => {
    fc.assert(
      fc.property(anyRig, ({ job, rig }) => {
        const built = build(job, rig, shared(job));
        const taken = new Set(
          seatsOf(built).flatMap((s) =>
            isNamed(s)
              ? holesTaken(s.at, s.by, s.use.n ?? 0).map((n) => `${s.host.piece} ${s.at.id} ${n}`)
              : [],
          ),
        );
        for (const h of hostsOn(built)) {
          // Along a rail, a dovetail or a rod things are slid: there are no holes.
          if (interfaceType(h.i.type)?.family === 'slide') continue;
          const one = side('one', h.i.type ?? 'unc-1-4', 'guest');
          const free = new Set(freeHoles(built, h, one));
          for (let n = 0; n < (h.i.count ?? 1); n++)
            expect(free.has(n)).toBe(!taken.has(`${h.piece} ${h.i.id} ${n}`));
        }
      }),
      { numRuns: 30 },
    );
  });
});

describe('clamps', () => {
  test('on a rail that others are on a clamp goes where trying every half millimetre finds room', () => {
    const q = (value: number) => ({ value, tol: 0, from: 'measured' as const });
    const clampOf = (id: string, clamp: number): Part =>
      ({
        id,
        kind: 'accessory',
        name: id,
        interfaces: [
          { id: 'jaw', name: 'jaw', type: 'rail', side: 'guest', face: 'bottom', clamp: q(clamp) },
        ],
      }) as unknown as Part;
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 8, max: 60 }),
        fc.array(
          fc.record({
            at: fc.integer({ min: -150, max: 150 }),
            clamp: fc.integer({ min: 8, max: 60 }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        (run, clamp, on) => {
          const body = {
            id: 'b',
            kind: 'body',
            name: 'b',
            interfaces: [
              { id: 'rail', name: 'rail', type: 'rail', side: 'host', face: 'top', run: q(run) },
            ],
          } as unknown as Part;
          const kit = [body, clampOf('new', clamp), ...on.map((c, i) => clampOf(`c${i}`, c.clamp))];
          const job = { ...emptyJob('J', 'j'), kit };
          const rig = {
            ...job.rigs[0]!,
            body: 'b',
            fitted: on.map((c, i) => ({
              id: `u${i}`,
              part: `c${i}`,
              on: 'top' as const,
              at: 'rail',
              by: 'jaw',
              slide: c.at,
            })),
          };
          const built = build(job, rig);
          const host = hostsOn(built).find((h) => h.i.id === 'rail')!;
          const own = interfacesOf(kit[1]!)[0]!;
          const found = freeStretches(built, host, { part: kit[1]!, i: own });
          const room: number[] = [];
          for (let x = -300; x <= 300; x++) {
            const at = x / 2;
            const lies = Math.abs(at) + clamp / 2 <= run / 2;
            const clear = on.every((c) => Math.abs(at - c.at) >= (c.clamp + clamp) / 2);
            if (lies && clear) room.push(at);
          }
          for (const x of found) expect(room).toContain(x);
          const nearest = Math.min(...room.map(Math.abs));
          // What is left between two clamps may hide the tightest of them: half a millimetre.
          if (room.length > 2 && found.length > 0)
            expect(Math.abs(found[0]!)).toBeLessThanOrEqual(nearest + 1);
          if (room.length > 4) expect(found.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('what sits on the rail is counted by laying it out in tenths of a millimetre', () => {
    fc.assert(
      fc.property(fc.nat(800), fc.nat(800), fc.integer({ min: -600, max: 600 }), (r, c, s) => {
        const [run, clamp, slide] = [r / 10, c / 10, s / 10];
        let n = 0;
        for (let x = -1000; x < 1000; x++) {
          const m = x / 10 + 0.05;
          if (Math.abs(m) < run / 2 && Math.abs(m - slide) < clamp / 2) n++;
        }
        expect(Math.max(0, clampedLength(run, clamp, slide))).toBeCloseTo(n / 10, 0);
      }),
      { numRuns: 100 },
    );
  });
});

describe('access', () => {
  const hex = DRIVERS.find((d) => d.id === 'hex-4')!;
  const head: Vec = [0, 0, 0];
  const up: Vec = [0, 1, 0];

  const block = fc
    .record({
      x: fc.integer({ min: -60, max: 60 }),
      y: fc.integer({ min: -10, max: 110 }),
      z: fc.integer({ min: -60, max: 60 }),
      w: fc.integer({ min: 4, max: 30 }),
      h: fc.integer({ min: 4, max: 30 }),
      round: fc.boolean(),
    })
    .map(({ x, y, z, w, h, round }): Solid =>
      round ? cylinder([x, y, z], w / 2, h / 2, [1, 0, 0]) : box([x, y, z], [w / 2, h / 2, w / 2]),
    );

  /** Whether any point of a fine grid lies in both, well inside. */
  function meetSampled(a: readonly Solid[], b: Solid): boolean {
    const e = bounds(b);
    const step = 2;
    for (let x = e[0]; x <= e[3]; x += step)
      for (let y = e[1]; y <= e[4]; y += step)
        for (let z = e[2]; z <= e[5]; z += step)
          if (inside(b, [x, y, z]) && a.some((s) => inside(s, [x, y, z]))) return true;
    return false;
  }

  test('agrees with points thrown densely into every way of the tool', () => {
    let [free, blocked] = [0, 0];
    fc.assert(
      fc.property(fc.array(block, { maxLength: 5 }), (solids) => {
        const ways = waysTo(hex, head, up, 30, 0);
        const around = solids.map((solid) => ({ solid, loose: 0 }));
        const found = accessOf(ways, around, 0);
        const hit = ways.map((w) => solids.some((s) => meetSampled(w.solids, s)));
        if (found.state === 'free') {
          // Some way is free, so some way has no point in it.
          expect(hit.every((x) => x)).toBe(false);
          free++;
        }
        if (hit.every((x) => x)) {
          expect(found.state).toBe('blocked');
          blocked++;
        }
      }),
      { numRuns: 120 },
    );
    expect(free).toBeGreaterThan(20);
    expect(blocked).toBeGreaterThan(5);
  });

  test('a bent key gets under what a straight one cannot, and not under what is lower', () => {
    const lid = (y: number) => [{ solid: box([0, y + 20, 0], [40, 20, 40]), loose: 0 }];
    expect(accessOf(waysTo(hex, head, up, 30, 0), lid(120), 0).state).toBe('free');
    expect(accessOf(waysTo(hex, head, up, 30, 0), lid(40), 0).state).toBe('free');
    expect(accessOf(waysTo(hex, head, up, 30, 0), lid(30), 0).state).toBe('blocked');
    // Fingers need room around a knob.
    const fingers = DRIVERS.find((d) => d.id === 'fingers')!;
    const wall = (x: number) => [{ solid: box([x + 5, 10, 0], [5, 30, 30]), loose: 0 }];
    expect(accessOf(waysTo(fingers, head, up, 0, 0), wall(21), 0).state).toBe('free');
    expect(accessOf(waysTo(fingers, head, up, 0, 0), wall(15), 0).state).toBe('blocked');
    expect(accessOf(waysTo(fingers, head, up, 0, 0), wall(20.5), 1).state).toBe('maybe');
  });

  test('a lever asks for a quarter of a turn somewhere about its screw', () => {
    const lever = DRIVERS.find((d) => d.id === 'lever')!;
    const ring = [-1, 1].flatMap((s) => [
      { solid: box([s * 40, 0, 0], [10, 20, 60]), loose: 0 },
      { solid: box([0, 0, s * 40], [60, 20, 10]), loose: 0 },
    ]);
    expect(accessOf(waysTo(lever, head, up, 0, 40), ring, 0).state).toBe('blocked');
    expect(accessOf(waysTo(lever, head, up, 0, 40), ring.slice(1), 0).state).toBe('free');
    expect(accessOf(waysTo(lever, head, up, 0, 25), ring, 0).state).toBe('free');
  });

  test('keys stand out by as much as their standard says', () => {
    // ISO 2936, from memory: long and short arm of a key of 4 mm.
    expect([hex.long, hex.short]).toEqual([74, 29]);
    const reach = waysTo(hex, head, up, 30, 0)
      .filter((w) => w.what === 'straight')
      .flatMap((w) => w.solids.map(bounds))
      .reduce(union);
    expect(reach[4]).toBeCloseTo(104, 9);
  });
});
