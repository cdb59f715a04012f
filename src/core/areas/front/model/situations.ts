import { node } from '../../../engine/reads';
import { axisOf, missingOf } from '../../../build/axis';
import type { Built } from '../../../build/build';
import { focalRange, isZoom, looksLikeZoom, stopsOf } from '../../../build/lens';
import { modeSize } from '../../../build/circle';
import { pupilBehind, pupilWalk } from './entrance-pupil';
import { frontOf, lensSeat } from '../place/front';
import { Inputs, type Front, type Num } from '../place/parts';
import { constant, given, type Given } from '../../../build/given';
import type { Aperture } from '../../../pupil/aperture';
import type { Direction } from '../../../pupil/inverse';
import type { Scene } from '../../../pupil/map';
import { metres, plain } from '../../../quantity/say';
import { valueOf } from '../../../quantity/quantity';
import type { Lens } from '../../../kit/types';

/** One setting of the lens at which the front is looked at. */
export interface Setting {
  /** Focal length; null for a prime. */
  focal: number | null;
  /** From the image plane, mm; Infinity. */
  focus: number;
  /** `used`: the stop worked at; `deep`: the deep stop of the house rule; or a stop. */
  stop: 'used' | 'deep' | number;
}

/** A setting with everything needed to compute it from its inputs. */
export interface Situation {
  setting: Setting;
  /** `18 mm, T2, close focus`. */
  label: string;
  inputs: Given[];
  /** Inputs from here on belong to lens and chip; those before it to the front. */
  frontInputs: number;
  /** @param only edges of the front that are built, by index; all of them when absent */
  scene: (x: readonly number[], only?: readonly number[]) => Scene;
  /** Ray direction of a point on the chip, mm from its centre, picture upright. */
  direction: (x: readonly number[], px: number, py: number) => Direction;
  /** Mode size as inputs. */
  mode: (x: readonly number[]) => { w: number; h: number };
  /** Focal length and f-stop: a longer lens narrows the beam's angle and widens the beam. */
  eitherWay: readonly number[];
  /**
   * What can be off at most: rim and pupil together, mm; the ray directions and the size of the
   * pupil, as shares.
   */
  doubt: { shift: number; aim: number; beam: number };
  assumed: string | null;
  fromT: boolean;
  /** Station of the lens seat that scenes are laid out from; 0 while it is not known. */
  seat: number;
}

/** A T-stop is at most this share larger than the f-stop of the same opening. */
const MOST_TRANSMISSION_LOSS = 0.15;

/** The front rim of the lens ahead of its seat, at a focal length and focus. */
function rimAhead(lens: Lens, focal: number | null, close: boolean, inputs: Inputs): Num {
  const base = inputs.add(
    given(lens, close && lens.lengthClose !== undefined ? 'lengthClose' : 'length'),
  );
  const range = focalRange(lens);
  if (lens.lengthTo === undefined || focal === null || !range || range.to === range.from)
    return base;
  const long = inputs.add(given(lens, 'lengthTo'));
  const t = (focal - range.from) / (range.to - range.from);
  return (x) => base(x) + (long(x) - base(x)) * t;
}

/** Share by which the field at close focus may be off that at infinity when nobody measured it. */
const BREATHING = 0.05;

/** The focal length at a setting; close up, where the field there is not known, with its doubt. */
function focalGiven(built: Built, lens: Lens, focal: number | null, close: boolean): Given {
  const g = focalAt(built, lens, focal, close);
  if (!close || !g.known || lens.focalClose !== undefined) return g;
  const { value, lo, hi } = g.known;
  const tol = Math.max(g.known.tol, value * BREATHING);
  return {
    ...g,
    label: `field of ${lens.name} focused close`,
    path: ['kit', lens.id, 'focalClose'],
    known: {
      ...g.known,
      tol,
      lo: Math.min(lo, value * (1 - BREATHING)),
      hi: Math.max(hi, value * (1 + BREATHING)),
    },
  };
}

