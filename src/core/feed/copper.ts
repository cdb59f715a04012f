/**
 * Copper between what feeds and what is fed. Volts V, amps A, ohms, watts W, lengths m, areas mm2.
 */

/** Resistivity of annealed copper at 20 C, ohm mm2 / m (IEC 60028: 1/58). */
export const COPPER = 0.01724;

/** Change of that with temperature, 1 / K, about 20 C (IEC 60028). */
export const WARMER = 0.00393;

/**
 * Area of a conductor by its American wire gauge (ASTM B258: 36 steps of one ratio between 0.127 mm and
 * 11.68 mm), mm2.
 *
 * @throws RangeError for what is no gauge that a lead is made of: a whole number from 0 to 40
 */
export function gaugeArea(gauge: number): number {
  if (!Number.isInteger(gauge) || gauge < 0 || gauge > 40)
    throw new RangeError(`A wire gauge is a whole number from 0 to 40, not ${gauge}.`);
  const across = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI / 4) * across ** 2;
}

/**
 * Resistance of a lead, there and back, ohms.
 *
 * @param length of the lead, m; @param area of one conductor, mm2; @param celsius of the copper
 */
export function leadOhms(length: number, area: number, celsius = 20): number {
  return ((2 * COPPER * length) / area) * (1 + WARMER * (celsius - 20));
}

/**
 * What a device that takes constant watts draws at the end of a lead: of the two currents that satisfy
 * `(V - I R) I = P` the smaller one, at which it settles.
 *
 * @param volts before the lead
 * @returns amps and the volts that are left; null where the lead does not pass that much
 */
export function drawnThrough(
  volts: number,
  ohms: number,
  watts: number,
): { amps: number; volts: number } | null {
  const root = volts ** 2 - 4 * ohms * watts;
  if (!(volts > 0) || root < 0) return null;
  // Not the usual form of the root: that one loses its digits where the lead is short.
  const amps = (2 * watts) / (volts + Math.sqrt(root));
  return { amps, volts: volts - amps * ohms };
}

/** The most that a lead passes to a device that takes constant watts, W: at half the volts. */
export function mostThrough(volts: number, ohms: number): number {
  return volts ** 2 / (4 * ohms);
}
