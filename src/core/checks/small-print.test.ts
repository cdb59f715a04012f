import { FIELDS } from '../kit/fields';
import { reversedRange, turnRanges } from '../kit/ranges';
import type { Change, Filter, Job, LensSupport, MatteBox, Part, Rig } from '../kit/types';
import { stageFit } from '../areas/light/model/light';
import { findings } from '../solve/fixes';
import { withChanges } from '../edit/edit';
import { demo, exactly } from '../test-kit';
import { checkRig } from '../areas/checks';

/** What is said of one thing each: trays of two sizes, wheels of hand units, feet beside posts. */

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const on = (id: string, ...changes: Change[]) => {
  const next = withChanges(job, changes);
  return { job: next, rig: rigOf(next, id), all: checkRig(next, rigOf(next, id)) };
};
const set = (path: string, value: unknown): Change => ({ path: path.split('/'), value });
const find = (id: string, key: string, ...changes: Change[]) =>
  on(id, ...changes).all.find((v) => v.key === key);

describe('a tray that takes two sizes', () => {
  const box = (tray?: string, tray2?: string): MatteBox => ({
    id: 'b',
    kind: 'matte-box',
    name: 'Box',
    stages: [{ id: 's', name: 'stage', tray, tray2 }],
  });
  const glass = (w: number, h: number): Filter => ({
    id: 'f',
    kind: 'filter',
    name: 'F',
    shape: 'rectangle',
    width: exactly(w),
    height: exactly(h),
  });

  test('takes what either takes; with one size alone the smaller needs an insert', () => {
    expect(stageFit(box('4x5.65'), 's', glass(101.6, 101.6))).toBe('insert');
    expect(stageFit(box('4x5.65', '4x4'), 's', glass(101.6, 101.6))).toBe('fits');
    expect(stageFit(box('4x5.65', '4x4'), 's', glass(143.5, 101.6))).toBe('fits');
    expect(stageFit(box('4x5.65', '4x4'), 's', glass(167.6, 167.6))).toBe('no');
  });

  test('a size that nobody gave is unknown, unless the other one takes it', () => {
    expect(stageFit(box(undefined, '4x4'), 's', glass(143.5, 101.6))).toBe('unknown');
    expect(stageFit(box(undefined, '4x4'), 's', glass(101.6, 101.6))).toBe('fits');
  });
});

describe('the wheel of a hand unit', () => {
  const at = (turn: unknown, ...more: Change[]) =>
    find('lift-bridge', 'drive.turn:focus', set('kit/tiller/turn', turn), ...more);
  test('a turn past 330 degrees means re-gripping, one under 90 is touchy; missing it is unknown', () => {
    expect(at(exactly(300))!.state).toBe('ok');
    expect(at(exactly(330))!.state).toBe('ok');
    expect(at(exactly(400))!.state).toBe('tight');
    expect(at(exactly(60))!.why).toMatch(/short and touchy/);
    expect(at(undefined)!.state).toBe('unknown');
  });
  test('without one that was said the only one on the rig works it; with none nothing is said', () => {
    const unsaid = set('rigs/lift-bridge/drives/focus/unit', undefined);
    expect(at(exactly(300), unsaid)!.about).toContain('tiller');
    expect(
      at(exactly(300), unsaid, set('rigs/lift-bridge/fitted/unit', undefined)),
    ).toBeUndefined();
  });
});

describe('a foot and a post hold one lens', () => {
  // Axis 48.0 over the plate, foot 47.8 down: 0.2 of gap. Rods 85 down, barrel 45: the post wants 40.
  const key = 'support.height:together:link:0:prop';
  const at = (post: number) =>
    find('lift-bridge', key, set('rigs/lift-bridge/supports/prop/post', post))!;
  test('1.5 low with the foot 0.2 high: 1.3 apart, the lens is lifted off; set right they agree', () => {
    expect(at(38.5).state).toBe('fail');
    expect(at(38.5).margin!.value).toBeCloseTo(0.5 - 1.3, 6);
    expect(at(38.5).why).toMatch(/^The foot of Sluice PL to 20, drop-in stands 1\.3 mm higher/);
    expect(at(41.5).why).toMatch(/^The post of Prop tall stands 1\.7 mm higher/);
    expect(at(39.9).state).not.toBe('fail');
  });
  test('whether a tied foot stands over the plate is unknown without its place or its length', () => {
    for (const key of ['footAt', 'footLength', 'footDown'])
      expect(
        find('lift-bridge', 'support.foot:link:0', set(`kit/sluice-pl-20/${key}`, undefined))!
          .state,
      ).toBe('unknown');
  });
  test('two posts set by hand are held against each other too', () => {
    const second = set('rigs/lift-bridge/supports/second', {
      id: 'second',
      part: 'prop-low',
      station: 100,
      post: 36,
    });
    const v = on('lift-bridge', second).all.filter((x) =>
      /together:(prop:second|second:prop)/.test(x.key),
    );
    expect(v).toHaveLength(1);
  });
});

describe('loads that are none', () => {
  test('a light prime with a motor needs no support: what counts is what the ring takes', () => {
    const v = on('towpath-day').all.find((x) => x.id === 'support.need')!;
    expect(v.state).not.toBe('fail');
  });
  test('what a maker rates a handle for is read, and said when the rig weighs more', () => {
    const at = (grams: number) =>
      on(
        'towpath-vintage',
        set('rigs/towpath-vintage/fitted', [{ id: 'h', part: 'stirrup', on: 'top' }]),
        set('kit/stirrup/rating', exactly(grams)),
      ).all.filter((v) => v.id === 'joint.load-path' && /rates it for/.test(v.why));
    expect(at(500).map((v) => v.state)).toEqual(['tight']);
    expect(at(50_000).filter((v) => v.state !== 'ok')).toEqual([]);
  });
});

