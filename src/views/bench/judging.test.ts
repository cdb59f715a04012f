import { build } from '@/core/build/build';
import { CHECKS, checkRig, runChecks } from '@/core/areas/checks';
import { said } from '@/core/checks/judge';
import { newsOf, sayAll, type Said } from '@/core/checks/news';
import { withChanges } from '@/core/edit/edit';
import type { Job } from '@/core/kit/types';
import { demo } from '@/core/test-kit';
import { Judging, type Question, type Told } from './judging';

/** A clock that is told how long the checks take, and a worker that answers when it is told to. */
function bench() {
  const now = { ms: 0, takes: 20, spent: 20, dead: false };
  const asked: { rig: string; knows: number | null; answer: () => Promise<void> }[] = [];
  const rests: number[] = [];
  let told: { at: number; rig: string; said: Said } | null = null;
  const judging = new Judging(
    (built, checks) => {
      now.ms += now.takes;
      return runChecks(built, checks);
    },
    (job, rig, knows) =>
      new Promise((resolve, reject) => {
        const answer = async () => {
          now.ms += now.spent;
          if (now.dead) reject(new Error('gone'));
          const here = sayAll(
            build(
              job,
              job.rigs.find((r) => r.id === rig)!,
            ),
            CHECKS,
          );
          const known = told?.rig === rig && told.at === knows ? told.said : null;
          told = { at: (told?.at ?? 0) + 1, rig, said: here };
          resolve({ at: told.at, news: structuredClone(newsOf(known, here)), spent: now.spent });
          await new Promise((done) => setTimeout(done));
        };
        asked.push({ rig, knows, answer });
      }),
    () => now.ms,
    async (ms) => void rests.push(ms),
  );
  return { judging, now, asked, rests };
}

const job = demo();
const at = (stop: number, id = 'tug-b'): Question => {
  const next: Job = withChanges(job, [{ path: ['rigs', id, 'stop'], value: stop }]);
  const rig = next.rigs.find((r) => r.id === id)!;
  return { job: next, rig, built: build(next, rig), checks: CHECKS };
};
const truth = (q: Question) => checkRig(q.job, q.rig).map(said);

test('the page looks itself as long as that is quick, or slow by chance', () => {
  const { judging, now } = bench();
  for (const takes of [2, 20, 20, 2, 20, 20, 2]) {
    now.takes = takes;
    const q = at(2 + takes / 10);
    const told = judging.now(q)!;
    expect(told.of).toBe(q.built);
    expect(told.verdicts.map(said)).toEqual(truth(q));
  }
});

test('three slow edits, and somebody else looks: what was said last stands until then', async () => {
  const { judging, now, asked, rests } = bench();
  const seen: Told[] = [];
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  const [a, b, c] = [at(5.6), at(8), at(11)];
  const before = judging.now(a)!;
  expect(before.of).not.toBe(a.built);
  expect(before.verdicts.map(said)).toEqual(truth(at(4)));
  judging.follow(a, (t) => seen.push(t));
  // While it looks at the first, the second is overtaken by the third.
  for (const q of [b, c]) {
    judging.now(q);
    judging.follow(q, (t) => seen.push(t));
  }
  expect(asked).toHaveLength(1);
  await asked[0]!.answer();
  await asked[1]!.answer();
  expect(seen.map((t) => t.of)).toEqual([a.built, c.built]);
  expect(seen.map((t) => t.verdicts)).toEqual([truth(a), truth(c)]);
  expect(seen[1]!.n).toBeGreaterThan(seen[0]!.n);
  expect(asked.map((x) => x.knows)).toEqual([null, 1]);
  // Edits came faster than answers: the picture had the processor for twice as long in between.
  expect(rests).toEqual([2 * now.spent]);
  // Of another rig nothing was said yet, and it is quick again.
  now.takes = 2;
  expect(judging.now(at(2, 'anamorphic'))!.verdicts.length).toBeGreaterThan(0);
});

test('a question taken back is not asked; a quick answerer hands the rig back to the page', async () => {
  const { judging, now, asked } = bench();
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  now.spent = 1;
  const seen: Told[] = [];
  const ask = (stop: number) => {
    const q = at(stop);
    judging.now(q);
    return judging.follow(q, (t) => seen.push(t));
  };
  ask(5.6);
  ask(8)();
  await asked[0]!.answer();
  expect(asked).toHaveLength(1);
  for (const stop of [8, 11]) {
    ask(stop);
    await asked.at(-1)!.answer();
  }
  expect(seen).toHaveLength(3);
  const q = at(16);
  expect(judging.now(q)!.of).toBe(q.built);
});

test('when it is gone the page looks itself, and who comes next is told all of it', async () => {
  const { judging, now, asked } = bench();
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  const seen: Told[] = [];
  const ask = async (stop: number) => {
    const q = at(stop);
    judging.now(q);
    judging.follow(q, (t) => seen.push(t));
    await asked.at(-1)!.answer();
    expect(seen.at(-1)!.of).toBe(q.built);
    expect(seen.at(-1)!.verdicts.map(said)).toEqual(truth(q));
  };
  await ask(5.6);
  now.dead = true;
  await ask(8);
  now.dead = false;
  await ask(11);
  expect(asked.map((x) => x.knows)).toEqual([null, 1, null]);
});

test('an answer that comes late is of an earlier state, and is not shown over a later one', async () => {
  const { judging, now, asked } = bench();
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  now.spent = 1;
  now.takes = 2;
  const seen: Told[] = [];
  const ask = (stop: number) => {
    const q = at(stop);
    judging.now(q);
    judging.follow(q, (t) => seen.push(t));
  };
  for (const stop of [5.6, 8]) {
    ask(stop);
    await asked.at(-1)!.answer();
  }
  ask(11);
  ask(16);
  // The third quick answer hands the rig back; what was waiting is on its way already.
  await asked.at(-1)!.answer();
  const q = at(22);
  const here = judging.now(q)!;
  expect(here.of).toBe(q.built);
  await asked.at(-1)!.answer();
  expect(seen.at(-1)!.n).toBeLessThan(here.n);
  // Nor is it what stands until somebody has looked again.
  now.takes = 20;
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  expect(judging.now(at(5.6))!.n).toBeGreaterThan(here.n);
});

test('a copy of a job has rigs of the same names: what is said of one is not said of the other', () => {
  const { judging } = bench();
  for (const stop of [2, 2.8, 4]) judging.now(at(stop));
  expect(judging.now(at(5.6))).not.toBeNull();
  const q = at(5.6);
  const copy = judging.now({ ...q, job: { ...q.job, id: 'copy' } })!;
  // The copy was never slow: it is looked at itself.
  expect(copy.of).toBe(q.built);
});
