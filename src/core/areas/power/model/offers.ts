import type { Built } from '../../../build/build';
import { cellsOf, plugOf } from '../../../engine/plugs';
import { leadOhms } from '../../../feed/copper';
import { plain } from '../../../quantity/say';
import { valueOf } from '../../../quantity/quantity';
import { isLead, onHand, type FedFrom, type Lead } from '../../../kit/types';
import { node, sameList } from '../../../engine/reads';
import { usesOf } from '../../../roles/uses';
import { devicesOn, feedsOn, windowOf, type Device } from './fed';
import { markedAs } from './marks';
import { goesBetween, goesInto } from './plugs';
import { positionsOf, switchOf, type RigOutlet } from './outlets';
import { reachOf } from './run';

/** Whether an outlet can feed a device, and by which lead of the kit. */
export interface Offer {
  device: Device;
  can: 'yes' | 'maybe' | 'no';
  /** In a few words: by what, or why not. */
  why: string;
  from: FedFrom;
}

/** Leads of the kit that are not in use, those that lose least first; with `own` as if that were not. */
export function freeLeads(built: Built, own?: string): readonly Lead[] {
  const { all, free } = built.once(LEADS);
  return own === undefined ? free : all.filter((l) => l.id === own || free.includes(l));
}

interface Leads {
  all: readonly Lead[];
  free: readonly Lead[];
}

const LEADS = node(
  'leads of the kit',
  (built: Built): Leads => {
    const all = built.once(BY_LOSS);
    const on = new Map<string, number>();
    for (const id of usesOf(built)) on.set(id, (on.get(id) ?? 0) + 1);
    const uses = (l: Lead) => on.get(l.id) ?? 0;
    return {
      all,
      free: all.filter((l) => {
        const there = Math.max(1, onHand(l));
        return uses(l) < there - markedAs(built, l, there, ['aside']);
      }),
    };
  },
  { same: (a, b) => a.all === b.all && sameList(a.free, b.free) },
);

const BY_LOSS = node('leads by what they lose', (built: Built): readonly Lead[] => {
  const loss = (l: Lead) => {
    const [length, copper] = [valueOf(l.length), valueOf(l.copper)];
    return length === null || copper === null ? Infinity : leadOhms(length / 1000, copper);
  };
  return [...built.kit.values()]
    .filter(isLead)
    .map((l) => ({ l, loss: loss(l) }))
    .sort((a, b) => a.loss - b.loss || (a.l.id < b.l.id ? -1 : 1))
    .map(({ l }) => l);
});

/** What an outlet can feed: every device of the rig, with the lead that would do it, or why not. */
export function offersOf(built: Built, out: RigOutlet): Offer[] {
  const on = feedsOn(built).find((f) => f.from.from === out.from && f.from.id === out.id);
  const leads = freeLeads(built);
  const positions = positionsOf(built, out);
  return devicesOn(built).map(({ device, from }): Offer => {
    const bare: FedFrom = { from: out.from, id: out.id };
    const no = (why: string): Offer => ({ device, can: 'no', why, from: bare });
    if (from?.from === out.from && from.id === out.id)
      return { device, can: 'yes', why: 'is fed by it', from: bare };
    if (on) return no(`${on.device.part.name} is in that socket`);
    if (out.over.includes(device.id)) return no('feeds it');
    const each = positions.map((o) => offerOf(built, o, device, leads));
    return each.reduce((a, b) => (CAN[b.can] < CAN[a.can] ? b : a));
  });
}

const CAN = { yes: 0, maybe: 1, no: 2 } as const;

/** What one outlet, its switch set, can do for one device. */
function offerOf(built: Built, out: RigOutlet, device: Device, leads: readonly Lead[]): Offer {
  const { part } = device;
  const bare: FedFrom = { from: out.from, id: out.id, ...switchOf(out) };
  const say = (can: Offer['can'], why: string, lead?: Lead): Offer => ({
    device,
    can,
    why,
    from: lead ? { ...bare, lead: lead.id } : bare,
  });
  const [least, most] = windowOf({ device, from: bare, out, lead: null }).map((g) => g.known);
  const [low, high] = [out.least.known, out.most.known];
  if (high && most && high.lo > most.hi)
    return say('no', `${plain(high.value, 1)} V; it runs up to ${plain(most.value, 1)} V`);
  if (low && least && low.hi < least.lo)
    return say('no', `${plain(low.value, 1)} V; it runs from ${plain(least.value, 1)} V`);
  if (cellsOf(out.outlet.plug) !== null) return straight(out, part, say);
  const goes = leads.filter((l) => goesBetween(out.outlet, l, part) === true);
  const reach = reachOf(built, device, { from: out.from, id: out.id });
  const lead = goes.find((l) => reach(l) === 'yes') ?? goes.find((l) => reach(l) === 'maybe');
  if (!lead && goes.length > 0) return say('maybe', `${goes[0]!.name} is too short`);
  if (!lead)
    return say(
      'maybe',
      out.outlet.plug === undefined || part.inlet === undefined
        ? 'its plugs are not known'
        : `no lead is free from ${plugOf(out.outlet.plug)?.name ?? '?'} to ${plugOf(part.inlet)?.name ?? '?'}`,
    );
  const known = high && low && least && most;
  const set =
    out.switched === null ? '' : `, its switch at ${plain(out.volts.known?.value ?? 0, 1)} V`;
  return say(
    known ? 'yes' : 'maybe',
    `by ${lead.name}${known ? set : '; volts are missing'}`,
    lead,
  );
}

/** What stands in the place of a battery wants no lead. */
function straight(
  out: RigOutlet,
  part: Device['part'],
  say: (can: Offer['can'], why: string) => Offer,
): Offer {
  const goes = goesInto(out.outlet, part);
  if (goes === true) return say('yes', 'in the place of its battery');
  return goes === null
    ? say('maybe', 'which battery it takes is not known')
    : say('no', `it takes no ${plugOf(out.outlet.plug)!.name}`);
}
