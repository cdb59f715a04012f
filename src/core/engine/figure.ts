/**
 * The figure of a part: the part by itself, drawn to scale from its own numbers, each of them where
 * it is measured. A view is a sheet of its own: u to the right, v up, mm; from the side the subject
 * is at the right, from the front one looks from the subject, so camera right is at the left.
 */
export type Pt = readonly [u: number, v: number];

export type FigureViewId = 'side' | 'front' | 'top';

/** A number as it is drawn with: itself, or a stand-in while nobody knows it. */
export interface Size {
  /** Where it stands in the part. */
  path: readonly string[];
  v: number;
  known: boolean;
}

/**
 * How a shape is drawn: the part itself, what is inside or marked on it, what moves or may be there,
 * and lines nobody can touch: an axis, the image plane.
 */
export type Stroke = 'part' | 'inner' | 'moves' | 'axis';

export interface Shape {
  is: 'outline' | 'circle' | 'line';
  /** Corners; of a circle its middle. */
  points: readonly Pt[];
  /** Of a circle. */
  r: number;
  stroke: Stroke;
  /** A number it is drawn with is a stand-in: dashed. */
  assumed: boolean;
}

/** Where a dimension stands: beside its view. */
export type Beside = 'below' | 'above' | 'left' | 'right';

/** A number with two ends on the drawing. */
export interface Dimension {
  path: readonly string[];
  from: Pt;
  to: Pt;
  at: Beside;
  known: boolean;
}

/** A number without a length: it stands beside the drawing, with a line to what it is of. */
export interface Note {
  path: readonly string[];
  to: Pt;
  at: 'left' | 'right';
  known: boolean;
}

/** Something of the part that opens: its own numbers are drawn then. */
export interface Grip {
  /** `rings/focus`: where it stands in the part. */
  key: string;
  name: string;
  at: Pt;
}

export interface FigureView {
  id: FigureViewId;
  shapes: Shape[];
  dimensions: Dimension[];
  notes: Note[];
  grips: Grip[];
}

/** What the faces of a part are counted on, in its own axes, mm: from, to across, up, forward. */
export interface Block {
  x: readonly [number, number];
  y: readonly [number, number];
  z: readonly [number, number];
}

export interface Figure {
  views: readonly FigureView[];
  /** What holes, shoes, rails and clamps stand on; null for a part that has none. */
  block: Block | null;
}

type Style = Stroke | undefined;

export interface ViewPen {
  outline: (points: readonly Pt[], by?: readonly Size[], stroke?: Style) => void;
  /** From corner to corner. */
  rect: (a: Pt, b: Pt, by?: readonly Size[], stroke?: Style) => void;
  circle: (at: Pt, r: number, by?: readonly Size[], stroke?: Style) => void;
  line: (points: readonly Pt[], by?: readonly Size[], stroke?: Style) => void;
  /** A length along the sheet, from u to u; `near` is where its witness lines begin. */
  across: (size: Size, u0: number, u1: number, at: 'below' | 'above', near: number) => void;
  /** A length up the sheet, from v to v. */
  up: (size: Size, v0: number, v1: number, at: 'left' | 'right', near: number) => void;
  /** A diameter about an axis that runs along the sheet. */
  diameter: (size: Size, at: 'left' | 'right', near: number, v?: number) => void;
  note: (path: string | readonly string[], to: Pt, at?: 'left' | 'right') => void;
  grip: (path: readonly string[], name: string, at: Pt) => void;
}

export interface FigurePen {
  /** What is open, as `rings/focus`; null when nothing is. */
  open: string | null;
  /** A number by its path, with a stand-in of the usual size. */
  size: (path: string | readonly string[], standIn: number) => Size;
  /** A word, a count or a yes of the part. */
  says: (path: string | readonly string[]) => unknown;
  /** The rows of a table, each by its path. */
  rows: (key: string) => readonly (readonly string[])[];
  /** Whether a number stands there. */
  has: (path: string | readonly string[]) => boolean;
  view: (id: FigureViewId) => ViewPen;
  /** Says what its faces are counted on. */
  block: (block: Block) => void;
}

/** How a kind is drawn. */
export type DrawFigure = (pen: FigurePen) => void;
