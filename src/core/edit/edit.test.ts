import fc from 'fast-check';
import { applyChange, applyEdit, PathError, withChanges, type Edit } from './edit';
import { demo } from '../test-kit';
import type { Change } from '../kit/types';

const doc = () => ({
  name: 'x',
  list: [
    { id: 'a', v: 1, rows: [{ d: 1 }, { d: 2 }] },
    { id: 'b', v: 2 },
    { id: 'c', v: 3 },
  ],
  plain: { deep: { n: 1 } },
});

describe('one change', () => {
  test('sets a field of a list element by id and copies only the path', () => {
    const before = doc();
    const after = applyChange(before, { path: ['list', 'b', 'v'], value: 9 });
    expect(after.list[1]).toEqual({ id: 'b', v: 9 });
    expect(after.list[0]).toBe(before.list[0]);
    expect(after.plain).toBe(before.plain);
    expect(before.list[1]!.v).toBe(2);
  });

  test('rows without an id go by index', () => {
    expect(
      applyChange(doc(), { path: ['list', 'a', 'rows', '1', 'd'], value: 5 }).list[0]!.rows![1],
    ).toEqual({ d: 5 });
  });

  test('undefined takes away, a new id adds', () => {
    expect(
      applyChange(doc(), { path: ['list', 'b'], value: undefined }).list.map((x) => x.id),
    ).toEqual(['a', 'c']);
    expect(
      applyChange(doc(), { path: ['list', 'd'], value: { id: 'd', v: 4 } }).list.map((x) => x.id),
    ).toEqual(['a', 'b', 'c', 'd']);
    expect('name' in applyChange(doc(), { path: ['name'], value: undefined })).toBe(false);
  });

  test('what is not there yet begins empty', () => {
    const after = applyChange(doc() as Record<string, unknown>, {
      path: ['rules', 'values', 'a.b'],
      value: 1,
    });
    expect(after.rules).toEqual({ values: { 'a.b': 1 } });
    const rows = applyChange(doc() as Record<string, unknown>, {
      path: ['imageCircle', '0', 'diameter'],
      value: 40,
    });
    expect(rows.imageCircle).toEqual([{ diameter: 40 }]);
  });

  test('a path through nothing is an error, not a silent loss', () => {
    expect(() => applyChange(doc(), { path: ['list', 'zz', 'v'], value: 1 })).toThrow(PathError);
    expect(() => applyChange(doc(), { path: ['name', 'v'], value: 1 })).toThrow(PathError);
  });

  test('fields that would reach into the language are refused', () => {
    for (const key of ['__proto__', 'constructor', 'prototype'])
      expect(() => applyChange(doc(), { path: [key, 'polluted'], value: 1 })).toThrow(PathError);
    expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
  });
});

describe('an edit and its way back', () => {
  const job = demo();
  const lens = fc.constantFrom(...job.kit.filter((p) => p.kind === 'lens').map((p) => p.id));
  const rig = fc.constantFrom(...job.rigs.map((r) => r.id));
  const change: fc.Arbitrary<Change> = fc.oneof(
    fc
      .tuple(
        rig,
        fc.constantFrom('focal', 'stop', 'focus'),
        fc.option(fc.double({ min: 1, max: 99, noNaN: true }), { nil: undefined }),
      )
      .map(([r, f, value]) => ({ path: ['rigs', r, f], value })),
    fc.tuple(rig, lens).map(([r, value]) => ({ path: ['rigs', r, 'lens'], value })),
    fc
      .tuple(
        lens,
        fc.constantFrom('length', 'mass', 'notes', 'squeeze'),
        fc.option(fc.integer({ min: 1, max: 500 }), { nil: undefined }),
      )
      .map(([l, f, value]) => ({ path: ['kit', l, f], value })),
    fc
      .tuple(lens, fc.integer({ min: 20, max: 60 }))
      .map(([l, value]) => ({ path: ['kit', l, 'imageCircle', '0', 'diameter'], value })),
    fc.tuple(rig, fc.constantFrom('f239', 'vertical', 'new')).map(([r, f]) => ({
      path: ['rigs', r, 'frames', f],
      value: { id: f, name: f, aspect: 1.2 },
    })),
    fc
      .tuple(rig, fc.constantFrom('f239', 'vertical', 'new'))
      .map(([r, f]) => ({ path: ['rigs', r, 'frames', f], value: undefined })),
    lens.map((l) => ({ path: ['kit', l], value: undefined })),
    fc.integer({ min: 0, max: 3 }).map((n) => ({
      path: ['kit', `extra-${n}`],
      value: { id: `extra-${n}`, kind: 'lens', name: `extra ${n}` },
    })),
    fc
      .integer({ min: 0, max: 2 })
      .map((n) => ({ path: ['rules', 'values', 'coverage.margin'], value: n || undefined })),
  );

  test('the inverse of any run of edits brings the document back to the letter', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(change, { minLength: 1, maxLength: 4 }), { maxLength: 8 }),
        (edits) => {
          let now = job;
          const back: Edit[] = [];
          for (const changes of edits) {
            try {
              const r = applyEdit(now, { title: 'x', changes });
              now = r.doc;
              back.unshift(r.inverse);
            } catch (e) {
              if (!(e instanceof PathError)) throw e;
            }
          }
          for (const edit of back) now = applyEdit(now, edit).doc;
          expect(JSON.stringify(sorted(now))).toBe(JSON.stringify(sorted(job)));
        },
      ),
      { numRuns: 400 },
    );
  });

  /** The order of an object's keys is no content. */
  function sorted(x: unknown): unknown {
    if (Array.isArray(x)) return x.map(sorted);
    if (x === null || typeof x !== 'object') return x;
    return Object.fromEntries(
      Object.entries(x)
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([k, v]) => [k, sorted(v)]),
    );
  }

  test('changes are applied in order', () => {
    const next = withChanges(job, [
      { path: ['rigs', 'tug-b', 'focal'], value: 20 },
      { path: ['rigs', 'tug-b', 'focal'], value: 24 },
    ]);
    expect(next.rigs[0]!.focal).toBe(24);
    expect(job.rigs[0]!.focal).toBe(18);
  });
});

describe('what is taken away', () => {
  test('an optional list goes with its last element, one that is always there stays empty', () => {
    const doc = {
      rigs: [{ id: 'r', between: [{ part: 'a' }], thread: [{ part: 'b' }] }],
    };
    const off = (list: string, key: string) =>
      applyChange(doc, {
        path: ['rigs', 'r', list, key],
        value: undefined,
        prune: 3,
      }).rigs[0] as Record<string, unknown>;
    expect(off('between', 'a').between).toEqual([]);
    expect('thread' in off('thread', 'b') && off('thread', 'b').thread !== undefined).toBe(false);
  });

  test.each(['quay', '12'])(
    'what a configuration brings of its own comes back under its id: %s',
    (id) => {
      const over = { uses: { [id]: { part: id, role: 'mains' } } };
      const before = { rigs: [{ id: 'r', configurations: [{ id: 'c', name: 'c', over }] }] };
      const path = ['rigs', 'r', 'configurations', 'c', 'over', 'uses', id];
      for (const prune of [5, 6]) {
        const off = applyEdit(before, {
          title: 'x',
          changes: [{ path, value: undefined, prune }],
        });
        expect(JSON.stringify(off.doc)).not.toContain('uses');
        expect(applyEdit(off.doc, off.inverse).doc).toEqual(before);
      }
    },
  );
});
