import { candidate, hire, type Candidate, type Generator } from '../../../checks/candidate';
import type { Built } from '../../../build/build';
import { farthest, tiesFor } from '../model/run';
import { lineOfSignal, runAt } from '../model/lines';
import { idOf, leadsFor, usedPorts } from '../model/sends';
import {
  CARRIED,
  goes,
  portName,
  portsOn,
  signalsOn,
  type RigPort,
  type Signal,
  type SignalEnd,
} from '../model/signals';
import { setSignal } from '../moves/signal';

/** Another lead, another port, a tie: for what goes through a lead and feeds nothing. */
export const otherSignals: Generator = (built, v) => {
  const s = signalsOn(built).find((x) => concerns(v.key, x));
  if (!s) return [];
  if (v.id === 'cable.lock' || v.id === 'cable.strain') return tied(built, s);
  if (v.id === 'cable.tie') return tiedOnWay(built, s);
  return [...otherLeads(built, s), ...otherPorts(built, s)];
};

/** Whether what is said is said of this one. */
const concerns = (key: string, { use, from, to }: Signal): boolean =>
  key === `signal.fit:${use.id}` ||
  (key.startsWith('cable.') && key.endsWith(`:signal:${use.id}`)) ||
  [from, to].some((e) => e && key === `signal.port:${idOf(e)}`);

const tied = (built: Built, { use, lead }: Signal): Candidate[] =>
  lead
    ? [
        candidate(
          setSignal(built.rig, use, { tied: true }, `Tie ${lead.name} at its plugs`),
          0,
          0,
          'tie',
        ),
      ]
    : [];

function tiedOnWay(built: Built, s: Signal): Candidate[] {
  const line = lineOfSignal(s);
  const run = line && runAt(built, line);
  const far = run && run.missing.length === 0 ? farthest(run) : Infinity;
  if (!s.lead || !Number.isFinite(far)) return [];
  const ties = tiesFor(far, built.rules['cable.tie']);
  const often = ties === 1 ? 'once' : `${ties} times`;
  return [
    candidate(
      setSignal(built.rig, s.use, { ties }, `Tie ${s.lead.name} ${often} on its way`),
      0,
      0,
      'tie',
    ),
  ];
}

const isPort = (end: SignalEnd | null): end is RigPort => end?.port !== null && end !== null;

/** What goes through it by another lead of the kit. */
function otherLeads(built: Built, { use, from, to, lead }: Signal): Candidate[] {
  if (!isPort(from) || !isPort(to)) return [];
  return leadsFor(built, from, to, use.carries, use.lead)
    .filter((l) => l.id !== lead?.id)
    .map((l) =>
      candidate(
        setSignal(
          built.rig,
          use,
          { lead: l.id },
          `Send ${CARRIED[use.carries]} from ${portName(from)} to ${to.part.name} by ${l.name}`,
        ),
        1,
        0.1,
        'lead',
        hire(l),
      ),
    );
}

/** By another port of the same part, with a lead that goes there. */
function otherPorts(built: Built, s: Signal): Candidate[] {
  const { use } = s;
  const used = usedPorts(built, s);
  return (['from', 'to'] as const).flatMap((side) => {
    const [own, other] = side === 'from' ? [s.from, s.to] : [s.to, s.from];
    if (!own || !isPort(other)) return [];
    const free = portsOn(built).filter(
      (p) =>
        p.at.list === own.at.list &&
        p.at.id === own.at.id &&
        p.at.port !== own.at.port &&
        p.port.carries === use.carries &&
        goes(p.port, side === 'from' ? 'out' : 'in') === true &&
        !used.has(idOf(p)),
    );
    return free.flatMap((p) => {
      const [a, b] = side === 'from' ? [p, other] : [other, p];
      return leadsFor(built, a, b, use.carries, use.lead).map((l) =>
        candidate(
          setSignal(
            built.rig,
            use,
            { [side]: p.at, lead: l.id },
            `${side === 'from' ? 'Send it out of' : 'Take it in by'} ${portName(p)} by ${l.name}`,
          ),
          l.id === use.lead ? 0 : 1,
          0.3,
          'port',
          hire(l),
        ),
      );
    });
  });
}
