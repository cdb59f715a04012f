import { build } from '../../build/build';
import { operateAs } from '../../kit/operator';
import { demoStandings } from '../../properties/rigs';
import { demo } from '../../test-kit';
import { checkRig } from '../checks';
import { roomOf } from './model/room';

const job = demo();
const of = (id: string, carry: object) => {
  const rig = job.rigs.find((r) => r.id === id)!;
  return { ...rig, carry: { ...rig.carry, ...carry } };
};
afterEach(() => operateAs(null));

describe('heights as they are drawn', () => {
  test.each(demoStandings)('say what the check says: %s', (_name, { job, rig }) => {
    const room = roomOf(build(job, rig));
    const said = checkRig(job, rig).find((v) => v.key === 'carry.headroom:ceiling');
    expect(room.ceiling).toBe(rig.carry?.ceiling ?? null);
    expect(room.eyes).toBe(rig.carry?.eyes ?? null);
    expect(said === undefined).toBe(rig.carry?.ceiling === undefined);
    // Air that the check judges is the air that is drawn, and what it does not know is not drawn.
    if (said) expect(room.air === null).toBe(said.state === 'unknown');
    if (said && room.air !== null)
      expect(said.sum).toContain(
        `= ${room.air < 0 ? '\u2212' : ''}${Math.abs(room.air).toFixed(0)} mm`,
      );
    expect(room.tall).toBeGreaterThanOrEqual(Math.max(room.ceiling ?? 0, room.eyes ?? 0));
  });

  test('a height that rests on the operator is not known without a profile, and is with one', () => {
    const standing = demoStandings.find(([name]) => name.endsWith(', shoulder'))!;
    const { job, rig } = standing[1];
    expect(roomOf(build(job, rig)).axis).toBeNull();
    operateAs({ shoulder: 1450 });
    const { axis } = roomOf(build(job, rig));
    expect(axis!.from).toBe(axis!.to);
    expect(axis!.from).toBeGreaterThan(1450 - 400);
  });

  test('legs give a range, a height that is set is that', () => {
    const legs = roomOf(build(job, of('towpath-day', {}))).axis!;
    expect(legs.to).toBeGreaterThan(legs.from);
    expect(roomOf(build(job, of('tug-b', { axis: 777 }))).axis).toEqual({
      from: 777,
      to: 777,
      by: 'as it is set',
    });
  });

  test('nothing on the rig: no air is claimed', () => {
    const rig = {
      ...of('tug-b', { ceiling: 2000 }),
      body: null,
      lens: null,
      fitted: [],
      between: [],
    };
    const room = roomOf(build(job, { ...rig, rods: [], under: [], drives: [], thread: [] }));
    expect([room.top, room.air]).toEqual([null, null]);
  });
});