function focalAt(built: Built, lens: Lens, focal: number | null, close: boolean): Given {
  if (looksLikeZoom(lens)) return given(lens, 'focalTo');
  const range = focalRange(lens);
  if (focal === null || !isZoom(lens) || !range)
    return given(lens, close && lens.focalClose !== undefined ? 'focalClose' : 'focal');
  const own = focal === range.from ? 'focal' : focal === range.to ? 'focalTo' : null;
  if (own === 'focal' && close && lens.focalClose !== undefined) return given(lens, 'focalClose');
  if (own) return given(lens, own);
  const tol = Math.max(0.5, focal * 0.01);
  return constant(`focal length set on ${lens.name}`, 'mm', {
    value: focal,
    tol,
    from: 'sheet',
    lo: focal - tol,
    hi: focal + tol,
  });
}

/** The stop of a setting: as a number with its doubt, and in words. */
function stopAt(
  built: Built,
  lens: Lens,
  setting: Setting,
): { stop: Given; label: string; fromT: boolean } {
  const used = stopsOf(lens, {
    focal: setting.focal ?? built.rig.focal,
    stop: typeof setting.stop === 'number' ? setting.stop : built.rig.stop,
  });
  const usedT = used.stop.known?.value ?? null;
  let stop = used.fStop;
  let label = usedT === null ? 'stop not known' : `T${plain(usedT)}`;
  if (setting.stop === 'deep' && usedT !== null && used.fStop.known) {
    const t = Math.max(built.rules['front.deep-stop'], usedT);
    const value = (used.fStop.known.value * t) / usedT;
    // The ratio of the two stops is as sure as they are.
    const share = [used.fStop, used.stop].reduce(
      (sum, g) => sum + (g.known ? g.known.tol / g.known.value : 0),
      0,
    );
    label = `T${plain(t)}`;
    stop = constant(`f-stop at ${label}`, 'f', {
      value,
      tol: value * share,
      from: 'sheet',
      lo: value * (1 - share),
      hi: value * (1 + share),
    });
  }
  if (used.fromT && stop.known) {
    // Glass takes some of the light: the opening is a little larger than the T-stop says.
    const { lo } = stop.known;
    stop = { ...stop, known: { ...stop.known, lo: lo * (1 - MOST_TRANSMISSION_LOSS) } };
  }
  return { stop, label, fromT: used.fromT };
}

/**
 * What the numbers of a setting can put off at most: lengths along the axis shift, all others turn
 * the rays or widen the beam.
 */
function doubtOf(
  inputs: readonly Given[],
  from: number,
  lengths: readonly [from: number, to: number],
  eitherWay: readonly number[],
): Situation['doubt'] {
  const doubt = { shift: 0, aim: 0, beam: 0 };
  inputs.forEach((g, i) => {
    if (i < from || !g.known) return;
    if (i >= lengths[0] && i < lengths[1]) doubt.shift += g.known.tol;
    else {
      const { value, lo, hi } = g.known;
      const share = Math.max(hi - value, value - lo) / value;
      if (i !== eitherWay[1]) doubt.aim += share;
      if (eitherWay.includes(i)) doubt.beam += share;
    }
  });
  return doubt;
}

/** `18 mm, T2, close focus`. */
function inWords(lens: Lens, { focal, focus }: Setting, stop: string): string {
  const far = !Number.isFinite(focus)
    ? 'infinity'
    : focus === valueOf(lens.closeFocus)
      ? 'close focus'
      : metres(focus);
  return [focal === null ? null : `${plain(focal)} mm`, stop, far].filter(Boolean).join(', ');
}

/** Without the stations of body and adapters only the close-focus distance is a little off. */
function addWay(built: Built, front: Front, inputs: Inputs): void {
  const { box } = front;
  // A box set by hand stands where it stands: how far that is from the lens hangs on all of them.
  if (box?.box.attach === 'rods' && box.use.station !== undefined)
    for (const g of missingOf(axisOf(built).seat)) inputs.add(g);
}

/**
 * Puts one setting together: pupil, apertures, directions, each from its inputs.
 *
 * @param front the front of this rig; null leaves the front off (the lens by itself)
 */
