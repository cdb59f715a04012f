import type { Built } from '../../../build/build';
import { node } from '../../../engine/reads';
import { valueOf } from '../../../quantity/quantity';
import { exact } from '../../../quantity/say';
import { isBox, type Part } from '../../../kit/types';
import { pieceKey } from '../../../place/piece';
import { bridges, sideOf, type Edge } from './graph';
import { seatsOf, type Seat } from './seats';

/** A joint on the way from what the rig is held by to what it carries. */
export interface Carrying {
  seat: Seat;
  /** What falls or is left behind when it goes: all on its other side. */
  carried: readonly Part[];
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

/** What a joint carries, in a sentence: what is known of it, and what nobody weighed. */
export function massOf(path: LoadPath, seat: Seat): string {
  const joint = path.joints.find((j) => j.seat.use.id === seat.use.id);
  if (!joint) return '';
  const known = joint.carried.map((p) => valueOf(p.mass));
  const grams = known.reduce<number>((sum, m) => sum + (m ?? 0), 0);
  const missing = known.filter((m) => m === null).length;
  return `It carries ${exact(grams, 0)} g${missing > 0 ? ` and ${missing} that nobody weighed` : ''}.`;
}

const PATH = node('load path', find);

function find(built: Built): LoadPath {
  const seats = seatsOf(built);
  const { parts, edges } = graphOf(built, seats);
  const hold = seats.find((s) => s.use.id === built.rig.hold) ?? null;
  const root = hold?.piece ?? (parts.has(pieceKey('plate')) ? pieceKey('plate') : pieceKey('body'));
  const firm = edges.filter((e) => !e.tie);
  const alone = bridges(parts.keys(), edges);
  const joints = seats.flatMap((seat): Carrying[] => {
    const edge = firm.find((e) => e.seat === seat);
    if (!edge) return [];
    // Each of several that hold one thing must carry all of it: ties are left out of this.
    const own = sideOf(seat.piece, firm, edge.id);
    const far = own.has(root)
      ? sideOf(edge.a === seat.piece ? edge.b : edge.a, firm, edge.id)
      : own;
    return [
      {
        seat,
        carried: [...far].flatMap((k) => parts.get(k) ?? []),
        only: alone.has(edge.id),
      },
    ];
  });
  const held = hold ? [...parts].flatMap(([k, list]) => (k === hold.piece ? [] : list)) : [];
  return { hold, held, joints };
}

interface Held extends Edge {
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
  if (body) put(camera, body.id);
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
    join(onRods, pieceKey('support', s.id));
  }
  for (const d of rig.drives ?? []) {
    put(pieceKey('drive', d.id), d.part, d.arm);
    join(onRods, pieceKey('drive', d.id));
  }
  if (rig.box) {
    const { box } = rig;
    const part = kit.get(box.part);
    const trays = (box.trays ?? []).map((t) => (t.out ? undefined : t.filter));
    put(pieceKey('box'), box.part, box.ring, box.sleeve, ...trays);
    join(isBox(part) && part.attach !== 'rods' ? lens : onRods, pieceKey('box'));
  }
  for (const seat of seats) {
    put(seat.piece, seat.part.id);
    const host = seat.use.on === 'rods' ? onRods : (seat.host?.piece ?? camera);
    join(host, seat.piece, { id: `seat ${seat.use.id}`, seat });
    if (seat.use.line) join(host, seat.piece, { id: `line ${seat.use.id}`, tie: true });
  }
  return { parts, edges };
}
