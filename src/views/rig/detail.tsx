'use client';

import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import type { Setting } from '@/core/areas/front/model/situations';
import { Tabs } from '@/ui/tabs';
import type { RigFacts, Shading } from '../bench/use-rig';

/** Charts and forms come when their tab is first opened: they are not needed to see the rig. */
const Figures = dynamic(() => import('./figures').then((m) => m.Figures), {
  ssr: false,
  loading: Loading,
});
const Corners = dynamic(() => import('../areas/front/corners-panel'), {
  ssr: false,
  loading: Loading,
});
const Light = dynamic(() => import('../areas/light/light-panel'), { ssr: false, loading: Loading });

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
  return (
    <section
      aria-label="Figures, corners, light"
      className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
    >
      <Tabs
        label="Figures, corners, light"
        tabs={TABS}
        tab={tab}
        onTab={setTab}
        panelClass="overflow-auto px-3 pb-2"
      >
        {tab === 'figures' ? <Figures facts={facts} /> : null}
        {tab === 'corners' ? (
          <Corners facts={facts} shading={shading} onSetting={onSetting} />
        ) : null}
        {tab === 'light' ? <Light facts={facts} /> : null}
      </Tabs>
    </section>
  );
});
