import { farthestCorner, frameOnChip } from '../optics/coverage';
import type { CircleRow, Frame } from '../kit/types';
import { isZoom, type Built } from './build';
import { exact, plain } from '../quantity/say';
import { constant, given, type Given } from './given';

/** A number computed from several inputs, not yet evaluated: its interval is taken later. */
export interface Formula {
  inputs: Given[];
  value: (x: readonly number[]) => number;
  /** What a default or an unfit number stands in for, if anything. */
  assumed: string | null;
}

const CLOSE_STOP = 0.02;

/**
 * Image circle that the lens throws at its own image plane, at the focal length and stop in use.
 * Linear between the lines of a zoom's table, never beyond them: there it is unknown. A line
 * stated for a deeper stop than the one in use only stands in.
 */
export function lensCircle(built: Built): Formula {
  const { lens } = built;
  if (!lens) return missing('image circle', '', []);
  const rows = (lens.imageCircle ?? []).map((row, i) => ({ row, i }));
  const nowhere = (label: string) => missing(label, lens.id, ['imageCircle', '0', 'diameter']);
  if (rows.length === 0) return nowhere(`image circle of ${lens.name}`);

  const stop = built.stop.known?.value ?? null;
  const fits = ({ row }: { row: CircleRow }) =>
    row.stop === undefined || (stop !== null && row.stop <= stop + CLOSE_STOP);
  const clean = rows.filter(fits);
  const usable = clean.length > 0 ? clean : rows;
  const assumed =
    clean.length > 0
      ? null
      : `The image circle is stated at T${Math.min(...usable.map((r) => r.row.stop!))} only; wider open it can be smaller.`;
  const diameter = (i: number) => given(lens, 'imageCircle', String(i), 'diameter');

  // Deeper stops have the larger clean circle: of the lines that hold, take the deepest.
  const best = (list: typeof usable) =>
    list.reduce((a, b) => ((b.row.stop ?? 0) > (a.row.stop ?? 0) ? b : a));

  const whole = usable.filter((r) => r.row.focal === undefined);
  const focal = built.focal.known?.value ?? null;
  if (!isZoom(lens) || whole.length === usable.length) {
    const list = whole.length > 0 ? whole : usable;
    return { inputs: [diameter(best(list).i)], value: (x) => x[0]!, assumed };
  }
  if (focal === null) return nowhere(`image circle of ${lens.name}`);
  const byFocal = new Map<number, typeof usable>();
  for (const r of usable)
    if (r.row.focal !== undefined)
      byFocal.set(r.row.focal, [...(byFocal.get(r.row.focal) ?? []), r]);
  const table = [...byFocal.entries()].sort((a, b) => a[0] - b[0]);
  const above = table.findIndex(([f]) => f >= focal - 1e-9);
  const label = `image circle of ${lens.name} at ${focal} mm`;
  if (above < 0) return nowhere(label);
  const hi = table[above]!;
  if (Math.abs(hi[0] - focal) < 1e-9)
    return { inputs: [diameter(best(hi[1]).i)], value: (x) => x[0]!, assumed };
  if (above === 0) return nowhere(label);
  const lo = table[above - 1]!;
  const t = (focal - lo[0]) / (hi[0] - lo[0]);
  return {
    inputs: [diameter(best(lo[1]).i), diameter(best(hi[1]).i)],
    value: (x) => x[0]! + (x[1]! - x[0]!) * t,
    assumed,
  };
}

function missing(label: string, part: string, path: string[]): Formula {
  return {
    inputs: [
      {
        ...constant(label, 'mm', null),
        path: part ? ['kit', part, ...path] : [],
        part,
        cls: 'circle',
      },
    ],
    value: () => NaN,
    assumed: null,
  };
}

/**
 * Image circle at the chip: through each reducer from the lens to the body,
 * `min(m D, exit circle)`.
 *
 * @param withExit false leaves the exit circles out: what the lens alone would give
 */
export function chipCircle(built: Built, withExit = true): Formula {
  // Several checks ask for the same circle of the same rig.
  return built.memo.once(withExit ? 'circle' : 'circle without exit', () =>
    makeChipCircle(built, withExit),
  );
}

function makeChipCircle(built: Built, withExit: boolean): Formula {
  const lens = lensCircle(built);
  const outward = [...built.reducers].reverse();
  const n = lens.inputs.length;
  const inputs = [...lens.inputs];
  for (const r of outward) {
    inputs.push(given(r, 'magnification'));
    if (withExit) inputs.push(given(r, 'exitCircle'));
  }
  const step = withExit ? 2 : 1;
  return {
    inputs,
    value: (x) => {
      let d = lens.value(x);
      for (let i = 0; i < outward.length; i++) {
        const k = n + i * step;
        d *= x[k]!;
        if (withExit) d = Math.min(d, x[k + 1]!);
      }
      return d;
    },
    assumed: lens.assumed,
  };
}

/** Width and height of the recording mode. */
export function modeSize(built: Built): readonly [Given, Given] {
  return built.memo.once(readModeSize, () => readModeSize(built));
}

function readModeSize(built: Built): readonly [Given, Given] {
  const { body, mode } = built;
  if (!body || !mode)
    return [constant('mode width', 'mm', null), constant('mode height', 'mm', null)];
  const w = given(body, 'modes', mode.id, 'w');
  const h = given(body, 'modes', mode.id, 'h');
  return [
    { ...w, label: `active width of ${mode.name} on ${body.name}` },
    { ...h, label: `active height of ${mode.name} on ${body.name}` },
  ];
}

/**
 * The squeeze that frame lines are drawn with: the stated figure. Bodies and monitors take it
 * as a setting, so it has no tolerance there.
 */
export function framingSqueeze(built: Built): number {
  return built.squeeze.known?.value ?? 1;
}

/** Farthest corner of a delivery frame on the chip, from mode width and height. */
export function frameCorner(built: Built, frame: Frame): (w: number, h: number) => number {
  const s = framingSqueeze(built);
  return (w, h) => farthestCorner(frameOnChip(frame, { w, h }, s));
}

/** The sum behind the image circle at the chip; null while a number is missing. */
export function circleSum(built: Built): string | null {
  const circle = chipCircle(built);
  if (circle.inputs.some((g) => !g.known)) return null;
  const value = circle.value(circle.inputs.map((g) => g.known!.value));
  return `${circle.inputs.map((g) => `${g.label} ${plain(g.known!.value)}`).join('; ')}: ${exact(value, 2)} mm`;
}
