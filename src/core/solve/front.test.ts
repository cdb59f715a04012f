import fc from 'fast-check';
import { checkRig } from '../areas/checks';
import { suggest } from '../command/command';
import { readJob, writeJob } from '../format/read-job';
import {
  isBox,
  isFilter,
  isLens,
  isRing,
  type Filter,
  type Job,
  type Part,
  type Rig,
} from '../kit/types';
import { demo } from '../test-kit';
import { applyEdit, withChanges, type Edit } from '../edit/edit';
import { findings } from './fixes';
import * as box from '../areas/front/moves/box';
import * as thread from '../areas/front/moves/thread';
import * as trays from '../areas/front/moves/trays';
import * as light from '../areas/light/moves/light';
import * as under from '../areas/rods/moves/under';
import * as roles from '../areas/moves';
import { putLens } from '../areas/coverage/moves/lens';
import { removePart } from './remove-part';

const moves = { ...box, ...thread, ...trays, ...light, ...under };

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const part = <P extends Part>(id: string): P => job.kit.find((p) => p.id === id) as P;
const after = (edit: Edit, rig: string): Rig => rigOf(withChanges(job, edit.changes), rig);
const fixesOf = (rig: string, key: string) =>
  findings(job, rigOf(job, rig))
    .find((f) => f.key === key)!
    .fixes.map((f) => f.title);

