import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { keeper } from '../model/judged';
import { capital } from '../model/say';
import {
  CARRIED,
  goes,
  leadBetween,
  leadCarries,
  portName,
  signalsOn,
  type Signal,
  type SignalEnd,
} from '../model/signals';

export const signalFit: Check = {
  id: 'signal.fit',
  title: 'Ports of a signal',
  short: 'port does not fit',
  says: 'Whether picture, sound, control or data goes from one port to another: both carry it, the one sends and the other takes in, and a lead with their plugs that carries it is between.',
  formula: 'what is sent = what both ports and the lead carry; plugs = sockets, either way round',
  run: (built) => signalsOn(built).map((s) => judged(s, [], () => fitOf(s))),
};

const judged = keeper<Verdict>();

/** What is wrong for sure, and what is not known. */
interface Found {
  wrong: string[];
  open: string[];
}

function fitOf(s: Signal): Verdict {
  const { use, from, to, lead } = s;
  const what = CARRIED[use.carries];
  const found: Found = { wrong: [], open: [] };
  if (!from) found.open.push('what it comes from is not on the rig');
  if (!to) found.open.push('what it goes to is not on the rig');
  if (from) atEnd(found, s, from, 'out');
  if (to) atEnd(found, s, to, 'in');
  byLead(found, s);
  const state: State = found.wrong.length > 0 ? 'fail' : found.open.length > 0 ? 'unknown' : 'ok';
  const way = `${from ? portName(from) : 'something'} to ${to ? portName(to) : 'something'}`;
  return plainVerdict({
    id: 'signal.fit',
    key: `signal.fit:${use.id}`,
    about: [...new Set([from?.part.id, to?.part.id, lead?.id].flatMap((id) => id ?? []))],
    state,
    why:
      state === 'fail'
        ? found.wrong.map((w) => `${capital(w)}.`).join(' ')
        : state === 'unknown'
          ? `Whether ${what} goes from ${way} is not known: ${inWords(found.open)}.`
          : `${capital(what)} goes from ${way} by ${lead!.name}${use.within ? ', within the lead that feeds something: one fault takes both' : ''}.`,
    sum: 'No sum: ports and plugs are compared.',
    basis: '[math] like goes into like',
  });
}

function atEnd({ wrong, open }: Found, { use }: Signal, end: SignalEnd, way: 'out' | 'in'): void {
  const { port, part } = end;
  if (!port) return void open.push(`${part.name} has no such port`);
  const name = portName(end);
  const what = CARRIED[use.carries];
  if (port.carries === undefined) open.push(`what ${name} carries nobody said`);
  else if (port.carries !== use.carries)
    wrong.push(`${name} carries ${CARRIED[port.carries]}, no ${what}`);
  const can = goes(port, way);
  if (can === null)
    open.push(`whether ${name} ${way === 'out' ? 'sends' : 'takes in'} nobody said`);
  else if (!can)
    wrong.push(
      `${name} ${way === 'out' ? 'takes in and sends nothing' : 'sends and takes nothing in'}`,
    );
}

function byLead({ wrong, open }: Found, { use, from, to, lead }: Signal): void {
  const what = CARRIED[use.carries];
  if (!lead)
    return void open.push(
      use.within ? 'what it is to go within is fed by no lead' : 'by which lead nobody said',
    );
  const carries = leadCarries(lead, use.carries);
  if (carries === null) open.push(`whether ${lead.name} carries ${what} nobody said`);
  else if (!carries) wrong.push(`${lead.name} carries no ${what}`);
  if (!from?.port || !to?.port) return;
  const { fits } = leadBetween(from.port, lead, to.port);
  if (fits === true) return;
  const plug = (id: string | undefined) => plugOf(id)?.name ?? 'a plug that nobody named';
  if (fits === false)
    return void wrong.push(
      `${lead.name} has ${plug(lead.plug)} and ${plug(lead.plugTo)}; ${portName(from)} takes ${plug(from.port.plug)}, ${portName(to)} ${plug(to.port.plug)}`,
    );
  const unsaid = [
    ...[from, to].flatMap((e) =>
      e.port!.plug === undefined ? [`the socket of ${portName(e)}`] : [],
    ),
    ...(lead.plug === undefined || lead.plugTo === undefined ? [`the plugs of ${lead.name}`] : []),
  ];
  open.push(`${inWords(unsaid)} missing`);
}
