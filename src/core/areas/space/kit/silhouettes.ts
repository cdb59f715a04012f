import type { Pt } from '../../../engine/figure';
import { valueOf, type QuantityInput } from '../../../quantity/quantity';

/**
 * What a fitted part is recognised by, within its block: fractions of its length, width and height
 * from its rear, camera left, bottom corner. A sketch of the usual piece of its kind: what is
 * computed with is the block. Common practice, no source.
 */
export interface Silhouette {
  /** From the side: along the axis, up. Outlines of the part, then lines and circles inside. */
  side: readonly Line[];
  /** From the front: across from camera right to camera left, up. */
  front: readonly Line[];
}

/** An outline that is closed, or an open line; a circle by its middle and its share of the height. */
export interface Line {
  points: readonly Pt[];
  open?: true;
  r?: number;
  inner?: true;
}

const box = (u0: number, v0: number, u1: number, v1: number, inner?: true): Line => ({
  points: [
    [u0, v0],
    [u1, v0],
    [u1, v1],
    [u0, v1],
  ],
  ...(inner ? { inner } : {}),
});
const WHOLE = box(0, 0, 1, 1);
const line = (...points: Pt[]): Line => ({ points, open: true, inner: true });
const dot = (u: number, v: number, r: number): Line => ({ points: [[u, v]], r, inner: true });
const shape = (...points: Pt[]): Line => ({ points });

const plain: Silhouette = { side: [WHOLE], front: [WHOLE] };

/** A bar on a foot. */
const handle: Silhouette = {
  side: [
    shape(
      [0, 0.7],
      [0.03, 1],
      [0.97, 1],
      [1, 0.7],
      [0.72, 0.6],
      [0.68, 0.14],
      [0.74, 0.14],
      [0.74, 0],
      [0.26, 0],
      [0.26, 0.14],
      [0.32, 0.14],
      [0.28, 0.6],
    ),
    line([0.2, 0.81], [0.8, 0.81]),
  ],
  front: [
    shape(
      [0.2, 0],
      [0.8, 0],
      [0.7, 0.6],
      [1, 0.68],
      [1, 0.94],
      [0.85, 1],
      [0.15, 1],
      [0, 0.94],
      [0, 0.68],
      [0.3, 0.6],
    ),
  ],
};

/** A grip for the hand, leaning. */
const grip: Silhouette = {
  side: [
    shape(
      [0.1, 0],
      [0.7, 0],
      [0.85, 0.35],
      [0.8, 0.6],
      [1, 0.9],
      [0.95, 1],
      [0.1, 1],
      [0, 0.9],
      [0.15, 0.5],
    ),
    line([0.25, 0.2], [0.65, 0.2]),
    line([0.25, 0.4], [0.68, 0.4]),
  ],
  front: [WHOLE, line([0.2, 0.2], [0.8, 0.2]), line([0.2, 0.4], [0.8, 0.4])],
};

/** Two balls and what is between them. */
const arm: Silhouette = {
  side: [WHOLE, dot(0.22, 0.5, 0.2), dot(0.78, 0.5, 0.2), line([0.22, 0.5], [0.78, 0.5])],
  front: [WHOLE, dot(0.5, 0.82, 0.12), dot(0.5, 0.18, 0.12), line([0.5, 0.18], [0.5, 0.82])],
};

/** A screen in its frame: it looks back. */
const monitor: Silhouette = {
  side: [
    shape([0, 0], [0.25, 0], [0.25, 0.1], [1, 0.16], [1, 0.84], [0.25, 0.9], [0.25, 1], [0, 1]),
    line([0.12, 0.05], [0.12, 0.95]),
  ],
  front: [WHOLE, box(0.16, 0.2, 0.84, 0.8, true)],
};

const recorder: Silhouette = {
  side: [WHOLE, box(0.06, 0.55, 0.3, 0.9, true)],
  front: [WHOLE, line([0, 0.3], [1, 0.3]), dot(0.2, 0.15, 0.06)],
};

