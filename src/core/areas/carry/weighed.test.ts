import { withChanges } from '../../edit/edit';
import { build, buildAfresh, shared, type Built } from '../../build/build';
import type { Given } from '../../build/given';
import { at, type Lin } from '../../build/lin';
import type { Job, Rig, Weighing } from '../../kit/types';
import { sideBySide } from '../../doc/side-by-side';
import { docOf } from '../../doc/write';
import { readJob } from '../../format/read-job';
import { mirrored } from '../../properties/mirrored';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { forgetWeighing, logWeighing } from './moves/weighing';
import { balanceOf, centreOf, degrees, leaning, massOf } from './model/balance';
import { hangingOf } from './model/drawn';
import type { Quotient } from './model/extremes';
import { HANGS } from './model/hold';
import { forecastOf, logOf, weighingOf } from './model/log';
import { corrected, type Row, type Unknown } from './model/measured';
import { measuredOf } from './model/rows';
import { weightsOf } from './model/weighed';
import { unweighed, type Weight } from './model/weights';

function random(seed: number): () => number {
  let s = seed;
  return () => ((s = (s * 16807) % 2147483647) - 1) / 2147483646;
}

/** Hidden truth of a rig: a value inside the tolerances of every number that its balance rests on. */
function truth(list: readonly Given[], rnd: () => number): (g: Given) => number {
  const drawn = new Map(
    list.map((g) => [g, g.known ? g.known.lo + rnd() * (g.known.hi - g.known.lo) : 400 * rnd()]),
  );
  return (g) => drawn.get(g) ?? g.known!.value;
}

/** What its own numbers say of a rig when all of them are as they truly are. */
function trueCentre(weights: readonly Weight[], read: (g: Given) => number) {
  const mass = weights.reduce((sum, w) => sum + read(w.mass), 0);
  const along = (l: (w: Weight) => Lin) =>
    weights.reduce((sum, w) => sum + read(w.mass) * at(l(w), read), 0) / mass;
  return { mass, centre: ([0, 1, 2] as const).map((k) => along((w) => w.at[k])) };
}

const numbers = (weights: readonly Weight[]): Given[] => [
  ...new Set(weights.flatMap((w) => [w.mass, ...w.at.flatMap((l) => l.terms.map((t) => t.g))])),
];

/** Demo rigs whose weights are known and that are held somewhere. */
function held(): { job: Job; rig: Rig }[] {
  const job = demo();
  return job.rigs
    .filter((rig) => rig.carry?.by !== undefined)
    .map((rig) => ({ job, rig }))
    .filter(({ rig }) => {
      const w = unweighed(build(job, rig, shared(job)));
      return w.length > 3 && w.every((x) => x.mass.known && x.at.every((l) => isFinite(l.loose)));
    });
}

/** Stands on top of something by its face, with nothing on it: it can be moved along by itself. */
const slides =
  (rig: Rig) =>
  (u: { id: string; part: string; on: string; at?: string }): boolean =>
    u.on !== 'rods' &&
    u.on !== 'under' &&
    u.part !== 'lattice' &&
    u.at === undefined &&
    !rig.fitted!.some((o) => o.to === u.id);

const after = (job: Job, rig: Rig, weighings: Weighing[]): Built => {
  const next = { ...job, weighings };
  return build(next, rig, shared(next));
};

const holds = (q: Quotient, v: number) => {
  const s = q.spread();
  return v >= s.lo - 0.02 && v <= s.hi + 0.02;
};

