import { check } from '../checks';
import { build, shared } from '../../build/build';
import { applyEdit } from '../../edit/edit';
import type { Change, FittedUse, Job, Rig } from '../../kit/types';
import type { Verdict } from '../../checks/finding';
import { fixesFor } from '../../solve/fixes';
import { demo } from '../../test-kit';
import { interfaceType } from './kit/interfaces';
import { screwBill, toolsOf } from './model/lists';
import { loadPath } from './model/load-path';
import { bite, turns } from './model/screw';

/**
 * What goes wrong with what holds what, each caught with its cure, and each near miss let pass. The
 * rig is that of the demo with everything on named interfaces.
 */

const RIG = 'lockside-b';
const base = demo();

function on(changes: Change[]): { job: Job; rig: Rig; all: Verdict[] } {
  const job = applyEdit(base, { title: 'x', changes }).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  return { job, rig, all: check(build(job, rig, shared(job))) };
}

const fitted = (id: string, to: Partial<FittedUse>): Change[] =>
  Object.entries(to).map(([k, value]) => ({ path: ['rigs', RIG, 'fitted', id, k], value }));
const side = (part: string, i: string, key: string, value: unknown): Change => ({
  path: ['kit', part, 'interfaces', i, key],
  value,
});
const fit = (id: string, more: Omit<FittedUse, 'id'>): Change => ({
  path: ['rigs', RIG, 'fitted', id],
  value: { id, ...more },
});
const off = (id: string): Change => ({ path: ['rigs', RIG, 'fitted', id], value: undefined });
const exact = (value: number) => ({ value, tol: 0, from: 'measured' });

function state(changes: Change[], key: string): string {
  return on(changes).all.find((v) => v.key === key)?.state ?? 'nothing said';
}

function titles(changes: Change[], key: string): string[] {
  const { job, rig, all } = on(changes);
  const v = all.find((x) => x.key === key)!;
  return fixesFor(build(job, rig, shared(job)), v, shared(job)).map((f) => f.title);
}

describe('screws', () => {
  test('a stand-out of 5.5 mm of 1/4-20 bites 4.3 turns', () => {
    // The worked example of the trade: ISO 1222 allows a tripod screw to stand out 5.5 mm.
    const { pitch } = interfaceType('unc-1-4')!;
    expect(turns(bite(5.5, 0, 0), 6, pitch!)).toBeCloseTo(4.33, 2);
  });

  test('threads have the numbers of their standards', () => {
    // ISO 262 coarse pitch; ISO 1222 for the two tripod threads: 20 and 16 threads an inch.
    const of = (id: string) => [interfaceType(id)!.major, interfaceType(id)!.pitch];
    expect(of('m2')).toEqual([2, 0.4]);
    expect(of('m2-5')).toEqual([2.5, 0.45]);
    expect(of('m3')).toEqual([3, 0.5]);
    expect(of('m4')).toEqual([4, 0.7]);
    expect(of('m5')).toEqual([5, 0.8]);
    expect(of('m6')).toEqual([6, 1]);
    expect(of('unc-1-4')).toEqual([6.35, 25.4 / 20]);
    expect(of('unc-3-8')).toEqual([9.525, 25.4 / 16]);
  });

  test('one that bottoms out clamps nothing: a shorter one is offered', () => {
    const long = fitted('handle', { screw: 12.7 });
    expect(state(long, 'joint.screw:handle:bottom')).toBe('fail');
    expect(titles(long, 'joint.screw:handle:bottom')).toContain(
      'A screw of 9.5 mm in Stirrup handle',
    );
    expect(state([], 'joint.screw:handle:bottom')).toBe('ok');
    // Through a hole that is open behind it stands out, and clamps.
    expect(
      state([...long, side('trellis', 'top-holes', 'through', true)], 'joint.screw:handle:bottom'),
    ).toBe('nothing said');
  });

  test('under three turns it fails, under four it is tight', () => {
    const after = (length: number) =>
      state(
        [
          side('stirrup', 'feet', 'length', exact(length)),
          side('stirrup', 'feet', 'thickness', exact(4)),
          side('trellis', 'top-holes', 'depth', exact(7)),
        ],
        'joint.screw:handle',
      );
    expect(after(4 + 2.99 * 1.27)).toBe('fail');
    expect(after(4 + 3.01 * 1.27)).toBe('tight');
    expect(after(4 + 4.01 * 1.27)).toBe('ok');
  });

  test('a critical one asks for one and a half diameters of aluminium, one of steel', () => {
    const critical = (material: string | undefined, length: number) =>
      state(
        [
          ...fitted('handle', { tight: 'critical' }),
          side('stirrup', 'feet', 'length', exact(4 + length)),
          side('stirrup', 'feet', 'thickness', exact(4)),
          side('trellis', 'top-holes', 'depth', exact(20)),
          side('trellis', 'top-holes', 'material', material),
        ],
        'joint.screw:handle',
      );
    expect(critical('aluminium', 1.49 * 6.35)).toBe('fail');
    expect(critical('aluminium', 1.51 * 6.35)).not.toBe('fail');
    expect(critical('steel', 0.99 * 6.35)).toBe('fail');
    expect(critical('steel', 1.01 * 6.35)).not.toBe('fail');
    expect(critical(undefined, 20)).toBe('unknown');
  });

  test('a gap takes from the bite', () => {
    expect(state(fitted('handle', { gap: 2 }), 'joint.screw:handle')).toBe('fail');
    expect(state(fitted('handle', { gap: 2 }), 'joint.gap:handle')).toBe('fail');
    expect(state(fitted('handle', { gap: 0.1 }), 'joint.gap:handle')).toBe('ok');
  });
});

