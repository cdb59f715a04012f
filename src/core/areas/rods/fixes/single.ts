import { plainLength } from '../../../quantity/say';
import type { Built } from '../../../build/build';
import { candidate, hire, kitOf, type Candidate, type Generator } from '../../../checks/candidate';
import type { Edit } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import { isFitting } from '../../../kit/types';
import type { Clamped, PlacedRod } from '../../../place/setting';
import { valueOf } from '../../../quantity/quantity';
import { standOf, type Stand } from '../../../stand/stand';

/** Another length in the same clamp, the rod slid in it, or what is on it put on other rods. */
export const singleRods: Generator = (built, v) => {
  const height = v.id === 'front.matte-height';
  if (v.id !== 'rods.single' && v.id !== 'drive.reach' && !height) return [];
  const stand = standOf(built);
  const list = stand.clamped.filter((c) =>
    height ? c.key === 'box' : v.pieces.includes(c.key) && movable(c),
  );
  return list.flatMap((c) => {
    const rod = stand.single.find((r) => r.key === c.on);
    return [
      ...(v.id === 'rods.single' && rod
        ? [...slid(built, stand, c, rod), ...longer(built, rod)]
        : []),
      ...elsewhere(built, stand, c),
    ];
  });
};

const movable = (c: Clamped) => c.key === 'box' || /^(drive|support):/.test(c.key);

/** The rod slid in its own clamp until what is on it holds all of it. */
function slid(built: Built, stand: Stand, c: Clamped, rod: PlacedRod): Candidate[] {
  const use = built.rig.fitted?.find((u) => u.id === rod.use);
  if (!use || use.at === undefined || use.by === undefined) return [];
  const ahead = stand.value(c.to) - stand.value(rod.to);
  const behind = stand.value(rod.from) - stand.value(c.from);
  const by = Math.ceil(Math.max(ahead, behind, 0)) * (ahead >= behind ? 1 : -1);
  if (by === 0) return [];
  // Which way along its bore is ahead.
  return [by, -by].map((d) => {
    const slide = (use.slide ?? 0) + d;
    return candidate(
      set(
        built,
        rod.use,
        'slide',
        slide === 0 ? undefined : slide,
        `Slide ${rod.part.name} by ${plainLength(Math.abs(d))} in its clamp`,
      ),
      0,
      0.1,
      'slide',
    );
  });
}

function longer(built: Built, rod: PlacedRod): Candidate[] {
  const now = valueOf(rod.part.depth) ?? 0;
  return kitOf(built)
    .filter(isFitting)
    .filter((p) => p.kind === 'rod' && p.id !== rod.part.id)
    .map((p) => ({ p, by: (valueOf(p.depth) ?? 0) - now }))
    .filter(({ by }) => by > 0)
    .map(({ p, by }) =>
      candidate(
        set(built, rod.use, 'part', p.id, `Use ${p.name} instead`),
        2,
        by / 1000,
        'rod',
        hire(p),
      ),
    );
}

/** What is on it put on the rods of the plate, or on another single rod. */
function elsewhere(built: Built, stand: Stand, c: Clamped): Candidate[] {
  const [is, id] = c.key.split(':');
  const use = is === 'box' ? ['box'] : [`${is}s`, id!];
  const move = (on: string | undefined, name: string): Candidate =>
    candidate(
      {
        title: `Put ${c.name} on ${name}`,
        changes: [
          { path: at(built.rig, ...use, 'on'), value: on },
          { path: at(built.rig, ...use, 'station'), value: undefined },
          ...(is === 'drive' ? [{ path: at(built.rig, ...use, 'angle'), value: undefined }] : []),
        ],
      },
      0,
      0.6,
      'line',
    );
  return [
    ...(c.on !== undefined && stand.rods.length > 0
      ? [move(undefined, 'the rods of the plate')]
      : []),
    ...stand.single.filter((r) => r.key !== c.on && r.along).map((r) => move(r.use, r.part.name)),
  ];
}

function set(built: Built, use: string, key: string, value: unknown, title: string): Edit {
  return { title, changes: [{ path: at(built.rig, 'fitted', use, key), value }] };
}
