import { check } from '../checks';
import { applyEdit } from '../../edit/edit';
import { build, shared } from '../../build/build';
import { rigDocOf } from '../../doc/write-rig';
import { rigOf } from '../../doc/read-rig';
import { standOf } from '../../stand/stand';
import { fixesFor } from '../../solve/fixes';
import { loadPath } from '../joints/model/load-path';
import { takeFitted } from '../space/moves/fitted';
import type { Change, DriveUse, FittedUse, Job } from '../../kit/types';
import { demo } from '../../test-kit';

/**
 * A rod that a clamp of the rig holds, and what is clamped to it. The rig is that of the demo with a
 * clamp on the rail of its cage, a rod in that and the motor on the rod, far from the plate.
 */

const RIG = 'lockside-b';
const base = demo();
const sized = (value: number, tol = 0) => ({ value, tol, from: 'measured' as const });

const put = (list: 'fitted' | 'drives', use: FittedUse | DriveUse): Change => ({
  path: ['rigs', RIG, list, use.id],
  value: use,
});
const clamp: FittedUse = {
  id: 'holder',
  part: 'yoke-15',
  to: 'cage',
  on: 'right',
  at: 'right-rail',
  by: 'rail-jaw',
};
const rod: FittedUse = {
  id: 'bar',
  part: 'batten-200',
  to: 'holder',
  on: 'right',
  at: 'bore',
  by: 'rod',
  slide: 60,
};
const motor: DriveUse = { id: 'motor', part: 'ratchet', turns: 'focus', on: 'bar' };
const all = (r = rod, d = motor, c = clamp): Change[] => [
  { path: ['rigs', RIG, 'drives', 'focus'], value: undefined },
  { path: ['rigs', RIG, 'fitted', 'grip'], value: undefined },
  put('fitted', c),
  put('fitted', r),
  put('drives', d),
];
const part = (id: string, key: string, value: unknown): Change => ({
  path: ['kit', id, key],
  value,
});

function on(changes: Change[]) {
  const job: Job = applyEdit(base, { title: 'x', changes }).doc;
  const rig = job.rigs.find((r) => r.id === RIG)!;
  const built = build(job, rig, shared(job));
  return { job, rig, built, stand: standOf(built), said: check(built) };
}

const state = (changes: Change[], key: string) =>
  on(changes).said.find((v) => v.key === key)?.state ?? 'nothing said';

describe('where it stands', () => {
  test('its middle line lies in the bore: wall, jaw and bore by hand', () => {
    const { stand, built } = on(all());
    const [bar] = stand.single;
    // Body 128 wide, walls 5: 69 to the side of the cage; the clamp is 26 wide, its bore 11 in.
    const body = built.body!;
    const cage = stand.pieces.find((p) => p.key === 'fitted:cage')!.faces!;
    expect(stand.value(bar!.x)).toBeCloseTo(stand.value(cage.x1) + 26 - 11, 9);
    // The rail is 34 over the middle of that side.
    const middle = (stand.value(cage.y0) + stand.value(cage.y1)) / 2;
    expect(stand.value(bar!.y)).toBeCloseTo(middle + 34, 9);
    expect(stand.value(bar!.to) - stand.value(bar!.from)).toBeCloseTo(200, 9);
    const along = (stand.value(cage.z0) + stand.value(cage.z1)) / 2 + 60;
    expect((stand.value(bar!.to) + stand.value(bar!.from)) / 2).toBeCloseTo(along, 9);
    expect(body.width).toBeDefined();
  });

  test('the motor hangs on it: its pivot is the middle line, its clamp closes around it', () => {
    const { stand } = on(all());
    const [bar] = stand.single;
    const d = stand.drives.find((x) => x.use.id === 'motor')!;
    expect(d.side).toBe('right');
    expect(stand.value(d.pivot.x)).toBeCloseTo(stand.value(bar!.x), 9);
    expect(stand.value(d.pivot.y)).toBeCloseTo(stand.value(bar!.y), 9);
    const grip = stand.solids.find((s) => s.piece === d.key && s.role === 'clamp')!;
    expect((grip.extent[0] + grip.extent[3]) / 2).toBeCloseTo(stand.value(bar!.x), 6);
    // On the other side of the cage it is found at the other side of the lens.
    const left = on(
      all({ ...rod, at: 'bore' }, motor, { ...clamp, at: 'left-rail', on: 'left' }),
    ).stand;
    expect(left.value(left.single[0]!.x)).toBeLessThan(0);
    expect(left.drives.find((x) => x.use.id === 'motor')!.side).toBe('left');
  });

  test('how loose it is held counts: the reach of the motor rests on bore, jaw and cage', () => {
    const { stand, said } = on([
      ...all(),
      { path: ['kit', 'yoke-15', 'interfaces', 'bore', 'inside'], value: sized(11, 4) },
    ]);
    const d = stand.drives.find((x) => x.use.id === 'motor')!;
    const tight = on(all()).said.find((v) => v.key === 'drive.reach:motor')!;
    const loose = said.find((v) => v.key === 'drive.reach:motor')!;
    expect(loose.margin!.hi - loose.margin!.lo).toBeGreaterThan(
      tight.margin!.hi - tight.margin!.lo,
    );
    expect(d.pivot.x).toBeDefined();
  });

  test('what is clamped to it swings about it', () => {
    const at = (turn: number) => {
      const { stand } = on([
        ...all(),
        put('fitted', {
          id: 'second',
          part: 'yoke-15',
          to: 'bar',
          on: 'top',
          at: 'rod',
          by: 'bore',
          turn,
          slide: -80,
        } as FittedUse),
      ]);
      const f = stand.pieces.find((p) => p.key === 'fitted:second')!.faces!;
      const [bar] = stand.single;
      const [x, y] = [
        (stand.value(f.x0) + stand.value(f.x1)) / 2 - stand.value(bar!.x),
        (stand.value(f.y0) + stand.value(f.y1)) / 2 - stand.value(bar!.y),
      ];
      return [Math.hypot(x, y), (Math.atan2(y, x) * 180) / Math.PI] as const;
    };
    // Its bore is 2 mm off its middle: that goes round the rod.
    expect(at(0)[0]).toBeCloseTo(2, 9);
    expect(at(90)[0]).toBeCloseTo(2, 9);
    expect(Math.cos(((at(90)[1] - at(0)[1]) * Math.PI) / 180)).toBeCloseTo(0, 9);
  });
});

