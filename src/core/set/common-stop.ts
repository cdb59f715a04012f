import { buildTrial, shared, type Built, type Shared } from '../build/build';
import { isZoom } from '../build/lens';
import { lightFigures } from '../areas/light/model/light';
import { valueOf } from '../quantity/quantity';
import type { Lens, Rig } from '../kit/types';
import { exact } from '../quantity/say';

/** The stop that a whole set of lenses can be worked at, so that light need not change with them. */
export interface CommonStop {
  /** Widest T-stop at the chip that every lens holds, zooms over their range; null when unknown. */
  widest: number | null;
  /** The lens that decides it. */
  slowest: string | null;
  /** Deepest T-stop at the chip that every lens that says so still closes to. */
  deepest: number | null;
  /** T-stop to light the scene for at the widest one, with the filters that are on the rig. */
  lightFor: number | null;
  /** Lenses that do not say their stop. */
  unknown: string[];
}

/** Widest T-stop at the chip of a lens on a rig, the slower end of a zoom. */
function widestOf(on: Built, rig: Rig, lens: Lens, base: Shared): number | null {
  const ends = isZoom(lens) ? [valueOf(lens.focal), valueOf(lens.focalTo)] : [null];
  const stops = ends.map(
    (focal) =>
      lightFigures(
        buildTrial(on, on.job, { ...rig, stop: undefined, focal: focal ?? undefined }, base),
      ).chip,
  );
  return stops.some((s) => s === null) ? null : Math.max(...stops.map((s) => s!));
}

/**
 * The stop that every lens of a set can hold, through its reducers and with the filters of the rig.
 *
 * @param ways each lens with the rig that carries it: what stands between it and the body
 */
export function commonStop(
  on: Built,
  ways: readonly { lens: Lens; rig: Rig }[],
  base: Shared = shared(on.job),
): CommonStop {
  const rows = ways.map(({ lens, rig: own }) => {
    const smallest = valueOf(lens.smallestStop);
    const m = buildTrial(on, on.job, own, base).magnifications.reduce<number | null>(
      (p, g) => (p === null || !g.known ? null : p * g.known.value),
      1,
    );
    return {
      lens,
      widest: widestOf(on, own, lens, base),
      deepest: smallest === null || m === null ? null : smallest * m,
    };
  });
  const unknown = rows.filter((r) => r.widest === null).map((r) => r.lens.name);
  const slow = rows.reduce<(typeof rows)[number] | null>(
    (a, b) => (b.widest !== null && (a === null || b.widest > a.widest!) ? b : a),
    null,
  );
  const widest = unknown.length > 0 ? null : (slow?.widest ?? null);
  const total = lightFigures(on).total;
  const deep = rows.flatMap((r) => r.deepest ?? []);
  return {
    widest,
    slowest: slow?.lens.name ?? null,
    deepest: deep.length > 0 ? Math.min(...deep) : null,
    lightFor: widest === null || total === null ? null : widest * 2 ** (total.least / 2),
    unknown,
  };
}

/** One sentence of it. */
export function sayCommonStop(c: CommonStop): string {
  const stop = (t: number) => exact(t, 1);
  if (c.unknown.length > 0)
    return `What stop all of them hold is not known: ${c.unknown.join(', ')} ${c.unknown.length === 1 ? 'does' : 'do'} not say.`;
  if (c.widest === null) return 'No lens in the set.';
  if (c.deepest !== null && c.deepest < c.widest)
    return `No stop is common to all: ${c.slowest} opens to T${stop(c.widest)}, another closes to T${stop(c.deepest)} only.`;
  const light =
    c.lightFor !== null && c.lightFor > c.widest * 1.01
      ? ` With the filters on the rig light for T${stop(c.lightFor)}.`
      : '';
  return `All of them hold T${stop(c.widest)} at the chip; ${c.slowest} is the slowest.${light}`;
}
