import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { put } from '@/core/properties/rigs';
import type { JobDoc } from '@/core/kit/kept';
import type { Job, Rig } from '@/core/kit/types';
import { setFitted, setLimits } from '@/core/areas/space/moves/fitted';
import { withChanges, type Edit } from '@/core/edit/edit';
import { listChanges } from '@/core/edit/list-changes';
import { deedsOf } from '@/core/areas/moves';
import { setLight } from '@/core/areas/light/moves/light';
import { keepInSet } from '@/core/areas/coverage/moves/lens';
import { setStop } from '@/core/areas/coverage/moves/picture';
import { build } from '@/core/build/build';
import { motorsOn, pullAsKept } from '@/core/areas/drive/model/pulls';
import { runOfCards } from '@/core/areas/media/model/log';
import { packsOnHand } from '@/core/areas/power/model/marks';
import { markPack } from '@/core/areas/power/moves/mark-pack';
import { PACK_STATES, WENT } from '@/core/kit/records';
import { sendings } from '@/core/properties/sendings';
import { recordTrial } from '@/core/solve/trials';
import { isLens } from '@/core/kit/types';
import { jobOf } from '@/core/doc/read';
import { docOf } from '@/core/doc/write';
import { lowered } from '@/core/doc/lower';
import { readDoc, writeDoc } from '@/core/format/read-job';
import { demo } from '@/core/test-kit';
import { NelvixDatabase } from './database';
import { addJobs, loadJob } from './jobs';
import { JobStore } from './store';

/** Two windows on one job: what either of them did is there, or it was said why not. */

const job = demo();
const doc = docOf(job);
let n = 0;

/** Something a person could do on a rig, by numbers. */
function moveOf(j: Job, rig: Rig, a: number, b: number): Edit | null {
  const at = <T>(list: readonly T[]): T | undefined => list[b % Math.max(1, list.length)];
  switch (a % MOVES) {
    case 0:
    case 1:
    case 2: {
      const part = at(j.kit);
      return part ? put(j, rig, part) : null;
    }
    case 3:
      return at(deedsOf(j, rig)) ?? null;
    case 4:
      return setLight(rig, { [at(['ev', 'iso', 'fps', 'angle'])!]: 1 + (b % 24) }, 'light');
    case 5: {
      const u = at(rig.fitted ?? []);
      return u
        ? setFitted(rig, u.id, { z: b % 50 }, 'move')
        : setLimits(rig, { ...rig.limits, height: 1000 + (b % 100) });
    }
    case 6: {
      const lens = at(j.kit.filter(isLens));
      return lens
        ? b % 2
          ? keepInSet(j, lens, false)
          : recordTrial(j, [lens.id, rig.body!], 'fits', 'today')
        : null;
    }
    case 7:
      return at(sendings(j, rig)) ?? null;
    case 8: {
      const pack = at(packsOnHand(build(j, rig)));
      return pack ? markPack(pack, at(PACK_STATES) ?? null, 'noon') : null;
    }
    case 9: {
      const run = runOfCards(build(j, rig), `clip-${b % 3}`, { minutes: 20, gigabytes: 50 + b });
      return run ? { title: 'x', changes: [{ path: ['cardRuns', run.id], value: run }] } : null;
    }
    case 11: {
      const built = build(j, rig);
      const motor = at(motorsOn(built));
      const pull = motor && pullAsKept(built, motor, `pull-${b % 3}`, { went: WENT[b % 3]! });
      return pull ? { title: 'x', changes: [{ path: ['pulls', pull.id], value: pull }] } : null;
    }
    default:
      return setStop(rig, 2 + (b % 10));
  }
}
/** So many sorts of moves there are. */
const MOVES = 12;
/** Those that only set something of the rig. */
const SETS = [4, 5, 10] as const;

/** Keys of everything that stands on a rig, list by list, and of what was noted in its job. */
function there(rig: Rig, { packMarks, cardRuns, pulls }: Job): Set<string> {
  const out = new Set<string>();
  for (const [list, uses] of Object.entries({ ...rig, packMarks, cardRuns, pulls }))
    if (Array.isArray(uses))
      for (const u of uses as { id?: string; part?: string }[])
        out.add(`${list}/${u.id ?? u.part ?? ''}`);
  return out;
}