describe('pieces and limits', () => {
  test('one filter in two trays is one too many', () => {
    const v = on('anamorphic', set('rigs/anamorphic/box/trays/s2/filter', 'nd-6')).all.find(
      (x) => x.id === 'space.pieces',
    )!;
    expect(v.state).toBe('fail');
    expect(v.why).toContain('ND 0.6');
  });

  test('no stop is offered that the lens does not close to, no sensitivity that the body has not', () => {
    const bright = on(
      'towpath-day',
      set('rigs/towpath-day/light/ev', 17),
      set('kit/marl-50/smallestStop', exactly(16)),
      set('kit/body-a/isoFrom', 400),
    );
    const fixes = findings(bright.job, bright.rig)
      .filter((f) => f.id === 'front.exposure')
      .flatMap((f) => f.fixes);
    expect(fixes.length).toBeGreaterThan(0);
    for (const f of fixes) {
      const stop = /Work at T([\d.]+)/.exec(f.title);
      const iso = /Set ISO (\d+)/.exec(f.title);
      if (stop) expect(Number(stop[1])).toBeLessThanOrEqual(16);
      if (iso) expect(Number(iso[1])).toBeGreaterThanOrEqual(400);
    }
  });

  test('a range the wrong way round is refused where it is typed and turned where it is read', () => {
    const fields = FIELDS['lens-support'];
    expect(reversedRange(fields, { postFrom: 20 }, 'postTo', 10)).toMatch(/lies below/);
    expect(reversedRange(fields, { postTo: 10 }, 'postFrom', 20)).toMatch(/lies above/);
    expect(reversedRange(fields, { postFrom: 20 }, 'postTo', 20)).toBeNull();
    const plate = {
      id: 'p',
      kind: 'plate',
      name: 'P',
      heightFrom: 60,
      heightTo: 20,
    } as unknown as Part;
    const { part, turned } = turnRanges(plate);
    expect(part).toMatchObject({ heightFrom: 20, heightTo: 60 });
    expect(turned[0]).toMatch(/60 and .* 20 stood the wrong way round/);
    const support = {
      id: 's',
      kind: 'lens-support',
      name: 'S',
      postFrom: 1,
      postTo: 2,
    } as LensSupport;
    expect(turnRanges(support)).toEqual({ part: support, turned: [] });
  });

  test('a focus ring of which nobody said which way it turns is unknown, and asked for', () => {
    const v = find(
      'towpath-day',
      'drive.direction:focus',
      set('kit/marl-50/rings/focus/turnsBack', undefined),
    )!;
    expect(v.state).toBe('unknown');
    expect(v.measure[0]!.path.at(-1)).toBe('turnsBack');
  });
});

describe('fixes that are honest about what they need', () => {
  const fixesOf = (id: string, key: string, ...changes: Change[]) => {
    const { job: next, rig } = on(id, ...changes);
    return findings(next, rig).find((f) => f.key === key)!.fixes;
  };

  test('a reducer whose back focus nobody measured is offered to be measured first, not left out', () => {
    const fix = fixesOf(
      'tug-b',
      'mount.rear-depth:narrow-shallow',
      set('kit/narrow-deep/backFocus', undefined),
    ).find((f) => /Narrows 0\.71 for the Pocket/.test(f.title))!;
    expect(fix.cost).toMatch(/^Measure first: .*back focus/i);
  });

  test('only what slides is slid: plate, rods, box, what is clamped to rods', () => {
    let slides = 0;
    for (const rig of job.rigs)
      for (const fix of findings(job, rig).flatMap((f) => f.fixes)) {
        if (!/^Slide /.test(fix.title)) continue;
        slides++;
        const part = job.kit.find((p) => fix.title.startsWith(`Slide ${p.name} `))!;
        const clamped = (rig.fitted ?? []).some((u) => u.part === part.id && u.on === 'rods');
        expect([fix.title, clamped || ['plate', 'rods', 'matte-box'].includes(part.kind)]).toEqual([
          fix.title,
          true,
        ]);
      }
    expect(slides).toBeGreaterThan(1);
  });
});

describe('solids that are meant to be in each other', () => {
  const fouls = (id: string, name: RegExp, ...changes: Change[]) =>
    on(id, ...changes).all.filter(
      (v) => v.id === 'space.pair' && v.state === 'fail' && name.test(v.why),
    );

  test('rods through a battery plate, a dummy battery in its body, a screen that tilts on its handle', () => {
    expect(fouls('towpath-day', /Raft plate.*Lath|Lath.*Raft plate/)).toEqual([]);
    const dummy = set('rigs/tug-b/fitted/dummy', { id: 'dummy', part: 'dummy-b', on: 'rear' });
    expect(fouls('tug-b', /Dummy.*Pellin|Pellin.*Dummy/, dummy)).toEqual([]);
    const tilts = set('kit/pane-5/tilts', true);
    expect(fouls('tug-b', /Pane 5.*Stirrup|Stirrup.*Pane 5/, tilts)).toEqual([]);
  });
});

describe('trials', () => {
  test('a gear ring that was tried on its lens and did not fit outranks its numbers', () => {
    const ring = set('rigs/towpath-vintage/gears', [{ part: 'bight', turns: 'focus' }]);
    const at = (result: string) =>
      find(
        'towpath-vintage',
        'drive.ring-fit:focus',
        ring,
        set('trials', [{ id: 't', parts: ['bight', 'ostrel-58'], result }]),
      )!;
    expect(find('towpath-vintage', 'drive.ring-fit:focus', ring)!.state).toBe('ok');
    expect(at('does not fit').state).toBe('fail');
    expect(at('fits with force').state).toBe('tight');
    expect(at('does not fit').basis).toContain('[tried]');
  });
});
