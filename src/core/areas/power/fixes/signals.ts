import { candidate, hire, type Candidate, type Generator } from '../../../checks/candidate';
import type { Built } from '../../../build/build';
import { freeLeads } from '../model/offers';
import { farthest, tiesFor } from '../model/run';
import { lineOfSignal, runAt } from '../model/lines';
import {
  CARRIED,
  goes,
  leadBetween,
  leadCarries,
  portName,
  portsOn,
  signalsOn,
  type RigPort,
  type Signal,
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
  [from, to].some((e) => e && key === `signal.port:${e.at.list}/${e.at.id}/${e.at.port}`);

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

/** What goes through it by another lead of the kit. */
function otherLeads(built: Built, { use, from, to, lead }: Signal): Candidate[] {
  if (!from?.port || !to?.port) return [];
  const [a, b] = [from.port, to.port];
  return freeLeads(built, use.lead)
    .filter(
      (l) =>
        l.id !== lead?.id &&
        leadBetween(a, l, b).fits === true &&
        leadCarries(l, use.carries) === true,
    )
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
  const used = new Set(
    signalsOn(built)
      .filter((x) => x !== s)
      .flatMap((x) =>
        [x.from, x.to].flatMap((e) => (e ? [`${e.at.list}/${e.at.id}/${e.at.port}`] : [])),
      ),
  );
  return (['from', 'to'] as const).flatMap((side) => {
    const [own, other] = [s[side], s[side === 'from' ? 'to' : 'from']];
    if (!own || !other?.port) return [];
    const free = portsOn(built).filter(
      (p) =>
        p.at.list === own.at.list &&
        p.at.id === own.at.id &&
        p.at.port !== own.at.port &&
        p.port.carries === use.carries &&
        goes(p.port, side === 'from' ? 'out' : 'in') === true &&
        !used.has(`${p.at.list}/${p.at.id}/${p.at.port}`),
    );
    return free.flatMap((p: RigPort) => {
      const [a, b] = side === 'from' ? [p.port, other.port!] : [other.port!, p.port];
      return freeLeads(built, use.lead)
        .filter((l) => leadBetween(a, l, b).fits === true && leadCarries(l, use.carries) === true)
        .map((l) =>
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
