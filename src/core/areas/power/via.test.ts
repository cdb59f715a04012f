import fc from 'fast-check';
import { build, shared } from '../../build/build';
import { lowered } from '../../doc/lower';
import { jobOf } from '../../doc/read';
import { docOf } from '../../doc/write';
import { applyEdit, withChanges } from '../../edit/edit';
import { readDoc, readJob, writeDoc, writeJob } from '../../format/read-job';
import type { JobDoc } from '../../kit/kept';
import type { Change, Job, TiePoint } from '../../kit/types';
import { anyRig, demoStandings, type Subject } from '../../properties/rigs';
import { someTies } from '../../properties/sendings';
import { saidBetween } from '../../set/changes';
import { removePart } from '../../solve/remove-part';
import { demo, demoDoc } from '../../test-kit';
import { check } from '../checks';
import { takeFitted } from '../space/moves/fitted';
import { leadsDrawn } from './model/drawn';
import { lengthBy, linesOn, runAt, type Line } from './model/lines';
import { tieName, tiePlaces } from './model/tie-places';
import { tieAt, tieMore, untie } from './moves/via';

/** Leads that are tied where somebody said. */

const RIG = 'tug-b';
const base = demo();
const own = base.rigs.find((r) => r.id === RIG)!;

function rigged(changes: readonly Change[] = [], from: Job = base) {
  const job = withChanges(from, changes);
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  const said = check(built);
  return {
    job,
    rig,
    built,
    of: (key: string) => said.find((v) => v.key === key),
    line: (key: string) => linesOn(built).find((l) => l.key === key)!,
  };
}
const FEED = 'fitted:monitor';
const SENT = 'signal:picture';
const handle: TiePoint = {
  id: 't',
  on: { list: 'fitted', id: 'handle' },
  face: 'left',
  z: 10,
};
const body: TiePoint = { id: 'b', on: { list: 'body', id: 'body' }, face: 'left', y: 30 };
const tied = (key: string, via: readonly TiePoint[]) =>
  rigged(tieAt(own, rigged().line(key), via, 'x').changes);

describe('a lead that is tied to something goes over it', () => {
  test.each([FEED, SENT])('%s: no shorter than where it lies shortest, through the tie', (key) => {
    const free = runAt(rigged().built, rigged().line(key))!.laid()!;
    const { built, line } = tied(key, [handle]);
    const run = runAt(built, line(key))!;
    const laid = run.laid()!;
    expect(laid.length).toBeGreaterThanOrEqual(free.length * 0.97 - 1);
    expect(laid.stretches).toHaveLength(2);
    expect(laid.stretches.reduce((a, b) => a + b, 0)).toBeCloseTo(laid.length, 9);
    expect(run.near).toBeLessThanOrEqual(laid.length + 1e-9);
    expect(laid.most).toBeGreaterThanOrEqual(laid.length);
    // Over the tie, some millimetres off its face.
    const [at] = laid.ties;
    const off = Math.min(...laid.points.map((p) => Math.hypot(...p.map((v, k) => v - at![k]!))));
    expect([4, 5, 6, 8, 10]).toContain(Math.round(off * 1e6) / 1e6);
    expect(leadsDrawn(built).find((d) => d.key.endsWith(key))!.ties).toEqual(laid.ties);
  });

  test('the longest stretch counts, not how many ties there are', () => {
    const { of, built, line } = tied(SENT, [handle]);
    const laid = runAt(built, line(SENT))!.laid()!;
    const v = of(`cable.tie:${SENT}`)!;
    expect(v.margin!.value).toBeCloseTo(150 - Math.max(...laid.stretches), 6);
    const far = tied(SENT, [handle, { ...handle, id: 'u', z: 11 }]);
    // Two ties beside each other hold no more than one.
    expect(far.of(`cable.tie:${SENT}`)!.margin!.value).toBeLessThan(v.margin!.value + 15);
  });

  test('tied to what is not there, or stands nowhere, nothing of it is ok', () => {
    const gone = tied(SENT, [{ ...handle, on: { list: 'fitted', id: 'nobody' } }]);
    for (const id of ['length', 'tie'])
      expect(gone.of(`cable.${id}:${SENT}`)!.state).not.toBe('ok');
    const blind = rigged(
      [{ path: ['kit', 'stirrup', 'width'], value: undefined }],
      tied(SENT, [handle]).job,
    );
    for (const id of ['length', 'tie'])
      expect(blind.of(`cable.${id}:${SENT}`)!.state).not.toBe('ok');
  });

  test('a short lead that would have reached is too short by the way it is tied', () => {
    const round: TiePoint = { id: 'r', on: { list: 'fitted', id: 'battery' }, face: 'rear' };
    const v = tied(SENT, [round]).of(`cable.length:${SENT}`)!;
    expect(rigged().of(`cable.length:${SENT}`)!.state).toBe('ok');
    expect(v.state).toBe('fail');
  });
});

