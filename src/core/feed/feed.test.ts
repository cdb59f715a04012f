import fc from 'fast-check';
import { gigabytesOf, keepsUp, minutesOn } from './card';
import { COPPER, drawnThrough, gaugeArea, leadOhms, mostThrough } from './copper';
import { cabinOf, hoursOf, meanWatts, packVolts, usableAt, USABLE } from './hours';
import { feed, overLead, feedWithin, type Fed, type FedWithin } from './network';
import { characterRate, overVeil, seenOn, serialClass, serialRate, SERIAL, TMDS } from './picture';

describe('copper', () => {
  // ASTM B258, areas of the wire tables, mm2.
  test.each([
    [20, 0.518],
    [22, 0.326],
    [24, 0.205],
    [26, 0.129],
    [28, 0.081],
  ])('gauge %d has %d mm2', (gauge, area) => {
    expect(gaugeArea(gauge)).toBeCloseTo(area, 3);
  });

  test('what is no gauge is said', () => {
    for (const g of [-1, 41, 20.5, NaN]) expect(() => gaugeArea(g)).toThrow(/whole number/);
  });

  test('1.2 m of gauge 24 at 2.5 A loses 0.50 V', () => {
    expect(2.5 * leadOhms(1.2, 0.205)).toBeCloseTo(0.5, 2);
    // Copper at 70 C has a fifth more (IEC 60028: 0.393 % a kelvin).
    expect(leadOhms(1, 1, 70) / leadOhms(1, 1)).toBeCloseTo(1.1965, 4);
    expect(leadOhms(0.5, 1)).toBeCloseTo(COPPER, 12);
  });

  test('24 W and 14 W over 3 m of gauge 28 from 12.0 V', () => {
    const ohms = leadOhms(3, 0.081);
    expect(drawnThrough(12, ohms, 24)!.amps).toBeCloseTo(2.89, 2);
    expect(drawnThrough(12, ohms, 24)!.volts).toBeCloseTo(8.31, 2);
    expect(drawnThrough(12, ohms, 14)!.volts).toBeCloseTo(10.26, 2);
    expect(mostThrough(12, ohms)).toBeCloseTo(28.2, 1);
    // Two of fourteen watts on one lead: just inside its limit, and a little more is not.
    expect(drawnThrough(12, ohms, 28)).not.toBeNull();
    expect(drawnThrough(12, ohms, mostThrough(12, ohms) + 1e-6)).toBeNull();
  });

  test('a lead by bisection of the volts at its end', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 30, noNaN: true }),
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 0.999, noNaN: true }),
        (volts, ohms, share) => {
          const watts = share * mostThrough(volts, ohms);
          // Above half of its volts what is left over falls in one direction.
          let [lo, hi] = [volts / 2, volts];
          for (let i = 0; i < 100; i++) {
            const mid = (lo + hi) / 2;
            if (mid + (ohms * watts) / mid > volts) hi = mid;
            else lo = mid;
          }
          expect(drawnThrough(volts, ohms, watts)!.volts).toBeCloseTo(lo, 6);
        },
      ),
    );
  });
});

/** A tree with the next free number for its ids. */
const tree = (depth: number): fc.Arbitrary<Fed> => {
  const device = fc
    .double({ min: 0, max: 12, noNaN: true })
    .map((watts): Fed => ({ is: 'device', id: '', watts }));
  if (depth === 0) return device;
  const below = tree(depth - 1);
  return fc.oneof(
    { weight: 1, arbitrary: device },
    {
      weight: 3,
      arbitrary: fc
        .tuple(fc.double({ min: 0, max: 1, noNaN: true }), below)
        .map(([ohms, to]): Fed => ({ is: 'lead', id: '', ohms, to })),
    },
    {
      weight: 2,
      arbitrary: fc
        .array(below, { minLength: 1, maxLength: 3 })
        .map((to): Fed => ({ is: 'outlets', id: '', to })),
    },
    {
      weight: 1,
      arbitrary: fc
        .tuple(
          fc.double({ min: 4, max: 9, noNaN: true }),
          fc.double({ min: 0.7, max: 0.98, noNaN: true }),
          below,
        )
        .map(([volts, efficiency, to]): Fed => ({
          is: 'converter',
          id: '',
          volts,
          efficiency,
          to,
        })),
    },
  );
};

function named(fed: Fed, id = '0'): Fed {
  if (fed.is === 'device') return { ...fed, id };
  if (fed.is === 'outlets') return { ...fed, id, to: fed.to.map((x, i) => named(x, `${id}.${i}`)) };
  return { ...fed, id, to: named(fed.to, `${id}.0`) };
}

