import fc from 'fast-check';
import { build, shared } from '../../build/build';
import type { Given } from '../../build/given';
import { demoStandings } from '../../properties/rigs';
import { spread } from '../../quantity/spread';
import type { Mix } from '../../feed/hours';
import { allOf } from './model/fed';
import { hoursOf, hoursOfLasting, type Lasting } from './model/lasting';
import { sourcesOn } from './model/sources';

/**
 * The ends of the hours are put together draw by draw; the general way moves every number of all of them
 * at once, and knows nothing of outlets.
 */
function agrees(own: ReturnType<typeof hoursOf>) {
  const ends = own.ends();
  const all = spread(
    own.inputs.map((g) => g.known!),
    own.hours,
  );
  expect(ends.value).toBeCloseTo(all.value, 9);
  expect(ends.lo).toBeCloseTo(all.lo, 9);
  expect(ends.hi).toBeCloseTo(all.hi, 9);
  expect(ends.shares).toHaveLength(all.shares.length);
  ends.shares.forEach((s, i) => expect(s).toBeCloseTo(all.shares[i]!, 7));
}

test.each(demoStandings)('on the demo: %s', (_name, { job, rig }) => {
  const built = build(job, rig, shared(job));
  for (const source of sourcesOn(built)) {
    const mixes: (Mix | undefined)[] = [
      undefined,
      { idle: 0.2, ready: 0.3, rolling: 0.5 },
      ...(['idle', 'ready', 'rolling'] as const).map(allOf),
    ];
    for (const mix of mixes) {
      const own = hoursOf(built, source, mix);
      if (source.feeds.length > 0 && own.inputs.every((g) => g.known)) agrees(own);
    }
  }
});

/** A number anywhere, as loose as it likes, or exact. */
const number = (min: number, max: number) =>
  fc
    .tuple(fc.integer({ min: 0, max: 1000 }), fc.integer({ min: 0, max: 4 }))
    .map(([of, loose]): Given => {
      const value = min + ((max - min) * of) / 1000;
      const tol = (value * loose) / 10;
      return {
        label: 'a number',
        unit: 'x',
        path: [],
        part: '',
        known: { value, tol, from: 'guess', lo: value - tol, hi: value + tol },
      } as unknown as Given;
    });

test('of random sources, while their leads pass what is drawn', () => {
  // Where a lead does not, what is taken is flat over stretches, and neither way shows a direction.
  let [passing, short] = [0, 0];
  fc.assert(
    fc.property(
      fc.array(number(10, 200), { minLength: 1, maxLength: 3 }),
      fc.array(
        fc.tuple(number(5, 26), number(0.05, 0.6), number(1, 60), fc.option(number(0.7, 1))),
        {
          minLength: 1,
          maxLength: 8,
        },
      ),
      (packs, outlets) => {
        const draws = outlets.map(([volts, ohms, watts, eff]): Lasting['draws'][number] => ({
          inputs: [volts, ohms, watts, ...(eff ? [eff] : [])],
          watts: ([v, r, w, e = 1]) => {
            const under = v! ** 2 - 4 * r! * w!;
            return (under < 0 ? NaN : (2 * w! * v!) / (v! + Math.sqrt(under))) / e;
          },
        }));
        const worst = outlets.every(([{ known: v }, { known: r }, { known: w }]) => {
          return v!.lo ** 2 > 4 * r!.hi * w!.hi;
        });
        if (!worst) return void short++;
        passing++;
        const starts = draws.map(
          (_, i) => packs.length + draws.slice(0, i).reduce((n, d) => n + d.inputs.length, 0),
        );
        agrees(
          hoursOfLasting({
            inputs: [...packs, ...draws.flatMap((d) => d.inputs)],
            held: (x) => packs.reduce((sum, _, i) => sum + x[i]!, 0),
            usable: 0.85,
            watts: (x) =>
              draws.reduce(
                (sum, d, i) => sum + d.watts(x.slice(starts[i], starts[i]! + d.inputs.length)),
                0,
              ),
            packs: packs.length,
            draws,
          }),
        );
      },
    ),
    { numRuns: 500, seed: 3 },
  );
  expect(passing).toBeGreaterThan(100);
  expect(short).toBeGreaterThan(100);
});
