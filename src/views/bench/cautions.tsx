'use client';

import { useMemo } from 'react';
import { cautions } from '@/core/areas/cautions';
import type { RigFacts } from './use-rig';

/** What always holds where the work is dangerous: short, once each, and not to be put away. */
export function Cautions({ facts }: { facts: RigFacts }) {
  const list = useMemo(() => cautions(facts.built, facts.verdicts), [facts]);
  if (list.length === 0) return null;
  return (
    <ul aria-label="Cautions" className="mt-2 border-t border-rule px-2 pt-2 text-sm">
      {list.map((c) => (
        <li key={c} className="py-0.5">
          {c}
        </li>
      ))}
    </ul>
  );
}
