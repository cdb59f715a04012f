import fc from 'fast-check';
import { build } from '../build/build';
import { standOf } from '../stand/stand';
import { judgedFrames } from '../areas/front/model/judged';
import { lookAt, nominal } from '../areas/front/model/looks';
import { sights } from '../areas/front/model/sight';
import { situations } from '../areas/front/model/situations';
import type { Job, Lens, Riser, Rig } from '../kit/types';
import { inside } from '../solids/oracles';
import { stacksOf } from '../areas/rods/fixes/risers';
import { withChanges } from '../edit/edit';
import { draws } from '../pupil/oracles';
import { demoStandings } from '../properties/rigs';
import { demo, exactly } from '../test-kit';
import { CHECKS, checkRig } from '../areas/checks';

/** Verdicts held against a second way to the same answer: rays, exhaustive search, sums by hand. */

const job = demo();
const rigOf = (j: Job, id: string): Rig => j.rigs.find((r) => r.id === id)!;
const changed = (id: string, ...changes: [string[], unknown][]): [Job, Rig] => {
  const next = withChanges(
    job,
    changes.map(([path, value]) => ({ path, value })),
  );
  return [next, rigOf(next, id)];
};
const find = ([j, r]: [Job, Rig], key: string) => checkRig(j, r).find((v) => v.key === key);

test('every check there is has something to say about the demo', () => {
  const standings = [...job.rigs.map((rig) => ({ job, rig })), ...demoStandings.map(([, s]) => s)];
  const said = new Set(standings.flatMap((s) => checkRig(s.job, s.rig).map((v) => v.id)));
  expect(CHECKS.map((c) => c.id).filter((id) => !said.has(id))).toEqual([]);
});

describe('parts in the picture, against rays from the pupil', () => {
  /** Whether a ray of a frame, from the middle of the pupil, meets a solid that is no glass. */
  function seenByRays([j, r]: [Job, Rig], rays: number): Set<string> {
    const built = build(j, r);
    const stand = standOf(built);
    const next = draws(5);
    const own = stand.solids.filter(
      (s) =>
        s.known &&
        s.role !== 'rod' &&
        s.role !== 'sweep' &&
        !/^(lens|box|swing|screen)$|^(thread|gear|link):/.test(s.piece),
    );
    const hit = new Set<string>();
    const read = (g: { known: { value: number } | null }) => g.known?.value ?? 0;
    for (const sight of sights(built))
      for (const frame of judgedFrames(built)) {
        const c = sight.corners(read, frame);
        const from = Math.max(...c.map((t) => sight.pupil(read, t)));
        for (let k = 0; k < rays; k++) {
          const [a, b] = [next(), next()];
          // Anywhere in the picture, its very corners among them.
          const tx = c[0]!.tx + (c[1]!.tx - c[0]!.tx) * (k % 4 === 0 ? Math.round(a) : a);
          const ty = c[0]!.ty + (c[2]!.ty - c[0]!.ty) * (k % 4 === 0 ? Math.round(b) : b);
          for (const s of own) {
            if (hit.has(s.piece)) continue;
            const [z0, z1] = [Math.max(from, s.extent[2]), s.extent[5]];
            for (let i = 0; i <= 12 && z0 <= z1; i++) {
              const z = z0 + ((z1 - z0) * i) / 12;
              if (inside(s.solid, [tx * (z - from), ty * (z - from), z])) hit.add(s.piece);
            }
          }
        }
      }
    return hit;
  }

  test('a monitor pushed ahead of the lens: in the picture for the check where rays meet it', () => {
    let met = 0;
    for (const z of [0, 60, 120, 180, 240])
      for (const y of [-60, -30, 0, 30]) {
        const one = changed(
          'tug-b',
          [['rigs', 'tug-b', 'fitted', 'monitor', 'z'], z],
          [['rigs', 'tug-b', 'fitted', 'monitor', 'y'], y - 90],
        );
        const hit = seenByRays(one, 400);
        const verdicts = checkRig(...one).filter((v) => v.id === 'sight.view');
        for (const piece of hit) {
          met++;
          const v = verdicts.find((x) => x.key === `sight.view:${piece}`);
          // What a ray meets is never ok; outside every frame but on the chip it is tight.
          expect(v && ['fail', 'tight']).toContain(v?.state);
        }
        for (const v of verdicts)
          if (v.state === 'fail') expect(hit).toContain(v.key.slice('sight.view:'.length));
      }
    expect(met).toBeGreaterThan(3);
  });

  test('air beside the picture is a rule, and what was seen is not ok under a looser one', () => {
    const near = [['rigs', 'tug-b', 'fitted', 'monitor', 'z'], 120] as [string[], unknown];
    const states = ['strict', 'house', 'light'].map((set) => {
      const [j, r] = changed('tug-b', near, [['rules'], { set }]);
      return checkRig(j, r).filter((v) => v.id === 'sight.view' && v.state === 'ok').length;
    });
    expect([...states]).toEqual([...states].sort((a, b) => a - b));
  });
});

