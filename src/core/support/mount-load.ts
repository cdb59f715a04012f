import type { Built } from '../build/build';
import { constant, given, type Given } from '../build/given';
import { at, givens, minus, of, plus, times, type Lin, type Read } from '../build/lin';
import { standOf, type Stand } from '../build/stand';
import type { PlacedDrive } from '../build/stand-drive';
import { outletsOn } from '../drive/outlets';
import { pitchDiameter, torqueAt, torqueAtLens } from '../drive/gears';
import { valueOf } from '../quantity/quantity';
import { bounds } from '../solids/solid';
import type { Part } from '../kit/types';
import { moment, sideMoment } from './load';

/** A number that rests on given ones. */
interface Rested {
  inputs: readonly Given[];
  f: (read: Read) => number;
}

/** One mass that hangs ahead of a joint. */
export interface Hanging {
  part: string;
  name: string;
  mass: Given;
  /** Station of its centre of gravity. */
  z: Rested;
}

/** A joint that carries what is ahead of it. */
export interface LoadedJoint {
  key: string;
  /** The part whose mount bears the load. */
  bearer: Part;
  station: Lin;
  hanging: Hanging[];
  /** Moment of the side load of the drives about it, N m. */
  side: Rested;
  /** Play of the joint; null at the body's own mount and where a foot is tied. */
  play: Given | null;
}

const resting = (l: Lin): Rested => ({ inputs: givens([l]), f: (read) => at(l, read) });

/** Somewhere inside a length: the middle, good to a quarter of it either way. */
function inside(part: Part, from: Lin, length: Given): Lin {
  const l = length.known?.value ?? null;
  return plus(
    from,
    of(
      constant(
        `centre of gravity of ${part.name}`,
        'mm',
        l === null ? null : { value: l / 2, tol: l / 4, from: 'guess', lo: l / 4, hi: (3 * l) / 4 },
      ),
    ),
  );
}

/** What hangs on the mounts, joint by joint, from the body outwards. */
export function loadedJoints(built: Built): LoadedJoint[] {
  const stand = standOf(built);
  const { body, lens } = built;
  if (!body || !lens) return [];
  const chain: Hanging[] = [];
  let z = stand.face;
  const joints: LoadedJoint[] = [];
  const joint = (bearer: Part, station: Lin, play: Given | null, key: string) =>
    joints.push({ key, bearer, station, hanging: [], side: sideLoad(stand, station), play });
  joint(body, z, null, 'body');
  for (const { link, index, use } of built.links) {
    const length = given(link, 'length');
    chain.push({
      part: link.id,
      name: link.name,
      mass: given(link, 'mass'),
      z: resting(inside(link, z, length)),
    });
    z = plus(z, of(length));
    joint(
      link,
      z,
      use.tied || link.play === undefined ? null : given(link, 'play'),
      `link:${index}`,
    );
  }
  const ahead: Hanging[] = [
    {
      part: lens.id,
      name: lens.name,
      mass: given(lens, 'mass'),
      z: resting(plus(z, of(given(lens, 'centreOfGravity')))),
    },
  ];
  for (const p of stand.pieces) {
    const part = built.kit.get(p.part)!;
    const gear = p.key.startsWith('gear:');
    const thread = p.key.startsWith('thread:');
    const clip = p.key === 'box' && (part as { attach?: string }).attach !== 'rods';
    if (!gear && !thread && !clip) continue;
    // Rings weigh little: what nobody weighed is left out, a box is asked for.
    if (!clip && part.mass === undefined) continue;
    const first = p.solids[0];
    if (!first) continue;
    ahead.push({
      part: part.id,
      name: part.name,
      mass: given(part, 'mass'),
      z: first.faces
        ? resting(times(plus(first.faces.z0, first.faces.z1), 0.5))
        : {
            inputs: first.inputs,
            f: (read) => {
              const e = bounds(first.make(read));
              return (e[2] + e[5]) / 2;
            },
          },
    });
  }
  joints.forEach((j, i) => j.hanging.push(...chain.slice(i), ...ahead));
  return joints;
}