/** An eyecup at the rear, a tube ahead of it. */
const finder: Silhouette = {
  side: [
    shape(
      [0, 0.1],
      [0.14, 0],
      [0.22, 0.25],
      [1, 0.25],
      [1, 0.85],
      [0.22, 0.85],
      [0.14, 1],
      [0, 0.9],
    ),
    line([0.22, 0.25], [0.22, 0.85]),
  ],
  front: [WHOLE, dot(0.5, 0.55, 0.3)],
};

const battery: Silhouette = {
  side: [WHOLE, line([0.82, 0], [0.82, 1]), line([0.1, 0.15], [0.7, 0.15])],
  front: [WHOLE, box(0.3, 0.35, 0.7, 0.65, true), line([0.3, 0.5], [0.7, 0.5])],
};

const batteryPlate: Silhouette = {
  side: [WHOLE, line([0.4, 0], [0.4, 1])],
  front: [WHOLE, shape([0.3, 0.3], [0.7, 0.3], [0.62, 0.8], [0.38, 0.8])],
};

const shoulderPad: Silhouette = {
  side: [
    shape([0, 0.25], [0.2, 0], [0.45, 0.35], [0.7, 0.3], [1, 0.05], [1, 1], [0, 1]),
    line([0, 0.75], [1, 0.75]),
  ],
  front: [WHOLE, line([0, 0.75], [1, 0.75])],
};

const counterweight: Silhouette = {
  side: [WHOLE, line([0.33, 0], [0.33, 1]), line([0.66, 0], [0.66, 1])],
  front: [WHOLE, dot(0.5, 0.5, 0.15)],
};

/** A wheel on a box. */
const handUnit: Silhouette = {
  side: [WHOLE, dot(0.5, 0.72, 0.2), line([0.15, 0.3], [0.85, 0.3])],
  front: [WHOLE, box(0.3, 0.56, 0.7, 0.88, true)],
};

/** A tube in its holder. */
const microphone: Silhouette = {
  side: [
    shape([0, 0.62], [0.42, 0.62], [0.42, 0], [0.58, 0], [0.58, 0.62], [1, 0.62], [1, 1], [0, 1]),
    line([0.5, 0.72], [0.9, 0.72]),
    line([0.5, 0.81], [0.9, 0.81]),
    line([0.5, 0.9], [0.9, 0.9]),
  ],
  front: [
    shape([0.35, 0], [0.65, 0], [0.65, 0.6], [1, 0.6], [1, 1], [0, 1], [0, 0.6], [0.35, 0.6]),
  ],
};

/** A box with an aerial. */
const radio: Silhouette = {
  side: [WHOLE, line([0.2, 0.7], [0.2, 1]), box(0.4, 0.6, 0.85, 0.85, true)],
  front: [WHOLE, line([0.2, 0.7], [0.2, 1])],
};

/** A jaw around a rod. */
const clamp: Silhouette = {
  side: [WHOLE, line([0, 0.5], [1, 0.5])],
  front: [WHOLE, dot(0.5, 0.5, 0.28), line([0.5, 0.5], [1, 0.5])],
};

const cableClamp: Silhouette = {
  side: [WHOLE, dot(0.5, 0.5, 0.3)],
  front: [WHOLE, line([0, 0.5], [1, 0.5])],
};

/** Edges that slope in under the top. */
const wedge: Silhouette = {
  side: [WHOLE, line([0, 0.55], [1, 0.55])],
  front: [shape([0, 0], [1, 0], [0.86, 0.55], [0.86, 1], [0.14, 1], [0.14, 0.55])],
};

/** What takes such an edge. */
const channel: Silhouette = {
  side: [WHOLE, line([0, 0.55], [1, 0.55])],
  front: [shape([0, 0], [1, 0], [1, 1], [0.84, 1], [0.92, 0.5], [0.08, 0.5], [0.16, 1], [0, 1])],
};

