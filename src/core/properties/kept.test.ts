import fc from 'fast-check';
import { build, buildAfresh, buildTrial, shared, type Built } from '../build/build';
import { check } from '../areas/checks';
import { said } from '../checks/judge';
import { lightFigures } from '../areas/light/model/light';
import { readings } from '../readings/readings';
import type { Job } from '../kit/types';
import { anyWay } from './rigs';

/**
 * What is kept from one edit to the next says what it would say worked out anew: through edits,
 * steps back and forth, and with things tried in between.
 */

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
        const wanted = jobs.map((j) => all(buildAfresh(j, rigOf(j, id))));
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
