import { standOf } from '../stand/stand';
import { build } from '../build/build';
import type { Job, LensSupport, Rig } from '../kit/types';
import { removePart } from '../solve/remove-part';
import { applyEdit, withChanges } from '../edit/edit';
import { findings } from '../solve/fixes';
import { putDrive, setDrive } from '../areas/drive/moves/drive';
import { putRods } from '../areas/rods/moves/rods';
import { putSupport } from '../areas/support/moves/support';
import { takeFitted } from '../areas/space/moves/fitted';
import { measureNext } from '../solve/measure-next';
import { docOf } from '../doc/write';
import { validateJob } from '../format/read-job';
import { demo, exactly, testAdapter, testBody, testJob, testLens } from '../test-kit';
import type { Finding } from './finding';
import { checkRig } from '../areas/checks';

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const all = new Map<string, Finding[]>();
function found(rig: string): Finding[] {
  if (!all.has(rig)) all.set(rig, findings(job, rigOf(job, rig)));
  return all.get(rig)!;
}
const get = (rig: string, key: string) => {
  const f = found(rig).find((v) => v.key === key);
  if (!f) throw new Error(`${key} not among ${found(rig).map((v) => v.key)}`);
  return f;
};
/** The finding after its first fix that matches was taken. */
function after(rig: string, f: Finding, title: RegExp) {
  const fix = f.fixes.find((x) => title.test(x.title));
  if (!fix) throw new Error(`no fix ${title} among ${f.fixes.map((x) => x.title)}`);
  const next = withChanges(job, fix.change);
  return checkRig(next, rigOf(next, rig)).find((v) => v.key === f.key);
}

