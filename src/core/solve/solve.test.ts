import { build, shared } from '../build/build';
import { checkRig } from '../areas/checks';
import type { Fix } from '../checks/finding';
import { said } from '../checks/judge';
import { isBody, isLens, type Body, type Job, type Lens, type Rig } from '../kit/types';
import { errorFromMarks } from '../optics/backfocus';
import { demo, exactly, testAdapter, testBody, testJob, testLens, testReducer } from '../test-kit';
import { applyEdit, withChanges } from '../edit/edit';
import { findings } from './fixes';
import { horizontalField } from '../areas/coverage/model/field';
import { forgetMarkTest, markTest } from '../areas/mount/moves/mark-test';
import { measureNext } from './measure-next';
import { mergeParts } from './merge';
import * as body from '../areas/coverage/moves/body';
import * as lens from '../areas/coverage/moves/lens';
import * as picture from '../areas/coverage/moves/picture';
import * as chain from '../areas/mount/moves/chain';
import * as kit from './kit-moves';
import { removePart } from './remove-part';
import { addRig, copyRig, emptyJob, removeRig, renameRig } from './rigs';
import { forgetTrial, recordTrial, trialOf } from './trials';

const moves = { ...body, ...lens, ...picture, ...chain, ...kit, removePart };

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const lensOf = (j: Job, id: string): Lens => j.kit.filter(isLens).find((l) => l.id === id)!;
const bodyOf = (j: Job, id: string): Body => j.kit.filter(isBody).find((b) => b.id === id)!;

describe('fixes are tried, not guessed', () => {
  test.each(job.rigs.map((r) => [r.name, r] as const))(
    'every fix of %s does what it says',
    (_n, rig) => {
      const before = checkRig(job, rig).map(said);
      const failing = new Set(before.filter((v) => v.state === 'fail').map((v) => v.id));
      for (const f of findings(job, rig))
        for (const fix of f.fixes) {
          const next = withChanges(job, fix.change);
          const after = checkRig(next, rigOf(next, rig.id));
          const same = after.find((v) => v.key === f.key) ?? after.find((v) => v.id === f.id);
          expect(same ? same.state : 'ok').toBe(fix.state);
          expect(['ok', 'tight']).toContain(fix.state);
          for (const v of after.filter((x) => x.state === 'fail'))
            // What a setting puts right is said as a cost; nothing else that fails is new.
            if (v.id !== 'front.exposure' || !fix.cost?.includes(v.why.slice(0, 20)))
              expect(failing).toContain(v.id);
          // Nothing was changed on the way.
          expect(checkRig(job, rig).map(said)).toEqual(before);
        }
    },
  );

  const fixesOf = (rig: string, key: string): Fix[] =>
    findings(job, rigOf(job, rig)).find((f) => f.key === key)!.fixes;

  test('the wrong reducer: the right one first, and it keeps the picture', () => {
    const [first, second] = fixesOf('tug-b', 'mount.rear-depth:narrow-shallow');
    expect(first).toMatchObject({
      title: 'Use Narrows 0.71 for the Pocket instead',
      state: 'ok',
      cost: null,
    });
    expect(second!.cost).toContain('the field narrows from');
  });

  test('the uncovered frame: a scaled frame with the percentage, another mode, another lens', () => {
    const titles = fixesOf('wheelhouse-a', 'coverage.frame:f239').map((f) => f.title);
    expect(titles[0]).toBe('Scale the 2.39 frame to 78.9 %');
    expect(titles).toContain('Record in Super 35 crop');
    expect(titles.some((t) => t.startsWith('Put '))).toBe(true);
  });

  test('a loose adapter with a foot is tied', () => {
    const j = testJob({ links: [testAdapter({ play: exactly(0.3), foot: true })] });
    const play = findings(j, j.rigs[0]).find((f) => f.id === 'mount.play')!;
    expect(play.fixes[0]).toMatchObject({
      title: 'Tie the foot of Test adapter',
      parts: 0,
      state: 'ok',
    });
  });

  test('glass is taken out of a slot that did not allow for it', () => {
    const j = testJob({
      links: [testAdapter({ slotGlass: exactly(2), slotIndex: exactly(1.517) })],
    });
    const glass = findings(j, j.rigs[0]).find((f) => f.id === 'mount.glass-path')!;
    expect(glass.fixes[0]!.title).toBe('Take the glass out of Test adapter');
  });

  test('no fix brings a new fail', () => {
    // The only other lens covers, but strikes: it is not offered.
    const j = testJob({
      lens: testLens({ imageCircle: [{ diameter: exactly(30) }] }),
      more: [
        testLens({
          id: 'deep',
          name: 'Deep',
          rearProtrusion: exactly(60),
          rearDiameter: exactly(30),
        }),
      ],
    });
    const f = findings(j, j.rigs[0]).find((x) => x.id === 'coverage.frame')!;
    expect(f.fixes.some((x) => x.title.includes('Deep'))).toBe(false);
  });

  test('pieces on hand before pieces to hire', () => {
    const j = testJob({
      links: [testAdapter({ id: 'bad', play: exactly(0.5) })],
      more: [
        testAdapter({ id: 'rent', name: 'Rent', count: 0 }),
        testAdapter({ id: 'mine', name: 'Mine' }),
      ],
    });
    const play = findings(j, j.rigs[0]).find((f) => f.id === 'mount.play')!;
    expect(play.fixes.map((f) => [f.title, f.toHire])).toEqual([
      ['Use Mine instead', 0],
      ['Use Rent instead', 1],
    ]);
  });

  test('a deliverable too large: the scaled frame goes back to full size', () => {
    const j = testJob(
      {},
      {
        frames: [{ id: 'f', name: '1.50', aspect: 1.5, scale: 0.5, deliver: { w: 5000, h: 3333 } }],
      },
    );
    const px = findings(j, j.rigs[0]).find((f) => f.id === 'coverage.pixels')!;
    expect(px.state).toBe('fail');
    expect(px.fixes[0]!.title).toBe('Scale the 1.50 frame to 100.0 %');
  });
});

