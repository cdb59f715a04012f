import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { checkRig } from '../areas/checks';
import { readJob } from '../format/read-job';
import { anyEdits, anyRig } from '../properties/rigs';
import { demo } from '../test-kit';
import type { Change, Job, Rig } from '../kit/types';
import { addRig, copyRig, removeRig } from '../solve/rigs';
import { applyEdit, type Edit } from '../edit/edit';
import { addPart } from '../solve/kit-moves';
import { removePart } from '../solve/remove-part';
import { difference } from './difference';
import { jobOf } from './read';
import { docOf } from './write';
import { lowered } from './lower';
import { rigOf } from './read-rig';
import { LISTS } from './roles';
import { rigDocOf } from './write-rig';
import type { JobDoc } from '../kit/kept';

/** A job without what says nothing: lists that are empty, places that are the usual ones. */
function plain(job: Job): unknown {
  return JSON.parse(
    JSON.stringify(job, (key, value: unknown) => {
      if (key === 'between' || key === 'kit' || key === 'frames') return value;
      if (Array.isArray(value) && value.length === 0) return undefined;
      return value;
    }),
    (key, value: unknown) => {
      if (key === 'under')
        return (value as { at?: string; part: string }[]).map((u) =>
          u.at === undefined && job.kit.find((p) => p.id === u.part)?.kind !== 'plate'
            ? { ...u, at: 'body' }
            : u,
        );
      if (key === 'trays') value = (value as object[]).filter((t) => Object.keys(t).length > 1);
      if (key === 'trays' && (value as object[]).length === 0) return undefined;
      // What is in no order is compared in none.
      if (['rods', 'gears', 'supports', 'drives', 'fitted', 'trays', 'flags'].includes(key))
        return Array.isArray(value)
          ? [...(value as unknown[])].sort((a, b) =>
              JSON.stringify(a, keysOf(a)) < JSON.stringify(b, keysOf(b)) ? -1 : 1,
            )
          : value;
      return value;
    },
  );
}
const keysOf = (x: unknown) => Object.keys(x as object).sort();

const job = demo();
const doc = docOf(job);

