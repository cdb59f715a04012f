import { shown, unitsText } from '../core/quantity/shown';
import { operator } from '../core/kit/operator';
import type { Laid, TreeShape } from '../core/areas/power/model/layout';
import { Helper } from './helper';
import { Holder } from './holder';
import type { RigApi } from './rig.worker';

/** Its name tells it the units that this device shows, and who works there. */
const start = () =>
  new Worker(new URL('./rig.worker.ts', import.meta.url), {
    type: 'module',
    name: `${unitsText(shown())}|${JSON.stringify(operator())}`,
  });

/** The worker that tries fixes and ranks measurements, started at first use. */
export const adviser = new Holder(new Helper<RigApi>(start, 'What tries fixes', 60_000));

/** Runs the checks where the page has no time for them. */
export const judge = new Holder(new Helper<RigApi>(start, 'What checks the rig', 60_000));

const sweeps = new Helper<RigApi>(start, 'The sweep', 120_000);

/** A worker of its own for sweeps, so that advice does not wait for one. */
export const sweeper = new Holder(sweeps);

/** Lays a large tree of what feeds what out. */
export function layTree(shape: TreeShape): Promise<Laid> {
  return sweeps.run((w) => w.layTree(shape));
}

/** Ends the sweep that runs, if one does. */
export function cancelSweep(): Promise<void> {
  return sweeps.run((w) => w.cancelSweep());
}

/** Puts a first rig together from what was chosen; a job of its own, so it waits for nobody. */
export const beginner = new Helper<RigApi>(start, 'What puts the rig together', 60_000);
