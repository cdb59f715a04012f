import { framingSqueeze, modeSize } from '../build/circle';
import { focalRange } from '../build/lens';
import { type Built } from '../build/build';
import { chipStop, chipStopValue } from '../build/chip-stop';
import { confusion } from '../areas/mount/model/flange';
import { depthOfField } from '../optics/depth';
import { fieldOfView } from '../optics/field';
import { readings, type Reading } from '../readings/readings';
import { lensSet } from '../areas/coverage/moves/lens';
import { exact, metres, mm } from '../quantity/say';

/**
 * Subject width that fills a chip width `w` at focal length `f` from `s` (image plane to
 * subject), thin lens: `u^2 - s u + f s = 0`, `W = w (u - f) / f`. Null inside 4f, where no
 * sharp picture exists.
 */
export function subjectWidth(w: number, f: number, s: number): number | null {
  const root = s * s - 4 * f * s;
  if (root < 0) return null;
  const u = (s + Math.sqrt(root)) / 2;
  return (w * (u - f)) / f;
}

/** Distance from which a subject of width `W` fills the chip: `s = f (2 + W/w + w/W)`. */
export function distanceFor(w: number, f: number, W: number): number {
  return f * (2 + W / w + w / W);
}

export interface Side {
  built: Built;
  readings: Reading[];
  /** Distance from image plane to subject for the same framing, mm. */
  distance: number | null;
  near: number | null;
  far: number | null;
}

export interface Comparison {
  a: Side;
  b: Side;
  /** Width of the subject plane that both frame, mm. */
  subject: number | null;
  /** Focal length that B would need to see A's horizontal field from the same place. */
  matchFocal: number | null;
  /** Lenses of the set nearest to it. */
  nearest: { id: string; name: string; focal: number; off: number }[];
  sentences: string[];
}

interface Numbers {
  f: number;
  wide: number;
}

function numbers(built: Built): Numbers | null {
  const [w] = modeSize(built);
  const f = built.focal.known?.value;
  if (!w.known || f === undefined || built.magnifications.some((g) => !g.known)) return null;
  return {
    f: f * built.magnifications.reduce((p, g) => p * g.known!.value, 1),
    wide: w.known.value * framingSqueeze(built),
  };
}

function depth(built: Built, distance: number | null): { near: number | null; far: number | null } {
  const n = numbers(built);
  const conf = confusion(built);
  const stop = chipStop(built);
  if (distance === null || !n || !conf || stop.some((g) => !g.known))
    return { near: null, far: null };
  return depthOfField(
    n.f,
    chipStopValue(
      built,
      stop.map((g) => g.known!.value),
    ),
    conf.c,
    distance,
  );
}

/**
 * Two set-ups on the same subject: B is moved until the subject fills the same share of the
 * width of its mode as it does in A at `distance`.
 *
 * @param distance of A from image plane to subject, mm
 */
export function compare(a: Built, b: Built, distance: number): Comparison {
  const na = numbers(a);
  const nb = numbers(b);
  const subject = na ? subjectWidth(na.wide, na.f, distance) : null;
  const distanceB = nb && subject !== null ? distanceFor(nb.wide, nb.f, subject) : null;
  const sideA: Side = {
    built: a,
    readings: readings(a),
    distance: subject === null ? null : distance,
    ...depth(a, subject === null ? null : distance),
  };
  const sideB: Side = {
    built: b,
    readings: readings(b),
    distance: distanceB,
    ...depth(b, distanceB),
  };
  const m = b.magnifications.reduce((p, g) => p * (g.known?.value ?? NaN), 1);
  const matchFocal = na && nb && Number.isFinite(m) ? (na.f * nb.wide) / na.wide / m : null;
  const nearest =
    matchFocal === null
      ? []
      : lensSet(b.job)
          .map((l) => {
            const range = focalRange(l);
            if (!range) return null;
            const focal = Math.min(range.to, Math.max(range.from, matchFocal));
            return { id: l.id, name: l.name, focal, off: Math.abs(Math.log(focal / matchFocal)) };
          })
          .filter((x) => x !== null)
          .sort((x, y) => x.off - y.off)
          .slice(0, 3);
  return {
    a: sideA,
    b: sideB,
    subject,
    matchFocal,
    nearest,
    sentences: sentences(sideA, sideB, na, nb, subject, matchFocal),
  };
}

function sentences(
  a: Side,
  b: Side,
  na: Numbers | null,
  nb: Numbers | null,
  subject: number | null,
  match: number | null,
): string[] {
  const list: string[] = [];
  if (!na || !nb) {
    const who = [!na && a.built.rig.name, !nb && b.built.rig.name].filter(Boolean).join(' and ');
    return [`${who} cannot be compared yet: its focal length, mode or magnification is not known.`];
  }
  const fa = fieldOfView(na.wide, na.f);
  const fb = fieldOfView(nb.wide, nb.f);
  list.push(
    Math.abs(fa - fb) < 0.05
      ? `Both see ${exact(fa, 1)}\u00b0 across.`
      : `${fb > fa ? b.built.rig.name : a.built.rig.name} sees wider: ${exact(Math.max(fa, fb), 1)}\u00b0 against ${exact(Math.min(fa, fb), 1)}\u00b0 across.`,
  );
  if (subject === null)
    list.push(
      `${a.built.rig.name} cannot focus on a subject that near: it is inside four focal lengths.`,
    );
  else if (a.distance !== null && b.distance !== null)
    list.push(
      `The same ${metres(subject)} wide subject fills both from ${metres(a.distance)} with ${a.built.rig.name} and from ${metres(b.distance)} with ${b.built.rig.name}.`,
    );
  if (match !== null)
    list.push(
      `From the same place ${b.built.rig.name} would want ${mm(match, 1)} on the lens to see what ${a.built.rig.name} sees across.`,
    );
  if (a.near !== null && a.far !== null && b.near !== null && b.far !== null) {
    const da = a.far - a.near;
    const db = b.far - b.near;
    const say = (d: number) => (Number.isFinite(d) ? metres(d) : 'no far end');
    list.push(
      `Depth of field at that framing: ${say(da)} with ${a.built.rig.name}, ${say(db)} with ${b.built.rig.name}.`,
    );
  }
  return list;
}
