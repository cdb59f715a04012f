import type { Part } from './types';

/** Characters that turn the direction of what stands around them, or show as nothing at all. */

const ODD = /[\u0000-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff]/;

const CONTROL = /[\u0000-\u001f\u007f]/g;
const FIRST_STRONG_ISOLATE = '\u2068';
const POP_ISOLATE = '\u2069';

/**
 * A name as it may stand in a sentence: control characters as their pictures, and what turns the
 * direction of writing shut in, so that it cannot turn the words around it.
 */
export function tame(name: string): string {
  if (!ODD.test(name)) return name;
  const shown = name.replace(CONTROL, (c) =>
    c === '\u007f' ? '\u2421' : String.fromCharCode(0x2400 + c.charCodeAt(0)),
  );
  // One that is opened and not closed inside would reach beyond it: each is closed again.
  const open = (shown.match(/[\u202a\u202b\u202d\u202e]/g) ?? []).length;
  const shut = (shown.match(/\u202c/g) ?? []).length;
  return `${FIRST_STRONG_ISOLATE}${shown}${'\u202c'.repeat(Math.max(0, open - shut))}${POP_ISOLATE}`;
}

const kept = new WeakMap<Part, Part>();

/** A part with its name as it may stand in a sentence; nearly always the part itself. */
export function tamed(part: Part): Part {
  if (!ODD.test(part.name)) return part;
  let own = kept.get(part);
  if (!own) kept.set(part, (own = { ...part, name: tame(part.name) }));
  return own;
}
