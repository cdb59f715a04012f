import type { Built } from '../../../build/build';
import type { Edit } from '../../../edit/edit';
import { newId } from '../../../engine/ids';
import type { Weighing } from '../../../kit/types';
import { sayMeasured, weighingOf, type Measuring } from '../model/log';
import { weighedAs } from '../model/rows';

/** Keeps what a scale, an edge or a level said, with what was on and where. */
export function logWeighing(
  built: Built,
  of: Measuring,
  value: Weighing['value'],
  when: string,
): Edit {
  const w = weighingOf(built, newId('weighing'), of, value, when);
  const known = weighedAs(w);
  const said = known ? `: ${sayMeasured(w, known.value)}` : '';
  return {
    title: `Log what was measured${said}`,
    changes: [{ path: ['weighings', w.id], value: w }],
  };
}

/** Takes a line out of the log. */
export function forgetWeighing(id: string): Edit {
  return {
    title: 'Take a measurement out of the log',
    changes: [{ path: ['weighings', id], value: undefined, prune: 1 }],
  };
}
