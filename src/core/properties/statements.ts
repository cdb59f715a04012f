import { feedsOn } from '../areas/power/model/fed';
import { build } from '../build/build';
import type { Edit } from '../edit/edit';
import type { Job, Part, Rig } from '../kit/types';

/** What may be said of leads and of what they feed that no part of the demo says of itself. */
export function statements(job: Job, rig: Rig): Edit[] {
  const feeds = feedsOn(build(job, rig));
  const leads = new Set(feeds.flatMap((f) => f.lead ?? []));
  const devices = new Set(feeds.map((f): Part => f.device.part));
  return [
    ...[...leads].flatMap(({ id }) => [
      said(id, { elbows: 'both' }),
      said(id, { elbows: 'device' }),
      said(id, { elbows: 'none' }),
      said(id, { coiled: true, stretches: { value: 900, tol: 20 } }),
      said(id, { coiled: true, stretches: { value: 250, tol: 10 } }),
      said(id, { carriesToo: 'video', plugToo: 'hdmi-micro', plugTooTo: 'hdmi' }),
    ]),
    ...[...devices].flatMap(({ id }) => [
      said(id, { ownPack: true, ownWattHours: 14, chargeWatts: 5 }),
      said(id, { ownPack: true, ownWattHours: 40, chargeWatts: 60 }),
    ]),
  ];
}

const said = (id: string, fields: Record<string, unknown>): Edit => ({
  title: 'x',
  changes: Object.entries(fields).map(([key, value]) => ({ path: ['kit', id, key], value })),
});
