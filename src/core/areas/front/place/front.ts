import type { Aperture } from '../../../pupil/aperture';
import { type Axis, axisOf, drawnAt, stationOf } from '../../../build/axis';
import type { Built } from '../../../build/build';
import {
  type Front,
  Inputs,
  type FrontEdge,
  type ThreadPiece,
  type Num,
  type PlacedBox,
  type RodDrop,
} from './parts';
import { node } from '../../../engine/reads';
import { given, constant, exactly } from '../../../build/given';
import { isRing, isBox } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { placeBox, boxStationOf, flagEdge } from './box';
import { underCamera } from '../../rods/under/under';
import { underBox } from '../../../place/under-box';
import { asFunction, givens, plus, times, ZERO, type Lin } from '../../../build/lin';
import { rodSystem } from '../../rods/kit/systems';

export function frontOf(built: Built): Front {
  return built.once(FRONT);
}

const FRONT = node('front', makeFront);

/** Everything from the lens outwards, with the numbers that each edge rests on. */
function makeFront(built: Built): Front {
  const { rig } = built;
  const g = new Gathering(built);
  lensRim(g);
  threadEdges(g);
  const boxPart = rig.box ? built.kit.get(rig.box.part) : null;
  const box = isBox(boxPart) && rig.box ? placeBox(built, boxPart, rig.box) : null;
  const drop = rodDrop(built, box);
  let seat: Front['seat'] = null;
  if (box) {
    const place = boxPlace(g, box, drop);
    seat = place.back;
    stageEdges(g, box, place);
    mouthEdges(g, box, place);
    flagEdges(g, box, place);
  }
  return {
    inputs: g.inputs.list,
    edges: g.edges,
    thread: g.thread,
    threadLength: g.inputs.sum(g.ahead),
    box,
    seat,
    drop,
    assumed: g.assumed,
    standing: g.thread.length > 0 || box !== null,
  };
}

/** What the front is put together in, from the lens outwards. */
class Gathering {
  readonly inputs = new Inputs();
  readonly edges: FrontEdge[] = [];
  readonly axis: Axis;
  readonly thread: ThreadPiece[];
  assumed: string | null = null;
  /** Inputs of what is on the thread: what stands ahead of it rests on them. */
  readonly stack: number[] = [];

  constructor(readonly built: Built) {
    const axis = axisOf(built);
    this.axis = axis;
    const from = drawnAt(axis, axis.rim);
    this.thread = axis.thread.map((t) => ({
      part: t.part,
      index: t.index,
      from: drawnAt(axis, t.from) - from,
      to: drawnAt(axis, t.to) - from,
      assumed: t.thickness.known === null,
    }));
  }

  /** Length of all that is on the thread. */
  get ahead(): Lin {
    return this.axis.thread.at(-1)?.ahead ?? ZERO;
  }

  /** Inputs that were added since there were `from` of them, by index. */
  since(from: number): number[] {
    return Array.from({ length: this.inputs.list.length - from }, (_, i) => from + i);
  }

  edge(
    key: string,
    of: { id: string },
    label: string,
    needs: readonly number[],
    at: FrontEdge['at'],
    glass = false,
  ): void {
    this.edges.push({ key, part: of.id, label, needs, at, glass });
  }
}

/** The rim of the lens. A measured falloff table has it in it already. */
function lensRim(g: Gathering): void {
  const { lens } = g.built;
  if (!lens || lens.frontClear === undefined || lens.falloff?.length) return;
  const from = g.inputs.list.length;
  const d = g.inputs.add(given(lens, 'frontClear'));
  g.edge('rim', lens, `front rim of ${lens.name}`, g.since(from), (x, rim) =>
    disc(rim, 0, d(x) / 2),
  );
}

/** Rings and filters on the thread, by what they leave open at their front. */
function threadEdges(g: Gathering): void {
  for (const { part, index, ahead } of g.axis.thread) {
    const from = g.inputs.list.length;
    const front = g.inputs.sum(ahead);
    g.stack.push(...g.since(from));
    const open = g.inputs.list.length;
    const clear = g.inputs.add(given(part, 'clear'));
    g.edge(`thread:${index}`, part, part.name, [...g.stack, open], (x, rim) =>
      disc(rim + front(x), 0, clear(x) / 2),
    );
  }
}

/** Where a box stands, from the inputs of the front. */
interface BoxPlace {
  /** Its back, from the image plane. */
  back: (x: readonly number[], rim: number) => number;
  /** Height of its middle. */
  middle: Num;
  /** What is taken out behind a station of the box brings all ahead of it back. */
  shorter: (x: readonly number[], z: number) => number;
  /** Inputs that all of it rests on. */
  needs: readonly number[];
}

