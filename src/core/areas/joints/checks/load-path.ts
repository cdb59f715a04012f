import type { Built } from '../../../build/build';
import { node, sameList } from '../../../engine/reads';
import { given, type Given } from '../../../build/given';
import { reader } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, plainVerdict } from '../../../checks/judge';
import type { Part } from '../../../kit/types';
import { exact, say, sayMass } from '../../../quantity/say';
import { usesOf } from '../../../roles/uses';
import { carriedBy, heldBy, loadPath, type Carrying } from '../model/load-path';
import { momentOn } from '../model/twist';
import { isNamed, saidOf, type Seat } from '../model/seats';
import { perSeat } from './per-seat';

/** As many are named in a sentence as can be read in one. */
const MOST_NAMED = 4;

const MAKERS = '[math] number of its maker';

export const jointLoadPath: Check = {
  id: 'joint.load-path',
  title: 'What carries what, and ratings',
  short: 'carries too much',
  says: 'What every joint carries between what the rig is held by and each part, whether the rating its maker states covers it, and what would fall if one joint went. Nelvix lists; the maker rates, and above a head or on a vehicle a qualified rigger decides.',
  formula:
    'rating - sum of the masses on the far side of the joint; a joint is the only one where the graph of joints has a bridge',
  run(built) {
    return [...ofEach(built), ...holds(built), ...overhead(built), ...notStated(built)];
  },
};

const ofEach = perSeat('joint.load-path', (built, seat) => {
  const own = carriedBy(built, seat.use.id);
  if (!own) return [];
  const j = { seat, ...own };
  return [...rated(j), ...bent(built, j), ...weak(j)];
});

function baseOf(s: Seat, what = '') {
  return {
    id: 'joint.load-path',
    key: `joint.load-path:${s.use.id}${what}`,
    about: [s.part.id],
    pieces: [s.piece],
  };
}

/** A limit of a maker against the masses of parts; a part twice counts twice. */
function against(limit: Given, parts: readonly Part[]) {
  const masses = parts.map((p) => given(p, 'mass'));
  const inputs = [...new Set([limit, ...masses])];
  const from = reader(inputs);
  return {
    inputs,
    margin: (x: readonly number[]) => {
      const read = from(x);
      return read(limit) - masses.reduce((sum, m) => sum + read(m), 0);
    },
  };
}

const missed = (what: string) => (missing: string) =>
  `Whether ${what} bears what hangs on it is not known: ${missing} missing.`;

/** What the two sides of a joint are rated for, and what an arm or a plate is rated for as a part. */
function rated({ seat: s, carried }: Carrying): Verdict[] {
  const host = s.host;
  const sides = [
    ...(s.at?.bears !== undefined && host
      ? [
          {
            of: `${s.at.name} of ${host.part.name}`,
            limit: given(host.part, 'interfaces', s.at.id, 'bears'),
            what: ':at',
          },
        ]
      : []),
    ...(s.by?.bears !== undefined
      ? [
          {
            of: `${s.by.name} of ${s.part.name}`,
            limit: given(s.part, 'interfaces', s.by.id, 'bears'),
            what: ':by',
          },
        ]
      : []),
  ];
  return sides.map(({ of, limit, what }) =>
    judge({
      ...baseOf(s, what),
      about: [...new Set([s.part.id, ...(host ? [host.part.id] : [])])],
      ...against(limit, carried),
      unit: 'g',
      limit: { value: limit.known?.value ?? 0, unit: 'g', rule: null },
      why: (o) =>
        `${sayMass(limit.known!.value - o.value)} hang on ${of}; its maker rates it for ${sayMass(limit.known!.value)}${o.hi < 0 ? ': too much for it' : ''}.`,
      sum: (o) =>
        `${exact(limit.known!.value, 0)} - ${exact(limit.known!.value - o.value, 0)} = ${sayMass(o.value)}`,
      lacking: missed(of),
      basis: MAKERS,
    }),
  );
}

/** The moment on a joint, in the worst attitude, against what its maker rates it for. */
function bent(built: Built, { seat: s, pieces }: Carrying): Verdict[] {
  if (!isNamed(s)) return [];
  const sides = [
    { part: s.host.part, i: s.at, what: ':at-moment' },
    { part: s.part as Part, i: s.by, what: ':by-moment' },
  ].filter((x) => x.i.bearsMoment !== undefined);
  return sides.map(({ part, i, what }) => {
    const of = `${i.name} of ${part.name}`;
    const base = {
      ...baseOf(s, what),
      about: [...new Set([s.part.id, s.host.part.id])],
      basis: MAKERS,
    };
    const limit = given(part, 'interfaces', i.id, 'bearsMoment');
    const pull = momentOn(built, s, pieces);
    if (!pull)
      return plainVerdict({
        ...base,
        state: 'unknown',
        why: `What turns on ${of} is not known: something that hangs on it stands nowhere.`,
        sum: 'No sum.',
      });
    return judge({
      ...base,
      inputs: [limit, ...pull.inputs],
      margin: ([most, ...x]) => most! - pull.moment(x),
      unit: 'N m',
      limit: { value: limit.known?.value ?? 0, unit: 'N m', rule: null },
      why: (o) =>
        `${say(limit.known!.value - o.value, 'N m')} turn on ${of} in the worst attitude; its maker rates it for ${say(limit.known!.value, 'N m')}${o.hi < 0 ? ': too much for it' : ''}.`,
      sum: (o) =>
        `${exact(limit.known!.value, 2)} - ${exact(limit.known!.value - o.value, 2)} = ${say(o.value, 'N m')}`,
      lacking: missed(of),
    });
  });
}

