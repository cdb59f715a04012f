'use client';

import { useState } from 'react';
import { deviceKey, feedsOn, type Feed } from '@/core/areas/power/model/fed';
import { lineOfSignal } from '@/core/areas/power/model/lines';
import { freeLeads } from '@/core/areas/power/model/offers';
import { sendersOn, sendOffers, type SendOffer } from '@/core/areas/power/model/sends';
import {
  CARRIED,
  leadBetween,
  leadCarries,
  portName,
  signalsOn,
  type RigPort,
  type Signal,
} from '@/core/areas/power/model/signals';
import { send, setItsLead, setSignal, setWithin, unsend } from '@/core/areas/power/moves/signal';
import { Button } from '@/ui/button';
import { Choose, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { Lies, Tied, TiedTo, Ties } from './line-parts';

/** What is sent from one part of the rig to another: picture, sound, control, data. */
export function Signals({ facts }: { facts: RigFacts }) {
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-3">
      <h2 className="sr-only">What is sent to what</h2>
      {signalsOn(facts.built).map((s) => (
        <One key={s.use.id} facts={facts} signal={s} />
      ))}
      <New facts={facts} />
    </div>
  );
}

/** `Picture to Pane 5`. */
const titleOf = ({ use, to }: Signal) => {
  const what = CARRIED[use.carries];
  return `${what[0]!.toUpperCase()}${what.slice(1)} to ${to?.part.name ?? 'something that is not on'}`;
};

function One({ facts, signal }: { facts: RigFacts; signal: Signal }) {
  const edit = useEdit();
  const { rig } = facts;
  const { use, from, to, lead } = signal;
  const line = lineOfSignal(signal);
  const set = (said: Parameters<typeof setSignal>[2], title: string) =>
    edit(setSignal(rig, use, said, title));
  return (
    <Section title={titleOf(signal)}>
      <p>
        {from ? portName(from) : 'something that is not on the rig'} to{' '}
        {to ? portName(to) : 'something that is not on the rig'}
      </p>
      <ByLead facts={facts} signal={signal} />
      {line && lead ? (
        <>
          <Tied
            line={line}
            onSet={(tied) =>
              set(
                { tied: tied ? true : undefined },
                tied ? `Tie ${lead.name} at its plugs` : `${lead.name} is not tied`,
              )
            }
          />
          {line.via ? null : (
            <Ties
              line={line}
              onSet={(ties) =>
                set(
                  { ties },
                  ties === undefined
                    ? `How often ${lead.name} is tied is left open`
                    : `Tie ${lead.name} ${ties === 1 ? 'once' : `${ties} times`} on its way`,
                )
              }
            />
          )}
          <TiedTo facts={facts} line={line} />
          <Lies facts={facts} line={line} />
        </>
      ) : null}
      <Button
        className="mt-1"
        onClick={() => edit(unsend(rig, use, `No more ${titleOf(signal).toLowerCase()}`))}
      >
        Take it off
        <span className="sr-only">: {titleOf(signal)}</span>
      </Button>
    </Section>
  );
}

function ByLead({ facts: { built, rig }, signal }: { facts: RigFacts; signal: Signal }) {
  const edit = useEdit();
  const { use, from, to } = signal;
  const isWithin = (f: Feed) =>
    use.within !== undefined && deviceKey(use.within) === deviceKey(f.device);
  const suits = (l: Parameters<typeof leadCarries>[0]) => {
    if (!from?.port || !to?.port) return '';
    const { fits } = leadBetween(from.port, l, to.port);
    const carries = leadCarries(l, use.carries);
    if (fits === false || carries === false) return ', does not fit';
    return fits === true && carries === true ? ', fits' : '';
  };
  return (
    <Choose
      label="lead"
      value={use.lead ?? (use.within ? `within ${deviceKey(use.within)}` : '')}
      none={null}
      options={[
        {
          id: '',
          name: 'none chosen',
          pick: () =>
            edit(
              setItsLead(
                rig,
                use,
                undefined,
                `Leave open by which lead it goes to ${to?.part.name ?? 'it'}`,
              ),
            ),
        },
        ...feedsOn(built).flatMap((f) =>
          f.lead && (f.lead.carriesToo !== undefined || isWithin(f))
            ? [
                {
                  id: `within ${deviceKey(f.device)}`,
                  name: `within ${f.lead.name}, that feeds ${f.device.part.name}`,
                  pick: () => edit(setWithin(rig, use, f.device, `Send it within ${f.lead!.name}`)),
                },
              ]
            : [],
        ),
        ...freeLeads(built, use.lead)
          .map((l) => ({ l, said: suits(l) }))
          .filter(({ l, said }) => l.id === use.lead || said !== ', does not fit')
          .map(({ l, said }) => ({
            id: l.id,
            name: `${l.name}${said}`,
            pick: () => edit(setItsLead(rig, use, l.id, `Send it by ${l.name}`)),
          })),
      ]}
    />
  );
}

/** One more: out of which port, then into which. */
function New({ facts: { built, rig } }: { facts: RigFacts }) {
  const edit = useEdit();
  const [picked, setPicked] = useState('');
  const senders = sendersOn(built);
  const idOf = ({ at }: RigPort) => `${at.list}/${at.id}/${at.port}`;
  const from = senders.find((p) => idOf(p) === picked);
  if (senders.length === 0)
    return (
      <p className="text-soft">
        Nothing on this rig has a port to send from. Ports stand on the sheet of a part.
      </p>
    );
  return (
    <Section title="Send something">
      <Choose
        label="out of"
        value={picked}
        none="a port"
        options={senders.map((p) => ({
          id: idOf(p),
          name: `${portName(p)}${p.port.carries ? `, ${CARRIED[p.port.carries]}` : ''}`,
          pick: () => setPicked(idOf(p)),
        }))}
      />
      {from ? (
        <ul className="mt-1 flex flex-col gap-1">
          {sendOffers(built, from).map((o) => (
            <li key={idOf(o.to)}>
              <Into
                offer={o}
                onPick={() => {
                  edit(
                    send(
                      rig,
                      o.carries,
                      { from: from.at, to: o.to.at, ...(o.lead ? { lead: o.lead.id } : {}) },
                      `Send ${CARRIED[o.carries]} from ${portName(from)} to ${o.to.part.name}`,
                    ),
                  );
                  setPicked('');
                }}
              />
            </li>
          ))}
        </ul>
      ) : null}
    </Section>
  );
}

/** A port that it can go into; of one that cannot take it only why. */
function Into({ offer, onPick }: { offer: SendOffer; onPick: () => void }) {
  const name = portName(offer.to);
  if (offer.can === 'no')
    return (
      <p className="text-soft">
        {name}: {offer.why}
      </p>
    );
  return (
    <Button className="w-full justify-start text-left" onClick={onPick}>
      {name}: {offer.why}
    </Button>
  );
}
