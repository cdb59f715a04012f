/** How a view lies on the screen. */
export interface Sheet {
  /** Sheet coordinates to pixels. */
  X: (u: number) => number;
  Y: (v: number) => number;
  k: number;
  w: number;
  h: number;
}