describe('a weighed whole, a hung tilt and an edge balance', () => {
  const rigs = held();

  test('there are rigs to try it on, one of them hangs', () => {
    expect(rigs.length).toBeGreaterThan(2);
    expect(rigs.some(({ rig }) => HANGS.has(rig.carry!.by!))).toBe(true);
  });

  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'hidden masses stay inside what is left of them, and come nearer (%i)',
    (seed) => {
      const rnd = random(seed * 7919);
      for (const { job, rig } of rigs) {
        const built = build(job, rig, shared(job));
        const own = unweighed(built);
        const read = truth(numbers(own), rnd);
        const t = trueCentre(own, read);
        const off = (tol: number) => (2 * rnd() - 1) * tol;
        const log: Weighing[] = [
          weighingOf(built, 'a', { what: 'scale' }, { value: t.mass + off(10), tol: 10 }, ''),
          weighingOf(
            built,
            'b',
            { what: 'edge', axis: 'z' },
            { value: t.centre[2]! + off(1), tol: 1 },
            '',
          ),
        ];
        const b = balanceOf(built)!;
        const down = at(b.hold.at[1], read) - t.centre[1]!;
        if (HANGS.has(b.hold.kind) && down > 5) {
          const lean = degrees((t.centre[0]! - at(b.hold.at[0], read)) / down);
          log.push(
            weighingOf(
              built,
              'c',
              { what: 'hung', axis: 'x' },
              { value: lean + off(0.3), tol: 0.3 },
              '',
            ),
          );
        }
        const now = after(job, rig, log);
        const m = measuredOf(now);
        expect(m.against.size).toBe(0);
        for (const w of weightsOf(now)) {
          const before = own.find((o) => o.key === w.key && o.part === w.part)!;
          const { lo, hi } = w.mass.known!;
          expect(read(before.mass)).toBeGreaterThan(lo - 0.02);
          expect(read(before.mass)).toBeLessThan(hi + 0.02);
          w.off.forEach((g, k) => {
            if (!g) return;
            const d = read(before.off[k as 0]!);
            expect(d > g.known!.lo - 0.02 && d < g.known!.hi + 0.02).toBe(true);
          });
        }
        // The whole: inside, and no wider than what was measured.
        const mass = massOf(now)!;
        expect(mass.lo <= t.mass + 0.02 && mass.hi >= t.mass - 0.02).toBe(true);
        expect(mass.hi - mass.lo).toBeLessThanOrEqual(20.1);
        const c = centreOf(now);
        expect(c.every((q, k) => holds(q, t.centre[k]!))).toBe(true);
        const z = c[2].spread();
        expect(z.hi - z.lo).toBeLessThanOrEqual(2.1);
      }
    },
  );

  test('a mass that nobody weighed comes out of the rest', () => {
    for (const { job, rig } of rigs) {
      const built = build(job, rig, shared(job));
      const target = [...unweighed(built)].sort(
        (a, b) => b.mass.known!.value - a.mass.known!.value,
      )[0]!.part;
      const count = unweighed(built).filter((w) => w.part === target).length;
      const hidden = unweighed(built).find((w) => w.part === target)!.mass.known!.value;
      const all = massOf(built)!.value;
      const kit = job.kit.map((p) => {
        if (p.id !== target.id) return p;
        const { mass: _gone, ...rest } = p;
        return rest as typeof p;
      });
      const without = { ...job, kit };
      expect(massOf(build(without, rig, shared(without)))).toBeNull();
      const w = weighingOf(
        build(without, rig, shared(without)),
        'a',
        { what: 'scale' },
        { value: all, tol: 5 },
        '',
      );
      expect(w.forecast).toBeUndefined();
      const now = after(without, rig, [w]);
      const got = weightsOf(now).find((x) => x.part.id === target.id)!.mass.known!;
      expect(got.lo).toBeLessThanOrEqual(hidden);
      expect(got.hi).toBeGreaterThanOrEqual(hidden);
      expect(Math.abs(got.value - hidden) * count).toBeLessThan(40);
      expect(massOf(now)!.hi - massOf(now)!.lo).toBeCloseTo(10, 6);
    }
  });

  test('least squares brings the masses nearer to what they are than they were', () => {
    let [before, now] = [0, 0];
    for (let seed = 1; seed <= 40; seed++) {
      const rnd = random(seed * 104729);
      for (const { job, rig } of rigs) {
        const built = build(job, rig, shared(job));
        const own = unweighed(built);
        const read = truth(numbers(own), rnd);
        const t = trueCentre(own, read);
        const log = (['x', 'y', 'z'] as const).map((axis, k) =>
          weighingOf(built, axis, { what: 'edge', axis }, { value: t.centre[k]!, tol: 0.5 }, ''),
        );
        log.push(weighingOf(built, 'm', { what: 'scale' }, { value: t.mass, tol: 5 }, ''));
        for (const w of weightsOf(after(job, rig, log))) {
          const was = own.find((o) => o.key === w.key && o.part === w.part)!.mass;
          before += (was.known!.value - read(was)) ** 2;
          now += (w.mass.known!.value - read(was)) ** 2;
        }
      }
    }
    expect(now).toBeLessThan(before * 0.9);
  });

  test('what is slid after it was balanced moves the centre by its share, and no more is in doubt', () => {
    const { job, rig } = rigs.find(({ rig: r }) => (r.fitted ?? []).some(slides(r)))!;
    const built = build(job, rig, shared(job));
    const z = centreOf(built)[2].spread().value;
    const edge = weighingOf(built, 'a', { what: 'edge', axis: 'z' }, { value: z + 4, tol: 1 }, '');
    const use = rig.fitted!.find(slides(rig))!;
    const moved: Rig = {
      ...rig,
      fitted: rig.fitted!.map((u) => (u.id === use.id ? { ...u, z: (u.z ?? 0) + 20 } : u)),
    };
    const s = centreOf(after(job, moved, [edge]))[2].spread();
    const all = weightsOf(built);
    const own = all.find((w) => w.key === `fitted:${use.id}`)!;
    const mass = all.reduce((sum, w) => sum + w.mass.known!.value, 0);
    const d =
      unweighed(after(job, moved, [])).find((w) => w.key === own.key)!.middle[2] - own.middle[2];
    expect(d).not.toBe(0);
    // A lead that hangs on it goes along.
    const goes = all.filter((w) => w.key === own.key);
    const along = goes.reduce((sum, w) => sum + w.mass.known!.value, 0);
    expect(s.value).toBeCloseTo(z + 4 + (d * along) / mass, 1);
    expect(s.hi - s.lo).toBeLessThan(4);
  });

  test('what was taken off since is taken out of it', () => {
    const { job, rig } = rigs.find(({ rig: r }) => (r.fitted ?? []).length > 2)!;
    const use = [...rig.fitted!].reverse().find((u) => !rig.fitted!.some((o) => o.to === u.id))!;
    const less: Rig = { ...rig, fitted: rig.fitted!.filter((u) => u !== use) };
    const rnd = random(99);
    const full = build(job, rig, shared(job));
    const read = truth(numbers(unweighed(full)), rnd);
    const t = trueCentre(unweighed(full), read);
    const log = [
      weighingOf(full, 'a', { what: 'scale' }, { value: t.mass, tol: 5 }, ''),
      weighingOf(full, 'b', { what: 'edge', axis: 'z' }, { value: t.centre[2]!, tol: 1 }, ''),
    ];
    // The same weights where they were, but for the one.
    const rest = unweighed(full).filter((w) => w.key !== `fitted:${use.id}`);
    const now = after(job, less, log);
    const still = unweighed(now).every((w) => {
      const o = rest.find((r) => r.key === w.key && r.part === w.part);
      return o && Math.abs(o.middle[2] - w.middle[2]) < 0.01;
    });
    expect(still).toBe(true);
    const truthNow = trueCentre(rest, read);
    expect(holds(centreOf(now)[2], truthNow.centre[2]!)).toBe(true);
    const m = massOf(now)!;
    expect(m.lo - 0.02 <= truthNow.mass && truthNow.mass <= m.hi + 0.02).toBe(true);
    const wide = massOf(after(job, less, []))!;
    expect(m.hi - m.lo).toBeLessThanOrEqual(wide.hi - wide.lo + 1e-9);
  });

  test('a number that was missing when it was balanced and is measured since is no move', () => {
    const { job, rig } = rigs[0]!;
    const built = build(job, rig, shared(job));
    const z = centreOf(built)[2].spread();
    const w = weighingOf(built, 'a', { what: 'edge', axis: 'z' }, { value: z.value, tol: 1 }, '');
    const [first, ...others] = w.on;
    const { loose: _unknown, ...place } = first!;
    // Then it was drawn 40 mm elsewhere, and nobody knew.
    const at = [place.at[0], place.at[1], place.at[2] - 40] as const;
    const now = after(job, rig, [{ ...w, on: [{ ...place, at }, ...others] }]);
    const s = centreOf(now)[2].spread();
    expect(s.value).toBeCloseTo(z.value, 6);
    expect(s.hi - s.lo).toBeCloseTo(z.hi - z.lo, 6);
  });

  test('a contradiction is found on the rig that was weighed, and on no other', () => {
    const [one, other] = [rigs[0]!, rigs[1]!];
    const built = build(one.job, one.rig, shared(one.job));
    const w = weighingOf(built, 'a', { what: 'scale' }, 2 * massOf(built)!.value, '');
    const said = (rig: Rig) =>
      check(after(one.job, rig, [w])).filter((v) => v.key === 'carry.mass:log:a').length;
    expect([said(one.rig), said(other.rig)]).toEqual([1, 0]);
  });

  test('a measurement never makes anything wider', () => {
    for (const { job, rig } of rigs) {
      const built = build(job, rig, shared(job));
      const f = forecastOf(built, { what: 'edge', axis: 'z' })!;
      const w = weighingOf(
        built,
        'a',
        { what: 'edge', axis: 'z' },
        { value: f.value, tol: 500 },
        '',
      );
      const s = centreOf(after(job, rig, [w]))[2].spread();
      expect(s.hi - s.lo).toBeLessThanOrEqual(f.hi - f.lo + 1e-6);
    }
  });

  test('what no numbers explain corrects nothing, is said, and is believed of the whole', () => {
    const { job, rig } = rigs[0]!;
    const built = build(job, rig, shared(job));
    const { value } = massOf(built)!;
    const w = weighingOf(built, 'a', { what: 'scale' }, { value: 2 * value, tol: 5 }, '');
    const now = after(job, rig, [w]);
    expect([...measuredOf(now).against]).toEqual(['a']);
    expect(measuredOf(now).corrections).toEqual([]);
    expect(massOf(now)!.value).toBeCloseTo(2 * value, 6);
    expect(logOf(now)[0]!.state).toBe('outside');
  });

  test('what the log says: forecast beside what came', () => {
    const { job, rig } = rigs[0]!;
    const built = build(job, rig, shared(job));
    const f = forecastOf(built, { what: 'scale' })!;
    const w = weighingOf(built, 'a', { what: 'scale' }, { value: f.value + 3, tol: 5 }, '');
    const [line] = logOf(after(job, rig, [w]));
    expect(line).toMatchObject({ state: 'inside', here: true, off: '3 g heavier than forecast' });
  });
});

