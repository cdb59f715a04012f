import { build, shared } from '../../build/build';
import { lowered } from '../../doc/lower';
import { jobOf } from '../../doc/read';
import { docOf } from '../../doc/write';
import { applyEdit, withChanges, type Edit } from '../../edit/edit';
import { readDoc, writeDoc } from '../../format/read-job';
import type { Change, Job, Lead, Rig } from '../../kit/types';
import { usesOf } from '../../roles/uses';
import { removePart } from '../../solve/remove-part';
import { demo } from '../../test-kit';
import { check } from '../checks';
import { takeFitted } from '../space/moves/fitted';
import { linesOn } from './model/lines';
import { signalsOn } from './model/signals';
import { feedFrom, withoutItsLead } from './moves/feed';
import { setItsLead, setWithin } from './moves/signal';

/** A lead that feeds a screen and takes the picture there besides. */

const RIG = 'tug-b';
const base = demo();
const rigIn = (job: Job): Rig => job.rigs.find((r) => r.id === RIG)!;
const builtOf = (job: Job) => build(job, rigIn(job), shared(job));
const own = builtOf(base);
const picture = signalsOn(own).find((s) => s.use.id === 'picture')!;
const fed = linesOn(own).find((l) => l.key === 'fitted:monitor')!;
const lead = fed.lead!;

/** The lead to the screen as one that has a second strand, with the plugs of the picture. */
const strand = (more: Partial<Lead> = {}): Change[] =>
  Object.entries({
    carriesToo: 'video',
    plugToo: picture.from!.port!.plug,
    plugTooTo: picture.to!.port!.plug,
    ...more,
  }).map(([key, value]) => ({ path: ['kit', lead.id, key], value }));
const shared1 = (more?: Partial<Lead>): Job => {
  const job = withChanges(base, strand(more));
  return withChanges(
    job,
    setWithin(rigIn(job), picture.use, { list: 'fitted', id: 'monitor' }, 'x').changes,
  );
};
const said = (job: Job, key: string) => check(builtOf(job)).find((v) => v.key === key);

describe('what goes within the lead that feeds something', () => {
  test('fits by its second plugs, and what it carries besides', () => {
    const v = said(shared1(), 'signal.fit:picture')!;
    expect(v.state).toBe('ok');
    expect(v.why).toMatch(/one fault takes both/);
    expect(said(shared1({ carriesToo: 'sound' }), 'signal.fit:picture')!.state).toBe('fail');
    expect(said(shared1({ plugTooTo: 'bnc' }), 'signal.fit:picture')!.state).toBe('fail');
    // Less said is never better, whatever the first strand is.
    for (const key of ['plugToo', 'plugTooTo'] as const)
      expect(said(shared1({ [key]: undefined }), 'signal.fit:picture')!.state).toBe('unknown');
    expect(said(shared1({ carriesToo: undefined }), 'signal.fit:picture')!.state).not.toBe('fail');
    expect(
      said(
        shared1({ carriesToo: undefined, carries: 'power-data', plugToo: 'usb-c' }),
        'signal.fit:picture',
      )!.state,
    ).not.toBe('ok');
  });

  test('is there once: as a piece, and in what the rig weighs; the other lead is free again', () => {
    const job = shared1();
    const count = (j: Job, id: string) => [...usesOf(builtOf(j))].filter((x) => x === id).length;
    expect(count(job, lead.id)).toBe(count(base, lead.id));
    expect(count(job, picture.lead!.id)).toBe(count(base, picture.lead!.id) - 1);
    const kept = docOf(job).rigs.find((r) => r.id === RIG)!;
    const links = kept.links.filter(
      (l) => l.lead !== undefined && l.lead === kept.links.find((x) => x.id === 'picture')!.lead,
    );
    expect(links.map((l) => l.kind).sort()).toEqual(['power', 'video']);
    expect(kept.uses.filter((u) => u.id === links[0]!.lead)).toHaveLength(1);
  });

  test('has a way of its own, from its own port, and is tied by itself', () => {
    const lines = linesOn(builtOf(shared1()));
    const line = lines.find((l) => l.key === 'signal:picture')!;
    expect(line.lead!.id).toBe(lead.id);
    expect(line.plugs).toEqual([picture.from!.port!.plug, picture.to!.port!.plug]);
    expect(said(shared1(), 'cable.length:signal:picture')).toBeDefined();
  });

  test('a spare is asked for once, and has to carry both', () => {
    const job = shared1();
    expect(said(job, 'cable.spare:signal:picture')).toBeUndefined();
    const v = said(job, 'cable.spare:fitted:monitor')!;
    expect(v.state).not.toBe('ok');
    const twice = withChanges(job, [{ path: ['kit', lead.id, 'count'], value: 2 }]);
    expect(said(twice, 'cable.spare:fitted:monitor')!.why).toMatch(
      new RegExp(`A second ${lead.name} is there|Whether`),
    );
    // One that carries power alone is none.
    const other = {
      ...(job.kit.find((p) => p.id === lead.id) as Lead),
      id: 'plain',
      name: 'Plain',
    };
    delete other.carriesToo;
    const plain: Job = { ...job, kit: [...job.kit, { ...other, count: 3 }] };
    expect(said(plain, 'cable.spare:fitted:monitor')!.state).not.toBe('ok');
  });
});

