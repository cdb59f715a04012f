import type { Built } from '../../../build/build';
import { node, type Node } from '../../../engine/reads';
import type { Verdict } from '../../../checks/finding';
import { settle } from '../../../checks/run';
import { seatOf, seatsOf, type Seat } from '../model/seats';

type Judged = readonly Verdict[];

/**
 * What a check says of one joint after the other, each kept for as long as what it looked at stands:
 * a part that is moved asks only the joints it has to do with.
 *
 * @param name of the check, or of what of it is asked
 */
export function perSeat(
  name: string,
  of: (built: Built, seat: Seat) => Judged,
): (built: Built) => Verdict[] {
  const nodes = new Map<string, Node<Built, Judged>>();
  const nodeOf = (id: string) => {
    let own = nodes.get(id);
    if (!own) {
      const make = (built: Built): Judged => {
        const seat = seatOf(built, id);
        return seat ? of(built, seat) : [];
      };
      nodes.set(id, (own = node(`${name} of ${id}`, make, { settle })));
    }
    return own;
  };
  return (built) => seatsOf(built).flatMap((s) => built.once(nodeOf(s.use.id)));
}
