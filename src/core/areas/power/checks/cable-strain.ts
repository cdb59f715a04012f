import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import type { Built } from '../../../build/build';
import { plugOf } from '../../../engine/plugs';
import { deviceKey, feedsOn, type Feed } from '../model/fed';
import { mainsOf, sourceOf } from '../model/run';

export const cableStrain: Check = {
  id: 'cable.strain',
  title: 'Sockets that break off',
  short: 'socket not relieved',
  says: 'Whether every weak socket in use has a clamp for its lead: a small one is soldered to a board, and a lead that is pulled sideways breaks it off.',
  formula: 'a clamp at every weak socket',
  run: (built) => feedsOn(built).flatMap((f) => strainOf(built, f)),
};

function strainOf(built: Built, f: Feed): Verdict[] {
  const { device, lead } = f;
  if (!lead) return [];
  const source = sourceOf(built, f) ?? mainsOf(built, f)?.part;
  const ends = [
    { known: plugOf(lead.plug), at: source?.name ?? 'what feeds it' },
    { known: plugOf(lead.plugTo), at: device.part.name },
  ];
  const weak = ends.filter((e) => e.known?.weak);
  const unsaid = ends.filter((e) => !e.known);
  if (weak.length === 0 && unsaid.length === 0) return [];
  const base = {
    id: 'cable.strain',
    key: `cable.strain:${deviceKey(device)}`,
    about: [...new Set([lead.id, device.part.id, ...(source ? [source.id] : [])])],
    sum: 'No sum: plugs are looked up.',
    basis: '[trade] a clamp at every weak socket in use',
  };
  const sockets = inWords(weak.map((e) => `the ${e.known!.name} socket of ${e.at}`));
  if (f.from.tied === true)
    return [
      plainVerdict({ ...base, state: 'ok', why: `${lead.name} is tied or clamped at its plugs.` }),
    ];
  if (weak.length === 0)
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether ${lead.name} goes into a weak socket is not known: its plug at ${inWords(unsaid.map((e) => e.at))} is not said.`,
      }),
    ];
  return [
    plainVerdict({
      ...base,
      state: 'tight',
      why: `Nothing holds ${lead.name} at ${sockets}: pulled sideways it breaks the socket off its board.`,
      wanted: ['a clamp for the lead beside each weak socket'],
    }),
  ];
}
