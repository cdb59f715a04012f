import type { Built } from '../../../build/build';
import { worst, type State, type Verdict } from '../../../checks/finding';
import type { Part, PortAt } from '../../../kit/types';
import { sendOffers, type SendOffer } from './sends';
import { CARRIED, goes, portsOn, signalsOn, type RigPort, type Signal } from './signals';
import type { PowerEdge, Tree, TreeNode } from './tree';

/** Something that sends or takes in, or one of the ports that it sends by. */
export interface SignalNode extends TreeNode {
  part: Part;
  port?: RigPort;
}

const partId = (at: Pick<PortAt, 'list' | 'id'>) => `part ${at.list}/${at.id}`;
const portId = (at: PortAt) => `port ${at.list}/${at.id}/${at.port}`;

/**
 * What is sent to what, to be drawn: what only sends at the left, its ports, what takes in at the right,
 * and the ports by which that sends on.
 *
 * @param verdicts what was said of the rig; states are theirs and nobody else's
 */
export function signalTree(built: Built, verdicts: readonly Verdict[]): Tree<SignalNode> {
  const ports = portsOn(built);
  const signals = signalsOn(built);
  const gets = new Map<string, string[]>();
  for (const { use, to } of signals)
    if (to) gets.set(partId(to.at), [...(gets.get(partId(to.at)) ?? []), CARRIED[use.carries]]);
  const used = new Set(signals.flatMap((s) => (s.from ? [portId(s.from.at)] : [])));
  const parts = new Map(ports.map((p) => [partId(p.at), p]));
  const senders = ports.filter((p) => goes(p.port, 'out') !== false || used.has(portId(p.at)));
  const sends = new Set(senders.map((p) => partId(p.at)));
  // What is sent to or from something without ports is there, too.
  for (const s of signals)
    for (const end of [s.from, s.to])
      if (end && !parts.has(partId(end.at))) parts.set(partId(end.at), end as RigPort);
  const said = sayings(verdicts);
  return {
    nodes: [
      ...[...parts].map(([id, { part }]): SignalNode => ({
        id,
        is: sends.has(id) && !gets.has(id) ? 'pack' : 'device',
        name: part.name,
        line: gets.has(id) ? `gets ${[...new Set(gets.get(id))].join(', ')}` : '',
        state: worstOf(
          signals.flatMap((s) => (s.to && partId(s.to.at) === id ? said.line(s, EVERY) : [])),
        ),
        part,
      })),
      ...senders.map((p): SignalNode => ({
        id: portId(p.at),
        is: 'outlet',
        name: p.port.name,
        line: `of ${p.part.name}${p.port.carries ? `, ${CARRIED[p.port.carries]}` : ''}`,
        state: said.of(`signal.port:${p.at.list}/${p.at.id}/${p.at.port}`),
        part: p.part,
        port: p,
      })),
    ],
    edges: [
      ...senders.map((p): PowerEdge => ({
        from: partId(p.at),
        to: portId(p.at),
        name: '',
        line: '',
        state: null,
      })),
      ...signals.flatMap((s): PowerEdge[] =>
        s.from && s.to
          ? [
              {
                from: s.from.port ? portId(s.from.at) : partId(s.from.at),
                to: partId(s.to.at),
                name: s.lead?.name ?? 'no lead chosen',
                line: CARRIED[s.use.carries],
                state: worstOf(said.line(s, LYING)),
              },
            ]
          : [],
      ),
    ],
  };
}

/** What is said of a lead; a tie more is one of the list. */
const LYING = /^(signal\.fit|cable\.(?!tie$))/;
const EVERY = /^signal\./;

function sayings(verdicts: readonly Verdict[]) {
  const byKey = new Map(verdicts.map((v) => [v.key, v.state]));
  return {
    of: (key: string): State | null => byKey.get(key) ?? null,
    line: ({ use }: Signal, which: RegExp): State[] =>
      verdicts.flatMap((v) =>
        which.test(v.id) &&
        (v.key === `signal.fit:${use.id}` || v.key === `${v.id}:signal:${use.id}`)
          ? [v.state]
          : [],
      ),
  };
}

const worstOf = (states: readonly State[]) => (states.length === 0 ? null : worst(states));

/** What a port could send to: for each box the best of its ports, or why none. */
export function sendsFrom(built: Built, from: RigPort): ReadonlyMap<string, SendOffer> {
  const best = new Map<string, SendOffer>();
  for (const o of sendOffers(built, from)) {
    const id = partId(o.to.at);
    const before = best.get(id);
    if (!before || CAN[o.can] < CAN[before.can]) best.set(id, o);
  }
  return best;
}

const CAN = { yes: 0, maybe: 1, no: 2 } as const;
