import type { Adapter, Filter, Lens, MatteBox, Part, Rig, Ring } from '../../../kit/types';
import { demo, exactly, testAdapter, testBody, testJob, testLens } from '../../../test-kit';
import { checkRig } from '../../checks';
import type { Verdict } from '../../../checks/finding';

const lens = (more: Partial<Lens> = {}): Lens =>
  testLens({
    fStop: exactly(2),
    frontClear: exactly(72),
    frontDiameter: exactly(80),
    filterThread: 77,
    pupil: [{ behind: exactly(40) }],
    frontLoad: exactly(1000),
    ...more,
  });
const ring = (male: number, female: number, more: Partial<Ring> = {}): Ring => ({
  id: `ring-${male}-${female}`,
  kind: 'ring',
  name: `Ring ${male} to ${female}`,
  male,
  female,
  thickness: exactly(3),
  clear: exactly(Math.min(male, female) - 4),
  ...more,
});
const filter = (id: string, more: Partial<Filter> = {}): Filter => ({
  id,
  kind: 'filter',
  name: `Filter ${id}`,
  type: 'nd',
  shape: 'screw',
  male: 77,
  female: 77,
  thickness: exactly(5),
  clear: exactly(73),
  stops: exactly(2),
  ...more,
});
const plateGlass = (id: string, more: Partial<Filter> = {}): Filter => ({
  id,
  kind: 'filter',
  name: `Filter ${id}`,
  type: 'nd',
  shape: 'rectangle',
  width: 143.5,
  height: 101.6,
  thickness: exactly(4),
  stops: exactly(2),
  ...more,
});
const box = (more: Partial<MatteBox> = {}): MatteBox => ({
  id: 'box',
  kind: 'matte-box',
  name: 'Box',
  attach: 'clip-on',
  opening: exactly(114.2),
  stages: [
    {
      id: 'a',
      name: 'stage 1',
      tray: '4x5.65',
      z: exactly(12),
      clearW: exactly(138),
      clearH: exactly(97),
      rotates: true,
    },
    {
      id: 'b',
      name: 'stage 2',
      tray: '4x5.65',
      z: exactly(24),
      clearW: exactly(138),
      clearH: exactly(97),
      rotates: false,
      removable: true,
      shorter: exactly(12),
    },
  ],
  mouthZ: exactly(60),
  mouthW: exactly(170),
  mouthH: exactly(120),
  mass: exactly(400),
  ...more,
});
const reduction = (bore: number): Part => ({
  id: `red-${bore}`,
  kind: 'reduction-ring',
  name: `Reduction ${bore}`,
  outer: exactly(114),
  bore: exactly(bore),
});

const verdicts = (parts: Part[], rig: Partial<Rig>, l: Lens = lens(), links?: Adapter[]) => {
  const job = testJob(
    {
      lens: l,
      more: parts,
      body: testBody({ axisToBase: exactly(45) }),
      ...(links ? { links } : {}),
    },
    rig,
  );
  return checkRig(job, job.rigs[0]);
};
const one = (list: Verdict[], key: string): Verdict => {
  const v = list.find((x) => x.key === key) ?? list.find((x) => x.id === key);
  if (!v) throw new Error(`no ${key} among ${list.map((x) => x.key).join(', ')}`);
  return v;
};
const screwed = (...parts: string[]) => ({ thread: parts.map((part) => ({ part })) });

describe('front.thread', () => {
  test('goes on, steps down, does not go on, is not known', () => {
    expect(one(verdicts([filter('nd')], screwed('nd')), 'front.thread').state).toBe('ok');
    const down = one(
      verdicts([ring(77, 72), filter('nd', { male: 72 })], screwed('ring-77-72', 'nd')),
      'front.thread',
    );
    expect(down).toMatchObject({ state: 'tight' });
    expect(down.why).toContain('steps down from 77 to 72');
    const no = one(verdicts([filter('nd', { male: 82 })], screwed('nd')), 'front.thread');
    expect(no.state).toBe('fail');
    expect(no.why).toBe(
      'Filter nd has a 82 thread, Test lens takes 77: they do not go together without a ring.',
    );
    expect(no.wanted.join()).toContain('step-up ring 77 to 82');
    const unknown = one(
      verdicts([filter('nd')], screwed('nd'), lens({ filterThread: undefined })),
      'front.thread',
    );
    expect(unknown.state).toBe('unknown');
    expect(unknown.measure[0]!.path).toEqual(['kit', 'lens', 'filterThread']);
  });

  test('a ring that would have to be hired is at best tight', () => {
    const hired = verdicts(
      [ring(77, 82, { count: 0 }), filter('nd', { male: 82 })],
      screwed('ring-77-82', 'nd'),
    );
    expect(one(hired, 'front.thread').state).toBe('tight');
    expect(one(hired, 'front.thread').why).toContain('would have to be hired');
  });
});

