import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { jobOf } from '@/core/doc/read';
import { docOf } from '@/core/doc/write';
import { demo, testLens } from '@/core/test-kit';
import { JOB_VERSION } from '@/core/format/version';
import type { JobDoc } from '@/core/kit/kept';
import type { Change, Job } from '@/core/kit/types';
import { readDoc, writeDoc } from '@/core/format/read-job';
import { applyEdit, type Edit } from '@/core/edit/edit';
import { isStorageFull, NelvixDatabase } from './database';
import { allJobs, binJob, listJobs, rawJob } from './job-list';
import { addJobs, historyEnds, loadJob, takeInJobs, unsound } from './jobs';
import { lastDone, MOST_LOGGED, withLog } from './log';
import { lastOf } from './steps';
import { redo, storeAll, undo, type Asked } from './storing';
import { removeConfiguration } from '@/core/solve/configurations';
import { JobStore } from './store';

let n = 0;
const fresh = () => new NelvixDatabase(`test-${n++}`);
const edit = (path: string[], value: unknown, title = 'x'): Edit => ({
  title,
  changes: [{ path, value }],
});
const job = docOf(demo());

/** A job of one rig and four parts: what many random edits are stored in. */
const small: JobDoc = {
  ...job,
  kit: job.kit.filter((p) => ['body-b', 'marl-18', 'marl-24', 'ostrel-58'].includes(p.id)),
  rigs: job.rigs.slice(0, 1),
};

/** Stores one edit as a page does that makes no other. */
async function storeEdit(db: NelvixDatabase, id: string, one: Edit): Promise<void> {
  const [came] = await storeAll(db, id, [{ edit: one }], NaN);
  if (came?.is === 'lost') throw came.error;
}

