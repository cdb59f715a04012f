import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import type { Bounds } from '../../../solids/solid';
import { exact, say, sayMass } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';
import { isNamed, poseAt, type NamedSeat, type Seat } from '../model/seats';
import { perSeat } from './per-seat';
import { leverageOn } from '../model/twist';

/** What locks on by itself needs no screws. */
const LOCKS: readonly string[] = ['battery', 'battery-plate', 'dummy-battery'];

export const jointTwist: Check = {
  id: 'joint.twist',
  title: 'Leverage on a single screw',
  short: 'turns on its screw',
  says: 'Whether a part that is held by one screw without pins, with everything that hangs on it, has enough leverage in any direction to turn or bend it. Two screws, pins, a rail, a rosette or a shoe keep it from turning.',
  formula: '|sum of mass x (its centre - the screw)| x g',
  run: (built) => ofEach(built),
};

const ofEach = perSeat('joint.twist', (built, s) =>
  s.part.kind === 'cage' || !poseAt(built, s.piece) ? [] : twist(built, s),
);

/** How many screws hold it and whether anything else keeps it from turning; null: not known. */
function heldBy({ at, by, types, part }: Seat): { single: boolean } | null {
  if (at && by) {
    if (!types.at || !types.by) return null;
    // A clamp along something, teeth, the lips of a shoe, a lock: none of them turns.
    if (types.by.family !== 'thread' && types.by.family !== 'own') return { single: false };
    if (types.by.family === 'thread')
      return { single: (by.count ?? 1) === 1 && !(by.pinned === true && at.pinned === true) };
  }
  if (part.screws === undefined) return null;
  return { single: part.screws === 1 && part.pins !== true };
}

const mid = (e: Bounds, k: 0 | 1 | 2) => (e[k] + e[(k + 3) as 3 | 4 | 5]) / 2;

/** What keeps a part from turning where its joint is named. */
function kept(s: NamedSeat, base: Pick<Verdict, 'id' | 'key' | 'pieces' | 'basis'>): Verdict {
  const by =
    s.types.by?.family === 'thread'
      ? (s.by.count ?? 1) > 1
        ? `${s.by.count} screws`
        : 'its pins'
      : s.types.by!.name;
  return plainVerdict({
    ...base,
    about: [s.part.id],
    state: 'ok',
    why: `${s.part.name} is kept from turning by ${by}.`,
    sum: by,
  });
}

function twist(built: Built, seat: Seat): Verdict[] {
  const { use, part } = seat;
  const limit = built.rules['joint.twist'];
  const base = {
    id: 'joint.twist',
    key: `joint.twist:${use.id}`,
    pieces: [seat.piece],
    basis: `${ruleBasis('joint.twist')}; ratings of its maker count`,
  };
  if (use.on === 'rods' || LOCKS.includes(part.kind)) return [];
  const held = heldBy(seat);
  if (!held)
    return [
      plainVerdict({
        ...base,
        about: [part.id],
        state: 'unknown',
        why: `How ${part.name} is held is not known: nobody said by how many screws.`,
        sum: 'No sum.',
        measure: lacking([{ ...given(part, 'screws'), unit: '', known: null }]),
      }),
    ];
  if (!held.single) return isNamed(seat) ? [kept(seat, base)] : [];
  const pull = leverageOn(built, seat);
  const own = pull?.all[0];
  if (!pull || !own) return [];
  const { all, masses, inputs } = pull;
  const names = all.slice(1).map((a) => a.part.name);
  const what = names.length > 0 ? `${part.name} with ${inWords(names)}` : part.name;
  return [
    judge({
      ...base,
      about: [...new Set(all.map((a) => a.part.id))],
      station: mid(own.solid.extent, 2),
      inputs,
      margin: (x) => limit - pull.moment(x),
      // It turns and is turned back: tight at worst, a rating is another matter.
      after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
      unit: 'N m',
      limit: { value: limit, unit: 'N m', rule: 'joint.twist' },
      why: (o) =>
        o.state === 'ok'
          ? `${what} ${names.length > 0 ? 'pull' : 'pulls'} on ${names.length > 0 ? 'the' : 'its'} single screw with ${say(limit - o.value, 'N m')}.`
          : `${what} ${names.length > 0 ? 'pull' : 'pulls'} on ${names.length > 0 ? 'the' : 'its'} single screw with ${say(limit - o.value, 'N m')} and ${o.value < 0 ? 'turns' : 'may turn'}: two screws, or pins.`,
      sum: (o) =>
        `${masses.map((m) => `${sayMass(m.known!.value)}`).join(' + ')}: ${say(limit - o.value, 'N m')} about the screw; ${exact(limit, 2)} allowed`,
      lacking: (missing) =>
        `Whether ${part.name} turns on its screw is not known: ${missing} missing.`,
    }),
  ];
}
