'use client';

import { X } from 'lucide-react';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { Tabs } from '@/ui/tabs';
import type { Bench } from '@/views/bench/bench';
import { BenchFindings } from '@/views/bench/findings-panel';
import { BenchMeasure } from '@/views/bench/measure-panel';

const TABS = [
  { id: 'findings', name: 'Findings' },
  { id: 'measure', name: 'Measure next' },
] as const;

/** What is wrong and what to measure, beside any place, or over it where there is no room. */
export function Dock({
  bench,
  over,
}: {
  bench: Bench;
  /** Over the place, as a sheet. */
  over: boolean;
}) {
  const tab = bench.panel === 'measure' ? 'measure' : 'findings';
  const close = () => bench.setDocked(false);
  const panels = (
    <Tabs label="Findings, measuring" tabs={TABS} tab={tab} onTab={bench.setPanel}>
      {tab === 'findings' ? (
        <BenchFindings underTab bench={bench} headingId="dock-findings" />
      ) : (
        <BenchMeasure bench={bench} headingId="dock-measure" />
      )}
    </Tabs>
  );
  if (over)
    return (
      <Dialog open onOpenChange={close} title={bench.rig.name} side>
        <div className="-m-4 flex h-[calc(100%+2rem)] flex-col">{panels}</div>
      </Dialog>
    );
  return (
    <aside
      aria-label={`Findings of ${bench.rig.name}`}
      className="relative flex min-h-0 w-[25rem] shrink-0 flex-col border-l border-rule bg-panel"
    >
      <Button
        look="bare"
        className="absolute right-0 top-0 z-10 w-11 px-0"
        aria-label="Close the findings"
        onClick={close}
      >
        <X size={18} aria-hidden="true" />
      </Button>
      {panels}
    </aside>
  );
}