describe('what follows a choice at the front', () => {
  test('a filter brings the ring it needs: 77 on a 72 thread', () => {
    const rig = { ...rigOf(job, 'towpath-day'), thread: undefined };
    const j = { ...job, rigs: job.rigs.map((r) => (r.id === rig.id ? rig : r)) };
    const edit = moves.screwOn(j, rig, part<Filter>('vnd-77'));
    expect(edit.title).toBe('Screw Paddle variable ND 77 on with Hoop 72 to 77');
    expect(rigOf(withChanges(j, edit.changes), rig.id).thread).toEqual([
      { part: 'ring-72-77' },
      { part: 'vnd-77' },
    ]);
    expect(moves.ringsFor(j, rig, part<Filter>('vnd-77'))!.map((r) => r.id)).toEqual([
      'ring-72-77',
    ]);
    expect(moves.ringsFor(j, rig, { ...part<Filter>('vnd-77'), male: 127 })).toBeNull();
  });

  test('taking the filter off takes the rings that only led to it', () => {
    expect(after(moves.unscrew(job, rigOf(job, 'tug-b'), 1), 'tug-b').thread).toBeUndefined();
    const left = after(moves.unscrew(job, rigOf(job, 'towpath-day'), 0), 'towpath-day').thread;
    expect(left).toEqual([{ part: 'ring-72-82' }, { part: 'pola-82' }]);
  });

  test('a clip-on box brings what it is clamped with, and takes it away again', () => {
    const wheel = rigOf(job, 'wheelhouse-a');
    const on = moves.putBox(job, wheel, part('sill'));
    expect(on.title).toBe('Put Sill box on with Sill ring 114 to 80');
    expect(after(on, wheel.id).box).toEqual({ part: 'sill', ring: 'reduction-80' });
    // 86 mm front, no ring of that bore: the collar on the 82 thread and the 95 ring.
    const zoom = { ...rigOf(job, 'tug-b'), thread: undefined };
    const j = { ...job, rigs: job.rigs.map((r) => (r.id === zoom.id ? zoom : r)) };
    const clamp = moves.putBox(j, zoom, part('sill'));
    const next = rigOf(withChanges(j, clamp.changes), 'tug-b');
    expect(next.thread).toEqual([{ part: 'collar-82-95' }]);
    expect(next.box).toEqual({ part: 'sill', ring: 'reduction-95' });
    const j2 = withChanges(j, clamp.changes);
    const off = rigOf(withChanges(j2, moves.takeBoxOff(j2, next).changes), 'tug-b');
    expect([off.box, off.thread]).toEqual([undefined, undefined]);
  });

  test('another lens: rings and clamp are chosen anew, filters stay', () => {
    const wheel = withChanges(
      job,
      moves.putBox(job, rigOf(job, 'wheelhouse-a'), part('sill')).changes,
    );
    const swap = putLens(wheel, rigOf(wheel, 'wheelhouse-a'), part('wherry-40'));
    const next = rigOf(withChanges(wheel, swap.changes), 'wheelhouse-a');
    expect(next.box).toEqual({ part: 'sill', ring: 'reduction-95' });
    const day = putLens(job, rigOf(job, 'towpath-day'), part('sedge-18-35'));
    expect(after(day, 'towpath-day').thread).toEqual([
      { part: 'ring-82-77' },
      { part: 'vnd-77' },
      { part: 'ring-77-82' },
      { part: 'pola-82' },
    ]);
    // Same thread, same front: nothing is touched.
    const same = putLens(wheel, rigOf(wheel, 'wheelhouse-a'), part('marl-35'));
    expect(same.changes.map((c) => c.path.at(-1))).not.toContain('box');
  });

  test('stages, masks, flags and light, and the way back', () => {
    const rig = rigOf(job, 'anamorphic');
    const box = part<Part>('weir');
    if (!isBox(box)) throw new Error('no box');
    const [s1, s2, s3] = box.stages!;
    const steps: Edit[] = [
      moves.putFilter(rig, s3!, part('nd-9')),
      moves.takeFilter(rig, s1!, 'ND 0.6'),
      moves.setStageOut(rig, s3!, true),
      moves.turnStage(rig, s1!, 30),
      moves.swapStages(rig, s1!, s2!),
      moves.setStation(rig, 240, 'Weir box'),
      moves.setFlag(rig, box.flags![0]!, undefined),
      moves.setMask(rig, null),
      moves.setSleeve(rig, part('gaiter')),
      moves.putUnder(job, rig, part('riser-3'), 'rods'),
      moves.takeUnder(job, rig, 0),
      moves.setLight(rig, { iso: 400 }, 'ISO 400'),
      moves.setLight(
        rig,
        { ev: undefined, iso: undefined, fps: undefined, angle: undefined },
        'none',
      ),
    ];
    for (const edit of steps) {
      const { doc, inverse } = applyEdit(job, edit);
      expect(doc).not.toEqual(job);
      expect(readJob(writeJob(doc))).toMatchObject({ ok: true });
      expect(applyEdit(doc, inverse).doc).toEqual(job);
    }
    expect(after(steps[4]!, 'anamorphic').box!.trays).toEqual(
      expect.arrayContaining([
        { id: 's1', filter: 'pola-plate' },
        { id: 's2', filter: 'nd-6' },
      ]),
    );
    expect(after(steps[2]!, 'anamorphic').box!.trays).toContainEqual({ id: 's3', out: true });
    expect(after(steps[12]!, 'anamorphic').light).toBeUndefined();
  });

  test('a part taken out of the kit goes off every place at the front, and comes back', () => {
    for (const id of [
      'pola-77',
      'ring-82-77',
      'weir',
      'pola-plate',
      'nd-6',
      'cill-plate',
      'vnd-77',
    ]) {
      const { doc, inverse } = applyEdit(job, removePart(job, part(id)));
      expect(JSON.stringify(doc.rigs)).not.toContain(`"${id}"`);
      expect(readJob(writeJob(doc))).toMatchObject({ ok: true });
      expect(applyEdit(doc, inverse).doc).toEqual(job);
    }
  });

  test('any run of moves leaves a job that can be read, and undo leads back to the letter', () => {
    const fronts = job.kit.filter((p) => !isLens(p) && p.kind !== 'body' && p.kind !== 'adapter');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 8 }),
        fc.constantFrom('anamorphic', 'tug-b', 'towpath-day', 'wheelhouse-a'),
        (list, id) => {
          let now = job;
          const back: Edit[] = [];
          for (const [a, b] of list) {
            const rig = rigOf(now, id);
            const deeds = roles.deedsOf(now, rig);
            const lens = now.kit.filter(isLens)[b % 5]!;
            const edit =
              a % 4 === 0 && deeds.length > 0
                ? deeds[b % deeds.length]!
                : a % 4 === 1
                  ? putLens(now, rig, lens)
                  : roles.putOn(now, rig, fronts[b % fronts.length]!);
            if (!edit) continue;
            const { doc, inverse } = applyEdit(now, edit);
            now = doc;
            back.unshift(inverse);
          }
          const read = readJob(writeJob(now));
          if (!read.ok) throw new Error(JSON.stringify(read.problems));
          expect(() => checkRig(now, rigOf(now, id)).map((v) => v.why + v.sum)).not.toThrow();
          expect(back.reduce((j, e) => applyEdit(j, e).doc, now)).toEqual(job);
        },
      ),
      { numRuns: 60 },
    );
  }, 60_000);
});

