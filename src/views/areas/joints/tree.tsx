'use client';

import { useState } from 'react';
import { treeOf, type Branch, type End } from '@/core/areas/joints/model/tree';
import { LabelledSelect } from '@/ui/labelled-select';
import { Section } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';

const ENDS = [
  { id: 'ground', name: 'what it is held by' },
  { id: 'lens', name: 'the lens, back' },
] as const;

/** The rig as a tree: what holds what, from one end. */
export function Tree({ facts }: { facts: RigFacts }) {
  const [end, setEnd] = useState<End>('ground');
  return (
    <Section title="What holds what">
      <LabelledSelect
        label="read from"
        value={end}
        options={ENDS}
        onPick={(id) => setEnd(id === 'lens' ? 'lens' : 'ground')}
      />
      <Branches list={treeOf(facts.built, end)} />
    </Section>
  );
}

function Branches({ list }: { list: readonly Branch[] }) {
  return (
    <ul className="border-l border-rule pl-3">
      {list.map((b) => (
        <li key={b.piece} className="py-0.5">
          <span>{[b.name, ...b.with].join(', ')}</span>
          {b.by === null && !b.tied ? null : (
            <span className="block text-sm text-soft">
              {[...(b.by === null ? [] : [b.by]), ...(b.tied ? ['a second tie'] : [])].join('; ')}
            </span>
          )}
          {b.holds.length > 0 ? <Branches list={b.holds} /> : null}
        </li>
      ))}
    </ul>
  );
}
