import type { Measurement } from '../checks/finding';

/** A number that is simply so, with its interval and its sum: no verdict. */
export interface Reading {
  id: string;
  /** What it is, short. */
  label: string;
  /** The same without the mode, frame or format that it is of. */
  what: string;
  /** It goes by the distance that is focused at. */
  atFocus: boolean;
  unit: string;
  /** Null when a number it needs is missing. */
  value: number | null;
  lo: number;
  hi: number;
  /** As it is shown. */
  text: string;
  sum: string;
  basis: string;
  missing: Measurement[];
}
