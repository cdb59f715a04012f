import { feedsOn, type Feed } from '../areas/power/model/fed';
import { portsOn } from '../areas/power/model/signals';
import { build } from '../build/build';
import type { Edit } from '../edit/edit';
import { CARRIES } from '../engine/part';
import type { Job, Rig, SignalUse, TiePoint } from '../kit/types';

const FACES = ['left', 'right', 'top', 'bottom', 'front', 'rear'] as const;

/** Ties to what stands on a rig, anywhere on it; to nothing where nothing does. */
export function someTies(rig: Rig, n: number): TiePoint[] {
  const on = [
    ...(rig.body === null ? [] : [{ list: 'body' as const, id: 'body' }]),
    ...(rig.fitted ?? []).map(({ id }) => ({ list: 'fitted' as const, id })),
    ...(rig.rods ?? []).map(({ id }) => ({ list: 'rods' as const, id })),
  ];
  if (on.length === 0) return [];
  return [0, 1].slice(n % 2).map((i) => ({
    id: `t${i}`,
    on: on[(n + 3 * i) % on.length]!,
    face: FACES[(n + i) % 6]!,
    ...(n % 4 === 0 ? {} : { x: (n % 5) * 7 - 14, y: 4 * i }),
  }));
}

const withinOf = ({ device: { list, id } }: Feed) => ({ list, id });

/** Something sent from each port to each, without a lead and by any, whether it goes there or not. */
export function sendings(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  const ports = portsOn(built);
  const hosts = feedsOn(built).filter((f) => f.lead);
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
        ...(hosts.length > 0 && (2 * i + k) % 5 === 0
          ? { within: withinOf(hosts[(i + k) % hosts.length]!) }
          : lead
            ? { lead }
            : {}),
        ...[{}, { tied: true, ties: i % 3 }, { via: someTies(rig, i + k) }][(i + k) % 3],
      };
      return [{ title: 'x', changes: [{ path: ['rigs', rig.id, 'signals', use.id], value: use }] }];
    }),
  );
}
