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
const WAYS = [-30, 30, -150, 150, 180, 0, -100, -80, 100, 80, -60, -120].map((a) => {
  const [x, y] = [Math.cos((a * Math.PI) / 180), Math.sin((a * Math.PI) / 180)];
  // The side of the name that is nearest to its point: its left, its right, or its middle.
  return { x, y, side: x > 0.1 ? 0 : x < -0.1 ? 1 : 0.5 };
});
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
  const over = (b: Box) => out.some((o) => near(b, o)) || taken.some((o) => near(b, o));
  for (const n of names) {
    const place = placeFor(n, sheet, over);
    if (place) out.push({ ...n, ...place });
  }
  return out;
}

interface Box {
  left: number;
  top: number;
  w: number;
  h: number;
}

function near(b: Box, o: Box): boolean {
  return (
    b.left < o.left + o.w + AIR &&
    o.left < b.left + b.w + AIR &&
    b.top < o.top + o.h + AIR &&
    o.top < b.top + b.h + AIR
  );
}

/** The first place that is on the sheet and free. Names are placed with every move: it stops there. */
function placeFor(
  n: Named,
  sheet: { w: number; h: number },
  over: (b: Box) => boolean,
): Box | null {
  for (const r of STEPS)
    for (const way of WAYS) {
      const left = n.x + r * way.x - n.w * way.side;
      const top = n.y + r * way.y - n.h / 2;
      if (left < 0 || top < 0 || left + n.w > sheet.w || top + n.h > sheet.h) continue;
      const box = { left, top, w: n.w, h: n.h };
      if (!over(box)) return box;
    }
  return null;
}