describe('stacks of risers, against all of them', () => {
  const riser = (id: string, thickness: number, count: number): Riser => ({
    id,
    kind: 'riser',
    name: id,
    thickness: exactly(thickness),
    count,
  });

  test('up to three pieces: none left out, none twice, fewest first and then the thinnest', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ t: fc.integer({ min: 1, max: 9 }), n: fc.integer({ min: 0, max: 3 }) }),
          {
            maxLength: 4,
          },
        ),
        (kinds) => {
          const kit = kinds.map(({ t, n }, i) => riser(`r${i}`, t, n));
          // By counting: every way to take 0 to 3 pieces, none more often than it is there.
          const want = new Set<string>();
          const most = kit.map((r) => Math.max(1, r.count ?? 1));
          const walk = (i: number, taken: number[]) => {
            if (taken.reduce((a, b) => a + b, 0) > 3) return;
            if (i === kit.length) {
              want.add(taken.join());
              return;
            }
            for (let n = 0; n <= most[i]!; n++) walk(i + 1, [...taken, n]);
          };
          walk(0, []);
          const got = stacksOf(kit).map((s) => ({
            as: kit.map((r) => s.risers.filter((x) => x === r).length).join(),
            n: s.risers.length,
            thick: s.thick,
          }));
          expect(new Set(got.map((g) => g.as))).toEqual(want);
          expect(got).toHaveLength(want.size);
          got.slice(1).forEach((g, i) => {
            const before = got[i]!;
            expect(before.n < g.n || (before.n === g.n && before.thick <= g.thick)).toBe(true);
          });
        },
      ),
    );
  });
});

describe('a pupil that comes forward for the corner', () => {
  // 18 mm behind 0.71 on 18.96 wide, T11, a ring of 72 clear. Handbook table of shading: black when
  // it stays, 1.24 stops when it comes 2 mm, 0.09 when it comes 3.
  test.each([
    [0, Infinity],
    [2, 1.24],
    [3, 0.09],
  ])('%d mm', (walk, stops) => {
    const corner = Math.hypot(18.96 / 2, 18.96 / 2.39 / 2) / (18 * 0.71);
    const [j, r] = changed('tug-b', [
      ['kit', 'sedge-18-35', 'pupil', '0'],
      {
        focal: 18,
        behind: exactly(36),
        walk: exactly(walk),
        walkAngle: (Math.atan(corner) * 180) / Math.PI,
      },
    ]);
    const built = build(j, r);
    const deep = situations(built).find((s) => s.label === '18 mm, T11, infinity')!;
    const frame = judgedFrames(built).find((x) => x.name === '2.39')!;
    const look = lookAt(deep, frame, nominal(deep)!);
    if (stops === Infinity) expect(look.hard).toBe(true);
    else expect(look.loss).toBeCloseTo(stops, 1);
  });

  test('without a measured walk nothing is called black, even at best, that 3 mm would clear', () => {
    const lens = job.kit.find((p) => p.id === 'sedge-18-35') as Lens;
    const rows = lens.pupil!.map((p) => ({ focal: p.focal, behind: p.behind }));
    const [j, r] = changed('tug-b', [['kit', 'sedge-18-35', 'pupil'], rows]);
    const v = checkRig(j, r).find((x) => x.id === 'front.vignette' && x.frame === 'f239')!;
    expect(v.why).not.toMatch(/even at best/);
  });
});

