import { pixelsPerMinute } from '../areas/carry/model/endurance';
import { carried } from './carried';
import type { Reading } from './reading';
import { chipCircle, circleSum, framingSqueeze, modeSize } from '../build/circle';
import { axisOf } from '../build/axis';
import { flangeOf, type Built } from '../build/build';
import { asFunction, givens, type Lin } from '../build/lin';
import type { Given } from '../build/given';
import { chipStop, chipStopValue } from '../build/chip-stop';
import { confusion } from '../areas/mount/model/flange';
import { lacking } from '../checks/judge';
import { frameOnChip } from '../optics/coverage';
import { depthOfField, hyperfocal } from '../optics/depth';
import { diagonalCrop, fieldOfView, looksLike, widthCrop } from '../optics/field';
import { format } from '../optics/formats';
import { stopsGained } from '../optics/reducer';
import { exact, metres, plain, say, sayRange } from '../quantity/say';
import { spread } from '../quantity/spread';

export type { Reading };

interface ReadingSpec {
  id: string;
  what: string;
  /** The mode, frame or format it is of. */
  of?: string;
  atFocus?: true;
  unit: string;
  inputs: readonly Given[];
  value: (x: readonly number[]) => number;
  text?: (v: number) => string;
  sum: (v: number) => string;
  basis?: string;
}

function read(spec: ReadingSpec): Reading {
  const base = {
    id: spec.id,
    label: spec.of === undefined ? spec.what : `${spec.what}, ${spec.of}`,
    what: spec.what,
    atFocus: spec.atFocus ?? false,
    unit: spec.unit,
    basis: spec.basis ?? '[math]',
  };
  const missing = spec.inputs.filter((g) => g.known === null);
  if (missing.length > 0)
    return {
      ...base,
      value: null,
      lo: NaN,
      hi: NaN,
      text: 'unknown',
      sum: `No sum: ${missing.map((g) => g.label).join(', ')} not known.`,
      missing: lacking(missing),
    };
  const s = spread(
    spec.inputs.map((g) => g.known!),
    spec.value,
  );
  const range =
    s.hi - s.lo > 1e-9 && Number.isFinite(s.hi) ? ` (${sayRange(s.lo, s.hi, spec.unit)})` : '';
  return {
    ...base,
    value: s.value,
    lo: s.lo,
    hi: s.hi,
    text: (spec.text ?? ((v) => say(v, spec.unit)))(s.value),
    sum: `${spec.sum(s.value)}${range}`,
    missing: [],
  };
}

/** Focal length behind the reducers: inputs are the lens's focal length and each magnification. */
function effectiveFocal(built: Built): {
  inputs: readonly Given[];
  value: (x: readonly number[]) => number;
} {
  return {
    inputs: [built.focal, ...built.magnifications],
    value: (x) => x.reduce((a, b) => a * b, 1),
  };
}

function times(built: Built): string {
  return built.magnifications.map((g) => ` x ${plain(g.known?.value ?? NaN, 3)}`).join('');
}

/** Every reading of a rig, in the order in which people ask for them. */
export function readings(built: Built): Reading[] {
  return [likeness, fields, crops, light, stopAndCircle, depths, pitch, stations, carried].flatMap(
    (of) => of(built),
  );
}

/** What the lens looks like on the format people compare with. */
function likeness(built: Built): Reading[] {
  const { lens } = built;
  const ref = format(built.rig.reference);
  const [w] = modeSize(built);
  const f = effectiveFocal(built);
  const n = f.inputs.length;
  const s = built.squeeze;
  const list: Reading[] = [];
  if (lens) {
    list.push(
      read({
        id: 'looks-like',
        what: 'looks like',
        of: `on ${ref.name}, by width`,
        unit: 'mm',
        inputs: [...f.inputs, w, s],
        value: (x) => looksLike(f.value(x.slice(0, n)), x[n]! * x[n + 1]!, ref.w),
        text: (v) => `${exact(v, 1)} mm`,
        sum: (v) =>
          `f${built.magnifications.length > 0 ? ' m' : ''} w_ref / (w s) = ${plain(built.focal.known!.value)}${times(built)} x ${plain(ref.w)} / (${plain(w.known!.value)} x ${plain(s.known!.value, 3)}) = ${exact(v, 2)} mm`,
      }),
    );
  }
  return list;
}

