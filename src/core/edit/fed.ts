import type { FedFrom } from '../kit/types';
import type { KeptRig, RigWriter } from './role';
import { readVia, writeVia } from './via';

/** What feeds a use, as it is kept (a link, and the lead as a use of its own) and as it is read. */

/** @returns undefined where nothing is said to feed it */
export function readFed(kept: KeptRig, use: string): FedFrom | undefined {
  const link = kept.power(use);
  if (!link) return undefined;
  const lead = link.lead === undefined ? undefined : kept.use(link.lead)?.part;
  return {
    from: link.from.use,
    id: link.from.port!,
    ...(lead === undefined ? {} : { lead }),
    ...(link.tied === undefined ? {} : { tied: link.tied }),
    ...(link.ties === undefined ? {} : { ties: link.ties }),
    ...readVia(link, kept),
    ...(link.switched === undefined ? {} : { switched: link.switched }),
  };
}

/** Writes the link of a use, and its lead. */
export function writeFed(rig: RigWriter, id: string, fed: FedFrom | undefined): void {
  if (!fed) return;
  const before = rig.kept.power(id);
  let lead: string | undefined;
  if (fed.lead !== undefined) {
    const kept = before?.lead === undefined ? undefined : rig.kept.use(before.lead);
    lead = rig.owned(kept, `${id}-lead`, 'lead');
    rig.put(lead, 'lead', fed.lead);
    rig.seat(lead, 'plug', { use: id });
  }
  rig.link({
    id: rig.owned(before, `${id}-power`, 'link'),
    kind: 'power',
    from: { use: rig.idOf('fitted', fed.from), port: fed.id },
    to: { use: id },
    ...(lead === undefined ? {} : { lead }),
    ...(fed.tied === undefined ? {} : { tied: fed.tied }),
    ...(fed.ties === undefined ? {} : { ties: fed.ties }),
    ...writeVia(fed.via, rig),
    ...(fed.switched === undefined ? {} : { switched: fed.switched }),
  });
}
