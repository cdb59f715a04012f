import type { Built } from '../build/build';
import { tiedFeet } from '../areas/support/feet';
import { standOf, type Stand } from '../build/stand';
import type { PlacedDrive } from '../build/stand-drive';
import { farthestClamp, pairFor } from '../areas/rods/reach';
import { assemblyOf, slideClear } from '../areas/space/slide';
import type { Verdict } from '../checks/finding';
import { outletsOn } from '../areas/drive/outlets';
import { ringsThatFit } from '../areas/drive/rings';
import { isRods, isSupport, isDriveArm, isMotor, isPlate } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { exact } from '../quantity/say';
import {
  armOn,
  putGear,
  putRods,
  putSupport,
  setDrive,
  setFitted,
  setPlateHeight,
  setPlateStation,
  setRodTip,
  setSupport,
  shutScreen,
  swapRods,
  takeFitted,
} from './beside-moves';
import { candidate, type Candidate, type Generator } from './candidate';
import { setStageOut, setStation, setUnder } from './front-moves';
import type { Edit } from './edit';
import { tieFoot, tieLensFoot } from './moves';
import { riserCandidates } from './risers';

/** What is worth trying for findings under and beside the camera. */

/** Where else along the axis a part is tried, mm. */
const SHIFTS = [-40, -20, 20, 40];

const hire = (...parts: readonly { count?: number }[]) =>
  parts.filter((p) => (p.count ?? 1) < 1).length;
const kitOf = (built: Built) => [...built.kit.values()];

/** The drive a finding speaks of, by the end of its key. */
function driveOf(stand: Stand, v: Verdict): PlacedDrive[] {
  return stand.drives.filter(
    (d) =>
      v.key.includes(`drive:${d.use.id}`) ||
      (v.id.startsWith('drive.') && v.key.split(':')[1] === d.use.id) ||
      (v.id === 'drive.ring-fit' && v.key.split(':')[1] === d.use.turns),
  );
}

const otherRods: Generator = (built, v) => {
  if (!/^rods\./.test(v.id) || v.id === 'rods.drop' || v.id === 'rods.lens-clear') return [];
  const stand = standOf(built);
  const { rig } = built;
  const way = v.id === 'rods.reach-rear' ? 'behind' : 'ahead';
  const now = pairFor(stand, way);
  const system = stand.plate?.plate.rods;
  const list: Candidate[] = [];
  for (const p of kitOf(built).filter(isRods)) {
    if (system !== undefined && p.rods !== system) continue;
    if (p.id === now?.rods.id) continue;
    const length = valueOf(p.length) ?? 0;
    const edit = now ? swapRods(rig, now.use.id, p) : putRods(rig, p);
    list.push(candidate(edit, now ? 2 : 1, length / 1000, 'rods', hire(p)));
  }
  // The pair that is in may only have to be slid.
  const c = farthestClamp(stand, way);
  if (now && c && stand.plate) {
    const need = stand.value(way === 'ahead' ? c.to : c.from);
    const length = stand.value(now.to) - stand.value(now.from);
    const tip = Math.ceil(way === 'ahead' ? need : need + length);
    list.push(candidate(setRodTip(rig, now.use.id, tip, now.rods.name), 0, 0, 'slide'));
  }
  if (now && v.id === 'rods.proud') {
    const by = stand.value(now.to) - (v.margin ? v.margin.value : 0);
    list.push(
      candidate(setRodTip(rig, now.use.id, Math.floor(by - 1), now.rods.name), 0, 0.5, 'slide'),
    );
  }
  return list;
};

/** Rods slid back to where they stand out no more than the house allows: what may follow another fix. */
export function slideRods(built: Built, v: Verdict): Edit[] {
  return otherRods(built, v)
    .filter((c) => c.family === 'slide')
    .map((c) => c.edit)
    .slice(0, 2);
}

