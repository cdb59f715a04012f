import { CARRIES } from '../engine/part';
import type { Link } from '../kit/kept';
import type { PortAt, SignalUse } from '../kit/types';
import type { KeptRig } from './role';

/** What goes from one socket to another, as it is kept (a link, and its lead as a use) and as it is read. */

/** What something on a rig is read as, by its use; undefined where nothing is sent from or to it. */
export type DeviceOf = (use: string) => Pick<PortAt, 'list' | 'id'> | undefined;

/** @returns undefined for a link that is none, or that leads to what has no socket */
export function readSignal(kept: KeptRig, link: Link, of: DeviceOf): SignalUse | undefined {
  const carries = CARRIES.find((c) => c === link.kind);
  const [from, to] = [endOf(link.from, of), endOf(link.to, of)];
  if (carries === undefined || !from || !to) return undefined;
  const lead = link.lead === undefined ? undefined : kept.use(link.lead)?.part;
  return {
    id: link.id,
    carries,
    from,
    to,
    ...(lead === undefined ? {} : { lead }),
    ...(link.tied === undefined ? {} : { tied: link.tied }),
    ...(link.ties === undefined ? {} : { ties: link.ties }),
  };
}

function endOf(end: Link['from'], of: DeviceOf): PortAt | undefined {
  const device = of(end.use);
  return device && end.port !== undefined ? { ...device, port: end.port } : undefined;
}