const rail: Silhouette = {
  side: [WHOLE, line([0.05, 0], [0.05, 1]), line([0.95, 0], [0.95, 1])],
  front: [shape([0.2, 0], [0.8, 0], [0.8, 0.35], [1, 0.5], [1, 1], [0, 1], [0, 0.5], [0.2, 0.35])],
};

const rosette: Silhouette = {
  side: [WHOLE, dot(0.5, 0.5, 0.42), dot(0.5, 0.5, 0.12)],
  front: [WHOLE, line([0.85, 0], [0.85, 1])],
};

const shoe: Silhouette = {
  side: [WHOLE, line([0, 0.3], [1, 0.3])],
  front: [
    shape(
      [0.15, 0],
      [0.85, 0],
      [0.85, 0.3],
      [1, 0.3],
      [1, 1],
      [0.6, 1],
      [0.6, 0.65],
      [0.4, 0.65],
      [0.4, 1],
      [0, 1],
      [0, 0.3],
      [0.15, 0.3],
    ),
  ],
};

const bracket: Silhouette = {
  side: [shape([0, 0], [1, 0], [1, 0.2], [0.25, 0.2], [0.25, 1], [0, 1])],
  front: [WHOLE, line([0, 0.2], [1, 0.2]), dot(0.5, 0.65, 0.1)],
};

const spacer: Silhouette = { side: [WHOLE, dot(0.5, 0.5, 0.2)], front: [WHOLE] };

/** What is put into the well of a battery, with its lead. */
const dummyBattery: Silhouette = {
  side: [WHOLE, line([0, 0.5], [0.2, 0.5])],
  front: [WHOLE, box(0.35, 0.1, 0.65, 0.25, true)],
};

/** A box with a socket at either end. */
const converter: Silhouette = {
  side: [WHOLE, box(0, 0.35, 0.08, 0.65, true), box(0.92, 0.35, 1, 0.65, true)],
  front: [WHOLE, dot(0.5, 0.5, 0.2)],
};

/** A camera body: its screen at the back, the plate of its mount in front, its top, its vents. */
const body: Silhouette = {
  side: [
    WHOLE,
    box(0, 0.2, 0.05, 0.78, true),
    line([0.92, 0], [0.92, 1]),
    line([0.05, 0.88], [0.92, 0.88]),
    line([0.3, 0.3], [0.3, 0.5]),
    line([0.36, 0.3], [0.36, 0.5]),
    line([0.42, 0.3], [0.42, 0.5]),
  ],
  front: [
    WHOLE,
    line([0, 0.88], [1, 0.88]),
    line([0.1, 0], [0.1, 0.88]),
    line([0.9, 0], [0.9, 0.88]),
  ],
};

/** The slab of a base plate: the wedge that the camera slides on along its top. */
const slab: Silhouette = {
  side: [WHOLE, line([0, 0.6], [1, 0.6])],
  front: [shape([0, 0], [1, 0], [1, 0.6], [0.74, 0.6], [0.8, 1], [0.2, 1], [0.26, 0.6], [0, 0.6])],
};

/** The cradle of a lens support: a fork that the barrel lies in. */
const cradle: Silhouette = {
  side: [WHOLE, line([0, 0.45], [1, 0.45])],
  front: [shape([0, 0], [1, 0], [1, 1], [0.82, 1], [0.62, 0.45], [0.38, 0.45], [0.18, 1], [0, 1])],
};

/** A share of a length that keeps clear of both ends; the usual one where a number is missing. */
const share = (of: QuantityInput | undefined, whole: QuantityInput | undefined, usual: number) => {
  const [n, all] = [valueOf(of), valueOf(whole)];
  return n === null || all === null || all <= 0 ? usual : Math.min(0.96, Math.max(0.04, n / all));
};

