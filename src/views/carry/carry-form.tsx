'use client';

import { useMemo } from 'react';
import { lyingOf } from '@/core/areas/carry/model/lying';
import { putCarrier } from '@/core/areas/carry/moves/carrier';
import { holdBy, setCarry } from '@/core/areas/carry/moves/carry';
import { HOLDS, HOLD_KINDS } from '@/core/areas/carry/model/hold';
import { CARRIER_KINDS, type CarrierKind } from '@/core/areas/carry/kit/parts';
import { setHold } from '@/core/areas/joints/moves/seat';
import { without } from '@/core/edit/rig-path';
import { KIND_NAME } from '@/core/kit/fields';
import { isCarrier, type CarryUse } from '@/core/kit/types';
import { Amount, Choose, Columns, Length, Section, useEdit } from '@/views/bench/panel-parts';
import { Overridden } from '@/views/bench/overridden';
import type { RigFacts } from '@/views/bench/use-rig';
import { HeightsDrawing } from './heights-drawing';
import { Profile } from './profile';

/** How the rig is held and carried, what it should weigh, how high it comes. */
export function CarryForm({ facts }: { facts: RigFacts }) {
  return (
    <div className="min-h-0 flex-1 overflow-auto p-3">
      <Columns>
        <Held facts={facts} />
        <Carriers facts={facts} />
        <HeightsDrawing facts={facts} />
        <Wanted facts={facts} />
        <Lying facts={facts} />
        <Profile />
      </Columns>
    </div>
  );
}

function Held({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { rig, built } = facts;
  const carry = rig.carry ?? {};
  const ways = (pick: (by: CarryUse['by']) => void, none: string) => [
    { id: '', name: none, pick: () => pick(undefined) },
    ...HOLD_KINDS.map((id) => ({ id: id as string, name: HOLDS[id].name, pick: () => pick(id) })),
  ];
  return (
    <Section title="How it is held">
      <Overridden field="carry" name="how it is carried" />
      <Choose
        label="held"
        none={null}
        value={carry.by ?? ''}
        options={ways((by) => edit(holdBy(rig, by)), 'nobody said')}
      />
      <Choose
        label="held by"
        none={null}
        value={rig.hold ?? ''}
        options={[
          {
            id: '',
            name: 'as it is held: the only one',
            pick: () => edit(setHold(rig, undefined, '')),
          },
          ...(rig.fitted ?? []).map((u) => {
            const name = built.kit.get(u.part)?.name ?? u.part;
            return { id: u.id, name, pick: () => edit(setHold(rig, u.id, name)) };
          }),
        ]}
      />
      <Length
        label="ahead of its middle"
        value={carry.z}
        hint="nobody said"
        onKeep={(z) => edit(setCarry(rig, { z }, 'Say where it is held'))}
      />
      <Length
        label="right of its middle"
        value={carry.x}
        hint="0"
        onKeep={(x) => edit(setCarry(rig, { x }, 'Say where it is held'))}
      />
      <Choose
        label="and besides"
        none={null}
        value={carry.also ?? ''}
        options={ways(
          (also) =>
            edit(setCarry(rig, { also }, also ? `Besides ${HOLDS[also].name}` : 'Nothing besides')),
          'nothing',
        )}
      />
    </Section>
  );
}

/** What carries it: one of each kind. */
function Carriers({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { rig, job, built } = facts;
  const uses = rig.carriers ?? [];
  const of = (kind: CarrierKind) => uses.find((u) => built.kit.get(u.part)?.kind === kind);
  const kinds = CARRIER_KINDS.filter((k) => job.kit.some((p) => p.kind === k));
  return (
    <Section title="On what">
      {kinds.length === 0 ? (
        <p className="text-soft">
          No head, legs or gimbal is in the kit. Add one there, of your own or a typical one.
        </p>
      ) : null}
      {kinds.map((kind) => {
        const now = of(kind);
        return (
          <Choose
            key={kind}
            label={KIND_NAME[kind].one}
            none={null}
            value={now?.part ?? ''}
            options={[
              {
                id: '',
                name: 'none',
                pick: () =>
                  now &&
                  edit({
                    title: `Take ${built.kit.get(now.part)?.name ?? now.part} off`,
                    changes: [without(rig, 'carriers', now.id)],
                  }),
              },
              ...job.kit
                .filter(isCarrier)
                .filter((p) => p.kind === kind)
                .map((p) => ({
                  id: p.id,
                  name: p.name,
                  pick: () => edit(putCarrier(rig, p, now ? [now.id] : [])),
                })),
            ]}
          />
        );
      })}
    </Section>
  );
}

/** Which of its sides it can be laid on, the safest first. */
function Lying({ facts: { built } }: { facts: RigFacts }) {
  const ways = useMemo(() => lyingOf(built), [built]);
  if (ways.length === 0) return null;
  return (
    <Section title="To lay it down">
      <ul>
        {ways.map((l) => (
          <li key={l.side} className={l.safe ? 'py-0.5' : 'py-0.5 text-soft'}>
            {l.safe ? <span className="font-semibold">can lie </span> : null}
            {l.text}
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft">As it is drawn; ports are not looked at.</p>
    </Section>
  );
}

function Wanted({ facts: { rig } }: { facts: RigFacts }) {
  const edit = useEdit();
  const carry = rig.carry ?? {};
  const keep = (key: keyof CarryUse, title: string) => (v: number | undefined) =>
    edit(setCarry(rig, { [key]: v }, title));
  return (
    <Section title="What is wanted">
      <Amount
        unit="g"
        label="weighs at least"
        value={carry.least}
        onKeep={keep('least', 'Say what it should weigh')}
      />
      <Amount
        unit="g"
        label="weighs at most"
        value={carry.most}
        onKeep={keep('most', 'Say what it may weigh')}
      />
      <Amount
        unit="min"
        label="held in one go"
        value={carry.minutes}
        onKeep={keep('minutes', 'Say how long it is held')}
      />
    </Section>
  );
}
