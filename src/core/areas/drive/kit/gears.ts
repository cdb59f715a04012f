/** Gear sums of drives on a lens. Lengths mm, angles degrees, torques N m. */

/** Module of the gears of this trade. Common practice, no source. */
export const MODULE = 0.8;
/** 32 diametral pitch in millimetres: 25.4 / 32. It runs with 0.8, near enough. */
export const PITCH_32 = 25.4 / 32;

/** Pitch diameter: module x teeth. */
export function pitchDiameter(teeth: number, module = MODULE): number {
  return module * teeth;
}

/** Diameter over the tips: pitch + 2 modules. */
export function tipDiameter(teeth: number, module = MODULE): number {
  return module * (teeth + 2);
}

/** Distance between the axes of two gears that mesh: half the sum of their pitch diameters. */
export function centreDistance(a: number, b: number, module = MODULE): number {
  return (module * (a + b)) / 2;
}

/**
 * How far the hand wheel turns for the whole throw of the lens.
 *
 * @param ratio turns of the drive gear for one of the wheel
 */
export function wheelTurn(throwOfLens: number, lensTeeth: number, driveTeeth: number, ratio = 1) {
  return (throwOfLens * (lensTeeth / driveTeeth)) / ratio;
}

/** Torque that arrives at the lens: motor torque x lens teeth / motor teeth x efficiency. */
export function torqueAtLens(
  motor: number,
  lensTeeth: number,
  motorTeeth: number,
  efficiency: number,
): number {
  return motor * (lensTeeth / motorTeeth) * efficiency;
}

/**
 * Torque of a motor at a supply, from the lines of its sheet: straight between them, flat above
 * the last, and nothing below the first, where it is not promised to turn at all.
 *
 * @param rows volts and torque, in any order
 */
export function torqueAt(rows: readonly { volts: number; torque: number }[], volts: number) {
  const sorted = [...rows].sort((a, b) => a.volts - b.volts);
  const first = sorted[0];
  const last = sorted[sorted.length - 1];
  if (!first || !last || volts < first.volts - 1e-9) return 0;
  if (volts >= last.volts) return last.torque;
  const i = sorted.findIndex((r) => r.volts > volts);
  const [a, b] = [sorted[i - 1]!, sorted[i]!];
  return a.torque + ((b.torque - a.torque) * (volts - a.volts)) / (b.volts - a.volts);
}

/**
 * Half of the angle about the lens axis within which something of radius `lump` on the lens
 * touches the tips of a drive gear; 0 when it passes under them. Law of cosines.
 *
 * @param centres between the two axes, @param tip radius of the drive gear over its tips
 */
export function touchAngle(centres: number, lump: number, tip: number): number {
  if (centres >= lump + tip) return 0;
  const cos = (centres * centres + lump * lump - tip * tip) / (2 * centres * lump);
  return (Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI;
}

/** What a gear ring closes on: bore of a seamless one, range of the others, mm of room to spare. */
export function ringRoom(
  ring:
    { style: 'seamless'; bore: number } | { style: 'split' | 'strap'; from: number; to: number },
  barrel: number,
  slack: number,
): number {
  return ring.style === 'seamless'
    ? Math.min(ring.bore - barrel, barrel + slack - ring.bore)
    : Math.min(barrel - ring.from, ring.to - barrel);
}

/**
 * How an arm of length `from` to `to` about a pivot meets a circle about the lens axis: spare
 * length at the best place, below 0 what is missing.
 *
 * @param pivot distance of the pivot from the lens axis, @param circle radius of the mesh circle
 */
export function reachRoom(pivot: number, circle: number, from: number, to: number): number {
  return Math.min(to - Math.abs(pivot - circle), pivot + circle - from);
}
