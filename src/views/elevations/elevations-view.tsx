'use client';

import dynamic from 'next/dynamic';
import {
  memo,
  useCallback,
  useDeferredValue,
  useId,
  useMemo,
  useState,
  type KeyboardEvent,
} from 'react';
import type { View } from '@/core/drawing/project';
import type { Edit } from '@/core/solve/edit';
import type { Job, Rig } from '@/core/kit/types';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { FindingsPanel } from '@/views/rig/findings-panel';
import { MeasurePanel } from '@/views/rig/measure-panel';
import { useBench } from '@/views/rig/use-bench';
import { WithRig } from '@/views/rig/with-rig';
import { ElevationDrawing } from './elevation-drawing';

const BesidePanel = dynamic(() => import('./beside-panel'), { ssr: false });

/** The rig from the side, from above and from the front; what stands on it and what is wrong with it. */
export function ElevationsView() {
  return <WithRig>{(job, rig) => <Bench key={job.id} job={job} rig={rig} />}</WithRig>;
}

const TABS = [
  { id: 'findings', name: 'Findings' },
  { id: 'parts', name: 'Under and beside' },
  { id: 'measure', name: 'Measure next' },
] as const;
type Tab = (typeof TABS)[number]['id'];

const Bench = memo(function Bench({ job: kept, rig: keptRig }: { job: Job; rig: Rig }) {
  const bench = useBench(kept, keptRig);
  const { job, rig, facts, lit, litParts, picked, setPicked, advice, setDraft, drop } = bench;
  // While something is dragged the view under the hand comes first; the others follow in between.
  const [held, setHeld] = useState<View | null>(null);
  const later = useDeferredValue(facts);
  const follows = bench.dragging ? later : facts;
  const hold = useMemo(() => {
    const of = (view: View) => (edit: Edit | null) => {
      setHeld(view);
      setDraft(edit);
    };
    return { side: of('side'), top: of('top'), front: of('front') };
  }, [setDraft]);
  const [tab, setTab] = useState<Tab>('findings');
  const id = useId();
  const pick = useCallback(
    (key: string) => {
      setPicked(key);
      setTab('findings');
    },
    [setPicked],
  );
  const drawing = (view: View) => ({
    view,
    facts: view === held ? facts : follows,
    lit,
    litParts,
    onPick: pick,
    onDraft: hold[view],
    onDrop: drop,
  });
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
    <div className="flex flex-col lg:grid lg:h-full lg:grid-cols-[minmax(0,1fr)_25rem]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}, elevations`}</h1>
      <div className="flex min-h-0 min-w-0 flex-col lg:grid lg:grid-rows-[minmax(0,56fr)_minmax(0,44fr)]">
        <ElevationDrawing {...drawing('side')} />
        <div className="flex min-h-0 flex-col border-t border-rule lg:grid lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
          <ElevationDrawing {...drawing('top')} few />
          <div className="flex min-h-0 border-rule lg:border-l">
            <ElevationDrawing {...drawing('front')} few />
          </div>
        </div>
      </div>
      <section
        aria-label="What is on it and what is wrong with it"
        className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
      >
        <div
          role="tablist"
          aria-label="Findings, parts, measuring"
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
              className="min-h-11 border-b-[3px] border-transparent px-2.5 font-semibold text-soft hover:text-ink aria-selected:border-accent aria-selected:text-ink"
            >
              {t.name}
            </button>
          ))}
        </div>
        <div
          id={`${id}panel`}
          role="tabpanel"
          aria-labelledby={`${id}${tab}`}
          className="flex min-h-0 flex-1 flex-col"
        >
          {tab === 'findings' ? (
            <FindingsPanel
              facts={follows}
              advice={advice}
              lit={lit}
              picked={picked}
              onPick={setPicked}
            />
          ) : null}
          {tab === 'parts' ? (
            <div className="min-h-0 flex-1 overflow-auto p-3">
              <BesidePanel facts={facts} />
            </div>
          ) : null}
          {tab === 'measure' ? <MeasurePanel facts={facts} advice={advice} /> : null}
        </div>
        <Exports facts={facts} />
      </section>
    </div>
  );
});

/** The three views and the placed parts as files. */
function Exports({ facts }: { facts: ReturnType<typeof useBench>['facts'] }) {
  const name =
    facts.rig.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'rig';
  const save = async (kind: 'svg' | 'dxf' | 'csv') => {
    const { built } = facts;
    if (kind === 'svg') {
      const { toSvg } = await import('@/core/drawing/svg');
      saveFile(`${name}.svg`, toSvg(built), 'image/svg+xml');
    } else if (kind === 'dxf') {
      const { toDxf } = await import('@/core/drawing/dxf');
      saveFile(`${name}.dxf`, toDxf(built), 'image/vnd.dxf');
    } else {
      const { partsCsv } = await import('@/core/drawing/parts-csv');
      saveFile(`${name}-parts.csv`, partsCsv(built), 'text/csv');
    }
  };
  return (
    <div className="flex items-center gap-1 border-t border-rule px-2 py-0.5">
      <span className="px-1 text-sm text-soft">Save the views as</span>
      <Button look="bare" onClick={() => void save('svg')}>
        SVG
      </Button>
      <Button look="bare" onClick={() => void save('dxf')}>
        DXF
      </Button>
      <span className="px-1 text-sm text-soft">the parts as</span>
      <Button look="bare" onClick={() => void save('csv')}>
        CSV
      </Button>
    </div>
  );
}