describe('put, taken off, kept', () => {
  test('one more is put where the lead stays shortest, whatever the order they come in', () => {
    const lengths = (ties: readonly TiePoint[]) => {
      let job = base;
      for (const t of ties) {
        const now = rigged([], job);
        const line = now.line(SENT);
        const edit = tieMore(now.rig, line, t, 'x', (via) => lengthBy(now.built, line, via));
        job = withChanges(job, edit.changes);
      }
      const { built, line } = rigged([], job);
      return runAt(built, line(SENT))!.laid()!.length;
    };
    expect(lengths([handle, body])).toBeCloseTo(lengths([body, handle]), 3);
    // Every order of two, tried.
    const { built, line } = rigged();
    const all = [
      [handle, body],
      [body, handle],
    ].map((via) => lengthBy(built, line(SENT), via) ?? Infinity);
    expect(lengths([handle, body])).toBeCloseTo(Math.min(...all), 3);
  });

  test.each([FEED, SENT])('%s: in the file, undone, untied, and gone with what it is on', (key) => {
    const doc = demoDoc();
    const job = jobOf(doc);
    const line = (j: Job): Line => rigged([], j).line(key);
    const put = tieAt(own, line(job), [handle, body], 'x');
    const { doc: kept, inverse } = applyEdit(doc, lowered(job, doc, put));
    const now = jobOf(kept);
    expect(line(now).via).toEqual([handle, body]);
    expect(applyEdit(kept, inverse).doc).toEqual(doc);
    const read = readJob(writeJob(now));
    expect(read.ok && read.value.rigs.find((r) => r.id === RIG)).toEqual(
      now.rigs.find((r) => r.id === RIG),
    );
    expect(jobOf(docOf(now)).rigs.find((r) => r.id === RIG)).toEqual(
      now.rigs.find((r) => r.id === RIG),
    );
    const rig = now.rigs.find((r) => r.id === RIG)!;
    const less = untie(rig, line(now), 't', 'x');
    expect(line(withChanges(now, less.changes)).via).toEqual([body]);
    for (const edit of [
      takeFitted(rig, 'handle', 'x'),
      removePart(
        now,
        now.kit.find((p) => p.id === 'stirrup')!,
      ),
      removePart(
        now,
        now.kit.find((p) => p.id === 'body-b')!,
      ),
    ]) {
      const low = lowered(now, kept, edit);
      const after = applyEdit(kept, low);
      expect(jobOf(after.doc).rigs).toEqual(withChanges(now, edit.changes).rigs);
      expect(applyEdit(after.doc, after.inverse).doc).toEqual(kept);
      expect(JSON.stringify(jobOf(after.doc).rigs.find((r) => r.id === RIG))).not.toContain(
        edit.changes.some((c) => c.path.includes('body')) ? '"id":"b"' : '"id":"t"',
      );
    }
  });

  test('a file with a tie to nothing is mended, and it is said; one with a wild face is refused', () => {
    const put = tieAt(own, rigged().line(SENT), [handle], 'x');
    const doc = docOf(withChanges(base, put.changes));
    const broken = (change: (tie: Record<string, unknown>) => void) => {
      const j = JSON.parse(writeDoc(doc)) as JobDoc;
      const links = j.rigs.find((r) => r.id === RIG)!.links;
      change(links.find((l) => l.id === 'picture')!.via![0]!);
      return readDoc(JSON.stringify(j));
    };
    const gone = broken((t) => (t.use = 'nobody'));
    if (!gone.ok) throw new Error('refused');
    expect(gone.notes).toContainEqual(
      expect.stringMatching(/a tie of the link picture was left out: it led to nobody/),
    );
    for (const [field, value] of [
      ['face', 'inside'],
      ['z', 'far'],
      ['x', 5000],
      ['id', ''],
    ] as const)
      expect([field, broken((t) => (t[field] = value)).ok]).toEqual([field, false]);
  });
});