describe('intervals and least squares by themselves', () => {
  const mass = (value: number, tol: number): Unknown => ({
    value,
    lo: value - tol,
    hi: value + tol,
  });

  // Two masses of 100 +- 10 and 300 +- 30 weighed as 420 +- 0: the 20 more are shared by the squares
  // of the tolerances, 20 x 100 / 1000 and 20 x 900 / 1000 (closed form of Aitken's solution).
  test('a weighed pair', () => {
    const row: Row = { id: 'r', what: 'sum', items: [0, 1], sum: { value: 420, lo: 420, hi: 420 } };
    const { masses } = corrected([mass(100, 10), mass(300, 30)], [], [row]);
    expect(masses[0]!.value).toBeCloseTo(102, 4);
    expect(masses[1]!.value).toBeCloseTo(318, 4);
    // 420 - 330 = 90, 420 - 270 = 150: nothing of the first is gained; the second is 310 to 330.
    expect(masses[0]).toMatchObject({ lo: 90, hi: 110 });
    expect(masses[1]).toMatchObject({ lo: 310, hi: 330 });
  });

  // A rod of 200 g at +100 and something at -50 that balance on an edge: 400 g.
  test('an edge gives a mass that nobody weighed', () => {
    const row: Row = {
      id: 'r',
      what: 'moment',
      items: [
        { mass: 0, at: 100, slack: 0, off: null },
        { mass: 1, at: -50, slack: 0, off: null },
      ],
    };
    const { masses } = corrected([mass(200, 0), { value: null, lo: 0, hi: Infinity }], [], [row]);
    expect(masses[1]!.lo).toBeCloseTo(400, 6);
    expect(masses[1]!.hi).toBeCloseTo(400, 6);
    expect(masses[1]!.value).toBeCloseTo(400, 6);
  });

  test('every point that satisfies the rows is left inside (100,000 draws)', () => {
    const rnd = random(17);
    for (let round = 0; round < 50; round++) {
      const n = 2 + Math.floor(3 * rnd());
      const masses = Array.from({ length: n }, () => mass(100 + 900 * rnd(), 5 + 60 * rnd()));
      const offs = Array.from({ length: n }, () => ({ value: 0, lo: -12, hi: 12 }));
      const real = masses.map((m) => m.lo + rnd() * (m.hi - m.lo));
      const shift = offs.map((o) => o.lo + rnd() * (o.hi - o.lo));
      const place = real.map(() => 400 * rnd() - 200);
      const sum = real.reduce((a, b) => a + b, 0);
      const edge = real.reduce((a, m, i) => a + m * (place[i]! + shift[i]!), 0) / sum;
      const rows: Row[] = [
        {
          id: 's',
          what: 'sum',
          items: real.map((_m, i) => i),
          sum: { value: sum, lo: sum - 3, hi: sum + 3 },
        },
        {
          id: 'e',
          what: 'moment',
          items: place.map((z, i) => ({ mass: i, at: z - edge, slack: 0.5, off: i })),
        },
      ];
      const out = corrected(masses, offs, rows);
      expect(out.against).toEqual([]);
      const outside = (m: readonly number[], d: readonly number[]) =>
        m.some((v, i) => v < out.masses[i]!.lo - 1e-3 || v > out.masses[i]!.hi + 1e-3) ||
        d.some((v, i) => v < out.offs[i]!.lo - 1e-3 || v > out.offs[i]!.hi + 1e-3);
      expect(outside(real, shift)).toBe(false);
      for (let draw = 0; draw < 2000; draw++) {
        const m = masses.map((u) => u.lo + rnd() * (u.hi - u.lo));
        const d = offs.map((u) => u.lo + rnd() * (u.hi - u.lo));
        const total = m.reduce((a, b) => a + b, 0);
        const moment = m.reduce((a, v, i) => a + v * (place[i]! + d[i]! - edge), 0);
        const fits = Math.abs(total - sum) <= 3 && Math.abs(moment) <= 0.5 * total;
        if (fits) expect(outside(m, d)).toBe(false);
      }
    }
  });

  test('wild input: nothing, zero, endless', () => {
    expect(corrected([], [], []).against).toEqual([]);
    const zero: Row = { id: 'z', what: 'sum', items: [], sum: { value: 5, lo: 5, hi: 5 } };
    expect(corrected([], [], [zero]).against).toEqual(['z']);
    const free = { value: null, lo: 0, hi: Infinity };
    const loose: Row = {
      id: 'l',
      what: 'moment',
      items: [{ mass: 0, at: 0, slack: Infinity, off: null }],
    };
    expect(corrected([free], [], [loose])).toMatchObject({
      against: [],
      masses: [{ value: null }],
    });
  });
});

