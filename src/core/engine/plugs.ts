/** What leads end in, as the trade calls it; patterns that one maker owns by their class and size. */

export interface Plug {
  id: string;
  name: string;
  /** It cannot be pulled out by its lead. */
  locks: boolean;
  /** Its socket breaks off the board behind it when the lead is pulled sideways. */
  weak?: boolean;
  /** It stands in the place of a battery of so many cells: no lead is between. */
  cells?: number;
  /** It feeds nothing: picture or sound goes through it. */
  signal?: true;
}

/**
 * Plugs of leads. XLR: IEC 61076-2-103; USB: IEC 62680; BNC: IEC 61169-8; HDMI: types A, C and D of its
 * specification, from memory; barrels by their outside and inside diameter: a 2.5 in the place of a 2.1
 * goes in and makes no contact. The rest from common practice, no source.
 */
export const PLUGS: readonly Plug[] = [
  { id: 'tap', name: 'two-pin tap', locks: false },
  { id: 'xlr-4', name: 'XLR, 4 pins', locks: true },
  { id: 'barrel-21', name: 'barrel 5.5 / 2.1', locks: false },
  { id: 'barrel-25', name: 'barrel 5.5 / 2.5', locks: false },
  { id: 'round-2', name: 'round push-pull, 2 pins', locks: true },
  { id: 'round-3', name: 'round push-pull, 3 pins', locks: true },
  { id: 'round-4', name: 'round push-pull, 4 pins', locks: true },
  { id: 'round-6', name: 'round push-pull, 6 pins', locks: true },
  { id: 'round-8', name: 'round push-pull, 8 pins', locks: true },
  { id: 'usb-a', name: 'USB-A', locks: false },
  { id: 'usb-c', name: 'USB-C', locks: false, weak: true },
  { id: 'bayonet-2', name: 'bayonet, 2 pins', locks: true },
  { id: 'bnc', name: 'BNC', locks: true, signal: true },
  { id: 'hdmi', name: 'HDMI, full size', locks: false, signal: true },
  { id: 'hdmi-mini', name: 'HDMI, mini', locks: false, weak: true, signal: true },
  { id: 'hdmi-micro', name: 'HDMI, micro', locks: false, weak: true, signal: true },
  { id: 'jack-35', name: 'jack 3.5 mm', locks: false, signal: true },
  { id: 'xlr-3', name: 'XLR, 3 pins', locks: true, signal: true },
  { id: 'cell-2', name: 'battery chamber, 2 cells', locks: true, cells: 2 },
  { id: 'cell-4', name: 'battery chamber, 4 cells', locks: true, cells: 4 },
];

/** A plug by its id; null for one that nobody knows. */
export function plugOf(id: string | undefined): Plug | null {
  return PLUGS.find((p) => p.id === id) ?? null;
}

/** Cells of the battery whose place it takes; null for what a lead goes into. */
export const cellsOf = (id: string | undefined): number | null => plugOf(id)?.cells ?? null;
