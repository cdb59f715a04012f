import { given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { nameOf, nearTo, pairMargin, pieceOf, sweepKey, type Near } from '../model/clearance';
import { assemblyOf, slideClear } from '../model/slide';
import { exact, mm, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';
import type { StandSolid } from '../../../place/setting';

export const spaceSweep: Check = {
  id: 'space.sweep',
  title: 'What swings',
  short: 'does not open',
  says: 'Whether the screen folds out, and a box swings away, past everything else on the rig; and how far what blocks it has to be slid.',
  formula: 'shortest distance of what it sweeps and every other solid - air wanted',
  run(built) {
    const stand = standOf(built);
    if (!stand.standing) return [];
    const air = built.rules['space.air-moving'];
    return [
      ...sideNotSaid(built),
      ...stand.solids
        .filter((s) => s.role === 'sweep')
        .flatMap((sweep) => swings(stand, sweep, air)),
    ];
  },
};

/** A screen that says how it swings, but not where. */
function sideNotSaid({ body }: Built): Verdict[] {
  const screen = body && [body.screenHinge, body.screenLength, body.screenHeight, body.screenOpens];
  return body && body.screenSide === undefined && screen!.some((x) => x !== undefined)
    ? [
        plainVerdict({
          id: 'space.sweep',
          key: 'space.sweep:screen',
          about: [body.id],
          state: 'unknown',
          why: `Whether the screen of ${body.name} opens is not known: nobody said on which side it folds out.`,
          sum: 'No sum.',
          basis: '[math]',
          measure: lacking([{ ...given(body, 'screenSide'), unit: '', known: null }]),
        }),
      ]
    : [];
}

/** What one thing that swings comes by. */
function swings(stand: Stand, sweep: StandSolid, air: number): Verdict[] {
  const piece = pieceOf(stand, sweep);
  const base = baseOf(sweep, air);
  if (!sweep.known)
    return [
      plainVerdict({
        ...base,
        key: `space.sweep:${sweep.piece}`,
        pieces: [sweep.piece],
        about: [piece.part],
        state: 'unknown',
        why: `Whether the ${piece.name} opens freely is not known: ${piece.missing.map((g) => g.label).join(', ')} missing.`,
        sum: 'No sum.',
        measure: lacking(piece.missing),
      }),
    ];
  const pairs = nearTo(
    stand,
    `sweep ${sweep.piece}`,
    sweep,
    stand.solids.filter((s) => s.role !== 'sweep' && s.role !== 'rod'),
    air,
  );
  const out = [
    ...pairs.near.map((n) => passes(stand, sweep, n, air)),
    ...unseen(stand, sweep, base),
  ];
  const open = out.filter((v) => v.state !== 'ok');
  if (open.length > 0) return open;
  return [
    plainVerdict({
      ...base,
      key: `space.sweep:${sweep.piece}`,
      pieces: [sweep.piece],
      about: [piece.part],
      state: 'ok',
      why: `The ${piece.name} moves freely.`,
      sum: `${pairs.tested} pairs measured, none nearer than ${mm(air, 0)}`,
    }),
  ];
}

function baseOf(sweep: StandSolid, air: number) {
  return {
    id: 'space.sweep',
    station: (sweep.extent[2] + sweep.extent[5]) / 2,
    limit: { value: air, unit: 'mm', rule: 'space.air-moving' },
    basis: ruleBasis('space.air-moving'),
  };
}

function passes(stand: Stand, sweep: StandSolid, n: Near, air: number): Verdict {
  const piece = pieceOf(stand, sweep);
  const { a, b } = n;
  const other = a === sweep ? b : a;
  const by = pieceOf(stand, other);
  return judge({
    ...baseOf(sweep, air),
    key: sweepKey(sweep, other),
    pieces: [sweep.piece, other.piece],
    about: [...new Set([by.part, piece.part])],
    ...pairMargin(stand, n, air),
    wanted: air,
    unit: 'mm',
    why: (o) => {
      // Only when somebody reads it: it is looked for in many places.
      const slide = slideClear(stand, sweep, other.piece, air);
      const carrier = assemblyOf(stand, other.piece).root;
      const root =
        carrier === other.piece ? 'it' : stand.pieces.find((p) => p.key === carrier)!.name;
      const name = nameOf(stand, other);
      if (o.state === 'ok') return `The ${piece.name} clears ${name} by ${sayLength(o.value)}.`;
      const how =
        slide === null
          ? ''
          : ` Slide ${root} ${sayLength(Math.abs(slide), 0)} ${slide < 0 ? 'back' : 'forward'} and it is free.`;
      return o.value < 0
        ? `${name[0]!.toUpperCase()}${name.slice(1)} blocks the ${piece.name}: ${sayLength(-o.value)} in its way.${how}`
        : `The ${piece.name} passes ${name} with ${sayLength(o.value)}; ${sayLength(air)} are wanted around what moves.${how}`;
    },
    sum: (o) => `distance to what it sweeps ${sayLength(o.value, 1)}; wanted ${exact(air, 1)}`,
    lacking: (missing) => `Whether the ${piece.name} opens is not known: ${missing} missing.`,
  });
}

/** What nobody knows the size of may stand in its way. */
function unseen(stand: Stand, sweep: StandSolid, base: ReturnType<typeof baseOf>): Verdict[] {
  const piece = pieceOf(stand, sweep);
  const blind = stand.pieces.filter(
    (p) =>
      p.solids.some(
        (x) =>
          !x.known &&
          x.role !== 'sweep' &&
          x.role !== 'rod' &&
          stand.contacts.between(sweep.named, x.named) !== 'through',
      ) && p.key !== sweep.piece,
  );
  if (blind.length === 0) return [];
  const missing = [...new Set(blind.flatMap((p) => p.missing))];
  return [
    plainVerdict({
      ...base,
      key: `space.sweep:${sweep.piece}|unknown`,
      pieces: [sweep.piece],
      about: [piece.part, ...new Set(blind.map((p) => p.part))],
      state: 'unknown',
      why: `Whether the ${piece.name} passes ${inWords([...new Set(blind.map((p) => p.name))].slice(0, 4))} is not known: ${missing.length} ${missing.length === 1 ? 'number is' : 'numbers are'} missing.`,
      sum: 'No sum.',
      measure: lacking(missing),
    }),
  ];
}
