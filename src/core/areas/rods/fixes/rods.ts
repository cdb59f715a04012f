import { type Generator, type Candidate, kitOf, candidate, hire } from '../../../checks/candidate';
import { standOf } from '../../../stand/stand';
import { pairFor, farthestClamp } from '../model/reach';
import { isRods, isPlate } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { swapRods, putRods, setRodTip } from '../moves/rods';
import type { Built } from '../../../build/build';
import type { Verdict } from '../../../checks/finding';
import type { Edit } from '../../../edit/edit';
import { riserCandidates } from './risers';
import { setPlateHeight, setUnder, setPlateStation } from '../moves/under';
import { tiedFeet } from '../../support/model/feet';

/** Where else along the axis a part is tried, mm. */
export const SHIFTS = [-40, -20, 20, 40];

/** Rods of another length, or the pair that is in slid. */
export const otherRods: Generator = (built, v) => {
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
  return otherRods(built, v, 'rods')
    .filter((c) => c.family === 'slide')
    .map((c) => c.edit)
    .slice(0, 2);
}

/** Risers and plates that bring the rods to their height. */
export const rodHeight: Generator = (built, v) => {
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
export const movePlate: Generator = (built, v) => {
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
