import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import type { Change, Job, Rig } from '../../kit/types';
import { checkRig } from '../checks';
import { demo, exactly } from '../../test-kit';
import { changesOf, nightOf, sayNight } from './model/night';

const base = demo();
const RIG = base.rigs.find((r) => r.id === 'tug-b')!;

const edited = (changes: Change[], job: Job = base) =>
  applyEdit(job, { title: 'edit', changes }).doc;
const rigOf = (job: Job): Rig => job.rigs.find((r) => r.id === RIG.id)!;
const builtOf = (job: Job) => build(job, rigOf(job), shared(job));
const said = (job: Job, key = 'night') =>
  checkRig(job, rigOf(job)).find((v) => v.key === `power.charge:${key}`);
const set = (part: string, field: string, value: unknown): Change => ({
  path: ['kit', part, field],
  value,
});

/** Chargers and packs with numbers that are known to the last digit. */
const plain = (more: Change[] = []) =>
  edited([
    { path: ['goal', 'night'], value: 8 },
    set('berth', 'bays', 2),
    set('berth', 'bayWatts', exactly(49)),
    set('berth', 'madeFor', ['keel-98']),
    set('keel-98', 'wattHours', exactly(98)),
    set('keel-98', 'count', 5),
    { path: ['rules', 'values', 'power.charging'], value: 0.8 },
    ...more,
  ]);

describe('chargers for the night', () => {
  test('98 Wh at 49 W of which four fifths fill: 2.5 h; five packs in two bays are three rounds', () => {
    const v = said(plain())!;
    // Wh / (W x share): 98 / (49 x 0.8) = 2.5; ceil(5 / 2) x 2.5 = 7.5.
    expect(v).toMatchObject({ state: 'ok', margin: { value: 0.5, lo: 0.5, hi: 0.5, unit: 'h' } });
    expect(v.why).toContain('in 7 h 30');
    expect(v.why).toContain('Packs are changed at 2 h 30 and 5 h 00.');
    const n = nightOf(builtOf(plain()));
    expect(sayNight(n)).toEqual([
      'Berth, bay 1: Keel 98, 1 of 5 to 2 h 30; then Keel 98, 3 of 5 from 2 h 30 to 5 h 00; then Keel 98, 5 of 5 from 5 h 00 to 7 h 30',
      'Berth, bay 2: Keel 98, 2 of 5 to 2 h 30; then Keel 98, 4 of 5 from 2 h 30 to 5 h 00',
    ]);
    expect(changesOf(n)).toEqual([2.5, 5]);
  });

  test('one pack more, or a shorter night, and it is said how many bays would do', () => {
    const six = said(plain([set('keel-98', 'count', 6)]))!;
    expect(six.margin!.value).toBeCloseTo(0.5, 9);
    const seven = said(plain([set('keel-98', 'count', 7)]))!;
    expect(seven.state).toBe('fail');
    expect(seven.margin!.value).toBeCloseTo(-2, 9);
    const more = Number(/^(\d+) more bay/.exec(seven.wanted![0]!)![1]);
    const enough = plain([set('keel-98', 'count', 7), set('berth', 'bays', 2 + more)]);
    expect(said(enough)!.state).toBe('ok');
    expect(said(plain([{ path: ['goal', 'night'], value: 7 }]))!.state).toBe('fail');
  });

  test('with tolerances: every draw is inside, and what is ok holds for all of them', () => {
    const q = (value: number, tol: number) => ({ value, tol, from: 'measured' });
    const job = plain([
      set('berth', 'bayWatts', q(49, 4)),
      set('keel-98', 'wattHours', q(98, 6)),
      set('berth', 'madeFor', ['keel-98', 'keel-150']),
      set('keel-150', 'wattHours', q(150, 10)),
      set('keel-150', 'count', 2),
    ]);
    const { margin } = said(job)!;
    const ends = { lo: Infinity, hi: -Infinity };
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 3 }, () => fc.double({ min: -1, max: 1, noNaN: true }))),
        ([a, b, c]) => {
          const drawn = edited(
            [
              set('berth', 'bayWatts', exactly(49 + 4 * a!)),
              set('keel-98', 'wattHours', exactly(98 + 6 * b!)),
              set('keel-150', 'wattHours', exactly(150 + 10 * c!)),
            ],
            job,
          );
          const { value } = said(drawn)!.margin!;
          ends.lo = Math.min(ends.lo, value);
          ends.hi = Math.max(ends.hi, value);
          expect(value).toBeGreaterThan(margin!.lo - 1e-9);
          expect(value).toBeLessThan(margin!.hi + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
    expect(ends.hi - ends.lo).toBeGreaterThan(0.5 * (margin!.hi - margin!.lo));
  });

  test('what nobody said is not ok: watts, bays, watt-hours, how many, what it charges', () => {
    const at = (c: Change[], key?: string) => said(plain(c), key);
    for (const c of [
      set('berth', 'bayWatts', undefined),
      set('berth', 'bays', undefined),
      set('keel-98', 'wattHours', undefined),
    ]) {
      const v = at([c])!;
      expect(v.state).toBe('unknown');
      expect(v.measure.map((m) => m.path)).toContainEqual(c.path);
    }
    const few = at([set('keel-98', 'count', undefined)])!;
    expect(few.state).toBe('tight');
    expect(few.why).toContain('nobody said');
    const open = [set('berth', 'madeFor', undefined)];
    expect(at(open)).toBeUndefined();
    expect(at(open, 'left')!.state).toBe('unknown');
    const none = { ...plain(), kit: plain().kit.filter((p) => p.id !== 'berth') };
    expect(said(none, 'left')).toMatchObject({ state: 'unknown' });
    const others = at([set('berth', 'madeFor', ['keel-150'])], 'left')!;
    expect(others.state).toBe('fail');
    expect(others.wanted).toEqual(['a charger for Keel 98']);
  });

  test('a charger that would have to be hired makes nothing ok', () => {
    const v = said(plain([set('berth', 'count', 0)]))!;
    expect(v.state).toBe('tight');
    expect(v.why).toContain('Berth would have to be hired.');
    expect(v.margin).toEqual(said(plain())!.margin);
  });

  test('nobody asks while no night is said; as many packs as cannot be planned are not known', () => {
    expect(said(plain([{ path: ['goal', 'night'], value: undefined }]))).toBeUndefined();
    expect(said(plain([set('keel-98', 'count', 61)]))!.state).toBe('unknown');
    expect(said(plain([set('keel-98', 'count', 999), set('berth', 'count', 999)]))!.state).toBe(
      'unknown',
    );
    // Of which there are none is hired: those on the rig are filled all the same.
    expect(nightOf(builtOf(plain([set('keel-98', 'count', 0)]))).packs).toHaveLength(1);
  });

  test('two chargers of one sort are twice the bays, each with its number', () => {
    const n = nightOf(builtOf(plain([set('berth', 'count', 2)])));
    expect(n.bays.map((b) => b.name)).toEqual([
      'Berth 1, bay 1',
      'Berth 1, bay 2',
      'Berth 2, bay 1',
      'Berth 2, bay 2',
    ]);
    expect(n.plan!.done).toBeCloseTo(5, 9);
  });

  test('a charger and the night are written and read again; a night of 25 hours is not', () => {
    const text = writeJob(plain());
    const read = readJob(text);
    expect(read.ok && said(read.value)!.margin).toEqual(said(plain())!.margin);
    const wild = readJob(text.replace(/"night": ?8/, '"night":25'));
    expect(wild.ok).toBe(false);
    expect(!wild.ok && JSON.stringify(wild)).toMatch(/night/);
  });
});

