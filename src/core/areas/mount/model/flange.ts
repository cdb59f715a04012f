import { type Given, exactly, given, constant } from '../../../build/given';
import { type Built, flangeOf } from '../../../build/build';
import { type MarkTestRecord, type Link, type Adapter, isReducer } from '../../../kit/types';
import { USUAL_INDEX, glassShift } from '../../../optics/backfocus';
import { known } from '../../../quantity/quantity';
import { type Spread, spread } from '../../../quantity/spread';
import { signed, exact } from '../../../quantity/say';
import { circleOfConfusion } from '../../../optics/depth';

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
