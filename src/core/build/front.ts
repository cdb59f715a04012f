import { node } from '../engine/reads';
import type { Aperture } from '../pupil/aperture';
import { rodSystem } from '../areas/rods/kit/systems';
import { valueOf } from '../quantity/quantity';
import {
  isBox,
  isFilter,
  isReduction,
  isRing,
  isSleeve,
  type BoxUse,
  type Filter,
  type FlagLeaf,
  type FlagUse,
  type MatteBox,
  type ReductionRing,
  type Ring,
  type Sleeve,
  type Stage,
  type TrayUse,
} from '../kit/types';
import { flangeOf, type Built } from './build';
import { constant, exactly, given, type Given } from './given';
import { asFunction, givens } from './lin';
import { underCamera } from './under';

/** A number as a function of the inputs of the front, in their order. */
export type Num = (x: readonly number[]) => number;

/** Numbers that a computation rests on, gathered while it is put together. */
export class Inputs {
  readonly list: Given[] = [];
  add(g: Given): Num {
    const i = this.list.push(g) - 1;
    return (x) => x[i]!;
  }
}

/** A ring or filter on the thread. Stations are ahead of the front rim of the lens, nominal. */
export interface ThreadPiece {
  part: Ring | Filter;
  index: number;
  from: number;
  to: number;
  /** Its thickness is not known: drawn at a stand-in. */
  assumed: boolean;
}

export interface PlacedStage {
  stage: Stage;
  use: TrayUse | null;
  filter: Filter | null;
  out: boolean;
  /** Ahead of the back of the box, with what is taken out behind it gone; nominal. */
  z: number | null;
}

export interface PlacedFlag {
  leaf: FlagLeaf;
  use: FlagUse;
}

export interface PlacedBox {
  box: MatteBox;
  use: BoxUse;
  ring: ReductionRing | null;
  sleeve: Sleeve | null;
  stages: PlacedStage[];
  flags: PlacedFlag[];
  /** How much shorter it is than whole, mm; nominal. */
  shorter: number;
}

/** One edge that the light has to pass. */
export interface FrontEdge {
  key: string;
  part: string;
  /** As a person says it: `mouth of Sill box`. */
  label: string;
  /** Station ahead of the rim of the lens, or from the image plane for what stands on rods. */
  at: (x: readonly number[], rim: number) => Aperture;
  /** Inputs it rests on, by index. */
  needs: readonly number[];
}

/** What stands under the camera and holds the rods. */
export interface RodDrop {
  /** Axis down to the rods as built, from its inputs. */
  inputs: Given[];
  value: Num;
  /** Height that the box is made for. */
  standard: Given;
}

/** Everything in front of the lens, with the numbers it rests on. */
export interface Front {
  inputs: Given[];
  /** From the lens outwards; the rim of the lens first when its clear diameter is known. */
  edges: FrontEdge[];
  thread: ThreadPiece[];
  /** Length of what is on the thread; adds to where a box can begin. */
  threadLength: Num;
  box: PlacedBox | null;
  /** Back of the box: from the image plane, for a rim at `rim`. */
  seat: ((x: readonly number[], rim: number) => number) | null;
  drop: RodDrop | null;
  /** What a stand-in stands in for, if anything. */
  assumed: string | null;
  /** Something is on the lens at all. */
  standing: boolean;
}

export function frontOf(built: Built): Front {
  return built.once(FRONT);
}

const FRONT = node('front', makeFront);

