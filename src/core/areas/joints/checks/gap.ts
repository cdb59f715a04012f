import type { Built } from '../../../build/build';
import { constant, exactly, given, type Given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict } from '../../../checks/judge';
import { isFitting, type Fitting, type Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Interface } from '../kit/parts';
import { interfacesOf } from '../kit/sides';
import { screwOf } from '../model/screw';
import { namedSeats, saidOf, seatsOf, type Seat } from '../model/seats';

export const jointGap: Check = {
  id: 'joint.gap',
  title: 'Gaps that a screw bridges',
  short: 'bridges a gap',
  says: 'Whether a screw pulls two faces together that do not touch, such as the top screw of a cage over air: it bends the cage. Cured by a shim of the thickness of the gap, or by leaving it snug, which then only steadies.',
  formula: 'allowed - gap; of a cage: its room inside less the body',
  run(built) {
    return [...seated(built), ...cages(built)];
  },
};

interface Gap {
  use: string;
  about: string[];
  pieces: string[];
  said: string;
  inputs: Given[];
  gap: (x: readonly number[]) => number;
  snug: boolean;
}

function judged(built: Built, g: Gap): Verdict {
  const limit = built.rules['joint.gap'];
  return judge({
    id: 'joint.gap',
    key: `joint.gap:${g.use}`,
    about: g.about,
    pieces: g.pieces,
    inputs: g.inputs,
    margin: (x) => limit - g.gap(x),
    // Left snug it bends nothing; it does not hold either.
    after: (s) => (g.snug ? { ...s, hi: Math.max(0, s.hi) } : s),
    unit: 'mm',
    limit: { value: limit, unit: 'mm', rule: 'joint.gap' },
    why: (o) => {
      const gap = limit - o.value;
      if (o.state === 'ok') return `${g.said}: the two faces meet.`;
      return g.snug
        ? `${g.said}: ${sayLength(gap)} of air under its screw, left snug: it steadies and does not hold.`
        : `${g.said}: its screw ${o.state === 'fail' ? 'bridges' : 'may bridge'} ${sayLength(gap)} of air. A shim of ${sayLength(Math.max(0, gap))}, or snug only.`;
    },
    sum: (o) => `${exact(limit, 2)} - ${exact(limit - o.value, 2)} = ${sayLength(o.value, 2)}`,
    lacking: (missing) =>
      `Whether the screw of ${g.said} bridges a gap is not known: ${missing} missing.`,
    basis: ruleBasis('joint.gap'),
  });
}

/** Gaps that were set between a part and its host. */
function seated(built: Built): Verdict[] {
  return namedSeats(built).flatMap((s): Verdict[] => {
    if (s.use.gap === undefined || !screwOf(s)) return [];
    const gap = constant('gap', 'mm', exactly(s.use.gap));
    return [
      judged(built, {
        use: s.use.id,
        about: [...new Set([s.part.id, s.host.part.id])],
        pieces: [s.piece, s.host.piece],
        said: saidOf(s),
        inputs: [gap],
        gap: ([g]) => g!,
        snug: s.use.tight === 'snug',
      }),
    ];
  });
}

/** Screws of a cage into the top or the sides of the body: what is between is its room less the body. */
function cages(built: Built): Verdict[] {
  const { body } = built;
  if (!body) return [];
  return seatsOf(built).flatMap((s): Verdict[] => {
    if (!isFitting(s.part) || s.part.kind !== 'cage') return [];
    const cage = s.part;
    return interfacesOf(cage).flatMap((i): Verdict[] => {
      if (i.side === 'host' || i.side === 'either') return [];
      if (i.side === undefined || i.face === undefined) return [unsaid(s, cage, body, i)];
      const between = airOf(cage, body, i.face);
      if (!between) return [];
      return [
        judged(built, {
          use: `${s.use.id}:${i.id}`,
          about: [cage.id, body.id],
          pieces: [s.piece, pieceKey('body')],
          said: `${i.name[0]!.toUpperCase()}${i.name.slice(1)} of ${cage.name}`,
          ...between,
          snug: s.use.tight === 'snug',
        }),
      ];
    });
  });
}

/** A place of a cage of which nobody said whether a screw goes through it, or on which face. */
function unsaid(s: Seat, cage: Fitting, body: Part, i: Interface): Verdict {
  const key = i.side === undefined ? 'side' : 'face';
  return plainVerdict({
    id: 'joint.gap',
    key: `joint.gap:${s.use.id}:${i.id}`,
    about: [cage.id, body.id],
    pieces: [s.piece],
    state: 'unknown',
    why: `Whether a screw of ${i.name} of ${cage.name} bridges a gap is not known: nobody said ${key === 'side' ? 'whether it holds or is held' : 'on which face it is'}.`,
    sum: 'No sum.',
    measure: lacking([{ ...given(cage, 'interfaces', i.id, key), unit: '', known: null }]),
    basis: ruleBasis('joint.gap'),
  });
}

/** Air between a cage and the body on a face; null where they stand on each other. */
function airOf(
  cage: Fitting,
  body: Part,
  face: string | undefined,
): { inputs: Given[]; gap: (x: readonly number[]) => number } | null {
  if (face === 'top')
    return {
      inputs: [given(cage, 'innerHeight'), given(body, 'height')],
      gap: ([room, own]) => room! - own!,
    };
  if (face === 'left' || face === 'right')
    return {
      inputs: [given(cage, 'innerWidth'), given(body, 'width')],
      gap: ([room, own]) => (room! - own!) / 2,
    };
  return null;
}