describe('what is said of it', () => {
  const HELD = 'rods.single:drive:motor';

  test('the rod goes through the clamp of the motor; one that ends short of it does not', () => {
    expect(state(all(), HELD)).toBe('ok');
    const { stand } = on(all());
    const d = stand.clamped.find((c) => c.key === 'drive:motor')!;
    const tip = stand.value(stand.single[0]!.to);
    // Slid back until the tip is level with the rear of the clamp, less the grip of the house (5 mm).
    const by = (left: number) => tip - stand.value(d.from) - left;
    const slid = (left: number) => all({ ...rod, slide: 60 - by(left) });
    expect(state(slid(-1), HELD)).toBe('fail');
    expect(state(slid(1), HELD)).toBe('fail');
    expect(state(slid(9), HELD)).toBe('tight');
  });

  test('a longer rod, or this one slid, is the cure, and it holds', () => {
    const { job, rig, built, said } = on(all({ ...rod, part: 'batten-120', slide: 20 }));
    const v = said.find((x) => x.key === HELD)!;
    expect(v.state).toBe('fail');
    const fixes = fixesFor(built, v, shared(job));
    expect(fixes.map((f) => f.title)).toContain('Use Batten 200 instead');
    for (const f of fixes) {
      const then = applyEdit(job, { title: f.title, changes: f.change }).doc;
      const after = check(
        build(
          then,
          then.rigs.find((r) => r.id === rig.id)!,
          shared(then),
        ),
      );
      expect(after.find((x) => x.key === HELD)?.state ?? 'ok').not.toBe('fail');
    }
  });

  test('made for another diameter: 19 does not go on 15, a tenth more does, two may not', () => {
    const fits = `${HELD}:fits`;
    expect(state([...all(), part('ratchet', 'rods', 'st19')], fits)).toBe('fail');
    expect(state([...all(), part('batten-200', 'width', sized(15.1))], fits)).toBe('ok');
    expect(state([...all(), part('batten-200', 'width', sized(15.2))], fits)).toBe('fail');
    expect(state([...all(), part('batten-200', 'width', sized(15.1, 0.1))], fits)).toBe('tight');
    expect(state([...all(), part('ratchet', 'rods', undefined)], fits)).toBe('unknown');
  });

  test('a rod across the lens takes no motor', () => {
    const across: Change = { path: ['kit', 'yoke-15', 'interfaces', 'bore', 'along'], value: 'y' };
    const { stand, said } = on([...all({ ...rod, slide: 0 }), across]);
    expect(stand.single[0]!.along).toBe(false);
    expect(said.find((v) => v.key === HELD)?.state).toBe('fail');
    expect(said.find((v) => v.key === 'drive.reach:motor')?.state).not.toBe('ok');
  });

  test.each([
    [
      'how deep the bore is',
      { path: ['kit', 'yoke-15', 'interfaces', 'bore', 'inside'], value: undefined },
    ],
    ['how wide the clamp is', part('yoke-15', 'width', undefined)],
    ['how long the rod is', part('batten-200', 'depth', undefined)],
  ] as const)('%s missing: nothing that rests on it is ok', (_, gone) => {
    const { said } = on([...all(), gone as Change]);
    const held = said.filter((v) => v.key === HELD || v.key === 'drive.reach:motor');
    const expected = (gone as Change).path.includes('depth') ? [HELD] : [HELD, 'drive.reach:motor'];
    for (const key of expected) expect(held.find((v) => v.key === key)?.state).not.toBe('ok');
  });

  test('a motor whose rod is off says so, and is not reached by its rods', () => {
    const { said } = on(all(rod, { ...motor, on: 'nothing' }));
    expect(said.find((v) => v.key === HELD)?.state).toBe('unknown');
    expect(said.find((v) => v.key === 'drive.reach:motor')?.state).toBe('unknown');
  });

  test('the rods of the plate are not asked for what is on a single rod', () => {
    const { said } = on(all(rod, { ...motor, station: 400 }));
    expect(said.some((v) => v.id === 'rods.reach-front' && v.about.includes('ratchet'))).toBe(
      false,
    );
    expect(said.some((v) => v.id === 'rods.system' && v.about.includes('ratchet'))).toBe(false);
    expect(said.find((v) => v.key === HELD)?.state).toBe('fail');
  });
});

