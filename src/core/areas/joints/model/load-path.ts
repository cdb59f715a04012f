import type { Built } from '../../../build/build';
import { node, sameList } from '../../../engine/reads';
import { isBox, type Part, type PortAt } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { bridges, farSides, sideOf, type Edge } from './graph';
import { each, seatsOf, type Seat } from './seats';

/** A joint on the way from what the rig is held by to what it carries. */
export interface Carrying {
  seat: Seat;
  /** What falls or is left behind when it goes: all on its other side. */
  carried: readonly Part[];
  /** The same as it stands: each piece with what it is made of. */
  pieces: readonly (readonly [key: string, parts: readonly Part[]])[];
  /** Nothing else holds that: it is a bridge. */
  only: boolean;
}

export interface LoadPath {
  /** The fitted part that the rig is held by; null from below. */
  hold: Seat | null;
  /** What the hold carries: the whole rig but itself. */
  held: readonly Part[];
  joints: readonly Carrying[];
}

/** How the weight gets from every fitted part to what the rig is held by; once for a rig. */
export function loadPath(built: Built): LoadPath {
  return built.once(PATH);
}

const PATH = node('load path', find);

/** What one joint carries, by the id of its use: the same for as long as it carries the same. */
export function carriedBy(built: Built, use: string): Omit<Carrying, 'seat'> | null {
  return built.once(CARRIED(use));
}

/** All that hangs on what the rig is held by. */
export function heldBy(built: Built): readonly Part[] {
  return built.once(HELD);
}

const HELD = node('held', (built: Built) => loadPath(built).held, { same: sameList });

const BY_ID = node(
  'joints of the load path',
  (built: Built) => new Map(loadPath(built).joints.map((j) => [j.seat.use.id, j])),
);

const CARRIED = each(
  'carried',
  (built, use): Omit<Carrying, 'seat'> | null => {
    const own = built.once(BY_ID).get(use);
    return own ? { carried: own.carried, pieces: own.pieces, only: own.only } : null;
  },
  (a, b) =>
    a === b ||
    (a !== null &&
      b !== null &&
      a.only === b.only &&
      sameList(a.carried, b.carried) &&
      sameList(
        a.pieces.map(([k]) => k),
        b.pieces.map(([k]) => k),
      )),
);

function find(built: Built): LoadPath {
  const seats = seatsOf(built);
  const { parts, edges } = heldTogether(built);
  const hold = seats.find((s) => s.use.id === built.rig.hold) ?? null;
  const root = hold?.piece ?? (parts.has(pieceKey('plate')) ? pieceKey('plate') : pieceKey('body'));
  const firm = edges.filter((e) => !e.tie);
  const alone = bridges(parts.keys(), edges);
  // Each of several that hold one thing must carry all of it: ties are left out of this.
  const beyond = farSides(root, firm);
  const edgeOf = new Map(firm.flatMap((e) => (e.seat ? [[e.seat, e] as const] : [])));
  const joints = seats.flatMap((seat): Carrying[] => {
    const edge = edgeOf.get(seat);
    if (!edge) return [];
    const far = beyond.get(edge.id) ?? farFrom(root, seat.piece, edge, firm);
    return [
      {
        seat,
        carried: [...far].flatMap((k) => parts.get(k) ?? []),
        pieces: [...far].map((k) => [k, parts.get(k) ?? []] as const),
        only: alone.has(edge.id),
      },
    ];
  });
  const held = hold ? [...parts].flatMap(([k, list]) => (k === hold.piece ? [] : list)) : [];
  return { hold, held, joints };
}

/** The side of a joint that the root is not on; that of the piece where the root is on neither. */
function farFrom(root: string, piece: string, edge: Edge, edges: readonly Edge[]): Set<string> {
  const own = sideOf(piece, edges, edge.id);
  return own.has(root) ? sideOf(edge.a === piece ? edge.b : edge.a, edges, edge.id) : own;
}

/** Every piece of the rig with its parts, and what holds them together; once for a rig. */
export function heldTogether(built: Built): {
  parts: ReadonlyMap<string, readonly Part[]>;
  edges: readonly Held[];
} {
  return built.once(GRAPH);
}