/**
 * The second method: all points at once, amps summed from the ends to the source, volts from the source
 * to the ends, again and again (D. Shirmohammadi et al., "A compensation-based power flow method for
 * weakly meshed distribution and transmission networks", 1988).
 */
function bySweeps(volts: number, root: Fed): Map<string, { volts: number; amps: number }> | null {
  interface Point {
    fed: Fed;
    up: Point | null;
    v: number;
    i: number;
  }
  const points: Point[] = [];
  const walk = (fed: Fed, up: Point | null, v: number) => {
    const p: Point = { fed, up, v, i: 0 };
    points.push(p);
    const next = fed.is === 'converter' ? fed.volts : v;
    for (const x of fed.is === 'device' ? [] : fed.is === 'outlets' ? fed.to : [fed.to])
      walk(x, p, next);
  };
  walk(root, null, volts);
  for (let n = 0; n < 20_000; n++) {
    for (const p of points) p.i = p.fed.is === 'device' ? p.fed.watts / p.v : 0;
    for (const p of [...points].reverse()) {
      if (p.fed.is === 'converter') p.i = (p.fed.volts * p.i) / p.fed.efficiency / p.v;
      if (p.up) p.up.i += p.i;
    }
    let most = 0;
    for (const p of points) {
      const { up } = p;
      const v = !up
        ? volts
        : up.fed.is === 'converter'
          ? up.fed.volts
          : up.fed.is === 'lead'
            ? up.v - up.fed.ohms * up.i
            : up.v;
      most = Math.max(most, Math.abs(v - p.v));
      p.v = v;
      if (!(v > 0)) return null;
    }
    if (most < 1e-12) return new Map(points.map((p) => [p.fed.id, { volts: p.v, amps: p.i }]));
  }
  return null;
}