describe('jobs in the browser', () => {
  test('what goes in comes out, parts in their order', async () => {
    const db = fresh();
    await addJobs(db, [job]);
    expect((await loadJob(db, job.id))!.job).toEqual(job);
    expect(await loadJob(db, 'none')).toBeNull();
  });

  test('a job that an earlier build stored is brought up once, and can still be taken back', async () => {
    const db = fresh();
    const old = JSON.parse(
      readFileSync(`${process.cwd()}/src/core/format/fixtures/lock-nine.v1.nelvix.json`, 'utf8'),
    ) as Job;
    (old.rigs[0] as unknown as Record<string, unknown>).box = 'a cardboard one';
    await addJobs(db, [old as unknown as JobDoc]);
    await storeEdit(db, old.id, edit(['rigs', 'tug-b', 'focal'], 24));
    const loaded = (await loadJob(db, old.id))!;
    expect(loaded.job.version).toBe(JOB_VERSION);
    expect(loaded.job.rigs[0]).toMatchObject({ focal: 24, carried: { box: 'a cardboard one' } });
    expect((await db.jobs.get(old.id))!.doc.version).toBe(JOB_VERSION);
    expect((await undo(db, old.id))?.title).toBe('x');
    expect((await loadJob(db, old.id))!.job.rigs[0]!.focal).toBe(18);
  });

  test('an edit stores the same as it shows, whatever it is, and undo takes it back', async () => {
    const lens = fc.constantFrom('marl-18', 'marl-24', 'ostrel-58');
    const changes: fc.Arbitrary<Change> = fc.oneof(
      lens.map((l) => ({ path: ['kit', l], value: undefined })),
      fc
        .tuple(lens, fc.integer({ min: 1, max: 99 }))
        .map(([l, v]) => ({ path: ['kit', l, 'mass'], value: v })),
      fc.integer({ min: 1, max: 99 }).map((v) => ({ path: ['rigs', 'tug-b', 'focal'], value: v })),
      fc
        .integer({ min: 0, max: 2 })
        .map((v) => ({ path: ['kit', `new-${v}`], value: testLens({ id: `new-${v}` }) })),
      fc.constant<Change>({ path: ['rigs', 'tug-b'], value: undefined }),
      fc.constant<Change>({ path: ['name'], value: 'Renamed' }),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.array(changes, { minLength: 1, maxLength: 3 }), { maxLength: 6 }),
        async (list) => {
          const db = fresh();
          await addJobs(db, [small]);
          let shown = small;
          let done = 0;
          for (const c of list) {
            const e: Edit = { title: 'x', changes: c };
            let next;
            try {
              next = applyEdit(shown, e).doc;
            } catch {
              await expect(storeEdit(db, job.id, e)).rejects.toThrow();
              continue;
            }
            await storeEdit(db, job.id, e);
            shown = next;
            done++;
            expect((await loadJob(db, job.id))!.job).toEqual(shown);
          }
          for (let i = 0; i < done; i++) expect((await undo(db, job.id))?.title).toBe('x');
          expect(await undo(db, job.id)).toBeNull();
          expect((await loadJob(db, job.id))!.job).toEqual(small);
          for (let i = 0; i < done; i++) await redo(db, job.id);
          expect((await loadJob(db, job.id))!.job).toEqual(shown);
          db.close();
        },
      ),
      { numRuns: 25 },
    );
  }, 60_000);

  test('an edit that cannot be applied leaves nothing behind', async () => {
    const db = fresh();
    await addJobs(db, [job]);
    const bad: Edit = {
      title: 'half',
      changes: [
        { path: ['name'], value: 'Half' },
        { path: ['kit', 'nowhere', 'mass'], value: 1 },
      ],
    };
    await expect(storeEdit(db, job.id, bad)).rejects.toThrow('no part nowhere');
    expect((await loadJob(db, job.id))!.job.name).toBe('Lock Nine');
    expect(await historyEnds(db, job.id)).toEqual({ undo: null, redo: null });
  });

  test('many at once store what one after the other stores: job, parts, steps, and their order', async () => {
    const one: fc.Arbitrary<Asked> = fc.oneof(
      fc
        .tuple(fc.integer({ min: 18, max: 30 }), fc.constantFrom(undefined, 'zoom'))
        .map(([v, group]) => ({
          edit: { ...edit(['rigs', 'tug-b', 'focal'], v, `f${v}`), ...(group ? { group } : {}) },
        })),
      fc
        .tuple(fc.constantFrom('marl-18', 'marl-24', 'nowhere'), fc.integer({ min: 1, max: 9 }))
        .map(([p, v]) => ({ edit: edit(['kit', p, 'mass'], v, `${p} ${v}`) })),
      fc
        .constantFrom('marl-18', 'marl-24')
        .map((p) => ({ edit: edit(['kit', p], undefined, `${p} out`) })),
      fc.constantFrom<Asked>({ undone: 0 }, { undone: 0 }, { undone: 1 }),
    );
    const lies = async (db: NelvixDatabase) => ({
      ...(await loadJob(db, job.id))!,
      parts: (await db.parts.toArray()).map((p) => p.id).sort(),
      steps: (await db.history.toArray())
        .sort((a, b) => a.seq! - b.seq!)
        .map(({ edit: e, inverse, undone }) => ({ edit: e, inverse, undone })),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(one, { maxLength: 4 }),
        fc.array(one, { maxLength: 14 }),
        async (before, list) => {
          const [single, together] = [fresh(), fresh()];
          for (const db of [single, together]) {
            await addJobs(db, [small]);
            for (const a of before) await storeAll(db, job.id, [a], NaN);
          }
          const came = [];
          for (const a of list) came.push(...(await storeAll(single, job.id, [a], NaN)));
          expect(await storeAll(together, job.id, list, NaN)).toEqual(came);
          expect(await lies(together)).toEqual(await lies(single));
          expect((await lastOf(together, job.id, 0))?.edit).toEqual(
            (await lastOf(single, job.id, 0))?.edit,
          );
          single.close();
          together.close();
        },
      ),
      { numRuns: 60 },
    );
  }, 60_000);

  test('two hundred edits and steps ask the database as often as one', async () => {
    const asked = async (list: Asked[]) => {
      const db = fresh();
      await addJobs(db, [job]);
      let n = 0;
      const count = (table: string) =>
        db.use({
          stack: 'dbcore',
          name: table,
          create: (core) => ({
            ...core,
            table: (name) => {
              const t = core.table(name);
              const said =
                <A, R>(f: (a: A) => R) =>
                (a: A) => (n++, f(a));
              return {
                ...t,
                mutate: said(t.mutate),
                get: said(t.get),
                getMany: said(t.getMany),
                query: said(t.query),
                count: said(t.count),
              };
            },
          }),
        });
      count('counting');
      await db.close();
      await db.open();
      await storeAll(db, job.id, list, NaN);
      db.close();
      return n;
    };
    const some = (k: number): Asked[] =>
      Array.from({ length: k }, (_, i) =>
        i % 5 === 4 ? { undone: 0 } : { edit: edit(['rigs', 'tug-b', 'focal'], 18 + i, `f${i}`) },
      );
    const five = await asked(some(5));
    expect(five).toBeGreaterThan(3);
    expect(await asked(some(200))).toBe(five);
  });

  test('a new edit forgets what was undone; a slider is one step', async () => {
    const db = fresh();
    await addJobs(db, [job]);
    await storeEdit(db, job.id, edit(['name'], 'A', 'a'));
    await undo(db, job.id);
    expect(await historyEnds(db, job.id)).toEqual({ undo: null, redo: 'a' });
    for (const f of [19, 20, 21])
      await storeEdit(db, job.id, {
        ...edit(['rigs', 'tug-b', 'focal'], f, `zoom ${f}`),
        group: 'zoom',
      });
    expect(await historyEnds(db, job.id)).toEqual({ undo: 'zoom 21', redo: null });
    await undo(db, job.id);
    expect((await loadJob(db, job.id))!.job).toEqual(job);
  });

  test('listing, the bin, and ids that are taken', async () => {
    const db = fresh();
    await addJobs(db, [job, { ...job, id: 'two', name: 'Two' }]);
    await binJob(db, 'two', true);
    expect((await listJobs(db)).find((j) => j.id === 'two')).toMatchObject({
      binned: true,
      parts: job.kit.length,
      rigs: job.rigs.length,
    });
    expect((await allJobs(db)).jobs).toHaveLength(2);
    await binJob(db, 'two', false);
    expect((await listJobs(db)).every((j) => !j.binned)).toBe(true);
  });

  test('a backup comes in beside what is here: no id falls on another, in the browser or the file', async () => {
    const db = fresh();
    await addJobs(db, [{ ...job, note: 'the one that was here' }]);
    const backup = [
      { ...job, note: 'first of the file' },
      { ...job, id: 'lock-nine-2', note: 'second of the file' },
      { ...job, note: 'a double of the first' },
    ];
    const { jobs, renamed } = await takeInJobs(db, backup);
    expect(jobs.map((j) => j.id)).toEqual(['lock-nine-2', 'lock-nine-2-2', 'lock-nine-3']);
    expect(renamed).toHaveLength(3);
    const notes = await Promise.all(
      ['lock-nine', ...jobs.map((j) => j.id)].map(async (id) => (await loadJob(db, id))!.job.note),
    );
    expect(notes).toEqual([
      'the one that was here',
      'first of the file',
      'second of the file',
      'a double of the first',
    ]);
  });

  test('one damaged row hides nothing else and can be saved as it lies', async () => {
    const db = fresh();
    await addJobs(db, [job, { ...job, id: 'two', name: 'Two' }]);
    await db.jobs.put({ id: 'odd', rev: 1 } as never);
    await db.jobs.update('two', { doc: { ...job, rigs: [{ id: 'x' }] } } as never);
    const list = await listJobs(db);
    expect(list.map((j) => j.id).sort()).toEqual(['lock-nine', 'odd', 'two']);
    expect(list.find((j) => j.id === 'odd')!.damaged).toBe(true);
    expect(unsound((await loadJob(db, 'odd'))!.job)).toContain('damaged');
    expect(unsound((await loadJob(db, 'two'))!.job)).toContain('a rig of it is damaged');
    expect(unsound((await loadJob(db, job.id))!.job)).toBeNull();
    expect(JSON.parse(await rawJob(db, 'odd'))).toEqual({ row: { id: 'odd', rev: 1 }, parts: [] });
    const { jobs, left } = await allJobs(db);
    expect(jobs.map((j) => j.id)).toEqual(['lock-nine']);
    expect(left).toHaveLength(2);
  });

  test('undo takes back its own field and leaves what another window put beside it', async () => {
    const db = fresh();
    await addJobs(db, [job]);
    const rig = 'wheelhouse-a';
    expect(job.rigs.find((r) => r.id === rig)!.light).toBeUndefined();
    await storeEdit(db, job.id, edit(['rigs', rig, 'light', 'iso'], 800, 'mine'));
    // Another window writes beside it without a step of this history.
    await db.transaction('rw', db.jobs, async () => {
      const row = (await db.jobs.get(job.id))!;
      const doc = structuredClone(row.doc);
      doc.rigs.find((r) => r.id === rig)!.light!.ev = 5;
      await db.jobs.put({ ...row, doc });
    });
    await undo(db, job.id);
    expect((await loadJob(db, job.id))!.job.rigs.find((r) => r.id === rig)!.light).toEqual({
      ev: 5,
    });
    const alone = fresh();
    await addJobs(alone, [job]);
    await storeEdit(alone, job.id, edit(['rigs', rig, 'light', 'iso'], 800));
    await undo(alone, job.id);
    expect((await loadJob(alone, job.id))!.job).toEqual(job);
  });

  test('a full store is known by its error, wrapped or not', () => {
    expect(isStorageFull({ name: 'QuotaExceededError' })).toBe(true);
    expect(isStorageFull({ name: 'AbortError', inner: { name: 'QuotaExceededError' } })).toBe(true);
    expect(isStorageFull(new Error('other'))).toBe(false);
    expect(isStorageFull(null)).toBe(false);
  });
});

