import fc from 'fast-check';
import { build, shared } from '../build/build';
import { check } from '../areas/checks';
import { fixesFor } from '../solve/fixes';
import { Trials } from '../solve/trial';
import type { Part } from '../kit/types';
import { anyRig, demoRigs, type Subject } from './rigs';

/** Titles, outcomes and costs of every fix of every finding, tried the short way or the long one. */
function offered({ job, rig }: Subject, exhaustive: boolean): Record<string, unknown[]> {
  const base = shared(job);
  const built = build(job, rig, base);
  const before = check(built);
  const trials = new Trials(built, base);
  return Object.fromEntries(
    before.map((v) => [
      v.key,
      fixesFor(built, v, base, trials, exhaustive).map((f) => ({
        title: f.title,
        state: f.state,
        change: f.change.map((c) => ({ path: c.path.map(nameless), value: nameless(c.value) })),
        cost: f.cost,
      })),
    ]),
  );
}

/** Uses that a move makes get an id of their own every time. */
function nameless(value: unknown): unknown {
  if (typeof value === 'string') return value.replace(/^([\w-]+)-\w{6}$/, '$1');
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([k, v]) => [k, k === 'id' ? undefined : nameless(v)]),
  );
}

/** The same rig with a rental house around it: every piece several times over. */
function among(s: Subject, times: number): Subject {
  const more = s.job.kit.flatMap((p) =>
    Array.from({ length: times }, (_, i): Part => ({
      ...p,
      id: `${p.id}-${i}`,
      name: `${p.name} ${i + 2}`,
    })),
  );
  const job = { ...s.job, kit: [...s.job.kit, ...more] };
  return { job, rig: job.rigs.find((r) => r.id === s.rig.id)! };
}

describe('what is not tried would not have been offered', () => {
  test.each(demoRigs)(
    '%s',
    (_name, s) => {
      expect(offered(s, false)).toEqual(offered(s, true));
    },
    120_000,
  );

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, (s) => {
        expect(offered(s, false)).toEqual(offered(s, true));
      }),
      { numRuns: 8 },
    );
  }, 300_000);

  test('a kit in which every piece is there three times', () => {
    const [, s] = demoRigs.find(([name]) => /Towpath, day/.test(name))!;
    const many = among(s, 2);
    expect(offered(many, false)).toEqual(offered(many, true));
  }, 300_000);

  test('in a kit of thousands every finding is still answered, from the pieces that there are', () => {
    const [, s] = demoRigs.find(([name]) => /Tug/.test(name))!;
    const many = among(s, 40);
    const short = offered(many, false);
    const few = offered(s, false);
    for (const [key, fixes] of Object.entries(few))
      if (fixes.length > 0) expect([key, short[key]!.length]).not.toEqual([key, 0]);
  }, 120_000);
});
