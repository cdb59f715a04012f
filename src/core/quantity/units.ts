/** Units that people write, of the sort that a field is in. */

/**
 * What one of a unit is in the unit of a field. Sources: inch and pound exact by definition (NIST
 * SP 811, appendix B); pound-force inch from the same.
 */
const UNITS: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  mm: {
    mm: 1,
    cm: 10,
    m: 1000,
    in: 25.4,
    inch: 25.4,
    inches: 25.4,
    '"': 25.4,
    ft: 304.8,
    feet: 304.8,
    "'": 304.8,
  },
  g: {
    g: 1,
    gr: 1,
    gram: 1,
    grams: 1,
    kg: 1000,
    kgs: 1000,
    kilo: 1000,
    lb: 453.59237,
    lbs: 453.59237,
    pound: 453.59237,
    pounds: 453.59237,
    oz: 28.349523125,
    ounces: 28.349523125,
  },
  'N m': {
    nm: 1,
    'n m': 1,
    ncm: 0.01,
    'n cm': 0.01,
    'lbf in': 0.1129848290276167,
    'in lb': 0.1129848290276167,
    'ft lb': 1.3558179483314004,
  },
  deg: { deg: 1, degrees: 1, '\u00b0': 1 },
  V: { v: 1, volt: 1, volts: 1, mv: 0.001 },
  W: { w: 1, watt: 1, watts: 1, kw: 1000 },
  Wh: { wh: 1, kwh: 1000 },
  A: { a: 1, amp: 1, amps: 1, ma: 0.001 },
  stops: { stop: 1, stops: 1 },
  teeth: { teeth: 1, t: 1 },
  x: { x: 1, '\u00d7': 1 },
};

/** Words for one and the same unit, written with signs. */
export const tidyUnit = (u: string) =>
  u
    .toLowerCase()
    .replace(/[\u201d\u2033]|''/g, '"')
    .replace(/[\u2019\u2032]/g, "'")
    .replace(/[\u00b7.*-]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The unit that a word means for a field; null when it is none of its sort. */
export function unitOf(word: string, fieldUnit: string): number | null {
  return UNITS[fieldUnit]?.[tidyUnit(word)] ?? null;
}