function boxPlace(g: Gathering, box: PlacedBox, drop: RodDrop | null): BoxPlace {
  const { back, low, needs } =
    box.box.attach === 'rods' ? onRods(g, box, drop) : { ...onLens(g, box), low: () => 0 };
  const outs: { z: number; by: Num }[] = [];
  const outNeeds: number[] = [];
  for (const s of box.stages)
    if (s.out) {
      const from = g.inputs.list.length;
      const by = g.inputs.add(given(box.box, 'stages', s.stage.id, 'shorter'));
      outs.push({ z: valueOf(s.stage.z) ?? 0, by });
      outNeeds.push(...g.since(from));
    }
  return {
    back,
    middle: (x) => -low(x),
    shorter: (x, z) => outs.reduce((sum, o) => sum + (o.z < z ? o.by(x) : 0), 0),
    needs: [...needs, ...outNeeds],
  };
}

type Seated = Pick<BoxPlace, 'back'> & { needs: number[]; low: Num };

/** A box on rods: set by hand, or ahead of the lens at its longest; as high as the rods are. */
function onRods(g: Gathering, { box: b, use }: PlacedBox, drop: RodDrop | null): Seated {
  const { built, inputs } = g;
  const needs: number[] = [];
  let back: BoxPlace['back'];
  if (use.station !== undefined) {
    const from = inputs.list.length;
    const s = inputs.add(boxStationOf(b, use.station));
    needs.push(...g.since(from));
    back = (x) => s(x);
  } else {
    const air = built.rules['front.travel-air'];
    const reach = travelOf(built);
    const ahead = inputs.sum(g.ahead);
    needs.push(...g.stack);
    back = (x, rim) => Math.max(rim, reach ?? rim) + ahead(x) + air;
  }
  if (drop?.single && drop.single.aside > UNDER)
    g.assumed = `${drop.single.name} runs beside the axis; ${b.name} is taken to stand over the middle all the same.`;
  if (!drop || !drop.inputs.every((d) => d.known) || !drop.standard.known) {
    g.assumed = `How high ${b.name} stands is not known; it is taken as centred on the lens.`;
    return { back, needs, low: () => 0 };
  }
  const from = inputs.list.length;
  const own = drop.inputs.map((d) => inputs.add(d));
  const want = inputs.add(drop.standard);
  needs.push(...g.since(from));
  return { back, needs, low: (x) => drop.value(own.map((n) => n(x))) - want(x) };
}

/** A box that is clamped to a ring on the thread, or begins at the rim. */
function onLens(g: Gathering, { box: b }: PlacedBox): Omit<Seated, 'low'> {
  const ring = g.axis.thread.filter((t) => isRing(t.part) && t.part.clamp !== undefined).at(-1);
  if (ring) {
    const clamp = g.inputs.sum(ring.ahead);
    return { back: (x, rim) => rim + clamp(x), needs: [...g.stack] };
  }
  if (b.attach === undefined)
    g.assumed = `Whether ${b.name} clips on or stands on rods is not known; it is taken to begin at the rim of the lens.`;
  return { back: (_x, rim) => rim, needs: [] };
}

/** The windows of the stages, and the round filters in them. */
function stageEdges(g: Gathering, { box: b, stages }: PlacedBox, p: BoxPlace): void {
  const { inputs } = g;
  for (const s of stages) {
    if (s.out) continue;
    const id = s.stage.id;
    const from = inputs.list.length;
    const z = inputs.add(given(b, 'stages', id, 'z'));
    const w = inputs.add(given(b, 'stages', id, 'clearW'));
    const h = inputs.add(given(b, 'stages', id, 'clearH'));
    const turn = s.stage.rotates ? ((s.use?.turn ?? 0) * Math.PI) / 180 : 0;
    const needs = [...p.needs, ...g.since(from)];
    const at = (x: readonly number[], rim: number) =>
      p.back(x, rim) + z(x) - p.shorter(x, valueOf(s.stage.z) ?? 0);
    g.edge(`stage:${id}`, b, `window of ${s.stage.name}, ${b.name}`, needs, (x, rim) =>
      pane(at(x, rim), p.middle(x), w(x) / 2, h(x) / 2, turn),
    );
    if (s.filter?.shape !== 'round') continue;
    const own = inputs.list.length;
    const d = inputs.add(given(s.filter, 'clear'));
    const all = [...needs, ...g.since(own)];
    const round: FrontEdge['at'] = (x, rim) => disc(at(x, rim), p.middle(x), d(x) / 2);
    g.edge(`tray:${id}`, s.filter, s.filter.name, all, round, true);
  }
}

