import { build } from '../../../build/build';
import { frontOf, lensSeat } from '../place/front';
import { checkRig } from '../../checks';
import type { Aperture } from '../../../pupil/aperture';
import type { Job, LightUse, Rig, Side } from '../../../kit/types';
import { findings } from '../../../solve/fixes';
import { withChanges } from '../../../edit/edit';
import { demo } from '../../../test-kit';
import { shadeFrom } from './shade';

const job = demo();
const lit = (light: LightUse, id = 'anamorphic'): [Job, Rig] => {
  const next = { ...job, rigs: job.rigs.map((r) => (r.id === id ? { ...r, light } : r)) };
  return [next, next.rigs.find((r) => r.id === id)!];
};
const of = ([j, r]: [Job, Rig]) => checkRig(j, r).find((v) => v.key === 'front.flag:light');

/** Whether a point lies in an opening. */
function open(ap: Aperture, x: number, y: number): boolean {
  if (ap.kind === 'circle') return Math.hypot(x - ap.cx, y - ap.cy) <= ap.r;
  if (ap.kind === 'edge') return ap.nx * x + ap.ny * y <= ap.d;
  return Math.abs(x - ap.cx) <= ap.hw && Math.abs(y - ap.cy) <= ap.hh;
}

describe('light from one side', () => {
  test.each<[string, Side]>([
    ['anamorphic', 'top'],
    ['anamorphic', 'left'],
    ['lift-bridge', 'top'],
    ['lift-bridge', 'bottom'],
    ['tug-b', 'right'],
  ])(
    'rays traced onto the glass of %s from %s: shade begins where the last one is lost',
    (id, side) => {
      const built = build(
        job,
        job.rigs.find((r) => r.id === id)!,
      );
      const shade = shadeFrom(built, side)!;
      const begins = shade.angle(shade.inputs.map((g) => g.known!.value));
      const front = frontOf(built);
      const x = front.inputs.map((g) => g.known!.value);
      const rim = lensSeat(built)! + (built.lens!.length as { value: number }).value;
      const stage = [...(front.box?.stages ?? [])].reverse().find((s) => s.filter && !s.out);
      const screwed = front.thread[front.thread.length - 1];
      const key = stage ? `stage:${stage.stage.id}` : screwed ? `thread:${screwed.index}` : 'rim';
      const at = front.edges.findIndex((e) => e.key === key);
      const glass = front.edges[at]!.at(x, rim);
      const ahead = front.edges.slice(at + 1).map((e) => e.at(x, rim));
      const [nx, ny] = { top: [0, 1], bottom: [0, -1], left: [-1, 0], right: [1, 0] }[side] as [
        number,
        number,
      ];
      const half =
        glass.kind === 'circle'
          ? glass.r
          : glass.kind === 'rectangle'
            ? nx
              ? glass.hw
              : glass.hh
            : 0;
      const middle = glass.kind === 'edge' ? 0 : nx ? glass.cx : glass.cy;
      const struck = (deg: number) => {
        const t = Math.tan((deg * Math.PI) / 180);
        return Array.from(
          { length: 400 },
          (_, i) => middle + half * ((2 * (i + 0.5)) / 400 - 1),
        ).some((v) =>
          ahead.every((ap) => {
            const by = (ap.z - glass.z) * t;
            return open(ap, (nx ? v : 0) + nx * by, (nx ? 0 : v) + ny * by);
          }),
        );
      };
      // Between the highest ray that strikes and the lowest that does not.
      let [lo, hi] = [0, 89.9];
      for (let k = 0; k < 40; k++) {
        const mid = (lo + hi) / 2;
        if (struck(mid)) lo = mid;
        else hi = mid;
      }
      expect(Math.abs(Math.min(begins, 89.9) - lo)).toBeLessThan(0.2);
    },
  );

  test('higher than the shade begins it is off the glass, lower it strikes; flare turns that round', () => {
    expect(of(lit({ from: 'top', at: 80 }))!.state).toBe('ok');
    expect(of(lit({ from: 'top', at: 20 }))!.state).toBe('tight');
    expect(of(lit({ from: 'top', at: 80, flare: true }))!.state).toBe('tight');
    expect(of(lit({ from: 'top', at: 20, flare: true }))!.state).toBe('ok');
    expect(of(lit({ from: 'top' }))!.state).toBe('unknown');
    expect(of(lit({}))).toBeUndefined();
  });

  test('where the lens ends beside a box that was set by hand has to be known, and the height of the rods', () => {
    const at = (path: string[], value?: unknown) => {
      const [j, r] = lit({ from: 'top', at: 80 }, 'lift-bridge');
      const next = withChanges(j, [
        { path: ['rigs', r.id, 'box', 'trays'], value: [] },
        { path, value },
      ]);
      return of([next, next.rigs.find((x) => x.id === r.id)!])!.state;
    };
    expect(at(['rigs', 'lift-bridge', 'stop'], 4)).toBe('ok');
    expect(at(['kit', 'sluice-pl-20', 'length'])).toBe('unknown');
    expect(at(['rigs', 'lift-bridge', 'body'], null)).toBe('unknown');
    expect(at(['kit', 'cill-plate', 'topToRods'])).toBe('tight');
  });

  test('nothing ahead of the glass keeps nothing off; a flag further down does', () => {
    expect(of(lit({ from: 'bottom', at: 70 }, 'wheelhouse-a'))!.state).toBe('tight');
    const [j, r] = lit({ from: 'top', at: 45 }, 'lift-bridge');
    const f = findings(j, r).find((v) => v.key === 'front.flag:light')!;
    expect(f.state).toBe('tight');
    const next = withChanges(j, f.fixes[0]!.change);
    expect(of([next, next.rigs.find((x) => x.id === r.id)!])!.state).toBe('ok');
  });
});
