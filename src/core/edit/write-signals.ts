import type { Change, Rig, SignalUse, TieOn, TiePoint } from '../kit/types';
import { at } from './rig-path';
import type { RigWriter } from './role';
import { writeVia } from './via';

/** Writes the link of a signal, and its lead; one that leads to what is not on the rig goes. */
export function writeSignal(rig: RigWriter, signal: SignalUse): void {
  const [from, to] = [rig.standsFor(signal.from), rig.standsFor(signal.to)];
  if (from === undefined || to === undefined) return;
  const before = rig.kept.link(signal.id);
  const within = signal.within && rig.standsFor(signal.within);
  let lead = within === undefined ? undefined : rig.leadOf(within);
  if (signal.lead !== undefined) {
    // The lead of something else that it went within stays with that.
    const own = before?.lead === undefined || rig.kept.powerBy(before.lead) ? null : before.lead;
    const kept = own === null ? undefined : rig.kept.use(own);
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
    ...writeVia(signal.via, rig),
  });
}

/** What came from none of what is taken off, and went to none of it. */
const staying = ({ signals }: Rig, list: TieOn['list'], gone: ReadonlySet<string>) =>
  (signals ?? []).filter((s) => ![s.from, s.to].some((e) => e.list === list && gone.has(e.id)));

/** What goes with something that is taken off: all that came from it, or went to it. */
const withoutSignals = (rig: Rig, list: TieOn['list'], gone: ReadonlySet<string>): Change[] =>
  (rig.signals ?? [])
    .filter((s) => !staying(rig, list, gone).includes(s))
    .map((s) => ({ path: at(rig, 'signals', s.id), value: undefined, prune: 3 }));

/** Ties of leads that stay, to something that is taken off: they go with it. */
function withoutTies(rig: Rig, list: TieOn['list'], gone: ReadonlySet<string>): Change[] {
  const lost = (t: TiePoint) => t.on.list === list && gone.has(t.on.id);
  const left = (path: string[], via: readonly TiePoint[] | undefined): Change[] => {
    if (!via?.some(lost)) return [];
    const kept = via.filter((t) => !lost(t));
    return [{ path: [...path, 'via'], value: kept.length > 0 ? kept : undefined }];
  };
  const fromGone = (from: string) => list === 'fitted' && gone.has(from);
  return [
    ...(rig.outlet && !fromGone(rig.outlet.from) ? left(at(rig, 'outlet'), rig.outlet.via) : []),
    ...(['drives', 'fitted'] as const).flatMap((of) =>
      (rig[of] ?? []).flatMap((u) =>
        !u.outlet || (of === list && gone.has(u.id)) || fromGone(u.outlet.from)
          ? []
          : left(at(rig, of, u.id, 'outlet'), u.outlet.via),
      ),
    ),
    ...(rig.signals ?? []).flatMap((s) =>
      [s.from, s.to].some((e) => e.list === list && gone.has(e.id))
        ? []
        : left(at(rig, 'signals', s.id), s.via),
    ),
  ];
}

/** What goes through a lead that is taken off with what it feeds stays said, by none. */
export const withoutWithin = (rig: Rig, list: TieOn['list'], gone: ReadonlySet<string>): Change[] =>
  (rig.signals ?? [])
    .filter(({ within: w }) => {
      if (!w) return false;
      const fed = w.list === 'body' ? rig.outlet : rig[w.list]?.find((u) => u.id === w.id)?.outlet;
      return (
        (w.list === list && gone.has(w.id)) ||
        (list === 'fitted' && fed !== undefined && gone.has(fed.from))
      );
    })
    .map((s) => ({ path: at(rig, 'signals', s.id, 'within'), value: undefined }));

/** All of leads that goes with something that is taken off: what was sent to and from it, and ties to it. */
export const withoutLinks = (
  rig: Rig,
  list: TieOn['list'],
  gone: ReadonlySet<string>,
): Change[] => [
  ...withoutSignals(rig, list, gone),
  ...withoutWithin({ ...rig, signals: staying(rig, list, gone) }, list, gone),
  ...withoutTies(rig, list, gone),
];
