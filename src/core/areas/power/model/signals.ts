import type { Built } from '../../../build/build';
import { byId, fittedParts, partsByUse } from './fitted';
import { node, sameList } from '../../../engine/reads';
import { CARRIES, type Carries, type Ported, type SignalPort } from '../../../engine/part';
import { CARRIED as WORDS } from '../../../engine/field';
import { plugOf } from '../../../engine/plugs';
import {
  isBody,
  isDrive,
  isFitting,
  isLead,
  type Lead,
  type Part,
  type PortAt,
  type SignalUse,
} from '../../../kit/types';

/** What goes through a lead that feeds nothing, as the crew says it. */
export const CARRIED = Object.fromEntries(WORDS) as Readonly<Record<Carries, string>>;

/** One end of a signal. */
export interface SignalEnd {
  at: PortAt;
  part: Part & Ported;
  /** Null where its part has no such port. */
  port: SignalPort | null;
}

/** What goes from one socket of a rig to another. */
export interface Signal {
  use: SignalUse;
  /** Null where that is not on the rig. */
  from: SignalEnd | null;
  to: SignalEnd | null;
  /** Null where none is chosen. */
  lead: Lead | null;
}

/** A socket of something on the rig. */
export interface RigPort extends SignalEnd {
  port: SignalPort;
}

/** `HDMI out of Orrin Box`. */
export const portName = ({ part, port }: Pick<SignalEnd, 'part' | 'port'>): string =>
  port ? `${port.name} of ${part.name}` : `a port that ${part.name} has not`;

/** Whether it may have any. */
const hasPorts = (part: Part | undefined): part is Part & Ported =>
  isBody(part) || isDrive(part) || isFitting(part);

/** What may have ports, the camera first, then by id. */
function portedOn(built: Built): { at: Omit<PortAt, 'port'>; part: Part & Ported }[] {
  const { rig, kit } = built;
  const of = (list: PortAt['list'], id: string, part: Part | undefined) =>
    hasPorts(part) ? [{ at: { list, id }, part }] : [];
  return [
    ...(rig.body === null ? [] : of('body', 'body', kit.get(rig.body))),
    ...byId(rig.drives).flatMap((u) => of('drives', u.id, kit.get(u.part))),
    ...fittedParts(built).flatMap(({ use, part }) => of('fitted', use.id, part)),
  ];
}

/** Every port of what is on a rig. */
export function portsOn(built: Built): readonly RigPort[] {
  return built.once(PORTS);
}

const PORTS = node('ports on the rig', (built: Built): readonly RigPort[] =>
  portedOn(built).flatMap(({ at, part }) =>
    (part.ports ?? []).map((port) => ({ at: { ...at, port: port.id }, part, port })),
  ),
);

/** Everything that is sent from something to something else, by id. */
export function signalsOn(built: Built): readonly Signal[] {
  return built.once(SIGNALS);
}

const SIGNALS = node(
  'what is sent to what',
  (built: Built): readonly Signal[] => {
    const { signals } = built.rig;
    if (!signals) return [];
    const { rig, kit } = built;
    const fitted = partsByUse(built);
    const partAt = ({ list, id }: PortAt): Part | undefined => {
      if (list === 'fitted') return fitted.get(id);
      const of = list === 'body' ? rig.body : rig.drives?.find((u) => u.id === id)?.part;
      return of === undefined || of === null ? undefined : kit.get(of);
    };
    const end = (at: PortAt): SignalEnd | null => {
      const part = partAt(at);
      return hasPorts(part)
        ? { at, part, port: part.ports?.find((p) => p.id === at.port) ?? null }
        : null;
    };
    const fed = ({ list, id }: Pick<PortAt, 'list' | 'id'>) =>
      list === 'body' ? rig.outlet : rig[list]?.find((u) => u.id === id)?.outlet;
    const leadOf = ({ lead, within }: SignalUse): Lead | null => {
      const id = lead ?? (within && fed(within)?.lead);
      const part = id === undefined ? undefined : kit.get(id);
      return isLead(part) ? (lead === undefined ? strandOf(part) : part) : null;
    };
    return [...signals]
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .map((use) => {
        return theSame({
          use,
          from: end(use.from),
          to: end(use.to),
          lead: leadOf(use),
        });
      });
  },
  { same: sameList },
);