describe('a tree of what is fed', () => {
  test('one lead is the closed form', () => {
    const at = feed(12, {
      is: 'lead',
      id: 'lead',
      ohms: leadOhms(3, 0.081),
      to: { is: 'device', id: 'screen', watts: 24 },
    })!;
    expect(at.get('screen')).toEqual({
      volts: expect.closeTo(8.31, 2),
      amps: expect.closeTo(2.89, 2),
    });
    expect(at.get('lead')!.amps).toBeCloseTo(at.get('screen')!.amps, 9);
  });

  test('one lead in closed form is what is solved in steps, up to where it passes no more', () => {
    let none = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 360 }).map((v) => v / 10),
        fc.integer({ min: 0, max: 3000 }).map((r) => r / 1000),
        fc.integer({ min: 0, max: 1500 }).map((w) => w / 10),
        (volts, ohms, watts) => {
          const at = overLead(volts, ohms, watts);
          const solved = feed(volts, {
            is: 'lead',
            id: 'lead',
            ohms,
            to: { is: 'device', id: 'screen', watts },
          });
          if (!at) none++;
          // At the limit itself either may be right, by the last digit.
          if (Math.abs(volts ** 2 - 4 * ohms * watts) < 1e-6 * volts ** 2) return;
          expect(at === null).toBe(solved === null);
          if (!at) return;
          expect(at.volts).toBeCloseTo(solved!.get('screen')!.volts, 6);
          expect(at.amps).toBeCloseTo(solved!.get('screen')!.amps, 6);
        },
      ),
      { numRuns: 2000, seed: 12 },
    );
    expect(none).toBeGreaterThan(100);
    expect(overLead(0, 0.1, 5)).toBeNull();
    expect(overLead(NaN, 0.1, 5)).toBeNull();
    expect(overLead(12, 0, 24)).toEqual({ volts: 12, amps: 2 });
  });

  test('1,000 random trees against sweeps over all points', () => {
    let fed = 0;
    let not = 0;
    fc.assert(
      fc.property(tree(4), fc.double({ min: 10, max: 17, noNaN: true }), (shape, volts) => {
        const root = named(shape);
        const at = feed(volts, root);
        const other = bySweeps(volts, root);
        if (at === null || other === null) {
          // Near its limit the sweeps come to no end; what they find is never denied.
          if (other !== null) throw new Error('the sweeps found what was denied');
          not++;
          return;
        }
        fed++;
        expect(at.size).toBe(other.size);
        for (const [id, x] of other) {
          expect(at.get(id)!.volts).toBeCloseTo(x.volts, 6);
          expect(at.get(id)!.amps).toBeCloseTo(x.amps, 6);
        }
      }),
      { numRuns: 1000, seed: 141 },
    );
    expect(fed).toBeGreaterThan(800);
    expect(not).toBeGreaterThan(0);
  });

  test('more than a lead passes is no answer, wherever in the tree it is', () => {
    const over: Fed = {
      is: 'lead',
      id: 'thin',
      ohms: 1.28,
      to: { is: 'device', id: 'lamp', watts: 40 },
    };
    expect(feed(12, over)).toBeNull();
    expect(feed(12, { is: 'outlets', id: 'plate', to: [over] })).toBeNull();
    expect(feed(12, { is: 'converter', id: 'c', volts: 8, efficiency: 0.9, to: over })).toBeNull();
    for (const volts of [0, -1, NaN]) expect(feed(volts, named(over))).toBeNull();
  });

  test('10,000 draws stay inside the ends, and fill them', () => {
    const within: FedWithin = {
      is: 'lead',
      id: 'main',
      ohms: { lo: 0.02, hi: 0.05 },
      to: {
        is: 'outlets',
        id: 'plate',
        to: [
          { is: 'device', id: 'body', watts: { lo: 20, hi: 26 } },
          {
            is: 'lead',
            id: 'long',
            ohms: { lo: 0.2, hi: 0.4 },
            to: { is: 'device', id: 'screen', watts: { lo: 9, hi: 14 } },
          },
          {
            is: 'converter',
            id: 'dummy',
            volts: { lo: 7.2, hi: 7.6 },
            efficiency: { lo: 0.85, hi: 0.92 },
            to: {
              is: 'lead',
              id: 'thin',
              ohms: { lo: 0.1, hi: 0.3 },
              to: { is: 'device', id: 'motor', watts: { lo: 4, hi: 9 } },
            },
          },
        ],
      },
    };
    const source = { lo: 11.4, hi: 12.2 };
    const { at, sure } = feedWithin(source, within)!;
    expect(sure).toBe(true);
    // A draw that likes the ends: in a tree of ten numbers even ones seldom come near them together.
    let seed = 12;
    const even = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    const draw = ({ lo, hi }: { lo: number; hi: number }, all: number) =>
      lo + (hi - lo) * Math.min(1, Math.max(0, all + (even() - 0.5) * 0.3));
    const drawn = (f: FedWithin, all: number): Fed => {
      if (f.is === 'device') return { ...f, watts: draw(f.watts, all) };
      if (f.is === 'lead') return { ...f, ohms: draw(f.ohms, all), to: drawn(f.to, all) };
      if (f.is === 'outlets') return { ...f, to: f.to.map((x) => drawn(x, all)) };
      return {
        ...f,
        volts: draw(f.volts, 1 - all),
        efficiency: draw(f.efficiency, 1 - all),
        to: drawn(f.to, all),
      };
    };
    const seen = new Map([...at.keys()].map((id) => [id, { lo: Infinity, hi: -Infinity }]));
    const out: string[] = [];
    for (let i = 0; i < 10_000; i++) {
      const all = i % 2 ? even() : even() * 1.4 - 0.2;
      const one = feed(draw(source, 1 - all), drawn(within, all))!;
      for (const [id, { volts, amps }] of one) {
        const ends = at.get(id)!;
        const inside =
          volts >= ends.volts.lo - 1e-9 &&
          volts <= ends.volts.hi + 1e-9 &&
          amps >= ends.amps.lo - 1e-9 &&
          amps <= ends.amps.hi + 1e-9;
        if (!inside) out.push(`${id}: ${volts} V, ${amps} A`);
        const s = seen.get(id)!;
        s.lo = Math.min(s.lo, volts);
        s.hi = Math.max(s.hi, volts);
      }
    }
    expect(out).toEqual([]);
    for (const [id, s] of seen) {
      const { lo, hi } = at.get(id)!.volts;
      expect([id, (s.hi - s.lo) / (hi - lo) > 0.9]).toEqual([id, true]);
    }
  });

  test('what may not be fed at all is not sure, and its low end is nothing', () => {
    const w = feedWithin(
      { lo: 11, hi: 12.6 },
      {
        is: 'lead',
        id: 'thin',
        ohms: { lo: 1.2, hi: 1.3 },
        to: { is: 'device', id: 'lamp', watts: { lo: 20, hi: 30 } },
      },
    )!;
    expect(w.sure).toBe(false);
    expect(w.at.get('lamp')!.volts.lo).toBe(0);
    expect(w.at.get('lamp')!.amps.hi).toBe(Infinity);
  });
});

