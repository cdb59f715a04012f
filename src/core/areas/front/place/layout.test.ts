import { build } from '../../../build/build';
import { frontOf } from './front';
import { flagEdge } from './box';
import { boxFrom, boxStation, frontLayout, frontPlaces, threadStation } from './layout';
import { concerns, fieldAt } from '../../../kit/fields';
import { frontPartLine } from '../../../kit/describe';
import { partsOn } from '../../../roles/uses';
import type { MatteBox, Part } from '../../../kit/types';
import { demo, exactly, testJob, testLens } from '../../../test-kit';

const job = demo();
const rigOf = (id: string) => job.rigs.find((r) => r.id === id)!;
const built = (id: string) => build(job, rigOf(id));

describe('the front as it is drawn', () => {
  test('stations by hand: flange 20 + adapter 32 + lens 168 = 220, box 2 mm ahead of it', () => {
    const f = frontPlaces(built('anamorphic'))!;
    expect(f.rim).toBe(220);
    expect(f.box!.from).toBe(222);
    expect(f.box!.to).toBe(310);
    expect(f.box!.stages.map((s) => s.z)).toEqual([234, 246, 258]);
    expect(f.box!.stages.map((s) => s.filter?.id ?? null)).toEqual(['nd-6', 'pola-plate', null]);
    expect(f.box!.middle).toBeCloseTo(-3, 9);
    expect(boxStation(built('anamorphic'))).toBe(222);
    expect(boxStation(built('anamorphic'), 's2')).toBe(246);
    expect(boxStation(built('tug-b'))).toBeNull();
  });

  test('pieces on the thread stand one ahead of the other', () => {
    const f = frontPlaces(built('tug-b'))!;
    // 19.25 + 19.6 + 134 = 172.85; 3.4 of ring, 7.5 of filter.
    expect(f.pieces.map((p) => [p.from, p.to])).toEqual([
      [172.85, 176.25],
      [176.25, 183.75],
    ]);
    expect(f.pieces.map((p) => p.glass)).toEqual([false, true]);
    expect(threadStation(built('tug-b'), 1)).toBe(176.25);
    expect(threadStation(built('tug-b'), 7)).toBeNull();
    expect(f.free.from).toBe(183.75);
  });

  test('a flag stands at its angle: tip = hinge + length (cos, sin)', () => {
    const flag = frontPlaces(built('anamorphic'))!.box!.flags[0]!;
    expect(flag.hinge).toEqual([310, 63]);
    expect(flag.tip[0]).toBeCloseTo(310 + 120 * Math.cos((20 * Math.PI) / 180), 9);
    expect(flag.tip[1]).toBeCloseTo(-3 + 66 + 120 * Math.sin((20 * Math.PI) / 180), 9);
    // The edge that the light meets lies at the same tip.
    const edge = flagEdge('top', 310, 66, 120, 20, -3);
    expect(edge.z).toBeCloseTo(flag.tip[0], 9);
    expect(edge.kind === 'edge' && edge.d).toBeCloseTo(flag.tip[1], 9);
    for (const [side, nx, ny] of [
      ['bottom', 0, -1],
      ['left', -1, 0],
      ['right', 1, 0],
    ] as const)
      expect(flagEdge(side, 0, 50, 10, 90, 0)).toMatchObject({ nx, ny, d: 60 });
  });

  test('from above it shows widths and the flags of the sides', () => {
    const rig = rigOf('anamorphic');
    const both = {
      ...rig,
      box: { ...rig.box!, flags: [...rig.box!.flags!, { id: 'left', angle: 30 }] },
    };
    const { box } = frontPlaces(build(job, both))!;
    const side = boxFrom(box!, false);
    const above = boxFrom(box!, true);
    expect(side.flags.map((f) => f.id)).toEqual(['top']);
    expect(above.flags.map((f) => f.id)).toEqual(['left']);
    expect(above.flags[0]!.tip[1]).toBeLessThan(-101);
    expect([above.half, above.mouth.half, above.mask!.half, above.middle]).toEqual([
      107, 100, 94, 0,
    ]);
    expect(above.stages[0]!.half).toBe(70);
  });

  test('what is not known is drawn at a stand-in and says so; it is not computed with', () => {
    const box: MatteBox = {
      id: 'box',
      kind: 'matte-box',
      name: 'Box',
      stages: [{ id: 'a', name: 'A' }],
      flags: [{ id: 'top', name: 'top flag', side: 'top' }],
    };
    const ring: Part = { id: 'ring', kind: 'ring', name: 'Ring', male: 77 };
    const j = testJob(
      { lens: testLens(), more: [box, ring] },
      {
        thread: [{ part: 'ring' }],
        box: { part: 'box', flags: [{ id: 'top', angle: 10 }] },
      },
    );
    const b = build(j, j.rigs[0]);
    const f = frontLayout(b, 134);
    expect(f.pieces[0]!.assumed).toBe(true);
    expect(f.pieces[0]!.to).toBeGreaterThan(134);
    expect(f.box!.assumed).toBe(true);
    expect(f.box!.to).toBeGreaterThan(f.box!.from);
    for (const n of [f.to, f.radius, f.box!.half, f.box!.flags[0]!.tip[0]])
      expect(Number.isFinite(n)).toBe(true);
    expect(frontOf(b).inputs.some((g) => g.known === null)).toBe(true);
    // Without the length of the lens nothing has a station.
    const none = testJob(
      { lens: testLens({ length: undefined }), more: [ring] },
      { thread: [{ part: 'ring' }] },
    );
    expect(frontPlaces(build(none, none.rigs[0]))).toBeNull();
  });

  test('the farthest that the front comes is drawn when it moves', () => {
    const j = testJob({ lens: testLens({ lengthClose: exactly(97) }) });
    const f = frontPlaces(build(j, j.rigs[0]))!;
    expect([f.rim, f.longest]).toEqual([134, 141]);
  });
});