/**
 * What goes through a lead besides what it is for, as a lead of its own: its second plugs, and what it is
 * said to carry besides. What nobody said of those is not known, whatever the first ones are.
 */
function strandOf(lead: Lead): Lead {
  let strand = strands.get(lead);
  if (!strand) {
    const { plug: _plug, plugTo: _to, carries: _carries, ...more } = lead;
    const { carriesToo, plugToo, plugTooTo, ...rest } = more;
    strands.set(
      lead,
      (strand = {
        ...rest,
        ...(plugToo === undefined ? {} : { plug: plugToo }),
        ...(plugTooTo === undefined ? {} : { plugTo: plugTooTo }),
        ...(carriesToo === undefined ? {} : { carries: carriesToo }),
      }),
    );
  }
  return strand;
}

const strands = new WeakMap<Lead, Lead>();

const known = new WeakMap<SignalUse, Signal[]>();
/** So many of one signal are kept: configurations of a rig share it. */
const MOST = 8;

/** The one of before where it is the same in all: what was judged of it stands. */
function theSame(s: Signal): Signal {
  let list = known.get(s.use);
  if (!list) known.set(s.use, (list = []));
  const before = list.find(
    (b) => b.lead === s.lead && b.from?.part === s.from?.part && b.to?.part === s.to?.part,
  );
  if (before) return before;
  list.unshift(s);
  list.length = Math.min(list.length, MOST);
  return s;
}

/** How a lead goes between two ports. */
export interface LeadBetween {
  /** Null where one of the plugs or sockets is not known. */
  fits: boolean | null;
  /** The plug that is called that of the device is at the source. */
  turned: boolean;
}

/**
 * Whether a lead goes between two ports, either way round: nothing is fed, so no end of it is the
 * source's for good.
 */
export function leadBetween(from: SignalPort, lead: Lead, to: SignalPort): LeadBetween {
  const ways = [
    { fits: both(like(from.plug, lead.plug), like(to.plug, lead.plugTo)), turned: false },
    { fits: both(like(from.plug, lead.plugTo), like(to.plug, lead.plug)), turned: true },
  ] as const;
  return (
    ways.find((w) => w.fits === true) ??
    ways.find((w) => w.fits === null) ?? { fits: false, turned: false }
  );
}

const like = (a: string | undefined, b: string | undefined) =>
  a === undefined || b === undefined ? null : a === b;

const both = (a: boolean | null, b: boolean | null) =>
  a === false || b === false ? false : a === null || b === null ? null : true;

/**
 * Whether a lead carries something for sure. Plugs through which nothing is fed say so themselves; of
 * others somebody has to.
 *
 * @returns null where nobody knows
 */
export function leadCarries(lead: Lead, carries: Carries): boolean | null {
  if (lead.carries !== undefined)
    return lead.carries === carries || (lead.carries === 'power-data' && carries === 'data');
  const plugs = [plugOf(lead.plug), plugOf(lead.plugTo)];
  return plugs.some((p) => p?.signal) ? true : null;
}

/** Whether a lead may feed something: one that is said to carry something else does not. */
export const leadFeeds = (lead: Lead): boolean =>
  lead.carries === undefined || lead.carries === 'power' || lead.carries === 'power-data';

/** Whether a port sends, or takes in; null where nobody said which way it goes. */
export const goes = (port: SignalPort, way: 'out' | 'in'): boolean | null =>
  port.way === undefined
    ? null
    : way === 'out'
      ? port.way !== 'in'
      : port.way === 'in' || port.way === 'both';

/** What a port can carry at all; every way where nobody said. */
export const carriedBy = (port: SignalPort): readonly Carries[] =>
  port.carries === undefined ? CARRIES : [port.carries];