/** Risers and plates that bring the rods to their height. */
const rodHeight: Generator = (built, v) => {
  if (v.id !== 'rods.drop' && v.id !== 'rods.lens-clear' && v.id !== 'support.height') return [];
  const { rig } = built;
  const under = rig.under ?? [];
  const list: Candidate[] = riserCandidates(built);
  const { height } = standOf(built);
  if (height?.use.height !== undefined) {
    const edit = setPlateHeight(built.job, rig, undefined);
    if (edit) list.push(candidate(edit, 0, 0, 'plate-height'));
  }
  const plates = under.filter((u) => isPlate(built.kit.get(u.part)));
  for (const p of kitOf(built).filter(isPlate))
    if (!plates.some((u) => u.part === p.id))
      list.push(
        candidate(
          setUnder(
            rig,
            [...under.filter((u) => !plates.includes(u)), { part: p.id }],
            `Use ${p.name} instead`,
          ),
          2,
          2,
          'plate',
          hire(p),
        ),
      );
  return list;
};

/** A plate slid under the camera. */
const movePlate: Generator = (built, v) => {
  if (!/^(rods\.reach|rods\.grip|space\.pair|support\.place|support\.foot)/.test(v.id)) return [];
  const stand = standOf(built);
  const { plate } = stand;
  if (!plate) return [];
  if (v.id === 'space.pair' && !v.about.includes(plate.plate.id)) return [];
  // A foot that is too deep is let down beside the plate; one that hangs over it wants a shim.
  if (v.id === 'support.foot') {
    const foot = tiedFeet(built, stand).find((f) => v.key === `support.foot:${f.key}`);
    if (!foot || stand.value(foot.gap) >= 0) return [];
  }
  const most = valueOf(plate.plate.slide) ?? 0;
  const home = stand.value(stand.face);
  const now = stand.value(plate.to);
  return SHIFTS.map((s) => Math.round(now + s))
    .filter((z) => Math.abs(z - home) <= most + 1e-9)
    .flatMap((z) => {
      const edit = setPlateStation(built.job, built.rig, z);
      return edit ? [candidate(edit, 0, 1 + Math.abs(z - now) / 100, 'slide-plate')] : [];
    });
};

const otherDrives: Generator = (built, v) => {
  if (!/^(drive\.|space\.pair|rods\.reach-front|support\.place|space\.lens)/.test(v.id)) return [];
  const stand = standOf(built);
  const { rig } = built;
  const drives =
    v.id === 'rods.reach-front'
      ? stand.drives.filter((d) => v.about.includes(d.part.id))
      : driveOf(stand, v);
  const list: Candidate[] = [];
  for (const d of drives) {
    const { use, part } = d;
    const free = { station: undefined, angle: undefined };
    const pinned = use.station !== undefined || use.angle !== undefined;
    if (pinned)
      list.push(
        candidate(setDrive(rig, use.id, free, `Let ${part.name} find its place`), 0, 0, 'place'),
      );
    const other = d.side === 'right' ? 'left' : 'right';
    if (part.sides === undefined || part.sides === 'both' || part.sides === other)
      list.push(
        candidate(
          setDrive(rig, use.id, { ...free, side: other }, `Put ${part.name} at camera ${other}`),
          0,
          0.2,
          'side',
        ),
      );
    if (part.flips || d.flipped)
      list.push(
        candidate(
          setDrive(
            rig,
            use.id,
            { ...free, flipped: !d.flipped },
            `Flip ${part.name} over on its bracket`,
          ),
          0,
          0.3,
          'flip',
        ),
      );
    for (const arm of kitOf(built).filter(isDriveArm))
      if (use.arm !== arm.id) list.push(candidate(armOn(rig, use, arm), 1, 1, 'arm', hire(arm)));
    if (v.id === 'drive.ring-fit' || v.id === 'drive.mesh') {
      const d0 = valueOf(stand.gears.find((g) => g.turns === use.turns)?.ring.diameter);
      for (const [i, g] of ringsThatFit(built.kit.values(), d0).entries())
        if (!rig.gears?.some((x) => x.part === g.id))
          list.push(candidate(putGear(rig, g, use.turns), 1, i * 0.1, 'ring', hire(g)));
    }
    if (v.id === 'drive.torque') {
      for (const o of outletsOn(built))
        if (o.from !== use.outlet?.from || o.id !== use.outlet.id)
          list.push(
            candidate(
              setDrive(
                rig,
                use.id,
                { outlet: { from: o.from, id: o.id } },
                `Feed ${part.name} from ${o.name}`,
              ),
              0,
              0.1,
              'outlet',
            ),
          );
      for (const m of kitOf(built).filter(isMotor))
        if (m.id !== part.id)
          list.push(
            candidate(
              setDrive(rig, use.id, { part: m.id }, `Use ${m.name} instead`),
              2,
              1,
              'motor',
              hire(m),
            ),
          );
    }
    if (v.id === 'drive.direction' && (part.kind === 'motor' || part.reversible || use.reversed))
      list.push(
        candidate(
          setDrive(
            rig,
            use.id,
            { reversed: use.reversed ? undefined : true },
            use.reversed ? `Set ${part.name} straight` : `Set ${part.name} reversed`,
          ),
          0,
          0,
          'reverse',
        ),
      );
    if (v.id === 'drive.turn' || v.id === 'drive.stops' || v.id === 'drive.reach')
      for (const p of kitOf(built))
        if (p.kind === part.kind && p.id !== part.id)
          list.push(
            candidate(
              setDrive(rig, use.id, { part: p.id }, `Use ${p.name} instead`),
              2,
              2,
              'drive',
              hire(p),
            ),
          );
  }
  return list;
};

