import { flangeOf, type Built } from '../../../build/build';
import { chipStop, chipStopValue } from '../../../build/chip-stop';
import { constant, exactly, given, type Given } from '../../../build/given';
import { depthOfFocus, glassShift, USUAL_INDEX } from '../../../optics/backfocus';
import { circleOfConfusion } from '../../../optics/depth';
import { isReducer, type Adapter, type Link, type MarkTestRecord } from '../../../kit/types';
import { known } from '../../../quantity/quantity';
import { exact, signed } from '../../../quantity/say';
import { absolute, spread, type Spread } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/rules';
import type { Check } from '../../../checks/check';
import { judge, said } from '../../../checks/judge';

/** A plate of glass between lens and chip that moves the focus. */
export interface GlassPlate {
  thickness: Given;
  index: Given;
  /** +1: it is there; -1: the lens is made for it, or a flange already has it in. */
  sign: 1 | -1;
  what: string;
  part: string;
  /** Pieces behind it: a reducer among them scales what it does. */
  behind: number;
  indexAssumed: boolean;
}

interface ErrorFormula {
  /** Set when a mark test of these very pieces gave the error. */
  tested: string | null;
  inputs: Given[];
  glass: GlassPlate[];
  /** Error at the chip, mm, positive when the lens sits too far out. */
  value: (x: readonly number[]) => number;
}

/** The latest mark test of exactly the pieces of this rig. */
export function markTestOf(built: Built): MarkTestRecord | null {
  const { body, lens, links, job } = built;
  if (!body || !lens || !job.markTests?.length) return null;
  const parts = [body.id, ...links.map((l) => l.link.id), lens.id];
  const same = (t: MarkTestRecord) =>
    t.parts.length === parts.length && parts.every((p) => t.parts.includes(p));
  return [...job.markTests].reverse().find(same) ?? null;
}

/** Whether a piece has a place for a drop-in filter: it says something of it. */
export function hasSlot(link: Link): link is Adapter {
  if (link.kind !== 'adapter') return false;
  return [link.slotGlass, link.slotType, link.slotAllowedFor, link.slotStops].some(
    (x) => x !== undefined,
  );
}

/** Plane glass between lens and chip, as it counts in the focus error; the standards allow for none. */
export function glassPlates(built: Built): GlassPlate[] {
  const list: GlassPlate[] = [];
  const { body, lens, links } = built;
  const indexOf = (g: Given) => (g.known ? g : { ...g, known: exactly(USUAL_INDEX) });
  links.forEach(({ link, use }, i) => {
    if (!hasSlot(link) || (use.slot ?? 'glass') !== 'glass') return;
    const index = given(link, 'slotIndex');
    list.push({
      thickness: given(link, 'slotGlass'),
      index: indexOf(index),
      sign: 1,
      what: `the glass in ${link.name}`,
      part: link.id,
      behind: i,
      indexAssumed: !index.known,
    });
  });
  // A reducer is made for the body it sits on, and lenses for none of it: nothing to add.
  if (!body || !lens || lens.expectedGlass === undefined || built.reducers.length > 0) return list;
  const index = given(body, 'stackIndex');
  const own = indexOf(index);
  if (!(body.flangeAllowsGlass && body.flange !== undefined))
    list.push({
      thickness: given(body, 'stackGlass'),
      index: own,
      sign: 1,
      what: `the glass over the chip of ${body.name}`,
      part: body.id,
      behind: 0,
      indexAssumed: !index.known,
    });
  list.push({
    thickness: given(lens, 'expectedGlass'),
    index: own,
    sign: -1,
    what: `the glass ${lens.name} is designed for`,
    part: lens.id,
    behind: 0,
    indexAssumed: !index.known,
  });
  return list;
}

/**
 * Focus error of the rig at the chip, everything in one sum: flange errors of all joints, the
 * setting of a reducer, the glass in the way (which moves focus back, so the lens sits too close by
 * as much). Plain pieces: what is there minus what
 * the lens wants. A reducer is made for its pair of mounts, so it brings its own back focus error;
 * whatever is wrong ahead of it reaches the chip multiplied by m squared (longitudinal
 * magnification of a thin lens).
 */
