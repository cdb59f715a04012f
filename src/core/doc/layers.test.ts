import fc from 'fast-check';
import { readDoc, writeDoc } from '../format/read-job';
import { applyEdit, type Edit } from '../edit/edit';
import type { JobDoc, RigDoc } from '../kit/kept';
import type { Job } from '../kit/types';
import { anyEdits } from '../properties/rigs';
import {
  addConfiguration,
  copyConfiguration,
  removeConfiguration,
  renameConfiguration,
} from '../solve/configurations';
import { removePart } from '../solve/remove-part';
import { demo } from '../test-kit';
import { laidOver, overriddenBy, rigIn, viewed } from './layers';
import { lowered } from './lower';
import { jobOf } from './read';
import { routed } from './route';
import { docOf } from './write';

/** Configurations: an edit in one belongs to it alone, and there and back is the same document. */

/** A job with two configurations of a rig, both as the rig stands. */
function withTwo(job: Job, rigId: string): { doc: JobDoc; a: string; b: string } {
  let doc = docOf(job);
  const ids = ['one', 'two'].map((name) => {
    const read = jobOf(doc);
    const { edit, id } = addConfiguration(
      read.rigs.find((r) => r.id === rigId)!,
      name,
    );
    doc = applyEdit(doc, lowered(read, doc, edit)).doc;
    return id;
  });
  return { doc, a: ids[0]!, b: ids[1]! };
}

/** An edit made while a configuration is open, on what is kept. */
function made(doc: JobDoc, rigId: string, configuration: string | null, edit: Edit): Edit {
  const open = viewed(doc, rigId, configuration);
  return routed(doc, rigId, configuration, lowered(jobOf(open), open, edit));
}

const rigOf = (doc: JobDoc, id: string) => doc.rigs.find((r) => r.id === id)!;

/** A rig without the order of its lists, which says nothing. */
function plain(rig: RigDoc): unknown {
  const byId = <T extends { id: string }>(list: readonly T[]) =>
    [...list].sort((x, y) => (x.id < y.id ? -1 : 1));
  const { configurations: _c, ...rest } = rig;
  return {
    ...rest,
    uses: byId(rig.uses),
    joints: byId(rig.joints),
    links: byId(rig.links),
    frames: byId(rig.frames),
  };
}

const edited = (rigId: string, edits: readonly { edit: Edit }[]) =>
  edits
    .map((e) => e.edit)
    .filter((e) => e.changes.every((c) => c.path[0] === 'rigs' && c.path[1] === rigId));

