import type { Lead, Outlet, Supplied } from '../../../kit/types';

/** One end of a lead against what it goes into. */
export interface LeadEnd {
  end: 'source' | 'device';
  /** Null where one of the two is not known. */
  fits: boolean | null;
  lacks: string[];
}

/** Both ends of a lead. */
export function endsOf(
  outlet: Outlet,
  lead: Lead,
  device: Supplied & { name: string },
): readonly [LeadEnd, LeadEnd] {
  const one = (
    end: LeadEnd['end'],
    a: string | undefined,
    b: string | undefined,
    names: readonly [string, string],
  ): LeadEnd => ({
    end,
    fits: a === undefined || b === undefined ? null : a === b,
    lacks: [a === undefined ? [names[0]] : [], b === undefined ? [names[1]] : []].flat(),
  });
  return [
    one('source', outlet.plug, lead.plug, [
      `socket of ${outlet.name}`,
      `plug at the source of ${lead.name}`,
    ]),
    one('device', device.inlet, lead.plugTo, [
      `inlet of ${device.name}`,
      `plug at the device of ${lead.name}`,
    ]),
  ];
}

/** Whether a lead goes between the two for sure; false where it does not, null where nobody knows. */
export function goesBetween(
  outlet: Outlet,
  lead: Lead,
  device: Supplied & { name: string },
): boolean | null {
  const ends = endsOf(outlet, lead, device);
  if (ends.some((e) => e.fits === false)) return false;
  return ends.some((e) => e.fits === null) ? null : true;
}
