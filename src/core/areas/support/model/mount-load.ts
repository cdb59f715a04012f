import { axisOf } from '../../../build/axis';
import { fittedOn } from '../../../place/fitted';
import { onTheBox } from '../../../place/on-box';
import { pieceKey } from '../../../place/piece';
import { node } from '../../../engine/reads';
import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { at, givens, minus, of, plus, times, type Lin, type Read } from '../../../build/lin';
import { aheadOf } from '../../mount/place/ahead';
import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../../drive/place/drive';
import { outletsOn } from '../../power/model/outlets';
import { pitchDiameter, torqueAt, torqueAtLens } from '../../drive/kit/gears';
import { valueOf } from '../../../quantity/quantity';
import { bounds } from '../../../solids/solid';
import type { Lens, MatteBox, Part } from '../../../kit/types';
import { poseOf } from '../../joints/place/pose';
import { moment, sideMoment } from './load';

/** A number that rests on given ones. */
export interface Rested {
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
  /** Moment of the side load of the drives about it while they turn their rings, N m. */
  turning: Rested;
  /** The same with every motor that can meet a stop stalled against it; null without one. */
  stalled: Rested | null;
  /** Play of the joint; null at the body's own mount and where a foot is tied. */
  play: Given | null;
  /** Number of pieces behind it: what is tied from there on takes its load. */
  index: number;
}

const resting = (l: Lin): Rested => ({ inputs: givens([l]), f: (read) => at(l, read) });

/** Somewhere inside a length: the middle, good to a quarter of it either way. */
function inside(part: Part, from: Lin, length: Given): Lin {
  const l = length.known?.value ?? 0;
  return plus(
    from,
    of(length, 0.5),
    of(
      constant(`centre of gravity of ${part.name}`, 'mm', {
        value: 0,
        tol: l / 4,
        from: 'guess',
        lo: -l / 4,
        hi: l / 4,
      }),
    ),
  );
}

/** What hangs on the mounts, joint by joint, from the body outwards; once for a rig. */
export function loadedJoints(built: Built): LoadedJoint[] {
  return built.once(LOADED);
}

const LOADED = node('loaded joints', (built: Built) => findJoints(built, standOf(built)));

function findJoints(built: Built, stand: Stand): LoadedJoint[] {
  const { body, lens } = built;
  if (!body || !lens) return [];
  const chain: Hanging[] = [];
  const axis = axisOf(built);
  const joints: LoadedJoint[] = [];
  const joint = (bearer: Part, station: Lin, play: Given | null, key: string) =>
    joints.push({
      key,
      bearer,
      station,
      hanging: [],
      turning: sideLoad(built, station, turningTorque),
      stalled: stand.drives.some((d) => meetsStop(d))
        ? sideLoad(built, station, (b, d) =>
            meetsStop(d) ? stalledTorque(b, d) : turningTorque(b, d),
          )
        : null,
      play,
      index: joints.length,
    });
  joint(body, axis.face, null, 'body');
  for (const { link, index, use, from, to } of axis.links) {
    chain.push({
      part: link.id,
      name: link.name,
      mass: given(link, 'mass'),
      z: resting(inside(link, from, given(link, 'length'))),
    });
    joint(link, to, use.tied ? null : given(link, 'play'), pieceKey('link', index));
  }
  const ahead: Hanging[] = [
    {
      part: lens.id,
      name: lens.name,
      mass: given(lens, 'mass'),
      z: resting(plus(axis.seat, of(given(lens, 'centreOfGravity')))),
    },
    ...onTheLens(built),
  ];
  joints.forEach((j, i) => j.hanging.push(...chain.slice(i), ...ahead));
  return joints;
}