describe('measure next', () => {
  const list = (j: Job, rig: string) => measureNext(build(j, rigOf(j, rig)));

  test('what settles most comes first, and measuring it does settle it', () => {
    for (const rig of job.rigs) {
      const all = list(job, rig.id);
      for (let i = 1; i < all.length; i++)
        // What decides coverage comes first, and then what settles most.
        expect(
          [
            all[i - 1]!.bears.some((k) => k.startsWith('coverage.')) ? 1 : 0,
            all[i - 1]!.settles.length,
          ] >=
            [all[i]!.bears.some((k) => k.startsWith('coverage.')) ? 1 : 0, all[i]!.settles.length],
        ).toBe(true);
    }
    const first = list(job, 'tug-b').find((m) => m.label === 'image circle of Sedge 18-35')!;
    expect(first.settles).toEqual(['coverage.chip']);
    const measured = withChanges(job, [
      { path: first.path, value: { value: 30.9, tol: 0.1, from: 'measured' } },
    ]);
    const v = checkRig(measured, rigOf(measured, 'tug-b')).find((x) => x.key === 'coverage.chip')!;
    expect(['ok', 'fail']).toContain(v.state);
  });

  test('one missing number settles every finding that waits for it alone', () => {
    const j = testJob({ lens: testLens({ imageCircle: undefined }) });
    const [first] = measureNext(build(j, j.rigs[0]));
    expect(first).toMatchObject({ label: 'image circle of Test lens', missing: true });
    expect(first!.settles).toEqual(['coverage.frame:f', 'coverage.chip']);
  });

  test('nothing to measure when everything is sure', () => {
    const j = testJob({
      body: testBody({ flange: exactly(20) }),
      lens: testLens({ flange: exactly(44), imageCircle: [{ diameter: exactly(50) }] }),
    });
    expect(measureNext(build(j, j.rigs[0]))).toEqual([]);
  });

  test('a throat that a mount does not give can be given', () => {
    const throat = list(job, 'tug-b').find((m) => m.path[0] === 'mounts')!;
    const edit = moves.setField(
      job,
      throat.path,
      { value: 40, tol: 0.1, from: 'measured' },
      throat.label,
    );
    const next = applyEdit(job, edit).doc;
    expect(next.mounts).toHaveLength(1);
    const again = moves.setField(next, ['mounts', 'pl', 'throat'], 54, 'throat');
    expect(applyEdit(next, again).doc.mounts).toHaveLength(2);
    const v = checkRig(next, rigOf(next, 'tug-b')).find(
      (x) => x.key === 'mount.throat:narrow-shallow',
    )!;
    expect(v.state).toBe('ok');
  });
});

