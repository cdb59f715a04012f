'use client';

import { useState } from 'react';
import type { Operator } from '@/core/kit/operator';
import { readOperator } from '@/core/kit/read-operator';
import { Button } from '@/ui/button';
import { Amount, Choose, Length, Section } from '@/views/bench/panel-parts';
import { keepOperator, operator } from '@/views/store/operator';

/** Who holds it: heights, and what they can just hold. On this device, and in no file of a job. */
export function Profile() {
  const [who, setWho] = useState<Operator>(() => operator() ?? {});
  const [trouble, setTrouble] = useState<string | null>(null);
  const changed = JSON.stringify(who) !== JSON.stringify(operator() ?? {});
  const set = (key: keyof Operator) => (value: unknown) => {
    const { [key]: _gone, ...rest } = who;
    setWho(value === undefined ? rest : { ...rest, [key]: value });
  };
  const keep = () => {
    const read = readOperator(who);
    if (!read.ok) setTrouble(read.error);
    else if (keepOperator(read.value)) location.reload();
    else setTrouble('This browser keeps nothing, so it cannot keep who you are.');
  };
  return (
    <Section title="You, on this device">
      <p className="text-sm text-soft">
        Kept in this browser only. What rests on it is unknown where it is empty. Lifting and long
        holds hurt backs and wrists: two people, breaks, support; what you lift is yours to judge.
      </p>
      <Length
        label="shoulder"
        value={who.shoulder}
        hint="over the floor"
        onKeep={set('shoulder')}
      />
      <Length label="eyes" value={who.eyes} hint="over the floor" onKeep={set('eyes')} />
      <Length label="belt" value={who.belt} hint="over the floor" onKeep={set('belt')} />
      <Length label="hand, hanging" value={who.hand} hint="over the floor" onKeep={set('hand')} />
      <Length
        label="cheek"
        value={who.cheek}
        hint="off the middle of the shoulder"
        onKeep={set('cheek')}
      />
      <Choose
        label="hand that holds"
        none={null}
        value={who.handed ?? ''}
        options={[
          { id: '', name: 'not said', pick: () => set('handed')(undefined) },
          { id: 'right', name: 'right', pick: () => set('handed')('right') },
          { id: 'left', name: 'left', pick: () => set('handed')('left') },
        ]}
      />
      <Amount unit="g" label="in one hand" value={who.one} hint="just" onKeep={set('one')} />
      <Amount unit="g" label="in two hands" value={who.two} hint="just" onKeep={set('two')} />
      <Amount
        unit="g"
        label="on the shoulder"
        value={who.onShoulder}
        hint="just"
        onKeep={set('onShoulder')}
      />
      {trouble ? (
        <p role="status" className="text-fail">
          {trouble}
        </p>
      ) : null}
      {changed ? (
        <Button className="mt-1" onClick={keep}>
          Keep on this device
        </Button>
      ) : null}
    </Section>
  );
}
