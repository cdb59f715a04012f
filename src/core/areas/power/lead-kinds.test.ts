import { build, shared } from '../../build/build';
import { leadOhms } from '../../feed/copper';
import { withChanges } from '../../edit/edit';
import type { Change, Job, Lead } from '../../kit/types';
import { demoStandings } from '../../properties/rigs';
import { demo } from '../../test-kit';
import type { Verdict } from '../../checks/finding';
import type { Piece } from '../../place/setting';
import { check } from '../checks';
import { bendAt, type End } from './checks/cable-bend';
import { leadGivens, byDevice } from './model/fed';
import { reachLength, wireLength } from './model/lead-length';
import { linesOn, reachAt } from './model/lines';
import { sayLine } from './model/say-line';

/** Leads that turn aside at once, and leads that are coils. */

const rigged = (changes: readonly Change[], from: Job, id: string) => {
  const job = withChanges(from, changes);
  const rig = job.rigs.find((r) => r.id === id)!;
  const built = build(job, rig, shared(job));
  const said = check(built);
  return { job, rig, built, of: (key: string) => said.find((v) => v.key === key)! };
};

/** As the findings are ranked: nothing goes up for less that is said. */
const WORSE = ['unknown', 'fail', 'tight', 'ok'];

describe('elbow plugs', () => {
  const body = demo().kit.find((p) => p.kind === 'body')!;
  const warp = demo().kit.find((p) => p.id === 'warp') as Lead;
  /** A lead 5 mm thick, of which all is said but what is asked. */
  const at = (
    room: number,
    more: Partial<End> = {},
    lead: Partial<Lead> = {},
    to = room,
  ): Verdict =>
    bendAt({
      key: 'cable.bend:x',
      lead: { ...warp, width: { value: 5, tol: 0, from: 'measured' }, ...lead },
      piece: { key: 'body', name: body.name, part: body.id } as Piece,
      room: { lo: room, hi: to, by: 'a block' },
      plug: 'hdmi',
      elbow: undefined,
      doubt: null,
      ...more,
    });

  // By hand: an elbow 12; a straight HDMI plug 40 to 60 and a bend of 4 x 5: 60 to 80.
  test.each([
    [11, true, 'fail'],
    [13, true, 'ok'],
    [11, false, 'fail'],
    [39, false, 'tight'],
    [41, false, 'tight'],
    [79, false, 'tight'],
    [81, false, 'ok'],
    [11, undefined, 'fail'],
    [39, undefined, 'tight'],
    [41, undefined, 'tight'],
    [79, undefined, 'tight'],
    [81, undefined, 'ok'],
  ] as const)('%s mm free, an elbow: %s: %s', (room, elbow, state) => {
    const v = at(room, { elbow });
    expect(v.state).toBe(state);
    if (room < 12 || elbow)
      expect(v.wanted).not.toContain(`a lead with an elbow plug at ${body.name}`);
    else if (state !== 'ok')
      expect(v.wanted).toEqual([`a lead with an elbow plug at ${body.name}`]);
  });

  test('less said is never better, and what fails is not tight for it', () => {
    for (let room = 4; room < 100; room += 2.5)
      for (const elbow of [true, false, undefined]) {
        const all = at(room, { elbow }).state;
        const less = [
          at(room, { elbow: undefined }),
          at(room, { elbow, plug: undefined, doubt: 'Which plug it has there nobody said.' }),
          at(room, { elbow, doubt: 'How thick it is nobody said.' }, { width: undefined }),
        ];
        for (const v of less) {
          expect(WORSE.indexOf(v.state)).toBeLessThanOrEqual(WORSE.indexOf(all));
        }
      }
  });

  test('what is said of an elbow reaches the rig', () => {
    const { job, rig } = demoStandings.find(([n]) => n.endsWith('switched outlet'))![1];
    const of = (elbows: string) =>
      rigged([{ path: ['kit', 'warp', 'elbows'], value: elbows }], job, rig.id).of(
        'cable.bend:body',
      );
    expect(of('none').why).toMatch(/wants an elbow plug at Pellin Pocket/);
    expect(of('device').why).toMatch(/^The elbow plug of Warp lead/);
  });

  test('which end is which follows the plugs of a lead that lies the other way round', () => {
    const base = demo();
    const tug = base.rigs.find((r) => r.id === 'tug-b')!;
    const lines = (change: Change[]) =>
      linesOn(rigged(change, base, tug.id).built).find((l) => l.key === 'signal:picture')!;
    const own = lines([]).lead!;
    const turned = lines([
      { path: ['kit', own.id, 'plug'], value: own.plugTo },
      { path: ['kit', own.id, 'plugTo'], value: own.plug },
      { path: ['kit', own.id, 'elbows'], value: 'source' },
    ]);
    const straight = lines([{ path: ['kit', own.id, 'elbows'], value: 'source' }]);
    expect(straight.elbows).toEqual([true, false]);
    expect(turned.elbows).toEqual(own.plug === own.plugTo ? [true, false] : [false, true]);
    expect(lines([]).elbows).toEqual([undefined, undefined]);
  });
});