test('both edits stand, or a word is said', async () => {
  let said = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.nat(job.rigs.length - 1),
      fc.nat(99),
      fc.nat(9999),
      fc.nat(99),
      fc.nat(9999),
      async (r, a, b, c, d) => {
        const id = job.rigs[r]!.id;
        const rigOf = (j: Job) => j.rigs.find((x) => x.id === id)!;
        const one = moveOf(job, rigOf(job), a, b);
        const two = moveOf(job, rigOf(job), c, d);
        if (!one || !two) return;
        const db = new NelvixDatabase(`windows-${n++}`);
        await addJobs(db, [doc]);
        const left = new JobStore(db);
        const right = new JobStore(db);
        await left.start(async () => doc);
        await right.start(async () => doc);
        left.edit(one);
        right.edit(two);
        await left.settled();
        await right.settled();
        await left.settled();
        const kept = (await loadJob(db, job.id))!.job;
        const now = jobOf(kept);
        const words = [...left.get().notices, ...right.get().notices].length;
        said += words > 0 ? 1 : 0;
        if (words === 0) {
          // What each alone brought in is in, what each alone took away is gone.
          const before = there(rigOf(job), job);
          const after = there(rigOf(now), now);
          for (const edit of [one, two]) {
            const by = withChanges(job, edit.changes);
            const alone = there(rigOf(by), by);
            // What is sent to something that the other took off goes with it.
            const cut = (rigOf(by).signals ?? []).flatMap((x) =>
              [x.from, x.to].some((e) => e.list !== 'body' && !after.has(`${e.list}/${e.id}`))
                ? [`signals/${x.id}`]
                : [],
            );
            for (const k of alone)
              if (!before.has(k) && !cut.includes(k)) expect(after).toContain(k);
            for (const k of before) if (!alone.has(k)) expect(after).not.toContain(k);
          }
        }
        // What leads nowhere is put right when the file is read, and said.
        expect(readDoc(writeDoc(kept)).ok || words > 0 || boxOnly(kept)).toBe(true);
        left.close();
        right.close();
        db.close();
      },
    ),
    { numRuns: 120 },
  );
  // The word is the exception.
  expect(said).toBeLessThan(60);
}, 120_000);

/** One window can change the box while the other sets what only the old one had. */
function boxOnly(d: JobDoc): boolean {
  const read = readDoc(writeDoc(d));
  return (
    !read.ok && read.problems.every((p) => /the id of a|an outlet of|a stage of/.test(p.expected))
  );
}

test('no move writes a whole list', () => {
  for (let a = 0; a < MOVES; a++)
    for (let b = 0; b < 400; b += 7)
      for (const rig of job.rigs) {
        const edit = moveOf(job, rig, a, b);
        for (const c of edit ? lowered(job, doc, edit).changes : [])
          if (Array.isArray(c.value))
            // A lens set chosen by hand for the first time begins whole.
            expect(c.path).toEqual(['lensSet']);
      }
});

test('a list becomes another one element by element, whatever the two are', () => {
  const element = fc.constantFrom('a', 'b', 'c', 'd', 'e').map((part) => ({ part }));
  const list = fc.uniqueArray(element, { selector: (e) => e.part, maxLength: 5 });
  fc.assert(
    fc.property(list, list, (before, after) => {
      const doc = { rig: before.length > 0 ? { list: before } : {} };
      const next = withChanges(
        doc as never,
        listChanges(['rig', 'list'], doc.rig.list, after),
      ) as unknown as {
        rig?: { list?: unknown };
      };
      expect(next.rig?.list ?? []).toEqual(after);
    }),
  );
});

test('one window in a configuration, the other on the rig itself: neither changes what is the other’s', async () => {
  const own = 'lockside-b';
  const rigIn = (d: JobDoc) => d.rigs.find((x) => x.id === own)!;
  const bare = ({ configurations: _c, ...rest }: JobDoc['rigs'][number]) => rest;
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.constantFrom(...SETS), fc.nat(99), fc.boolean()), {
        minLength: 2,
        maxLength: 6,
      }),
      async (moves) => {
        const db = new NelvixDatabase(`configured-${n++}`);
        const alone = new NelvixDatabase(`configured-${n++}`);
        await addJobs(db, [doc]);
        await addJobs(alone, [doc]);
        const open = async (on: NelvixDatabase, configuration: string | null) => {
          const store = new JobStore(on);
          await store.start(async () => doc);
          store.selectRig(own, configuration);
          return store;
        };
        const [inIt, onRig, only] = [
          await open(db, 'gimbal'),
          await open(db, null),
          await open(alone, null),
        ];
        for (const [a, b, configured] of moves)
          for (const store of configured ? [inIt] : [onRig, only]) {
            const j = store.get().job!;
            const edit = moveOf(
              j,
              j.rigs.find((x) => x.id === own)!,
              a,
              b,
            );
            if (edit) store.edit(edit);
            await store.settled();
          }
        for (const s of [inIt, onRig, inIt]) await s.settled();
        const kept = (await loadJob(db, job.id))!.job;
        const wanted = (await loadJob(alone, job.id))!.job;
        // The rig itself is what the window on it alone would have made of it.
        expect(bare(rigIn(kept))).toEqual(bare(rigIn(wanted)));
        const other = (d: JobDoc) => rigIn(d).configurations!.filter((c) => c.id !== 'gimbal');
        expect(other(kept)).toEqual(other(doc));
        expect(readDoc(writeDoc(kept)).ok).toBe(true);
        for (const s of [inIt, onRig, only]) s.close();
        db.close();
        alone.close();
      },
    ),
    { numRuns: 25 },
  );
}, 120_000);
