import { pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { type Generator, type Candidate, candidate, kitOf, hire } from '../../../checks/candidate';
import type { Verdict } from '../../../checks/finding';
import { isRods, type FittedUse } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { sayLength } from '../../../quantity/say';
import { SHIFTS } from '../../rods/fixes/rods';
import { pairFor } from '../../rods/model/reach';
import { swapRods } from '../../rods/moves/rods';
import { assemblyOf, slideClear } from '../model/slide';
import { setFitted, shutScreen, takeFitted } from '../moves/fitted';

const slid = (name: string, by: number) =>
  `Slide ${name} ${sayLength(Math.abs(by), 0)} ${by < 0 ? 'back' : 'forward'}`;

/** What stands in the way of something that swings: slid with all that it hangs on, or left shut. */
function outOfTheSwing(built: Built, stand: Stand, use: FittedUse, v: Verdict): Candidate[] {
  const { rig } = built;
  const sweep = stand.solids.find((s) => s.role === 'sweep' && v.pieces.includes(s.piece));
  if (!sweep) return [];
  const list: Candidate[] = [];
  const by = slideClear(stand, sweep, pieceKey('fitted', use.id), built.rules['space.air-moving']);
  const { root } = assemblyOf(stand, pieceKey('fitted', use.id));
  const carrier = (rig.fitted ?? []).find((u) => pieceKey('fitted', u.id) === root);
  if (by !== null && carrier?.on === 'rods') {
    const title = slid(built.kit.get(carrier.part)!.name, by);
    const front = stand.pieces.find((p) => p.key === root)?.faces?.z1;
    if (!front) return [];
    const station = Math.floor(stand.value(front) + by);
    const edit = setFitted(rig, carrier.id, { station }, title);
    list.push(candidate(edit, 0, 0, 'slide'));
    // Sliding it may ask for longer rods: both at once.
    const now = pairFor(stand, 'behind');
    for (const r of kitOf(built).filter(isRods)) {
      if (!now || r.rods !== now.rods.rods || r.id === now.rods.id) continue;
      const changes = [...edit.changes, ...swapRods(rig, now.use.id, r).changes];
      const order = 1 + (valueOf(r.length) ?? 0) / 1000;
      list.push(
        candidate({ title: `${title}, on ${r.name}`, changes }, 2, order, 'slide-rods', hire(r)),
      );
    }
  }
  if (sweep.is === 'screen')
    list.push({ ...candidate(shutScreen(rig, true), 0, 3, 'shut'), givesUp: true });
  return list;
}

/** A fitted part at another face, further along the rods, or off. */
function elsewhere(built: Built, stand: Stand, use: FittedUse, v: Verdict): Candidate[] {
  const { rig } = built;
  const part = built.kit.get(use.part)!;
  const list: Candidate[] = [];
  // What a hole or a rail holds goes to another one: the joints say which.
  if (use.on !== 'rods' && use.at === undefined)
    for (const on of ['top', 'left', 'right', 'rear'] as const) {
      if (on === use.on) continue;
      const where = on === 'top' || on === 'rear' ? on : `${on} side`;
      const to = { on, x: undefined, y: undefined, z: undefined };
      list.push(
        candidate(setFitted(rig, use.id, to, `Put ${part.name} at the ${where}`), 1, 0.5, 'face'),
      );
    }
  // What is clamped to rods slides; what is screwed on does not.
  const front = stand.pieces.find((p) => p.key === pieceKey('fitted', use.id))?.faces?.z1;
  if ((v.id === 'space.pair' || v.id === 'sight.view') && use.on === 'rods' && front)
    for (const s of SHIFTS) {
      const to = { station: Math.round(stand.value(front) + s) };
      const edit = setFitted(rig, use.id, to, slid(part.name, s));
      list.push(candidate(edit, 0, 0.2 + Math.abs(s) / 1000, 'shift'));
    }
  list.push(candidate(takeFitted(rig, use.id, part.name), 1, 3, 'off'));
  return list;
}

const ELSEWHERE: ReadonlySet<string> = new Set([
  'space.pair',
  'space.envelope',
  'space.vent',
  'joint.twist',
  'sight.view',
  'carry.touch',
]);

/** Things in each other's way: slide, put elsewhere, take off. */
export const makeRoom: Generator = (built, v) => {
  if (!ELSEWHERE.has(v.id) && v.id !== 'space.sweep') return [];
  const stand = standOf(built);
  return (built.rig.fitted ?? [])
    .filter((u) => v.about.includes(u.part) && built.kit.get(u.part)!.kind !== 'cage')
    .flatMap((use) => [
      ...(v.id === 'space.sweep' ? outOfTheSwing(built, stand, use, v) : []),
      ...(ELSEWHERE.has(v.id) ? elsewhere(built, stand, use, v) : []),
    ]);
};