/** Side load of all drives about a station: torque over pitch radius, times the lever [trade]. */
function sideLoad(stand: Stand, station: Lin): Rested {
  const parts = stand.drives.flatMap((d) => {
    const torque = torqueOf(stand, d);
    const teeth = d.gear?.teeth?.known?.value;
    if (!torque || teeth === undefined || torque.inputs.some((g) => !g.known)) return [];
    const lever = minus(d.gearAt, station);
    const pitch = pitchDiameter(teeth, d.gear!.module.known?.value);
    return [
      {
        inputs: [...torque.inputs, ...givens([lever])],
        f: (read: Read) => sideMoment(torque.f(read), pitch, at(lever, read)),
      },
    ];
  });
  return {
    inputs: parts.flatMap((p) => p.inputs),
    f: (read) => Math.abs(parts.reduce((sum, p) => sum + p.f(read), 0)),
  };
}

/**
 * Torque that a drive puts on the lens: what a motor has on its outlet, or what the ring takes by
 * hand; null when neither is known.
 */
export function torqueOf(stand: Stand, d: PlacedDrive): Rested | null {
  const { gear, part } = d;
  if (!gear?.teeth || !stand.built.lens) return null;
  if (part.kind !== 'motor') {
    const torque = given(stand.built.lens, 'rings', gear.ring.id, 'torque');
    return { inputs: [torque], f: (read) => read(torque) };
  }
  const out = outletsOn(stand).find(
    (o) => o.from === d.use.outlet?.from && o.id === d.use.outlet.id,
  );
  if (!out || !part.torques?.length) return null;
  const rows = part.torques.map((r, i) => ({
    volts: r.volts,
    torque: given(part, 'torques', String(i), 'torque'),
  }));
  const eff = stand.built.rules['drive.efficiency'];
  return {
    inputs: [out.volts, gear.teeth, d.teeth, ...rows.map((r) => r.torque)],
    f: (read) =>
      torqueAtLens(
        torqueAt(
          rows.map((r) => ({ volts: r.volts, torque: read(r.torque) })),
          read(out.volts),
        ),
        read(gear.teeth!),
        read(d.teeth),
        eff,
        // Lines of the sheet that do not count at these volts would at others: which way they
        // push must show.
      ) +
      LEAN * rows.reduce((sum, r) => sum + read(r.torque), 0),
  };
}

/** Torque of a drive at the lens, nominal; null when it is not known. */
export function nominalTorque(stand: Stand, d: PlacedDrive): number | null {
  const t = torqueOf(stand, d);
  return t && t.inputs.every((g) => g.known) ? t.f((g) => g.known!.value) : null;
}

/** Moment of what hangs ahead of a joint, as a function of its numbers, N m. */
export function momentOf(j: LoadedJoint): { inputs: Given[]; f: (read: Read) => number } {
  const inputs = [
    ...new Set([
      ...j.hanging.flatMap((h) => [h.mass, ...h.z.inputs]),
      ...givens([j.station]),
      ...j.side.inputs,
    ]),
  ];
  return {
    inputs,
    f: (read) => {
      const station = at(j.station, read);
      return (
        j.hanging.reduce((sum, h) => sum + moment(read(h.mass), h.z.f(read) - station), 0) +
        j.side.f(read)
      );
    },
  };
}

const LEAN = 1e-9;

/** What takes the load off the mounts, in words; null when nothing does. */
export function supportedBy(built: Built, from = 0): string | null {
  const stand = standOf(built);
  // A support nobody knows the height of holds nothing up on paper.
  const s = stand.supports.find(
    (p) =>
      p.found &&
      p.trouble === null &&
      p.by.length === 0 &&
      p.needed !== null &&
      stand.missing([p.needed, p.station]).length === 0 &&
      valueOf(p.part.postFrom) !== null &&
      valueOf(p.part.postTo) !== null &&
      valueOf(p.part.clampLength) !== null,
  );
  if (s) return s.part.name;
  const tied = built.links.find((l) => l.index >= from && l.use.tied);
  return tied ? `the tied foot of ${tied.link.name}` : null;
}
