/** How long a pack lasts. Energy Wh, watts W, temperatures C. */

/**
 * Share of what is written on a pack that can be used, by temperature; between them on straight lines,
 * beyond them as at the ends. At 20 C common practice, no source; in the cold from memory: both are
 * house rules where they are used.
 */
export const USABLE: readonly (readonly [celsius: number, share: number])[] = [
  [-10, 0.55],
  [0, 0.7],
  [20, 0.85],
];

/** Share of a pack that can be used at a temperature, 0 to 1. */
export function usableAt(celsius: number, table = USABLE): number {
  const [first, last] = [table[0]!, table[table.length - 1]!];
  if (celsius <= first[0]) return first[1];
  for (let i = 1; i < table.length; i++) {
    const [a, b] = [table[i - 1]!, table[i]!];
    if (celsius <= b[0]) return a[1] + ((b[1] - a[1]) * (celsius - a[0])) / (b[0] - a[0]);
  }
  return last[1];
}

/** Hours of a pack under a load: `Wh x usable / W`; Infinity where nothing is drawn. */
export function hoursOf(wattHours: number, usable: number, watts: number): number {
  return (wattHours * usable) / watts;
}

/** How a day is spent: shares of idle, ready, rolling; together 1. */
export interface Mix {
  idle: number;
  ready: number;
  rolling: number;
}

/** Watts in the mean of a day. */
export function meanWatts(watts: Readonly<Record<keyof Mix, number>>, mix: Mix): number {
  return watts.idle * mix.idle + watts.ready * mix.ready + watts.rolling * mix.rolling;
}

/** Volts of a lithium pack by its cells in series [trade]: full, nominal, empty. */
export function packVolts(cells: number): { full: number; nominal: number; empty: number } {
  return { full: 4.2 * cells, nominal: 3.6 * cells, empty: 3 * cells };
}

/**
 * Where a pack may travel, by its rated energy (nominal volts x Ah, never what was measured). From memory
 * of the usual rules of air carriers: always ask the carrier.
 */
export function cabinOf(ratedWh: number): 'usually free' | 'with approval' | 'refused' {
  return ratedWh <= 100 ? 'usually free' : ratedWh <= 160 ? 'with approval' : 'refused';
}
