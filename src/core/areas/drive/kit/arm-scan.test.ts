import { distance } from '../../../solids/distance';
import { box, turned, type Solid } from '../../../solids/solid';
import { outlinesOf, shapesOf } from '../place/shape';
import { reachArcs, scanArm, type ArmTask } from './arm-scan';
import { draws as random } from '../../../pupil/oracles';

/** A task, and the drive as solids: what the grid measures by. */
interface Tried extends ArmTask {
  solidsAt: (angle: number) => Solid[];
}

/** A drive on a rig with a lens, a ring in front, rods, a plate and some blocks around it. */
function task(rnd: () => number): Tried {
  const lens = 30 + rnd() * 25;
  const teeth = 30 + Math.floor(rnd() * 30);
  const centres = lens + 1 + teeth * 0.4;
  const side = rnd() < 0.5 ? 1 : -1;
  const from = 20 + rnd() * 30;
  const to = from + 10 + rnd() * 70;
  const px = side * 30;
  const py = -75 - rnd() * 40;
  const gearAt = 100;
  const shape = {
    px,
    py,
    centres,
    station: gearAt - rnd() * 30,
    gearAt,
    w: 16 + rnd() * 24,
    h: 30 + rnd() * 40,
    d: 30 + rnd() * 40,
    behind: 6 + rnd() * 4,
    armWidth: rnd() < 0.7 ? 12 : 0,
    clamp: 20,
    flipped: rnd() < 0.4,
    tips: teeth * 0.4 + 0.8,
    halfWidth: 4,
  };
  const rods: Solid[] = [turned(30, py, -100, 300, 7.5), turned(-30, py, -100, 300, 7.5)];
  const obstacles: { solid: Solid; gear: boolean }[] = [
    { solid: turned(0, 0, 40, 150, lens), gear: false },
    { solid: turned(0, 0, 150, 160, lens + rnd() * 14), gear: true },
    { solid: turned(0, 0, 40, 90, lens + rnd() * 6), gear: true },
    { solid: box([0, py, 0], [45, 14, 40]), gear: true },
  ];
  for (let i = 0; i < 3; i++)
    obstacles.push({
      solid: box(
        [(rnd() - 0.5) * 220, (rnd() - 0.5) * 220, 60 + rnd() * 80],
        [5 + rnd() * 25, 5 + rnd() * 25, 5 + rnd() * 30],
      ),
      gear: true,
    });
  return {
    px,
    py,
    centres,
    from,
    to,
    pinned: null,
    prefer: side > 0 ? 0 : Math.PI,
    enough: 2,
    outlinesAt: (angle) => outlinesOf({ ...shape, angle }, []),
    solidsAt: (angle) => shapesOf({ ...shape, angle }),
    obstacles: obstacles.map((o) => ({ ...o, loose: 0 })),
    loose: 0,
    rods,
  };
}

/** Air around the drive at an angle, straight from the solids. */
function air(t: Tried, angle: number): number {
  let least = 50;
  t.solidsAt(angle).forEach((s, k) => {
    for (const o of t.obstacles)
      if (k !== 1 || o.gear) least = Math.min(least, distance(s, o.solid));
    if (k < 2) for (const r of t.rods) least = Math.min(least, distance(s, r));
  });
  return least;
}

function reaches(t: ArmTask, angle: number): boolean {
  const d = Math.hypot(t.centres * Math.cos(angle) - t.px, t.centres * Math.sin(angle) - t.py);
  return d >= t.from - 1e-9 && d <= t.to + 1e-9;
}

describe('where a drive can stand', () => {
  test('against an exhaustive grid on 500 random rigs', () => {
    const rnd = random(21);
    const STEP = Math.PI / 360;
    let clear = 0;
    let fouled = 0;
    let nowhere = 0;
    for (let i = 0; i < 500; i++) {
      const t = task(rnd);
      const found = scanArm(t);
      let best = -Infinity;
      let any = false;
      for (let k = 0; k < 720; k++) {
        const a = k * STEP;
        if (!reaches(t, a)) continue;
        any = true;
        best = Math.max(best, Math.min(air(t, a), t.enough));
      }
      // What one step of the grid can move the farthest corner of the drive.
      const slack = STEP * (t.centres + 80);
      if (found.angle === null) {
        nowhere++;
        expect(any).toBe(false);
        continue;
      }
      // What is claimed holds when it is looked at straight.
      expect(reaches(t, found.angle)).toBe(true);
      expect(air(t, found.angle)).toBeCloseTo(found.clearance, 6);
      // Nothing that the grid finds is missed by more than a step of it.
      expect(Math.min(found.clearance, t.enough)).toBeGreaterThanOrEqual(best - slack - 1e-6);
      if (found.clearance >= 0) clear++;
      else {
        fouled++;
        expect(best).toBeLessThan(slack);
      }
    }
    expect(clear).toBeGreaterThan(100);
    expect(fouled).toBeGreaterThan(50);
    expect(nowhere).toBeGreaterThan(5);
  }, 60_000);

  test('the arcs are exactly where the arm reaches the mesh circle', () => {
    const rnd = random(22);
    for (let i = 0; i < 300; i++) {
      const t = task(rnd);
      const arcs = reachArcs(t.px, t.py, t.centres, t.from, t.to);
      for (let k = 0; k < 360; k++) {
        const a = (k / 360) * 2 * Math.PI + 0.003;
        const on = arcs.some((arc) =>
          [-2, 0, 2].some((n) => a + n * Math.PI >= arc.from && a + n * Math.PI <= arc.to),
        );
        expect(on).toBe(reaches(t, a));
      }
    }
  });

  test('a pinned angle stays, and says what it fouls', () => {
    const t = { ...task(random(23)), pinned: 0.4 };
    const s = scanArm(t);
    expect(s.angle).toBe(0.4);
    expect(s.clearance).toBeCloseTo(air(t, 0.4), 9);
  });
});