/** A diameter or length of a part as an input; thickness that nobody gave is a missing number. */
function makeFront(built: Built): Front {
  const { rig, lens } = built;
  const inputs = new Inputs();
  const edges: FrontEdge[] = [];
  const thread: ThreadPiece[] = [];
  let assumed: string | null = null;
  let ahead: Num = () => 0;
  let nominal = 0;
  let clampAt: Num | null = null;
  const edge = (
    key: string,
    part: string,
    label: string,
    needs: readonly number[],
    at: FrontEdge['at'],
  ) => edges.push({ key, part, label, needs, at });
  const since = (from: number) =>
    Array.from({ length: inputs.list.length - from }, (_, i) => from + i);

  if (lens && lens.frontClear !== undefined && !lens.falloff?.length) {
    // A measured falloff table has the lens's own rim in it already.
    const from = inputs.list.length;
    const d = inputs.add(given(lens, 'frontClear'));
    edge('rim', lens.id, `front rim of ${lens.name}`, since(from), (x, rim) => ({
      kind: 'circle',
      z: rim,
      cx: 0,
      cy: 0,
      r: d(x) / 2,
    }));
  }

  const stack: number[] = [];
  rig.thread?.forEach((use, index) => {
    const part = built.kit.get(use.part);
    if (!isRing(part) && !isFilter(part)) return;
    const from = inputs.list.length;
    const thick = inputs.add(given(part, 'thickness'));
    stack.push(from);
    const clear = inputs.add(given(part, 'clear'));
    const before = ahead;
    ahead = (x) => before(x) + thick(x);
    const front = ahead;
    const t = valueOf(part.thickness);
    thread.push({ part, index, from: nominal, to: nominal + (t ?? 6), assumed: t === null });
    nominal += t ?? 6;
    edge(`thread:${index}`, part.id, part.name, [...stack, from + 1], (x, rim) => ({
      kind: 'circle',
      z: rim + front(x),
      cx: 0,
      cy: 0,
      r: clear(x) / 2,
    }));
    if (isRing(part) && part.clamp !== undefined) clampAt = front;
  });

  const boxPart = rig.box ? built.kit.get(rig.box.part) : null;
  const box = isBox(boxPart) && rig.box ? placeBox(built, boxPart, rig.box) : null;
  const drop = rodDrop(built, box);
  let seat: Front['seat'] = null;
  if (box) {
    const { box: b, use } = box;
    let low: Num = () => 0;
    const seatNeeds: number[] = [];
    if (b.attach === 'rods') {
      if (use.station !== undefined) {
        const at = use.station;
        const from = inputs.list.length;
        const s = inputs.add(boxStationOf(b, at));
        seatNeeds.push(...since(from));
        seat = (x) => s(x);
      } else {
        const air = built.rules['front.travel-air'];
        const reach = travelOf(built);
        seatNeeds.push(...stack);
        seat = (x, rim) => Math.max(rim, reach ?? rim) + ahead(x) + air;
      }
      if (drop && drop.inputs.every((g) => g.known) && drop.standard.known) {
        const from = inputs.list.length;
        const own = drop.inputs.map((g) => inputs.add(g));
        const want = inputs.add(drop.standard);
        const value = drop.value;
        low = (x) => value(own.map((n) => n(x))) - want(x);
        seatNeeds.push(...since(from));
      } else
        assumed = `How high ${b.name} stands is not known; it is taken as centred on the lens.`;
    } else if (clampAt) {
      const clamp: Num = clampAt;
      seatNeeds.push(...stack);
      seat = (x, rim) => rim + clamp(x);
    } else {
      seat = (_x, rim) => rim;
      if (b.attach === undefined)
        assumed = `Whether ${b.name} clips on or stands on rods is not known; it is taken to begin at the rim of the lens.`;
    }
    const back = seat;
    const middle = (x: readonly number[]) => -low(x);

    // What is taken out brings everything ahead of it back.
    const outs: { z: number; by: Num }[] = [];
    const outNeeds: number[] = [];
    for (const s of box.stages)
      if (s.out) {
        const from = inputs.list.length;
        const by = inputs.add(given(b, 'stages', s.stage.id, 'shorter'));
        outs.push({ z: valueOf(s.stage.z) ?? 0, by });
        outNeeds.push(...since(from));
      }
    const shorter = (x: readonly number[], z: number) =>
      outs.reduce((sum, o) => sum + (o.z < z ? o.by(x) : 0), 0);

    for (const s of box.stages) {
      if (s.out) continue;
      const id = s.stage.id;
      const from = inputs.list.length;
      const z = inputs.add(given(b, 'stages', id, 'z'));
      const w = inputs.add(given(b, 'stages', id, 'clearW'));
      const h = inputs.add(given(b, 'stages', id, 'clearH'));
      const turn = s.stage.rotates ? ((s.use?.turn ?? 0) * Math.PI) / 180 : 0;
      const needs = [...seatNeeds, ...outNeeds, ...since(from)];
      const at = (x: readonly number[], rim: number) =>
        back(x, rim) + z(x) - shorter(x, valueOf(s.stage.z) ?? 0);
      edge(`stage:${id}`, b.id, `window of ${s.stage.name}, ${b.name}`, needs, (x, rim) => ({
        kind: 'rectangle',
        z: at(x, rim),
        cx: 0,
        cy: middle(x),
        hw: w(x) / 2,
        hh: h(x) / 2,
        turn,
      }));
      if (s.filter?.shape === 'round') {
        const own = inputs.list.length;
        const d = inputs.add(given(s.filter, 'clear'));
        edge(`tray:${id}`, s.filter.id, s.filter.name, [...needs, ...since(own)], (x, rim) => ({
          kind: 'circle',
          z: at(x, rim),
          cx: 0,
          cy: middle(x),
          r: d(x) / 2,
        }));
      }
    }
    const from = inputs.list.length;
    const z = inputs.add(given(b, 'mouthZ'));
    const w = inputs.add(given(b, 'mouthW'));
    const h = inputs.add(given(b, 'mouthH'));
    const needs = [...seatNeeds, ...outNeeds, ...since(from)];
    const mouthAt = (x: readonly number[], rim: number) =>
      back(x, rim) + z(x) - shorter(x, Infinity);
    edge('mouth', b.id, `mouth of ${b.name}`, needs, (x, rim) => ({
      kind: 'rectangle',
      z: mouthAt(x, rim),
      cx: 0,
      cy: middle(x),
      hw: w(x) / 2,
      hh: h(x) / 2,
      turn: 0,
    }));
    const mask = b.masks?.find((m) => m.id === use.mask);
    if (mask) {
      const own = inputs.list.length;
      const mw = inputs.add(given(b, 'masks', mask.id, 'w'));
      const mh = inputs.add(given(b, 'masks', mask.id, 'h'));
      edge('mask', b.id, `${mask.name} in ${b.name}`, [...needs, ...since(own)], (x, rim) => ({
        kind: 'rectangle',
        z: mouthAt(x, rim),
        cx: 0,
        cy: middle(x),
        hw: mw(x) / 2,
        hh: mh(x) / 2,
        turn: 0,
      }));
    }
    for (const { leaf, use: set } of box.flags) {
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
      edge(
        `flag:${leaf.id}`,
        b.id,
        `${leaf.name} of ${b.name}`,
        [...seatNeeds, ...outNeeds, ...since(own)],
        (x, rim) =>
          flagEdge(
            leaf.side,
            back(x, rim) + hz(x) - shorter(x, Infinity),
            off(x),
            len(x),
            angle(x),
            middle(x),
          ),
      );
    }
  }

  return {
    inputs: inputs.list,
    edges,
    thread,
    threadLength: ahead,
    box,
    seat,
    drop,
    assumed,
    standing: thread.length > 0 || box !== null,
  };
}