describe('front.matte-fit', () => {
  test('0 to 0.5 mm closes: 80.2 on 80', () => {
    const v = verdicts([box(), reduction(80.2)], { box: { part: 'box', ring: 'red-80.2' } });
    expect(one(v, 'front.matte-fit:lens')).toMatchObject({ state: 'ok' });
    expect(one(v, 'front.matte-fit:lens').margin!.value).toBeCloseTo(0.2, 9);
    expect(one(v, 'front.matte-fit:ring').state).toBe('ok');
  });
  test('too small, too wide, and both sides of the slack', () => {
    const at = (bore: number) =>
      one(
        verdicts([box(), reduction(bore)], { box: { part: 'box', ring: `red-${bore}` } }),
        'front.matte-fit:lens',
      );
    expect(at(79.5).why).toContain('too small by');
    expect(at(79.5).state).toBe('fail');
    expect(at(95).state).toBe('fail');
    expect(at(95).why).toContain('It needs a reduction ring');
    expect(one(verdicts([box()], { box: { part: 'box' } }), 'front.matte-fit:lens').state).toBe(
      'fail',
    );
  });
  test('a front that turns takes filters and flags round with it', () => {
    const v = verdicts(
      [box(), reduction(80.2)],
      { box: { part: 'box', ring: 'red-80.2' } },
      lens({ frontRotates: true }),
    );
    expect(one(v, 'front.matte-fit:turns').state).toBe('fail');
  });
  test('what the front carries: stated, by house rule, or too much with the glass in', () => {
    const with_ = (load: Lens['frontLoad'], glass: boolean) =>
      one(
        verdicts(
          [box(), reduction(80.2), plateGlass('nd', { mass: exactly(150) })],
          {
            box: {
              part: 'box',
              ring: 'red-80.2',
              ...(glass ? { trays: [{ id: 'a', filter: 'nd' }] } : {}),
            },
          },
          lens({ frontLoad: load }),
        ),
        'front.matte-fit:load',
      );
    expect(with_(exactly(500), false).state).toBe('ok');
    expect(with_(exactly(500), true).state).toBe('fail');
    // Nobody said: the rule of 500 g stands in, so it is at best tight.
    expect(with_(undefined, false).state).toBe('tight');
    expect(with_(undefined, false).limit!.rule).toBe('front.clip-load');
  });
  test('a box for other rods than the plate has', () => {
    const plate: Part = {
      id: 'p',
      kind: 'plate',
      name: 'Plate',
      rods: 'st15',
      topToRods: exactly(40),
    };
    const v = verdicts([box({ attach: 'rods', rods: 'lw15' }), plate], {
      box: { part: 'box' },
      under: [{ part: 'p' }],
    });
    expect(one(v, 'front.matte-fit').why).toContain(
      '15 mm lightweight rods, Plate has 15 mm studio',
    );
  });
  test('how it is held is not known', () => {
    const v = verdicts([box({ attach: undefined })], { box: { part: 'box' } });
    expect(one(v, 'front.matte-fit').state).toBe('unknown');
  });
});

