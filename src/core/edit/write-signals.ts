import type { Change, PortAt, Rig, SignalUse } from '../kit/types';
import { at } from './rig-path';
import type { RigWriter } from './role';

/**
 * Writes the link of a signal, and its lead.
 *
 * @param standsFor the use that stands for one end; undefined where that is not on the rig: the link goes
 */
export function writeSignal(
  rig: RigWriter,
  signal: SignalUse,
  standsFor: (at: PortAt) => string | undefined,
): void {
  const [from, to] = [standsFor(signal.from), standsFor(signal.to)];
  if (from === undefined || to === undefined) return;
  const before = rig.kept.link(signal.id);
  let lead: string | undefined;
  if (signal.lead !== undefined) {
    const kept = before?.lead === undefined ? undefined : rig.kept.use(before.lead);
    lead = rig.owned(kept, `${signal.id}-lead`, 'lead');
    rig.put(lead, 'lead', signal.lead);
    rig.seat(lead, 'plug', { use: to });
  }
  rig.link({
    id: signal.id,
    kind: signal.carries,
    from: { use: from, port: signal.from.port },
    to: { use: to, port: signal.to.port },
    ...(lead === undefined ? {} : { lead }),
    ...(signal.tied === undefined ? {} : { tied: signal.tied }),
    ...(signal.ties === undefined ? {} : { ties: signal.ties }),
  });
}

/** What goes with something that is taken off: all that came from it, or went to it. */
export const withoutSignals = (
  rig: Rig,
  list: PortAt['list'],
  gone: ReadonlySet<string>,
): Change[] =>
  (rig.signals ?? [])
    .filter((s) => [s.from, s.to].some((e) => e.list === list && gone.has(e.id)))
    .map((s) => ({ path: at(rig, 'signals', s.id), value: undefined, prune: 3 }));
