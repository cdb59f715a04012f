import type { Vec } from '@/core/solids/solid';

/** Another line in the air: the light cone, the load path. */
export interface AirLine {
  from: Vec;
  to: Vec;
  tone: 'accent' | 'ink' | 'fail';
  dashed: boolean;
  /** Over what stands before it. */
  over: boolean;
}

/** Six views along the axes, and one from between them. */
export const STANDARD = {
  side: { name: 'Camera right', az: 90, pol: 90 },
  other: { name: 'Camera left', az: -90, pol: 90 },
  front: { name: 'Front', az: 180, pol: 90 },
  rear: { name: 'Rear', az: 0, pol: 90 },
  top: { name: 'Top', az: 90, pol: 0 },
  bottom: { name: 'Under', az: 90, pol: 180 },
  corner: { name: 'Corner', az: 132, pol: 68 },
} as const;
export type Standard = keyof typeof STANDARD;