describe('front.matte-height', () => {
  const rods = box({ attach: 'rods', rods: 'lw15' });
  const plate = (to: number): Part => ({
    id: 'p',
    kind: 'plate',
    name: 'Plate',
    rods: 'lw15',
    topToRods: exactly(to),
  });
  const riser: Part = { id: 'r', kind: 'riser', name: 'Riser 3', thickness: exactly(3) };
  const at = (to: number, under: Rig['under'] = [{ part: 'p' }]) =>
    one(verdicts([rods, plate(to), riser], { box: { part: 'box' }, under }), 'front.matte-height');
  test('45 to the base and 40 to the rods is 85: centred; error = sum - standard', () => {
    expect(at(40).state).toBe('ok');
    expect(at(43)).toMatchObject({ state: 'fail' });
    expect(at(43).why).toContain('3 mm low');
    expect(at(37).why).toContain('3 mm high');
    expect(at(41.2).state).toBe('tight');
  });
  test('held by lens and rods at once: at one height, or it pulls on the mount', () => {
    const both = box({ attach: 'both', rods: 'lw15' });
    const of = (to: number) =>
      verdicts([both, plate(to)], { box: { part: 'box' }, under: [{ part: 'p' }] });
    const height = (to: number) => one(of(to), 'front.matte-height');
    expect(height(40)).toMatchObject({ state: 'ok' });
    expect(height(40).why).toContain('at one height');
    expect(height(44)).toMatchObject({ state: 'fail' });
    expect(height(44).why).toContain('4 mm lower');
    expect(height(44).why).toContain('pulls on the mount');
    // It closes on the lens, is asked for the rods it is made for, and wants rods to stand on.
    const said = new Map(of(40).map((v) => [v.key, v.state]));
    expect(said.get('front.matte-fit:lens')).toBeDefined();
    expect(said.get('front.matte-fit')).toBe('ok');
    expect(said.get('rods.reach-front')).toBe('fail');
    // The lens puts it where it stands: no sleeve, and centred whatever the rods do.
    expect([...said.keys()].filter((k) => k.startsWith('front.leak'))).toEqual([]);
  });
  test('a riser under the rods lifts them, one under the body lowers them', () => {
    expect(at(43, [{ part: 'p' }, { part: 'r', at: 'rods' }]).state).toBe('ok');
    expect(at(37, [{ part: 'p' }, { part: 'r', at: 'body' }]).state).toBe('ok');
  });
  test('no plate, or a height that nobody measured, is unknown', () => {
    const none = one(verdicts([rods], { box: { part: 'box' } }), 'front.matte-height');
    expect(none.state).toBe('unknown');
    const job = testJob(
      { lens: lens(), more: [rods, plate(40)] },
      { box: { part: 'box' }, under: [{ part: 'p' }] },
    );
    const v = one(checkRig(job, job.rigs[0]), 'front.matte-height');
    expect(v.state).toBe('unknown');
    expect(v.measure.map((m) => m.path.at(-1))).toEqual(['axisToBase']);
  });
});

describe('front.matte-travel', () => {
  const rods = (station?: number) => ({ box: { part: 'box', ...(station ? { station } : {}) } });
  test('flange 44 + length 90 = 134; close focus 100 long runs into a box at 140', () => {
    const grows = lens({ lengthClose: exactly(100) });
    const at = (station: number) =>
      one(
        verdicts([box({ attach: 'rods', rods: 'lw15' })], rods(station), grows),
        'front.matte-travel:box',
      );
    expect(at(140).state).toBe('fail');
    expect(at(140).margin!.value).toBeCloseTo(-4, 9);
    expect(at(145).state).toBe('tight');
    expect(at(150).state).toBe('ok');
  });
  test('a filter on the thread against the first stage', () => {
    const clip = { box: { part: 'box', ring: 'red-80.2' } };
    const at = (thickness: number) =>
      one(
        verdicts([box(), reduction(80.2), filter('nd', { thickness: exactly(thickness) })], {
          ...clip,
          ...screwed('nd'),
        }),
        'front.matte-travel:stage',
      );
    expect(at(5).margin!.value).toBeCloseTo(7, 9);
    expect(at(5).state).toBe('ok');
    expect(at(14).state).toBe('fail');
    expect(at(11).state).toBe('tight');
  });
});

describe('front.tray-fit', () => {
  const put = (f: Filter) =>
    one(
      verdicts([box(), reduction(80.2), f], {
        box: { part: 'box', ring: 'red-80.2', trays: [{ id: 'a', filter: f.id }] },
      }),
      'front.tray-fit:a',
    );
  test('fits, needs an insert, does not go in, is not known', () => {
    expect(put(plateGlass('f')).state).toBe('ok');
    expect(put(plateGlass('f', { width: 101.6 })).state).toBe('tight');
    expect(put(plateGlass('f', { width: 167.6, height: 167.6 })).state).toBe('fail');
    expect(put(filter('f')).why).toContain('screws in');
    const unknown = put(plateGlass('f', { width: undefined }));
    expect(unknown.state).toBe('unknown');
    expect(unknown.measure.map((m) => m.path.at(-1))).toEqual(['width']);
  });
});

