import { build } from '../build/build';
import type { Job } from '../kit/types';
import { demo, exactly, testAdapter, testBody, testJob, testLens, testReducer } from '../test-kit';
import { checkRig, CHECKS } from '../areas/checks';
import { flangeError } from '../areas/mount/model/flange';
import type { Verdict } from './finding';

type OneRig = ReturnType<typeof testJob>;
const all = (job: OneRig) => checkRig(job, job.rigs[0]);
const one = (job: OneRig, key: string): Verdict => {
  const v = all(job).find((x) => x.key === key || x.id === key);
  if (!v)
    throw new Error(
      `no ${key} among ${all(job)
        .map((x) => x.key)
        .join(', ')}`,
    );
  return v;
};
const none = (job: OneRig, id: string) => all(job).every((v) => v.id !== id);

describe('the registry', () => {
  test('ids are unique and say what they are', () => {
    const ids = CHECKS.map((c) => c.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const c of CHECKS) {
      expect(c.id).toMatch(
        /^(coverage|mount|front|rods|drive|support|sight|space|joint|carry|power|cable|signal|media)\.[a-z-]+$/,
      );
      expect(c.says.length).toBeGreaterThan(40);
      expect(c.formula.length).toBeGreaterThan(5);
      expect(c.short.length).toBeLessThan(22);
    }
  });

  test('findings come worst first and every one is whole', () => {
    const job = demo();
    for (const rig of job.rigs) {
      const verdicts = checkRig(job, rig);
      const order = verdicts.map((v) => ['fail', 'tight', 'unknown', 'ok'].indexOf(v.state));
      expect(order).toEqual([...order].sort((a, b) => a - b));
      expect(new Set(verdicts.map((v) => v.key)).size).toBe(verdicts.length);
      for (const v of verdicts) {
        expect(v.why).toMatch(/[.!]$/);
        expect(v.sum.length).toBeGreaterThan(5);
        expect(v.basis.length).toBeGreaterThan(3);
        expect(`${v.why} ${v.sum}`).not.toMatch(/NaN|undefined|\[object/);
        if (v.margin) {
          expect(v.margin.lo).toBeLessThanOrEqual(v.margin.value);
          expect(v.margin.hi).toBeGreaterThanOrEqual(v.margin.value);
        }
      }
    }
  });
});

describe('coverage.frame', () => {
  test('margin is (D - diagonal) / 2, worked by hand: (45 - 43.2666) / 2 = 0.8667', () => {
    const v = one(testJob(), 'coverage.frame');
    expect(v.state).toBe('ok');
    expect(v.margin!.value).toBeCloseTo(0.8667, 4);
    expect(v.why).toBe('Test lens covers the 1.50 frame with 0.87 mm to spare at the corners.');
  });

  test('tight when the tolerance straddles, and asks for the circle', () => {
    const job = testJob({
      lens: testLens({ imageCircle: [{ diameter: { value: 43.5, tol: 1, from: 'sheet' } }] }),
    });
    const v = one(job, 'coverage.frame');
    expect(v.state).toBe('tight');
    expect(v.measure[0]!.path).toEqual(['kit', 'lens', 'imageCircle', '0', 'diameter']);
    expect(v.measure[0]!.missing).toBe(false);
  });

  test('fails when even the best case does, and says what is left', () => {
    const job = testJob({ lens: testLens({ imageCircle: [{ diameter: exactly(40) }] }) });
    const v = one(job, 'coverage.frame');
    expect(v.state).toBe('fail');
    // 40 / 43.2666 = 92.45 %, rounded down to a tenth; 43.2666 / 40 - 1 = 8.2 %.
    expect(v.why).toContain('92.4 %');
    expect(v.why).toContain('8.2 % scaled up in post');
  });

  test('a measurement turns tight into ok or fail', () => {
    const circle = (value: number) =>
      one(
        testJob({
          lens: testLens({ imageCircle: [{ diameter: { value, tol: 0.1, from: 'measured' } }] }),
        }),
        'coverage.frame',
      ).state;
    expect(circle(43.6)).toBe('ok');
    expect(circle(42.9)).toBe('fail');
    expect(circle(43.27)).toBe('tight');
  });

  test('unknown without an image circle, and asks for it', () => {
    const v = one(testJob({ lens: testLens({ imageCircle: undefined }) }), 'coverage.frame');
    expect(v.state).toBe('unknown');
    expect(v.margin).toBeNull();
    expect(v.why).toContain('image circle of Test lens');
    expect(v.measure).toHaveLength(1);
    expect(v.measure[0]).toMatchObject({ missing: true, share: 1 });
  });

  test('after a reducer the circle is min(m D, exit)', () => {
    const cover = (exit: number | undefined, d: number) =>
      one(
        testJob({
          links: [testReducer({ exitCircle: exit === undefined ? undefined : exactly(exit) })],
          lens: testLens({ imageCircle: [{ diameter: exactly(d) }] }),
        }),
        'coverage.frame',
      );
    expect(cover(44, 63).margin!.value).toBeCloseTo((44 - Math.hypot(36, 24)) / 2, 9);
    expect(cover(50, 63).margin!.value).toBeCloseTo((0.71 * 63 - Math.hypot(36, 24)) / 2, 9);
  });

  test('without an exit circle it is unknown, unless the lens alone already fails', () => {
    const with_ = (d: number) =>
      one(
        testJob({
          links: [testReducer({ exitCircle: undefined })],
          lens: testLens({ imageCircle: [{ diameter: exactly(d) }] }),
        }),
        'coverage.frame',
      ).state;
    expect(with_(80)).toBe('unknown');
    expect(with_(45)).toBe('fail');
  });

  test('the house margin makes covered tight, not fail', () => {
    const job = testJob({ lens: testLens({ imageCircle: [{ diameter: exactly(43.6) }] }) });
    job.rules = { set: 'strict' };
    const v = one(job, 'coverage.frame');
    expect(v.state).toBe('tight');
    expect(v.limit).toEqual({ value: 0.5, unit: 'mm', rule: 'coverage.margin' });
    expect(v.basis).toContain('margin wanted at the corners');
  });

  describe('image circle tables of zooms', () => {
    const zoom = (
      focal: number,
      rows = [18, 24, 35].map((f, i) => ({ focal: f, diameter: exactly(40 + 4 * i) })),
    ) =>
      one(
        testJob({ lens: testLens({ focal: 18, focalTo: 50, imageCircle: rows }) }, { focal }),
        'coverage.frame',
      );
    test('linear between the lines', () => {
      const d = (v: Verdict) => v.margin!.value * 2 + Math.hypot(36, 24);
      expect(d(zoom(18))).toBeCloseTo(40, 9);
      expect(d(zoom(21))).toBeCloseTo(42, 9);
      expect(d(zoom(24))).toBeCloseTo(44, 9);
      expect(d(zoom(29.5))).toBeCloseTo(46, 9);
    });
    test('never beyond them', () => {
      expect(zoom(40).state).toBe('unknown');
      expect(zoom(40).why).toContain('at 40 mm');
      expect(zoom(18, [{ focal: 24, diameter: exactly(50) }]).state).toBe('unknown');
    });
    test('one figure without a focal length holds for all', () => {
      expect(zoom(40, [{ focal: undefined as never, diameter: exactly(45) }]).state).toBe('ok');
    });
  });

  test('a frame moved on the chip is judged at its farthest corner', () => {
    const at = (x: number, y: number) =>
      one(
        testJob({}, { frames: [{ id: 'f', name: '9:16', aspect: 9 / 16, x, y }] }),
        'coverage.frame',
      ).margin!.value;
    // 13.5 x 24 on the chip: corner at hypot(6.75, 12); moved 5 mm across: hypot(11.75, 12).
    expect(at(0, 0)).toBeCloseTo(22.5 - Math.hypot(6.75, 12), 9);
    expect(at(5, 0)).toBeCloseTo(22.5 - Math.hypot(11.75, 12), 9);
    expect(at(-5, 0)).toBeCloseTo(at(5, 0), 9);
  });

  test('a circle stated for a deeper stop only stands in: at best tight', () => {
    const at = (stop: number) =>
      one(
        testJob(
          { lens: testLens({ imageCircle: [{ stop: 4, diameter: exactly(46) }] }) },
          { stop },
        ),
        'coverage.frame',
      );
    expect(at(4).state).toBe('ok');
    expect(at(5.6).state).toBe('ok');
    expect(at(2).state).toBe('tight');
    expect(at(2).why).toContain('stated at T4 and deeper only');
  });

  test('of lines for several stops the deepest that holds counts', () => {
    const rows = [
      { stop: 2, diameter: exactly(43.4) },
      { stop: 4, diameter: exactly(46) },
    ];
    const margin = (stop: number) =>
      one(testJob({ lens: testLens({ imageCircle: rows }) }, { stop }), 'coverage.frame').margin!
        .value;
    expect(margin(2)).toBeCloseTo((43.4 - Math.hypot(36, 24)) / 2, 9);
    expect(margin(8)).toBeCloseTo((46 - Math.hypot(36, 24)) / 2, 9);
  });
});

describe('coverage.chip', () => {
  const job = (more = {}) =>
    testJob(
      { lens: testLens({ imageCircle: [{ diameter: exactly(42) }] }) },
      { frames: [{ id: 'w', name: '2.39', aspect: 2.39 }], ...more },
    );

  test('cut corners outside every frame: usable, and it says exactly that', () => {
    const v = one(job(), 'coverage.chip');
    expect(v.state).toBe('tight');
    expect(v.why).toContain('cuts the corners of full by 0.63 mm');
    expect(v.why).toContain('usable');
    // 2.39 of 36 mm wide: half diagonal 19.51; 21 - 19.51 = 1.49.
    expect(v.why).toContain('closest by 1.5 mm');
  });

  test('where the house wants the whole chip clean it fails', () => {
    const j = job();
    j.rules = { set: 'house', values: { 'coverage.clean-gate': 1 } };
    expect(one(j, 'coverage.chip')).toMatchObject({
      state: 'fail',
      limit: { rule: 'coverage.clean-gate' },
    });
  });

  test('without frames a cut corner fails', () => {
    expect(one(job({ frames: [] }), 'coverage.chip').state).toBe('fail');
  });
});

describe('coverage.pixels', () => {
  const px = (deliver: { w: number; h: number } | undefined, aspect = 1.5) =>
    one(testJob({}, { frames: [{ id: 'f', name: 'x', aspect, deliver }] }), 'coverage.pixels');

  test('counts the recording inside the frame', () => {
    // 2.39 of 6000 x 4000: 6000 x 2510.
    expect(px({ w: 3840, h: 1608 }, 2.39).why).toContain('6000 x 2510 px');
  });
  test('ok, tight and fail by the scale-up', () => {
    expect(px({ w: 6000, h: 4000 }).state).toBe('ok');
    expect(px({ w: 6600, h: 4400 })).toMatchObject({ state: 'tight' });
    expect(px({ w: 6600, h: 4400 }).why).toContain('10.0 %');
    expect(px({ w: 7300, h: 4866 }).state).toBe('fail');
  });
  test('no delivery size is unknown', () => {
    expect(px(undefined).state).toBe('unknown');
  });
  test('no pixel count is unknown and asks for it', () => {
    const body = testBody({ modes: [{ id: 'm', name: 'full', w: 36, h: 24 }] });
    const v = one(testJob({ body }), 'coverage.pixels');
    expect(v.state).toBe('unknown');
    expect(v.measure.map((m) => m.path.at(-1))).toEqual(['pxW', 'pxH']);
  });
  test('anamorphic: full height of 3:2 holds a 9:16 and a 2.39 after desqueeze', () => {
    const job = testJob(
      { lens: testLens({ squeeze: exactly(1.33) }) },
      {
        frames: [
          { id: 'w', name: '2.39', aspect: 2.39, deliver: { w: 3840, h: 1608 } },
          { id: 'v', name: '9:16', aspect: 9 / 16, deliver: { w: 1080, h: 1920 } },
        ],
      },
    );
    // 6000 wide at 2.39 / 1.33 = 1.797: 3338 high; desqueezed 7980 wide.
    expect(one(job, 'coverage.pixels:w').why).toContain('7980 x 3338 px');
    // 4000 high at 0.5625 / 1.33: 1691 wide, desqueezed 2250.
    expect(one(job, 'coverage.pixels:v').why).toContain('2250 x 4000 px');
  });
});

describe('coverage.reducer-exit', () => {
  const exit = (value: number | undefined) =>
    one(
      testJob({
        links: [testReducer({ exitCircle: value === undefined ? undefined : exactly(value) })],
        lens: testLens({ imageCircle: [{ diameter: exactly(70) }] }),
      }),
      'coverage.reducer-exit',
    );
  test('by the largest frame', () => {
    expect(exit(44).state).toBe('ok');
    expect(exit(44).why).toContain('It limits the circle here');
    expect(exit(60).why).toContain('The lens limits');
    expect(exit(42).state).toBe('fail');
    expect(exit(undefined).state).toBe('unknown');
  });
  test('only where there is a reducer', () => {
    expect(none(testJob(), 'coverage.reducer-exit')).toBe(true);
  });
});

describe('mount.chain', () => {
  test('names the joints', () => {
    expect(one(testJob(), 'mount.chain')).toMatchObject({ state: 'ok' });
    expect(one(testJob(), 'mount.chain').why).toContain('2 joints');
  });
  test('faces that do not mate, with the part to look for', () => {
    const v = one(testJob({ links: [], lens: testLens({ mount: 'pl' }) }), 'mount.chain');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('No adapter in the kit closes the 32.00 mm');
    expect(v.wanted[0]).toContain('length 32.00 mm');
  });
  test('what can never be, says so', () => {
    const v = one(testJob({ links: [], lens: testLens({ mount: 'c' }) }), 'mount.chain');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('can never reach infinity');
    expect(v.why).toContain('2.47 mm too much');
    expect(v.wanted).toEqual([]);
  });
  test('a piece of the wrong length', () => {
    const v = one(testJob({ links: [testAdapter({ length: exactly(25) })] }), 'mount.chain');
    expect(v).toMatchObject({ state: 'fail', limit: { rule: 'mount.reach' } });
    expect(v.why).toContain('1.0 mm too far out');
    expect(
      one(testJob({ links: [testAdapter({ length: exactly(23) })] }), 'mount.chain').why,
    ).toContain('too close');
  });
  test('a length that nobody gave: it mates, but whether it reaches is unknown', () => {
    const v = one(testJob({ links: [testAdapter({ length: undefined })] }), 'mount.chain');
    expect(v.state).toBe('unknown');
    expect(v.why).toContain('length of Test adapter missing');
    expect(v.measure.map((m) => m.path.at(-1))).toEqual(['length']);
  });
  test('more pieces than the house likes', () => {
    const job = testJob();
    job.rules = { set: 'house', values: { 'mount.joints': 0 } };
    expect(one(job, 'mount.chain').state).toBe('tight');
  });
  test('no lens, no body, no mount: unknown', () => {
    expect(one(testJob({ lens: null }), 'mount.chain').why).toContain('no lens');
    expect(one(testJob({}, { body: null, mode: null }), 'mount.chain').why).toContain('no body');
    const v = one(testJob({ lens: testLens({ mount: undefined }) }), 'mount.chain');
    expect(v.state).toBe('unknown');
    expect(v.measure[0]!.path).toEqual(['kit', 'lens', 'mount']);
    expect(
      one(testJob({ links: [testAdapter({ bodyMount: undefined })] }), 'mount.chain').state,
    ).toBe('unknown');
  });
});

describe('mount.flange', () => {
  const flange = (length: number, tol: number, rules?: Job['rules']) => {
    const job = testJob({
      body: testBody({ flange: exactly(20) }),
      lens: testLens({ flange: exactly(44) }),
      links: [testAdapter({ length: { value: length, tol, from: 'measured' } })],
    });
    if (rules) job.rules = rules;
    return one(job, 'mount.flange');
  };
  // T2 and 0.030 on full frame: depth of focus 0.060 mm.
  test('inside, outside and straddling the depth of focus', () => {
    expect(flange(24.02, 0.01).state).toBe('ok');
    expect(flange(24.02, 0.01).margin!.value).toBeCloseTo(0.04, 9);
    expect(flange(24.1, 0.01)).toMatchObject({ state: 'fail' });
    expect(flange(24.1, 0.01).why).toContain('infinity is lost');
    expect(flange(23.9, 0.01).why).toContain('every mark reads wrong');
    expect(flange(24.05, 0.05).state).toBe('tight');
  });
  test('the school that pulls from the monitor takes a lens that sits too close', () => {
    const v = flange(23.9, 0.01, { set: 'light' });
    expect(v.state).toBe('tight');
    expect(v.limit!.rule).toBe('mount.marks');
    expect(flange(24.1, 0.01, { set: 'light' }).state).toBe('fail');
  });
  test('two pixels instead of the format figure', () => {
    // 36 / 6000 x 2 = 0.012: depth of focus 0.024.
    expect(flange(24.03, 0, { set: 'house', values: { 'focus.pixel-pair': 1 } }).state).toBe(
      'fail',
    );
  });
  test('ahead of a reducer an error counts m squared', () => {
    const job = testJob({
      body: testBody({ flange: exactly(20) }),
      lens: testLens({ flange: exactly(44.1) }),
      links: [testReducer({ backFocus: exactly(0.01) })],
    });
    const e = flangeError(build(job, job.rigs[0]))!;
    expect(e.value).toBeCloseTo(0.01 - 0.1 * 0.71 ** 2, 9);
  });
  test('a reducer that does not give its back focus is unknown', () => {
    const v = one(testJob({ links: [testReducer({ backFocus: undefined })] }), 'mount.flange');
    expect(v.state).toBe('unknown');
    expect(v.measure.map((m) => m.path.at(-1))).toEqual(['backFocus']);
  });
  test('glass that the length allows for takes its share of the length', () => {
    // 2 mm of n = 1.517 take 0.6816 mm: 24.6816 is right.
    const job = testJob({
      body: testBody({ flange: exactly(20) }),
      lens: testLens({ flange: exactly(44) }),
      links: [
        testAdapter({
          length: exactly(24.6816),
          slotGlass: exactly(2),
          slotIndex: exactly(1.517),
          slotAllowedFor: true,
        }),
      ],
    });
    expect(flangeError(build(job, job.rigs[0]))!.value).toBeCloseTo(0, 4);
  });
  test('says when T stands in for f', () => {
    expect(one(testJob(), 'mount.flange').sum).toContain('T stands in for f');
    expect(
      one(testJob({ lens: testLens({ fStop: exactly(1.9) }) }), 'mount.flange').sum,
    ).not.toContain('T stands in');
  });
});

describe('mount.throat', () => {
  const throat = (diameter: number | undefined, depth: number | undefined, more = {}) =>
    testJob({
      lens: testLens({
        rearDiameter: diameter === undefined ? undefined : exactly(diameter),
        rearProtrusion: depth === undefined ? undefined : exactly(depth),
      }),
      links: [testAdapter(more)],
    });
  test('a group that does not reach the narrow place does not meet it', () => {
    expect(none(throat(60, 3), 'mount.throat')).toBe(true);
  });
  test('a wide group that reaches the throat behind the adapter', () => {
    expect(one(throat(53, 26), 'mount.throat')).toMatchObject({ state: 'fail' });
    expect(one(throat(53, 26), 'mount.throat').margin!.value).toBeCloseTo((51.6 - 53) / 2, 9);
    expect(one(throat(40, 26), 'mount.throat').state).toBe('ok');
  });
  test('a bore inside the adapter is met first', () => {
    expect(one(throat(40, 3, { bore: exactly(38) }), 'mount.throat').why).toContain(
      'the bore of Test adapter',
    );
  });
  test('a group that may end before the narrow place may pass', () => {
    const job = testJob({
      lens: testLens({
        rearDiameter: exactly(53),
        rearProtrusion: { value: 24, tol: 1, from: 'sheet' },
      }),
    });
    expect(one(job, 'mount.throat').state).toBe('tight');
  });
  test('not known is unknown', () => {
    expect(one(throat(undefined, 26), 'mount.throat').state).toBe('unknown');
    expect(one(throat(40, undefined), 'mount.throat').state).toBe('unknown');
  });
});

describe('mount.rear-depth', () => {
  const depth = (protrusion: number | undefined, body = {}, reducer = {}) =>
    one(
      testJob({
        // Made in the body: what its cavity takes is known, and how deep it should sit as well.
        body: testBody({ reducerDepth: exactly(6), ...body }),
        links: [
          testReducer({
            rearProtrusion: protrusion === undefined ? undefined : exactly(protrusion),
            ...reducer,
          }),
        ],
      }),
      'mount.rear-depth:reducer',
    );
  test('cavity 14, half a millimetre of air: 13.5 is the limit', () => {
    expect(depth(13.5).state).toBe('ok');
    expect(depth(13.6)).toMatchObject({
      state: 'fail',
      limit: { value: 0.5, rule: 'mount.rear-clearance' },
    });
    expect(depth(13.6).why).toContain('strikes');
  });
  test('too shallow never reaches infinity', () => {
    const v = depth(6, { reducerDepth: exactly(10) });
    expect(v.state).toBe('fail');
    expect(v.why).toContain('4.0 mm too shallow');
    expect(depth(11, { reducerDepth: exactly(10) }).state).toBe('ok');
  });
  test('unknown cavity is unknown, never ok', () => {
    expect(depth(8, { cavityDepth: undefined }).state).toBe('unknown');
    expect(depth(undefined).state).toBe('unknown');
  });
  test('made for another body: at best tight', () => {
    const v = depth(8, {}, { madeFor: ['another body'] });
    expect(v.state).toBe('tight');
    expect(v.why).toContain('made for another body, not for Test body');
    expect(depth(8, {}, { madeFor: ['body'] }).state).toBe('ok');
  });
  test('a lens that reaches into a reducer meets its glass', () => {
    const v = one(
      testJob({ links: [testReducer()], lens: testLens({ rearProtrusion: exactly(6.8) }) }),
      'mount.rear-depth:lens',
    );
    expect(v.state).toBe('fail');
    expect(v.margin!.value).toBeCloseTo(7 - 0.5 - 6.8, 9);
  });
  test('a lens without anything behind its flange is not asked about', () => {
    expect(
      all(testJob({ lens: testLens({ rearProtrusion: exactly(0) }) })).some(
        (v) => v.key === 'mount.rear-depth:lens',
      ),
    ).toBe(false);
  });

  describe('what was tried together', () => {
    const tried = (
      protrusion: number | undefined,
      result: 'fits' | 'fits with force' | 'does not fit',
    ) => {
      const job = testJob({
        links: [
          testReducer({
            rearProtrusion: protrusion === undefined ? undefined : exactly(protrusion),
          }),
        ],
      });
      job.trials = [{ id: 't', parts: ['reducer', 'body'], result, role: 'focus puller' }];
      return one(job, 'mount.rear-depth:reducer');
    };
    test('outranks arithmetic', () => {
      expect(tried(undefined, 'fits').state).toBe('ok');
      expect(tried(8, 'fits').basis).toContain('[tried]');
      expect(tried(8, 'fits with force').state).toBe('tight');
      expect(tried(8, 'does not fit').state).toBe('fail');
    });
    test('and where the two disagree it says so', () => {
      expect(tried(13.9, 'fits').state).toBe('tight');
      expect(tried(13.9, 'fits').why).toContain('The numbers say otherwise');
      expect(tried(8, 'does not fit').why).toContain('The numbers say otherwise');
    });
    test('a trial with other pieces says nothing', () => {
      const job = testJob({ links: [testReducer({ rearProtrusion: exactly(13.9) })] });
      job.trials = [{ id: 't', parts: ['reducer', 'elsewhere'], result: 'fits' }];
      expect(one(job, 'mount.rear-depth:reducer').state).toBe('fail');
    });
  });
});

describe('mount.glass-path', () => {
  const slot = (use: { slot?: 'glass' | 'empty' }, more = {}) =>
    testJob(
      { links: [testAdapter({ slotGlass: exactly(2), slotIndex: exactly(1.517), ...more })] },
      { between: [{ part: 'adapter', ...use }] },
    );
  test('glass that nobody allowed for moves focus 0.68 mm', () => {
    const v = one(slot({}), 'mount.glass-path');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('0.68 mm back');
  });
  test('pulling out glass that was allowed for moves it the other way', () => {
    const v = one(
      slot({ slot: 'empty' }, { slotAllowedFor: true, length: exactly(24.68) }),
      'mount.glass-path',
    );
    expect(v.state).toBe('fail');
    expect(v.why).toContain('0.68 mm forward');
    expect(v.why).toContain('clear glass');
  });
  test('as it was made: ok, with the warning', () => {
    const v = one(slot({}, { slotAllowedFor: true, length: exactly(24.68) }), 'mount.glass-path');
    expect(v.state).toBe('ok');
    expect(v.why).toContain('Pulling it out moves focus');
  });
  test('no slot and no stated stack: the question does not arise', () => {
    expect(none(testJob(), 'mount.glass-path')).toBe(true);
  });
  test('a lens designed for a thicker stack', () => {
    const job = testJob({
      body: testBody({ stackGlass: exactly(2), stackIndex: exactly(1.52) }),
      lens: testLens({ expectedGlass: exactly(4) }),
    });
    const v = one(job, 'mount.glass-path');
    expect(v.state).toBe('fail');
    expect(v.margin!.value).toBeCloseTo(0.06 - 2 * (1 - 1 / 1.52), 9);
  });
  test('an index that is taken, not given, is at best tight', () => {
    const v = one(slot({}, { slotIndex: undefined, slotGlass: exactly(0.05) }), 'mount.glass-path');
    expect(v.state).toBe('tight');
    expect(v.why).toContain('taken as 1.517');
  });
});

describe('mount.play', () => {
  const play = (value: number | undefined, more = {}, use = {}) =>
    one(
      testJob(
        {
          links: [testAdapter({ play: value === undefined ? undefined : exactly(value), ...more })],
        },
        { between: [{ part: 'adapter', ...use }] },
      ),
      'mount.play',
    );
  test('by the house limits', () => {
    expect(play(0.02).state).toBe('ok');
    expect(play(0.08).state).toBe('tight');
    expect(play(0.2).state).toBe('fail');
    expect(play(undefined).state).toBe('unknown');
  });
  test('a tied foot takes it away', () => {
    expect(play(0.2, { foot: true }).why).toContain('Tie the foot');
    expect(play(0.2, { foot: true }, { tied: true }).state).toBe('ok');
  });
  test('only where there is a joint to rock', () => {
    expect(
      none(testJob({ links: [], lens: testLens({ mount: 'ml-20.00-51.6' }) }), 'mount.play'),
    ).toBe(true);
  });
});

describe('mount.control', () => {
  const control = (
    aperture: 'manual' | 'electronic' | undefined,
    passes: boolean | undefined,
    body: 'electronic' | 'none' | undefined = 'electronic',
  ) =>
    one(
      testJob({
        body: testBody({ control: body }),
        lens: testLens({ aperture }),
        links: [testAdapter({ passesControl: passes })],
      }),
      'mount.control',
    );
  test('every way it can go', () => {
    expect(control('manual', false).state).toBe('ok');
    expect(control('electronic', true).state).toBe('ok');
    expect(control('electronic', false)).toMatchObject({ state: 'fail' });
    expect(control('electronic', true, 'none').why).toContain('Test body does not pass');
    expect(control('electronic', undefined)).toMatchObject({ state: 'unknown' });
    expect(control(undefined, true).measure[0]!.path).toEqual(['kit', 'lens', 'aperture']);
  });
  test('a body that does not say', () => {
    const job = testJob({
      body: testBody(),
      lens: testLens({ aperture: 'electronic' }),
      links: [testAdapter({ passesControl: true })],
    });
    delete (job.kit[0] as { control?: string }).control;
    expect(one(job, 'mount.control').state).toBe('unknown');
  });
});

describe('the demo', () => {
  const job = demo();
  const of = (rig: string, key: string, change?: (j: Job) => void) => {
    const copy = structuredClone(job);
    change?.(copy);
    return checkRig(
      copy,
      copy.rigs.find((r) => r.id === rig)!,
    ).find((v) => v.key === key)!;
  };

  test('the wrong reducer is caught with numbers', () => {
    const v = of('tug-b', 'mount.rear-depth:narrow-shallow');
    expect(v.state).toBe('fail');
    expect(v.why).toContain('6.4 mm');
    expect(v.why).toContain('10.0 mm');
  });

  test('the Super 35 prime fails on full width and is ok in the crop', () => {
    expect(of('wheelhouse-a', 'coverage.frame:f239').state).toBe('fail');
    expect(of('wheelhouse-a', 'coverage.frame:f239').why).toMatch(
      /What is left for sure is the frame at 78\.9 %: 28\.4 x 11\.9 mm, 4771 x 1996 px/,
    );
    const crop = (j: Job) => {
      j.rigs.find((r) => r.id === 'wheelhouse-a')!.mode = 's35';
    };
    expect(of('wheelhouse-a', 'coverage.frame:f239', crop).state).toBe('ok');
    expect(of('wheelhouse-a', 'coverage.chip', crop).state).toBe('ok');
  });

  test('the anamorphic holds both frames with their pixels', () => {
    expect(of('anamorphic', 'coverage.pixels:f239').why).toContain('8043 x 3365 px');
    expect(of('anamorphic', 'coverage.pixels:vertical').why).toContain('2268 x 4032 px');
    expect(of('anamorphic', 'coverage.chip').why).toContain('usable');
  });

  test('the lens without a sheet is unknown and asks for its circle', () => {
    const put = (j: Job) => {
      j.rigs.find((r) => r.id === 'wheelhouse-a')!.lens = 'marl-85';
    };
    const v = of('wheelhouse-a', 'coverage.frame:f239', put);
    expect(v.state).toBe('unknown');
    expect(v.measure[0]!.label).toBe('image circle of Marl 85');
  });

  test('the vintage lens rocks in its loose adapter', () => {
    expect(of('towpath-vintage', 'mount.play')).toMatchObject({ state: 'fail' });
  });
});
