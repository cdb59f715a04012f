import type { FalloffRow } from '../../../kit/types';
import type { Direction } from '../../../pupil/inverse';
import type { Built } from '../../../build/build';
import type { Situation } from './situations';
import { nominal } from './looks';
import { shadingMap, stacks, seen } from '../../../pupil/map';

export type Layer = 'mechanical' | 'natural' | 'reducer';

export const LAYERS: readonly Layer[] = ['mechanical', 'natural', 'reducer'];

/** Shading over the whole chip at one setting, in stops, row 0 at the bottom of the picture. */
export interface ChipShading {
  nx: number;
  ny: number;
  /** Size of the chip, mm. */
  w: number;
  h: number;
  mechanical: Float64Array;
  natural: Float64Array;
  /** Null when a reducer is on and says nothing of its own shading. */
  reducer: Float64Array | null;
  hard: Uint8Array;
  /** Index into the edges of the front, -1 where nothing takes anything. */
  culprit: Int16Array;
  /** Where the natural falloff comes from. */
  naturalFrom: 'table' | 'estimate';
}

/** Loss by image height, linear between the lines of a table; the last line holds beyond it. */
function curveOf(rows: readonly FalloffRow[]): (height: number) => number {
  const lines = [...rows].sort((a, b) => a.height - b.height);
  return (height) => {
    let h0 = 0;
    let s0 = 0;
    for (const r of lines) {
      if (height <= r.height)
        return r.height === h0 ? r.stops : s0 + ((r.stops - s0) * (height - h0)) / (r.height - h0);
      h0 = r.height;
      s0 = r.stops;
    }
    return s0;
  };
}

/** A falloff table at a focal length: linear between the lengths it is given for. */
function tableAt(rows: readonly FalloffRow[], focal: number | null): (height: number) => number {
  const focals = [...new Set(rows.map((r) => r.focal))];
  if (focals.includes(undefined) || focal === null)
    return curveOf(rows.filter((r) => r.focal === focals[0]));
  const sorted = focals.filter((f): f is number => f !== undefined).sort((a, b) => a - b);
  const lo = [...sorted].reverse().find((f) => f <= focal) ?? sorted[0]!;
  const hi = sorted.find((f) => f >= focal) ?? sorted[sorted.length - 1]!;
  const a = curveOf(rows.filter((r) => r.focal === lo));
  if (lo === hi) return a;
  const b = curveOf(rows.filter((r) => r.focal === hi));
  const t = (focal - lo) / (hi - lo);
  return (height) => a(height) + (b(height) - a(height)) * t;
}

/**
 * Natural falloff of a ray direction: the fourth power of the cosine, in stops. An estimate: many
 * lenses are better. Source: the cos^4 law of illumination.
 */
export function naturalLoss(t: Direction): number {
  return 2 * Math.log2(1 + t.tx * t.tx + t.ty * t.ty);
}

/** What lens and reducer lose by themselves at a point of the chip, mm from its centre. */
export type SoftLosses = (px: number, py: number) => { natural: number; reducer: number | null };

/**
 * Shading that does not come from what stands in front, at one setting: the falloff of the lens
 * (its own table, or the estimate) and that of its reducers; null where one says nothing of it.
 */
export function softLosses(built: Built, sit: Situation, x: readonly number[]): SoftLosses {
  let m = 1;
  for (const g of built.magnifications) m *= g.known?.value ?? 1;
  const rows = built.lens?.falloff;
  const own = rows?.length ? tableAt(rows, sit.setting.focal) : null;
  const says = built.reducers.every((r) => r.falloff?.length);
  const reducers = says ? built.reducers.map((r) => tableAt(r.falloff!, null)) : null;
  return (px, py) => {
    const height = Math.hypot(px, py);
    return {
      natural: own ? own(height / m) : naturalLoss(sit.direction(x, px, py)),
      reducer: reducers ? reducers.reduce((sum, at) => sum + at(height), 0) : null,
    };
  };
}

/** Shading of the whole chip at a setting; null when a number is missing. */
export function chipShading(
  built: Built,
  sit: Situation,
  nx: number,
  ny: number,
): ChipShading | null {
  const x = nominal(sit);
  if (!x) return null;
  const { w, h } = sit.mode(x);
  const a = sit.direction(x, -w / 2, -h / 2);
  const b = sit.direction(x, w / 2, h / 2);
  const map = shadingMap(
    sit.scene(x),
    { nx, ny, left: a.tx, right: b.tx, bottom: a.ty, top: b.ty },
    { culprits: true },
  );
  const n = nx * ny;
  const mechanical = new Float64Array(n);
  const natural = new Float64Array(n);
  const losses = softLosses(built, sit, x);
  const reducer = built.reducers.every((r) => r.falloff?.length) ? new Float64Array(n) : null;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const f = map.fraction[k]!;
      mechanical[k] = f >= 1 ? 0 : f <= 2 ** -10 ? 10 : -Math.log2(f);
      const soft = losses(
        (nx < 2 ? 0 : i / (nx - 1) - 0.5) * w,
        (ny < 2 ? 0 : j / (ny - 1) - 0.5) * h,
      );
      natural[k] = soft.natural;
      if (reducer) reducer[k] = soft.reducer ?? 0;
    }
  return {
    nx,
    ny,
    w,
    h,
    mechanical,
    natural,
    reducer,
    hard: map.hard,
    culprit: map.culprit!,
    naturalFrom: built.lens?.falloff?.length ? 'table' : 'estimate',
  };
}

/** One point of the profile from the middle of the chip to a corner. */
export interface ProfilePoint {
  /** Distance from the middle, mm. */
  at: number;
  mechanical: number;
  natural: number;
  reducer: number | null;
  total: number;
}

/**
 * Shading along the diagonal, from the lower left corner of the chip through its middle to the
 * upper right (or the other diagonal).
 */
export function profile(
  built: Built,
  sit: Situation,
  n: number,
  falling = false,
): ProfilePoint[] | null {
  const x = nominal(sit);
  if (!x) return null;
  const { w, h } = sit.mode(x);
  const of = stacks(sit.scene(x));
  const losses = softLosses(built, sit, x);
  return Array.from({ length: n }, (_, i) => {
    const u = (2 * i) / (n - 1) - 1;
    const px = (u * w) / 2;
    const py = ((falling ? -u : u) * h) / 2;
    const t = sit.direction(x, px, py);
    const mechanical = seen(of(t.tx, t.ty), t.tx, t.ty).loss;
    const soft = losses(px, py);
    return {
      at: u * (Math.hypot(w, h) / 2),
      mechanical,
      ...soft,
      total: mechanical + soft.natural + (soft.reducer ?? 0),
    };
  });
}
