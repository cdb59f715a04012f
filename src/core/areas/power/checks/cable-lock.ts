import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { ruleBasis } from '../../../rules/names';
import { eachKept, flat } from '../model/judged';
import { lyingOn, type Lying } from '../model/lines';

/** What stops the day when it goes dark: the picture that is recorded. */
const MATTERS: ReadonlySet<string> = new Set(['body', 'recorder']);

export const cableLock: Check = {
  id: 'cable.lock',
  title: 'Plugs that fall out',
  short: 'plug can fall out',
  byHand: true,
  says: 'Whether the lead of a camera or a recorder locks at both ends: a plug that is only pushed in falls out when somebody steps on the lead.',
  formula: 'both plugs lock, or both are tied',
  run(built) {
    const all = built.rules['cable.lock-all'] > 0;
    return flat(judged(lyingOn(built), [all], (l) => lockOf(l, all)));
  },
};

const judged = eachKept<Lying, readonly Verdict[]>();

function lockOf(lying: Lying, all: boolean): readonly Verdict[] {
  const { line: l } = lying;
  const { part, lead, plugs } = l;
  if (!lead || !(all || MATTERS.has(part.kind))) return [];
  const source = lying.source ?? lying.mains?.part;
  const from = source?.name ?? 'what it comes from';
  const ends = [
    { plug: plugs[0], at: from },
    { plug: plugs[1], at: part.name },
  ].map((e) => ({ ...e, known: plugOf(e.plug) }));
  const loose = ends.filter((e) => e.known?.locks === false);
  const unsaid = ends.filter((e) => !e.known);
  const base = {
    id: 'cable.lock',
    key: `cable.lock:${l.key}`,
    about: [...new Set([lead.id, part.id, ...(source ? [source.id] : [])])],
    sum: 'No sum: plugs are looked up.',
    basis: ruleBasis('cable.lock-all'),
  };
  if (l.tied === true)
    return [plainVerdict({ ...base, state: 'ok', why: `${lead.name} is tied at its plugs.` })];
  if (loose.length > 0)
    return [
      plainVerdict({
        ...base,
        state: 'tight',
        why: `${lead.name} is only pushed in at ${inWords(loose.map((e) => `${e.at} (${e.known!.name})`))}: tie it there, or ${part.name} ${l.lost} when somebody steps on the lead.`,
        wanted: ['a tie or a clamp at each of them, or plugs that lock'],
      }),
    ];
  return [
    plainVerdict({
      ...base,
      state: unsaid.length > 0 ? 'unknown' : 'ok',
      why:
        unsaid.length > 0
          ? `Whether ${lead.name} locks is not known: its plug at ${inWords(unsaid.map((e) => e.at))} is not said.`
          : `${lead.name} locks at both ends.`,
    }),
  ];
}