/** What the lens sees, and what of it each frame takes. */
function fields(built: Built): Reading[] {
  const { lens } = built;
  const [w, h] = modeSize(built);
  const f = effectiveFocal(built);
  const n = f.inputs.length;
  const s = built.squeeze;
  const modeName = built.mode?.name ?? 'the mode';
  const list: Reading[] = [];
  if (lens) {
    const angle = (id: string, what: string, side: 'h' | 'v' | 'd'): Reading =>
      read({
        id,
        what,
        of: modeName,
        unit: 'deg',
        inputs: [...f.inputs, w, h, s],
        value: (x) => {
          const wide = x[n]! * x[n + 2]!;
          const length =
            side === 'h' ? wide : side === 'v' ? x[n + 1]! : Math.hypot(wide, x[n + 1]!);
          return fieldOfView(length, f.value(x.slice(0, n)));
        },
        text: (v) => `${exact(v, 1)}\u00b0`,
        sum: (v) =>
          `2 atan(${side === 'h' ? 'w s' : side === 'v' ? 'h' : 'diagonal'} / 2f), f = ${plain(built.focal.known!.value)}${times(built)} mm, ${plain(w.known!.value)} x ${plain(h.known!.value)} mm, squeeze ${plain(s.known!.value, 3)}: ${exact(v, 2)}\u00b0`,
      });
    const { upright } = built.rig;
    list.push(angle('field.h', 'field across', upright ? 'v' : 'h'));
    list.push(angle('field.v', 'field up and down', upright ? 'h' : 'v'));
    list.push(angle('field.d', 'field corner to corner', 'd'));
    for (const frame of built.frames)
      list.push(
        read({
          id: `field.frame:${frame.id}`,
          what: 'field across',
          of: `${frame.name} frame`,
          unit: 'deg',
          inputs: [...f.inputs, w, h],
          value: (x) => {
            const squeeze = framingSqueeze(built);
            const r = frameOnChip(frame, { w: x[n]!, h: x[n + 1]! }, squeeze);
            return fieldOfView(upright ? r.h : r.w * squeeze, f.value(x.slice(0, n)));
          },
          text: (v) => `${exact(v, 1)}\u00b0`,
          sum: (v) =>
            `2 atan(${upright ? 'h' : 'w s'} / 2f) over the width of the ${frame.name} frame: ${exact(v, 2)}\u00b0`,
        }),
      );
  }
  return list;
}

/** The mode against the format people compare with. */
function crops(built: Built): Reading[] {
  const { mode } = built;
  const ref = format(built.rig.reference);
  const [w, h] = modeSize(built);
  const list: Reading[] = [];
  if (mode) {
    const crop = (id: string, what: string, diagonal: boolean): Reading =>
      read({
        id,
        what,
        of: `against ${ref.name}`,
        unit: 'x',
        inputs: [w, h, ...built.magnifications],
        value: (x) => {
          const m = x.slice(2).reduce((a, b) => a * b, 1);
          return (
            m * (diagonal ? diagonalCrop(ref, { w: x[0]!, h: x[1]! }) : widthCrop(ref.w, x[0]!))
          );
        },
        sum: (v) =>
          diagonal
            ? `hypot(${plain(ref.w)}, ${plain(ref.h)}) / hypot(${plain(w.known!.value)}, ${plain(h.known!.value)})${times(built)} = ${exact(v, 3)}`
            : `${plain(ref.w)} / ${plain(w.known!.value)}${times(built)} = ${exact(v, 3)}`,
      });
    list.push(crop('crop.width', 'crop by width', false));
    list.push(crop('crop.diagonal', 'crop by diagonal', true));
  }
  return list;
}

/** What a reducer gains. */
function light(built: Built): Reading[] {
  const { lens } = built;
  const list: Reading[] = [];
  if (built.reducers.length > 0)
    list.push(
      read({
        id: 'light',
        what: 'light gained by the reducer',
        unit: 'stops',
        inputs: lens ? chipStop(built) : built.magnifications,
        value: (x) =>
          lens
            ? 2 * Math.log2(x[0]! / chipStopValue(built, x))
            : stopsGained(x.reduce((a, b) => a * b, 1)),
        text: (v) => `${exact(v, 2)} stops`,
        sum: (v) => {
          const m = built.magnifications.reduce((p, g) => p * g.known!.value, 1);
          const full = stopsGained(m);
          return `-2 log2(${plain(m, 3)}) = ${exact(full, 2)} stops${v < full - 0.005 ? `; held at ${exact(v, 2)} by the reducer's own fastest stop` : ''}`;
        },
      }),
    );
  return list;
}

/** Widest stop and image circle at the chip. */
function stopAndCircle(built: Built): Reading[] {
  const { lens } = built;
  const list: Reading[] = [];
  if (lens) {
    const stops = [built.stop, ...chipStop(built).slice(1)];
    list.push(
      read({
        id: 'stop',
        what: 'widest stop at the chip',
        unit: 'T',
        inputs: stops,
        value: (x) => chipStopValue(built, x),
        text: (v) => `T${exact(v, 2)}`,
        sum: (v) =>
          `${plain(built.stop.known!.value)}${times(built)} = T${exact(v, 2)}${built.reducers.some((r) => r.fastestStop !== undefined) ? ", not faster than the reducer's limit" : ''}`,
      }),
    );
    const circle = chipCircle(built);
    list.push(
      read({
        id: 'circle',
        what: 'image circle at the chip',
        unit: 'mm',
        inputs: circle.inputs,
        value: circle.value,
        sum: () => circleSum(built) ?? '',
      }),
    );
  }
  return list;
}

