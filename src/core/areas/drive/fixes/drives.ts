import type { Built } from '../../../build/build';
import { type Stand, standOf } from '../../../stand/stand';
import type { PlacedDrive } from '../place/drive';
import { type Generator, type Candidate, candidate, kitOf, hire } from '../../../checks/candidate';
import type { Verdict } from '../../../checks/finding';
import { isDriveArm } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { tiesOf } from '../../power/moves/feed';
import { freeLeads } from '../../power/model/offers';
import { outletsOn } from '../../power/model/outlets';
import { goesBetween } from '../../power/model/plugs';
import { ringsThatFit } from '../model/rings';
import { armOn, setDrive } from '../moves/drive';
import { putGear } from '../moves/gear';

/** The drives a finding speaks of. */
function driveOf(stand: Stand, v: Verdict): PlacedDrive[] {
  return stand.drives.filter((d) => v.pieces.includes(d.key));
}

/** The same drive found anew, on the other side, turned over. */
function elsewhere({ rig }: Built, { use, part, side, flipped }: PlacedDrive): Candidate[] {
  const free = { station: undefined, angle: undefined };
  const list: Candidate[] = [];
  if (use.station !== undefined || use.angle !== undefined)
    list.push(
      candidate(setDrive(rig, use.id, free, `Let ${part.name} find its place`), 0, 0, 'place'),
    );
  const other = side === 'right' ? 'left' : 'right';
  if (part.sides === undefined || part.sides === 'both' || part.sides === other) {
    const edit = setDrive(
      rig,
      use.id,
      { ...free, side: other },
      `Put ${part.name} at camera ${other}`,
    );
    list.push(candidate(edit, 0, 0.2, 'side'));
  }
  if (part.flips || flipped) {
    const to = { ...free, flipped: !flipped };
    const edit = setDrive(rig, use.id, to, `Flip ${part.name} over on its bracket`);
    list.push(candidate(edit, 0, 0.3, 'flip'));
  }
  return list;
}

function otherArms(built: Built, { use }: PlacedDrive): Candidate[] {
  return kitOf(built)
    .filter(isDriveArm)
    .filter((arm) => use.arm !== arm.id)
    .map((arm) => candidate(armOn(built.rig, use, arm), 1, 1, 'arm', hire(arm)));
}

/** Gear rings that close on the ring it turns. */
function otherGears(built: Built, stand: Stand, { use }: PlacedDrive): Candidate[] {
  const { rig, kit } = built;
  const barrel = valueOf(stand.gears.find((g) => g.turns === use.turns)?.ring.diameter);
  return ringsThatFit(kit.values(), barrel).flatMap((g, i) =>
    rig.gears?.some((x) => x.part === g.id)
      ? []
      : [candidate(putGear(rig, g, use.turns), 1, i * 0.1, 'ring', hire(g))],
  );
}

/** Another outlet to feed it from, by each lead that goes there; by none where no lead was chosen. */
function otherOutlets(built: Built, { use, part }: PlacedDrive): Candidate[] {
  const leads = freeLeads(built, use.outlet?.lead);
  return outletsOn(built)
    .filter((o) => o.from !== use.outlet?.from || o.id !== use.outlet.id)
    .flatMap((o) => {
      const bare = { from: o.from, id: o.id };
      const title = `Feed ${part.name} from ${o.name}`;
      const by = leads
        .filter((l) => goesBetween(o.outlet, l, part) === true)
        .map((l) => {
          const outlet = { ...bare, lead: l.id, ...tiesOf(use.outlet) };
          const edit = setDrive(built.rig, use.id, { outlet }, `${title} by ${l.name}`);
          return candidate(edit, 1, 0.1, 'outlet', hire(l));
        });
      return [
        ...by,
        candidate(setDrive(built.rig, use.id, { outlet: bare }, title), 0, 0.1, 'outlet'),
      ];
    });
}

/** Another drive in its place, of those that `takes` says. */
function instead(
  built: Built,
  { use, part }: PlacedDrive,
  takes: (kind: string) => boolean,
  order: number,
  family: string,
): Candidate[] {
  return kitOf(built)
    .filter((p) => takes(p.kind) && p.id !== part.id)
    .map((p) => {
      const edit = setDrive(built.rig, use.id, { part: p.id }, `Use ${p.name} instead`);
      return candidate(edit, 2, order, family, hire(p));
    });
}

function reversed({ rig }: Built, { use, part }: PlacedDrive): Candidate[] {
  if (part.kind !== 'motor' && !part.reversible && !use.reversed) return [];
  const to = { reversed: use.reversed ? undefined : true };
  const title = use.reversed ? `Set ${part.name} straight` : `Set ${part.name} reversed`;
  return [candidate(setDrive(rig, use.id, to, title), 0, 0, 'reverse')];
}

/** A drive put elsewhere, with other arms, gears, outlets, or another one in its place. */
export const otherDrives: Generator = (built, v) => {
  if (!/^(drive\.|space\.pair|rods\.reach-front|support\.place|space\.lens)/.test(v.id)) return [];
  const stand = standOf(built);
  const drives =
    v.id === 'rods.reach-front'
      ? stand.drives.filter((d) => v.about.includes(d.part.id))
      : driveOf(stand, v);
  const more: Readonly<Record<string, (d: PlacedDrive) => Candidate[]>> = {
    'drive.ring-fit': (d) => otherGears(built, stand, d),
    'drive.mesh': (d) => otherGears(built, stand, d),
    'drive.torque': (d) => [
      ...otherOutlets(built, d),
      ...instead(built, d, (kind) => kind === 'motor', 1, 'motor'),
    ],
    'drive.direction': (d) => reversed(built, d),
    'drive.turn': (d) => instead(built, d, (kind) => kind === d.part.kind, 2, 'drive'),
    'drive.stops': (d) => instead(built, d, (kind) => kind === d.part.kind, 2, 'drive'),
    'drive.reach': (d) => instead(built, d, (kind) => kind === d.part.kind, 2, 'drive'),
  };
  return drives.flatMap((d) => [
    ...elsewhere(built, d),
    ...otherArms(built, d),
    ...(more[v.id]?.(d) ?? []),
  ]);
};
