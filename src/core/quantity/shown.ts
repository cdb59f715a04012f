/**
 * The units that numbers are said in on this device. What is stored, computed and written to files
 * is metric; this is asked only where a number becomes text, or text a number. Set once, before
 * anything is said: by the page as it opens, and by each worker as it starts.
 */

export interface Units {
  length: 'mm' | 'in';
  /** Distances people walk off. */
  distance: 'm' | 'ft';
  mass: 'g' | 'lb';
  moment: 'N m' | 'lbf in';
  /** What stands before the decimals. */
  decimal: 'point' | 'comma';
}

export const METRIC: Units = {
  length: 'mm',
  distance: 'm',
  mass: 'g',
  moment: 'N m',
  decimal: 'point',
};

/** Choices of each, the one of files first. */
export const CHOICES = {
  length: ['mm', 'in'],
  distance: ['m', 'ft'],
  mass: ['g', 'lb'],
  moment: ['N m', 'lbf in'],
  decimal: ['point', 'comma'],
} as const satisfies { [K in keyof Units]: readonly Units[K][] };

let chosen: Units = METRIC;

/** Numbers are said in these from now on. What was said before is not said anew. */
export function sayIn(units: Units): void {
  chosen = units;
}

export const shown = (): Units => chosen;

/**
 * What `say` gives in metric units, whatever is chosen: sums, and what the trade has so.
 *
 * @param decimal the mark of this device, as it is read there; files have theirs
 */
export function inMetric<T>(say: () => T, decimal = chosen.decimal): T {
  const before = chosen;
  chosen = { ...METRIC, decimal };
  try {
    return say();
  } finally {
    chosen = before;
  }
}

/** The same for a file, which reads alike on every device. */
export const forFile = <T>(say: () => T): T => inMetric(say, METRIC.decimal);

/** A number as text, with the mark of this device before its decimals. */
export const withMark = (number: string) =>
  chosen.decimal === 'comma' ? number.replace('.', ',') : number;

/** A unit as it is shown: how many of it one of the field's is, and how many more decimals it takes. */
export interface ShownUnit {
  unit: string;
  per: number;
  more: number;
}

/**
 * NIST SP 811, appendix B: inch, foot and pound exact by definition; pound-force inch 0.1129848 N m.
 */
const OTHERS: Readonly<Record<string, { is: keyof Units } & ShownUnit>> = {
  mm: { is: 'length', unit: 'in', per: 1 / 25.4, more: 2 },
  m: { is: 'distance', unit: 'ft', per: 1 / 0.3048, more: 0 },
  g: { is: 'mass', unit: 'lb', per: 1 / 453.59237, more: 2 },
  'N m': { is: 'moment', unit: 'lbf in', per: 1 / 0.1129848290276167, more: -1 },
};

/** What a unit of the core is shown as on this device. */
export function shownUnit(unit: string): ShownUnit {
  const other = OTHERS[unit];
  return other && chosen[other.is] === other.unit ? other : { unit, per: 1, more: 0 };
}

/**
 * Units out of what is kept or handed over; metric where it is not understood.
 *
 * @param usual what is taken where nothing is said of one
 */
export function unitsFrom(text: string | null | undefined, usual: Units = METRIC): Units {
  const words = (text ?? '').split(',');
  const pick = <K extends keyof Units>(k: K): Units[K] =>
    (CHOICES[k] as unknown as readonly Units[K][]).find((u) => words.includes(u)) ?? usual[k];
  return {
    length: pick('length'),
    distance: pick('distance'),
    mass: pick('mass'),
    moment: pick('moment'),
    decimal: pick('decimal'),
  };
}

/** Units as they are kept and handed over: `in,ft,lb,lbf in,point`. */
export const unitsText = (u: Units) =>
  [u.length, u.distance, u.mass, u.moment, u.decimal].join(',');
