import { Helper, TaskEnded } from './helper';

/** A worker that answers, keeps silent, or dies. */
class Fake extends EventTarget {
  static made: Fake[] = [];
  ended = false;
  constructor() {
    super();
    Fake.made.push(this);
  }
  terminate() {
    this.ended = true;
  }
  postMessage() {}
}

const helper = (most = 1000) =>
  new Helper<Record<string, never>>(() => new Fake() as unknown as Worker, 'The helper', most);

beforeEach(() => (Fake.made = []));

test('an answer comes back and the worker stays', async () => {
  const h = helper();
  expect(await h.run(async () => 5)).toBe(5);
  expect(await h.run(async () => 6)).toBe(6);
  expect(Fake.made).toHaveLength(1);
});

test('a worker that dies ends what waits, says so, and the next task has a new one', async () => {
  const h = helper();
  const waits = h.run(() => new Promise<number>(() => undefined));
  Fake.made[0]!.dispatchEvent(new Event('error'));
  await expect(waits).rejects.toMatchObject({
    why: 'died',
    message: expect.stringContaining('started again'),
  });
  expect(Fake.made[0]!.ended).toBe(true);
  expect(await h.run(async () => 1)).toBe(1);
  expect(Fake.made).toHaveLength(2);
});

test('what takes too long is ended', async () => {
  const h = helper(20);
  await expect(h.run(() => new Promise(() => undefined))).rejects.toBeInstanceOf(TaskEnded);
  expect(Fake.made[0]!.ended).toBe(true);
});

test('what is cancelled is ended, and an error of the task is the task\u2019s own', async () => {
  const h = helper();
  const stop = new AbortController();
  const waits = h.run(() => new Promise(() => undefined), stop.signal);
  stop.abort();
  await expect(waits).rejects.toMatchObject({ why: 'cancelled' });
  // Stopped before it began: nothing is started for it.
  const made = Fake.made.length;
  await expect(h.run(async () => 1, stop.signal)).rejects.toMatchObject({ why: 'cancelled' });
  expect(Fake.made).toHaveLength(made);
  await expect(h.run(() => Promise.reject(new Error('bad file')))).rejects.toThrow('bad file');
});