/** Hyperfocal distance, and what is sharp where it is focused. */
function depths(built: Built): Reading[] {
  const f = effectiveFocal(built);
  const n = f.inputs.length;
  const list: Reading[] = [];
  if (!built.lens) return list;
  const conf = confusion(built);
  const stopIn = chipStop(built);
  if (conf) {
    list.push(
      read({
        id: 'hyperfocal',
        what: 'hyperfocal distance',
        unit: 'mm',
        inputs: [...f.inputs, ...stopIn],
        value: (x) => hyperfocal(f.value(x.slice(0, n)), chipStopValue(built, x.slice(n)), conf.c),
        text: metres,
        sum: (v) =>
          `f^2 / (N c) + f, c = ${exact(conf.c, 4)} mm (${conf.how})${built.fromT ? ', T stands in for f' : ''}: ${exact(v, 0)} mm`,
      }),
    );
    if (built.rig.focus !== undefined) {
      const d = built.rig.focus;
      for (const side of ['near', 'far'] as const)
        list.push(
          read({
            id: `depth.${side}`,
            what: `sharp ${side === 'near' ? 'from' : 'to'}, focused at ${metres(d)}`,
            atFocus: true,
            unit: 'mm',
            inputs: [...f.inputs, ...stopIn],
            value: (x) =>
              depthOfField(f.value(x.slice(0, n)), chipStopValue(built, x.slice(n)), conf.c, d)[
                side
              ],
            text: metres,
            sum: (v) =>
              `${side === 'near' ? 's (H - f) / (H + s - 2f)' : 's (H - f) / (H - s)'}, c = ${exact(conf.c, 4)} mm (${conf.how}): ${Number.isFinite(v) ? `${exact(v, 0)} mm` : 'infinity'}`,
          }),
        );
    }
  }
  return list;
}

/** Pixel pitch. */
function pitch(built: Built): Reading[] {
  const { mode } = built;
  const [w] = modeSize(built);
  const list: Reading[] = [];
  if (mode?.pxW)
    list.push(
      read({
        id: 'pitch',
        what: 'pixel pitch',
        unit: 'um',
        inputs: [w],
        value: (x) => (x[0]! / mode.pxW!) * 1000,
        sum: (v) => `${plain(w.known!.value)} mm / ${mode.pxW} px = ${exact(v, 2)} \u00b5m`,
      }),
      steadiness(built, w, mode.pxW),
    );
  return list;
}

/**
 * How far the picture moves when the camera turns by an arc minute: `f tan(1') / pitch`. What a hand,
 * wind or a step on the floor does to it is that many pixels for each minute.
 */
function steadiness(built: Built, w: Given, pixels: number): Reading {
  const f = effectiveFocal(built);
  const n = f.inputs.length;
  return read({
    id: 'steadiness',
    what: 'pixels for an arc minute of shake',
    unit: 'px',
    inputs: [...f.inputs, w],
    value: (x) => pixelsPerMinute(f.value(x.slice(0, n)), (x[n]! / pixels) * 1000),
    text: (v) => `${exact(v, 1)} px`,
    sum: (v) => `f tan(1') / pitch = ${exact(v, 2)} px`,
  });
}

/** A station on the axis, as the sum of the lengths on the way to it. */
function station(id: string, what: string, l: Lin, digits: number): Reading {
  const inputs = givens([l]);
  const words = () =>
    l.terms
      .map(({ g, k }) => `${k === 1 ? '' : `${plain(k)} x `}${plain(g.known!.value, 3)}`)
      .join(' + ');
  return read({
    id,
    what,
    unit: 'mm',
    inputs,
    value: asFunction(l, inputs),
    text: (v) => `${exact(v, digits)} mm`,
    sum: (v) => `${words()} = ${exact(v, digits + 1)} mm`,
  });
}

/** Where the faces stand, from the image plane. */
function stations(built: Built): Reading[] {
  const { lens } = built;
  const list: Reading[] = [];
  if (built.body) {
    const flange = flangeOf(built, built.body);
    list.push(
      read({
        id: 'station.mount',
        what: 'mount face of the body',
        unit: 'mm',
        inputs: [flange],
        value: (x) => x[0]!,
        text: (v) => `${exact(v, 2)} mm`,
        sum: (v) => `flange distance of the body: ${exact(v, 3)} mm from the image plane`,
        basis: '[std] flange distance of the mount',
      }),
    );
    if (lens && built.closed) {
      const { seat, rim } = axisOf(built);
      list.push(
        station('station.lens', 'lens mount face', seat, 2),
        station('station.front', 'front of the lens', rim, 1),
      );
    }
  }
  return list;
}

/** The reading with this id. */
export function reading(list: readonly Reading[], id: string): Reading | null {
  return list.find((r) => r.id === id) ?? null;
}
