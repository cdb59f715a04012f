import type { Lens, Rig } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { type Given, constant, given, exactly } from './given';

/** Whether a lens is a zoom. */
export function isZoom(lens: Lens | null): lens is Lens {
  return lens !== null && valueOf(lens.focalTo) !== null;
}

/**
 * Whether a lens has what only zooms have, and no long end: then nobody knows what it is set to,
 * nor where its ends are.
 */
export function looksLikeZoom(lens: Lens | null): boolean {
  if (!lens || valueOf(lens.focalTo) !== null) return false;
  const focals = new Set(
    [...(lens.imageCircle ?? []), ...(lens.pupil ?? []), ...(lens.falloff ?? [])]
      .map((r) => r.focal)
      .filter((f) => f !== undefined),
  );
  return (
    focals.size > 1 ||
    [lens.lengthTo, lens.tStopTo, lens.fStopTo].some((x) => x !== undefined) ||
    (lens.rings ?? []).some((r) => r.turns === 'zoom')
  );
}

/** Focal range of a lens, mm; null when the short end is not known. */
export function focalRange(lens: Lens | null): { from: number; to: number } | null {
  const from = lens ? valueOf(lens.focal) : null;
  if (from === null || !lens) return null;
  return { from, to: valueOf(lens.focalTo) ?? from };
}

export function focalOf(lens: Lens | null, rig: Rig): Given {
  if (!lens) return constant('focal length', 'mm', null);
  const range = focalRange(lens);
  if (looksLikeZoom(lens)) return given(lens, 'focalTo');
  if (!range || !isZoom(lens)) return given(lens, 'focal');
  const at = Math.min(range.to, Math.max(range.from, rig.focal ?? range.from));
  // The ring is read to about its line: half a millimetre or one in a hundred.
  const tol = Math.max(0.5, at * 0.01);
  return {
    ...constant(`focal length set on ${lens.name}`, 'mm', {
      value: at,
      tol,
      from: 'sheet',
      lo: at - tol,
      hi: at + tol,
    }),
    part: lens.id,
  };
}

/** The stop worked at: as T, as f, and whether that follows from a T. */
export interface Stops {
  stop: Given;
  fStop: Given;
  fromT: boolean;
}

/** Stop in use and the f-stop that goes with it, at the focal length the rig is set to. */
export function stopsOf(lens: Lens | null, rig: Pick<Rig, 'stop' | 'focal'>): Stops {
  const none = constant('stop', 'T', null);
  if (!lens) return { stop: none, fStop: constant('f-stop', 'f', null), fromT: false };
  const t = widestAt(lens, rig, 'tStop', 'tStopTo');
  const f = widestAt(lens, rig, 'fStop', 'fStopTo');
  const widest = t.known ? t : throughGlass(f, t);
  // No lens opens wider than it does, whatever was set.
  const set = rig.stop === undefined ? null : exactly(Math.max(rig.stop, widest.known?.value ?? 0));
  const stop: Given =
    set === null ? widest : { ...constant(`stop set on ${lens.name}`, 'T', set), part: lens.id };
  // The f-stop follows the T-stop by the lens's own transmission; when only T is known, T stands in.
  if (f.known && t.known && set) {
    const value = set.value * (f.known.value / t.known.value);
    // Both are known as well as their makers say them, and so is what the glass takes.
    const [lo, hi] = [set.value * (f.known.lo / t.known.hi), set.value * (f.known.hi / t.known.lo)];
    const known = { ...exactly(value), tol: Math.max(value - lo, hi - value), lo, hi };
    return {
      stop,
      fStop: constant(`f-stop of ${lens.name} at T${set.value}`, 'f', known),
      fromT: false,
    };
  }
  if (f.known) return { stop, fStop: set ? { ...stop, unit: 'f' } : f, fromT: set !== null };
  return { stop, fStop: { ...stop, unit: 'f' }, fromT: true };
}

/** What glass takes of the light, stops: from a few elements to a large zoom. Common practice, no source. */
const GLASS = { least: 0, usual: 0.3, most: 0.7 };

/** The T-stop of a lens of which only the f-stop is known: slower by what the glass takes. */
function throughGlass(f: Given, t: Given): Given {
  if (!f.known) return { ...f, label: t.label };
  const by = (stops: number) => 2 ** (stops / 2);
  const value = f.known.value * by(GLASS.usual);
  const [lo, hi] = [f.known.lo * by(GLASS.least), f.known.hi * by(GLASS.most)];
  const known = { value, lo, hi, tol: Math.max(value - lo, hi - value), from: 'guess' as const };
  return { ...t, known };
}

/**
 * Widest stop of a lens at the focal length it is set to. Between the ends of a zoom of variable
 * aperture it lies somewhere between the two stops: linear in focal length as the likely value,
 * either end as what it could be.
 */
function widestAt(
  lens: Lens,
  rig: Pick<Rig, 'focal'>,
  wideKey: 'tStop' | 'fStop',
  longKey: 'tStopTo' | 'fStopTo',
): Given {
  const wide = given(lens, wideKey);
  const range = focalRange(lens);
  if (!isZoom(lens) || !range || lens[longKey] === undefined) return wide;
  const long = given(lens, longKey);
  const at = Math.min(range.to, Math.max(range.from, rig.focal ?? range.from));
  if (at <= range.from) return wide;
  if (at >= range.to || !long.known) return long;
  if (!wide.known) return wide;
  const t = (at - range.from) / (range.to - range.from);
  const value = wide.known.value + (long.known.value - wide.known.value) * t;
  const lo = Math.min(wide.known.lo, long.known.lo);
  const hi = Math.max(wide.known.hi, long.known.hi);
  return {
    ...constant(`${wide.label} at ${at} mm`, wide.unit, {
      value,
      tol: Math.max(value - lo, hi - value),
      from: 'sheet',
      lo,
      hi,
    }),
    part: lens.id,
  };
}