describe('fixes at the front, tried', () => {
  test('the step-down: the same filter for the thread itself comes first', () => {
    expect(fixesOf('tug-b', 'front.vignette:f239')[0]).toBe(
      'Use Eddy round polariser 82 in place of Rill round polariser 77',
    );
  });
  test('the low box: the riser for its height; stage and masks for what it cuts', () => {
    expect(fixesOf('anamorphic', 'front.matte-height')).toEqual(['Put Riser 3 under the rods']);
    const titles = fixesOf('anamorphic', 'front.vignette:vertical');
    // Without its last stage the box is shorter: the rods would stand in the picture unless slid.
    expect(titles).toContain('Take stage 3 out, it is empty, and slide Lath 450 to 248 mm');
  });
  test('the polariser goes into the stage that turns', () => {
    expect(fixesOf('anamorphic', 'front.polariser-turn:s2')).toEqual([
      'Exchange stage 2 and stage 1',
    ]);
  });
  test('77 on 72: the ring of the kit, and no ring that it does not have', () => {
    const titles = fixesOf('towpath-day', 'front.thread');
    expect(titles[0]).toBe('Put Hoop 72 to 77 under Paddle variable ND 77');
    const without = { ...job, kit: job.kit.filter((p) => !isRing(p)) };
    const rig = rigOf(job, 'towpath-day');
    const bare = { ...rig, thread: [{ part: 'vnd-77' }] };
    const f = findings({ ...without, rigs: [bare] }, bare).find((x) => x.id === 'front.thread')!;
    expect(f.fixes.some((x) => /Hoop|ring/i.test(x.title))).toBe(false);
    expect(f.wanted).toContain('step-up ring 72 to 77');
  });
  test('crossed polarisers: one of them off', () => {
    expect(fixesOf('towpath-day', 'front.stack:crossed')).toEqual([
      'Take Paddle variable ND 77 off',
      'Take Eddy round polariser 82 off',
    ]);
  });
  test('the ND that is missing, in the tray that is free', () => {
    expect(fixesOf('anamorphic', 'front.exposure')[0]).toBe('Put ND 1.2 in stage 3');
  });
  test('a flag in the frame goes up to where it is just out; a box that runs out of rod comes back', () => {
    const rig = rigOf(job, 'anamorphic');
    const odd: Rig = {
      ...rig,
      box: { ...rig.box!, station: 300, flags: [{ id: 'top', angle: -20 }] },
    };
    const list = findings({ ...job, rigs: [odd] }, odd);
    const flag = list.find((f) => f.key === 'front.flag:top')!;
    expect(flag.state).toBe('fail');
    expect(flag.fixes[0]!.title).toMatch(/^Set the top flag to \d+(\.5)? degrees$/);
    const leak = list.find((f) => f.id === 'front.leak')!;
    expect(leak.fixes[0]!.title).toBe('Push Weir box back as far as it goes');
  });
  test('a clip-on that does not close finds its rings', () => {
    const rig = { ...rigOf(job, 'wheelhouse-a'), box: { part: 'sill' } };
    const f = findings({ ...job, rigs: [rig] }, rig).find((x) => x.key === 'front.matte-fit:lens')!;
    expect(f.fixes[0]!.title).toBe('Clamp Sill box with Sill ring 114 to 80');
  });
  test('filters in the front stages move back so that the front comes out', () => {
    const rig = rigOf(job, 'anamorphic');
    const odd: Rig = {
      ...rig,
      under: [{ part: 'cill-plate' }],
      box: {
        ...rig.box!,
        trays: [
          { id: 's2', filter: 'nd-6' },
          { id: 's3', filter: 'nd-9' },
        ],
      },
    };
    const f = findings({ ...job, rigs: [odd] }, odd).find(
      (x) => x.key === 'front.vignette:vertical',
    )!;
    expect(f.fixes.map((x) => x.title).join()).toMatch(/Take stage 1 out|rear stages/);
  });
});

describe('the command line knows the front', () => {
  const rig = rigOf(job, 'anamorphic');
  const titles = (line: string) => suggest(job, rig, line).map((s) => s.title);
  test('take stage 3 out, take the box off, put a filter', () => {
    expect(titles('take stage 3 out')[0]).toBe('Take stage 3 out of the box');
    expect(titles('take weir off')).toContain('Take Weir box off');
    expect(titles('put nd 0.9')).toContain('Put ND 0.9 in stage 3');
    expect(titles('put riser 3')).toContain('Put Riser 3 under the rods');
    expect(titles('put sill')[0]).toMatch(/^Put Sill box on/);
  });
  test('a filter with nowhere to go is not offered as a move', () => {
    const bare = rigOf(job, 'wheelhouse-a');
    expect(suggest(job, bare, 'put nd 0.9').every((s) => s.deed.kind !== 'edit')).toBe(true);
    expect(job.kit.filter(isFilter).length).toBeGreaterThan(8);
  });
});
