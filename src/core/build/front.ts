import { type Built, flangeOf } from './build';
import {
  type Front,
  Inputs,
  type FrontEdge,
  type ThreadPiece,
  type Num,
  type PlacedBox,
  type RodDrop,
} from './front-parts';
import { node } from '../engine/reads';
import { given, constant, exactly } from './given';
import { isRing, isFilter, isBox } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { placeBox, boxStationOf, flagEdge } from './front-box';
import { underCamera } from './under';
import { givens, asFunction } from './lin';
import { rodSystem } from '../areas/rods/kit/systems';

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