describe('the store of a page', () => {
  const open = async (db: NelvixDatabase, own: JobDoc = job) => {
    const store = new JobStore(db);
    await store.start(async () => own);
    return store;
  };
  const stored = async (db: NelvixDatabase) => (await loadJob(db, job.id))!.job;

  test('an empty browser begins with the demo, once', async () => {
    const db = fresh();
    const store = await open(db);
    expect(store.get()).toMatchObject({ phase: 'ready', rigId: 'tug-b' });
    await binJob(db, job.id, true);
    expect((await open(db)).get().phase).toBe('none');
  });

  test('shows at once, keeps in order, remembers the rig', async () => {
    const db = fresh();
    const store = await open(db);
    store.selectRig('anamorphic');
    // The first of them changes nothing: it is no step.
    for (let i = 0; i < 20; i++) store.edit(edit(['rigs', 'tug-b', 'focal'], 18 + i, `f${i}`));
    expect(store.get().job!.rigs[0]!.focal).toBe(37);
    expect(store.get()).toMatchObject({ save: 'saving', waiting: 19 });
    await store.settled();
    expect(store.get()).toMatchObject({ save: 'saved', waiting: 0, undo: 'f19' });
    expect((await stored(db)).rigs[0]!.focal).toBe(37);
    await store.undo();
    expect(store.get().job!.rigs[0]!.focal).toBe(36);
    await store.redo();
    expect(store.get().job!.rigs[0]!.focal).toBe(37);
    expect((await open(db)).get().rigId).toBe('anamorphic');
  });

  test('an edit in an open configuration belongs to it; the rig, steps back and opening again', async () => {
    const db = fresh();
    const store = await open(db);
    const rig = () => store.get().job!.rigs.find((r) => r.id === 'lockside-b')!;
    const arm = () => rig().fitted!.find((u) => u.id === 'arm');
    const turn = edit(['rigs', 'lockside-b', 'fitted', 'grip', 'turn'], 20, 'turn');
    const grip = () => rig().fitted!.find((u) => u.id === 'grip')!.turn;
    store.selectRig('lockside-b');
    expect(arm()).toBeDefined();
    store.selectRig('lockside-b', 'cabin');
    expect(store.get().configuration).toBe('cabin');
    expect(arm()).toBeUndefined();
    store.edit(turn);
    expect(grip()).toBe(20);
    await store.settled();
    store.selectRig('lockside-b');
    expect(grip()).toBeUndefined();
    const kept = await stored(db);
    expect(kept.rigs.filter((r) => r.id !== 'lockside-b')).toEqual(
      job.rigs.filter((r) => r.id !== 'lockside-b'),
    );
    expect(kept.rigs.find((r) => r.id === 'lockside-b')!.joints).toEqual(
      job.rigs.find((r) => r.id === 'lockside-b')!.joints,
    );
    store.selectRig('lockside-b', 'cabin');
    await store.settled();
    // Opened again it is the same rig in the same configuration.
    const again = await open(db);
    expect(again.get()).toMatchObject({ rigId: 'lockside-b', configuration: 'cabin' });
    await again.undo();
    expect(await stored(db)).toEqual(job);
    // One that is taken away leaves the rig itself open.
    const own = again.get().job!.rigs.find((r) => r.id === 'lockside-b')!;
    again.edit(
      removeConfiguration(
        own,
        own.configurations!.find((c) => c.id === 'cabin')!,
      ),
    );
    expect(again.get().configuration).toBeNull();
    await again.settled();
    await again.undo();
    expect(await stored(db)).toEqual(job);
  });

  test('what is asked for before anything can be written is done in its order', async () => {
    const db = fresh();
    await addJobs(db, [job]);
    const store = new JobStore(db);
    const shown = new Promise<void>((done) => {
      store.subscribe(() => {
        if (store.get().phase === 'ready') done();
      });
    });
    void store.start(async () => job);
    await shown;
    store.edit(edit(['rigs', 'tug-b', 'stop'], 4, 'T4'));
    expect(store.atRisk()).toBe(true);
    expect(store.get().save).toBe('saving');
    void store.undo();
    store.edit(edit(['rigs', 'tug-b', 'stop'], 8, 'T8'));
    await store.settled();
    await store.settled();
    expect((await stored(db)).rigs[0]!.stop).toBe(8);
    expect(store.get()).toMatchObject({ save: 'saved', undo: 'T8' });
    await store.undo();
    expect(store.get().undo).toBeNull();
  });

  test('the log: what was done and taken back, kept beside the job, into a file and out of one', async () => {
    const db = fresh();
    const store = await open(db);
    store.edit(edit(['rigs', 'tug-b', 'drives', 'focus', 'angle'], 40, 'Turn it'));
    // One movement is one entry, whether its steps are stored together or one by one.
    for (const f of [19, 20, 21, 22]) {
      store.edit({ ...edit(['rigs', 'tug-b', 'focal'], f, `Zoom to ${f}`), group: 'zoom' });
      if (f % 2) await store.settled();
    }
    store.edit(edit(['kit', 'marl-18', 'mass'], 700, 'Weigh it'));
    await store.settled();
    await store.undo();
    const file = await withLog(db, (await loadJob(db, job.id))!.job);
    const log = file.records!.filter((r) => r.kind === 'edit');
    expect(log.map((r) => r.data.title)).toEqual([
      'Turn it',
      'Zoom to 22',
      'Weigh it',
      'Taken back: Weigh it',
    ]);
    expect(log.map((r) => r.about)).toEqual([
      { rig: 'tug-b', uses: ['focus'] },
      { rig: 'tug-b' },
      { parts: ['marl-18'] },
      { parts: ['marl-18'] },
    ]);
    for (const r of log) expect(Math.abs(Date.parse(r.at!) - Date.now())).toBeLessThan(60_000);
    // A file with its log is a sound one, and brings it along.
    const read = readDoc(writeDoc(file));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const other = fresh();
    await addJobs(other, [read.value]);
    expect((await loadJob(other, job.id))!.job.records).toEqual(job.records);
    expect(await withLog(other, (await loadJob(other, job.id))!.job)).toEqual(read.value);
    expect(await lastDone(other, job.id, 2)).toMatchObject({
      count: 4,
      records: [{ data: { title: 'Taken back: Weigh it' } }, { data: { title: 'Weigh it' } }],
    });
  });

  test('the log lets go of the oldest beyond what it holds', async () => {
    const db = fresh();
    await addJobs(db, [small]);
    for (let i = 0; i < 12; i++)
      await storeAll(
        db,
        job.id,
        Array.from({ length: 200 }, (_, k) => ({
          edit: edit(['rigs', 'tug-b', 'focal'], 18 + k, `n${i * 200 + k}`),
        })),
        NaN,
      );
    const { count, records } = await lastDone(db, job.id, 1);
    expect(count).toBeLessThanOrEqual(MOST_LOGGED + 200);
    expect(count).toBeGreaterThanOrEqual(MOST_LOGGED);
    expect(records[0]!.data.title).toBe('n2399');
  });

  test('steps of a job that an earlier build stored are taken back and done again as it is now', async () => {
    const db = fresh();
    const old = JSON.parse(
      readFileSync(`${process.cwd()}/src/core/format/fixtures/lock-nine.v3.nelvix.json`, 'utf8'),
    ) as Job;
    // As the build of version 3 left it: two steps done, one taken back, all with its own paths.
    const history: { edit: Edit; inverse: Change[]; undone: 0 | 1 }[] = [];
    const edits: Edit[] = [
      {
        title: 'Turn it',
        changes: [{ path: ['rigs', 'tug-b', 'drives', 'focus', 'angle'], value: 5 }],
      },
      {
        title: 'Take the handle off',
        changes: [
          { path: ['rigs', 'tug-b', 'fitted', 'monitor'], value: undefined },
          { path: ['rigs', 'tug-b', 'fitted', 'handle'], value: undefined },
        ],
      },
      { title: 'Weigh it', changes: [{ path: ['kit', 'marl-18', 'mass'], value: 7 }] },
    ];
    const states: Job[] = [old];
    for (const e of edits) {
      const { doc: next, inverse } = applyEdit(states.at(-1)!, e);
      states.push(next);
      history.push({ edit: e, inverse: inverse.changes, undone: 0 });
    }
    history[2]!.undone = 1;
    const { kit, ...rest } = states[2]!;
    await db.jobs.put({
      id: old.id,
      name: old.name,
      doc: rest as never,
      order: kit.map((p) => p.id),
      rev: 4,
      changedAt: 1,
    });
    await db.parts.bulkPut(kit.map((part) => ({ job: old.id, id: part.id, part })));
    await db.history.bulkAdd(history.map((h) => ({ ...h, job: old.id, at: 1 })));
    const store = new JobStore(db);
    await store.start(async () => job);
    expect(store.get().job!.rigs).toEqual(jobOf(docOf(states[2]!)).rigs);
    expect(store.get()).toMatchObject({ undo: 'Take the handle off', redo: 'Weigh it' });
    await store.redo();
    expect(store.get().job!.kit.find((p) => p.id === 'marl-18')).toMatchObject({ mass: 7 });
    await store.undo();
    await store.undo();
    expect(
      store
        .get()
        .job!.rigs[0]!.fitted!.map((u) => u.id)
        .sort(),
    ).toEqual(states[1]!.rigs[0]!.fitted!.map((u) => u.id).sort());
    await store.undo();
    expect(store.get().job!.rigs[0]!.drives).toEqual(old.rigs[0]!.drives);
    expect(store.get().undo).toBeNull();
  });

  test('a job of an older version that is damaged is said to be, and hides nothing else', async () => {
    const old = JSON.parse(
      readFileSync(`${process.cwd()}/src/core/format/fixtures/lock-nine.v3.nelvix.json`, 'utf8'),
    ) as Job & { rigs: { drives: unknown }[] };
    for (const damage of [[null], [3], 'text', [{ id: 'x' }]]) {
      const db = fresh();
      const bad = structuredClone(old);
      bad.rigs[0]!.drives = damage as never;
      await addJobs(db, [{ ...bad, id: 'bad' } as unknown as JobDoc, job]);
      const store = new JobStore(db);
      await store.start(async () => job);
      await store.open('bad');
      expect(store.get()).toMatchObject({ phase: 'unsound', job: null });
      expect(store.get().trouble).toContain('damaged');
      expect(await store.open(job.id)).toBe(true);
      expect((await listJobs(db)).length).toBe(2);
      expect((await allJobs(db)).jobs.map((j) => j.id)).toContain(job.id);
    }
  });

  test('a step back takes what was made before it, however quickly the next thing follows', async () => {
    const db = fresh();
    const store = await open(db);
    const stop = (v: number) => edit(['rigs', 'tug-b', 'stop'], v, `T${v}`);
    store.edit(edit(['rigs', 'tug-b', 'focal'], 24, 'focal'));
    store.edit(stop(4));
    void store.undo();
    store.edit(stop(8));
    await store.settled();
    const now = (await stored(db)).rigs[0]!;
    // T4 was taken back and T8 came after: it stands, and nothing is said of another window.
    expect([now.focal, now.stop]).toEqual([24, 8]);
    expect(store.get().job!.rigs[0]).toMatchObject({ focal: 24, stop: 8 });
    expect(store.get()).toMatchObject({ save: 'saved', waiting: 0, undo: 'T8' });
    expect(store.get().notices.filter((x) => x.tone === 'warn')).toEqual([]);
    await store.undo();
    expect((await stored(db)).rigs[0]!.stop).toBeUndefined();
    expect(store.get().undo).toBe('focal');
  });

  test('edits and steps in any order, none waited for: what is kept is what one after the other gives', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.oneof(
            { weight: 3, arbitrary: fc.integer({ min: 1, max: 99 }) },
            fc.constantFrom('undo', 'redo'),
          ),
          {
            maxLength: 25,
          },
        ),
        async (asked) => {
          const db = fresh();
          const store = await open(db, small);
          // By the book: a list of values, steps back and forth in it, a new one cuts off what was undone.
          let past: (number | undefined)[] = [undefined];
          let at = 0;
          for (const a of asked) {
            if (a === 'undo') {
              at = Math.max(0, at - 1);
              void store.undo();
            } else if (a === 'redo') {
              at = Math.min(past.length - 1, at + 1);
              void store.redo();
            } else {
              past = [...past.slice(0, at + 1), a];
              at++;
              store.edit(edit(['rigs', 'tug-b', 'stop'], a, `T${a}`));
            }
          }
          await store.settled();
          expect((await stored(db)).rigs[0]!.stop).toBe(past[at]);
          expect(store.get().job!.rigs[0]!.stop).toBe(past[at]);
          expect(store.get()).toMatchObject({
            save: 'saved',
            waiting: 0,
            undo: at > 0 ? `T${past[at]}` : null,
            redo: at < past.length - 1 ? `T${past[at + 1]}` : null,
          });
        },
      ),
      { numRuns: 40 },
    );
  }, 60_000);

  test('two windows on different fields: both stand', async () => {
    const db = fresh();
    const a = await open(db);
    const b = await open(db);
    a.edit(edit(['kit', 'marl-18', 'mass'], 561));
    b.edit(edit(['kit', 'marl-18', 'notes'], 'scratched'));
    b.edit(edit(['rigs', 'tug-b', 'stop'], 4));
    await a.settled();
    await b.settled();
    const lens = (await stored(db)).kit.find((p) => p.id === 'marl-18')!;
    expect(lens).toMatchObject({ mass: 561, notes: 'scratched' });
    expect(b.get().job!.kit.find((p) => p.id === 'marl-18')).toMatchObject({
      mass: 561,
      notes: 'scratched',
    });
    expect([...a.get().notices, ...b.get().notices]).toEqual([]);
  });

  test('two windows on the same field: the later stands, says so, and undo brings the other back', async () => {
    const db = fresh();
    const a = await open(db);
    const b = await open(db);
    a.edit(edit(['rigs', 'tug-b', 'stop'], 4));
    b.edit(edit(['rigs', 'tug-b', 'stop'], 8));
    await a.settled();
    await b.settled();
    const said = [...a.get().notices, ...b.get().notices].map((x) => x.text);
    expect(said).toEqual([expect.stringContaining('Another window had changed the same field')]);
    const last = (await stored(db)).rigs[0]!.stop;
    await b.undo();
    expect((await stored(db)).rigs[0]!.stop).toBe(last === 8 ? 4 : 8);
  });

  test('an edit on a part that another window took away is not lost silently', async () => {
    const db = fresh();
    const a = await open(db);
    const b = await open(db);
    a.edit(edit(['kit', 'marl-35'], undefined));
    await a.settled();
    b.edit(edit(['kit', 'marl-35', 'mass'], 1, 'Correct mass'));
    await b.settled();
    expect(b.get().notices[0]!.text).toContain('"Correct mass" could not be kept');
    expect(b.get().job!.kit.some((p) => p.id === 'marl-35')).toBe(false);
  });

  test('a step whose part another window took away is left out, said, and blocks nothing', async () => {
    const db = fresh();
    const store = await open(db);
    store.edit(edit(['rigs', 'tug-b', 'stop'], 4, 'stop'));
    store.edit(edit(['kit', 'marl-35', 'mass'], 1, 'mass'));
    await store.settled();
    // Taken away without a step of this history.
    await db.transaction('rw', db.jobs, db.parts, async () => {
      const row = (await db.jobs.get(job.id))!;
      await db.parts.delete([job.id, 'marl-35']);
      await db.jobs.put({ ...row, order: row.order.filter((p) => p !== 'marl-35') });
    });
    await store.undo();
    expect(store.get().notices.at(-1)?.text).toContain('"mass" could not be taken back');
    expect(store.get().save).toBe('saved');
    await store.undo();
    expect((await stored(db)).rigs.find((r) => r.id === 'tug-b')!.stop).toBe(
      job.rigs.find((r) => r.id === 'tug-b')!.stop,
    );
    expect(store.get().undo).toBeNull();
  });

  test('no room left: nothing is lost, and it is kept when there is room again', async () => {
    const db = fresh();
    const store = await open(db);
    const put = jest.spyOn(db.history, 'bulkAdd').mockImplementation(() => {
      throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    });
    store.edit(edit(['rigs', 'tug-b', 'stop'], 5.6));
    await store.settled();
    expect(store.get()).toMatchObject({ save: 'full', waiting: 1 });
    expect(store.get().job!.rigs[0]!.stop).toBe(5.6);
    expect((await stored(db)).rigs[0]!.stop).toBeUndefined();
    put.mockRestore();
    await store.retry();
    expect(store.get()).toMatchObject({ save: 'saved', waiting: 0 });
    expect((await stored(db)).rigs[0]!.stop).toBe(5.6);
  });

  test('an edit that leads nowhere is refused with a word', async () => {
    const store = await open(fresh());
    store.edit(edit(['kit', 'gone', 'mass'], 1));
    expect(store.get().notices[0]!.text).toContain('could not be done');
    store.dismiss(store.get().notices[0]!.id);
    expect(store.get().notices).toEqual([]);
  });

  test('what waits is never dropped: nothing else opens while the store is full', async () => {
    const db = fresh();
    const store = await open(db);
    await addJobs(db, [{ ...job, id: 'two', name: 'Two' }]);
    const put = jest
      .spyOn(db.jobs, 'put')
      .mockRejectedValue(Object.assign(new Error('quota'), { name: 'QuotaExceededError' }));
    store.edit(edit(['rigs', 'tug-b', 'stop'], 5.6));
    await store.settled();
    expect(store.get().save).toBe('full');
    expect(store.atRisk()).toBe(true);
    expect(await store.open('two')).toBe(false);
    expect(store.get().job!.id).toBe(job.id);
    expect(store.get().notices.at(-1)!.text).toContain('not kept yet');
    put.mockRestore();
    await store.retry();
    expect(store.atRisk()).toBe(false);
    expect(await store.open('two')).toBe(true);
    expect((await stored(db)).rigs[0]!.stop).toBe(5.6);
  });

  test('a job deleted from under the page is written anew, with what was waiting, and said', async () => {
    const db = fresh();
    const store = await open(db);
    store.edit(edit(['rigs', 'tug-b', 'stop'], 4));
    await store.settled();
    await db.jobs.clear();
    await db.parts.clear();
    store.edit(edit(['rigs', 'tug-b', 'focal'], 24));
    await store.settled();
    expect((await stored(db)).rigs[0]).toMatchObject({ stop: 4, focal: 24 });
    expect(store.get()).toMatchObject({ save: 'saved', waiting: 0 });
    expect(store.get().notices.at(-1)!.text).toContain('written anew');
  });

  test('the whole database deleted from under the page', async () => {
    const db = fresh();
    const store = await open(db);
    db.close();
    await NelvixDatabase.delete(db.name);
    store.edit(edit(['rigs', 'tug-b', 'stop'], 4));
    await store.settled();
    expect((await stored(db)).rigs[0]).toMatchObject({ stop: 4 });
    expect(store.get().save).toBe('saved');
  });

  test('a job kept by a newer build is not opened and says so', async () => {
    const db = fresh();
    const store = await open(db);
    await addJobs(db, [{ ...job, id: 'newer', name: 'Newer', version: JOB_VERSION + 1 }]);
    expect(await store.open('newer')).toBe(false);
    expect(store.get()).toMatchObject({ phase: 'unsound', jobId: 'newer', job: null });
    expect(store.get().trouble).toContain('newer Nelvix');
    expect((await db.jobs.get('newer'))!.doc.version).toBe(JOB_VERSION + 1);
  });

  test('many quick edits go in together, and undo reads no whole job', async () => {
    const db = fresh();
    const store = await open(db);
    const many = jest.spyOn(db.jobs, 'put');
    for (let i = 0; i < 200; i++)
      store.edit(edit(['rigs', 'tug-b', 'focal'], 18 + (i % 17), `f${i}`));
    await store.settled();
    expect(many.mock.calls.length).toBeLessThan(5);
    expect(store.get()).toMatchObject({ save: 'saved', undo: 'f199' });
    const parts = jest.spyOn(db.parts, 'where');
    for (let i = 0; i < 5; i++) await store.undo();
    expect(parts).not.toHaveBeenCalled();
    expect(store.get().job).toEqual(jobOf(await stored(db)));
    parts.mockRestore();
    many.mockRestore();
  });
});
