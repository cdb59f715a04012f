import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said as told } from '../../../checks/judge';
import { isKind, KIND_NAME } from '../../../kit/fields';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { interfaceType } from '../kit/interfaces';
import { clampedLength, closing, meets } from '../model/fit';
import { heldBy } from '../kit/pattern';
import { isNamed, saidOf, seatsOf, type NamedSeat, type Seat } from '../model/seats';
import { perSeat } from './per-seat';

/** What holds on by itself stands where it is put, and rods hold by their size: checks of their own. */
const LOCKS: ReadonlySet<string> = new Set(['battery', 'dummy-battery']);

export const jointFits: Check = {
  id: 'joint.fits',
  tried: (v) => v.about.length > 1 && v.key !== 'joint.fits:assumed',
  title: 'What holds goes together',
  short: 'does not go together',
  says: 'Whether the two sides of every joint go together: the same standard or class, one that holds and one that is held, holes as far apart as the screws, a clamp that closes on what is in it and sits on enough of it. What stands by a face alone is said to be assumed.',
  formula:
    'screws: |spacing of the screws - spacing of the holes| <= play; clamps: closes from <= width <= closes up to; length of the clamp on its rail >= share of the clamp',
  run(built) {
    return [...ofEach(built), ...assumed(built)];
  },
};

const ofEach = perSeat('joint.fits', (built, s) => [
  ...(isNamed(s) ? fit(built, s) : []),
  ...gone(s),
]);

function baseOf(s: NamedSeat, what = '') {
  return {
    id: 'joint.fits',
    key: `joint.fits:${s.use.id}${what}`,
    about: [...new Set([s.part.id, s.host.part.id])],
    pieces: [s.piece, s.host.piece],
  };
}

function fit(built: Built, s: NamedSeat): Verdict[] {
  const m = meets(s.at, s.by);
  const said = saidOf(s);
  if (m.can === false)
    return [
      plainVerdict({
        ...baseOf(s),
        state: 'fail',
        why: `${said} does not go together: ${m.because}.`,
        sum: `${interfaceType(s.by.type)?.name ?? 'not said'} into ${interfaceType(s.at.type)?.name ?? 'not said'}`,
        wanted: [missingPiece(s)],
        basis: basisOf(s),
      }),
    ];
  if (m.can === null) {
    const asked = m.missing.map(({ of, key }): Given => ({
      ...(of === 'host'
        ? given(s.host.part, 'interfaces', s.at.id, key)
        : given(s.part, 'interfaces', s.by.id, key)),
      unit: '',
      known: null,
    }));
    return [
      plainVerdict({
        ...baseOf(s),
        state: 'unknown',
        why: `Whether ${said} goes together is not known: ${m.missing.length > 0 ? inWords(m.missing.map((x) => `${x.what} of ${x.of === 'host' ? s.at.name : s.by.name}`)) : 'its standard'} missing.`,
        sum: 'No sum.',
        measure: lacking(asked),
        basis: basisOf(s),
      }),
    ];
  }
  if (m.numbers === 'holes') return [holes(built, s)];
  if (m.numbers === 'clamp') return clamped(built, s);
  return [
    plainVerdict({
      ...baseOf(s),
      state: m.standard ? 'ok' : 'unknown',
      why: m.standard
        ? `${said}: both are ${interfaceType(s.at.type)!.name}.`
        : `Both sides of ${said} are called ${interfaceType(s.at.type)!.name}; the same name is not the same part, and nobody put them together yet.`,
      sum: interfaceType(s.at.type)!.name,
      basis: basisOf(s),
    }),
  ];
}

/** A row of screws into a row of holes. */
function holes(built: Built, s: NamedSeat): Verdict {
  const allowed = built.rules['joint.holes'];
  const { step, held } = heldBy(s.at, s.by);
  const own = given(s.part, 'interfaces', s.by.id, 'spacing');
  const theirs = given(s.host.part, 'interfaces', s.at.id, 'spacing');
  const same = own === theirs;
  const off = (x: readonly number[]) => x[0]! - step * x[same ? 0 : 1]!;
  // Each screw is off by as much again as the one before it; half of that to either side.
  const share = (held - 1) / 2;
  return judge({
    ...baseOf(s),
    inputs: same ? [own] : [own, theirs],
    inside: {
      below: (x) => allowed + share * off(x),
      above: (x) => allowed - share * off(x),
    },
    unit: 'mm',
    limit: { value: allowed, unit: 'mm', rule: 'joint.holes' },
    why: (o) =>
      o.state === 'ok'
        ? `The ${held} screws of ${saidOf(s)} are as far apart as the holes.`
        : o.state === 'fail'
          ? `The ${held} screws of ${saidOf(s)} are off its holes by ${sayLength(Math.max(0, allowed - o.value))}; ${sayLength(allowed)} of play are there.`
          : `The ${held} screws of ${saidOf(s)} may be off its holes by up to ${sayLength(Math.max(0, allowed - o.lo))}; ${sayLength(allowed)} of play are there.`,
    sum: (o) =>
      `${exact(share, 1)} x |${exact(own.known!.value, 2)} - ${step} x ${exact(theirs.known!.value, 2)}| = ${sayLength(allowed - o.value, 2)}; play ${exact(allowed, 2)}`,
    lacking: (missing) =>
      `Whether the screws of ${saidOf(s)} meet its holes is not known: ${missing} missing.`,
    basis: ruleBasis('joint.holes'),
  });
}