describe('moves', () => {
  test('a lens of another mount brings the chain that fits', () => {
    const edit = moves.putLens(job, rigOf(job, 'wheelhouse-a'), lensOf(job, 'wherry-40'));
    const next = rigOf(withChanges(job, edit.changes), 'wheelhouse-a');
    expect(next.between).toEqual([{ part: 'ferrule-pl-20' }]);
    expect(next.lens).toBe('wherry-40');
  });

  test('a lens of the same mount leaves everything between as it is', () => {
    const edit = moves.putLens(job, rigOf(job, 'tug-b'), lensOf(job, 'marl-35'));
    const next = rigOf(withChanges(job, edit.changes), 'tug-b');
    expect(next.between).toEqual(rigOf(job, 'tug-b').between);
    expect(edit.title).toBe('Put Marl 35 on');
    // The step-down goes with the lens that needed it; the filter stays.
    expect(next.thread).toEqual([{ part: 'pola-77' }]);
  });

  test('each lens remembers what stood between, and a change of it is said', () => {
    let j = job;
    const put = (lens: string) => {
      const edit = moves.putLens(j, rigOf(j, 'tug-b'), lensOf(j, lens));
      j = withChanges(j, edit.changes);
      return { title: edit.title, between: rigOf(j, 'tug-b').between.map((u) => u.part) };
    };
    expect(put('wherry-40')).toEqual({
      title:
        'Put Wherry 40 anamorphic on with Ferrule PL to 19.25 in place of Narrows 0.71 shallow',
      between: ['ferrule-pl-19'],
    });
    // Stepping on through another mount and back: the reducer that stood there comes back.
    expect(put('sedge-18-35')).toEqual({
      title:
        'Put Sedge 18-35 on with Narrows 0.71 shallow in place of Ferrule PL to 19.25; as it was last on: Hoop 82 to 77, step-down, Rill round polariser 77',
      between: ['narrow-shallow'],
    });
  });

  test('a body brings its own mode and the chain, with the reducer made for it', () => {
    const edit = moves.putBody(job, rigOf(job, 'wheelhouse-a'), bodyOf(job, 'body-b'));
    const next = rigOf(withChanges(job, edit.changes), 'wheelhouse-a');
    expect(next.mode).toBe('cine-1.9');
    expect(next.between).toEqual([{ part: 'ferrule-44-19' }]);
    const reduced = moves.putBody(
      job,
      {
        ...rigOf(job, 'tug-b'),
        between: [{ part: 'narrow-shallow' }],
        body: 'body-a',
        mode: 's35',
      },
      bodyOf(job, 'body-b'),
    );
    expect(reduced.changes.map((c) => c.path.at(-1))).toEqual(['body', 'mode']);
  });

  test('how a piece was set stays with it', () => {
    const next = withChanges(job, moves.tieFoot(rigOf(job, 'wheelhouse-a'), 0, true, 'x').changes);
    const again = withChanges(
      next,
      moves.setBetween(rigOf(next, 'wheelhouse-a'), [
        next.kit.find((p) => p.id === 'ferrule-44-20')!,
      ]).changes,
    );
    expect(rigOf(again, 'wheelhouse-a').between).toEqual([{ part: 'ferrule-44-20', tied: true }]);
  });

  test('a part taken out of the kit comes off every rig, and all comes back', () => {
    for (const id of ['body-b', 'marl-24', 'ferrule-44-20']) {
      const part = job.kit.find((p) => p.id === id)!;
      const { doc, inverse } = applyEdit(job, moves.removePart(job, part));
      expect(JSON.stringify({ ...doc, trials: [] })).not.toContain(`"${id}"`);
      expect(applyEdit(doc, inverse).doc).toEqual(job);
    }
  });

  test('the lens set goes from short to long and can be chosen', () => {
    const focals = moves
      .lensSet(job)
      .map((l) => (typeof l.focal === 'number' ? l.focal : l.focal!.value));
    expect(focals).toEqual([...focals].sort((a, b) => a - b));
    expect(moves.lensSet({ ...job, lensSet: ['marl-50', 'marl-18'] }).map((l) => l.id)).toEqual([
      'marl-18',
      'marl-50',
    ]);
  });

  test('a lens leaves the set and comes back; a new one joins a set that was chosen', () => {
    const marl = lensOf(job, 'marl-18');
    const less = withChanges(job, moves.keepInSet(job, marl, false).changes);
    expect(moves.lensSet(less).map((l) => l.id)).not.toContain('marl-18');
    expect(moves.lensSet(less)).toHaveLength(8);
    const added = withChanges(less, moves.addPart(less, testLens({ id: 'fresh' })).changes);
    expect(added.lensSet).toContain('fresh');
    const back = withChanges(added, moves.keepInSet(added, marl, true).changes);
    expect(moves.lensSet(back)).toHaveLength(10);
    expect(withChanges(back, moves.keepInSet(back, marl, true).changes).lensSet).toEqual(
      back.lensSet,
    );
  });

  test('settings and frames', () => {
    const rig = rigOf(job, 'locks-long');
    const next = withChanges(job, [
      ...moves.setFocal(rig, 100).changes,
      ...moves.setStop(rig, 4).changes,
      ...moves.setFocus(rig, 5000).changes,
      ...moves.putFrame(rig, { id: 'sq', name: '1:1', aspect: 1 }).changes,
      ...moves.scaleFrame(rig, rig.frames[0]!, 0.9).changes,
      ...moves.takeFrame(rig, rig.frames[1]!).changes,
    ]);
    expect(rigOf(next, 'locks-long')).toMatchObject({
      focal: 100,
      stop: 4,
      focus: 5000,
      frames: [{ id: 'f239', scale: 0.9 }, { id: 'sq' }],
    });
    expect(moves.takeLensOff(rig).changes[0]!.value).toBeNull();
    expect(moves.setStop(rig, undefined).title).toBe('Work wide open');
    expect(moves.setFocus(rig, undefined).title).toContain('infinity');
    expect(moves.setSlot(rig, 0, 'empty', 'x').changes[0]!.path).toEqual([
      'rigs',
      'locks-long',
      'between',
      'ferrule-44-20',
      'slot',
    ]);
    expect(moves.setMode(rig, { id: 'hs', name: 'hs' }).changes[0]!.value).toBe('hs');
  });
});