/** The mouth of the box, and the mask in it. */
function mouthEdges(g: Gathering, { box: b, use }: PlacedBox, p: BoxPlace): void {
  const { inputs } = g;
  const from = inputs.list.length;
  const z = inputs.add(given(b, 'mouthZ'));
  const w = inputs.add(given(b, 'mouthW'));
  const h = inputs.add(given(b, 'mouthH'));
  const needs = [...p.needs, ...g.since(from)];
  const at = (x: readonly number[], rim: number) => p.back(x, rim) + z(x) - p.shorter(x, Infinity);
  g.edge('mouth', b, `mouth of ${b.name}`, needs, (x, rim) =>
    pane(at(x, rim), p.middle(x), w(x) / 2, h(x) / 2),
  );
  const mask = b.masks?.find((m) => m.id === use.mask);
  if (!mask) return;
  const own = inputs.list.length;
  const mw = inputs.add(given(b, 'masks', mask.id, 'w'));
  const mh = inputs.add(given(b, 'masks', mask.id, 'h'));
  g.edge('mask', b, `${mask.name} in ${b.name}`, [...needs, ...g.since(own)], (x, rim) =>
    pane(at(x, rim), p.middle(x), mw(x) / 2, mh(x) / 2),
  );
}

/** Flags at the angles they are set to. */
function flagEdges(g: Gathering, { box: b, flags }: PlacedBox, p: BoxPlace): void {
  const { inputs } = g;
  for (const { leaf, use: set } of flags) {
    const own = inputs.list.length;
    const hz = inputs.add(given(b, 'flags', leaf.id, 'z'));
    const off = inputs.add(given(b, 'flags', leaf.id, 'offset'));
    const len = inputs.add(given(b, 'flags', leaf.id, 'length'));
    // A hinge is set by eye: half a degree.
    const angle = inputs.add(
      constant(`angle of ${leaf.name}`, 'deg', {
        value: set.angle,
        tol: 0.5,
        from: 'sheet',
        lo: set.angle - 0.5,
        hi: set.angle + 0.5,
      }),
    );
    const needs = [...p.needs, ...g.since(own)];
    g.edge(`flag:${leaf.id}`, b, `${leaf.name} of ${b.name}`, needs, (x, rim) => {
      const z = p.back(x, rim) + hz(x) - p.shorter(x, Infinity);
      return flagEdge(leaf.side, z, off(x), len(x), angle(x), p.middle(x));
    });
  }
}

function disc(z: number, cy: number, r: number): Aperture {
  return { kind: 'circle', z, cx: 0, cy, r };
}

function pane(z: number, cy: number, hw: number, hh: number, turn = 0): Aperture {
  return { kind: 'rectangle', z, cx: 0, cy, hw, hh, turn };
}

/** Stations where the front rim of the lens can come to, from the image plane: the farthest. */
export function travelOf(built: Built): number | null {
  const seat = lensSeat(built);
  const { lens } = built;
  if (seat === null || !lens) return null;
  const ends = [lens.length, lens.lengthClose, lens.lengthTo]
    .map((q) => valueOf(q))
    .filter((v): v is number => v !== null);
  return ends.length === 0 ? null : seat + Math.max(...ends);
}

/** Station of the face that the lens sits on; null while a length on the way is not known. */
export function lensSeat(built: Built): number | null {
  return built.body ? stationOf(axisOf(built).seat) : null;
}

/** Farther beside the axis than this a rod carries no box, mm. Common practice, no source. */
const BESIDE = 30;
/** A rod that is this near to being under the axis is under it, mm. */
const UNDER = 0.5;
/** What a rod over or beside the lens leaves unsaid of the box that is to stand on it. */
const NOT_UNDER = constant('a rod that runs under the lens', 'mm', null);

/** How far below the axis the rods come out, and where the box wants them. */
function rodDrop(built: Built, box: PlacedBox | null): RodDrop | null {
  const own = underBox(built);
  // Where nobody knows how far beside the axis a rod is, nobody knows whether it carries the box.
  const drop = own ? plus(times(own.y, -1), times(own.x, 0)) : underCamera(built).drop;
  if (!drop) return null;
  const inputs = givens([drop]);
  const made = box?.box.centreHeight !== undefined ? given(box.box, 'centreHeight') : null;
  const system = rodSystem(box?.box.rods);
  const aside = own ? Math.abs(own.value(own.x)) : 0;
  const below = !own || (own.value(own.y) < 0 && aside <= BESIDE);
  return {
    inputs,
    value: asFunction(drop, inputs),
    single: own?.single ? { name: own.single.part.name, aside } : null,
    standard:
      (below ? made : NOT_UNDER) ??
      constant(
        `height of ${system?.name ?? 'its rods'}`,
        'mm',
        system ? exactly(system.drop) : null,
      ),
  };
}
