import type { Built } from '../../../build/build';
import type { Vec } from '../../../solids/solid';
import { deviceKey, feedsOn } from './fed';
import { runOf, sayRun, tiesFor, tiesOf } from './run';

/** A lead as it lies along the rig. */
export interface DrawnLead {
  /** The check that judges it. */
  key: string;
  /** What it is and where it goes, in words. */
  says: string;
  /** From socket to socket. */
  points: readonly Vec[];
  /** Where it is tied, or would be as often as the house wants. */
  ties: readonly Vec[];
  /** Nobody said on which face one of its sockets is: it is drawn from the middle of the part. */
  open: boolean;
}

/** Every lead of a rig whose way is known, in the order of what it feeds. */
export function leadsDrawn(built: Built): DrawnLead[] {
  return feedsOn(built).flatMap((f): DrawnLead[] => {
    const run = f.lead && runOf(built, f);
    const laid = run && run.missing.length === 0 ? run.laid() : null;
    if (!f.lead || !run || !laid) return [];
    return [
      {
        key: `cable.length:${deviceKey(f.device)}`,
        says: `${f.lead.name}, ${run.from.name} to ${run.to.name}: ${sayRun(built, f)}`,
        points: [laid.ends[0], ...laid.points, laid.ends[1]],
        ties: tiesOf(laid, f.from.ties ?? tiesFor(laid.length, built.rules['cable.tie'])),
        open: run.sockets.some((s) => s.open),
      },
    ];
  });
}
