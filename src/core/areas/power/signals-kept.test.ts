import fc from 'fast-check';
import { viewed } from '../../doc/layers';
import { lowered } from '../../doc/lower';
import { jobOf } from '../../doc/read';
import { routed } from '../../doc/route';
import { docOf } from '../../doc/write';
import { applyEdit, type Edit } from '../../edit/edit';
import { problemSentence } from '../../format/problem';
import { readDoc, readJob, writeDoc, writeJob } from '../../format/read-job';
import type { JobDoc } from '../../kit/kept';
import type { Rig } from '../../kit/types';
import { anyRig } from '../../properties/rigs';
import { sendings } from '../../properties/sendings';
import { copyRig } from '../../solve/rigs';
import { demo, demoDoc } from '../../test-kit';
import { check } from '../checks';
import { build, shared } from '../../build/build';
import { setSignal, unsend } from './moves/signal';

/** Signals as they are kept: in files, in configurations, in copies, and in what is broken. */

const RIG = 'tug-b';
const doc = demoDoc();
const text = writeDoc(doc);
const rigIn = (d: JobDoc, configuration: string | null = null): Rig =>
  jobOf(viewed(d, RIG, configuration)).rigs.find((r) => r.id === RIG)!;
const picture = rigIn(doc).signals![0]!;
const link = (d: JobDoc) => d.rigs.find((r) => r.id === RIG)!.links.find((l) => l.id === 'picture');

/** The demo with something of its link to the screen broken. */
const broken = (change: (link: any, rig: any) => void) => {
  const j = JSON.parse(text) as any;
  const rig = j.rigs.find((r: any) => r.id === RIG);
  change(
    rig.links.find((l: any) => l.id === 'picture'),
    rig,
  );
  return readDoc(JSON.stringify(j));
};

describe('a link that is no signal', () => {
  test.each<[string, (l: any) => void]>([
    ['carries nothing that is known', (l) => (l.kind = 'smoke')],
    ['says no port', (l) => delete l.from.port],
    ['comes from the lens', (l) => (l.from = { use: 'lens', port: 'hdmi-out' })],
  ])('%s: it is no signal, rides along, and its lead with it', (_n, change) => {
    const r = broken(change);
    if (!r.ok) throw new Error(r.problems.map((p) => problemSentence(p)).join());
    const job = jobOf(r.value);
    const rig = job.rigs.find((x) => x.id === RIG)!;
    expect(rig.signals).toBeUndefined();
    expect(JSON.stringify(rig.unread)).toContain('picture-lead');
    expect(docOf(job)).toEqual(r.value);
  });

  test('a port that its part has not is kept as it is said, and nothing of it is ok', () => {
    const r = broken((l) => (l.to.port = 'v99'));
    if (!r.ok) throw new Error('refused');
    const job = jobOf(r.value);
    const rig = job.rigs.find((x) => x.id === RIG)!;
    expect(rig.signals![0]!.to.port).toBe('v99');
    const said = check(build(job, rig, shared(job)));
    expect(said.find((v) => v.key === 'signal.fit:picture')).toMatchObject({ state: 'unknown' });
    for (const v of said.filter((x) => x.key.endsWith(':signal:picture')))
      expect([v.id, v.state === 'ok' && v.id !== 'cable.tie']).toEqual([v.id, false]);
    expect(JSON.parse(writeDoc(r.value))).toEqual(JSON.parse(writeDoc(docOf(job))));
  });

  test.each<[string, (l: any, rig: any) => void, RegExp]>([
    [
      'a lead that is none',
      (l) => (l.lead = 'monitor'),
      /links\[\d+\]\.lead: .*a lead of this rig/,
    ],
    ['ties that are none', (l) => (l.ties = -2), /links\[\d+\]\.ties: /],
    ['an id twice', (l, rig) => rig.links.push({ ...l }), /links\[\d+\]\.id: .*not used twice/],
    ['no end', (l) => delete l.to, /links\[\d+\]\.to: /],
    ['an id that is a number', (l) => (l.id = '7'), /begins with a letter/],
  ])('%s is said with its place, and nothing is taken in', (_n, change, sentence) => {
    const r = broken(change);
    expect(r.ok).toBe(false);
    if (!r.ok)
      expect(r.problems.map((p) => problemSentence(p))).toContainEqual(
        expect.stringMatching(sentence),
      );
  });

  test('a screen that is gone takes it along when the file is read, and it is said', () => {
    const r = broken((_l, rig) => {
      rig.uses = rig.uses.filter((u: any) => u.id !== 'monitor');
      rig.joints = rig.joints.filter((x: any) => x.id !== 'monitor');
    });
    if (!r.ok) throw new Error('refused');
    expect(r.notes).toContainEqual(
      expect.stringMatching(/the link picture was left out: it led to monitor/),
    );
    expect(link(r.value)).toBeUndefined();
  });
});

test('a random set of signals goes through the file and back, whatever they are', () => {
  fc.assert(
    fc.property(anyRig, fc.array(fc.nat(), { maxLength: 3 }), ({ job, rig }, picks) => {
      const all = sendings(job, rig);
      let now = job;
      for (const p of picks) if (all.length > 0) now = applyEdit(now, all[p % all.length]!).doc;
      const signals = now.rigs.find((r) => r.id === rig.id)!.signals ?? [];
      const read = readJob(writeJob(now));
      const byId = (list: readonly { id: string }[] = []) =>
        [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
      expect(read.ok && byId(read.value.rigs.find((r) => r.id === rig.id)!.signals)).toEqual(
        byId(signals),
      );
    }),
    { numRuns: 60 },
  );
});

describe('in a configuration', () => {
  const inIt = (edit: Edit, from = doc, configuration = 'screen-up') => {
    const view = viewed(from, RIG, configuration);
    return applyEdit(from, routed(from, RIG, configuration, lowered(jobOf(view), view, edit)));
  };
  const own = rigIn(doc, 'screen-up');

  test('it is tied there and not on the rig, and undo brings both back', () => {
    const { doc: tied, inverse } = inIt(setSignal(own, picture, { tied: true, ties: 2 }, 'x'));
    expect(rigIn(tied, 'screen-up').signals).toEqual([{ ...picture, tied: true, ties: 2 }]);
    expect(rigIn(tied).signals).toEqual([picture]);
    expect(applyEdit(tied, inverse).doc).toEqual(doc);
    // Said as the rig has it, nothing of it is left.
    const { doc: back } = inIt(setSignal(own, picture, {}, 'x'), tied);
    expect(rigIn(back, 'screen-up').signals).toEqual([picture]);
  });

  test('it is left off there alone', () => {
    const { doc: off, inverse } = inIt(unsend(own, picture, 'x'));
    expect(rigIn(off, 'screen-up').signals).toBeUndefined();
    expect(rigIn(off).signals).toEqual([picture]);
    expect(applyEdit(off, inverse).doc).toEqual(doc);
  });

  test('on the plate without a cage and a screen there is no picture to anywhere', () => {
    const bare = rigIn(doc, 'bare-plate');
    const there = bare.fitted?.some((u) => u.id === 'monitor') ?? false;
    expect(bare.signals !== undefined).toBe(there);
  });
});

test('a copy of the rig has its own, under the ids of before', () => {
  const job = demo();
  const { edit, id } = copyRig(job.rigs.find((r) => r.id === RIG)!);
  const low = lowered(job, doc, edit);
  const next = jobOf(applyEdit(doc, low).doc);
  expect(next.rigs.find((r) => r.id === id)!.signals).toEqual([picture]);
});