describe('against every plan there is, laid out by other means', () => {
  /** When the last pack is full in the best of all plans: each is put into each bay in turn. */
  function best(times: readonly (readonly (number | null)[])[], bays: number): number {
    if (times.length === 0) return 0;
    let least = Infinity;
    const all = bays ** times.length;
    for (let code = 0; code < all; code++) {
      const loads = new Array<number>(bays).fill(0);
      let rest = code;
      for (const of of times) {
        const t = of[rest % bays]!;
        loads[rest % bays]! += t ?? Infinity;
        rest = Math.floor(rest / bays);
      }
      least = Math.min(least, Math.max(...loads));
    }
    return least;
  }

  const watts = fc.integer({ min: 20, max: 90 });
  const anyNight = fc.record({
    night: fc.integer({ min: 2, max: 14 }),
    small: fc.integer({ min: 0, max: 3 }),
    large: fc.integer({ min: 1, max: 3 }),
    tol: fc.integer({ min: 0, max: 8 }),
    first: fc.record({
      bays: fc.integer({ min: 1, max: 2 }),
      watts,
      takes: fc.integer({ min: 1, max: 3 }),
    }),
    second: fc.option(
      fc.record({ bays: fc.constant(1), watts, takes: fc.integer({ min: 1, max: 3 }) }),
    ),
  });
  const IDS = ['keel-98', 'keel-150'] as const;
  const taken = (bits: number) => IDS.filter((_, i) => bits & (1 << i));

  test('as long as the best plan; ok where one holds at worst, fail where none does at best', () => {
    const states = new Map<string, number>();
    fc.assert(
      fc.property(anyNight, ({ night, small, large, tol, first, second }) => {
        const chargers = [first, ...(second ? [second] : [])];
        const job: Job = {
          ...edited([
            { path: ['goal', 'night'], value: night },
            set('keel-98', 'wattHours', exactly(98)),
            set('keel-150', 'wattHours', exactly(150)),
            set('keel-98', 'count', Math.max(1, small)),
            set('keel-150', 'count', large),
          ]),
        };
        const share = builtOf(job).rules['power.charging'];
        job.kit = [
          ...job.kit.filter((p) => p.kind !== 'charger'),
          ...chargers.map((c, i) => ({
            id: `charger-${i}`,
            kind: 'charger' as const,
            name: `Charger ${i}`,
            bays: c.bays,
            bayWatts: { value: c.watts, tol, from: 'measured' as const },
            madeFor: taken(c.takes),
          })),
        ];
        const v = said(job);
        const counts = [Math.max(1, small), large];
        const packs = IDS.flatMap((id, k) =>
          chargers.some((c) => taken(c.takes).includes(id))
            ? new Array<number>(counts[k]!).fill(k)
            : [],
        );
        if (packs.length === 0) return expect(v).toBeUndefined();
        const bays = chargers.flatMap((c) => new Array<typeof c>(c.bays).fill(c));
        const done = (off: number) =>
          best(
            packs.map((k) =>
              bays.map((c) =>
                taken(c.takes).includes(IDS[k]!) ? [98, 150][k]! / ((c.watts + off) * share) : null,
              ),
            ),
            bays.length,
          );
        expect(v!.margin!.value).toBeCloseTo(night - done(0), 6);
        if (v!.state === 'ok') expect(done(-tol)).toBeLessThanOrEqual(night + 1e-6);
        if (v!.state === 'fail') expect(done(tol)).toBeGreaterThan(night - 1e-6);
        if (done(tol) > night + 1e-6) expect(v!.state).toBe('fail');
        states.set(v!.state, (states.get(v!.state) ?? 0) + 1);
        return undefined;
      }),
      { numRuns: 120 },
    );
    for (const s of ['ok', 'tight', 'fail']) expect(states.get(s) ?? 0).toBeGreaterThan(3);
  });
});