describe('front.vignette', () => {
  const clear = (d: number) =>
    verdicts([filter('nd', { clear: exactly(d), thickness: exactly(20) })], screwed('nd'));
  // The filter stands 60 ahead of the pupil: the corner of 36 x 24 lies 25.96 off, pupil radius 12.5.
  test('nothing touched beyond 76.9 mm; the room is said', () => {
    const v = one(clear(80), 'front.vignette:f');
    expect(v.state).toBe('ok');
    expect(v.why).toContain('Nothing in front touches the 1.50 frame');
    expect(v.margin!.value).toBe(1);
  });
  test('half of the pupil gone is one stop: a chief ray at the edge', () => {
    // Edge through the middle of the pupil, nearly straight: a little more than a stop.
    const v = one(clear(2 * 25.96), 'front.vignette:f');
    expect(v.margin!.value).toBeLessThan(0);
    expect(v.margin!.value).toBeGreaterThan(-0.45);
    expect(v.state).toBe('fail');
    expect(v.why).toContain('Filter nd');
    expect(v.about[0]).toBe('nd');
  });
  test('between a third of a stop and one it is tight, and it is soft: gone when stopped down', () => {
    const v = one(clear(62), 'front.vignette:f');
    expect(v.state).toBe('tight');
    expect(v.why).toContain('Soft: gone at T11');
    expect(v.why).toMatch(/It would need \d+\.\d mm clear diameter instead of 62\.0/);
  });
  test('a hard cut fails whatever loss the house allows', () => {
    const job = testJob(
      {
        // A pupil that is known to stand still: its wandering could let the chief ray through.
        lens: lens({ pupil: [{ behind: exactly(40), walk: exactly(0) }] }),
        more: [filter('nd', { clear: exactly(51), thickness: exactly(20) })],
      },
      screwed('nd'),
    );
    job.rules = { set: 'house', values: { 'front.vignette-fail': 6 } };
    const v = one(checkRig(job, job.rigs[0]), 'front.vignette:f');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('A hard cut: stopping down does not help');
  });
  test('the chip is its own finding; outside every frame it is no more than tight', () => {
    const list = verdicts([filter('nd', { clear: exactly(51), thickness: exactly(20) })], {
      ...screwed('nd'),
      frames: [{ id: 'f', name: '2.39', aspect: 2.39, scale: 0.6 }],
    });
    expect(one(list, 'front.vignette:f').state).toBe('ok');
    expect(one(list, 'front.vignette:chip').state).toBe('tight');
  });
  test('a missing diameter is unknown and asked for; the others may already fail without it', () => {
    const v = one(
      verdicts([filter('nd', { clear: undefined })], screwed('nd')),
      'front.vignette:f',
    );
    expect(v.state).toBe('unknown');
    expect(v.measure.map((m) => m.path.join('/'))).toContain('kit/nd/clear');
    const cut = one(
      verdicts(
        [ring(77, 72, { clear: exactly(30) }), filter('nd', { male: 72, clear: undefined })],
        screwed('ring-77-72', 'nd'),
      ),
      'front.vignette:f',
    );
    expect(cut.state).toBe('fail');
    expect(cut.about[0]).toBe('ring-77-72');
  });
  test('an entrance pupil that nobody measured: at best tight, and the caliper reading is named', () => {
    const v = one(
      verdicts(
        [filter('nd', { clear: exactly(72), thickness: exactly(20) })],
        screwed('nd'),
        lens({ pupil: undefined }),
      ),
      'front.vignette:f',
    );
    expect(v.state).toBe('tight');
    expect(v.why).toContain('entrance pupil of Test lens is not known');
    expect(v.measure[0]!.label).toBe('entrance pupil of Test lens');
  });
});

