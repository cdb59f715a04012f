import { build, shared } from '../../../build/build';
import { standOf } from '../../../stand/stand';
import type { Drive, Job } from '../../../kit/types';
import { demo } from '../../../test-kit';

/** Which way up a drive goes is found: with a number missing it is not, and neither is its clamp. */

const job = demo();
const ID = 'tug-b';
const stationOf = (j: Job, flipped?: boolean) => {
  const rig = j.rigs.find((r) => r.id === ID)!;
  const set = {
    ...rig,
    drives: rig.drives!.map((d) => (flipped === undefined ? d : { ...d, flipped })),
  };
  const stand = standOf(build(j, set, shared(j)));
  const [drive] = stand.drives;
  return {
    missing: stand.missing([drive!.station]).map((g) => g.path.join('/')),
    gear: stand.missing([drive!.gearAt]).map((g) => g.path.join('/')),
    at: stand.value(drive!.station),
  };
};
const body = job.rigs.find((r) => r.id === ID)!.body!;
const without = (flips: boolean): Job => ({
  ...job,
  kit: job.kit.map((p) =>
    p.id === body
      ? { ...p, axisToBase: undefined }
      : p.id === 'pintle'
        ? ({ ...p, flips } as Drive)
        : p,
  ),
});

test('with everything measured its clamp stands somewhere', () => {
  expect(stationOf(job).missing).toEqual([]);
});

test('the height of the rods missing: where its clamp is hangs on that, while it may go either way', () => {
  expect(stationOf(without(true)).missing).toContain(`kit/${body}/axisToBase`);
  // Its gear lies at the ring whichever way up it goes.
  expect(stationOf(without(true)).gear).not.toContain(`kit/${body}/axisToBase`);
});

test('one that only goes one way, or was told which, stands where it stands', () => {
  for (const flipped of [true, false])
    expect(stationOf(without(true), flipped).missing).not.toContain(`kit/${body}/axisToBase`);
  expect(stationOf(without(false)).missing).not.toContain(`kit/${body}/axisToBase`);
});