const holdUp: Generator = (built, v) => {
  if (!/^(support\.|mount\.load)/.test(v.id)) return [];
  const { rig } = built;
  const stand = standOf(built);
  const list: Candidate[] = [];
  for (const p of kitOf(built).filter(isSupport)) {
    if (rig.supports?.some((s) => s.part === p.id)) continue;
    if (rig.supports?.length)
      list.push(
        candidate(
          setSupport(
            rig,
            rig.supports[0]!.id,
            { part: p.id, station: undefined, post: undefined },
            `Use ${p.name} instead`,
          ),
          2,
          1,
          'support',
          hire(p),
        ),
      );
    else if (stand.rods.length > 0)
      list.push(candidate(putSupport(rig, p), 1, 0.5, 'support', hire(p)));
    else {
      // A support stands on rods: the shortest pair of the system that takes it comes along.
      const rods = kitOf(built)
        .filter(isRods)
        .filter((r) => r.rods === p.rods)
        .sort((a, b) => (valueOf(a.length) ?? 0) - (valueOf(b.length) ?? 0));
      for (const r of rods) {
        const [a, b] = [putRods(rig, r), putSupport(rig, p)];
        list.push(
          candidate(
            {
              title: `${a.title} and ${b.title.toLowerCase()}`,
              changes: [...a.changes, ...b.changes],
            },
            2,
            0.6,
            'support',
            hire(r, p),
          ),
        );
      }
    }
  }
  for (const s of rig.supports ?? [])
    if (s.station !== undefined || s.post !== undefined)
      list.push(
        candidate(
          setSupport(
            rig,
            s.id,
            { station: undefined, post: undefined },
            s.station === undefined
              ? `Set the post of ${built.kit.get(s.part)?.name ?? 'it'} so that it just touches`
              : `Let ${built.kit.get(s.part)?.name ?? 'it'} find its place`,
          ),
          0,
          0,
          'place',
        ),
      );
  for (const l of built.links)
    if (l.link.foot && !l.use.tied)
      list.push(candidate(tieFoot(rig, l.index, true, l.link.name), 0, 0.2, 'foot'));
  if (built.lens?.footDown !== undefined && !rig.footTied)
    list.push(candidate(tieLensFoot(rig, true, built.lens.name), 0, 0.1, 'foot'));
  return list;
};