describe('parts of the front in words', () => {
  test('every part of the demo that stands in front says what tells it apart', () => {
    const line = (id: string) => frontPartLine(job.kit.find((p) => p.id === id)!);
    expect(line('ring-72-77')).toBe('72 to 77; 3 mm thick; 68.4 clear');
    expect(line('collar-82-95')).toBe('82 thread, clamps at 94.8; 8 mm thick; 80 clear');
    expect(line('vnd-77')).toBe('variable ND; 2.0 to 5.0 stops; screws into 77');
    expect(line('nd-9')).toBe('neutral density; 3.0 stops; 143.5 x 101.6 mm');
    expect(line('sill')).toBe('clip-on, 114.2 mm; 2 stages, 4 x 5.65 in');
    expect(line('weir')).toBe('on 15 mm lightweight; 3 stages, 4 x 5.65 in');
    expect(line('reduction-95')).toBe('114 to 95.2 mm');
    expect(line('gaiter')).toBe('closes on 60 to 100, covers 40 mm');
    expect(line('beam-bridge')).toBe('15 mm studio; top to rods 58 to 72 mm, as it is set');
    expect(line('riser-6')).toBe('6 mm');
    expect(line('marl-18')).toBeNull();
    expect(frontPartLine({ id: 'x', kind: 'filter', name: 'X' })).toBe(
      'what it does is not known; shape not known',
    );
    expect(frontPartLine({ id: 'x', kind: 'matte-box', name: 'X' })).toContain('0 stages');
  });

  test('a sheet asks only what concerns the part', () => {
    const field = (kind: string, key: string) => fieldAt(kind, [key])!;
    expect(concerns(field('filter', 'width'), { shape: 'screw' })).toBe(false);
    expect(concerns(field('filter', 'width'), {})).toBe(true);
    expect(concerns(field('filter', 'stopsTo'), { type: 'nd' })).toBe(false);
    expect(concerns(field('matte-box', 'opening'), { attach: 'rods' })).toBe(false);
    expect(concerns(field('matte-box', 'rods'), { attach: 'rods' })).toBe(true);
    expect(concerns(field('lens', 'length'), {})).toBe(true);
  });

  test('every part on a rig, wherever it stands', () => {
    expect([...partsOn(rigOf('anamorphic'))].sort()).toEqual(
      [
        'body-a',
        'cill-plate',
        'ferrule-pl-20',
        'halyard',
        'hawser',
        'keel-150',
        'lath-450',
        'nd-6',
        'painter',
        'pola-plate',
        'raft',
        'ratchet',
        'stirrup',
        'weir',
        'wherry-40',
      ].sort(),
    );
    expect(partsOn(rigOf('tug-b')).has('pola-77')).toBe(true);
  });
});
