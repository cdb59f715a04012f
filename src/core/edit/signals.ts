import { CARRIES } from '../engine/part';
import type { Link } from '../kit/kept';
import type { PortAt, SignalUse } from '../kit/types';
import type { KeptRig } from './role';
import { readVia } from './via';

/** What goes from one socket to another, as it is kept (a link, and its lead as a use) and as it is read. */

/** @returns undefined for a link that is none, or that leads to what has no socket */
export function readSignal(kept: KeptRig, link: Link): SignalUse | undefined {
  const carries = CARRIES.find((c) => c === link.kind);
  const [from, to] = [endOf(link.from, kept), endOf(link.to, kept)];
  if (carries === undefined || !from || !to) return undefined;
  const shared = link.lead === undefined ? undefined : kept.powerBy(link.lead);
  const within = shared && kept.deviceOf(shared.to.use);
  const lead = link.lead === undefined || within ? undefined : kept.use(link.lead)?.part;
  return {
    id: link.id,
    carries,
    from,
    to,
    ...(lead === undefined ? {} : { lead }),
    ...(within === undefined ? {} : { within }),
    ...(link.tied === undefined ? {} : { tied: link.tied }),
    ...(link.ties === undefined ? {} : { ties: link.ties }),
    ...readVia(link, kept),
  };
}

function endOf(end: Link['from'], kept: KeptRig): PortAt | undefined {
  const device = kept.deviceOf(end.use);
  return device && end.port !== undefined ? { ...device, port: end.port } : undefined;
}