export function situation(
  built: Built,
  setting: Setting,
  front: Front = frontOf(built),
): Situation | null {
  const { lens } = built;
  if (!lens || !built.body || !built.mode) return null;
  const inputs = new Inputs();
  for (const g of front.inputs) inputs.add(g);
  const frontInputs = inputs.list.length;
  const { focus } = setting;
  const close = Number.isFinite(focus);
  const f = inputs.add(focalGiven(built, lens, setting.focal, close));
  const lengthsFrom = inputs.list.length;
  const behind = pupilBehind(lens, setting.focal, inputs);
  const walk = pupilWalk(built, lens, setting.focal, inputs);
  const rim = rimAhead(lens, setting.focal, close, inputs);
  const lengthsTo = inputs.list.length;
  const { stop, label, fromT } = stopAt(built, lens, setting);
  const eitherWay = [frontInputs, lengthsTo];
  const n = inputs.add(stop);
  const [w, h] = modeSize(built).map((g) => inputs.add(g)) as [Num, Num];
  const mags = built.magnifications.map((m) => inputs.add(m));
  const s = inputs.add(built.squeeze);
  const squeezesAhead = lens.squeeze !== undefined && lens.squeezeAt !== 'rear';
  const doubt = doubtOf(inputs.list, frontInputs, [lengthsFrom, lengthsTo], eitherWay);
  addWay(built, front, inputs);
  const seat = lensSeat(built) ?? 0;
  return {
    setting,
    label: inWords(lens, setting, label),
    inputs: inputs.list,
    frontInputs,
    eitherWay,
    doubt,
    scene: (x, only) => {
      const rimAt = seat + rim(x);
      const apertures = only
        ? only.map((i): Aperture => front.edges[i]!.at(x, rimAt))
        : front.edges.map((e): Aperture => e.at(x, rimAt));
      const z = rimAt - behind.value(x);
      // In front of a squeeze the pupil is as high as f / N and as wide as f / (s N).
      const aspect = squeezesAhead ? 1 / s(x) : 1;
      return {
        pupil: { z, r: f(x) / (2 * n(x)), aspect, walk: walk(x) },
        apertures,
        distance: close ? Math.max(1, focus - z) : Infinity,
      };
    },
    direction: (x, px, py) => {
      let own = f(x);
      for (const m of mags) own *= m(x);
      return { tx: (px * s(x)) / own, ty: py / own };
    },
    mode: (x) => ({ w: w(x), h: h(x) }),
    assumed: [behind.assumed, front.assumed].filter(Boolean).join(' ') || null,
    fromT,
    seat,
  };
}

/**
 * Every setting at which the front has to hold: both ends of a zoom and where it is set, at
 * infinity and at close focus, at the stop worked at and at a deep stop.
 */
export function situations(built: Built): Situation[] {
  return built.once(SITUATIONS);
}

const SITUATIONS = node('situations', makeSituations);

function makeSituations(built: Built): Situation[] {
  const { lens } = built;
  if (!lens) return [];
  const range = focalRange(lens);
  const focals: (number | null)[] =
    isZoom(lens) && range
      ? [...new Set([range.from, built.focal.known?.value ?? range.from, range.to])]
      : [null];
  const { foci, assumed } = fociOf(lens, range?.from ?? null);
  const list: Situation[] = [];
  for (const focal of focals)
    for (const focus of foci)
      for (const stop of ['used', 'deep'] as const) {
        const s = situation(built, { focal, focus, stop });
        if (s) list.push({ ...s, assumed: [s.assumed, assumed].filter(Boolean).join(' ') || null });
      }
  return list;
}

/** A lens of which nobody said it focuses down to so many of its focal lengths. Common practice, no source. */
const NEAREST = 10;

/**
 * Infinity and close focus; where nobody said how close, a distance that stands in, and that it does.
 *
 * @param shortest the shortest focal length, mm; null while it is not known
 */
export function fociOf(
  lens: Lens,
  shortest: number | null,
): { foci: number[]; assumed: string | null } {
  const close = valueOf(lens.closeFocus);
  if (close !== null) return { foci: [Infinity, close], assumed: null };
  const near = shortest === null ? null : NEAREST * shortest;
  return {
    foci: near === null ? [Infinity] : [Infinity, near],
    assumed: `The close focus of ${lens.name} is not known${near === null ? '' : `; it is taken at ${metres(near)}`}.`,
  };
}