describe('a job as it is kept and as it is read', () => {
  test('the demo comes back as it was, and is kept the same again', () => {
    expect(plain(jobOf(doc))).toEqual(plain(job));
    expect(docOf(jobOf(doc))).toEqual(doc);
    expect(jobOf(doc)).toBe(jobOf(doc));
  });

  test('random rigs come back as they were', () => {
    fc.assert(
      fc.property(anyRig, ({ job: j }) => {
        const kept = docOf(j);
        expect(plain(jobOf(kept))).toEqual(plain(j));
        expect(docOf(jobOf(kept))).toEqual(kept);
      }),
      { numRuns: 60 },
    );
  });

  test('every id begins with a letter, stands once, and every joint and link leads to a use', () => {
    fc.assert(
      fc.property(anyRig, ({ job: j }) => {
        for (const rig of docOf(j).rigs) {
          const uses = rig.uses.map((u) => u.id);
          const joints = rig.joints.map((x) => x.id);
          for (const ids of [uses, joints, rig.links.map((l) => l.id)]) {
            expect(new Set(ids).size).toBe(ids.length);
            for (const id of ids) expect(id).toMatch(/^[A-Za-z][A-Za-z0-9._:-]{0,79}$/);
          }
          for (const x of rig.joints) expect(uses).toContain(x.guest.use);
          // Everything but the body is seated.
          for (const u of uses) expect(u === 'body' || joints.includes(u)).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('no field of what is kept is null, so that it can mean in a configuration that one is taken away', () => {
    fc.assert(
      fc.property(anyRig, ({ job: j }) => {
        const rigs = docOf(j).rigs.map((r) => ({
          ...r,
          configurations: r.configurations?.map((c) => ({ ...c, over: {} })),
        }));
        expect(JSON.stringify(rigs)).not.toMatch(/:null|\[null/);
      }),
      { numRuns: 20 },
    );
  });

  test('what did not change is the same object in the next reading, also after a step back', () => {
    const before = jobOf(doc);
    const rig = before.rigs.find((r) => (r.drives?.length ?? 0) > 0)!;
    const edit: Edit = {
      title: 'x',
      changes: [{ path: ['rigs', rig.id, 'drives', rig.drives![0]!.id, 'angle'], value: 33 }],
    };
    const { doc: next, inverse } = applyEdit(doc, lowered(before, doc, edit));
    const after = jobOf(next).rigs.find((r) => r.id === rig.id)!;
    expect(after.drives![0]!.angle).toBe(33);
    for (const key of ['between', 'under', 'rods', 'fitted', 'frames'] as const)
      expect(after[key]).toBe(rig[key]);
    expect(jobOf(next).rigs.filter((r) => r !== after)).toEqual(
      before.rigs.filter((r) => r !== rig),
    );
    expect(jobOf(applyEdit(next, inverse).doc).rigs.find((r) => r.id === rig.id)!.drives).toBe(
      rig.drives,
    );
  });
});

describe('verdicts are those of the lists by role', () => {
  const said = (j: Job, id: string) =>
    checkRig(
      j,
      j.rigs.find((r) => r.id === id)!,
    ).map(({ id: check, key, about, state, why, margin }) => ({
      check,
      key,
      about,
      state,
      why,
      margin,
    }));
  const v3 = (n: number) =>
    JSON.parse(
      readFileSync(`${__dirname}/../format/fixtures/lock-nine.v${n}.nelvix.json`, 'utf8'),
    ) as Job;

  test.each([1, 2, 3])('of the job that was written as version %i', (n) => {
    const old = v3(n);
    const read = readJob(JSON.stringify(old));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    for (const { id } of old.rigs) expect(said(read.value, id)).toEqual(said(old, id));
  });

  test('of random rigs, in the same order', () => {
    fc.assert(
      fc.property(anyRig, ({ job: j, rig }) => {
        expect(said(jobOf(docOf(j)), rig.id)).toEqual(said(j, rig.id));
      }),
      { numRuns: 40 },
    );
  });

  test('the order in which uses, joints and links stand in the file says nothing', () => {
    fc.assert(
      fc.property(anyRig, fc.nat(), ({ job: j, rig }, seed) => {
        const kept = docOf(j);
        const turn = <T>(list: T[]) => {
          const at = list.length === 0 ? 0 : seed % list.length;
          return [...list.slice(at), ...list.slice(0, at)].reverse();
        };
        const shuffled: JobDoc = {
          ...kept,
          rigs: kept.rigs.map((r) => ({
            ...r,
            uses: turn(r.uses),
            joints: turn(r.joints),
            links: turn(r.links),
          })),
        };
        const order = (list: ReturnType<typeof said>) =>
          [...list].sort((a, b) => (a.key < b.key ? -1 : 1));
        expect(order(said(jobOf(shuffled), rig.id))).toEqual(order(said(j, rig.id)));
      }),
      { numRuns: 25 },
    );
  });
});

/** Applies an edit both ways: to what is read, and, written anew, to what is kept. */
function both(j: Job, kept: JobDoc, edit: Edit): { job: Job; doc: JobDoc; lower: Edit } {
  const lower = lowered(j, kept, edit);
  return { job: applyEdit(j, edit).doc, doc: applyEdit(kept, lower).doc, lower };
}

describe('an edit of what is read, written as one of what is kept', () => {
  test('says the same, whatever it is, and its inverse takes it back', () => {
    fc.assert(
      fc.property(anyEdits, (edits) => {
        for (const { job: j, edit } of edits) {
          const kept = docOf(j);
          const now = both(jobOf(kept), kept, edit);
          expect(plain(jobOf(now.doc))).toEqual(plain(now.job));
          expect(applyEdit(now.doc, applyEdit(kept, now.lower).inverse).doc).toEqual(kept);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('whatever a file calls its pieces: they keep those names', () => {
    /** The same job, everything that has a name by its role called otherwise. */
    const renamed = (d: JobDoc): JobDoc => ({
      ...d,
      rigs: d.rigs.map((r) => {
        const other = (id: string) =>
          /^(body|lens|box|box-ring|sleeve)$|^tray-|-(arm|foot|power)$/.test(id) ? `my-${id}` : id;
        const end = <T extends { use?: string }>(e: T): T =>
          e.use === undefined ? e : { ...e, use: other(e.use) };
        return {
          ...r,
          uses: r.uses.map((u) => ({ ...u, id: other(u.id) })),
          joints: r.joints.map((x) => ({
            ...x,
            id: other(x.id),
            guest: end(x.guest),
            ...(x.host ? { host: end(x.host) } : {}),
          })),
          links: r.links.map((l) => ({ ...l, id: other(l.id), from: end(l.from), to: end(l.to) })),
        };
      }),
    });
    fc.assert(
      fc.property(anyEdits, (edits) => {
        for (const { job: j, edit } of edits) {
          const kept = renamed(docOf(j));
          expect(plain(jobOf(kept))).toEqual(plain(j));
          const now = both(jobOf(kept), kept, edit);
          expect(plain(jobOf(now.doc))).toEqual(plain(now.job));
          expect(applyEdit(now.doc, applyEdit(kept, now.lower).inverse).doc).toEqual(kept);
          for (const [i, r] of now.doc.rigs.entries())
            if (kept.rigs[i]!.uses.some((u) => u.id === 'my-lens'))
              expect(r.uses.some((u) => u.id === 'lens')).toBe(false);
        }
      }),
      { numRuns: 30 },
    );
  });

  test('one after the other without being read anew in between', () => {
    fc.assert(
      fc.property(anyEdits, (edits) => {
        let kept = doc;
        for (const { job: j, edit } of edits) {
          kept = applyEdit(kept, lowered(jobOf(kept), kept, edit)).doc;
          expect(plain(jobOf(kept))).toEqual(plain(applyEdit(j, edit).doc));
        }
      }),
      { numRuns: 40 },
    );
  });

  test('touches no list as a whole and nothing that is not there', () => {
    fc.assert(
      fc.property(anyEdits, (edits) => {
        for (const { job: j, edit } of edits) {
          const kept = docOf(j);
          for (const c of lowered(jobOf(kept), kept, edit).changes) {
            if (c.path[0] !== 'rigs') continue;
            expect(READ).not.toContain(c.path[2]);
            if (['uses', 'joints', 'links'].includes(c.path[2]!))
              expect(c.path.length).toBeGreaterThan(3);
          }
        }
      }),
      { numRuns: 40 },
    );
  });

  test('a lens put on is one change of one use', () => {
    const j = jobOf(doc);
    const rig = j.rigs.find((r) => r.lens !== null)!;
    const other = j.kit.find((p) => p.kind === 'lens' && p.id !== rig.lens)!;
    const { changes } = lowered(j, doc, {
      title: 'x',
      changes: [{ path: ['rigs', rig.id, 'lens'], value: other.id }],
    });
    expect(changes).toEqual([{ path: ['rigs', rig.id, 'uses', 'lens', 'part'], value: other.id }]);
  });

  test('rigs come, are copied and go; parts go with what they are on; the lens set', () => {
    let kept = doc;
    const step = (edit: Edit) => {
      const now = both(jobOf(kept), kept, edit);
      expect(plain(jobOf(now.doc))).toEqual(plain(now.job));
      expect(applyEdit(now.doc, applyEdit(kept, now.lower).inverse).doc).toEqual(kept);
      kept = now.doc;
    };
    step(addRig(jobOf(kept)).edit);
    step(copyRig(jobOf(kept).rigs[0]!).edit);
    for (const part of job.kit) step(removePart(jobOf(kept), part));
    step(addPart(jobOf(kept), job.kit[0]!));
    step(removeRig(jobOf(kept).rigs[1]!));
    step({ title: 'x', changes: [{ path: ['lensSet'], value: ['marl-18', 'marl-24'] }] });
    step({ title: 'x', changes: [{ path: ['lensSet', 'marl-18'], value: undefined }] });
  });

  test('what was tried by hand becomes a record and goes as one', () => {
    const trial = { id: 'trial-x', parts: ['a', 'b'], result: 'fits' as const, when: '2026-01-01' };
    const put: Edit = { title: 'x', changes: [{ path: ['trials', trial.id], value: trial }] };
    const bare = docOf({ ...job, trials: undefined, markTests: undefined });
    const now = both(jobOf(bare), bare, put);
    expect(now.doc.records).toEqual([
      {
        id: 'trial-x',
        at: '2026-01-01',
        kind: 'trial',
        about: { parts: ['a', 'b'] },
        data: { result: 'fits' },
      },
    ]);
    expect(jobOf(now.doc).trials).toEqual([trial]);
    const away = both(jobOf(now.doc), now.doc, {
      title: 'x',
      changes: [{ path: ['trials', trial.id], value: undefined }],
    });
    expect(jobOf(away.doc).trials).toBeUndefined();
  });

  test('what no role reads stays, is copied along, and goes with what it hangs on', () => {
    const strange = {
      ...doc,
      records: [...(doc.records ?? []), { id: 'r1', kind: 'weighed', about: {}, data: { g: 3 } }],
      rigs: doc.rigs.map((r, i) =>
        i > 0
          ? r
          : {
              ...r,
              later: 1,
              uses: [
                ...r.uses.map((u) =>
                  u.id === 'lens' ? { ...u, piece: 'second', set: { x: 1 } } : u,
                ),
                { id: 'flag-1', role: 'banner', part: 'nothing' },
              ],
              joints: [
                ...r.joints,
                { id: 'flag-1', kind: 'rope', guest: { use: 'flag-1' }, host: { use: 'lens' } },
                { id: 'lens-tie', kind: 'tie', guest: { use: 'lens' } },
              ],
              links: [
                ...r.links,
                { id: 'v', kind: 'video', from: { use: 'lens' }, to: { use: 'body' } },
              ],
            },
      ),
    };
    const j = jobOf(strange);
    expect(docOf(j).records).toEqual(strange.records);
    const rig = j.rigs[0]!;
    const off = both(j, strange, {
      title: 'x',
      changes: [{ path: ['rigs', rig.id, 'stop'], value: 4 }],
    });
    expect(off.doc.rigs[0]).toEqual({ ...strange.rigs[0], stop: 4 });
    const copied = both(j, strange, copyRig(rig).edit);
    const copy = copied.doc.rigs.at(-1)!;
    expect(copy.uses.find((u) => u.id === 'flag-1')).toBeDefined();
    expect(copy.joints.map((x) => x.id)).toEqual(expect.arrayContaining(['flag-1', 'lens-tie']));
    expect(copy).toMatchObject({ later: 1 });
    // The lens goes: what held on to it goes with it, its own fields too.
    const bare = both(j, strange, {
      title: 'x',
      changes: [{ path: ['rigs', rig.id, 'lens'], value: null }],
    });
    expect(bare.doc.rigs[0]!.joints.some((x) => x.guest.use === 'lens')).toBe(false);
    expect(bare.doc.rigs[0]!.links.some((l) => l.from.use === 'lens')).toBe(false);
  });
});

/** What only a rig as it is read has. */
const READ: readonly string[] = [
  ...LISTS.map((l) => l.list),
  ...['body', 'lens', 'box', 'screenShut', 'footTied', 'wheel', 'hand', 'lenses', 'unread'],
];

describe('differences', () => {
  const value = fc.letrec<{ any: unknown; fields: unknown }>((tie) => ({
    any: fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('a', 'b'), tie('fields')),
    fields: fc.dictionary(fc.constantFrom('p', 'q', 'r'), tie('any'), { maxKeys: 3 }),
  }));
  const document = fc.record({
    set: value.fields,
    list: fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z'), v: value.any }), {
      selector: (e) => e.id,
    }),
  });
  /** What an edit leaves of a document: groups that are empty say nothing. */
  const said = (x: unknown): unknown =>
    JSON.parse(
      JSON.stringify(x, (_k, v: unknown) =>
        v !== null && typeof v === 'object' && !Array.isArray(v) && Object.keys(v).length === 0
          ? undefined
          : v,
      ) ?? 'null',
    );

  test('turn one document into the other', () => {
    fc.assert(
      fc.property(document, document, (a, b) => {
        const changes: Change[] = difference(a, b, []);
        const out = applyEdit<{ set: unknown; list: { id: string }[] }>(a, { title: 'x', changes });
        const sorted = (d: { list: { id: string }[] }) => ({
          ...d,
          list: [...d.list].sort((m, n) => (m.id < n.id ? -1 : 1)),
        });
        let now: unknown = said(sorted(out.doc));
        // A group that became empty is taken for none, as deep as it goes.
        for (let i = 0; i < 4; i++) now = said(now);
        let want: unknown = said(sorted(b));
        for (let i = 0; i < 4; i++) want = said(want);
        expect(now).toEqual(want);
      }),
      { numRuns: 300 },
    );
  });
});

test('numbers in a row: what stays keeps its own, what comes between gets one between', () => {
  const partOf = (id: string) => job.kit.find((p) => p.id === id);
  const rig: Rig = {
    id: 'r',
    name: 'R',
    body: null,
    mode: null,
    frames: [],
    lens: null,
    between: [],
    thread: ['a', 'b', 'c'].map((part) => ({ part })),
  };
  const order = (r: ReturnType<typeof rigDocOf>) =>
    Object.fromEntries(r.joints.map((j) => [j.id, j.place?.order]));
  const first = rigDocOf(rig, partOf);
  expect(order(first)).toEqual({ 'thread-a': 1, 'thread-b': 2, 'thread-c': 3 });
  const more = { ...rig, thread: ['a', 'x', 'b', 'c', 'y'].map((part) => ({ part })) };
  const second = rigDocOf(more, partOf, first);
  expect(order(second)).toEqual({
    'thread-a': 1,
    'thread-x': 1.5,
    'thread-b': 2,
    'thread-c': 3,
    'thread-y': 4,
  });
  expect(rigOf(second).thread).toEqual(more.thread);
  const turned = { ...rig, thread: ['c', 'a', 'b'].map((part) => ({ part })) };
  expect(rigOf(rigDocOf(turned, partOf, second)).thread).toEqual(turned.thread);
});
