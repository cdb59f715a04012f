import { build } from '../build/build';
import { frontOf, lensSeat } from '../areas/front/place/front';
import { standOf } from '../stand/stand';
import { valueOf } from '../quantity/quantity';
import type { Subject } from './rigs';

/** A rig with everything that was found for it set by hand where it stands. */
export function frozen({ job, rig }: Subject): Subject {
  const built = build(job, rig);
  const stand = standOf(built);
  const front = frontOf(built);
  const seat = lensSeat(built);
  const length = valueOf(built.lens?.length);
  const next = { ...rig };
  if (rig.drives)
    next.drives = rig.drives.map((u) => {
      const d = stand.drives.find((x) => x.use.id === u.id);
      if (!d || d.angle === null) return u;
      return {
        ...u,
        side: d.side,
        flipped: d.flipped,
        station: stand.value(d.station),
        angle: (d.angle * 180) / Math.PI,
      };
    });
  if (rig.supports)
    next.supports = rig.supports.map((u) => {
      const s = stand.supports.find((x) => x.use.id === u.id);
      return s ? { ...u, station: stand.value(s.station) } : u;
    });
  if (rig.rods)
    next.rods = rig.rods.map((u) => {
      const r = stand.rods.find((x) => x.use.id === u.id);
      return r ? { ...u, tip: stand.value(r.to) } : u;
    });
  if (
    rig.box &&
    front.box?.box.attach === 'rods' &&
    front.seat &&
    seat !== null &&
    length !== null
  ) {
    const x = front.inputs.map((g) => g.known?.value ?? 0);
    if (front.inputs.every((g) => g.known))
      next.box = { ...rig.box, station: front.seat(x, seat + length) };
  }
  const rigs = job.rigs.map((r) => (r.id === rig.id ? next : r));
  return { job: { ...job, rigs }, rig: next };
}