describe('front.flag and front.leak', () => {
  const flagged = box({
    attach: 'rods',
    rods: 'lw15',
    sleeveFrom: exactly(75),
    sleeveTo: exactly(110),
    sleeveReach: exactly(20),
    flags: [
      {
        id: 'top',
        name: 'top flag',
        side: 'top',
        z: exactly(60),
        offset: exactly(60),
        length: exactly(100),
        from: -60,
        to: 90,
      },
    ],
  });
  const at = (angle: number, more: Partial<Rig['box']> = {}) =>
    verdicts([flagged], { box: { part: 'box', flags: [{ id: 'top', angle }], ...more } });
  test('open it is out of the frame, closed it stands in it, and the lowest angle is said', () => {
    const open = one(at(30), 'front.flag:top');
    expect(['ok', 'tight']).toContain(open.state);
    expect(open.why).toMatch(/It can come to \S+ degrees/);
    expect(open.why).toMatch(/shades the glass from light higher than \d+ degrees/);
    expect(one(at(-40), 'front.flag:top').state).toBe('fail');
  });
  test('the sleeve covers 20 mm and closes on 75 to 110', () => {
    expect(one(at(30), 'front.leak').state).toBe('ok');
    expect(one(at(30, { station: 170 }), 'front.leak').state).toBe('fail');
    const thin = verdicts(
      [flagged],
      { box: { part: 'box' } },
      lens({ frontDiameter: exactly(60) }),
    );
    expect(one(thin, 'front.leak').state).toBe('fail');
    const none = verdicts([box({ attach: 'rods', rods: 'lw15' })], { box: { part: 'box' } });
    expect(one(none, 'front.leak').state).toBe('unknown');
  });
});

describe('a missing number is unknown, never ok', () => {
  test('a round filter in a tray whose clear diameter nobody gave', () => {
    const round = plateGlass('r', {
      shape: 'round',
      diameter: 138,
      width: undefined,
      height: undefined,
    });
    const v = verdicts([box(), reduction(80.2), round], {
      box: { part: 'box', ring: 'red-80.2', trays: [{ id: 'a', filter: 'r' }] },
    });
    expect(one(v, 'front.vignette:f').state).toBe('unknown');
    expect(one(v, 'front.vignette:f').measure.map((m) => m.path.join('/'))).toContain(
      'kit/r/clear',
    );
  });
  test('how a box is held: its corners are at best tight', () => {
    const v = verdicts([box({ attach: undefined })], { box: { part: 'box' } });
    expect(one(v, 'front.vignette:f').state).toBe('tight');
    expect(one(v, 'front.vignette:f').why).toContain('clips on or stands on rods is not known');
  });
  test('the gap that a sleeve has to close, without the length of a ring or of the lens', () => {
    const sleeved = box({
      attach: 'rods',
      rods: 'lw15',
      sleeveFrom: exactly(75),
      sleeveTo: exactly(110),
      sleeveReach: exactly(20),
    });
    const thick = ring(77, 82, { thickness: undefined });
    const a = verdicts([sleeved, thick], { box: { part: 'box' }, ...screwed('ring-77-82') });
    expect(one(a, 'front.leak').state).toBe('unknown');
    const b = verdicts(
      [sleeved],
      { box: { part: 'box', station: 150 } },
      lens({ length: undefined }),
    );
    expect(one(b, 'front.leak').state).toBe('unknown');
  });
  test('a filter before a stage of a box that was set by hand, without the length of the lens', () => {
    const v = verdicts(
      [box({ attach: 'rods', rods: 'lw15' }), filter('nd')],
      { box: { part: 'box', station: 150 }, ...screwed('nd') },
      lens({ length: undefined }),
    );
    expect(one(v, 'front.matte-travel:stage').state).toBe('unknown');
    expect(one(v, 'front.matte-travel:box').state).toBe('unknown');
  });
  test('a box set by hand ahead of an adapter whose length nobody gave', () => {
    const set = box({ attach: 'rods', rods: 'lw15' });
    const v = verdicts([set], { box: { part: 'box', station: 150 } }, lens(), [
      testAdapter({ length: undefined }),
    ]);
    expect(one(v, 'front.vignette:f').state).toBe('unknown');
    expect(one(v, 'front.vignette:f').measure.map((m) => m.path.join('/'))).toEqual([
      'kit/adapter/length',
    ]);
  });
  test('how a box is held, for a filter before its first stage', () => {
    const v = verdicts([box({ attach: undefined }), filter('nd')], {
      box: { part: 'box' },
      ...screwed('nd'),
    });
    expect(one(v, 'front.matte-travel:stage').state).toBe('unknown');
  });
  test('any rig of the demo without body, mode or lens is still checked', () => {
    const job = demo();
    for (const rig of job.rigs)
      for (const gone of [{ body: null, mode: null }, { mode: null }, { lens: null }])
        for (const v of checkRig(job, { ...rig, ...gone }))
          expect(`${v.why} ${v.sum}`).not.toMatch(/NaN|undefined/);
  });
  test('rods that box or plate does not name', () => {
    const plate: Part = { id: 'p', kind: 'plate', name: 'Plate', topToRods: exactly(40) };
    const v = verdicts([box({ attach: 'rods', rods: 'lw15' }), plate], {
      box: { part: 'box' },
      under: [{ part: 'p' }],
    });
    expect(one(v, 'front.matte-fit').state).toBe('unknown');
  });
  test('any single number of any part of the front taken away: no finding turns ok', () => {
    const job = demo();
    const rig = job.rigs.find((r) => r.id === 'anamorphic')!;
    const before = new Map(checkRig(job, rig).map((v) => [v.key, v.state]));
    let asked = 0;
    for (const id of ['weir', 'pola-plate', 'nd-6', 'cill-plate', 'wherry-40']) {
      const part = job.kit.find((p) => p.id === id) as unknown as Record<string, unknown>;
      const spots: [string, number | null, string | null][] = [];
      for (const [key, value] of Object.entries(part))
        if (typeof value === 'number' || (typeof value === 'object' && value && 'value' in value))
          spots.push([key, null, null]);
        else if (Array.isArray(value))
          value.forEach((row: Record<string, unknown>, i) => {
            for (const k of Object.keys(row))
              if (typeof row[k] === 'object' && row[k]) spots.push([key, i, k]);
          });
      for (const [key, i, k] of spots) {
        const cut = structuredClone(part);
        if (i === null) delete cut[key];
        else delete (cut[key] as Record<string, unknown>[])[i]![k!];
        const kit = job.kit.map((p) => (p.id === id ? (cut as unknown as Part) : p));
        for (const v of checkRig({ ...job, kit }, rig)) {
          if (!v.id.startsWith('front.')) continue;
          const was = before.get(v.key);
          // What was not ok does not get better by knowing less.
          if (was !== undefined && was !== 'ok' && v.state === 'ok')
            throw new Error(`${v.key} turned ok without ${id}.${key}`);
          if (v.state === 'unknown' && was !== 'unknown') asked++;
        }
      }
    }
    expect(asked).toBeGreaterThan(20);
  });
});

