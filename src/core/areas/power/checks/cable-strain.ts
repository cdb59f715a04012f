import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { eachKept, flat } from '../model/judged';
import { lyingOn, type Lying } from '../model/lines';

export const cableStrain: Check = {
  id: 'cable.strain',
  title: 'Sockets that break off',
  short: 'socket not relieved',
  byHand: true,
  says: 'Whether every weak socket in use has a clamp for its lead: a small one is soldered to a board, and a lead that is pulled sideways breaks it off.',
  formula: 'a clamp at every weak socket',
  run: (built) => flat(judged(lyingOn(built), [], strainOf)),
};

const judged = eachKept<Lying, readonly Verdict[]>();

function strainOf(lying: Lying): readonly Verdict[] {
  const { line: l } = lying;
  const { part, lead, plugs } = l;
  if (!lead) return [];
  const source = lying.source ?? lying.mains?.part;
  const ends = [
    { known: plugOf(plugs[0]), at: source?.name ?? 'what it comes from' },
    { known: plugOf(plugs[1]), at: part.name },
  ];
  const weak = ends.filter((e) => e.known?.weak);
  const unsaid = ends.filter((e) => !e.known);
  if (weak.length === 0 && unsaid.length === 0) return [];
  const base = {
    id: 'cable.strain',
    key: `cable.strain:${l.key}`,
    about: [...new Set([lead.id, part.id, ...(source ? [source.id] : [])])],
    sum: 'No sum: plugs are looked up.',
    basis: '[trade] a clamp at every weak socket in use',
  };
  const sockets = inWords(weak.map((e) => `the ${e.known!.name} socket of ${e.at}`));
  if (l.tied === true)
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