describe('an edit while a configuration is open', () => {
  test('comes to the same there as it would on the rig itself; base and others stay as they are', () => {
    let tried = 0;
    fc.assert(
      fc.property(anyEdits, (list) => {
        const rigId = list[0]?.edit.changes[0]?.path[1];
        const rig = list[0]?.job.rigs.find((r) => r.id === rigId);
        if (!rig) return;
        const { doc: start, a, b } = withTwo(list[0]!.job, rig.id);
        let doc = start;
        for (const edit of edited(rig.id, list)) {
          const open = viewed(doc, rig.id, a);
          let wanted: JobDoc;
          try {
            wanted = applyEdit(open, lowered(jobOf(open), open, edit)).doc;
          } catch {
            continue;
          }
          const way = made(doc, rig.id, a, edit);
          const { doc: next, inverse } = applyEdit(doc, way);
          tried++;
          expect(plain(rigIn(rigOf(next, rig.id), a))).toEqual(plain(rigOf(wanted, rig.id)));
          // The rig itself, its other configuration and every other rig say what they said.
          expect(plain(rigOf(next, rig.id))).toEqual(plain(rigOf(doc, rig.id)));
          expect(plain(rigIn(rigOf(next, rig.id), b))).toEqual(plain(rigIn(rigOf(doc, rig.id), b)));
          expect(next.rigs.filter((r) => r.id !== rig.id)).toEqual(
            doc.rigs.filter((r) => r.id !== rig.id),
          );
          expect(applyEdit(next, inverse).doc).toEqual(doc);
          doc = next;
        }
        // What a file says of it is read again.
        const read = readDoc(writeDoc(doc));
        expect(read.ok ? plain(rigIn(rigOf(read.value, rig.id), a)) : read.problems).toEqual(
          plain(rigIn(rigOf(doc, rig.id), a)),
        );
      }),
      { numRuns: 60 },
    );
    expect(tried).toBeGreaterThan(60);
  });

  test('an edit of the base shows through where nothing is overridden', () => {
    const job = demo();
    const { doc, a } = withTwo(job, 'lockside-b');
    const set = (value: number): Edit => ({
      title: 'x',
      changes: [{ path: ['rigs', 'lockside-b', 'fitted', 'arm', 'turn'], value }],
    });
    const base = applyEdit(doc, made(doc, 'lockside-b', null, set(10))).doc;
    const turn = (d: JobDoc, c: string | null) =>
      jobOf(viewed(d, 'lockside-b', c))
        .rigs.find((r) => r.id === 'lockside-b')!
        .fitted!.find((u) => u.id === 'arm')!.turn;
    expect(turn(base, a)).toBe(10);
    const own = applyEdit(base, made(base, 'lockside-b', a, set(25))).doc;
    expect([turn(own, null), turn(own, a)]).toEqual([10, 25]);
    const later = applyEdit(own, made(own, 'lockside-b', null, set(40))).doc;
    expect([turn(later, null), turn(later, a)]).toEqual([40, 25]);
    expect(overriddenBy(rigOf(later, 'lockside-b'), a)).toContainEqual({
      path: ['joints', 'arm', 'place', 'turn'],
      base: 40,
      own: 25,
    });
    // Set to what the rig says it says nothing of its own any more.
    const back = applyEdit(later, made(later, 'lockside-b', a, set(40))).doc;
    expect(turn(back, a)).toBe(40);
    expect(overriddenBy(rigOf(back, 'lockside-b'), a).some((o) => o.path.at(-1) === 'turn')).toBe(
      false,
    );
  });

  test('what is left off takes with it what it holds, and comes back as it was', () => {
    const { doc, a } = withTwo(demo(), 'lockside-b');
    const off: Edit = {
      title: 'x',
      changes: [{ path: ['rigs', 'lockside-b', 'fitted', 'handle'], value: undefined }],
    };
    const { doc: next, inverse } = applyEdit(doc, made(doc, 'lockside-b', a, off));
    const on = rigIn(rigOf(next, 'lockside-b'), a).uses.map((u) => u.id);
    expect(on).not.toContain('handle');
    expect(on).not.toContain('arm');
    expect(on).not.toContain('screen');
    expect(on).toContain('grip');
    expect(rigOf(next, 'lockside-b').uses.map((u) => u.id)).toContain('arm');
    expect(applyEdit(next, inverse).doc).toEqual(doc);
  });
});

describe('layers', () => {
  const rig = rigOf(docOf(demo()), 'lockside-b');

  test('what changes an element that is gone has no effect; null takes a field away', () => {
    const out = laidOver(rig, {
      uses: { nowhere: { set: { x: 1 } } },
      joints: { arm: { place: { n: null } } },
      hold: null,
      stop: 8,
    });
    expect(out.uses).toEqual(rig.uses);
    expect(out.joints.find((j) => j.id === 'arm')!.place).toBeUndefined();
    expect(out.hold).toBeUndefined();
    expect(out.stop).toBe(8);
    expect(rig.stop).toBe(3.6);
  });

  test('on another host nothing of the place below is left', () => {
    const out = laidOver(rig, {
      joints: { arm: { host: { use: 'cage', interface: 'left-holes', face: 'left' } } },
    });
    expect(out.joints.find((j) => j.id === 'arm')!.place).toBeUndefined();
    expect(rig.joints.find((j) => j.id === 'arm')!.place).toEqual({ n: 2 });
  });

  test('the same rig in the same configuration is the same object; one that is gone is the rig', () => {
    const { doc, a } = withTwo(demo(), 'lockside-b');
    const own = rigOf(doc, 'lockside-b');
    expect(rigIn(own, a)).toBe(rigIn(own, a));
    expect(rigIn(own, 'gone')).toBe(own);
    expect(viewed(doc, 'lockside-b', a)).toBe(viewed(doc, 'lockside-b', a));
    expect(viewed(doc, 'lockside-b', null)).toBe(doc);
  });
});