export function errorFormula(built: Built): ErrorFormula | null {
  const { body, lens, links } = built;
  if (!body || !lens || !built.closed) return null;
  const test = markTestOf(built);
  if (test)
    return {
      tested: test.id,
      glass: [],
      inputs: [
        {
          path: ['markTests', test.id, 'error'],
          part: lens.id,
          label: `mark test of ${lens.name} on ${body.name}`,
          unit: 'mm',
          cls: 'flange',
          known: known(test.error, 'flange'),
        },
      ],
      value: (x) => x[0]!,
    };
  const inputs: Given[] = [];
  const add = (g: Given) => inputs.push(g) - 1;
  const terms: ((x: readonly number[]) => number)[] = [];
  const glass: number[] = [];
  const flange = (id: string | undefined, sign: 1 | -1): ((x: readonly number[]) => number) => {
    const known = (id ? built.mounts.get(id)?.flange : null) ?? null;
    // Between two pieces the standard cancels out of the sum: it is a number without tolerance.
    const value = known ? { ...known, tol: 0, lo: known.value, hi: known.value } : null;
    const i = add({
      ...constant(
        `flange distance of ${built.mounts.get(id ?? '')?.name ?? 'an unnamed mount'}`,
        'mm',
        value,
      ),
      cls: 'flange',
    });
    return (x) => sign * x[i]!;
  };
  const bodyIndex = add(flangeOf(built, body));
  // Walk outwards; everything after a reducer is scaled by its m squared.
  const scaled = (f: (x: readonly number[]) => number, behind: readonly number[]) => {
    const list = [...behind];
    return (x: readonly number[]) => list.reduce((e, i) => e * x[i]! * x[i]!, f(x));
  };
  const standardBody = flange(body.mount, -1);
  terms.push((x) => x[bodyIndex]! + standardBody(x));
  for (const { link } of links) {
    if (isReducer(link)) {
      const m = add(given(link, 'magnification'));
      const own = add(given(link, 'backFocus'));
      terms.push(scaled((x) => x[own]!, glass));
      glass.push(m);
    } else {
      const length = add(given(link, 'length'));
      const to = flange(link.lensMount, -1);
      const from = flange(link.bodyMount, 1);
      terms.push(scaled((x) => x[length]! + to(x) + from(x), glass));
    }
  }
  const lensIndex = add(flangeOf(built, lens));
  const standardLens = flange(lens.mount, 1);
  terms.push(scaled((x) => standardLens(x) - x[lensIndex]!, glass));
  const plates = glassPlates(built);
  for (const p of plates) {
    const t = add(p.thickness);
    const n = add(p.index);
    const behind = links
      .slice(0, p.behind)
      .flatMap(({ link }, i) => (isReducer(link) ? [glass[reducersBefore(links, i)]!] : []));
    terms.push(scaled((x) => -p.sign * glassShift(x[t]!, x[n]!), behind));
  }
  return {
    tested: null,
    glass: plates,
    inputs,
    value: (x) => terms.reduce((sum, t) => sum + t(x), 0),
  };
}

function reducersBefore(links: Built['links'], i: number): number {
  return links.slice(0, i).filter(({ link }) => isReducer(link)).length;
}

/** Flange error with its interval and its sum, or null when a number is missing. */
export function flangeError(built: Built): (Spread & { sum: string }) | null {
  const f = errorFormula(built);
  if (!f || f.inputs.some((g) => g.known === null)) return null;
  const s = spread(
    f.inputs.map((g) => g.known!),
    f.value,
  );
  return {
    ...s,
    sum: f.tested
      ? `e at the chip from the mark test of these pieces = ${signed(s.value, 4)} mm`
      : errorSum(built, f.glass, s.value),
  };
}

function errorSum(built: Built, glass: readonly GlassPlate[], e: number): string {
  const body = flangeOf(built, built.body!).known!;
  const lens = flangeOf(built, built.lens!).known!;
  const lengths = built.links.map(({ link }) =>
    isReducer(link)
      ? `${link.name} set to ${signed(given(link, 'backFocus').known?.value ?? 0, 3)}`
      : exact(given(link, 'length').known?.value ?? NaN, 3),
  );
  const plain = built.reducers.length === 0;
  const through = glass
    .map((p) => {
      const shift = -p.sign * glassShift(p.thickness.known!.value, p.index.known!.value);
      return ` ${shift < 0 ? '-' : '+'} ${exact(Math.abs(shift), 3)} (${p.what})`;
    })
    .join('');
  return plain
    ? `e = flange(body) + lengths - flange(lens) = ${[exact(body.value, 3), ...lengths].join(' + ')} - ${exact(lens.value, 3)}${through} = ${signed(e, 3)} mm`
    : `e at the chip = own error of each piece, times m^2 for what is ahead of the reducer (${lengths.join(', ')})${through} = ${signed(e, 3)} mm`;
}

