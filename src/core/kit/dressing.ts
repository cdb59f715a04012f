import type { Dressing, Rig } from './rig';

/** How a rig stands for the lens that is on; undefined where nothing of it is there. */
export function dressingOf(
  rig: Pick<Rig, 'thread' | 'gears' | 'supports' | 'drives' | 'box'>,
): Dressing | undefined {
  const { thread, gears, supports, drives, box } = rig;
  const some = [thread, gears, supports, drives].some((l) => l !== undefined && l.length > 0);
  if (!some && !box) return undefined;
  const out: Dressing = {};
  if (thread?.length) out.thread = thread;
  if (gears?.length) out.gears = gears;
  if (supports?.length) out.supports = supports;
  // What feeds a drive and what works it are the rig's.
  if (drives?.length) out.drives = drives.map(({ outlet: _, unit: __, arm: ___, ...d }) => d);
  if (box)
    out.box = {
      part: box.part,
      ...(box.ring === undefined ? {} : { ring: box.ring }),
      ...(box.station === undefined ? {} : { station: box.station }),
    };
  return out;
}