describe('the trouble of the demo, caught before the parts are on the table', () => {
  test('rods too short for the follow focus, with the shortest stock length that works', () => {
    const f = get('tug-b', 'rods.reach-front');
    expect(f.state).toBe('fail');
    // By hand: gear at 19.25 + 19.6 + 66 = 104.85, clamp 20 behind it and 24 long: its front at
    // 96.85. The rods begin behind the battery plate's clamp, at -94.75: 191.6 mm are needed.
    expect(f.why).toContain('end 41.6 mm short');
    expect(f.why).toContain('200 mm (7.9 in) is the shortest stock length');
    expect(f.why).toContain('Lath 200');
    expect(f.fixes[0]!.title).toBe('Use Lath 200 instead');
    expect(after('tug-b', f, /Lath 200/)!.state).toBe('ok');
  });

  test('the vintage barrel finds no seamless ring and gets the strap, its lump checked', () => {
    const f = get('towpath-vintage', 'drive.ring-fit:focus');
    expect(f.state).toBe('fail');
    expect(f.fixes[0]!.title).toContain('Bight strap');
    const next = withChanges(job, f.fixes[0]!.change);
    const lump = checkRig(next, rigOf(next, 'towpath-vintage')).find(
      (v) => v.key === 'drive.ring-fit:focus:lump',
    )!;
    // 210 degrees of throw, 14 mm of lump on a 71.9 mm outline, the mesh of a 33.6 mm gear.
    expect(lump.state).toBe('ok');
    expect(lump.why).toContain('210');
    expect(lump.margin!.value).toBeGreaterThan(40);
    // Without the strap in the kit the ring to hire is stated.
    const bare = applyEdit(
      job,
      removePart(
        job,
        job.kit.find((p) => p.id === 'bight')!,
      ),
    ).doc;
    const again = findings(bare, rigOf(bare, 'towpath-vintage')).find(
      (v) => v.id === 'drive.ring-fit',
    )!;
    expect(again.fixes.filter((x) => /ring/i.test(x.title) && !/lens/i.test(x.title))).toEqual([]);
    expect(again.wanted[0]).toBe('seamless gear ring, bore 61.0 to 61.5, 0.8 module');
  });

  test('the motor stalls on the 5 V outlet and it is said which outlet turns it', () => {
    const f = get('anamorphic', 'drive.torque:focus');
    expect(f.state).toBe('fail');
    expect(f.why).toMatch(/stalls on 5 V outlet.*8 V outlet of Raft plate.*turns it/);
    expect(f.fixes[0]!.title).toContain('8 V outlet');
    expect(after('anamorphic', f, /8 V outlet/)!.state).toBe('ok');
  });

  test('the battery plate blocks the screen and it is said how far to slide', () => {
    const f = get('tug-b', 'space.sweep:screen|fitted:plate');
    expect(f.state).toBe('fail');
    expect(f.why).toMatch(/Slide it \d+ mm back and it is free/);
    const slid = f.fixes.find((x) => /^Slide Raft plate/.test(x.title))!;
    const next = withChanges(job, slid.change);
    const verdicts = checkRig(next, rigOf(next, 'tug-b'));
    expect(verdicts.filter((v) => v.id === 'space.sweep').map((v) => v.state)).toEqual(['ok']);
    // A millimetre less than said does not do.
    const by = Number(/Slide it (\d+) mm/.exec(f.why)![1]);
    const stand = standOf(build(job, rigOf(job, 'tug-b')));
    const front = stand.value(stand.pieces.find((p) => p.key === 'fitted:plate')!.faces!.z1);
    const at = (z: number) => {
      const j = withChanges(job, [
        { path: ['rigs', 'tug-b', 'fitted', 'plate', 'station'], value: front - z },
      ]);
      return checkRig(j, rigOf(j, 'tug-b')).filter(
        (v) => v.id === 'space.sweep' && v.state !== 'ok',
      );
    };
    expect(at(by)).toEqual([]);
    expect(at(by - 12).length).toBeGreaterThan(0);
  });

  test('the drive fouls the 82 filter ring by a stated number, and flipped over it does not', () => {
    const f = get('towpath-day', 'space.pair:drive:focus|thread:ring-77-82');
    expect(f.state).toBe('fail');
    // Mesh at 60 mm, the box 18 to its side; the ring is 86 across: 60 - 18 - 43 = -1.
    expect(f.why).toMatch(/Hoop 77 to 82 and Ratchet motor .* 1\.0 mm deep/);
    expect(f.fixes.some((x) => /Flip Ratchet motor/.test(x.title))).toBe(true);
    // The room beside the lens is what the pairs say: the drive has none where it stands.
    expect(get('towpath-day', 'drive.reach:focus:room').state).toBe('fail');
  });

  test('the rig against the 1.15 m cabin', () => {
    const f = get('tug-b', 'space.envelope:height');
    expect(f.state).toBe('fail');
    expect(f.why).toMatch(
      /310 mm tall and stands at 850 mm.*10 mm over the 1150 mm of the wheelhouse cabin/,
    );
    expect(after('tug-b', f, /Pane 5/)!.state).toBe('ok');
  });

  test('a heavy lens wants a support: 1.46 N m, and gets one with its post height', () => {
    const f = get('locks-long', 'support.need');
    expect(f.state).toBe('fail');
    const fix = f.fixes.find((x) => /Prop tall/.test(x.title))!;
    const next = withChanges(job, fix.change);
    const verdicts = checkRig(next, rigOf(next, 'locks-long'));
    const height = verdicts.find((v) => v.id === 'support.height')!;
    // Rods 85 below the axis, barrel 84 or 88 across: the post goes to 43 or 41.
    expect(height.state).toBe('ok');
    expect(height.why).toMatch(/to 4[13]\.0 mm/);
    expect(verdicts.find((v) => v.id === 'support.place')!.state).toBe('ok');
    // 1.49 kg with its centre of gravity 100 mm ahead of the adapter.
    expect(get('locks-long', 'mount.load:link:0').sum).toContain('= 1.46 N m');
  });
});