const GRAPH = node('what holds what', (built: Built) => graphOf(built, seatsOf(built)));

/** A joint between two pieces; the seat of a fitted part, or a second tie. */
export interface Held extends Edge {
  seat?: Seat;
  tie?: true;
}

/** Every piece with the parts it is made of, and what holds them together. */
function graphOf(built: Built, seats: readonly Seat[]) {
  const { rig, kit, body } = built;
  const parts = new Map<string, Part[]>();
  const edges: Held[] = [];
  const put = (key: string, ...ids: (string | undefined)[]) => {
    const list = ids.flatMap((id) => (id === undefined ? [] : (kit.get(id) ?? [])));
    parts.set(key, [...(parts.get(key) ?? []), ...list]);
  };
  const join = (a: string, b: string, more: Partial<Held> = {}) =>
    edges.push({ id: more.id ?? `${a} ${b}`, a, b, ...more });
  const camera = pieceKey('body');
  const plate = pieceKey('plate');
  const lens = pieceKey('lens');
  // A lead hangs on what it feeds, or goes to.
  if (body) put(camera, body.id, rig.outlet?.lead, ...(rig.cards ?? []).map((c) => c.part));
  const sent = (list: PortAt['list'], id: string) =>
    [...(rig.signals ?? [])]
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .flatMap((s) => (s.to.list === list && s.to.id === id ? [s.lead] : []));
  if (body) put(camera, ...sent('body', 'body'));
  const under = rig.under ?? [];
  if (under.length > 0) {
    put(plate, ...under.map((u) => u.part));
    join(camera, plate);
  }
  const below = under.length > 0 ? plate : camera;
  const rods = (rig.rods ?? []).map((r) => ({ key: pieceKey('rods', r.id), part: r.part }));
  for (const r of rods) {
    put(r.key, r.part);
    join(below, r.key);
  }
  const onRods = rods[0]?.key ?? below;
  // What is clamped to a single rod hangs on that.
  const rodOf = (on: string | undefined) => {
    const seat = on === undefined ? undefined : seats.find((s) => s.use.id === on);
    return seat && pieceKey('fitted', seat.use.id);
  };
  let at = camera;
  rig.between.forEach((u, i) => {
    const key = pieceKey('link', i);
    put(key, u.part);
    join(at, key);
    if (u.tied) join(key, below, { id: `foot ${key}`, tie: true });
    at = key;
  });
  if (rig.lens !== null) {
    put(
      lens,
      rig.lens,
      ...(rig.thread ?? []).map((t) => t.part),
      ...(rig.gears ?? []).map((g) => g.part),
    );
    join(at, lens);
    if (rig.footTied) join(lens, below, { id: 'foot of the lens', tie: true });
  }
  for (const s of rig.supports ?? []) {
    put(pieceKey('support', s.id), s.part);
    join(rodOf(s.on) ?? onRods, pieceKey('support', s.id));
  }
  for (const d of rig.drives ?? []) {
    put(pieceKey('drive', d.id), d.part, d.arm, d.outlet?.lead, ...sent('drives', d.id));
    join(rodOf(d.on) ?? onRods, pieceKey('drive', d.id));
  }
  if (rig.box) {
    const { box } = rig;
    const part = kit.get(box.part);
    const trays = (box.trays ?? []).map((t) => (t.out ? undefined : t.filter));
    put(pieceKey('box'), box.part, box.ring, box.sleeve, ...trays);
    join(isBox(part) && part.attach !== 'rods' ? lens : (rodOf(box.on) ?? onRods), pieceKey('box'));
    if (isBox(part) && part.attach === 'both') join(onRods, pieceKey('box'));
  }
  const leads = new Map(rig.fitted?.map((u) => [u.id, u.outlet?.lead]));
  for (const seat of seats) {
    put(seat.piece, seat.part.id, leads.get(seat.use.id), ...sent('fitted', seat.use.id));
    const host = seat.use.on === 'rods' ? onRods : (seat.host?.piece ?? camera);
    join(host, seat.piece, { id: `seat ${seat.use.id}`, seat });
    if (seat.use.line) join(host, seat.piece, { id: `line ${seat.use.id}`, tie: true });
  }
  return { parts, edges };
}