/** Things in each other's way: slide, put elsewhere, take off. */
const makeRoom: Generator = (built, v) => {
  if (!/^(space\.|carry\.|sight\.)/.test(v.id)) return [];
  const stand = standOf(built);
  const { rig } = built;
  const list: Candidate[] = [];
  const uses = (rig.fitted ?? []).filter((u) => v.about.includes(u.part));
  for (const use of uses) {
    const part = built.kit.get(use.part)!;
    if (part.kind === 'cage') continue;
    if (v.id === 'space.sweep') {
      const sweep = stand.solids.find(
        (s) => s.role === 'sweep' && v.key.startsWith(`space.sweep:${s.piece}`),
      );
      if (!sweep) continue;
      const by = slideClear(stand, sweep, `fitted:${use.id}`, built.rules['space.air-moving']);
      const root = assemblyOf(stand, `fitted:${use.id}`).root;
      const carrier = (rig.fitted ?? []).find((u) => `fitted:${u.id}` === root);
      if (by !== null && carrier?.on === 'rods') {
        const name = built.kit.get(carrier.part)!.name;
        const title = `Slide ${name} ${exact(Math.abs(by), 0)} mm ${by < 0 ? 'back' : 'forward'}`;
        const front = stand.pieces.find((p) => p.key === root)?.faces?.z1;
        if (!front) continue;
        const edit = setFitted(
          rig,
          carrier.id,
          { station: Math.floor(stand.value(front) + by) },
          title,
        );
        list.push(candidate(edit, 0, 0, 'slide'));
        // Sliding it may ask for longer rods: both at once.
        const rods = pairFor(stand, 'behind');
        for (const r of kitOf(built).filter(isRods))
          if (rods && r.rods === rods.rods.rods && r.id !== rods.rods.id) {
            const swap = swapRods(rig, rods.use.id, r);
            list.push(
              candidate(
                { title: `${title}, on ${r.name}`, changes: [...edit.changes, ...swap.changes] },
                2,
                1 + (valueOf(r.length) ?? 0) / 1000,
                'slide-rods',
                hire(r),
              ),
            );
          }
      }
      if (v.key.startsWith('space.sweep:screen')) {
        const shut = candidate(shutScreen(rig, true), 0, 3, 'shut');
        list.push({ ...shut, givesUp: true });
      }
    }
    if (
      v.id === 'space.pair' ||
      v.id === 'space.envelope' ||
      v.id === 'carry.twist' ||
      v.id === 'sight.view'
    ) {
      for (const on of ['top', 'left', 'right', 'rear'] as const)
        if (on !== use.on && use.on !== 'rods')
          list.push(
            candidate(
              setFitted(
                rig,
                use.id,
                { on, x: undefined, y: undefined, z: undefined },
                `Put ${part.name} at the ${on === 'top' || on === 'rear' ? on : `${on} side`}`,
              ),
              1,
              0.5,
              'face',
            ),
          );
      // What is clamped to rods slides; what is screwed on does not.
      for (const s of SHIFTS)
        if ((v.id === 'space.pair' || v.id === 'sight.view') && use.on === 'rods') {
          const front = stand.pieces.find((p) => p.key === `fitted:${use.id}`)?.faces?.z1;
          if (!front) continue;
          list.push(
            candidate(
              setFitted(
                rig,
                use.id,
                { station: Math.round(stand.value(front) + s) },
                `Slide ${part.name} ${exact(Math.abs(s), 0)} mm ${s < 0 ? 'back' : 'forward'}`,
              ),
              0,
              0.2 + Math.abs(s) / 1000,
              'shift',
            ),
          );
        }
      const off = candidate(takeFitted(rig, use.id, part.name), 1, 3, 'off');
      list.push({ ...off, givesUp: true });
    }
  }
  // An empty stage out of the box makes it shorter; a box on rods can stand farther ahead.
  const box = rig.box ? built.kit.get(rig.box.part) : null;
  if (v.id === 'space.pair' && box && v.about.includes(box.id)) {
    const b = box as {
      stages?: { id: string; name: string; removable?: boolean }[];
      attach?: string;
    };
    for (const s of b.stages ?? [])
      if (s.removable && !rig.box!.trays?.some((t) => t.id === s.id && (t.filter || t.out)))
        list.push(candidate(setStageOut(rig, s as never, true), 1, 0.5, 'stage'));
    const front = stand.pieces.find((p) => p.key === 'box')?.faces;
    if (b.attach === 'rods' && front)
      for (const s of [5, 10, 20])
        list.push(
          candidate(
            setStation(rig, Math.ceil(stand.value(front.z0) + s), box.name),
            0,
            0.4 + s / 100,
            'station',
          ),
        );
  }
  return list;
};

export const BESIDE_GENERATORS: readonly Generator[] = [
  otherRods,
  rodHeight,
  movePlate,
  otherDrives,
  holdUp,
  makeRoom,
];