test('how it hangs in space is how it leans in the two views', () => {
  let n = 0;
  for (const { job, rig } of held()) {
    const built = build(job, rig, shared(job));
    const h = hangingOf(built);
    expect(h !== null).toBe(HANGS.has(rig.carry!.by!));
    if (!h) continue;
    n++;
    const b = balanceOf(built)!;
    expect(h.down[2] / -h.down[1]).toBeCloseTo(leaning(b, b.fore).value(), 9);
    expect(h.down[0] / -h.down[1]).toBeCloseTo(leaning(b, b.side).value(), 9);
    expect(Math.hypot(...h.down)).toBeCloseTo(1, 12);
  }
  expect(n).toBeGreaterThan(0);
});

describe('measurements of rigs and the properties that hold for every rig', () => {
  /** Every rig with a scale, two edges and, where it hangs, both leans logged, a little off. */
  const logged = held().map(({ job, rig }) => {
    const built = build(job, rig, shared(job));
    const ways = [
      ...(['x', 'y', 'z'] as const).map((axis) => ({ what: 'edge' as const, axis })),
      ...(HANGS.has(rig.carry!.by!)
        ? (['x', 'z'] as const).map((axis) => ({ what: 'hung' as const, axis }))
        : []),
      { what: 'scale' as const },
    ];
    const weighings = ways.flatMap((m, i) => {
      const f = forecastOf(built, m);
      return f ? [weighingOf(built, `w${i}`, m, f.value + (f.hi - f.lo) / 20, '2026-05-01')] : [];
    });
    return { job: { ...job, weighings }, rig };
  });

  test('there and back through the file they are the same', () => {
    for (const { job } of logged) {
      const read = readJob(JSON.stringify(docOf(job)));
      expect(read.ok && read.value.weighings).toEqual(job.weighings);
    }
  });

  test('in the mirror they say the same of the other side', () => {
    for (const s of logged) {
      const other = mirrored(s);
      const own = centreOf(build(s.job, s.rig)).map((q) => q.spread());
      const seen = centreOf(build(other.job, other.rig)).map((q) => q.spread());
      expect(seen[0]!.value).toBeCloseTo(-own[0]!.value, 6);
      expect(seen[0]!.hi).toBeCloseTo(-own[0]!.lo, 6);
      for (const k of [1, 2] as const) {
        expect(seen[k]!.value).toBeCloseTo(own[k]!.value, 6);
        expect(seen[k]!.lo).toBeCloseTo(own[k]!.lo, 6);
      }
      const masses = (j: Job, r: Rig) => weightsOf(build(j, r)).map((w) => w.mass.known!.value);
      const [a, b] = [masses(s.job, s.rig), masses(other.job, other.rig)];
      a.forEach((m, i) => expect(b[i]).toBeCloseTo(m, 3));
    }
  });

  test('what stood before says the same as what is made afresh', () => {
    for (const { job, rig } of logged)
      for (const n of [0, 1, 2, job.weighings.length]) {
        const next = { ...job, weighings: job.weighings.slice(0, n) };
        const say = (b: Built) => check(b).map((v) => `${v.key} ${v.state} ${v.why}`);
        expect(say(build(next, rig, shared(next)))).toEqual(
          say(buildAfresh(next, rig, shared(next))),
        );
      }
  });

  test('kept and taken out again, the job is what it was', () => {
    const { job, rig } = held()[0]!;
    const e = logWeighing(build(job, rig), { what: 'scale' }, 5000, '2026-05-01');
    const next = withChanges(job, e.changes);
    expect(next.weighings).toHaveLength(1);
    expect(withChanges(next, forgetWeighing(next.weighings![0]!.id).changes)).toEqual(job);
  });

  test('what was measured in one configuration counts in all of them', () => {
    const job = demo();
    const rig = job.rigs.find((r) => r.id === 'lockside-b')!;
    const built = build(job, rig, shared(job));
    const { value } = forecastOf(built, { what: 'edge', axis: 'z' })!;
    const w = weighingOf(built, 'a', { what: 'edge', axis: 'z' }, value + 5, '');
    const side = sideBySide(docOf({ ...job, weighings: [w] }), rig.id)!;
    const plain = sideBySide(docOf(job), rig.id)!;
    const wide = (j: Job, r: Rig) => {
      const e = centreOf(build(j, r, shared(j)))[2].spread();
      return e.hi - e.lo;
    };
    const by = side.standings.map(
      (s, i) => wide(side.job, s.rig) / wide(plain.job, plain.standings[i]!.rig),
    );
    // Where nearly everything else is on it helps nothing, and harms nothing.
    expect(Math.max(...by)).toBeLessThanOrEqual(1 + 1e-9);
    expect(by.filter((x) => x < 0.9).length).toBeGreaterThanOrEqual(3);
  });

  test('wild records are refused with what was expected, and wild numbers settle nothing', () => {
    const { job, rig } = logged[0]!;
    const doc = docOf(job);
    const first = doc.records!.find((r) => r.kind === 'weighing');
    for (const [data, says] of [
      [{ what: 'scale' }, /data\.(value|on)/],
      [{ ...first!.data, what: 'scales' }, /"scale" or "edge" or "hung"/],
      [
        {
          ...first!.data,
          on: [{ part: 'x', key: 'k', at: [1, 2], size: [1, 1, 1], off: [0, 0, 0] }],
        },
        /on/,
      ],
    ] as const) {
      const read = readJob(JSON.stringify({ ...doc, records: [{ ...first!, data }] }));
      expect(read.ok).toBe(false);
      if (!read.ok)
        expect(read.problems.map((p) => `${p.path} ${p.expected}`).join('\n')).toMatch(says);
    }
    const w = job.weighings[0]!;
    for (const value of [0, -5, 1e6, { value: 5, tol: 1e5 }]) {
      const odd = {
        ...job,
        weighings: [
          { ...w, value },
          { ...w, id: 'n', what: 'scale' as const, value },
        ],
      };
      const built = build(odd, rig, shared(odd));
      for (const x of weightsOf(built)) {
        const k = x.mass.known!;
        expect(k.lo <= k.value && k.value <= k.hi && Number.isFinite(k.value)).toBe(true);
      }
      expect(() => check(built)).not.toThrow();
    }
  });
});
