import { node } from '../engine/reads';
import { farthestCorner, frameOnChip } from '../optics/coverage';
import type { CircleRow, Frame } from '../kit/types';
import { isZoom, looksLikeZoom } from './lens';
import { type Built } from './build';
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
 * Linear between the lines of a zoom's table, never beyond them: there it is unknown. A line holds
 * at its stop and deeper, so of the lines that hold the largest counts. Wider open than any line
 * the widest stop's line is an upper bound: at best tight. Opening up never enlarges the circle.
 */
export function lensCircle(built: Built): Formula {
  const { lens } = built;
  if (!lens) return missing('image circle', '', []);
  const rows = (lens.imageCircle ?? []).map((row, i) => ({ row, i }));
  const nowhere = (label: string) => missing(label, lens.id, ['imageCircle', '0', 'diameter']);
  if (rows.length === 0) return nowhere(`image circle of ${lens.name}`);
  const stop = built.stop.known?.value ?? null;
  const diameter = (i: number) => given(lens, 'imageCircle', String(i), 'diameter');
  const atStop = (list: readonly { row: CircleRow; i: number }[]) => {
    const holds = list.filter(
      ({ row }) => row.stop === undefined || (stop !== null && row.stop <= stop + CLOSE_STOP),
    );
    if (holds.length > 0) return { lines: holds, assumed: null };
    const widest = Math.min(...list.map(({ row }) => row.stop!));
    return {
      lines: list.filter(({ row }) => row.stop === widest),
      assumed: `The image circle is stated at T${plain(widest)} and deeper only; ${stop === null ? 'which stop is worked at is not known' : 'wider open it can be smaller, never larger'}.`,
    };
  };
  const focal = built.focal.known?.value ?? null;
  const whole = rows.filter((r) => r.row.focal === undefined);
  if (whole.length === rows.length || (!isZoom(lens) && !looksLikeZoom(lens))) {
    const { lines, assumed } = atStop(whole.length > 0 ? whole : rows);
    return {
      inputs: lines.map((l) => diameter(l.i)),
      value: (x) => Math.max(...x.slice(0, lines.length)),
      assumed,
    };
  }
  if (focal === null) return nowhere(`image circle of ${lens.name}`);
  const byFocal = new Map<number, typeof rows>();
  for (const r of rows)
    if (r.row.focal !== undefined)
      byFocal.set(r.row.focal, [...(byFocal.get(r.row.focal) ?? []), r]);
  const table = [...byFocal.entries()].sort((a, b) => a[0] - b[0]);
  const above = table.findIndex(([f]) => f >= focal - 1e-9);
  const label = `image circle of ${lens.name} at ${focal} mm`;
  if (above < 0) return nowhere(label);
  const hi = table[above]!;
  if (above === 0 && Math.abs(hi[0] - focal) >= 1e-9) return nowhere(label);
  const exactlyThere = Math.abs(hi[0] - focal) < 1e-9;
  const lo = exactlyThere ? hi : table[above - 1]!;
  const t = exactlyThere ? 0 : (focal - lo[0]) / (hi[0] - lo[0]);
  const a = atStop(lo[1]);
  const b = exactlyThere ? { lines: [], assumed: null } : atStop(hi[1]);
  const n = a.lines.length;
  return {
    inputs: [...a.lines, ...b.lines].map((l) => diameter(l.i)),
    value: (x) => {
      const from = Math.max(...x.slice(0, n));
      return exactlyThere ? from : from + (Math.max(...x.slice(n, n + b.lines.length)) - from) * t;
    },
    assumed: a.assumed ?? b.assumed,
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
  return built.once(withExit ? CIRCLE : LENS_CIRCLE);
}

const CIRCLE = node('circle', (built: Built) => makeChipCircle(built, true));
const LENS_CIRCLE = node('circle without exits', (built: Built) => makeChipCircle(built, false));

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
  return built.once(MODE_SIZE);
}

const MODE_SIZE = node('mode size', readModeSize);

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
export function framingSqueeze(built: Pick<Built, 'squeeze'>): number {
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
