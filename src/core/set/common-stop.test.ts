import fc from 'fast-check';
import { build } from '../build/build';
import type { Lens } from '../kit/types';
import { demo, exactly, testJob, testLens, testReducer } from '../test-kit';
import { commonStop, sayCommonStop } from './common-stop';
import { setTable } from './table';

const lens = (id: string, more: Partial<Lens>): Lens =>
  testLens({ id, name: `Lens ${id}`, ...more });
const common = (lenses: Lens[], reducer?: number) => {
  const links =
    reducer === undefined ? undefined : [testReducer({ magnification: exactly(reducer) })];
  const job = testJob({ lens: lenses[0]!, more: lenses.slice(1), ...(links ? { links } : {}) });
  const [rig] = job.rigs;
  return commonStop(
    build(job, rig),
    lenses.map((l) => ({ lens: l, rig: { ...rig, lens: l.id } })),
  );
};

describe('the stop a whole set can hold', () => {
  test('the slowest decides, a zoom by its slower end', () => {
    const c = common([
      lens('a', { tStop: exactly(2) }),
      lens('z', {
        focal: exactly(18),
        focalTo: exactly(55),
        tStop: exactly(2.1),
        tStopTo: exactly(4),
      }),
      lens('b', { tStop: exactly(2.8) }),
    ]);
    expect(c.widest).toBeCloseTo(4, 9);
    expect(sayCommonStop(c)).toBe('All of them hold T4.0 at the chip; Lens z is the slowest.');
  });

  test('behind a reducer of 0.71 a T2.8 is a T1.99', () => {
    // T' = m T: handbook table of focal reducers.
    expect(common([lens('a', { tStop: exactly(2.8) })], 0.71).widest).toBeCloseTo(1.988, 9);
  });

  test('one that does not say makes it unknown; one that closes too little leaves no stop', () => {
    const c = common([lens('a', {}), lens('b', { tStop: undefined })]);
    expect(c.widest).toBeNull();
    expect(sayCommonStop(c)).toBe('What stop all of them hold is not known: Lens b does not say.');
    const none = common([
      lens('a', { tStop: exactly(5.6) }),
      lens('b', { tStop: exactly(1.4), smallestStop: exactly(4) }),
    ]);
    expect(sayCommonStop(none)).toMatch(/^No stop is common to all: Lens a opens to T5\.6/);
  });

  test('every lens holds it, and none needs less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 8, noNaN: true }), { minLength: 1, maxLength: 6 }),
        (stops) => {
          const c = common(stops.map((t, i) => lens(`l${i}`, { tStop: exactly(t) })));
          expect(c.widest).toBeCloseTo(Math.max(...stops), 9);
        },
      ),
      { numRuns: 50 },
    );
  });

  test('the lens set of the demo says it, with the filters that are on', () => {
    const job = demo();
    const table = setTable(
      job,
      job.rigs.find((r) => r.id === 'towpath-day')!,
    );
    expect(table.common.slowest).not.toBeNull();
    expect(sayCommonStop(table.common)).toMatch(/hold T\d|is not known/);
  });
});
