'use client';

import { useMemo, useState } from 'react';
import { build } from '@/core/build/build';
import { sideBySide } from '@/core/doc/side-by-side';
import { changesBetween } from '@/core/set/changes';
import type { RigFacts } from '@/views/bench/use-rig';
import { useSnapshot } from '@/views/store/store-context';

const NONE = '-';

/** The open configuration held against another one of the rig. */
export function useAgainst(facts: RigFacts) {
  const { doc, rigId, configuration } = useSnapshot();
  const [chosen, setChosen] = useState(NONE);
  const side = useMemo(() => (doc && rigId !== null ? sideBySide(doc, rigId) : null), [doc, rigId]);
  const from = side?.standings.find((s) => (s.id ?? '') === chosen) ?? null;
  const to = side?.standings.find((s) => (s.id ?? null) === (configuration ?? null)) ?? null;
  const same = from === to;
  const other = useMemo(
    () => (side && from && !same ? build(side.job, from.rig) : null),
    [side, from, same],
  );
  const changes = useMemo(
    () => (side && from && to && !same ? changesBetween(side.job, facts.base, from, to) : null),
    [side, from, to, same, facts.base],
  );
  const options = [
    { id: NONE, name: 'nothing' },
    ...(side?.standings ?? [])
      .filter((s) => s !== to)
      .map((s) => ({ id: s.id ?? '', name: s.name })),
  ];
  return {
    other,
    options,
    chosen: from && !same ? chosen : NONE,
    choose: setChosen,
    changes,
    from: from?.name ?? '',
  };
}

export type Against = ReturnType<typeof useAgainst>;

/** As many changes stand beside the picture; the rest is counted. */
const MOST = 9;

/** What the open configuration has other than the one it is held against. */
export function AgainstWords({ against: { changes, from } }: { against: Against }) {
  if (!changes) return null;
  const { list } = changes;
  return (
    <section
      aria-label={`Other than ${from}`}
      className="pointer-events-none absolute left-2 top-2 max-w-72 rounded-sm border border-rule bg-panel/90 p-2 text-sm"
    >
      <h3 className="font-semibold text-accent">Other than {from}</h3>
      {list.length === 0 ? <p>Nothing.</p> : null}
      <ul>
        {list.slice(0, MOST).map((c, i) => (
          <li key={i}>
            <span className="text-soft">{c.what}: </span>
            {c.text}
          </li>
        ))}
      </ul>
      {list.length > MOST ? <p className="text-soft">and {list.length - MOST} more</p> : null}
    </section>
  );
}