describe('gears, supply, air', () => {
  test('a strap goes round only with the teeth its barrel asks for: (d + 2 h) / 0.8', () => {
    const lens = job.kit.find((p) => p.id === 'ostrel-58') as Lens;
    const d = (lens.rings![0]!.diameter as { value: number }).value;
    const need = (d + 2 * 2.5) / 0.8;
    const at = (teeth: number) =>
      find(
        changed(
          'towpath-vintage',
          [['rigs', 'towpath-vintage', 'gears'], [{ part: 'bight', turns: 'focus' }]],
          [['kit', 'bight', 'teeth'], teeth],
          [['kit', 'bight', 'strapHeight'], exactly(2.5)],
        ),
        'drive.ring-fit:focus:around',
      )!;
    expect(at(Math.ceil(need) + 2).state).toBe('ok');
    expect(at(Math.floor(need) - 2).state).toBe('fail');
    expect(at(Math.floor(need) - 2).why).toMatch(/it is too short/);
  });

  test('volts above what a motor takes fail, as those below do', () => {
    const at = (volts: number) =>
      find(
        changed('towpath-day', [
          ['kit', 'raft', 'outlets', 'v14', 'volts'],
          { value: volts, tol: 0.5, from: 'sheet' },
        ]),
        'drive.torque:focus',
      )!;
    expect(at(14).state).toBe('ok');
    expect(at(24).state).toBe('fail');
    expect(at(24).why).toMatch(/18/);
    expect(at(3).state).toBe('fail');
  });

  test('parts 12 to 30 mm apart are too near under a rule of 30', () => {
    const at = (air: number) => {
      const [j, r] = changed(
        'lift-bridge',
        [['rules'], { set: 'house', values: { 'space.air': air } }],
        [['rigs', 'lift-bridge', 'fitted', 'unit', 'z'], 50],
        [['rigs', 'lift-bridge', 'drives', 'focus', 'angle'], -30],
      );
      const radio = checkRig(j, r).find((v) => v.id === 'drive.interference')!;
      // How far they are apart is said by another check too: its limit is 50 mm.
      const apart = 50 + radio.margin!.value;
      expect(apart).toBeGreaterThan(12);
      expect(apart).toBeLessThan(30);
      return checkRig(j, r).filter(
        (v) => v.id === 'space.pair' && /Tiller/.test(v.why) && /Ratchet/.test(v.why),
      );
    };
    expect(at(2).filter((v) => v.state !== 'ok')).toEqual([]);
    expect(at(30).some((v) => v.state === 'tight' || v.state === 'fail')).toBe(true);
  });

  test('a rear plate let into the body, and a cage that is too narrow for it, are fouls', () => {
    const into = changed('towpath-day', [
      ['rigs', 'towpath-day', 'fitted', 'plate', 'station'],
      -50,
    ]);
    const foul = checkRig(...into).filter((v) => v.id === 'space.pair' && v.state === 'fail');
    expect(foul.some((v) => /Raft plate/.test(v.why) && /Orrin Box/.test(v.why))).toBe(true);
    const narrow = changed('tug-b', [['kit', 'lattice', 'innerWidth'], exactly(80)]);
    expect(
      checkRig(...narrow).some(
        (v) => v.id === 'space.pair' && v.state === 'fail' && /Lattice/.test(v.why),
      ),
    ).toBe(true);
  });
});
