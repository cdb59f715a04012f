'use client';

import { memo, useEffect, useMemo, useState } from 'react';
import { carriedWords } from '@/core/areas/carry/model/drawn';
import { forecastOf } from '@/core/areas/carry/model/log';
import { Button } from '@/ui/button';
import { Tabs } from '@/ui/tabs';
import { useLooking, type Bench } from '@/views/bench/bench';
import { BenchFindings } from '@/views/bench/findings-panel';
import { MeasurePanel } from '@/views/bench/measure-panel';
import { useUnderHand } from '@/views/bench/under-hand';
import { WithRig } from '@/views/bench/with-rig';
import { PrintButton } from '@/views/paper/print-button';
import { CarriedDrawing } from './carried-drawing';
import { CarryForm } from './carry-form';
import { CarryLog, type Draft } from './carry-log';
import { Masses } from './masses';

/** The rig as it hangs or stands, what it weighs, and how it is held. */
export function CarryView() {
  return <WithRig>{(bench) => <CarryPlace key={bench.job.id} bench={bench} />}</WithRig>;
}

const TABS = [
  { id: 'findings', name: 'Findings' },
  { id: 'held', name: 'Held' },
  { id: 'masses', name: 'Masses' },
  { id: 'measure', name: 'Measure' },
  { id: 'log', name: 'Log' },
] as const;

const NOTHING_MEASURED: Draft = { of: { what: 'scale' }, value: undefined };

const CarryPlace = memo(function CarryPlace({ bench }: { bench: Bench }) {
  const { job, rig, facts, litParts, setDraft, drop, advice, setArea } = bench;
  useLooking(bench);
  // Who comes here asks about this first; everything else is one choice away.
  useEffect(() => {
    setArea('carry');
    return () => setArea(null);
  }, [setArea]);
  const underHand = useUnderHand() ?? facts;
  const [tab, setTab] = useState<(typeof TABS)[number]['id']>('findings');
  const words = useMemo(() => carriedWords(facts.built), [facts.built]);
  const [set, setDown] = useState(false);
  const down = set && rig.carry?.also === 'table';
  const [drafted, setDrafted] = useState<{ rig: string; draft: Draft } | null>(null);
  // What was begun of another rig is not of this one.
  const log = drafted?.rig === rig.id ? drafted.draft : NOTHING_MEASURED;
  const setLog = (draft: Draft) => setDrafted({ rig: rig.id, draft });
  const edge = (axis: 'x' | 'z') =>
    tab === 'log' && log.of.what === 'edge' && log.of.axis === axis
      ? {
          at: log.value ?? forecastOf(facts.built, log.of)?.value ?? 0,
          onAt: (value: number) => setLog({ of: log.of, value }),
        }
      : null;
  const of = { down, litParts, dragging: bench.dragging, onDraft: setDraft, onDrop: drop };
  return (
    <div className="flex flex-col lg:grid lg:h-full lg:grid-cols-[minmax(0,1fr)_25rem]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}, carry`}</h1>
      <div className="flex min-h-0 min-w-0 flex-col">
        <div className="flex flex-wrap items-center gap-x-4 border-b border-rule px-3">
          <p className="min-w-0 flex-1 py-1.5">{words}</p>
          {rig.carry?.also === 'table' && rig.carry.by !== 'table' ? (
            <Ways down={down} onDown={setDown} />
          ) : null}
        </div>
        <div className="flex min-h-0 flex-1 flex-col lg:grid lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <CarriedDrawing facts={underHand} view="side" edge={edge('z')} {...of} />
          <div className="flex min-h-0 border-t border-rule lg:border-l lg:border-t-0">
            <CarriedDrawing facts={facts} view="front" edge={edge('x')} {...of} />
          </div>
        </div>
      </div>
      <section
        aria-label="How it is held and what is wrong with it"
        className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
      >
        <Tabs label="Findings, how it is held, masses" tabs={TABS} tab={tab} onTab={setTab}>
          {tab === 'findings' ? <BenchFindings underTab bench={bench} /> : null}
          {tab === 'held' ? <CarryForm facts={facts} /> : null}
          {tab === 'masses' ? <Masses facts={facts} /> : null}
          {tab === 'log' ? <CarryLog facts={facts} draft={log} onDraft={setLog} /> : null}
          {tab === 'measure' ? <MeasurePanel facts={facts} advice={advice} /> : null}
        </Tabs>
        <div className="flex items-center border-t border-rule px-2 py-0.5">
          <PrintButton />
        </div>
      </section>
    </div>
  );
});

/** As it is held, or as it is set down. */
function Ways({ down, onDown }: { down: boolean; onDown: (down: boolean) => void }) {
  return (
    <div role="group" aria-label="The rig as it is" className="flex items-center">
      {(
        [
          [false, 'Held'],
          [true, 'Set down'],
        ] as const
      ).map(([is, name]) => (
        <Button
          key={name}
          look="bare"
          aria-pressed={down === is}
          className={`!px-2 ${down === is ? 'text-ink underline decoration-accent decoration-[3px] underline-offset-8' : 'text-soft'}`}
          onClick={() => onDown(is)}
        >
          {name}
        </Button>
      ))}
    </div>
  );
}