/** The numbers of a matte box that its look hangs on. */
type MatteBoxSizes = Partial<
  Record<'mouthZ' | 'mouthW' | 'mouthH' | 'width' | 'height', QuantityInput>
> & { stages?: readonly { z?: QuantityInput }[] };

/**
 * A matte box: its stages where its own numbers put them, the shade that opens from the last of them
 * to its mouth, and the mouth as wide and high as that is.
 */
function matteBox(part?: MatteBoxSizes): Silhouette {
  const stages = part?.stages?.length
    ? part.stages.map((s) => share(s.z, part.mouthZ, 0.2))
    : TRAYS;
  const last = Math.min(0.9, Math.max(...stages) + 0.06);
  const bend = (last + 1) / 2;
  const [w, h] = [share(part?.mouthW, part?.width, 0.86), share(part?.mouthH, part?.height, 0.82)];
  return {
    side: [
      shape([0, 0.1], [last, 0.1], [bend, 0], [1, 0], [1, 1], [bend, 1], [last, 0.9], [0, 0.9]),
      ...stages.map((u) => line([u, 0.1], [u, 0.9])),
      line([last, 0.1], [last, 0.9]),
    ],
    front: [WHOLE, box((1 - w) / 2, (1 - h) / 2, (1 + w) / 2, (1 + h) / 2, true)],
  };
}

/** Where the trays of a box stand that does not say, as shares of its depth. */
const TRAYS: readonly number[] = [0.06, 0.18, 0.3];

/** A motor or gear box on its arm, along its shaft: round where the gear sits. */
const driveBox: Silhouette = {
  side: [WHOLE],
  front: [
    shape(
      [0.18, 0],
      [0.82, 0],
      [1, 0.14],
      [1, 0.68],
      [0.85, 0.92],
      [0.65, 1],
      [0.35, 1],
      [0.15, 0.92],
      [0, 0.68],
      [0, 0.14],
    ),
    dot(0.5, 0.5, 0.3),
    dot(0.5, 0.5, 0.09),
    line([0.2, 0.1], [0.8, 0.1]),
  ],
};

/** Blocks of pieces that consist of several, by the kind and what they are of the piece. */
const OF_PIECES: Readonly<Record<string, string>> = {
  'body body': 'body',
  'plate slab': 'slab',
  'lens-support cradle': 'cradle',
  'matte-box box': 'matteBox',
  'motor box': 'driveBox',
  'follow-focus box': 'driveBox',
};

/**
 * What a block of a part is drawn as: by its kind, or by what it is of a piece of several.
 *
 * @param role what the block is of its piece
 * @param part the part it is of, where its own numbers say more than its kind
 * @returns null for one that has nothing to be recognised by
 */
export function sketchedAs(role: string, kind: string, part?: object | null): Silhouette | null {
  const as = role === 'block' ? kind : (OF_PIECES[`${kind} ${role}`] ?? '');
  return as === 'matteBox' && part ? matteBox(part) : (SILHOUETTES[as] ?? null);
}

export const SILHOUETTES: Readonly<Record<string, Silhouette>> = {
  handle,
  grip,
  arm,
  'shoulder-pad': shoulderPad,
  counterweight,
  'hand-unit': handUnit,
  monitor,
  recorder,
  finder,
  battery,
  'battery-plate': batteryPlate,
  bracket,
  clamp,
  spacer,
  'quick-plate': wedge,
  receiver: channel,
  dovetail: wedge,
  rail,
  'rosette-adapter': rosette,
  'shoe-mount': shoe,
  microphone,
  radio,
  'cable-clamp': cableClamp,
  'dummy-battery': dummyBattery,
  converter,
  body,
  slab,
  cradle,
  matteBox: matteBox(),
  driveBox,
};

/** The sketch of a kind; a plain block for one that has none. */
export function silhouetteOf(kind: string): Silhouette {
  return SILHOUETTES[kind] ?? plain;
}
