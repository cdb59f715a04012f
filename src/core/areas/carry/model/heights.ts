import type { Built } from '../../../build/build';
import { constant, exactly, given, type Given } from '../../../build/given';
import { lin, minus, of, plus, times, type Lin } from '../../../build/lin';
import { standOf } from '../../../stand/stand';
import { along, doubtOf, endsOf, facesOf, holdOf, waysOf } from './hold';
import { carriersOf } from './carriers';

/** How high the optical axis comes over the floor: from the lowest that can be set to the highest. */
export interface AxisHeight {
  lowest: Lin;
  highest: Lin;
  /** What it comes from, as it is said. */
  by: string;
}

/** Height of a person that nobody stated. */
const unsaid = (what: string): Given => constant(`${what} in your profile`, 'mm', null);

/** A height of the operator, exact: people know it to the centimetre. */
const ofPerson = (what: string, mm: number | undefined): Lin =>
  of(
    mm === undefined
      ? unsaid(what)
      : constant(what, 'mm', { ...exactly(mm), tol: 10, lo: mm - 10, hi: mm + 10 }),
  );

/** How high the axis comes; null where nothing says it. */
export function axisHeight(built: Built): AxisHeight | null {
  const set = built.rig.carry?.axis;
  if (set !== undefined) {
    const at = lin(set);
    return { lowest: at, highest: at, by: 'as it is set' };
  }
  const hold = holdOf(built);
  if (!hold) return null;
  const { up } = waysOf(built.rig.upright);
  // The axis is at 0: it stands over the hold as far as the hold lies under it.
  const over = times(along(hold.at, up), -1);
  const person = (what: string, mm: number | undefined): AxisHeight => {
    const height = plus(ofPerson(what, mm), over);
    return { lowest: height, highest: height, by: what };
  };
  const who = built.operator;
  switch (hold.kind) {
    case 'shoulder':
      return person('the height of your shoulder', who?.shoulder);
    case 'hip':
      return person('the height of your belt', who?.belt);
    case 'handle':
      return person('the height of your hand', who?.hand);
    case 'head':
    case 'monopod': {
      const legs = carriersOf(built, hold.kind === 'head' ? 'legs' : 'monopod')[0];
      const head = carriersOf(built, 'head')[0];
      if (!legs) return null;
      const on = head ? plus(over, of(given(head, 'baseHeight'))) : over;
      return {
        lowest: plus(of(given(legs, 'heightFrom')), on),
        highest: plus(of(given(legs, 'heightTo')), on),
        by: legs.name,
      };
    }
    default:
      return null;
  }
}

/** What stands highest, and how far over the optical axis. */
export function topOf(built: Built): { name: string; key: string; over: Lin } | null {
  const { up } = waysOf(built.rig.upright);
  const stand = standOf(built);
  const tops = stand.pieces
    .filter((p) => p.solids.some((s) => !s.moving))
    .map((p) => {
      const [lo, hi] = endsOf(facesOf(p), up.k);
      return { name: p.name, key: p.key, over: up.sign === 1 ? hi : times(lo, -1) };
    });
  // What may be highest speaks: also what nobody measured.
  const most = (t: (typeof tops)[number]) => stand.value(t.over) + doubtOf(t.over);
  return (
    tops.sort((a, b) => {
      const [x, y] = [most(a), most(b)];
      return x === y ? (a.key < b.key ? -1 : 1) : y - x;
    })[0] ?? null
  );
}

/** Room over what stands highest, under a ceiling: as far as the axis comes down. */
export function headroom(ceiling: number, lowest: Lin, over: Lin): Lin {
  return minus(lin(ceiling), plus(lowest, over));
}
