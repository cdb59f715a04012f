import type { Built } from '../../../build/build';
import type { Carries } from '../../../engine/part';
import { plugOf } from '../../../engine/plugs';
import type { Lead } from '../../../kit/types';
import { freeLeads } from './offers';
import { reachAlong, keyOf, wayBetween } from './run';
import { signalPort } from './ports';
import {
  carriedBy,
  CARRIED,
  goes,
  leadBetween,
  leadCarries,
  portsOn,
  signalsOn,
  type RigPort,
  type Signal,
  type SignalEnd,
} from './signals';

/** What one port can send to another, and by which lead of the kit. */
export interface SendOffer {
  to: RigPort;
  carries: Carries;
  can: 'yes' | 'maybe' | 'no';
  /** In a few words: by what, or why not. */
  why: string;
  lead: Lead | null;
}

/** Ports that something can be sent out of, and that nothing goes through yet. */
export function sendersOn(built: Built): RigPort[] {
  const used = usedPorts(built);
  return portsOn(built).filter((p) => goes(p.port, 'out') !== false && !used.has(idOf(p)));
}

/** All ports of other parts that a port may send to, with the lead that would do it, or why not. */
export function sendOffers(built: Built, from: RigPort): SendOffer[] {
  const used = usedPorts(built);
  return portsOn(built)
    .filter((to) => to.at.list !== from.at.list || to.at.id !== from.at.id)
    .flatMap((to) => {
      const shared = carriedBy(from.port).filter((c) => carriedBy(to.port).includes(c));
      const carries = shared[0] ?? carriedBy(from.port)[0]!;
      const no = (why: string): SendOffer => ({ to, carries, can: 'no', why, lead: null });
      if (goes(to.port, 'in') === false) return no('sends only');
      if (shared.length === 0) return no(`carries ${CARRIED[to.port.carries!]}`);
      if (used.has(idOf(to))) return no('has a plug in it');
      return offer(built, from, to, carries, shared.length > 1);
    });
}

/** A port of a rig, as a word. */
export const idOf = ({ at }: Pick<SignalEnd, 'at'>) => `${at.list}/${at.id}/${at.port}`;

/** Ports that something goes through, but for one signal. */
export const usedPorts = (built: Built, but?: Signal): ReadonlySet<string> =>
  new Set(
    signalsOn(built).flatMap((s) =>
      s === but ? [] : [s.from, s.to].flatMap((e) => (e ? [idOf(e)] : [])),
    ),
  );

function offer(
  built: Built,
  from: RigPort,
  to: RigPort,
  carries: Carries,
  open: boolean,
): SendOffer {
  const leads = leadsFor(built, from, to, carries);
  const reach = reachAlong(built, wayBetween(built, endOf(from), endOf(to)));
  const lead = leads.find((l) => reach(l) === 'yes') ?? leads.find((l) => reach(l) === 'maybe');
  const said = [from, to].every((p) => p.port.way !== undefined && p.port.carries !== undefined);
  if (lead)
    return {
      to,
      carries,
      can: said && !open ? 'yes' : 'maybe',
      why: `by ${lead.name}`,
      lead,
    };
  return {
    to,
    carries,
    can: 'maybe',
    why:
      leads.length > 0
        ? `${leads[0]!.name} is too short`
        : from.port.plug === undefined || to.port.plug === undefined
          ? 'its plugs are not known'
          : `no lead is free from ${plugOf(from.port.plug)?.name ?? '?'} to ${plugOf(to.port.plug)?.name ?? '?'}`,
    lead: null,
  };
}

/** Leads of the kit that are free and go between two ports for sure; with `own` as if that were free. */
export const leadsFor = (
  built: Built,
  from: RigPort,
  to: RigPort,
  carries: Carries,
  own?: string,
): Lead[] =>
  freeLeads(built, own).filter(
    (l) => leadBetween(from.port, l, to.port).fits === true && leadCarries(l, carries) === true,
  );

const endOf = ({ at, part, port }: RigPort) => ({
  piece: keyOf(at.list, at.id),
  id: `port ${at.port}`,
  said: port,
  port: () => signalPort(part, port),
});