describe('a lead that is a coil', () => {
  const RIG = 'tug-b';
  const base = demo();
  const tug = build(
    base,
    base.rigs.find((r) => r.id === RIG)!,
    shared(base),
  );
  const line = linesOn(tug).find((l) => l.key === 'fitted:monitor')!;
  const id = line.lead!.id;
  const set = (fields: Record<string, unknown>) =>
    rigged(
      Object.entries(fields).map(([key, value]) => ({ path: ['kit', id, key], value })),
      base,
      RIG,
    );
  const mm = (value: number) => ({ value, tol: 1, from: 'measured' });
  const lineIn = ({ built }: ReturnType<typeof set>) =>
    linesOn(built).find((l) => l.key === 'fitted:monitor')!;

  test('reaches as far as it stretches, and loses what all of its wire loses', () => {
    const short = set({ length: mm(60) });
    expect(short.of('cable.length:fitted:monitor').state).toBe('fail');
    const coil = set({ length: mm(60), coiled: true, stretches: mm(900) });
    expect(coil.of('cable.length:fitted:monitor').state).not.toBe('fail');
    const lead = lineIn(coil).lead!;
    expect(reachLength(lead).known!.value).toBe(900);
    const [length, copper] = leadGivens(byDevice(coil.built).get('fitted:monitor')!);
    expect(length.known!.value).toBe(900);
    // Twice 0.9 m of it: R = 2 x 0.01724 x 0.9 / A.
    expect(leadOhms(length.known!.value / 1000, copper.known!.value)).toBeCloseTo(
      (2 * 0.01724 * 0.9) / copper.known!.value,
      9,
    );
    expect(reachAt(coil.built, lineIn(coil))(lead)).not.toBe('no');
    expect(reachAt(short.built, lineIn(short))(lineIn(short).lead!)).toBe('no');
  });

  test('how far it is pulled out is said; what is left over of it lies in its coil', () => {
    const long = { length: mm(2000) };
    expect(sayLine(set(long).built, lineIn(set(long)))).toMatch(/mm left over: a ring/);
    const rest = set({ ...long, coiled: true, stretches: mm(3000) });
    expect(sayLine(rest.built, lineIn(rest))).toMatch(/its coil at rest/);
    // Written to stretch to less than it is long at rest it still reaches as far as that.
    const odd = set({ ...long, coiled: true, stretches: mm(300) });
    expect(sayLine(odd.built, lineIn(odd))).toMatch(/its coil at rest/);
    expect(reachLength(lineIn(odd).lead!).known!.value).toBe(2000);
    expect(wireLength(lineIn(odd).lead!).known!.value).toBe(2000);
    const pulled = set({ length: mm(60), coiled: true, stretches: mm(900) });
    expect(sayLine(pulled.built, lineIn(pulled))).toMatch(/its coil pulled out by about \d+ mm/);
  });

  test('how far it stretches that nobody said is unknown, and nothing that is not said makes it lose less', () => {
    const open = set({ length: mm(600), coiled: true });
    expect(open.of('cable.length:fitted:monitor').state).toBe('unknown');
    expect(open.of('power.volts:fitted:monitor').state).toBe('unknown');
    const of = (fields: Partial<Lead>) =>
      wireLength({ ...line.lead!, length: mm(300), ...fields } as Lead).known?.value;
    expect(of({})).toBe(300);
    expect(of({ coiled: true })).toBeUndefined();
    expect(of({ stretches: mm(900) as never })).toBe(900);
    expect(of({ coiled: true, stretches: mm(900) as never })).toBe(900);
  });
});
