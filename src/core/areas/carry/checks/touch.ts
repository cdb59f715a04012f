import { asFunction, givens, minus, plus, times, type Lin } from '../../../build/lin';
import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict, said } from '../../../checks/judge';
import { exact, sayLength } from '../../../quantity/say';
import { spread } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import { standOf } from '../../../stand/stand';
import { blindPieces } from '../../space/model/unsettled';
import { nameOf, pieceOf } from '../../space/model/clearance';
import { endsOf, facesOf, holdAs, IN_HAND, waysOf, type Hold } from '../model/hold';
import {
  besideOf,
  handsOf,
  headBeside,
  leastForFingers,
  unsaidOfHead,
  type Touch,
} from '../model/touch';
import { under } from './offsets';

export const carryTouch: Check = {
  id: 'carry.touch',
  title: 'Room where one touches it',
  short: 'no room for a hand',
  says: 'Whether a hand gets round what is held, fingers and knuckles, with nothing of the rig in its way; whether two grips are at one height; whether anything stands where the cheek is beside a rig on the shoulder. The room under the bar of a handle is not looked at.',
  formula: 'nearest solid to the room of a palm and its fingers; to the head of the operator',
  run(built) {
    const { by, also } = built.rig.carry ?? {};
    const holds = [...new Set([by, also])].flatMap((kind) =>
      kind !== undefined && (IN_HAND.has(kind) || kind === 'shoulder') ? [holdAs(built, kind)] : [],
    );
    return holds.flatMap((hold) => [
      ...handsOf(built, hold).map((t) => roomFor(built, hold, t)),
      ...uneven(built, hold),
      ...cheek(built, hold),
    ]);
  },
};

const of = (what: string) => ({ id: 'carry.touch', key: `carry.touch:${what}` });

/** Whether anything of the rig stands where a hand or a head is. */
function roomFor(built: Built, hold: Hold, t: Touch): Verdict {
  const stand = standOf(built);
  const head = t.key === 'head';
  const least = head ? 0 : leastForFingers(built);
  const wanted = built.rules['carry.fingers'];
  const base = { ...of(t.key), about: [t.piece.part], pieces: [t.piece.key] };
  const basis = head ? '[mem] DIN 33402-2' : ruleBasis('carry.fingers');
  const own = givens(Object.values(t.faces) as Lin[]).filter((g) => g.known === null);
  const unknown = (why: string, missing: typeof own) =>
    plainVerdict({
      ...base,
      state: 'unknown',
      why: `Whether ${t.what} has room is not known: ${why}.`,
      sum: 'No sum.',
      measure: lacking(missing),
      basis,
    });
  if (own.length > 0) return unknown(`${inWords(own.map((g) => g.label))} missing`, own);
  const all = besideOf(built, t);
  const blind = blindPieces(stand).filter((p) => p !== t.piece);
  const missing = [...new Set(blind.flatMap((p) => p.missing))];
  const notAll = () =>
    unknown(
      `where ${inWords([...new Set(blind.map((p) => p.name))].slice(0, 3))} may stand is not`,
      missing,
    );
  const nearest = all[0];
  const assumed = hold.assumed ?? t.piece.assumed;
  if (!nearest)
    return blind.length > 0
      ? notAll()
      : plainVerdict({
          ...base,
          state: assumed ? 'tight' : 'ok',
          why: `Nothing stands near ${t.what}.${assumed ? ` ${assumed}` : ''}`,
          sum: `${stand.solids.length} solids looked at`,
          basis,
        });
  const other = pieceOf(stand, nearest.solid);
  const name = nameOf(stand, nearest.solid);
  const { sides, value } = nearest;
  const inputs = sides ? givens(sides.map((side) => side.gap)) : [];
  const each = (sides ?? []).map(({ gap, leaves }) => {
    const f = asFunction(gap, inputs);
    return (x: readonly number[]) => leaves(f(x));
  });
  const margin = (x: readonly number[]) =>
    (sides ? Math.max(...each.map((f) => f(x))) : value) - least;
  const v = judge({
    ...base,
    about: [...new Set([t.piece.part, other.part])],
    pieces: [t.piece.key, nearest.solid.piece],
    inputs,
    margin,
    // What is nearest as they stand need not be what may come nearest.
    spread: () => ({
      value: value - least,
      lo: Math.min(...all.map((b) => b.lo)) - least,
      hi: Math.min(...all.map((b) => b.hi)) - least,
      get shares() {
        return spread(
          inputs.map((g) => g.known!),
          margin,
        ).shares;
      },
    }),
    wanted: head ? 0 : wanted - least,
    unit: 'mm',
    limit: head ? null : { value: wanted, unit: 'mm', rule: 'carry.fingers' },
    assumed: assumed ?? other.assumed,
    why: (o) => {
      if (head)
        return o.value < 0
          ? `${upper(name)} goes ${sayLength(-o.value, 0)} into where ${t.what} is.`
          : `${upper(name)} is nearest to ${t.what}: ${sayLength(o.value, 0)} are free${o.lo < 0 ? ', or none, inside the tolerances' : ''}.`;
      const free = o.value + least;
      if (free < 0.5) return `${upper(name)} stands where ${t.what} goes.`;
      return `${upper(name)} leaves ${sayLength(free, 0)} for ${t.what}${
        o.value < 0
          ? `: no finger goes between under ${sayLength(least, 0)}`
          : o.state === 'ok'
            ? ''
            : `, ${sayLength(Math.max(0, o.lo + least), 0)} at the worst; ${sayLength(wanted, 0)} are wanted`
      }.`;
    },
    sum: (o) =>
      `room to ${name} ${exact(o.value + least, 1)} mm (${exact(o.lo + least, 1)} to ${exact(o.hi + least, 1)})`,
    lacking: (m) => `Whether ${t.what} has room is not known: ${m} missing.`,
    basis,
  });
  if (v.state === 'fail')
    return {
      ...said(v),
      wanted: [
        `another place for ${name} or for ${t.piece.name}, ${sayLength(Math.ceil(-(v.margin?.lo ?? 0)), 0)} further apart`,
      ],
    };
  return blind.length === 0 ? v : notAll();
}

