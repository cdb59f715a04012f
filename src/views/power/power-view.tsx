'use client';

import { memo, useEffect, useMemo, useState } from 'react';
import { signalTree } from '@/core/areas/power/model/signal-tree';
import { AT_WORK, powerTree } from '@/core/areas/power/model/tree';
import { Tabs } from '@/ui/tabs';
import { useLooking, type Bench } from '@/views/bench/bench';
import { BenchFindings } from '@/views/bench/findings-panel';
import { MeasurePanel } from '@/views/bench/measure-panel';
import { WithRig } from '@/views/bench/with-rig';
import { PrintButton } from '@/views/paper/print-button';
import { Cards } from './cards';
import { Feeds } from './feeds';
import { PowerDiagram } from './power-diagram';
import { SignalDiagram } from './signal-diagram';
import { Signals } from './signals';
import { Swaps } from './swaps';

/** What feeds what, by which lead, and for how long. */
export function PowerView() {
  return <WithRig>{(bench) => <PowerPlace key={bench.job.id} bench={bench} />}</WithRig>;
}

const TABS = [
  { id: 'findings', name: 'Findings' },
  { id: 'feeds', name: 'Fed by' },
  { id: 'signals', name: 'Signals' },
  { id: 'swaps', name: 'Packs' },
  { id: 'cards', name: 'Cards' },
  { id: 'measure', name: 'Measure' },
] as const;

const PowerPlace = memo(function PowerPlace({ bench }: { bench: Bench }) {
  const { job, rig, facts, advice, setArea } = bench;
  useLooking(bench);
  useEffect(() => {
    setArea('power');
    return () => setArea(null);
  }, [setArea]);
  const [tab, setTab] = useState<(typeof TABS)[number]['id']>('findings');
  const [shown, setShown] = useState(AT_WORK);
  const tree = useMemo(
    () => powerTree(facts.built, facts.verdicts, shown),
    [facts.built, facts.verdicts, shown],
  );
  const sent = useMemo(
    () => signalTree(facts.built, facts.verdicts),
    [facts.built, facts.verdicts],
  );
  return (
    <div className="flex flex-col lg:grid lg:h-full lg:grid-cols-[minmax(0,1fr)_25rem]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}, power`}</h1>
      {tab === 'signals' ? (
        <SignalDiagram facts={facts} tree={sent} />
      ) : (
        <PowerDiagram facts={facts} tree={tree} shown={shown} onShow={setShown} />
      )}
      <section
        aria-label="What feeds what, and what is wrong with it"
        className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
      >
        <Tabs label="Findings, what feeds each" tabs={TABS} tab={tab} onTab={setTab}>
          {tab === 'findings' ? <BenchFindings underTab bench={bench} /> : null}
          {tab === 'feeds' ? <Feeds facts={facts} /> : null}
          {tab === 'signals' ? <Signals facts={facts} /> : null}
          {tab === 'swaps' ? <Swaps facts={facts} /> : null}
          {tab === 'cards' ? <Cards facts={facts} /> : null}
          {tab === 'measure' ? <MeasurePanel facts={facts} advice={advice} /> : null}
        </Tabs>
        <div className="flex items-center border-t border-rule px-2 py-0.5">
          <PrintButton />
        </div>
      </section>
    </div>
  );
});