/** A clamp on a rail, a dovetail, a plate. */
function clamped(built: Built, s: NamedSeat): Verdict[] {
  const c = closing({ part: s.host.part, i: s.at }, { part: s.part, i: s.by });
  const share = built.rules['joint.clamp'] / 100;
  const slide = s.use.slide ?? 0;
  const said = saidOf(s);
  const closes = judge({
    ...baseOf(s),
    inputs: [c.width, c.from, c.to],
    inside: { below: ([w, from]) => w! - from!, above: ([w, , to]) => to! - w! },
    unit: 'mm',
    limit: null,
    why: (o) => {
      const w = c.width.known!.value;
      const range = `${sayLength(c.from.known!.value, 2)} to ${sayLength(c.to.known!.value, 2)}`;
      if (o.state === 'ok')
        return `${said} closes: ${sayLength(w, 2)} wide, it closes on ${range}.`;
      const wide = w - c.to.known!.value > c.from.known!.value - w;
      return o.state === 'fail'
        ? `${said} does not close: ${sayLength(w, 2)} are ${wide ? `${sayLength(w - c.to.known!.value, 2)} too wide` : `${sayLength(c.from.known!.value - w, 2)} too narrow`} for ${range}.`
        : `${said} may close or not: ${sayLength(w, 2)} wide, it closes on ${range}.`;
    },
    sum: (o) =>
      `${exact(c.from.known!.value, 2)} <= ${exact(c.width.known!.value, 2)} <= ${exact(c.to.known!.value, 2)}: ${sayLength(o.value, 2)}`,
    lacking: (missing) => `Whether ${said} closes is not known: ${missing} missing.`,
    basis: '[math] width against what the clamp closes on',
  });
  return [
    closes.state === 'fail'
      ? { ...told(closes), wanted: [closingPiece(s, c.width.known!.value)] }
      : closes,
    judge({
      ...baseOf(s, ':length'),
      inputs: [c.run, c.clamp],
      margin: ([run, clamp]) => clampedLength(run!, clamp!, slide) - share * clamp!,
      unit: 'mm',
      limit: { value: built.rules['joint.clamp'], unit: '%', rule: 'joint.clamp' },
      why: (o) => {
        const on = o.value + share * c.clamp.known!.value;
        return `${sayLength(Math.max(0, on))} of the ${sayLength(c.clamp.known!.value)} clamp of ${s.part.name} sit on ${s.at.name} of ${s.host.part.name}${o.state === 'ok' ? '' : `; ${exact(built.rules['joint.clamp'], 0)} % are wanted`}.`;
      },
      sum: (o) =>
        `run ${exact(c.run.known!.value, 1)}, clamp ${exact(c.clamp.known!.value, 1)}, ${exact(slide, 1)} off its middle: ${sayLength(o.value, 2)} more than ${exact(share * 100, 0)} %`,
      lacking: (missing) =>
        `How much of the clamp of ${s.part.name} sits on ${s.at.name} is not known: ${missing} missing.`,
      basis: ruleBasis('joint.clamp'),
    }),
  ];
}

/** A joint that names an interface or a host that is not there. */
function gone(s: Seat): Verdict[] {
  const { at, by } = s.use;
  if (s.host !== null && (at === undefined || s.at) && (by === undefined || s.by)) return [];
  const what =
    s.host === null
      ? 'what it stood on is not on the rig any more'
      : at !== undefined && !s.at
        ? `${s.host.part.name} has no such place any more`
        : `it has no such side any more`;
  return [
    plainVerdict({
      id: 'joint.fits',
      key: `joint.fits:${s.use.id}:gone`,
      about: [s.part.id],
      pieces: [s.piece],
      state: 'unknown',
      why: `What holds ${s.part.name} is not known: ${what}. It stands by its face.`,
      sum: 'No sum.',
      basis: '[math]',
    }),
  ];
}

/** What stands by face and offset, and is believed to hold. */
function assumed(built: Built): Verdict[] {
  const list = seatsOf(built).filter(
    (s) =>
      s.use.at === undefined &&
      s.use.by === undefined &&
      s.use.on !== 'rods' &&
      s.part.kind !== 'cage' &&
      !LOCKS.has(s.part.kind),
  );
  if (list.length === 0) return [];
  return [
    plainVerdict({
      id: 'joint.fits',
      key: 'joint.fits:assumed',
      about: [...new Set(list.map((s) => s.part.id))],
      pieces: list.map((s) => s.piece),
      state: 'unknown',
      why: `${inWords(list.map((s) => s.part.name))} ${list.length > 1 ? 'stand' : 'stands'} against a face; by what ${list.length > 1 ? 'they are' : 'it is'} held is assumed, and so is all that rests on it.`,
      sum: 'No hole, shoe, rail or clamp is named.',
      basis: '[math]',
    }),
  ];
}

const basisOf = (s: NamedSeat) =>
  (interfaceType(s.at.type) ?? interfaceType(s.by.type))?.from ?? '[trade]';

/** The clamp that would close, as a specification. */
function closingPiece(s: NamedSeat, width: number): string {
  const what = s.at.width !== undefined ? s.part.kind : s.host.part.kind;
  return `a ${isKind(what) ? KIND_NAME[what].one : 'part'} whose clamp closes on ${sayLength(width)}${s.at.pattern === undefined ? '' : `, class ${s.at.pattern}`}`;
}

/** The piece that would make the two go together, as a specification. */
export function missingPiece(s: NamedSeat): string {
  const held = interfaceType(s.at.type)?.name ?? 'what its host has';
  const holds = interfaceType(s.by.type)?.name ?? 'what it has';
  return `an adapter that is held by ${held}${s.at.pinned ? ' with pins' : ''} and holds ${holds}${(s.by.count ?? 1) > 1 ? ` ${s.by.count} times` : ''}${s.by.pinned ? ' with pins' : ''}`;
}