describe('front.polariser-turn and front.stack', () => {
  const pola = plateGlass('pola', { type: 'polariser', stops: exactly(1.6) });
  const on = (trays: NonNullable<Rig['box']>['trays'], parts: Part[], more: Partial<Rig> = {}) =>
    verdicts([box(), reduction(80.2), ...parts], {
      box: { part: 'box', ring: 'red-80.2', trays },
      ...more,
    });
  test('in the rotating stage ok, in a fixed one it fails, unknown when nobody says', () => {
    expect(one(on([{ id: 'a', filter: 'pola' }], [pola]), 'front.polariser-turn:a').state).toBe(
      'ok',
    );
    const fixed = one(on([{ id: 'b', filter: 'pola' }], [pola]), 'front.polariser-turn:b');
    expect(fixed.state).toBe('fail');
    expect(fixed.why).toContain('stage 2 of Box is fixed');
    const unsaid = box({ stages: [{ id: 'a', name: 'stage 1', tray: '4x5.65' }] });
    const v = verdicts([unsaid, pola], {
      box: { part: 'box', trays: [{ id: 'a', filter: 'pola' }] },
    });
    expect(one(v, 'front.polariser-turn:a').state).toBe('unknown');
  });
  test('a round one under a box comes off each time', () => {
    const round = filter('round', { type: 'polariser' });
    expect(one(on([], [round], screwed('round')), 'front.polariser-turn:thread-0').state).toBe(
      'tight',
    );
    expect(one(verdicts([round], screwed('round')), 'front.polariser-turn:thread-0').state).toBe(
      'ok',
    );
  });
  test('polariser and variable ND cross, in trays, on the thread or behind the lens', () => {
    const vnd = filter('vnd', { type: 'variable-nd', stops: exactly(2), stopsTo: exactly(5) });
    expect(
      one(on([{ id: 'a', filter: 'pola' }], [pola, vnd], screwed('vnd')), 'front.stack:crossed')
        .state,
    ).toBe('fail');
    const slot = testAdapter({
      slotGlass: exactly(2),
      slotType: 'variable-nd',
      slotStops: exactly(2),
      slotStopsTo: exactly(6),
      slotAllowedFor: true,
    });
    const behind = verdicts(
      [box(), reduction(80.2), pola],
      { box: { part: 'box', ring: 'red-80.2', trays: [{ id: 'a', filter: 'pola' }] } },
      lens(),
      [slot],
    );
    expect(one(behind, 'front.stack:crossed').why).toContain('behind the lens');
    // One alone does not, and its range is said.
    const alone = verdicts([vnd], screwed('vnd'));
    expect(alone.some((v) => v.key === 'front.stack:crossed')).toBe(false);
    expect(one(alone, 'front.stack:variable').why).toContain('from 2.0 to 5.0 stops');
  });
  test('past three pieces of glass it is said', () => {
    const three = [filter('a'), filter('b'), filter('c')];
    expect(one(verdicts(three, screwed('a', 'b', 'c')), 'front.stack:pieces').state).toBe('ok');
    expect(
      one(verdicts([...three, filter('d')], screwed('a', 'b', 'c', 'd')), 'front.stack:pieces')
        .state,
    ).toBe('tight');
  });
  test('what a filter does is not known: it may polarise', () => {
    expect(
      one(verdicts([filter('x', { type: undefined })], screwed('x')), 'front.stack:kind').state,
    ).toBe('unknown');
    const open = filter('vnd', { type: 'variable-nd', stopsTo: undefined });
    expect(one(verdicts([open], screwed('vnd')), 'front.stack:variable').state).toBe('unknown');
  });
});