describe('what goes together', () => {
  test('a dovetail 0.3 mm too wide fails, one that may close is tight', () => {
    const wide = (width: object) =>
      state([side('gunnel', 'tail', 'width', width)], 'joint.fits:receiver');
    const jaw = [side('thole', 'jaw', 'to', exact(50.3))];
    expect(
      state([...jaw, side('gunnel', 'tail', 'width', exact(50.6))], 'joint.fits:receiver'),
    ).toBe('fail');
    expect(wide({ value: 50.3, tol: 0.1, from: 'measured' })).toBe('tight');
    expect(wide(exact(50))).toBe('ok');
    expect(titles([], 'joint.fits:receiver')[0]).toBe(
      'Thole receiver, newer in place of Thole receiver',
    );
    expect(on([]).all.find((v) => v.key === 'joint.fits:receiver')!.wanted).toEqual([
      'a receiver whose clamp closes on 50.6 mm, class 51 mm',
    ]);
  });

  test('a class is not a fit: without the width nobody knows', () => {
    expect(state([side('gunnel', 'tail', 'width', undefined)], 'joint.fits:receiver')).toBe(
      'unknown',
    );
    expect(state([side('thole', 'jaw', 'to', undefined)], 'joint.fits:receiver')).toBe('unknown');
  });

  test('a trial outranks the numbers', () => {
    const { job } = on([]);
    const tried: Job = {
      ...job,
      trials: [{ id: 't9', parts: ['thole', 'gunnel'], result: 'fits', role: 'grip' }],
    };
    const v = check(
      build(
        tried,
        tried.rigs.find((r) => r.id === RIG)!,
        shared(tried),
      ),
    ).find((x) => x.key === 'joint.fits:receiver')!;
    expect(v.state).toBe('tight');
    expect(v.why).toMatch(/^Tried together by the grip: it fits\. The numbers say otherwise/);
  });

  test.each([
    ['another standard', side('stirrup', 'feet', 'type', 'm4'), 'fail'],
    ['a screw on a screw', side('trellis', 'top-holes', 'side', 'guest'), 'fail'],
    ['pins without holes', side('stirrup', 'feet', 'pinned', true), 'fail'],
    ['three screws for the five holes at one step', side('stirrup', 'feet', 'count', 3), 'fail'],
    ['screws that are off their holes', side('stirrup', 'feet', 'spacing', exact(37)), 'fail'],
    [
      'screws that may be off their holes',
      side('stirrup', 'feet', 'spacing', exact(36.55)),
      'tight',
    ],
    ['a standard nobody named', side('stirrup', 'feet', 'type', undefined), 'unknown'],
    ['a side nobody named', side('stirrup', 'feet', 'side', undefined), 'unknown'],
  ])('%s', (_what, change, wanted) => {
    expect(state([change], 'joint.fits:handle')).toBe(wanted);
  });

  test('what names an interface that is gone stands by its face, and it is said', () => {
    const gone = on([{ path: ['kit', 'stirrup', 'interfaces', 'feet'], value: undefined }]);
    expect(gone.all.find((v) => v.key === 'joint.fits:handle:gone')!.state).toBe('unknown');
  });

  test('what stands by its face is assumed to be held', () => {
    const v = on([fit('knot', { part: 'knot', to: 'cage', on: 'left' })]).all.find(
      (x) => x.key === 'joint.fits:assumed',
    )!;
    expect(v.state).toBe('unknown');
    expect(v.why).toMatch(/Knot grip stands against a face/);
    expect(state([], 'joint.fits:assumed')).toBe('nothing said');
  });
});

