import { build, shared } from '../build/build';
import { check } from '../areas/checks';
import { dropPosition, keepPosition, toPosition } from '../areas/joints/moves/seat';
import { applyEdit } from '../edit/edit';
import { writeJob, readJob } from '../format/read-job';
import type { Edit } from '../edit/edit';
import type { Job } from '../kit/types';
import { demo } from '../test-kit';
import { positionsOf } from './positions';

const job = demo();
const ID = 'lockside-b';
const rigOf = (j: Job) => j.rigs.find((r) => r.id === ID)!;
const fittedIn = (j: Job, id: string) => rigOf(j).fitted!.find((u) => u.id === id)!;
const after = (j: Job, e: Edit) => applyEdit(j, e).doc;
const tried = (j: Job) => positionsOf(build(j, rigOf(j), shared(j)), shared(j));

/** The arm as it stands, kept as out; and turned by 180 degrees, kept as in. */
function inAndOut(): Job {
  const out = after(job, keepPosition(rigOf(job), fittedIn(job, 'arm'), 'out'));
  return after(out, keepPosition(rigOf(out), { ...fittedIn(out, 'arm'), turn: 180 }, 'in'));
}

describe('named positions of a joint', () => {
  test('are kept with the rig, there and back exact, and go again', () => {
    const kept = inAndOut();
    expect(fittedIn(kept, 'arm').positions!.map((p) => [p.name, p.turn])).toEqual([
      ['out', fittedIn(job, 'arm').turn],
      ['in', 180],
    ]);
    expect(readJob(writeJob(kept))).toEqual({ ok: true, value: kept });
    const [out, inside] = fittedIn(kept, 'arm').positions!;
    const there = after(kept, toPosition(rigOf(kept), fittedIn(kept, 'arm'), inside!, 'Arm'));
    expect(fittedIn(there, 'arm').turn).toBe(180);
    const back = after(there, toPosition(rigOf(there), fittedIn(there, 'arm'), out!, 'Arm'));
    expect(back).toEqual(kept);
    const one = after(kept, dropPosition(rigOf(kept), fittedIn(kept, 'arm'), out!, 'Arm'));
    expect(fittedIn(one, 'arm').positions!.map((p) => p.name)).toEqual(['in']);
    const none = after(one, dropPosition(rigOf(one), fittedIn(one, 'arm'), inside!, 'Arm'));
    expect(none).toEqual(job);
  });

  test('the same name again sets that position anew', () => {
    const kept = inAndOut();
    const again = after(
      kept,
      keepPosition(rigOf(kept), { ...fittedIn(kept, 'arm'), turn: 90 }, 'in'),
    );
    expect(fittedIn(again, 'arm').positions!.map((p) => [p.name, p.turn ?? 0])).toEqual([
      ['out', fittedIn(job, 'arm').turn ?? 0],
      ['in', 90],
    ]);
    expect(fittedIn(again, 'arm').positions![1]!.id).toBe(fittedIn(kept, 'arm').positions![1]!.id);
  });

  test('each is tried as if the part were moved there by hand, and nothing is moved', () => {
    const kept = inAndOut();
    const before = JSON.stringify(kept);
    const list = tried(kept).filter((t) => t.use === 'arm');
    expect(list.map((t) => [t.use, t.name, t.here])).toEqual([
      ['arm', 'out', true],
      ['arm', 'in', false],
    ]);
    expect(list[0]).toMatchObject({ more: { fail: 0, unknown: 0, tight: 0 }, worst: null });
    expect(JSON.stringify(kept)).toBe(before);
    const [, inside] = fittedIn(kept, 'arm').positions!;
    const moved = after(kept, toPosition(rigOf(kept), fittedIn(kept, 'arm'), inside!, 'Arm'));
    const fails = (j: Job) =>
      check(build(j, rigOf(j), shared(j))).filter((v) => v.state === 'fail').length;
    expect(list[1]!.more.fail).toBe(fails(moved) - fails(kept));
  });

  test('the grip of the demo: forward it fouls the wheel, up it is free, folded it shuts the fan', () => {
    const [forward, up, folded] = tried(job).filter((t) => t.use === 'grip');
    expect(forward).toMatchObject({ name: 'forward', here: true, worst: null });
    expect(up).toMatchObject({ name: 'up', here: false, more: { fail: -2 }, worst: null });
    expect(folded).toMatchObject({ name: 'folded back', more: { fail: -2, tight: 2 } });
    expect(folded!.worst).toMatch(/Fender grip covers the rear fan of Pellin Pocket/);
  });
});
