import type { Built } from '../build/build';
import { constant, given, type Given } from '../build/given';
import { at, givens, minus, of, plus, type Lin } from '../build/lin';
import { standOf, type Stand } from '../build/stand';
import { lensTorque, outletsOn } from '../drive/outlets';
import { pitchDiameter } from '../drive/gears';
import type { Part } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { moment, sideMoment } from './load';

/** One mass that hangs ahead of a joint. */
export interface Hanging {
  part: string;
  name: string;
  mass: Given;
  /** Station of its centre of gravity. */
  z: Lin;
}

/** A joint that carries what is ahead of it. */
export interface LoadedJoint {
  key: string;
  /** The part whose mount bears the load. */
  bearer: Part;
  station: Lin;
  hanging: Hanging[];
  /** Side load of the drives, N m, and the drive that is strongest. */
  side: number;
  /** Play of the joint, mm; null at the body's own mount. */
  play: Given | null;
}

/** Somewhere inside a length: the middle, good to a quarter of it either way. */
function inside(part: Part, from: Lin, length: Given): Lin {
  const l = length.known?.value ?? null;
  return plus(
    from,
    of(
      constant(
        `centre of gravity of ${part.name}`,
        'mm',
        l === null
          ? null
          : {
              value: l / 2,
              tol: l / 4,
              from: 'guess',
              lo: l / 4,
              hi: (3 * l) / 4,
            },
      ),
    ),
  );
}

/** What hangs on the mounts, joint by joint, from the body outwards. */
export function loadedJoints(built: Built): LoadedJoint[] {
  const stand = standOf(built);
  const { body, lens } = built;
  if (!body || !lens) return [];
  const chain: { part: Part; from: Lin; hanging: Hanging }[] = [];
  let z = stand.face;
  const joints: LoadedJoint[] = [];
  const joint = (bearer: Part, station: Lin, play: Given | null, key: string) =>
    joints.push({ key, bearer, station, hanging: [], side: 0, play });
  joint(body, z, null, 'body');
  for (const { link, index, use } of built.links) {
    const length = given(link, 'length');
    chain.push({
      part: link,
      from: z,
      hanging: {
        part: link.id,
        name: link.name,
        mass: given(link, 'mass'),
        z: inside(link, z, length),
      },
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
      z: plus(z, of(given(lens, 'centreOfGravity'))),
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
    const mid = (first.extent[2] + first.extent[5]) / 2;
    ahead.push({
      part: part.id,
      name: part.name,
      mass: given(part, 'mass'),
      z: { c: mid, terms: [] },
    });
  }
  joints.forEach((j, i) => {
    for (const c of chain.slice(i)) j.hanging.push(c.hanging);
    j.hanging.push(...ahead);
    j.side = sideLoad(stand, stand.value(j.station));
  });
  return joints;
}

/** Side load of all drives about a station: torque over pitch radius, times the lever [trade]. */
function sideLoad(stand: Stand, station: number): number {
  let sum = 0;
  for (const d of stand.drives) {
    const t = torqueOf(stand, d.use.id);
    if (t === null || !d.gear?.teeth?.known) continue;
    sum += sideMoment(
      t,
      pitchDiameter(d.gear.teeth.known.value, d.gear.module.known?.value),
      stand.value(d.gearAt) - station,
    );
  }
  return sum;
}

/**
 * Torque that a drive puts on the lens: what a motor has on its outlet, or what the ring takes by
 * hand; null when neither is known.
 */
export function torqueOf(stand: Stand, id: string): number | null {
  const d = stand.drives.find((x) => x.use.id === id);
  if (!d?.gear) return null;
  if (d.part.kind === 'motor') {
    const out = outletsOn(stand).find(
      (o) => o.from === d.use.outlet?.from && o.id === d.use.outlet.id,
    );
    const volts = out?.volts.known?.value;
    if (volts === undefined) return null;
    return lensTorque(stand, d, volts);
  }
  return valueOf(d.gear.ring.torque);
}

/** Moment of what hangs ahead of a joint, as a function of its numbers, N m. */
export function momentOf(j: LoadedJoint): { inputs: Given[]; f: (x: readonly number[]) => number } {
  const levers = j.hanging.map((h) => minus(h.z, j.station));
  const inputs = [...new Set([...j.hanging.map((h) => h.mass), ...givens(levers)])];
  return {
    inputs,
    f: (x) => {
      const read = (g: Given) => x[inputs.indexOf(g)]!;
      return (
        j.hanging.reduce((sum, h, i) => sum + moment(read(h.mass), at(levers[i]!, read)), 0) +
        Math.abs(j.side)
      );
    },
  };
}

/** What takes the load off the mounts, in words; null when nothing does. */
export function supportedBy(built: Built, from = 0): string | null {
  const stand = standOf(built);
  const s = stand.supports.find((p) => p.found && p.trouble === null && stand.drop !== null);
  if (s) return s.part.name;
  const tied = built.links.find((l) => l.index >= from && l.use.tied);
  return tied ? `the tied foot of ${tied.link.name}` : null;
}