describe('one hole, one guest', () => {
  const twice = fitted('arm', { n: 4 }).concat(
    fit('second', { part: 'bollard', to: 'handle', on: 'top', at: 'bar-holes', by: 'feet', n: 4 }),
  );

  test('two that want one hole: the free places that would do are named, and one is offered', () => {
    const v = on(twice).all.find((x) => x.key === 'joint.free:arm|second')!;
    expect(v.state).toBe('fail');
    expect(v.why).toMatch(/want the same place: holes of the bar of Stirrup handle\. Free for /);
    expect(titles(twice, 'joint.free:arm|second').some((t) => t.startsWith('Move '))).toBe(true);
  });

  test('side by side in one row is no trouble', () => {
    expect(state([...fitted('arm', { n: 3 }), ...twice.slice(1)], 'joint.free:arm|second')).toBe(
      'nothing said',
    );
  });

  test('a rail takes as many as there is room for', () => {
    const two = (slide: number) =>
      state(
        [
          { path: ['kit', 'fairlead', 'count'], value: 2 },
          fit('a', {
            part: 'fairlead',
            to: 'cage',
            on: 'left',
            at: 'left-rail',
            by: 'rail-clamp',
            slide: -slide,
          }),
          fit('b', {
            part: 'fairlead',
            to: 'cage',
            on: 'left',
            at: 'left-rail',
            by: 'rail-clamp',
            slide,
          }),
        ],
        'joint.free:a|b',
      );
    expect(two(12)).toBe('fail');
    expect(two(15)).toBe('tight');
    expect(two(16)).toBe('ok');
  });
});

