import fc from 'fast-check';
import { withChanges } from '../edit/edit';
import { anyRig } from '../properties/rigs';
import { demo } from '../test-kit';
import type { Job } from '../kit/types';
import { patched, patchOf } from './patch';

/** What a worker is sent has to make its job the page's job, whatever happened between. */

const through = (before: Job, after: Job) => {
  // Messages are copied: nothing of the page's own objects arrives.
  const sent = structuredClone(patchOf(before, after));
  return patched(before, sent);
};

describe('what is other of a job', () => {
  test('leads there from any state to any other, and back', () => {
    fc.assert(
      fc.property(anyRig, anyRig, ({ job: a }, { job: b }) => {
        expect(through(a, b)).toEqual(b);
        expect(through(b, a)).toEqual(a);
      }),
      { numRuns: 40, seed: 12 },
    );
  });

  test('of an edit it is one rig or one part, and the rest stays the same object', () => {
    const job = demo();
    const lens = withChanges(job, [{ path: ['rigs', 'tug-b', 'lens'], value: 'marl-35' }]);
    const patch = patchOf(job, lens);
    expect(patch).toEqual({
      rigs: { changed: [lens.rigs.find((r) => r.id === 'tug-b')] },
      rest: {},
      gone: [],
    });
    const there = through(job, lens);
    expect(there).toEqual(lens);
    expect(there.kit.every((p, i) => p === job.kit[i])).toBe(true);
    for (const r of job.rigs) if (r.id !== 'tug-b') expect(there.rigs).toContain(r);
    // A fraction of what the whole job would be.
    expect(JSON.stringify(patch).length * 20).toBeLessThan(JSON.stringify(job).length);
  });

  test('of a rig that is other, what says the same stays the object it was', () => {
    const job = demo();
    const was = job.rigs.find((r) => r.id === 'lockside-b')!;
    const [moved, ...others] = was.fitted!;
    const after = withChanges(job, [
      { path: ['rigs', was.id, 'fitted', moved!.id, 'station'], value: -91 },
    ]);
    const there = through(job, after).rigs.find((r) => r.id === was.id)!;
    expect(there).toEqual(after.rigs.find((r) => r.id === was.id));
    expect(there.fitted![0]).not.toBe(moved);
    for (const u of others) expect(there.fitted).toContain(u);
    expect(there.carry).toBe(was.carry);
  });

  test('what comes, goes and moves arrives in its order; fields that go are gone', () => {
    const job = demo();
    const [a, b, ...rest] = job.kit;
    const after: Job = {
      ...job,
      kit: [b!, { id: 'new', kind: 'lens', name: 'New' }, ...rest.slice(1), a!],
      rigs: [...job.rigs].reverse(),
      note: 'other',
    };
    delete (after as Partial<Job>).rules;
    const there = through(job, after);
    expect(there).toEqual(after);
    expect(there.kit.map((p) => p.id)).toEqual(after.kit.map((p) => p.id));
    expect(Object.hasOwn(there, 'rules')).toBe(false);
    expect(through(job, job)).toEqual(job);
  });
});
