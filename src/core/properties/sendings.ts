import { portsOn } from '../areas/power/model/signals';
import { build } from '../build/build';
import type { Edit } from '../edit/edit';
import { CARRIES } from '../engine/part';
import type { Job, Rig, SignalUse } from '../kit/types';

/** Something sent from each port to each, without a lead and by any, whether it goes there or not. */
export function sendings(job: Job, rig: Rig): Edit[] {
  const ports = portsOn(build(job, rig));
  const leads = [undefined, ...job.kit.filter((p) => p.kind === 'lead').map((p) => p.id)];
  return ports.flatMap((from, i) =>
    ports.flatMap((to, k) => {
      if (i === k) return [];
      const lead = leads[(2 * i + k) % leads.length];
      const carries = CARRIES[(i + 3 * k) % CARRIES.length]!;
      const use: SignalUse = {
        id: `sent-${(i + k) % 2}`,
        carries: (i + k) % 3 === 0 ? carries : (from.port.carries ?? carries),
        from: from.at,
        to: to.at,
        ...(lead ? { lead } : {}),
        ...[{}, { tied: true, ties: i % 3 }, { ties: 4 }][(i + k) % 3],
      };
      return [{ title: 'x', changes: [{ path: ['rigs', rig.id, 'signals', use.id], value: use }] }];
    }),
  );
}
