import { cellsOf } from '../../../engine/plugs';
import { leadFeeds } from './signals';
import type { Lead, Outlet, Supplied } from '../../../kit/types';

/** One end of a lead against what it goes into. */
export interface LeadEnd {
  end: 'source' | 'device';
  /** Null where one of the two is not known. */
  fits: boolean | null;
  lacks: string[];
}

type Taker = Supplied & { name: string };

/** Both ends of a lead. */
export function endsOf(outlet: Outlet, lead: Lead, device: Taker): readonly [LeadEnd, LeadEnd] {
  return [
    endOf('source', outlet.plug, lead.plug, [
      `socket of ${outlet.name}`,
      `plug at the source of ${lead.name}`,
    ]),
    endOf('device', device.inlet, lead.plugTo, [
      `inlet of ${device.name}`,
      `plug at the device of ${lead.name}`,
    ]),
  ];
}

/** What stands in the place of a battery against the place: no lead is between. */
export function chamberEnd(outlet: Outlet, device: Taker): LeadEnd {
  const takes = device.inlet === outlet.plug ? device.inlet : device.chamber;
  return endOf('device', takes, outlet.plug, [`battery that ${device.name} takes`, '']);
}

function endOf(
  end: LeadEnd['end'],
  a: string | undefined,
  b: string | undefined,
  names: readonly [string, string],
): LeadEnd {
  return {
    end,
    fits: a === undefined || b === undefined ? null : a === b,
    lacks: [a === undefined ? [names[0]] : [], b === undefined ? [names[1]] : []].flat(),
  };
}

/** Whether an outlet goes straight into a device, without a lead; null where nobody knows. */
export const goesInto = (outlet: Outlet, device: Taker): boolean | null =>
  cellsOf(outlet.plug) === null ? false : chamberEnd(outlet, device).fits;

/** Whether a lead goes between the two for sure; false where it does not, null where nobody knows. */
export function goesBetween(outlet: Outlet, lead: Lead, device: Taker): boolean | null {
  if (!leadFeeds(lead)) return false;
  const ends = endsOf(outlet, lead, device);
  if (ends.some((e) => e.fits === false)) return false;
  return ends.some((e) => e.fits === null) ? null : true;
}
