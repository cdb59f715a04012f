import type { Built } from '../../../build/build';
import { boxStation } from '../place/layout';
import { given } from '../../../build/given';
import type { MatteBox } from '../../../kit/types';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';

/**
 * What can be said of a box that does not say how it is held: nothing, and that this is asked for.
 *
 * @param whether the question that hangs on it: `How high the box stands`
 */
export function attachUnknown(
  built: Built,
  box: MatteBox,
  id: string,
  about: string[],
  whether: string,
): Verdict {
  return plainVerdict({
    id,
    about,
    station: boxStation(built),
    state: 'unknown',
    why: `${whether} is not known: ${box.name} does not say whether it clips on or stands on rods.`,
    sum: 'No sum.',
    basis: '[trade]',
    measure: lacking([
      { ...given(box, 'attach'), label: `attachment of ${box.name}`, unit: '', known: null },
    ]),
  });
}
