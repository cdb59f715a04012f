import type { Built } from '../../../build/build';
import type { Vec } from '../../../solids/solid';
import { baysOn, type Bay } from './bays';
import { linesOn, runAt, type Line } from './lines';
import { sayLine } from './say-line';
import { tiesFor, tiesOf } from './run';

/** A lead as it lies along the rig. */
export interface DrawnLead {
  /** The lead, and the check that judges it. */
  line: Line;
  key: string;
  /** What it is and where it goes, in words. */
  says: string;
  /** From socket to socket. */
  points: readonly Vec[];
  /** Where it is tied, or would be as often as the house wants. */
  ties: readonly Vec[];
  /** What is left over of it, wound up where there is room for it. */
  bay: Bay | null;
  /** Nobody said on which face one of its sockets is: it is drawn from the middle of the part. */
  open: boolean;
}

/** Every lead of a rig whose way is known, in the order of what it feeds. */
export function leadsDrawn(built: Built): DrawnLead[] {
  const bays = baysOn(built);
  return linesOn(built).flatMap((l): DrawnLead[] => {
    const run = l.lead && runAt(built, l);
    const laid = run && run.missing.length === 0 ? run.laid() : null;
    if (!l.lead || !run || !laid) return [];
    return [
      {
        line: l,
        key: `cable.length:${l.key}`,
        says: `${l.lead.name}, ${run.from.name} to ${run.to.name}: ${sayLine(built, l)}`,
        points: [laid.ends[0], ...laid.points, laid.ends[1]],
        ties: l.via
          ? laid.ties
          : tiesOf(laid, l.ties ?? tiesFor(laid.length, built.rules['cable.tie'])),
        bay: bays.get(l.key) ?? null,
        open: run.sockets.some((s) => s.open),
      },
    ];
  });
}