describe('what it carries', () => {
  test('the motor hangs on the clamp, not on the plate', () => {
    const { built } = on(all());
    const joint = loadPath(built).joints.find((j) => j.seat.use.id === 'holder')!;
    expect(joint.carried.map((p) => p.id).sort()).toEqual(['batten-200', 'ratchet', 'yoke-15']);
  });

  test('the rod taken off: the motor goes back to the rods of the plate', () => {
    const { job, rig } = on(all());
    const off = applyEdit(job, takeFitted(rig, 'holder', 'x')).doc;
    const then = off.rigs.find((r) => r.id === RIG)!;
    expect(then.fitted!.some((u) => u.id === 'bar')).toBe(false);
    expect(then.drives!.find((d) => d.id === 'motor')!.on).toBeUndefined();
  });

  test('written and read again it is on the same rod', () => {
    const { job, rig } = on(all());
    const kept = rigDocOf(rig, (id) => job.kit.find((p) => p.id === id));
    expect(rigOf(kept).drives!.find((d) => d.id === 'motor')).toEqual(motor);
  });
});

describe('a lens support on a single rod', () => {
  const below: FittedUse = { ...rod, id: 'keel', part: 'batten-200', slide: 70 };
  const hung = (x: number, station = 100): Change[] => [
    ...all(),
    put('fitted', {
      ...below,
      to: undefined,
      at: undefined,
      by: undefined,
      on: 'bottom',
      x,
      y: -30,
      z: 80,
    }),
    {
      path: ['rigs', RIG, 'supports', 'prop'],
      value: { id: 'prop', part: 'prop-low', on: 'keel', station },
    },
  ];

  test('its post goes from that rod to the barrel', () => {
    const { stand } = on(hung(0));
    const s = stand.supports.find((x) => x.use.id === 'prop')!;
    const bar = stand.single.find((r) => r.use === 'keel')!;
    expect(s.needed).not.toBeNull();
    const steps = stand.value(s.needed!);
    expect(stand.value(bar.y) + steps).toBeLessThan(0);
    // The barrel of the demo's zoom is 82 wide there: half of it over the axis to the rod.
    expect(steps).toBeCloseTo(-stand.value(bar.y) - 41, 6);
  });

  test('one that is beside the lens holds nothing up', () => {
    const { said } = on(hung(60, 60));
    expect(said.find((v) => v.key === 'support.place:prop')?.state).not.toBe('ok');
    expect(said.find((v) => v.key === 'support.place:prop')?.why).toMatch(/beside the lens/);
  });
});
