import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import fc from 'fast-check';
import { build, buildAfresh, buildTrial, shared, type Built } from '../build/build';
import { check } from '../areas/checks';
import { said } from '../checks/judge';
import { lightFigures } from '../areas/light/model/light';
import { readings } from '../readings/readings';
import type { Job } from '../kit/types';
import type { Rig } from '../kit/types';
import { demo } from '../test-kit';
import { anyWay } from './rigs';

/**
 * What is kept from one edit to the next says what it would say worked out anew: through edits,
 * steps back and forth, and with things tried in between.
 */

const JOB = demo();
const rigOf = (job: Job, id: string) => job.rigs.find((r) => r.id === id)!;
const all = (built: Built) => ({
  verdicts: check(built).map(said),
  readings: readings(built),
  light: lightFigures(built).total,
});

describe('what is kept from one edit to the next', () => {
  test('every step of a random way, there and back, says what it says by itself', () => {
    let same = 0;
    fc.assert(
      fc.property(anyWay, fc.array(fc.nat(99), { maxLength: 6 }), ({ id, jobs }, jumps) => {
        // Of a copy of its own: what is kept by the object that it is of is not there, either.
        const wanted = jobs.map((j) => {
          const copy = structuredClone(j);
          return all(buildAfresh(copy, rigOf(copy, id)));
        });
        const way = [...jobs.keys(), ...[...jobs.keys()].reverse(), ...jumps];
        for (const n of way) {
          const i = n % jobs.length;
          const built = build(jobs[i]!, rigOf(jobs[i]!, id));
          // A trial of another step first: what it leaves behind must not be taken for this one.
          const other = jobs[(i + 1) % jobs.length]!;
          const tried = buildTrial(built, other, rigOf(other, id), shared(other));
          expect(check(tried).map((v) => [v.key, v.state])).toEqual(
            wanted[(i + 1) % jobs.length]!.verdicts.map((v) => [v.key, v.state]),
          );
          expect(all(built)).toEqual(wanted[i]);
          same++;
        }
      }),
      { numRuns: 12 },
    );
    expect(same).toBeGreaterThan(100);
  });

  test('and is really kept: a drive that moves leaves what is ahead of it alone', () => {
    fc.assert(
      fc.property(anyWay, ({ id, jobs }) => {
        const [first] = jobs;
        const built = build(first!, rigOf(first!, id));
        check(built);
        const { counts } = built.reads.kept;
        const before = counts.made;
        // The same numbers in another rig object: nothing is read anew.
        const copy = { ...first!, rigs: first!.rigs.map((r) => ({ ...r })) };
        const again = build(copy, rigOf(copy, id));
        expect(check(again)).toEqual(check(built));
        expect(counts.made).toBe(before);
      }),
      { numRuns: 5 },
    );
  });
});

/** Paths of all numbers that a rig is set to. */
function numbersOf(node: unknown, path: readonly string[] = []): string[][] {
  if (typeof node === 'number') return [[...path]];
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node).flatMap(([k, v]) => numbersOf(v, [...path, k]));
}

/** The rig with one of its numbers a little larger; the rest of it are the same objects. */
function nudged<T>(node: T, [key, ...rest]: readonly string[], by: number): T {
  if (key === undefined) return ((node as number) + by) as T;
  const copy = (Array.isArray(node) ? [...node] : { ...node }) as Record<string, unknown>;
  copy[key] = nudged((node as Record<string, unknown>)[key], rest, by);
  return copy as T;
}

describe('what is not kept', () => {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const turn = () => new Promise((r) => setImmediate(r));
  const slots = JOB.rigs.flatMap((rig) => numbersOf(rig).map((path) => ({ rig, path })));

  test('rigs that are gone by are let go of, however their numbers are changed in turn', async () => {
    expect(slots.length).toBeGreaterThan(50);
    const steps = 60;
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...JOB.rigs),
        fc.array(fc.nat(), { minLength: 1, maxLength: 3 }),
        async (rig, picks) => {
          const own = slots.filter((s) => s.rig === rig);
          const base = shared(JOB);
          const gone: WeakRef<Rig>[] = [];
          let now = rig;
          for (let i = 0; i < steps; i++) {
            now = nudged(now, own[picks[i % picks.length]! % own.length]!.path, 1e-3);
            gone.push(new WeakRef(now));
            check(build(JOB, now, base)).map((v) => v.why);
            // A weak reference lives until the end of the turn that made it.
            await turn();
          }
          collect();
          await turn();
          // A few of each kind of change are kept on purpose.
          expect(gone.filter((r) => r.deref() !== undefined).length).toBeLessThan(30);
        },
      ),
      { numRuns: 12 },
    );
  }, 120_000);
});