/** What hangs where the crew said that nothing should without a word. */
function weak({ seat: s, carried }: Carrying): Verdict[] {
  const side = s.at?.weak ? s.at.name : s.by?.weak ? s.by.name : null;
  if (side === null) return [];
  return [
    plainVerdict({
      ...baseOf(s, ':weak'),
      state: 'tight',
      why: `${saidOf(s)}: ${side} is marked weak, and ${carried.length > 1 ? `${carried.length} parts hang` : 'it hangs'} there.`,
      sum: 'marked by the crew',
      basis: '[trade] common practice, no source',
    }),
  ];
}

/**
 * What a part as a whole is rated for: a handle carries the rig when it is lifted or hung by it, any
 * other part what hangs on it.
 */
const holds = perSeat('joint.load-path of a whole part', (built, s) => {
  const isHold = built.rig.hold === s.use.id;
  const handle = s.part.kind === 'handle';
  const hangs = isHold
    ? heldBy(built)
    : handle
      ? everythingOn(built)
      : (carriedBy(built, s.use.id)?.carried ?? []).filter((p) => p !== s.part);
  if (hangs.length === 0) return [];
  if (s.part.rating === undefined)
    return isHold
      ? [
          plainVerdict({
            ...baseOf(s, ':rating'),
            state: 'unknown',
            why: `The rig hangs on ${s.part.name}; for how much it is rated nobody stated.`,
            sum: 'No sum.',
            basis: MAKERS,
          }),
        ]
      : [];
  const limit = given(s.part, 'rating');
  // A handle that the rig does not hang on is loaded only when somebody lifts it: tight at worst.
  const lifted = handle && !isHold;
  return [
    judge({
      ...baseOf(s, ':rating'),
      ...against(limit, hangs),
      unit: 'g',
      limit: { value: limit.known?.value ?? 0, unit: 'g', rule: null },
      after: (x) => (lifted ? { ...x, hi: Math.max(0, x.hi) } : x),
      why: (o) => {
        const mass = sayMass(limit.known!.value - o.value);
        const says = lifted
          ? `The rig weighs ${mass}; the maker of ${s.part.name} rates it for ${sayMass(limit.known!.value)}`
          : `${mass} hang on ${s.part.name}; its maker rates it for ${sayMass(limit.known!.value)}`;
        return o.hi < 0
          ? `${says}: too much for it.`
          : o.value < 0
            ? `${says}: ${lifted ? 'do not lift the rig by it' : 'it may be too much'}.`
            : `${says}.`;
      },
      sum: (o) =>
        `${exact(limit.known!.value, 0)} - ${exact(limit.known!.value - o.value, 0)} = ${sayMass(o.value)}`,
      lacking: missed(s.part.name),
      basis: MAKERS,
    }),
  ];
});

function everythingOn(built: Built): readonly Part[] {
  return built.once(EVERYTHING);
}

const EVERYTHING = node(
  'everything on the rig',
  (built: Built): readonly Part[] => usesOf(built).flatMap((id) => built.kit.get(id) ?? []),
  { same: sameList },
);

/** Above a head or on a vehicle nothing may hang on one joint alone. */
function overhead(built: Built): Verdict[] {
  if (built.rig.overhead !== true) return [];
  return loadPath(built).joints.map(({ seat: s, carried, only }) => {
    const names = carried.filter((p) => p !== s.part).map((p) => p.name);
    const what =
      names.length > MOST_NAMED
        ? `${s.part.name} and ${names.length} parts`
        : inWords([s.part.name, ...names]);
    return plainVerdict({
      ...baseOf(s, ':overhead'),
      state: only ? 'fail' : 'ok',
      why: only
        ? `Above a head ${what} ${names.length > 0 ? 'hang' : 'hangs'} by one joint alone: ${saidOf(s)}. A second tie, rated parts, and a qualified rigger.`
        : `${saidOf(s)}: a second tie holds it.`,
      sum: only ? 'a bridge of the graph of joints' : 'held twice',
      wanted: only ? [`a safety line rated for ${s.part.name} and what hangs on it`] : [],
      basis: '[trade] common practice; local codes and a qualified rigger decide',
    });
  });
}

/** Joints that nobody rated: listed, never taken as good. */
function notStated(built: Built): Verdict[] {
  const list = loadPath(built).joints.filter(
    ({ seat: s }) =>
      (s.at?.bears === undefined || s.by?.bears === undefined) && s.part.kind !== 'cage',
  );
  if (list.length === 0) return [];
  const names = list.map((j) => j.seat.part.name);
  const said =
    names.length > MOST_NAMED
      ? `${inWords(names.slice(0, MOST_NAMED))} and ${names.length - MOST_NAMED} more`
      : inWords(names);
  return [
    plainVerdict({
      id: 'joint.load-path',
      key: 'joint.load-path:stated',
      about: [...new Set(list.map((j) => j.seat.part.id))],
      pieces: list.map((j) => j.seat.piece),
      state: 'unknown',
      why: `What the ${list.length === 1 ? 'joint' : 'joints'} of ${said} ${list.length === 1 ? 'is' : 'are'} rated for is not stated.`,
      sum: `${list.length} joints without a rating of their maker`,
      basis: MAKERS,
    }),
  ];
}
