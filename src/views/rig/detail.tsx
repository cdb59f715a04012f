'use client';

import dynamic from 'next/dynamic';
import { memo, useId, useState, type KeyboardEvent } from 'react';
import type { Setting } from '@/core/areas/front/situations';
import type { RigFacts, Shading } from './use-rig';

/** Charts and forms come when their tab is first opened: they are not needed to see the rig. */
const Figures = dynamic(() => import('./figures').then((m) => m.Figures), {
  ssr: false,
  loading: Loading,
});
const Corners = dynamic(() => import('./corners-panel'), { ssr: false, loading: Loading });
const Light = dynamic(() => import('./light-panel'), { ssr: false, loading: Loading });

function Loading() {
  return (
    <p className="py-2 text-soft" role="status">
      Getting it out ...
    </p>
  );
}

const TABS = [
  { id: 'figures', name: 'Figures' },
  { id: 'corners', name: 'Corners' },
  { id: 'light', name: 'Light' },
] as const;
type Tab = (typeof TABS)[number]['id'];

/** The third column: figures, corners, light. */
export const Detail = memo(function Detail({
  facts,
  shading,
  onSetting,
}: {
  facts: RigFacts;
  shading: Shading;
  onSetting: (s: Setting | null) => void;
}) {
  const [tab, setTab] = useState<Tab>('figures');
  const id = useId();
  const step = (e: KeyboardEvent) => {
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    e.preventDefault();
    const at = TABS.findIndex((t) => t.id === tab);
    const next = TABS[(at + by + TABS.length) % TABS.length]!.id;
    setTab(next);
    document.getElementById(`${id}${next}`)?.focus();
  };
  return (
    <section
      aria-label="Figures, corners, light"
      className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
    >
      <div
        role="tablist"
        aria-label="Figures, corners, light"
        className="flex border-b border-rule px-1"
      >
        {TABS.map((t) => (
          <button
            key={t.id}
            id={`${id}${t.id}`}
            type="button"
            role="tab"
            aria-selected={tab === t.id}
            aria-controls={`${id}panel`}
            tabIndex={tab === t.id ? 0 : -1}
            onClick={() => setTab(t.id)}
            onKeyDown={step}
            className="min-h-11 border-b-[3px] border-transparent px-3 font-semibold text-soft hover:text-ink aria-selected:border-accent aria-selected:text-ink"
          >
            {t.name}
          </button>
        ))}
      </div>
      <div
        id={`${id}panel`}
        role="tabpanel"
        aria-labelledby={`${id}${tab}`}
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto px-3 pb-2"
      >
        {tab === 'figures' ? <Figures facts={facts} /> : null}
        {tab === 'corners' ? (
          <Corners facts={facts} shading={shading} onSetting={onSetting} />
        ) : null}
        {tab === 'light' ? <Light facts={facts} /> : null}
      </div>
    </section>
  );
});