/** Circle of confusion that the house works with, mm, and how it came about. */
export function confusion(built: Built): { c: number; how: string } | null {
  const { body, mode } = built;
  if (!body || !mode) return null;
  const w = given(body, 'modes', mode.id, 'w').known?.value;
  const h = given(body, 'modes', mode.id, 'h').known?.value;
  if (w === undefined || h === undefined) return null;
  if (built.rules['focus.pixel-pair'] === 1)
    return mode.pxW ? { c: (2 * w) / mode.pxW, how: 'two pixels' } : null;
  return { c: circleOfConfusion(w, h), how: 'format figure' };
}

export const mountFlange: Check = {
  id: 'mount.flange',
  title: 'Flange error against depth of focus',
  short: 'focus is off',
  says: 'Whether the lens sits where its marks were made for, glass in the way and the setting of a reducer counted in: too far out loses infinity, too close makes every mark read wrong.',
  formula:
    '|e| <= N c, e = flange(body) + lengths - flange(lens) - sum of t (1 - 1/n) of the glass in the way; ahead of a reducer e counts m^2',
  run(built) {
    const { body, lens } = built;
    const f = errorFormula(built);
    if (!body || !lens || !f) return [];
    const conf = confusion(built);
    const stopInputs = chipStop(built);
    const n = f.inputs.length;
    const c = constant('circle of confusion', 'mm', conf ? exactly(conf.c) : null);
    const inputs = [...f.inputs, ...stopInputs, c];
    const marks = built.rules['mount.marks'] === 1;
    const missing = inputs.some((g) => g.known === null);
    const e = flangeError(built);
    const focus = missing
      ? null
      : spread(
          stopInputs.map((g) => g.known!),
          (x) => depthOfFocus(chipStopValue(built, x), conf!.c),
        );
    const about = [body.id, ...built.links.map((l) => l.link.id), lens.id];
    const tooClose = e !== null && e.hi < 0;
    const verdict = judge({
      id: 'mount.flange',
      about,
      station: flangeOf(built, body).known?.value ?? null,
      inputs,
      // Evaluated on the error and the depth of focus apart: an absolute value is not monotone.
      margin: (x) =>
        depthOfFocus(chipStopValue(built, x.slice(n, n + stopInputs.length)), x[x.length - 1]!) -
        f.value(x),
      after: (s) => {
        const a = absolute(e!);
        return {
          ...s,
          value: focus!.value - a.value,
          lo: focus!.lo - a.hi,
          hi: focus!.hi - a.lo,
        };
      },
      unit: 'mm',
      limit: focus ? { value: focus.value, unit: 'mm', rule: null } : null,
      assumed: f.glass.some((p) => p.indexAssumed)
        ? `The index of the glass is taken as ${USUAL_INDEX}.`
        : null,
      why: (o) => {
        const out = e!.value >= 0;
        const by = exact(Math.abs(e!.value), 3);
        const depth = exact(focus!.value, 3);
        if (o.state === 'ok')
          return `The lens sits right within ${exact(Math.max(Math.abs(e!.lo), Math.abs(e!.hi)), 3)} mm; the depth of focus is \u00b1${depth} mm.`;
        if (o.state === 'fail')
          return out
            ? `The lens sits ${by} mm too far out, the depth of focus is \u00b1${depth} mm: infinity is lost.`
            : `The lens sits ${by} mm too close, the depth of focus is \u00b1${depth} mm: it focuses past infinity and every mark reads wrong.`;
        return `The lens may sit ${signed(e!.lo, 3)} to ${signed(e!.hi, 3)} mm off, the depth of focus is only \u00b1${depth} mm: ${e!.hi > focus!.lo ? 'infinity may be lost' : 'marks may read wrong'}.${f.tested ? '' : ' A mark test settles it.'}`;
      },
      sum: (o) =>
        `${e!.sum} (${signed(e!.lo, 3)} to ${signed(e!.hi, 3)}); depth of focus N c = ${exact(focus!.value / conf!.c, 2)} x ${exact(conf!.c, 4)} (${conf!.how}) = ${exact(focus!.value, 4)} mm; margin ${exact(o.value, 3)} mm` +
        (built.fromT ? '; T stands in for f' : ''),
      lacking: (m) =>
        `Whether the marks are right cannot be said: ${m} ${m.includes(' and ') ? 'are' : 'is'} not known. A mark test would tell.`,
      basis: `${f.tested ? '[tried] ' : ''}[math]${marks ? '' : ` ${ruleBasis('mount.marks')}`}`,
    });
    if (verdict.state === 'fail' && tooClose && !marks)
      return [
        {
          ...said(verdict),
          state: 'tight',
          why: `${verdict.why} The house pulls from the monitor, so it is not a fail.`,
          limit: { value: 0, unit: '', rule: 'mount.marks' },
        },
      ];
    return [verdict];
  },
};
