/** What leads end in, as the trade calls it; patterns that one maker owns by their class and size. */

export interface Plug {
  id: string;
  name: string;
  /** It cannot be pulled out by its lead. */
  locks: boolean;
}

/**
 * Plugs of leads that feed something. XLR: IEC 61076-2-103; USB: IEC 62680; barrels by their outside and
 * inside diameter: a 2.5 in the place of a 2.1 goes in and makes no contact. The rest from common
 * practice, no source.
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
  { id: 'usb-c', name: 'USB-C', locks: false },
  { id: 'bayonet-2', name: 'bayonet, 2 pins', locks: true },
];

/** A plug by its id; null for one that nobody knows. */
export function plugOf(id: string | undefined): Plug | null {
  return PLUGS.find((p) => p.id === id) ?? null;
}