describe('what turns, and what carries', () => {
  test('a long arm on one screw turns: two 1/4 to one pinned 3/8 is the cure', () => {
    expect(state([], 'joint.twist:arm')).toBe('tight');
    expect(titles([], 'joint.twist:arm')[0]).toBe(
      'Put Spar arm on holes of the bar of Stirrup handle by Bollard plate',
    );
    // By itself, without the screen, it does not turn.
    expect(state([off('screen')], 'joint.twist:arm')).toBe('ok');
    expect(state([], 'joint.twist:handle')).toBe('ok');
  });

  test('the moment is mass by lever by gravity: an arm that sticks out sideways', () => {
    const lying = on([
      off('screen'),
      ...fitted('arm', { to: 'cage', at: 'left-holes', on: 'left', n: 0 }),
      { path: ['kit', 'spar', 'mass'], value: exact(500) },
    ]).all.find((v) => v.key === 'joint.twist:arm')!;
    // 0.5 kg, 65 mm from the screw in the middle of its root, 9.80665 m/s2.
    expect(0.3 - lying.margin!.value).toBeCloseTo(0.5 * 0.065 * 9.80665, 6);
  });

  const hung = (rating: unknown): Change[] => [
    { path: ['kit', 'stirrup', 'rating'], value: rating },
  ];

  test('a handle rated below what hangs on it fails; not stated is not known', () => {
    expect(state(hung(exact(4000)), 'joint.load-path:handle:rating')).toBe('fail');
    expect(state(hung(exact(9000)), 'joint.load-path:handle:rating')).toBe('ok');
    expect(state(hung(undefined), 'joint.load-path:handle:rating')).toBe('unknown');
    // Held from below the handle is loaded when somebody lifts the rig by it.
    const below: Change = { path: ['rigs', RIG, 'hold'], value: undefined };
    expect(state([...hung(exact(4000)), below], 'joint.load-path:handle:rating')).toBe('tight');
  });

  test('the far side of a joint is what it carries, from wherever the rig is held', () => {
    const path = (changes: Change[]) => {
      const { job, rig } = on(changes);
      return Object.fromEntries(
        loadPath(build(job, rig, shared(job))).joints.map((j) => [
          j.seat.use.id,
          j.carried.map((p) => p.id).sort(),
        ]),
      );
    };
    const held = path([]);
    expect(held.arm).toEqual(['pane-5', 'spar']);
    expect(held.handle).toContain('body-b');
    expect(held.handle).not.toContain('spar');
    const below = path([{ path: ['rigs', RIG, 'hold'], value: undefined }]);
    expect(below.handle).toEqual(['pane-5', 'spar', 'stirrup']);
  });

  test('above a head one joint alone fails, with a second tie it does not', () => {
    const up: Change = { path: ['rigs', RIG, 'overhead'], value: true };
    expect(state([up], 'joint.load-path:screen:overhead')).toBe('fail');
    expect(titles([up], 'joint.load-path:screen:overhead')).toContain('A second tie on Pane 5');
    expect(
      state([up, ...fitted('screen', { line: true })], 'joint.load-path:screen:overhead'),
    ).toBe('ok');
    expect(state([], 'joint.load-path:screen:overhead')).toBe('nothing said');
  });

  test('one side that is rated does not speak for the other', () => {
    const said = (changes: Change[]) =>
      on(changes).all.find((v) => v.key === 'joint.load-path:stated')!.pieces;
    expect(said([])).toContain('fitted:handle');
    expect(said([side('trellis', 'top-holes', 'bears', exact(9000))])).not.toContain(
      'fitted:handle',
    );
  });

  test('a weak side says so as soon as something hangs there', () => {
    expect(state([side('cleat', 'stud', 'weak', true)], 'joint.load-path:screen:weak')).toBe(
      'nothing said',
    );
    expect(state([side('spar', 'stud', 'weak', true)], 'joint.load-path:screen:weak')).toBe(
      'tight',
    );
  });
});

describe('gaps and slides', () => {
  test("a cage's top screw over a gap fails; snug it is tight; without a gap it is ok", () => {
    const firm = fitted('cage', { tight: undefined });
    expect(state(firm, 'joint.gap:cage:top-screw')).toBe('fail');
    expect(titles(firm, 'joint.gap:cage:top-screw')).toContain('Leave Trellis cage snug');
    expect(state([], 'joint.gap:cage:top-screw')).toBe('tight');
    const close: Change = { path: ['kit', 'trellis', 'innerHeight'], value: exact(92) };
    const body: Change = { path: ['kit', 'body-b', 'height'], value: exact(92) };
    expect(state([...firm, close, body], 'joint.gap:cage:top-screw')).toBe('ok');
  });

  test('a slide without a stop at both ends can run off; stops or a tie keep it', () => {
    const slid = (rail: string): Change[] => [
      fit('rail', { part: 'fairlead', to: 'cage', on: 'left', at: rail, by: 'rail-clamp' }),
    ];
    expect(state(slid('right-rail'), 'joint.stops:rail')).toBe('tight');
    expect(state(slid('left-rail'), 'joint.stops:rail')).toBe('ok');
    expect(
      state([...slid('right-rail'), ...fitted('rail', { line: true })], 'joint.stops:rail'),
    ).toBe('ok');
    expect(
      state(
        [...slid('right-rail'), side('trellis', 'right-rail', 'stops', undefined)],
        'joint.stops:rail',
      ),
    ).toBe('unknown');
  });
});

