import { given, type Given } from '../../../build/given';
import type { Body } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { exact, sayLength } from '../../../quantity/say';
import type { Interface } from '../kit/parts';
import { canHold, interfacesOf } from '../kit/sides';
import { faceOfInterface } from '../place/pose';

/** How a body differs from another where a rig takes hold of it. */
export interface Likeness {
  /** Null where a number is missing that would have to say it. */
  same: boolean | null;
  /** What is other, or not known, in a few words each. */
  says: readonly string[];
}

/** Numbers of a body that what is around it stands against. */
const OUTSIDE = ['width', 'height', 'depth', 'axisToBase'] as const;
const WORD: Readonly<Record<(typeof OUTSIDE)[number], readonly [more: string, less: string]>> = {
  width: ['wider', 'narrower'],
  height: ['taller', 'lower'],
  depth: ['longer', 'shorter'],
  axisToBase: ['more from axis to base', 'less from axis to base'],
};

/** Whether two numbers are certainly alike inside their tolerances, cannot be, or nobody knows. */
function alike(a: Given, b: Given): boolean | null {
  if (!a.known || !b.known) return null;
  return a.known.lo <= b.known.hi && b.known.lo <= a.known.hi;
}

/**
 * Whether a body may stand where another stood: as large outside, and with the same holes and shoes
 * in the same places. Two numbers are alike where their tolerances meet. A place that nobody
 * measured on either of them is not known, not alike.
 */
export function likeness(was: Body, other: Body): Likeness {
  const says: string[] = [];
  let open = false;
  const compare = (a: Given, b: Given, say: (d: number) => string, missing: string) => {
    const same = alike(a, b);
    if (same === null) {
      open = true;
      says.push(missing);
    } else if (!same) says.push(say(b.known!.value - a.known!.value));
  };
  for (const k of OUTSIDE) {
    const [a, b] = [given(was, k), given(other, k)];
    compare(
      a,
      b,
      (d) => `${sayLength(Math.abs(d))} ${WORD[k][d > 0 ? 0 : 1]}`,
      `${(a.known ? b : a).label} not known`,
    );
  }
  // A body of which nobody said what it has, has not none.
  for (const b of [was, other])
    if (b.interfaces === undefined) {
      open = true;
      says.push(`holes of ${b.name} not known`);
    }
  const holes = other.interfaces === undefined ? [] : interfacesOf(was).filter(canHold);
  for (const i of holes) {
    if (i.type === undefined || i.face === undefined) {
      open = true;
      says.push(`what ${i.name} is: not known`);
      continue;
    }
    const j = counterpart(other, i);
    if (!j) {
      says.push(`no ${i.name}`);
      continue;
    }
    if ((j.count ?? 1) !== (i.count ?? 1))
      says.push(`${i.name}: ${exact(j.count ?? 1, 0)} in a row, not ${exact(i.count ?? 1, 0)}`);
    if ((j.pinned === true) !== (i.pinned === true))
      says.push(`${i.name}: ${j.pinned === true ? 'pinned' : 'not pinned'}`);
    const keys =
      (i.count ?? 1) > 1 ? (['x', 'y', 'z', 'spacing'] as const) : (['x', 'y', 'z'] as const);
    for (const k of keys) {
      if (k === across(i)) continue;
      compare(
        given(was, 'interfaces', i.id, k),
        given(other, 'interfaces', j.id, k),
        (d) =>
          `${i.name} ${sayLength(Math.abs(d))} ${k === 'spacing' ? 'from each to the next off' : 'elsewhere'}`,
        `where ${i.name} is: not known`,
      );
    }
  }
  return {
    same: says.length === 0 ? true : open && says.every(isOpen) ? null : false,
    says: [...new Set(says)],
  };
}

const isOpen = (s: string) => s.endsWith('not known');

/** The axis an interface's own face looks along: it stands on it. */
function across(i: Interface): 'x' | 'y' | 'z' {
  const face = faceOfInterface(i);
  return face === 'left' || face === 'right'
    ? 'x'
    : face === 'top' || face === 'bottom'
      ? 'y'
      : 'z';
}

/**
 * What another body has where one had an interface: the one of the same name, else the nearest of
 * its sort on the same face; null where there is none.
 */
export function counterpart(other: Body, i: Interface): Interface | null {
  const alike = interfacesOf(other).filter(
    (j) =>
      canHold(j) &&
      j.type === i.type &&
      j.pattern === i.pattern &&
      faceOfInterface(j) === faceOfInterface(i),
  );
  const off = (j: Interface) =>
    (['x', 'y', 'z'] as const).reduce((sum, k) => {
      const [a, b] = [valueOf(i[k]), valueOf(j[k])];
      return sum + (a === null || b === null ? 0 : Math.abs(a - b));
    }, 0);
  return (
    alike.find((j) => j.id === i.id) ??
    alike.find((j) => j.name === i.name) ??
    [...alike].sort((a, b) => off(a) - off(b))[0] ??
    null
  );
}