const upper = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** Two grips at unlike heights: a word, not a fault. */
function uneven(built: Built, hold: Hold): Verdict[] {
  if (hold.kind !== 'two-grips') return [];
  const [a, b] = hold.pieces;
  if (!a || !b)
    return [
      plainVerdict({
        ...of('grips'),
        about: hold.pieces.map((p) => p.part),
        state: 'unknown',
        why: `Whether it is held by two grips is not known: ${a ? `${a.name} is the only one` : 'none is'} on the rig.`,
        sum: 'No sum.',
        basis: ruleBasis('carry.grips-uneven'),
      }),
    ];
  const { up } = waysOf(built.rig.upright);
  const middle = (p: typeof a) => times(plus(...endsOf(facesOf(p), up.k)), 0.5);
  const apart = minus(middle(a), middle(b));
  const inputs = givens([apart]);
  const free = built.rules['carry.grips-uneven'];
  const f = asFunction(apart, inputs);
  return [
    judge({
      ...of('grips'),
      about: [...new Set([a.part, b.part])],
      pieces: [a.key, b.key],
      inputs,
      margin: f,
      after: (s) => {
        const room = under(free)(s);
        return { ...room, hi: Math.max(0, room.hi) };
      },
      unit: 'mm',
      limit: { value: free, unit: 'mm', rule: 'carry.grips-uneven' },
      why: (o) =>
        `${a.name} and ${b.name} are ${sayLength(free - o.value, 0)} apart in height${o.value < 0 ? `, more than the ${sayLength(free, 0)} that is let go` : ''}.`,
      sum: (o) => `${exact(free, 0)} - apart = ${exact(o.value, 1)} mm`,
      lacking: (m) => `Whether the grips are at one height is not known: ${m} missing.`,
      basis: ruleBasis('carry.grips-uneven'),
    }),
  ];
}

/** The cheek beside a rig on the shoulder. */
function cheek(built: Built, hold: Hold): Verdict[] {
  const [pad] = hold.pieces;
  if (hold.kind !== 'shoulder' || !pad) return [];
  const head = headBeside(built, hold);
  if (head) return [roomFor(built, hold, head)];
  return [
    plainVerdict({
      ...of('head'),
      about: [pad.part],
      pieces: [pad.key],
      state: 'unknown',
      why: `Whether your cheek has room beside it is not known: ${inWords(unsaidOfHead())} missing in your profile.`,
      sum: 'No sum.',
      basis: '[mem] DIN 33402-2',
    }),
  ];
}