/** Gear rings, what is on the thread, and a box that clips on with all that is in it. */
function onTheLens(built: Built): Hanging[] {
  const list: Hanging[] = [];
  for (const p of aheadOf(built).s.pieces) {
    const part = built.kit.get(p.part)!;
    const clip = p.is === 'box' && (part as MatteBox).attach !== 'rods';
    if (p.is !== 'gear' && p.is !== 'thread' && !clip) continue;
    const first = p.solids[0];
    if (!first) continue;
    const z: Rested = first.faces
      ? resting(times(plus(first.faces.z0, first.faces.z1), 0.5))
      : {
          inputs: first.inputs,
          f: (read) => {
            const e = bounds(first.make(read));
            return (e[2] + e[5]) / 2;
          },
        };
    const hang = (x: Part) => list.push({ part: x.id, name: x.name, mass: given(x, 'mass'), z });
    hang(part);
    if (!clip) continue;
    hangOn(built, list);
    // What is in the box hangs with it: its reduction ring, the glass in its trays.
    const { box } = built.rig;
    const inIt = [box?.ring, ...(box?.trays ?? []).map((t) => (t.out ? undefined : t.filter))];
    for (const id of inIt) {
      const x = id === undefined ? undefined : built.kit.get(id);
      if (x) hang(x);
    }
  }
  return list;
}

/** What stands on a box that the lens holds hangs on the lens with it. */
function hangOn(built: Built, list: Hanging[]): void {
  for (const use of onTheBox(fittedOn(built))) {
    const part = built.kit.get(use.part);
    const own = aheadOf(built).s.pieces.find((p) => p.key === pieceKey('fitted', use.id));
    const pose = own && poseOf(own);
    if (part && pose)
      list.push({
        part: part.id,
        name: part.name,
        mass: given(part, 'mass'),
        z: resting(pose.middle[2]),
      });
  }
}

/** Side load of all drives about a station: torque over pitch radius, times the lever [trade]. */
function sideLoad(
  built: Built,
  station: Lin,
  torqueOf: (built: Built, d: PlacedDrive) => Rested,
): Rested {
  const stand = standOf(built);
  const parts = stand.drives.map((d): Rested => {
    const torque = torqueOf(built, d);
    const { gear } = d;
    if (!gear?.teeth) return { inputs: [...torque.inputs, ...withoutGear(stand, d)], f: () => NaN };
    const teeth = gear.teeth;
    const lever = minus(d.gearAt, station);
    return {
      inputs: [...torque.inputs, teeth, gear.module, ...givens([lever])],
      f: (read: Read) =>
        sideMoment(torque.f(read), pitchDiameter(read(teeth), read(gear.module)), at(lever, read)),
    };
  });
  return {
    inputs: parts.flatMap((p) => p.inputs),
    f: (read) => Math.abs(parts.reduce((sum, p) => sum + p.f(read), 0)),
  };
}

/** The number that is missing when a drive has nothing to turn: its teeth, or the ring itself. */
function withoutGear(stand: Stand, d: PlacedDrive): Given[] {
  const { lens } = stand;
  const ring = lens?.rings?.find((r) => r.turns === d.use.turns);
  if (lens && ring)
    return [
      {
        ...given(lens, 'rings', ring.id, 'teeth'),
        label: `gear on the ${d.use.turns} ring of ${lens.name}`,
        known: null,
      },
    ];
  const label = `${d.use.turns} ring of ${lens?.name ?? 'the lens'}`;
  return [
    {
      ...constant(label, '', null),
      path: lens ? ['kit', lens.id, 'rings'] : [],
      part: lens?.id ?? '',
    },
  ];
}

/** What a ring takes to turn: what every drive puts on it while it turns, hand or motor. */
export function turningTorque({ lens }: Built, d: PlacedDrive): Rested {
  const ring = lens?.rings?.find((r) => r.turns === d.use.turns);
  if (!lens || !ring) return { inputs: [], f: () => 0 };
  const torque = given(lens, 'rings', ring.id, 'torque');
  return { inputs: [torque], f: (read) => read(torque) };
}

/** Whether a drive is a motor that can run its ring into a stop: only then does it stall. */
export function meetsStop(d: PlacedDrive): boolean {
  return d.part.kind === 'motor' && d.gear !== null && d.gear.ring.stops !== false;
}