describe('nothing is ok that is not known', () => {
  test('a rig of two numbers: every check under and beside is unknown or says what is missing', () => {
    const j = testJob({
      body: testBody(),
      lens: testLens({ mass: undefined, centreOfGravity: undefined, length: undefined }),
      links: [testAdapter({ mass: undefined })],
    });
    j.kit.push(
      { id: 'rods', kind: 'rods', name: 'Some rods' },
      { id: 'ff', kind: 'follow-focus', name: 'Some wheel' },
      { id: 'plate', kind: 'plate', name: 'Some plate' },
      { id: 'prop', kind: 'lens-support', name: 'Some prop' },
      { id: 'handle', kind: 'handle', name: 'Some handle', screws: 1 },
    );
    const rig: Rig = {
      ...j.rigs[0],
      under: [{ part: 'plate' }],
      rods: [{ id: 'r', part: 'rods', place: 'through' }],
      supports: [{ id: 's', part: 'prop' }],
      drives: [{ id: 'd', part: 'ff', turns: 'focus' }],
      fitted: [{ id: 'h', part: 'handle', on: 'top' }],
      limits: { height: 300 },
    };
    const next = { ...j, rigs: [rig] };
    expect(validateJob(docOf(next)).ok).toBe(true);
    const verdicts = checkRig(next, rig).filter((v) =>
      /^(rods|drive|support|space|carry)|^mount\.load/.test(v.id),
    );
    const fine = verdicts.filter((v) => v.state === 'ok');
    // What needs no number may be fine: the list of what comes off.
    expect(
      fine
        .map((v) => v.id)
        .filter((id) => !['space.lens-change', 'space.pieces', 'drive.direction'].includes(id)),
    ).toEqual([]);
    expect(verdicts.filter((v) => v.state === 'unknown').length).toBeGreaterThan(8);
    // Each asks for what it lacks.
    const list = measureNext(build(next, rig));
    expect(list.some((m) => m.path.join('/') === 'kit/handle/width')).toBe(true);
    expect(list.some((m) => m.path.join('/') === 'kit/rods/length')).toBe(true);
  });

  test('a part whose size is missing is never measured against another', () => {
    const j = withChanges(job, [{ path: ['kit', 'stirrup', 'height'], value: undefined }]);
    const verdicts = checkRig(j, rigOf(j, 'wheelhouse-a'));
    const pair = verdicts.find((v) => v.key === 'space.pair:unknown')!;
    expect(pair.state).toBe('unknown');
    expect(pair.measure.map((m) => m.label)).toContain('height of Stirrup handle');
    expect(
      verdicts.some(
        (v) =>
          v.id === 'space.pair' && v.key !== 'space.pair:unknown' && v.about.includes('stirrup'),
      ),
    ).toBe(false);
  });
});

describe('what is pinned stays, the rest follows', () => {
  const rig = () => rigOf(job, 'wheelhouse-a');

  test('the clamp of a drive follows the lens, unless it was set', () => {
    const station = (j: Job) => {
      const s = standOf(build(j, rigOf(j, 'wheelhouse-a')));
      return s.value(s.drives[0]!.station);
    };
    const now = station(job);
    const other = withChanges(job, [{ path: ['rigs', 'wheelhouse-a', 'lens'], value: 'marl-85' }]);
    // The focus gear of the 85 is 10 mm farther ahead.
    expect(station(other) - now).toBeCloseTo(10, 9);
    const set = withChanges(job, setDrive(rig(), 'focus', { station: 70 }, '').changes);
    expect(station(set)).toBe(70);
    const both = withChanges(set, [{ path: ['rigs', 'wheelhouse-a', 'lens'], value: 'marl-85' }]);
    expect(station(both)).toBe(70);
    // Then the gears no longer meet, and it is said.
    const travel = checkRig(both, rigOf(both, 'wheelhouse-a')).find(
      (v) => v.id === 'drive.travel',
    )!;
    expect(travel.state).toBe('fail');
  });

  test('moves are whole: what stood on a part goes with it, and undo brings all back', () => {
    const tug = rigOf(job, 'tug-b');
    const off = takeFitted(tug, 'plate', 'Raft plate');
    const done = applyEdit(job, off);
    expect(rigOf(done.doc, 'tug-b').fitted!.map((u) => u.id)).toEqual([
      'cage',
      'handle',
      'monitor',
    ]);
    expect(validateJob(docOf(done.doc)).ok).toBe(true);
    expect(applyEdit(done.doc, done.inverse).doc).toEqual(job);
    // A part that leaves the kit leaves every rig, with the leads to its outlets.
    const gone = applyEdit(
      job,
      removePart(
        job,
        job.kit.find((p) => p.id === 'raft')!,
      ),
    );
    expect(validateJob(docOf(gone.doc)).ok).toBe(true);
    expect(rigOf(gone.doc, 'anamorphic').drives![0]!.outlet).toBeUndefined();
    expect(applyEdit(gone.doc, gone.inverse).doc).toEqual(job);
  });

  test('a drive on a lens without a gear brings the ring that closes on it', () => {
    const bare = { ...rigOf(job, 'towpath-vintage'), drives: undefined };
    const pintle = job.kit.find((p) => p.id === 'pintle')!;
    const edit = putDrive(job, bare, pintle as never);
    expect(edit.title).toBe('Put Pintle wheel on the focus ring with Bight strap');
  });

  test('other rods take the place of those of the same place', () => {
    const r = putRods(rigOf(job, 'tug-b'), job.kit.find((p) => p.id === 'lath-300') as never);
    expect(rigOf(withChanges(job, r.changes), 'tug-b').rods).toEqual([
      { id: expect.any(String), part: 'lath-300', place: 'through' },
    ]);
  });
});

