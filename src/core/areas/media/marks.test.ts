import { build, shared } from '../../build/build';
import { applyEdit, withChanges } from '../../edit/edit';
import { readJob, writeJob } from '../../format/read-job';
import { CARD_STATES, type CardState } from '../../kit/records';
import { isCard, type Job } from '../../kit/types';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { markPack } from '../power/moves/mark-pack';
import { CARD_NAMES, cardsOnHand, fullOf, sayCards } from './model/marks';

/** How each card was left: what may go in next, what is not to be emptied yet. */

const RIG = 'tug-b';
const base = demo();
const builtOf = (job: Job) =>
  build(
    job,
    job.rigs.find((r) => r.id === RIG)!,
    shared(job),
  );
const cards = (job: Job) => cardsOnHand(builtOf(job));
const marked = (job: Job, i: number, state: CardState | null) =>
  applyEdit(job, markPack(cards(job)[i]!, state, '2026-04-07 14:05', CARD_NAMES)).doc;
const day = (job: Job) => check(builtOf(job)).find((v) => v.id === 'media.day');

test('every card of the kit is there as often as there are of it, none of them marked', () => {
  const want = base.kit.filter(isCard).reduce((sum, c) => sum + Math.max(1, c.count ?? 1), 0);
  expect(cards(base)).toHaveLength(want);
  expect(new Set(cards(base).map((c) => c.name)).size).toBe(want);
  expect(sayCards(cards(base))).toEqual([`${want} not marked.`]);
});

test('what is empty goes in next, in order; what is full is said not to be emptied', () => {
  const n = cards(base).length;
  let job = base;
  for (let i = 0; i < n; i++) job = marked(job, i, CARD_STATES[i % CARD_STATES.length]!);
  const said = sayCards(cards(job));
  const empty = cards(job).filter((c) => c.mark!.state === 'empty');
  expect(said).toContain(
    `Goes in next: ${empty
      .slice(0, 3)
      .map((c) => c.name)
      .join(', then ')}.`,
  );
  if (n > 2) expect(said.at(-1)).toMatch(/not emptied before it is copied and compared/);
  for (let i = 0; i < n; i++) job = marked(job, i, 'copied');
  expect(sayCards(cards(job))).toEqual([`${n} copied and compared.`]);
});

test('what is full and not copied holds nothing of the day: by hand', () => {
  const goal = withChanges(base, [{ path: ['goal', 'day'], value: 8 }]);
  const on = cards(goal).filter((c) => builtOf(goal).rig.cards?.some((u) => u.part === c.part.id));
  const card = on[0]!.part;
  const more = withChanges(goal, [{ path: ['kit', card.id, 'count'], value: 4 }]);
  const before = day(more)!;
  const i = cards(more).findIndex((c) => c.part.id === card.id);
  const after = marked(more, i, 'full');
  expect(fullOf(builtOf(after), card, 4)).toBe(1);
  const size = (card.gigabytes as { value?: number }).value ?? (card.gigabytes as number);
  expect(before.margin!.value - day(after)!.margin!.value).toBeCloseTo(size, 6);
  expect(day(after)!.why).toMatch(/1 is marked full and not copied: not counted/);
  // Copied, or taken back, it counts again.
  expect(day(marked(after, i, 'copied'))!.margin).toEqual(before.margin);
  expect(day(marked(after, i, null))!.why).toBe(before.why);
  // One that had a fault is not counted, whatever was on it.
  const aside = marked(more, i, 'aside');
  expect(day(aside)!.margin).toEqual(day(after)!.margin);
  expect(day(aside)!.why).toMatch(/1 is set aside: not counted/);
  let none = more;
  for (const [k, c] of cards(more).entries())
    if (c.part.id === card.id) none = marked(none, k, 'full');
  expect(day(none)!.state).not.toBe('ok');
});

test('marks of cards and of packs stand in the file beside each other', () => {
  const job = marked(base, 0, 'copied');
  const again = readJob(writeJob(job));
  if (!again.ok) throw new Error(JSON.stringify(again));
  expect(cards(again.value)[0]!.mark).toMatchObject({ state: 'copied', when: '2026-04-07 14:05' });
  const file = JSON.parse(writeJob(job)) as { records: { data: object }[] };
  file.records.at(-1)!.data = { ...file.records.at(-1)!.data, state: 'lost' };
  expect(readJob(JSON.stringify(file)).ok).toBe(false);
});
