/** A limit for which no standard exists. */
export interface Rule {
  id: string;
  unit: string;
  /** A switch is 0 or 1. */
  kind: 'number' | 'switch';
  house: number;
  strict: number;
  light: number;
  min: number;
  max: number;
  /** Which way the limit is stricter; null where it chooses between schools or is a figure. */
  stricter: 'more' | 'less' | null;
}
