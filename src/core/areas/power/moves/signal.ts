import { newNamedId } from '../../../engine/ids';
import type { Carries } from '../../../engine/part';
import type { Edit } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import type { Change, Lead, PortAt, Rig, SignalUse } from '../../../kit/types';

/** Sends something from one port to another, by a lead. */
export function send(
  rig: Rig,
  carries: Carries,
  ends: { from: PortAt; to: PortAt; lead?: string },
  title: string,
): Edit {
  const use: SignalUse = { id: newNamedId(carries), carries, ...ends };
  return { title, changes: [{ path: at(rig, 'signals', use.id), value: use }] };
}

/** Sends it no more. */
export const unsend = (rig: Rig, { id }: Pick<SignalUse, 'id'>, title: string): Edit => ({
  title,
  changes: [{ path: at(rig, 'signals', id), value: undefined, prune: 3 }],
});

/** Says something else of a signal: its lead, whether and how often that is tied; undefined: nobody said. */
export function setSignal(
  rig: Rig,
  use: SignalUse,
  to: Partial<Pick<SignalUse, 'lead' | 'within' | 'tied' | 'ties' | 'via' | 'from' | 'to'>>,
  title: string,
): Edit {
  // By a lead of its own, or within another: never both.
  const next = { ...use, ...(to.lead === undefined ? {} : { within: undefined }), ...to };
  for (const k of ['lead', 'within', 'tied', 'ties', 'via'] as const)
    if (next[k] === undefined) delete next[k];
  return { title, changes: [{ path: at(rig, 'signals', use.id), value: next }] };
}

/** Another lead, or none: what was done to the one before is not done to it. */
export const setItsLead = (rig: Rig, use: SignalUse, lead: string | undefined, title: string) =>
  setSignal(rig, use, { lead, within: undefined, tied: undefined, ties: undefined }, title);

/** Sends it through the lead that feeds something, in place of one of its own. */
export const setWithin = (
  rig: Rig,
  use: SignalUse,
  { list, id }: Pick<PortAt, 'list' | 'id'>,
  title: string,
) =>
  setSignal(
    rig,
    use,
    { lead: undefined, within: { list, id }, tied: undefined, ties: undefined },
    title,
  );

/** Every lead taken out that is a part of the kit; what went through it stays said. */
export const withoutItsLeads = (rig: Rig, lead: Lead['id']): Change[] =>
  (rig.signals ?? []).flatMap((s) =>
    s.lead === lead ? setItsLead(rig, s, undefined, '').changes : [],
  );