describe('getting at it', () => {
  test('a rosette behind a follow focus: the rail adapter is proposed', () => {
    const key = 'space.pair:drive:focus|fitted:grip';
    expect(state([], key)).toBe('fail');
    expect(titles([], key).join()).toMatch(
      /Put Fender grip on right rail of Trellis cage by Fairlead rail rosette/,
    );
    // A grip that ends before the wheel is no trouble.
    const short: Change = { path: ['kit', 'fender', 'depth'], value: exact(60) };
    expect(state([short], key)).toBe('nothing said');
  });

  test('a screw that another part covers goes on before it; one that its own guest covers is no trouble', () => {
    expect(state([], 'joint.access:handle')).toBe('ok');
    expect(state([], 'joint.access:dovetail')).toBe('ok');
    const over = fit('lid', { part: 'sinker', to: 'cage', on: 'top', y: 12, z: 0 });
    expect(['tight', 'fail']).toContain(state([over], 'joint.access:handle'));
  });

  test('what has no size may stand in the way: not known, also where what hangs on it covers it', () => {
    const sizeless: Change = { path: ['kit', 'bittern', 'width'], value: undefined };
    expect(state([sizeless], 'joint.access:handle')).toBe('unknown');
    expect(state([sizeless], 'joint.access:dovetail')).toBe('unknown');
  });

  test('what is turned with, where its head is, and the reach of a lever are asked for', () => {
    expect(state([side('stirrup', 'feet', 'driver', undefined)], 'joint.access:handle')).toBe(
      'unknown',
    );
    expect(state([side('stirrup', 'feet', 'thickness', undefined)], 'joint.access:handle')).toBe(
      'unknown',
    );
    expect(state([side('thole', 'jaw', 'sweep', undefined)], 'joint.access:receiver')).toBe(
      'unknown',
    );
  });
});

describe('lists', () => {
  test('every screw of the rig is in the bill once, and the tools are those that turn them', () => {
    const { job, rig } = on([]);
    const built = build(job, rig, shared(job));
    const bill = screwBill(built);
    // Two feet of the handle, two screws of the dovetail, arm, screen, grip, two of the cage.
    expect(bill.reduce((n, l) => n + l.count, 0)).toBe(9);
    const tools = toolsOf(built);
    expect(tools.needed.map((t) => t.driver.name)).toEqual([
      'hex key 4 mm',
      'hex key 5 mm',
      'slot driver',
    ]);
    // Smallest: without any one of them some screw is not turned, by trying.
    const heads = new Set(bill.map((l) => l.driver));
    for (const t of tools.needed) {
      const rest = tools.needed.filter((x) => x !== t).map((x) => x.driver.name);
      expect([...heads].some((h) => h === t.driver.name && !rest.includes(h))).toBe(true);
    }
    for (const h of heads)
      expect(h === 'fingers' || tools.needed.some((t) => t.driver.name === h)).toBe(true);
  });

  test('metric and inch keys of nearly one size are two tools', () => {
    const { job, rig } = on([side('trellis', 'base-screw', 'driver', 'hex-5-32')]);
    const { needed } = toolsOf(build(job, rig, shared(job)));
    expect(needed.map((t) => t.driver.system)).toContain('inch');
    expect(needed.map((t) => t.driver.name)).toEqual(
      expect.arrayContaining(['hex key 4 mm', 'hex key 5/32 in']),
    );
  });
});