describe('front.exposure', () => {
  // 2^13 x 8 / 48: T36.95; to T2 it is 8.415 stops.
  const light = { ev: 13, iso: 800, fps: 24, angle: 180 };
  const at = (parts: Filter[]) =>
    one(verdicts(parts, { ...screwed(...parts.map((p) => p.id)), light }), 'front.exposure');
  test('too bright by what is missing, ok when it is in, too dark past it', () => {
    expect(at([]).state).toBe('fail');
    expect(at([]).why).toMatch(/^8\.4\d stops too bright/);
    expect(at([filter('n', { stops: exactly(8.4) })]).state).toBe('ok');
    expect(at([filter('n', { stops: exactly(10) })]).why).toMatch(/^1\.5\d stops too dark/);
  });
  test('a variable ND reaches anything in its range', () => {
    const vnd = filter('v', { type: 'variable-nd', stops: exactly(6), stopsTo: exactly(9) });
    expect(at([vnd]).state).toBe('ok');
    expect(at([{ ...vnd, stopsTo: exactly(7) }]).state).toBe('fail');
  });
  test('a polariser that does not say costs 1 to 2 stops: at best tight', () => {
    const v = at([
      filter('p', { type: 'polariser', stops: undefined }),
      filter('n', { stops: exactly(6.9) }),
    ]);
    expect(v.state).toBe('tight');
    expect(v.why).toContain('is taken as 1.5 stops');
  });
  test('an ND that does not say what it costs is unknown; no light, no finding', () => {
    expect(at([filter('n', { stops: undefined })]).state).toBe('unknown');
    expect(verdicts([], {}).some((v) => v.id === 'front.exposure')).toBe(false);
  });
});

describe('the demo has the troubles of the trade in it', () => {
  const job = demo();
  const of = (rig: string) =>
    checkRig(
      job,
      job.rigs.find((r) => r.id === rig)!,
    );
  test('the step-down on the zoom darkens the wide end, with culprit and ring named', () => {
    const v = one(of('tug-b'), 'front.vignette:f239');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('Rill round polariser 77 cuts all corners of the 2.39 frame at 18 mm');
    expect(v.why).toContain('It sits on Hoop 82 to 77, step-down');
  });
  test('the box is 3 mm low and shades one side only', () => {
    expect(one(of('anamorphic'), 'front.matte-height').why).toMatch(/^Weir box stands 3 mm low/);
    const v = one(of('anamorphic'), 'front.vignette:vertical');
    expect(v.why).toContain('both top corners');
    expect(v.why).toContain('3.0 mm low');
  });
  test('polariser in a fixed stage, 77 on a 72 thread, round polariser with variable ND', () => {
    expect(one(of('anamorphic'), 'front.polariser-turn:s2').state).toBe('fail');
    expect(one(of('towpath-day'), 'front.thread').why).toContain('77 thread, Marl 50 takes 72');
    expect(one(of('towpath-day'), 'front.stack:crossed').state).toBe('fail');
  });
});