describe('rigs and jobs', () => {
  test('a new rig, a copy, a name, and away with it', () => {
    const { edit, id } = addRig(job);
    const next = withChanges(job, edit.changes);
    expect(rigOf(next, id)).toMatchObject({ body: 'body-a', lens: null });
    const copy = copyRig(rigOf(next, 'tug-b'));
    const two = withChanges(next, copy.edit.changes);
    expect({ ...rigOf(two, copy.id), id: 'tug-b', name: 'Tug, body B' }).toEqual(
      rigOf(job, 'tug-b'),
    );
    const gone = withChanges(two, removeRig(rigOf(two, id)).changes);
    expect(gone.rigs.some((r) => r.id === id)).toBe(false);
    expect(rigOf(withChanges(job, renameRig(job.rigs[0]!, 'Hold').changes), 'tug-b').name).toBe(
      'Hold',
    );
  });

  test('an empty job says what it needs', () => {
    const e = emptyJob('New', 'new');
    const v = checkRig(e, e.rigs[0]!);
    expect(v.map((x) => [x.id, x.state])).toEqual([['mount.chain', 'unknown']]);
  });

  test('what was tried is kept and speaks', () => {
    const next = withChanges(
      job,
      recordTrial(job, ['narrow-shallow', 'body-b'], 'fits', '2026-11-24').changes,
    );
    expect(next.trials).toHaveLength(2);
    expect(
      checkRig(next, rigOf(next, 'tug-b')).find((v) => v.key === 'mount.rear-depth:narrow-shallow')!
        .why,
    ).toContain('The numbers say otherwise');
    expect(trialOf(next, ['body-b', 'narrow-shallow'])!.result).toBe('fits');
    expect(trialOf(next, [])).toBeNull();
    const gone = withChanges(next, forgetTrial(next.trials![1]!).changes);
    expect(gone).toEqual(job);
    const first = recordTrial({ ...job, trials: undefined }, ['body-b'], 'fits', 'x');
    expect(withChanges({ ...job, trials: undefined }, first.changes).trials).toHaveLength(1);
  });

  test('imported parts are laid over the kit in one edit', () => {
    const parts = [
      { ...lensOf(job, 'marl-24'), mass: 545 },
      { id: 'body-a', kind: 'lens', name: 'Same id, other kind' },
      testLens({ id: 'fresh' }),
    ];
    const { edit, added, changed } = mergeParts(job, parts);
    expect([added, changed]).toEqual([2, 1]);
    const { doc, inverse } = applyEdit(job, edit);
    expect(lensOf(doc, 'marl-24')).toMatchObject({ mass: 545, notes: 'Covers Super 35 only.' });
    expect(bodyOf(doc, 'body-a').name).toBe('Orrin Box');
    expect(applyEdit(doc, inverse).doc).toEqual(job);
    expect(mergeParts(job, [lensOf(job, 'marl-18')]).edit.changes).toEqual([]);
  });
});

