/** Standard gravity, m/s2 (ISO 80000-3). */
export const GRAVITY = 9.80665;

/**
 * Moment of a mass about a mount: `m g (z - mount)`.
 *
 * @param grams mass, @param lever centre of gravity ahead of the mount, mm
 * @returns N m
 */
export function moment(grams: number, lever: number): number {
  return (grams / 1000) * GRAVITY * (lever / 1000);
}

/**
 * Side force of a drive on the lens: torque over pitch radius; times its lever about the mount.
 *
 * @param torque at the lens, N m; @param pitch diameter of the lens gear, mm; @param lever gear
 *   ahead of the mount, mm
 * @returns N m
 */
export function sideMoment(torque: number, pitch: number, lever: number): number {
  return (torque / (pitch / 2000)) * (lever / 1000);
}
