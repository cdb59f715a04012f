import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { given, type Given } from '../../../build/given';
import { at, givens, lin, of, plus, times, ZERO, type Lin } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, lacking, plainVerdict } from '../../../checks/judge';
import type { Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import type { StandSolid } from '../../../place/setting';
import { mm, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { sameSolid } from '../../../solids/same';
import { apart, bounds, union, type Bounds, type Vec } from '../../../solids/solid';
import { standOf } from '../../../stand/stand';
import { driverOf, type Driver } from '../kit/drivers';
import type { Interface } from '../kit/parts';
import { accessOf, waysTo, type Way } from '../model/access';
import { screwOf } from '../model/screw';
import {
  each,
  hangingOn,
  isNamed,
  saidOf,
  screwSpots,
  seatOf,
  seatsOf,
  type NamedSeat,
} from '../model/seats';
import { perSeat } from './per-seat';
import type { Point, Spot } from '../place/pose';

/** What only sweeps through now and then is moved out of the way of a tool. */
const SWEPT: ReadonlySet<string> = new Set(['sweep', 'tilt', 'travel']);

export const jointAccess: Check = {
  id: 'joint.access',
  tried: () => false,
  slow: true,
  title: 'Getting at the screws',
  short: 'cannot be reached',
  says: 'Whether the tool of every joint gets to it with everything in place: a key on the axis of the screw with room for a hand, or bent with its long arm swung a sixth of a turn; fingers; the sweep of a lever. What covers it has to go on later; what it hangs on itself never makes way.',
  formula: 'distance of the solids of the tool to every solid around >= 0, in the best of its ways',
  run: (built) => ofEach(built),
};

const ofEach = perSeat('joint.access', (built, s) =>
  isNamed(s) && s.part.kind !== 'cage' ? [reached(built, s)] : [],
);

function reached(built: Built, s: NamedSeat): Verdict {
  const base = {
    id: 'joint.access',
    key: `joint.access:${s.use.id}`,
    about: [s.part.id],
    pieces: [s.piece],
    basis: ruleBasis('joint.hand'),
  };
  const said = saidOf(s);
  const unknown = (why: string, asked: readonly Given[] = []) =>
    plainVerdict({
      ...base,
      state: 'unknown',
      why: `Whether the joint of ${said} can be got at is not known: ${why}.`,
      sum: 'No sum.',
      measure: lacking(asked),
    });
  const tools = built.once(TOOLS(s.use.id));
  const side = turnedSide(s);
  const asked = (key: string): Given => given(side.part, 'interfaces', side.i.id, key);
  if (tools === null || tools === 'driver')
    return unknown('nobody said what it is turned with', [
      { ...asked('driver'), unit: '', known: null },
    ]);
  if (tools === 'sweep') return unknown('the reach of its lever is missing', [asked('sweep')]);
  const { driver, heads } = tools;
  if (heads.length === 0) return unknown('what holds it stands nowhere');
  const { missing } = tools;
  if (missing.length > 0)
    return unknown(`${inWords(missing.map((g) => g.label))} missing`, missing);
  const notOwn = (x: { piece: string }) => x.piece !== s.piece && x.piece !== s.host.piece;
  const blind = built.once(SIZELESS).filter(notOwn);
  const seen = built.once(NEAR(s.use.id)).filter(notOwn);
  const worstOf = (list: readonly Beside[]) =>
    heads
      .map((h) => accessOf(h.ways, near(h, list), h.loose))
      .reduce((x, y) => (RANK[y.state] < RANK[x.state] ? y : x));
  // What hangs on it goes on after it in any case.
  const own = new Set(hangingOn(built, s.use.id));
  const others = seen.filter((x) => !own.has(x.piece));
  const worst = worstOf(others);
  if (worst.state === 'free') {
    const doubtful = blind.filter((x) => !own.has(x.piece));
    if (doubtful.length > 0)
      return unknown(
        `where ${inWords([...new Set(doubtful.map((x) => x.name))].slice(0, 3))} may stand is not known`,
      );
    const later = worstOf(seen.filter((x) => own.has(x.piece)));
    const on = [...new Set(later.by.map((x) => x.name))];
    return plainVerdict({
      ...base,
      state: 'ok',
      why:
        later.state === 'free'
          ? `${upper(withTool(driver))} gets to the joint of ${said}.`
          : `${upper(withTool(driver))} gets to the joint of ${said} until ${inWords(on)} ${on.length > 1 ? 'are' : 'is'} on it.`,
      sum: `${mm(Math.max(0, Math.min(worst.room, 1000)))} of room around the tool`,
    });
  }
  const names = [...new Set(worst.by.map((x) => x.name))];
  // Never, if what has to be there before it blocks every way by itself.
  const first = before(built, s);
  const never = worstOf(others.filter((x) => first.has(x.piece))).state === 'blocked';
  const what = names.length > 0 ? inWords(names.slice(0, 3)) : 'what stands beside it';
  return plainVerdict({
    ...base,
    about: [...new Set([s.part.id, ...worst.by.map((x) => x.part)])],
    pieces: [s.piece, ...new Set(worst.by.map((x) => x.piece))],
    state: never ? 'fail' : 'tight',
    why: never
      ? `${upper(withTool(driver))} never gets to the joint of ${said}: ${what}, which has to be there before it, stands ${sayLength(-worst.room)} in the way.`
      : worst.state === 'blocked'
        ? `${what} ${names.length > 1 ? 'cover' : 'covers'} the joint of ${said}: ${names.length > 1 ? 'they go' : 'it goes'} on after it, and ${names.length > 1 ? 'come' : 'comes'} off to get at it with ${withTool(driver)}.`
        : `${upper(withTool(driver))} may or may not get to the joint of ${said} past ${what}.`,
    sum: `${mm(worst.room)} of room around the tool`,
  });
}

const RANK = { blocked: 0, maybe: 1, free: 2 } as const;
const nominal = (g: Given) => g.known?.value ?? 0;
const upper = (t: string) => t[0]!.toUpperCase() + t.slice(1);
const withTool = (d: Driver) => (d.id === 'fingers' ? 'a hand' : `a ${d.name}`);

/** A head of a screw with every way to turn it, and the room that all of them take. */
interface Head {
  ways: readonly Way[];
  room: Bounds;
  loose: number;
}

/** The tool of a joint at each of its screws; what is missing for it, where it is not known. */
interface Tools {
  driver: Driver;
  heads: readonly Head[];
  missing: readonly Given[];
}

const TOOLS = each('tools', (built, id): Tools | 'driver' | 'sweep' | null => {
  const s = seatOf(built, id);
  if (!s || !isNamed(s)) return null;
  const driver = driverOf(turnedSide(s).i.driver ?? s.by.driver ?? s.at.driver);
  if (!driver) return 'driver';
  const reach = driver.id === 'lever' ? sweepOf(s) : ZERO;
  if (!reach) return 'sweep';
  const spots = screwSpots(built, s).map((spot) => headOf(s, spot, driver.id === 'lever'));
  const missing = [...new Set(spots.flatMap((h) => givens(h.at)).filter((g) => g.known === null))];
  const heads = spots.map((h): Head => {
    const p = h.at.map((l) => at(l, nominal)) as unknown as Vec;
    const ways = waysTo(driver, p, h.out, built.rules['joint.hand'], at(reach, nominal));
    return {
      ways,
      room: ways.flatMap((w) => w.solids.map(bounds)).reduce(union),
      loose: h.at.reduce((sum, l) => sum + l.loose, 0),
    };
  });
  return { driver, heads, missing };
});

/** What stands beside a joint. */
interface Beside extends Pick<StandSolid, 'piece' | 'role' | 'name' | 'solid' | 'loose' | 'reach'> {
  part: string;
}

/** Only what comes near any way of the tool can stand in it. */
const near = (h: Head, list: readonly Beside[]) =>
  list.filter((x) => apart(x.reach, h.room) <= h.loose);

const SOLIDS = node('what tools go past', (built: Built): readonly Beside[] => {
  const stand = standOf(built);
  const parts = new Map(stand.pieces.map((p) => [p.key, p.part]));
  return stand.solids
    .filter((x) => x.known && !SWEPT.has(x.role))
    .map((x) => ({
      piece: x.piece,
      role: x.role,
      name: x.name,
      solid: x.solid,
      loose: x.loose,
      reach: x.reach,
      part: parts.get(x.piece) ?? x.piece,
    }));
});

/** What nobody knows the size of stands beside every joint. */
const SIZELESS = node(
  'without a size',
  (built: Built) =>
    standOf(built)
      .solids.filter((x) => !x.known && !SWEPT.has(x.role))
      .map(({ piece, name }) => ({ piece, name })),
  {
    same: (a, b) =>
      a.length === b.length && a.every((x, i) => x.piece === b[i]!.piece && x.name === b[i]!.name),
  },
);

/** What stands near the tool of a joint; the same list for as long as it stands the same. */
const NEAR = each(
  'near the tool',
  (built, id): readonly Beside[] => {
    const tools = built.once(TOOLS(id));
    if (tools === null || typeof tools === 'string') return [];
    const list = built.once(SOLIDS);
    return list.filter((x) => tools.heads.some((h) => apart(x.reach, h.room) <= h.loose));
  },
  (a, b) => a.length === b.length && a.every((x, i) => sameBeside(x, b[i]!)),
);

/** Whether something stands where it stood. */
function sameBeside(a: Beside, b: Beside): boolean {
  return (
    a === b ||
    (a.piece === b.piece &&
      a.role === b.role &&
      a.name === b.name &&
      a.part === b.part &&
      a.loose === b.loose &&
      a.reach.every((v, k) => v === b.reach[k]) &&
      sameSolid(a.solid, b.solid))
  );
}

/** Reach of the lever of a joint; null while nobody gave it. */
function sweepOf(s: NamedSeat): Lin | null {
  for (const [part, i] of [
    [s.part, s.by],
    [s.host.part, s.at],
  ] as const) {
    const g = given(part, 'interfaces', i.id, 'sweep');
    if (g.known) return lin(g.known.hi);
  }
  return null;
}

/** The side of a joint that brings the screw: its head is on the far side of that. */
function turnedSide(s: NamedSeat): { part: Part; i: Interface; sign: 1 | -1 } {
  const male = screwOf(s)?.male;
  return male && male.i === s.at && male.part === s.host.part
    ? { ...male, sign: -1 }
    : { part: s.part, i: s.by, sign: 1 };
}

/** Where the head of a screw is: as far out of the joint as what it goes through. */
function headOf(s: NamedSeat, spot: Spot, lever: boolean): { at: Point; out: Vec } {
  const { part, i, sign } = turnedSide(s);
  const gap = lin(sign > 0 ? (s.use.gap ?? 0) : 0);
  const by = lever ? gap : plus(gap, of(given(part, 'interfaces', i.id, 'thickness')));
  const out = spot.out.map((v) => sign * v + 0) as unknown as Vec;
  return {
    at: spot.at.map((l, k) => plus(l, times(by, out[k]!))) as unknown as Point,
    out,
  };
}

/** Pieces that are on before a part is: what it hangs on, and what that hangs on; camera and cages. */
function before(built: Built, s: NamedSeat): Set<string> {
  const seats = seatsOf(built);
  const out = new Set<string>([pieceKey('body')]);
  for (const x of seats) if (x.part.kind === 'cage') out.add(x.piece);
  let up = seats.find((x) => x.piece === s.host.piece);
  while (up && !out.has(up.piece)) {
    out.add(up.piece);
    const next: string | undefined = up.host?.piece;
    up = seats.find((x) => x.piece === next);
  }
  return out;
}
