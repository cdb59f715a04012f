/** What goes on a card or drive. Sizes GB (decimal), rates Mb/s of the recording and MB/s of the card. */

/** Minutes that fit: `GB x 8000 / (Mb/s) / 60`. Variable rates count at their greatest. */
export function minutesOn(gigabytes: number, megabits: number): number {
  return (gigabytes * 8000) / megabits / 60;
}

/** Size of an off-load, GB. */
export function gigabytesOf(minutes: number, megabits: number): number {
  return (minutes * 60 * megabits) / 8000;
}

/** Hours in which so much is read so often: copied, and compared with what it was: `GB x 1000 x times / (MB/s) / 3600`. */
export function copyingHours(gigabytes: number, megabytes: number, times: number): number {
  return (gigabytes * 1000 * times) / megabytes / 3600;
}

/** A card that just keeps up drops frames when it gets warm: so much more is wanted [trade]. */
export const SPARE_SPEED = 1.2;

/** What it writes for as long as it takes, over what is recorded with its spare: below 1 it is too slow. */
export function keepsUp(sustained: number, megabits: number, spare = SPARE_SPEED): number {
  return (sustained * 8) / (spare * megabits);
}
