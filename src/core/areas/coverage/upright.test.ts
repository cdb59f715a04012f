import { build, shared } from '../../build/build';
import { check } from '../checks';
import { frameOnChip } from '../../optics/coverage';
import { acrossOf, fieldOff, horizontalField } from './model/field';
import { spaceEnvelope } from '../space/checks/envelope';
import { supportNeed } from '../support/checks/need';
import { configurationTable } from '../../set/configurations';
import { elevation } from '../../drawing/elevation';
import { readings } from '../../readings/readings';
import { fixesFor } from '../../solve/fixes';
import type { Frame, Job, LensSupport, Rig } from '../../kit/types';
import { demo, exactly, testBody, testJob, testLens } from '../../test-kit';

const tall: Frame = { id: 't', name: '9:16', aspect: 9 / 16, deliver: { w: 1080, h: 1920 } };

/** A 36 x 24 chip and a 50 mm lens, framed for an upright picture. */
function camera(upright: Rig['upright'], squeeze?: number) {
  const job = testJob();
  const kit = [testBody(), testLens(squeeze === undefined ? {} : { squeeze: exactly(squeeze) })];
  const rig: Rig = {
    ...job.rigs[0]!,
    body: 'body',
    mode: 'm',
    lens: 'lens',
    between: [],
    frames: [tall],
    upright,
  };
  const next: Job = { ...job, kit, rigs: [rig] };
  return build(next, rig, shared(next));
}
const onChip = (upright: Rig['upright'], squeeze = 1) =>
  frameOnChip(camera(upright, squeeze).frames[0]!, { w: 36, h: 24 }, squeeze);

describe('a camera turned on its side', () => {
  test('an upright frame takes the chip lengthwise: 36 x 20.25 in place of 13.5 x 24', () => {
    // By hand: 24 x 9/16 = 13.5 wide on the level chip; 36 x 9/16 = 20.25 across the upright one.
    expect(onChip(undefined)).toMatchObject({ w: 13.5, h: 24 });
    for (const side of ['left', 'right'] as const)
      expect(onChip(side)).toMatchObject({ w: 36, h: 20.25 });
    // 2 x along the chip: the picture is 72 long by 24, a 16:9 of it is 24 x 16/9 = 42.67 long, 21.33 of chip.
    expect(onChip('left', 2).w).toBeCloseTo(64 / 3, 9);
    expect(onChip('left', 2).h).toBe(24);
  });

  test('the field across is that of the short side, up and down that of the long one', () => {
    // 2 atan(d / 2f) with f = 50.
    const deg = (d: number) => (2 * Math.atan(d / 100) * 180) / Math.PI;
    expect(horizontalField(camera(undefined))).toBeCloseTo(deg(36), 9);
    expect(horizontalField(camera('left'))).toBeCloseTo(deg(24), 9);
    const of = (id: string) => readings(camera('right')).find((r) => r.id === id)!.value;
    expect(of('field.h')).toBeCloseTo(deg(24), 6);
    expect(of('field.v')).toBeCloseTo(deg(36), 6);
    expect(of('field.frame:t')).toBeCloseTo(deg(20.25), 6);
  });

  test('a lens is as far off a wanted field as it is seen: the one that is on not at all', () => {
    for (const side of [undefined, 'left'] as const) {
      const built = camera(side);
      const want = horizontalField(built)!;
      const off = (focal: number) =>
        fieldOff(testLens({ focal: exactly(focal) }), acrossOf(built)!, 1, want);
      expect(off(50)).toBeCloseTo(0, 9);
      expect(off(40)).toBeGreaterThan(1);
      expect(off(60)).toBeGreaterThan(1);
    }
  });

  test('pixels are those along the chip: 1920 of 6000, not of 4000', () => {
    const said = (upright: Rig['upright']) =>
      check(camera(upright)).find((v) => v.id === 'coverage.pixels')!.margin!.value;
    expect(said('left')).toBeGreaterThan(said(undefined));
    // 6000 along and 6000 x 9/16 across; said as the picture stands.
    const why = check(camera('left')).find((v) => v.id === 'coverage.pixels')!.why;
    expect(why).toContain('holds 3375 x 6000 px: enough for 1080 x 1920');
  });

  test('another aspect or a smaller frame is written as it is delivered', () => {
    const job = demo();
    const rig = { ...job.rigs.find((r) => r.id === 'tug-b')!, upright: 'left' as const };
    const next = { ...job, rigs: [rig] };
    const built = build(next, rig, shared(next));
    for (const v of check(built).filter((x) => x.id === 'coverage.frame' && x.frame === 'vertical'))
      for (const f of fixesFor(built, v, shared(next)))
        for (const c of f.change.filter((x) => x.path[2] === 'frames')) {
          const a = (c.value as { aspect?: number } | undefined)?.aspect;
          expect(a === undefined || a < 1).toBe(true);
        }
    expect(built.frames.find((f) => f.id === 'vertical')!.aspect).toBeCloseTo(16 / 9, 9);
    expect(built.frames.find((f) => f.id === 'vertical')!.deliver).toEqual({ w: 1920, h: 1080 });
  });
});

describe('what hangs and stands by it', () => {
  const job = demo();
  const of = (id: string, more: Partial<Rig>, kit = job.kit) => {
    const rig = { ...job.rigs.find((r) => r.id === id)!, ...more };
    const next = { ...job, kit, rigs: [rig] };
    return build(next, rig, shared(next));
  };

  test('its width is how tall it stands, against the limits and in the table', () => {
    const limits = { name: 'hatch', height: 400, width: 400 };
    const sizes = (upright: Rig['upright']) =>
      Object.fromEntries(
        spaceEnvelope
          .run(of('lockside-b', { limits, upright }))
          .map((v) => [v.key.split(':')[1], v.margin!.value]),
      );
    const [level, on] = [sizes(undefined), sizes('left')];
    expect(on.height).toBeCloseTo(level.width!, 9);
    expect(on.width).toBeCloseTo(level.height!, 9);
    expect(on.height).not.toBeCloseTo(level.height!, 0);
    const size = (upright: Rig['upright']) => {
      const b = of('lockside-b', { upright });
      return configurationTable(b.job, [b.rig]).columns[0]!.size!;
    };
    const [w, h, l] = size(undefined);
    expect(size('right')).toEqual([h, w, l]);
  });

  test('a cradle does not hold a lens that lies beside it; one that closes around it does', () => {
    const need = (upright: Rig['upright'], around?: boolean) =>
      supportNeed.run(
        of(
          'lift-bridge',
          { upright },
          job.kit.map((p) => (p.kind === 'lens-support' ? ({ ...p, around } as LensSupport) : p)),
        ),
      )[0]!;
    const level = need(undefined);
    expect(level.why).toMatch(/is held up by/);
    expect(level.state).toBe('ok');
    for (const side of ['left', 'right'] as const) {
      expect(need(side).state).not.toBe('ok');
      expect(need(side).why).toMatch(/only where it closes around the barrel/);
      expect(need(side, false).state).not.toBe('ok');
      expect(need(side, true).state).toBe('ok');
    }
  });

  test('the drawings say that they are of the camera, and which side is on top', () => {
    expect(elevation(of('lockside-b', {}), 'front').name).toBe('front, from the subject');
    expect(elevation(of('lockside-b', { upright: 'left' }), 'front').name).toBe(
      'front, from the subject; camera left is on top',
    );
  });
});
