import { newId } from '../../../engine/ids';
import type { Edit } from '../../../edit/edit';
import type { Rig, TiePoint } from '../../../kit/types';
import type { Line } from '../model/lines';
import { feedFrom } from './feed';
import { setSignal } from './signal';

/** Ties a lead where somebody said, in this order from its source on; none: wherever it lies shortest. */
export function tieAt(rig: Rig, line: Line, via: readonly TiePoint[], title: string): Edit {
  const said = via.length > 0 ? [...via] : undefined;
  if (line.signal) return setSignal(rig, line.signal.use, { via: said, ties: undefined }, title);
  const { ties: _ties, via: _via, ...rest } = line.feed!.from;
  return feedFrom(rig, line.feed!.device, said ? { ...rest, via: said } : rest, title);
}

/** One tie more, put into the order in which the lead is shortest. */
export function tieMore(
  rig: Rig,
  line: Line,
  to: Omit<TiePoint, 'id'>,
  name: string,
  /** How long the lead gets with ties in some order; null where it goes nowhere. */
  lengthOf: (via: readonly TiePoint[]) => number | null,
): Edit {
  const tie: TiePoint = { id: newId('tie'), ...to };
  const via = line.via ?? [];
  const orders = Array.from({ length: via.length + 1 }, (_, i) => via.toSpliced(i, 0, tie));
  const shortest = orders
    .map((order, i) => ({ order, i, mm: lengthOf(order) ?? Infinity }))
    .sort((a, b) => a.mm - b.mm || b.i - a.i)[0]!;
  return tieAt(rig, line, shortest.order, `Tie ${line.lead?.name ?? 'it'} to ${name}`);
}

/** One tie less. */
export const untie = (rig: Rig, line: Line, id: string, name: string): Edit =>
  tieAt(
    rig,
    line,
    (line.via ?? []).filter((t) => t.id !== id),
    `Untie ${line.lead?.name ?? 'it'} from ${name}`,
  );
