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

/**
 * Ties of a lead with one more, in the order in which it is shortest.
 *
 * @param lengthOf how long the lead gets with ties in some order; null where it goes nowhere
 */
export function withOneMore(
  line: Line,
  tie: TiePoint,
  lengthOf: (via: readonly TiePoint[]) => number | null,
): TiePoint[] {
  const via = line.via ?? [];
  const orders = Array.from({ length: via.length + 1 }, (_, i) => via.toSpliced(i, 0, tie));
  return orders
    .map((order, i) => ({ order, i, mm: lengthOf(order) ?? Infinity }))
    .sort((a, b) => a.mm - b.mm || b.i - a.i)[0]!.order;
}

/** One tie more, put into the order in which the lead is shortest. */
export function tieMore(
  rig: Rig,
  line: Line,
  to: Omit<TiePoint, 'id'>,
  name: string,
  lengthOf: (via: readonly TiePoint[]) => number | null,
): Edit {
  const order = withOneMore(line, { id: newId('tie'), ...to }, lengthOf);
  return tieAt(rig, line, order, `Tie ${line.lead?.name ?? 'it'} to ${name}`);
}

/** One tie less. */
export const untie = (rig: Rig, line: Line, id: string, name: string): Edit =>
  tieAt(
    rig,
    line,
    (line.via ?? []).filter((t) => t.id !== id),
    `Untie ${line.lead?.name ?? 'it'} from ${name}`,
  );

/** A tie somewhere else, in its turn. */
export const retie = (rig: Rig, line: Line, id: string, to: Omit<TiePoint, 'id'>, name: string) =>
  tieAt(
    rig,
    line,
    (line.via ?? []).map((t) => (t.id === id ? { id, ...to } : t)),
    `Tie ${line.lead?.name ?? 'it'} to ${name}`,
  );