test('on random rigs tied anywhere: stretches add up, bounds hold, and every way is clear of what it goes round', () => {
  let seen = 0;
  const look = ({ job, rig }: Subject, n: number) => {
    const built = build(job, rig, shared(job));
    for (const l of linesOn(built)) {
      const via = someTies(rig, n);
      const next = withChanges(job, tieAt(rig, l, via, 'x').changes);
      const r = next.rigs.find((x) => x.id === rig.id)!;
      const then = build(next, r, shared(next));
      const line = linesOn(then).find((x) => x.key === l.key)!;
      const run = runAt(then, line);
      const laid = run?.laid();
      if (!run || !laid) continue;
      expect(laid.stretches).toHaveLength(laid.ties.length + 1);
      expect(laid.stretches.reduce((a, b) => a + b, 0)).toBeCloseTo(laid.length, 6);
      expect(run.near).toBeLessThanOrEqual(laid.most + 60);
      seen += laid.ties.length;
    }
  };
  demoStandings.forEach(([, s], i) => look(s, i));
  fc.assert(
    fc.property(anyRig, fc.nat(50), (s, n) => look(s, n)),
    { numRuns: 25 },
  );
  expect(seen).toBeGreaterThan(10);
});

test('a lead can be tied to every face of what stands somewhere, and each is called by its name', () => {
  const { built, rig } = rigged();
  const places = tiePlaces(built);
  expect(new Set(places.map((p) => p.id)).size).toBe(places.length);
  expect(places.map((p) => p.name)).toEqual(
    expect.arrayContaining(['Pellin Pocket, camera left', 'Stirrup handle, camera left']),
  );
  for (const p of places) {
    expect(tieName(built, p.to)).toBe(p.name);
    const then = rigged(tieAt(own, rigged().line(SENT), [{ id: 't', ...p.to }], 'x').changes);
    expect(then.line(SENT).via).toHaveLength(1);
    expect(runAt(then.built, then.line(SENT))!.assumed ?? '').not.toMatch(/tied to stands/);
  }
  // Six faces of each, and either side of the rods.
  expect(places.length).toBe(6 * (1 + rig.fitted!.length) + 2 * rig.rods!.length);
});

test('between two ways a rig stands it is said what its leads are tied to', () => {
  const doc = demoDoc();
  const kit = new Map(base.kit.map((p) => [p.id, p]));
  const from = doc.rigs.find((r) => r.id === RIG)!;
  for (const key of [FEED, SENT]) {
    const put = lowered(base, doc, tieAt(own, rigged().line(key), [handle, body], 'x'));
    const to = applyEdit(doc, put).doc.rigs.find((r) => r.id === RIG)!;
    const said = (a: typeof from, b: typeof from) => saidBetween(kit, a, b).map((c) => c.text);
    expect(said(from, to)).toContain('Pane 5: its lead tied to Stirrup handle, then Pellin Pocket');
    expect(said(to, from)).toContain('Pane 5: its lead not tied to anything on its way');
  }
});