/**
 * The edge at the tip of a flag. Angle 0 is straight ahead, parallel to the axis; more is further
 * open. The hinge itself lies at the mouth, which is an edge of its own.
 *
 * @param z station of the hinge, @param offset its distance from the axis, @param length of the
 *   leaf, mm; @param angle degrees; @param middle height of the middle of the box, mm
 */
export function flagEdge(
  side: FlagLeaf['side'],
  z: number,
  offset: number,
  length: number,
  angle: number,
  middle: number,
): Aperture {
  const a = (angle * Math.PI) / 180;
  const out = offset + length * Math.sin(a);
  const at = z + length * Math.cos(a);
  switch (side) {
    case 'top':
      return { kind: 'edge', z: at, nx: 0, ny: 1, d: out + middle };
    case 'bottom':
      return { kind: 'edge', z: at, nx: 0, ny: -1, d: out - middle };
    case 'right':
      return { kind: 'edge', z: at, nx: 1, ny: 0, d: out };
    case 'left':
      return { kind: 'edge', z: at, nx: -1, ny: 0, d: out };
  }
}

function placeBox(built: Built, box: MatteBox, use: BoxUse): PlacedBox {
  const ring = use.ring === undefined ? null : built.kit.get(use.ring);
  const sleeve = use.sleeve === undefined ? null : built.kit.get(use.sleeve);
  let shorter = 0;
  const stages = [...(box.stages ?? [])]
    .sort((a, b) => (valueOf(a.z) ?? 0) - (valueOf(b.z) ?? 0))
    .map((stage): PlacedStage => {
      const tray = use.trays?.find((t) => t.id === stage.id) ?? null;
      const filter = tray?.filter === undefined ? null : built.kit.get(tray.filter);
      const out = tray?.out === true;
      const z = valueOf(stage.z);
      const placed = {
        stage,
        use: tray,
        filter: isFilter(filter) ? filter : null,
        out,
        z: z === null ? null : z - shorter,
      };
      if (out) shorter += valueOf(stage.shorter) ?? 0;
      return placed;
    });
  const flags: PlacedFlag[] = [];
  for (const f of use.flags ?? []) {
    const leaf = box.flags?.find((l) => l.id === f.id);
    if (leaf) flags.push({ leaf, use: f });
  }
  return {
    box,
    use,
    ring: isReduction(ring) ? ring : null,
    sleeve: isSleeve(sleeve) ? sleeve : null,
    stages,
    flags,
    shorter,
  };
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

/** Where a box was set on its rods. A clamp is set against a rule: half a millimetre. */
export function boxStationOf(box: MatteBox, at: number): Given {
  return constant(`station of ${box.name}`, 'mm', {
    value: at,
    tol: 0.5,
    from: 'sheet',
    lo: at - 0.5,
    hi: at + 0.5,
  });
}

/** Station of the face that the lens sits on; null while a length on the way is not known. */
export function lensSeat(built: Built): number | null {
  const { body } = built;
  if (!body) return null;
  let z = flangeOf(built, body).known?.value ?? null;
  for (const { link } of built.links) {
    const length = valueOf(link.length);
    z = z === null || length === null ? null : z + length;
  }
  return z;
}

/** How far below the axis the rods come out, and where the box wants them. */
function rodDrop(built: Built, box: PlacedBox | null): RodDrop | null {
  const { drop } = underCamera(built);
  if (!drop) return null;
  const inputs = givens([drop]);
  const made = box?.box.centreHeight !== undefined ? given(box.box, 'centreHeight') : null;
  const system = rodSystem(box?.box.rods);
  return {
    inputs,
    value: asFunction(drop, inputs),
    standard:
      made ??
      constant(
        `height of ${system?.name ?? 'its rods'}`,
        'mm',
        system ? exactly(system.drop) : null,
      ),
  };
}
