import { draws } from '../pupil/oracles';
import {
  chooseNd,
  densityOfStops,
  evOfLux,
  sceneStop,
  shutterTime,
  stopsBetween,
  stopsOfDensity,
  type NdChoice,
} from './exposure';

describe('light by hand', () => {
  test('180 degrees at 24 fps is 1/48 s', () => {
    expect(shutterTime(180, 24)).toBeCloseTo(1 / 48, 12);
    expect(shutterTime(172.8, 24)).toBeCloseTo(1 / 50, 12);
    expect(shutterTime(90, 120)).toBeCloseTo(1 / 480, 12);
  });

  test('density 0.3 is one stop: log10 of 2 is 0.30103', () => {
    for (const [density, stops] of [
      [0.3, 0.9966],
      [0.6, 1.9932],
      [0.9, 2.9897],
      [1.2, 3.9863],
      [1.8, 5.9795],
      [2.1, 6.976],
    ] as const) {
      expect(stopsOfDensity(density)).toBeCloseTo(stops, 4);
      expect(densityOfStops(stopsOfDensity(density))).toBeCloseTo(density, 12);
    }
  });

  test('EV is defined by N^2 / t: EV 15 at ISO 100 and 1/128 s is f/16', () => {
    expect(sceneStop(15, 100, 1 / 128)).toBeCloseTo(16, 10);
    // Sunny day at ISO 800, 1/48 s: four stops less time and three more speed than at 1/1000, ISO 100.
    expect(sceneStop(14, 800, 1 / 48)).toBeCloseTo(52.2558, 3);
    expect(sceneStop(0, 100, 1)).toBe(1);
  });

  test('from T52 to T2.8 it is 8.44 stops, from T4 to T5.6 close to one', () => {
    expect(stopsBetween(52.2558, 2.8)).toBeCloseTo(8.444, 3);
    expect(stopsBetween(5.6569, 4)).toBeCloseTo(1, 4);
    expect(stopsBetween(2, 2.8284)).toBeCloseTo(-1, 4);
  });

  test('2560 lx is EV 10: C = 250, ISO 2720', () => {
    expect(evOfLux(2560)).toBeCloseTo(10, 12);
    expect(evOfLux(2.5)).toBe(0);
  });
});

/** Every multiset of filters and every way to put it into slots, scored by the same order. */
function exhaustive(
  need: number,
  slots: readonly string[],
  filters: readonly NdChoice[],
  tol: number,
) {
  let best: number[] | null = null;
  const key = (chosen: readonly NdChoice[]) => {
    const off = Math.round(Math.abs(chosen.reduce((s, f) => s + f.stops, 0) - need) * 1e9) / 1e9;
    const hire = chosen.filter((f) => f.hire).length;
    return off <= tol + 1e-9 ? [0, chosen.length, hire, off] : [1, off, chosen.length, hire];
  };
  const walk = (slot: number, chosen: NdChoice[]) => {
    if (slot === slots.length) {
      const k = key(chosen);
      const i = best ? k.findIndex((v, n) => v !== best![n]) : 0;
      if (!best || (i >= 0 && k[i]! < best[i]!)) best = k;
      return;
    }
    walk(slot + 1, chosen);
    for (const f of filters)
      if (f.slots.includes(slots[slot]!) && chosen.filter((c) => c === f).length < f.count)
        walk(slot + 1, [...chosen, f]);
  };
  walk(0, []);
  return best!;
}

describe('choosing NDs', () => {
  test('the same as every way to fill every slot, 500 random cases', () => {
    const random = draws(17);
    let within = 0;
    for (let i = 0; i < 500; i++) {
      const slots = ['a', 'b', 'c', 'thread'].slice(0, 1 + Math.floor(random() * 4));
      const filters = Array.from({ length: 1 + Math.floor(random() * 6) }, (_, k): NdChoice => {
        const own = slots.filter(() => random() < 0.7);
        return {
          id: `f${k}`,
          stops: Math.round((1 + Math.floor(random() * 6)) * (0.95 + random() * 0.1) * 100) / 100,
          count: Math.floor(random() * 3),
          slots: own,
          hire: random() < 0.3,
        };
      });
      const need = random() * 10 - 1;
      const answer = chooseNd(need, slots, filters, 1 / 3);
      const want = exhaustive(need, slots, filters, 1 / 3);
      const off = Math.round(Math.abs(answer.error) * 1e9) / 1e9;
      const hire = answer.put.filter((p) => filters.find((f) => f.id === p.filter)!.hire).length;
      expect(
        off <= 1 / 3 + 1e-9 ? [0, answer.put.length, hire, off] : [1, off, answer.put.length, hire],
      ).toEqual(want);
      if (want[0] === 0) within++;
      // What is said can be done: each slot once, each filter where it fits and as often as it is there.
      expect(new Set(answer.put.map((p) => p.slot)).size).toBe(answer.put.length);
      for (const p of answer.put)
        expect(filters.find((f) => f.id === p.filter)!.slots).toContain(p.slot);
      for (const f of filters)
        expect(answer.put.filter((p) => p.filter === f.id).length).toBeLessThanOrEqual(f.count);
      expect(answer.stops - need).toBeCloseTo(answer.error, 9);
    }
    expect(within).toBeGreaterThan(100);
  });

  test('nothing needed, nothing put; nothing there, nothing put', () => {
    expect(
      chooseNd(0.1, ['a'], [{ id: 'x', stops: 1, count: 1, slots: ['a'], hire: false }], 0.34),
    ).toMatchObject({ put: [], stops: 0 });
    expect(chooseNd(5, [], [], 0.3)).toMatchObject({ put: [], error: -5 });
  });
});
