import type { Edit } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import { withoutWithin } from '../../../edit/write-signals';
import type { Change, FedFrom, Lead, MainsUse, Rig } from '../../../kit/types';
import { sayLength } from '../../../quantity/say';
import type { Device } from '../model/fed';
import { withoutItsLeads } from './signal';

/** Where it stands on a rig what feeds a device. */
export const fedPath = (rig: Rig, { list, id }: Pick<Device, 'list' | 'id'>): string[] =>
  list === 'body' ? at(rig, 'outlet') : at(rig, list, id, 'outlet');

/** Feeds a device from an outlet, by a lead; null: from nothing. */
export function feedFrom(
  rig: Rig,
  device: Pick<Device, 'list' | 'id'>,
  from: FedFrom | null,
  title: string,
): Edit {
  // What went through its lead besides goes through none where there is none any more.
  const bare =
    from?.lead === undefined ? withoutWithin(rig, device.list, new Set([device.id])) : [];
  return { title, changes: [{ path: fedPath(rig, device), value: from ?? undefined }, ...bare] };
}

/** Ties both plugs of a lead, or says that they are not. */
export function tie(
  rig: Rig,
  device: Pick<Device, 'list' | 'id'>,
  from: FedFrom,
  tied: boolean,
  lead: string,
): Edit {
  const { tied: _before, ...rest } = from;
  return feedFrom(
    rig,
    device,
    tied ? { ...rest, tied } : rest,
    tied ? `Tie ${lead} at its plugs` : `${lead} is not tied`,
  );
}

/** Says how often a lead is tied on its way; undefined: nobody said. */
export function tieOnWay(
  rig: Rig,
  device: Pick<Device, 'list' | 'id'>,
  from: FedFrom,
  ties: number | undefined,
  lead: string,
): Edit {
  const { ties: _before, ...rest } = from;
  return feedFrom(
    rig,
    device,
    ties === undefined ? rest : { ...rest, ties },
    ties === undefined
      ? `How often ${lead} is tied is left open`
      : `Tie ${lead} ${ties === 1 ? 'once' : `${ties} times`} on its way`,
  );
}

/** How often and where a lead was tied, for the one that takes its place. */
export const tiesOf = (from: FedFrom | undefined): Pick<FedFrom, 'ties' | 'via'> => ({
  ...(from?.ties === undefined ? {} : { ties: from.ties }),
  ...(from?.via === undefined ? {} : { via: from.via }),
});

/** Says how the switch of the outlet is set that feeds a device; undefined: nobody said. */
export function setSwitch(
  rig: Rig,
  device: Pick<Device, 'list' | 'id'>,
  from: FedFrom,
  switched: boolean | undefined,
  title: string,
): Edit {
  const { switched: _before, ...rest } = from;
  return feedFrom(rig, device, switched === undefined ? rest : { ...rest, switched }, title);
}

/** How cold or warm it is where it is shot, C; undefined: a room. */
export function setCelsius(rig: Rig, celsius: number | undefined): Edit {
  return {
    title: celsius === undefined ? 'At the temperature of a room' : `At ${celsius} C`,
    changes: [{ path: at(rig, 'celsius'), value: celsius }],
  };
}

/** How far a mains unit is from the rig as a lead goes, mm; undefined: nobody said. */
export function setAway(rig: Rig, use: MainsUse, name: string, away: number | undefined): Edit {
  return {
    title:
      away === undefined
        ? `How far ${name} is from the rig is open`
        : `${name} ${sayLength(away, 0)} from the rig`,
    changes: [{ path: at(rig, 'mains', use.id, 'away'), value: away }],
  };
}

/** What feeds something, without the lead and what was done to it. */
export function withoutItsLead(from: FedFrom): FedFrom {
  const { lead: _lead, tied: _tied, ties: _ties, ...rest } = from;
  return rest;
}

/** Every lead taken out that is a part of the kit; what it fed stays said. */
export function withoutLead(rig: Rig, lead: Lead['id']): Change[] {
  const bare = (list: Device['list'], id: string, from: FedFrom | undefined): Change[] =>
    from?.lead === lead ? feedFrom(rig, { list, id }, withoutItsLead(from), '').changes : [];
  return [
    ...bare('body', 'body', rig.outlet),
    ...(rig.drives ?? []).flatMap((u) => bare('drives', u.id, u.outlet)),
    ...(rig.fitted ?? []).flatMap((u) => bare('fitted', u.id, u.outlet)),
    ...withoutItsLeads(rig, lead),
  ];
}