describe('configurations of a rig', () => {
  test('are made, copied, renamed and taken away; each step is taken back', () => {
    const start = docOf(demo());
    let doc = start;
    const step = (make: (r: Job['rigs'][number]) => Edit) => {
      const read = jobOf(doc);
      const edit = make(read.rigs.find((r) => r.id === 'wheelhouse-a')!);
      const low = lowered(read, doc, edit);
      const { doc: next, inverse } = applyEdit(doc, low);
      expect(applyEdit(next, inverse).doc).toEqual(doc);
      doc = next;
    };
    const names = () => rigOf(doc, 'wheelhouse-a').configurations?.map((c) => c.name);
    step((r) => addConfiguration(r, 'gimbal').edit);
    step((r) => addConfiguration(r, 'gimbal').edit);
    step((r) => copyConfiguration(r, r.configurations![0]!).edit);
    step((r) => renameConfiguration(r, r.configurations![1]!, 'cabin'));
    expect(names()).toEqual(['gimbal', 'cabin', 'gimbal, copy']);
    for (let i = 0; i < 3; i++) step((r) => removeConfiguration(r, r.configurations![0]!));
    expect(doc).toEqual(start);
  });
});

test('a part that goes out of the kit goes out of configurations too, and what is written is read', () => {
  const doc = docOf(demo());
  const job = jobOf(doc);
  for (const id of ['thole-2', 'spar', 'trellis']) {
    const edit = removePart(
      job,
      job.kit.find((p) => p.id === id)!,
    );
    const { doc: next, inverse } = applyEdit(doc, lowered(job, doc, edit));
    expect(readDoc(writeDoc(next))).toMatchObject({ ok: true });
    expect(applyEdit(next, inverse).doc).toEqual(doc);
  }
});

describe('wild differences', () => {
  const wild = fc.oneof(
    fc.constantFrom<unknown>(
      null,
      7,
      'x',
      [],
      [1],
      { off: true },
      { role: 3 },
      { guest: 'x' },
      { part: 'gone' },
    ),
    fc.dictionary(
      fc.constantFrom('arm', 'lens', 'new', 'place', 'set', 'host'),
      fc.anything({ maxDepth: 2 }),
    ),
  );

  test('are refused with their place, or read; what is read is checked without a throw', () => {
    let [ok, refused] = [0, 0];
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom(
            'uses',
            'joints',
            'links',
            'frames',
            'mode',
            'stop',
            'light',
            'limits',
            'hold',
          ),
          fc.oneof(wild, fc.dictionary(fc.constantFrom('arm', 'lens', 'cage', 'new'), wild)),
        ),
        (over) => {
          const doc = docOf(demo());
          const text = JSON.stringify({
            ...doc,
            rigs: doc.rigs.map((r) =>
              r.id === 'lockside-b' ? { ...r, configurations: [{ id: 'c', name: 'C', over }] } : r,
            ),
          });
          const read = readDoc(text);
          if (!read.ok) {
            refused++;
            for (const p of read.problems) expect(p.path).toMatch(/configurations\[0\]/);
            return;
          }
          ok++;
          const stands = rigIn(rigOf(read.value, 'lockside-b'), 'c');
          expect(Array.isArray(stands.uses)).toBe(true);
          jobOf({ ...read.value, rigs: [stands] });
        },
      ),
      { numRuns: 150 },
    );
    expect(ok).toBeGreaterThan(5);
    expect(refused).toBeGreaterThan(5);
  });
});