describe('hours', () => {
  test('98 Wh at 21.5 W last 3.87 h', () => {
    expect(hoursOf(98, usableAt(20), 21.5)).toBeCloseTo(3.87, 2);
    expect(hoursOf(98, usableAt(20), 0)).toBe(Infinity);
  });

  test('the share that can be used falls with the cold, through what the table says', () => {
    for (const [c, share] of USABLE) expect(usableAt(c)).toBeCloseTo(share, 12);
    expect(usableAt(-30)).toBe(0.55);
    expect(usableAt(45)).toBe(0.85);
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (c, more) => expect(usableAt(c + more)).toBeGreaterThanOrEqual(usableAt(c) - 1e-12),
      ),
    );
  });

  test('cells in series, a mean of the day, the cabin', () => {
    const pack = (n: number) => Object.values(packVolts(n)).map((v) => Math.round(v * 10) / 10);
    expect(pack(4)).toEqual([16.8, 14.4, 12]);
    expect(pack(2)).toEqual([8.4, 7.2, 6]);
    expect(
      meanWatts({ idle: 4, ready: 12, rolling: 20 }, { idle: 0.5, ready: 0.25, rolling: 0.25 }),
    ).toBe(10);
    expect([98, 100, 150, 160, 161].map(cabinOf)).toEqual([
      'usually free',
      'usually free',
      'with approval',
      'with approval',
      'refused',
    ]);
  });
});

describe('picture', () => {
  // SMPTE ST 274 with ST 292-1; ST 2081-10; ST 2082-10.
  test.each([
    [1080, 24, 10, '4:2:2', 1.485],
    [1080, 25, 10, '4:2:2', 1.485],
    [1080, 30, 8, '4:2:2', 1.485],
    [1080, 60, 10, '4:2:2', 2.97],
    [1080, 24, 12, '4:4:4', 2.97],
    [2160, 24, 10, '4:2:2', 5.94],
    [2160, 60, 10, '4:2:2', 11.88],
  ] as const)('%dp%d at %d bit %s is %d Gb/s', (lines, fps, bits, sampling, rate) => {
    const s = { lines, fps, bits, sampling };
    expect(serialRate(s)).toBeCloseTo(rate, 9);
    expect(serialClass(s)).toBe(rate);
    expect(SERIAL).toContain(rate);
  });

  test('more than the fastest class carries has none', () => {
    expect(serialClass({ lines: 2160, fps: 60, bits: 12, sampling: '4:4:4' })).toBeNull();
  });

  test('2160p60: 594 MHz fits 600, ten bits of 4:4:4 do not', () => {
    const at = (bits: 8 | 10, sampling: '4:2:0' | '4:2:2' | '4:4:4') =>
      characterRate({ lines: 2160, fps: 60, bits, sampling });
    expect(at(8, '4:4:4')).toBeCloseTo(594, 9);
    expect(at(10, '4:2:2')).toBeLessThan(TMDS['2.0']);
    expect(at(10, '4:4:4')).toBeCloseTo(742.5, 9);
    expect(at(8, '4:2:0')).toBeCloseTo(297, 9);
    expect(at(8, '4:2:0')).toBeLessThan(TMDS['1.4']);
  });

  test('on a screen of 5 in: 2.39, 9:16 and 2.00 as they are seen', () => {
    const on = (aspect: number) => seenOn(127, 16 / 9, aspect);
    expect(on(16 / 9)).toEqual({
      width: expect.closeTo(110.7, 1),
      height: expect.closeTo(62.3, 1),
    });
    expect(on(2.39).height).toBeCloseTo(46.3, 1);
    expect(on(9 / 16).width).toBeCloseTo(35, 1);
    expect(on(2).height).toBeCloseTo(55.3, 1);
  });

  test('white over the veil of daylight', () => {
    // 10,000 lx on a face that gives back 4 %: 127 cd/m2 of veil; 1,000 nits are 7.9 to one.
    expect(overVeil(1000, 10_000)).toBeCloseTo(7.85, 2);
    expect(overVeil(300, 10_000)).toBeLessThan(5);
  });
});

describe('cards', () => {
  test('minutes, there and back', () => {
    expect(minutesOn(1000, 1200)).toBeCloseTo(111.1, 1);
    expect(minutesOn(512, 2200)).toBeCloseTo(31, 1);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 8000, noNaN: true }),
        fc.double({ min: 10, max: 6000, noNaN: true }),
        (gb, rate) => expect(gigabytesOf(minutesOn(gb, rate), rate)).toBeCloseTo(gb, 6),
      ),
    );
  });

  test('a card that writes 180 MB/s keeps up with 1200 Mb/s, just, one of 170 does not', () => {
    expect(keepsUp(180, 1200)).toBeCloseTo(1, 12);
    expect(keepsUp(170, 1200)).toBeLessThan(1);
  });
});