/** Torque at the lens of a motor that stands against a stop: all it has on its outlet. */
export function stalledTorque(built: Built, d: PlacedDrive): Rested {
  const { gear, part } = d;
  if (part.kind !== 'motor' || !gear?.teeth) return turningTorque(built, d);
  const out = outletsOn(built).find(
    (o) => o.from === d.use.outlet?.from && o.id === d.use.outlet.id,
  );
  const volts = out?.volts ?? constant(`volts that feed ${part.name}`, 'V', null);
  const rows = (part.torques ?? []).map((r, i) => ({
    volts: r.volts,
    torque: given(part, 'torques', String(i), 'torque'),
  }));
  const table: Given[] =
    rows.length > 0
      ? rows.map((r) => r.torque)
      : [
          {
            ...given(part, 'torques'),
            label: `torque table of ${part.name}`,
            unit: '',
            known: null,
          },
        ];
  const eff = built.rules['drive.efficiency'];
  const teeth = gear.teeth;
  return {
    inputs: [volts, teeth, d.teeth, ...table],
    f: (read) =>
      torqueAtLens(
        torqueAt(
          rows.map((r) => ({ volts: r.volts, torque: read(r.torque) })),
          read(volts),
        ),
        read(teeth),
        read(d.teeth),
        eff,
        // Lines of the sheet that do not count at these volts would at others: which way they
        // push must show.
      ) +
      LEAN * rows.reduce((sum, r) => sum + read(r.torque), 0),
  };
}

const LEAN = 1e-9;

/** Moment of what hangs ahead of a joint with a side load, as a function of its numbers, N m. */
export function momentOf(
  j: LoadedJoint,
  side: Rested = j.turning,
): { inputs: Given[]; f: (read: Read) => number } {
  const inputs = [
    ...new Set([
      ...j.hanging.flatMap((h) => [h.mass, ...h.z.inputs]),
      ...givens([j.station]),
      ...side.inputs,
    ]),
  ];
  return {
    inputs,
    f: (read) => {
      const station = at(j.station, read);
      return (
        j.hanging.reduce((sum, h) => sum + moment(read(h.mass), h.z.f(read) - station), 0) +
        side.f(read)
      );
    },
  };
}

/** What a joint may carry: its maker's number, or the house's, halved where the joint has play. */
export interface JointLimit extends Rested {
  /** It is its maker's. */
  own: boolean;
  /** The house halves it: the joint has play. */
  halved: boolean;
  /** At the numbers as they stand. */
  value: number;
  /** Load from which the house advises a support. */
  advise: number;
}

export function limitOf(built: Built, j: LoadedJoint): JointLimit {
  const { rules } = built;
  const own = (j.bearer as { mountMoment?: unknown }).mountMoment !== undefined;
  const { play } = j;
  const loose = (play?.known?.value ?? 0) > rules['support.play'];
  if (own) {
    const g = given(j.bearer, 'mountMoment');
    const value = g.known?.value ?? NaN;
    return {
      own,
      halved: false,
      inputs: [g, ...(play ? [play] : [])],
      f: (read) => read(g),
      value,
      advise: Math.min(value, rules['support.advise'] * (loose ? 0.5 : 1)),
    };
  }
  const house = rules['support.require'];
  const half = (p: number) => (p > rules['support.play'] ? 0.5 : 1);
  const value = house * (loose ? 0.5 : 1);
  return {
    own,
    halved: loose,
    inputs: play ? [play] : [],
    f: (read) => house * (play ? half(read(play)) : 1),
    value,
    advise: Math.min(value, rules['support.advise'] * (loose ? 0.5 : 1)),
  };
}

/** The foot of the lens, when it has one and it is tied. */
export function tiedFoot(built: Built): Lens | null {
  const { lens, rig } = built;
  return lens && rig.footTied && lens.footDown !== undefined ? lens : null;
}

/** What takes the load off the joints from `from` on, in words; null when nothing does. */
export function supportedBy(built: Built, from = 0): string | null {
  const stand = standOf(built);
  // A support nobody knows the height of holds nothing up on paper.
  const s = stand.supports.find(
    (p) =>
      p.found &&
      // A cradle holds from below; upright it stands beside the lens.
      (built.rig.upright === undefined || p.part.around === true) &&
      p.trouble === null &&
      p.by.length === 0 &&
      p.needed !== null &&
      stand.missing([p.needed, p.station]).length === 0 &&
      valueOf(p.part.postFrom) !== null &&
      valueOf(p.part.postTo) !== null &&
      valueOf(p.part.clampLength) !== null,
  );
  if (s) return s.part.name;
  const foot = tiedFoot(built);
  if (foot) return `its own tied foot`;
  const tied = built.links.find((l) => l.index >= from && l.use.tied);
  return tied ? `the tied foot of ${tied.link.name}` : null;
}
