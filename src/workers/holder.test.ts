import { patched, type JobPatch } from '../core/doc/patch';
import { withChanges } from '../core/edit/edit';
import type { Job } from '../core/kit/types';
import { demo } from '../core/test-kit';
import { Helper } from './helper';
import { Holder, type Holds } from './holder';

/** A worker that holds a job and says what it was sent. */
class Fake implements Holds {
  held: { job: Job; n: number } | null = null;
  readonly got: string[] = [];
  hold(job: Job, n: number) {
    this.held = { job: structuredClone(job), n };
    this.got.push('whole');
  }
  follow(patch: JobPatch, from: number, to: number) {
    if (this.held?.n !== from) return false;
    this.held = { job: patched(this.held.job, structuredClone(patch)), n: to };
    this.got.push('patch');
    return true;
  }
}

/** A helper whose worker is a Fake; a new one each time it is started anew. */
function holder() {
  const made: Fake[] = [];
  const helper = {
    now: new Fake(),
    run<R>(task: (w: Fake) => Promise<R>) {
      return task(this.now);
    },
  };
  made.push(helper.now);
  return {
    helper,
    of: new Holder(helper as unknown as Helper<Fake>),
    restart: () => made.push((helper.now = new Fake())),
  };
}

const job = demo();
const stop = (j: Job, t: number) => withChanges(j, [{ path: ['rigs', 'tug-b', 'stop'], value: t }]);

test('the job goes there once; after that what is other of it, and nothing when it is the same', async () => {
  const { of, helper } = holder();
  const ask = (j: Job) => of.ask(j, async (_w, n) => n);
  const first = await ask(job);
  expect(await ask(job)).toBe(first);
  expect(helper.now.got).toEqual(['whole']);
  let now = job;
  for (const t of [2.8, 4, 5.6]) {
    now = stop(now, t);
    expect(await ask(now)).toBe(helper.now.held!.n);
    expect(helper.now.held!.job).toEqual(now);
  }
  expect(helper.now.got).toEqual(['whole', 'patch', 'patch', 'patch']);
});

test('a worker that was started anew, and another job, are given the whole', async () => {
  const { of, helper, restart } = holder();
  await of.ask(job, async (_w, n) => n);
  restart();
  const next = stop(job, 8);
  await of.ask(next, async (_w, n) => n);
  expect(helper.now.got).toEqual(['whole']);
  expect(helper.now.held!.job).toEqual(next);
  await of.ask({ ...next, id: 'another' }, async (_w, n) => n);
  expect(helper.now.got).toEqual(['whole', 'whole']);
});

test('a worker that holds something else than was thought is given the whole', async () => {
  const { of, helper } = holder();
  await of.ask(job, async (_w, n) => n);
  helper.now.held = { job, n: -1 };
  const next = stop(job, 11);
  const n = await of.ask(next, async (_w, m) => m);
  expect(helper.now.held).toEqual({ job: next, n });
});

test('questions close together each know which state they are of', async () => {
  const { of, helper } = holder();
  const states = [job, stop(job, 2), stop(job, 4), stop(job, 8)];
  const ns = await Promise.all(states.map((j) => of.ask(j, async (_w, n) => n)));
  expect(new Set(ns).size).toBe(states.length);
  expect(helper.now.held).toEqual({ job: states[3], n: ns[3] });
});