describe('single facts', () => {
  const on = (changes: Parameters<typeof withChanges>[1], rig = 'wheelhouse-a') => {
    const j = withChanges(job, changes);
    return checkRig(j, rigOf(j, rig));
  };

  test('rods of another system do not go on', () => {
    const v = on([{ path: ['kit', 'pintle', 'rods'], value: 'st15' }]).find(
      (x) => x.key === 'rods.system:drive:focus',
    )!;
    expect(v.state).toBe('fail');
    expect(v.why).toContain('15 mm studio');
  });

  test('a lens that turns the other way wants the drive reversed; without end stops limits by hand', () => {
    const back = on([
      { path: ['kit', 'marl-24', 'rings', 'focus', 'turnsBack'], value: true },
      { path: ['kit', 'marl-24', 'rings', 'focus', 'stops'], value: false },
    ]);
    expect(back.find((v) => v.id === 'drive.direction')!.state).toBe('tight');
    expect(back.find((v) => v.id === 'drive.stops')!.why).toContain('no hard stops');
  });

  test('gears of 32 diametral pitch run with 0.8 module, tight; others do not', () => {
    const m = (value: number) =>
      on([{ path: ['kit', 'pintle', 'module'], value: exactly(value) }]).find(
        (v) => v.id === 'drive.mesh',
      )!;
    expect(m(0.8).state).toBe('ok');
    expect(m(0.794).state).toBe('tight');
    expect(m(1).state).toBe('fail');
  });

  test('a gear that wanders out of mesh at the far end is caught', () => {
    const v = on([
      { path: ['kit', 'marl-24', 'rings', 'focus', 'travel'], value: exactly(12) },
    ]).find((x) => x.id === 'drive.travel')!;
    expect(v.state).toBe('fail');
  });

  test('a hand unit beside the motor is too near its radio', () => {
    const v = on(
      [
        {
          path: ['rigs', 'anamorphic', 'fitted', 'unit'],
          value: { id: 'unit', part: 'tiller', on: 'right', z: 60 },
        },
      ],
      'anamorphic',
    ).find((x) => x.id === 'drive.interference')!;
    expect(v.state).not.toBe('unknown');
    expect(v.limit!.value).toBe(50);
  });

  test('a screen far off its single screw twists', () => {
    const v = on([{ path: ['rigs', 'tug-b', 'fitted', 'monitor', 'z'], value: 260 }], 'tug-b').find(
      (x) => x.id === 'joint.twist',
    )!;
    expect(v.state).toBe('tight');
  });

  test('rods too low or high are said with their number', () => {
    const v = on([], 'anamorphic').find((x) => x.id === 'rods.drop')!;
    expect(v.why).toContain('3.0 mm too low');
  });

  test('what comes off at a lens change is named', () => {
    const v = on([], 'anamorphic').find((x) => x.id === 'space.lens-change')!;
    expect(v.why).toBe(
      'To get Wherry 40 anamorphic out: swing Ratchet motor off and swing Weir box away.',
    );
  });
});

test('a support is given no place by numbers that nobody gave', () => {
  const rig = rigOf(job, 'wheelhouse-a');
  const prop = job.kit.find((p) => p.kind === 'lens-support')!;
  const on = applyEdit(job, putSupport(rig, prop as LensSupport)).doc;
  const place = (j: Job) => checkRig(j, rigOf(j, rig.id)).find((v) => v.id === 'support.place')!;
  expect(place(on).state).not.toBe('unknown');
  for (const [part, field] of [
    [prop.id, 'clampLength'],
    [rig.lens!, 'length'],
  ] as const) {
    const gone = applyEdit(on, {
      title: 'x',
      changes: [{ path: ['kit', part, field], value: undefined }],
    });
    expect(place(gone.doc).state).toBe('unknown');
    expect(place(gone.doc).measure.map((m) => m.path.join('/'))).toContain(`kit/${part}/${field}`);
  }
});
