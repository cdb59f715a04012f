/** A name that wants a place on a drawing: what it points at and how large it is written, px. */
export interface Named {
  key: string;
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Where it stands: its upper left corner. */
export type PlacedName<T extends Named = Named> = T & { left: number; top: number };

/** Steps away from what is named, px, and the ways that are tried at each, right and up first. */
const STEPS = [14, 26, 42, 62, 86, 116, 150, 190, 235, 285, 340];
const WAYS = [-30, 30, -150, 150, 180, 0, -100, -80, 100, 80, -60, -120].map(
  (a) => (a * Math.PI) / 180,
);
/** Room kept between two of them, px. */
const AIR = 3;

/**
 * Places names one after the other, the first where it likes best: none over another, over what is
 * taken, or past the sheet. A name for which there is no room is left out.
 *
 * @param taken what is not to be written over: left, top, width, height
 */
export function placeNames<T extends Named>(
  names: readonly T[],
  sheet: { w: number; h: number },
  taken: readonly { left: number; top: number; w: number; h: number }[] = [],
): PlacedName<T>[] {
  const out: PlacedName<T>[] = [];
  const free = (b: { left: number; top: number; w: number; h: number }) =>
    b.left >= 0 &&
    b.top >= 0 &&
    b.left + b.w <= sheet.w &&
    b.top + b.h <= sheet.h &&
    ![...out, ...taken].some(
      (o) =>
        b.left < o.left + o.w + AIR &&
        o.left < b.left + b.w + AIR &&
        b.top < o.top + o.h + AIR &&
        o.top < b.top + b.h + AIR,
    );
  for (const n of names) {
    const place = STEPS.flatMap((r) => WAYS.map((a) => boxAt(n, r, a))).find(free);
    if (place) out.push({ ...n, ...place });
  }
  return out;
}

/** A name beside its point: the side of it that is nearest lies `r` away. */
function boxAt(n: Named, r: number, a: number) {
  const [cx, cy] = [n.x + r * Math.cos(a), n.y + r * Math.sin(a)];
  const left = Math.cos(a) > 0.1 ? cx : Math.cos(a) < -0.1 ? cx - n.w : cx - n.w / 2;
  return { left, top: cy - n.h / 2, w: n.w, h: n.h };
}