describe('mark test', () => {
  const at = (j: Job & { rigs: [Rig] }) => build(j, j.rigs[0]);
  const flange = (j: Job) => checkRig(j, j.rigs[0]!).find((v) => v.id === 'mount.flange')!;

  test('the shim of the thin-lens equation, kept for these pieces', () => {
    const j = testJob({
      lens: testLens({ focal: exactly(25) }),
      links: [testAdapter({ length: 24 })],
    });
    expect(flange(j).state).toBe('tight');
    const t = markTest(at(j), 3000, 2500, '2026-11-24');
    if (!t.ok) throw new Error(t.sentence);
    expect(t.error.toFixed(4)).toBe('0.0432');
    expect(t.sentence).toContain('take that much shim away');
    const next = withChanges(j, t.edit.changes);
    const after = flange(next);
    // T2 and 0.030: 0.060 mm of depth of focus hold 0.0432 mm.
    expect(after.state).toBe('ok');
    expect(after.basis).toContain('[tried]');
    expect(after.sum).toContain('from the mark test of these pieces');
    // Another lens on the same adapter has not been tested.
    const other = { ...next, kit: [...next.kit, testLens({ id: 'other' })] };
    other.rigs = [{ ...other.rigs[0]!, lens: 'other' }];
    expect(flange(other).basis).not.toContain('[tried]');
    const again = markTest(build(next, next.rigs[0]!), 3000, 2400, '2026-11-25');
    if (!again.ok) throw new Error(again.sentence);
    const twice = withChanges(next, again.edit.changes);
    expect(twice.markTests).toHaveLength(2);
    expect(flange(twice).margin!.value).toBeLessThan(after.margin!.value);
    const forgotten = withChanges(twice, forgetMarkTest(twice.markTests![1]!).changes);
    expect(flange(forgotten).margin).toEqual(after.margin);
  });

  test('behind a reducer the chip sees m squared of it', () => {
    const j = testJob({ lens: testLens({ focal: exactly(25) }), links: [testReducer()] });
    const t = markTest(at(j), 2500, 3000, 'x');
    if (!t.ok) throw new Error(t.sentence);
    expect(t.error).toBeCloseTo(errorFromMarks(25, 2500, 3000) * 0.71 ** 2, 9);
    expect(t.sentence).toContain('too close');
  });

  test('it needs no length of anything', () => {
    const j = testJob({ links: [testAdapter({ length: undefined })] });
    expect(flange(j).state).toBe('unknown');
    const t = markTest(at(j), 5000, 4990, 'x');
    expect(t.ok && flange(withChanges(j, t.edit.changes)).state).toBe('ok');
  });

  test('says why it cannot', () => {
    const said = (j: ReturnType<typeof testJob>, a: number, b: number) => {
      const t = markTest(at(j), a, b, 'x');
      return t.ok ? 'ok' : t.sentence;
    };
    expect(said(testJob({ lens: null }), 1000, 900)).toContain('needs a lens');
    expect(said(testJob({ lens: testLens({ focal: undefined }) }), 1000, 900)).toContain(
      'focal length',
    );
    expect(said(testJob(), 100, 90)).toContain('well beyond');
    expect(
      said(testJob({ links: [testReducer({ magnification: undefined })] }), 3000, 2900),
    ).toContain('magnification');
  });
});

test('the horizontal field of a rig', () => {
  const base = shared(job);
  // 18 mm behind 0.71 on 18.96: 2 atan(18.96 / (2 x 12.78)).
  expect(horizontalField(build(job, rigOf(job, 'tug-b'), base))).toBeCloseTo(
    (2 * Math.atan(18.96 / 25.56) * 180) / Math.PI,
    6,
  );
});
