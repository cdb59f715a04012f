'use client';

import type { RigFacts } from '@/views/bench/use-rig';
import { useEdit, Section, Length, Amount } from '@/views/bench/panel-parts';
import { Overridden } from '@/views/bench/overridden';
import { setLimits } from '@/core/areas/space/moves/fitted';

export function Limits({ facts }: { facts: RigFacts }) {
  const edit = useEdit();
  const { rig } = facts;
  const now = rig.limits ?? {};
  const keep = (
    key: 'height' | 'width' | 'length' | 'standsAt' | 'mass',
    v: number | undefined,
  ) => {
    const { [key]: _gone, ...rest } = now;
    const next = v === undefined ? rest : { ...rest, [key]: v };
    const empty = Object.keys(next).filter((k) => k !== 'name').length === 0;
    edit(setLimits(rig, empty ? undefined : next));
  };
  return (
    <Section title={`Has to fit${now.name ? `: ${now.name}` : ''}`}>
      <Overridden field="limits" name="what it has to fit into" />
      <Length label="height at most" value={now.height} onKeep={(v) => keep('height', v)} />
      <Length
        label="it stands at"
        value={now.standsAt}
        hint="0"
        onKeep={(v) => keep('standsAt', v)}
      />
      <Length label="width at most" value={now.width} onKeep={(v) => keep('width', v)} />
      <Length label="length at most" value={now.length} onKeep={(v) => keep('length', v)} />
      <Amount unit="g" label="mass at most" value={now.mass} onKeep={(v) => keep('mass', v)} />
    </Section>
  );
}
