import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { plugOf } from '../../../engine/plugs';
import { leadOhms } from '../../../feed/copper';
import { plain } from '../../../quantity/say';
import { valueOf } from '../../../quantity/quantity';
import { isLead, onHand, type FedFrom, type Lead } from '../../../kit/types';
import { usesOn } from '../../../roles/uses';
import { devicesOn, feedsOn, type Device } from './fed';
import { goesBetween } from './plugs';
import type { RigOutlet } from './outlets';
import { reachOf } from './run';

/** Whether an outlet can feed a device, and by which lead of the kit. */
export interface Offer {
  device: Device;
  can: 'yes' | 'maybe' | 'no';
  /** In a few words: by what, or why not. */
  why: string;
  from: FedFrom;
}

/** Leads of the kit that are not in use, those that lose least first. */
export function freeLeads(built: Built, own?: string): Lead[] {
  const on = usesOn(built.rig);
  const loss = (l: Lead) => {
    const [length, copper] = [valueOf(l.length), valueOf(l.copper)];
    return length === null || copper === null ? Infinity : leadOhms(length / 1000, copper);
  };
  return [...built.kit.values()]
    .filter(isLead)
    .filter((l) => l.id === own || on.filter((id) => id === l.id).length < Math.max(1, onHand(l)))
    .sort((a, b) => loss(a) - loss(b) || (a.id < b.id ? -1 : 1));
}

/** What an outlet can feed: every device of the rig, with the lead that would do it, or why not. */
export function offersOf(built: Built, out: RigOutlet): Offer[] {
  const feeds = feedsOn(built);
  const on = feeds.find((f) => f.from.from === out.from && f.from.id === out.id);
  const leads = freeLeads(built);
  return devicesOn(built).map(({ device, from }): Offer => {
    const { part } = device;
    const bare: FedFrom = { from: out.from, id: out.id };
    const say = (can: Offer['can'], why: string, lead?: Lead): Offer => ({
      device,
      can,
      why,
      from: lead ? { ...bare, lead: lead.id } : bare,
    });
    if (from?.from === out.from && from.id === out.id) return say('yes', 'is fed by it');
    if (on) return say('no', `${on.device.part.name} is in that socket`);
    const [least, most] = [given(part, 'voltsFrom').known, given(part, 'voltsTo').known];
    const [low, high] = [out.least.known, out.most.known];
    if (high && most && high.lo > most.hi)
      return say('no', `${plain(high.value, 1)} V; it runs up to ${plain(most.value, 1)} V`);
    if (low && least && low.hi < least.lo)
      return say('no', `${plain(low.value, 1)} V; it runs from ${plain(least.value, 1)} V`);
    const goes = leads.filter((l) => goesBetween(out.outlet, l, part) === true);
    const reach = reachOf(built, device, out.from);
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
    return say(
      known ? 'yes' : 'maybe',
      `by ${lead.name}${known ? '' : '; volts are missing'}`,
      lead,
    );
  });
}