describe('kept with the lead of the other', () => {
  const doc = docOf(shared1());
  const rigOf = (d: typeof doc) => rigIn(jobOf(d));
  const apply = (edit: Edit) => applyEdit(doc, lowered(jobOf(doc), doc, edit));

  test('what is written is read again', () => {
    const again = readDoc(writeDoc(doc));
    if (!again.ok) throw new Error('refused');
    expect(again.value).toEqual(doc);
    expect(rigOf(doc).signals!.find((s) => s.id === 'picture')!.within).toEqual({
      list: 'fitted',
      id: 'monitor',
    });
    expect(docOf(jobOf(doc))).toEqual(doc);
  });

  test.each<[string, (rig: Rig, job: Job) => Edit]>([
    [
      'the lead is taken off what it feeds',
      (rig) => {
        const u = rig.fitted!.find((x) => x.id === 'monitor')!;
        return feedFrom(rig, { list: 'fitted', id: u.id }, withoutItsLead(u.outlet!), 'x');
      },
    ],
    ['nothing feeds it', (rig) => feedFrom(rig, { list: 'fitted', id: 'monitor' }, null, 'x')],
    [
      'the lead leaves the kit',
      (_r, job) =>
        removePart(
          job,
          job.kit.find((p) => p.id === lead.id)!,
        ),
    ],
    ['it gets a lead of its own', (rig) => setItsLead(rig, rig.signals![0]!, 'bowline', 'x')],
  ])('%s: it goes within none, stays said, and a step back brings it back', (_n, edit) => {
    const out = apply(edit(rigOf(doc), jobOf(doc)));
    const signal = rigOf(out.doc).signals!.find((s) => s.id === 'picture')!;
    expect(signal.within).toBeUndefined();
    expect(applyEdit(out.doc, out.inverse).doc).toEqual(doc);
    // As it is read before it is written, it is the same.
    const direct = withChanges(jobOf(doc), edit(rigOf(doc), jobOf(doc)).changes);
    expect(rigIn(direct).signals).toEqual(rigOf(out.doc).signals);
  });

  test('what feeds it is taken off: so is the lead; the screen itself: so is the picture', () => {
    const rig = rigOf(doc);
    const source = rig.fitted!.find((u) => u.id === 'monitor')!.outlet!.from;
    const off = apply(takeFitted(rig, source, 'x'));
    expect(rigOf(off.doc).signals?.find((s) => s.id === 'picture')?.within).toBeUndefined();
    expect(applyEdit(off.doc, off.inverse).doc).toEqual(doc);
    const gone = apply(takeFitted(rig, 'monitor', 'x'));
    expect(rigOf(gone.doc).signals?.some((s) => s.id === 'picture') ?? false).toBe(false);
    expect(applyEdit(gone.doc, gone.inverse).doc).toEqual(doc);
  });

  test('another lead that feeds it takes the picture, too', () => {
    const rig = rigOf(doc);
    const u = rig.fitted!.find((x) => x.id === 'monitor')!;
    const edit = feedFrom(rig, { list: 'fitted', id: u.id }, { ...u.outlet!, lead: 'warp' }, 'x');
    const signal = signalsOn(builtOf(jobOf(apply(edit).doc))).find((s) => s.use.id === 'picture')!;
    expect(signal.lead!.id).toBe('warp');
  });
});
