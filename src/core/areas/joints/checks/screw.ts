import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict } from '../../../checks/judge';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { bite, screwOf, type Screwed } from '../model/screw';
import { isNamed, saidOf, type NamedSeat } from '../model/seats';
import { perSeat } from './per-seat';

export const jointScrew: Check = {
  id: 'joint.screw',
  tried: () => true,
  title: 'Bite of the screws',
  short: 'bites too little',
  says: 'Whether every screw goes far enough into its thread to hold, in turns and on critical joints in diameters, and does not bottom out in a blind hole, where it clamps nothing.',
  formula:
    'bite = length - what it goes through (captive: what it stands out) - gap; engaged = min(bite, depth); turns = engaged / pitch; a blind hole: depth - bite >= 0',
  run: (built) => ofEach(built),
};

const ofEach = perSeat('joint.screw', (built, s) => {
  if (!isNamed(s)) return [];
  const w = screwOf(s);
  return w ? [engaged(built, s, w), ...bottoms(s, w)] : unsaid(s);
});

function baseOf(s: NamedSeat, what = '') {
  return {
    id: 'joint.screw',
    key: `joint.screw:${s.use.id}${what}`,
    about: [...new Set([s.part.id, s.host.part.id])],
    pieces: [s.piece, s.host.piece],
  };
}

/** A screw on the one side, and nobody said what is on the other. */
function unsaid(s: NamedSeat): Verdict[] {
  if (s.types.at && s.types.by) return [];
  if ((s.types.at ?? s.types.by)?.pitch === undefined) return [];
  const [part, i] = s.types.at ? ([s.part, s.by] as const) : ([s.host.part, s.at] as const);
  return [
    plainVerdict({
      ...baseOf(s),
      state: 'unknown',
      why: `How far the screw of ${saidOf(s)} bites is not known: the standard of ${i.name} is missing.`,
      sum: 'No sum.',
      measure: lacking([{ ...given(part, 'interfaces', i.id, 'type'), unit: '', known: null }]),
      basis: '[math]',
    }),
  ];
}

/** What a critical joint asks of the bite, in diameters; null while nobody said what the thread is in. */
function diameters(
  built: Built,
  w: Screwed,
): { k: number; rule: 'joint.bite-steel' | 'joint.bite-aluminium' } | null {
  switch (w.female.i.material) {
    case 'steel':
      return { k: built.rules['joint.bite-steel'], rule: 'joint.bite-steel' };
    case 'aluminium':
    case 'plastic':
      return { k: built.rules['joint.bite-aluminium'], rule: 'joint.bite-aluminium' };
    default:
      return null;
  }
}

const nothing: Given = constant('nothing', 'mm', { value: 0, tol: 0, from: 'sheet', lo: 0, hi: 0 });

function engaged(built: Built, s: NamedSeat, w: Screwed): Verdict {
  const { pitch, major, name } = w.type;
  const least = built.rules['joint.turns'];
  const critical = s.use.tight === 'critical';
  const deep = critical ? diameters(built, w) : null;
  if (critical && !deep)
    return plainVerdict({
      ...baseOf(s),
      state: 'unknown',
      why: `Whether the critical screw of ${saidOf(s)} bites deep enough is not known: nobody said what the thread of ${w.female.part.name} is in.`,
      sum: 'No sum.',
      measure: lacking([
        { ...given(w.female.part, 'interfaces', w.female.i.id, 'material'), unit: '', known: null },
      ]),
      basis: ruleBasis('joint.bite-aluminium'),
    });
  const need = deep ? Math.max(least * pitch, deep.k * major) : least * pitch;
  const rule = deep && deep.k * major > least * pitch ? deep.rule : 'joint.turns';
  const through = w.through ?? nothing;
  // A thread's depth can be left out of a hole that goes through a wall of it: then the bite decides.
  const inputs = [w.length, through, w.depth];
  const into = (x: readonly number[]) => Math.min(bite(x[0]!, x[1]!, w.gap), x[2]!);
  return judge({
    ...baseOf(s),
    inputs,
    margin: (x) => (into(x) - need) / pitch,
    // More than is needed on a critical joint is wanted of none.
    wanted: Math.max(0, built.rules['joint.turns-wanted'] - need / pitch),
    unit: 'turns',
    limit: { value: need / pitch, unit: 'turns', rule },
    why: (o) => {
      const n = Math.max(0, o.value + need / pitch);
      const bites = `The ${name} screw of ${saidOf(s)} bites ${exact(n, 1)} turns`;
      if (o.state === 'ok') return `${bites}.`;
      return o.value < 0
        ? `${bites}: ${exact(need / pitch, 1)} are needed${critical ? ' on a critical joint' : ''}.`
        : `${bites}: enough, with less in reserve than the house asks for.`;
    },
    sum: (o) =>
      `min(${exact(w.length.known!.value, 1)} - ${exact(through.known!.value, 1)} - ${exact(w.gap, 1)}, ${exact(w.depth.known!.value, 1)}) / ${exact(pitch, 3)} = ${exact(o.value + need / pitch, 2)} turns`,
    lacking: (missing) =>
      `How far the screw of ${saidOf(s)} bites is not known: ${missing} missing.`,
    basis: `${w.type.from}; ${ruleBasis(rule)}`,
  });
}

/** A blind hole that is shorter than the bite: the screw stands on its bottom and clamps nothing. */
function bottoms(s: NamedSeat, w: Screwed): Verdict[] {
  if (w.female.i.through === true) return [];
  const through = w.through ?? nothing;
  const inputs = [w.length, through, w.depth];
  if (inputs.some((g) => g.known === null)) return [];
  return [
    judge({
      ...baseOf(s, ':bottom'),
      inputs,
      margin: (x) => x[2]! - bite(x[0]!, x[1]!, w.gap),
      unit: 'mm',
      limit: null,
      why: (o) =>
        o.state === 'ok'
          ? `The screw of ${saidOf(s)} ends ${sayLength(o.value)} before the bottom of its hole.`
          : o.state === 'fail'
            ? `The screw of ${saidOf(s)} bottoms out: it is ${sayLength(-o.value)} too long and clamps nothing.`
            : `The screw of ${saidOf(s)} may bottom out and clamp nothing: ${sayLength(Math.max(0, o.value))} are left.`,
      sum: (o) =>
        `${exact(w.depth.known!.value, 1)} - (${exact(w.length.known!.value, 1)} - ${exact(through.known!.value, 1)} - ${exact(w.gap, 1)}) = ${sayLength(o.value, 1)}`,
      lacking: (missing) =>
        `Whether the screw of ${saidOf(s)} bottoms out is not known: ${missing} missing.`,
      basis: '[math] depth of the hole less the bite',
    }),
  ];
}
