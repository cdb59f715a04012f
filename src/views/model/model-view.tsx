'use client';

import { forFile } from '@/core/quantity/shown';
import { PrintButton } from '@/views/paper/print-button';
import dynamic from 'next/dynamic';
import { memo, useCallback, useDeferredValue, useMemo, useState, type ComponentProps } from 'react';
import type { View } from '@/core/drawing/project';
import type { Edit } from '@/core/edit/edit';
import { Button } from '@/ui/button';
import { saveFile } from '@/ui/file';
import { useLooking, type Bench } from '@/views/bench/bench';
import { BenchFindings } from '@/views/bench/findings-panel';
import type { RigFacts } from '@/views/bench/use-rig';
import { Tabs } from '@/ui/tabs';
import { MeasurePanel } from '@/views/bench/measure-panel';
import { useUnderHand } from '@/views/bench/under-hand';
import { WithRig } from '@/views/bench/with-rig';
import type { TriedPlace } from '@/core/solve/places';
import { RangeDrawn, useLoadLayer } from '@/views/areas/joints/load-layer';
import { freePins, PlacePins, pinsOf, type Pin } from '@/views/areas/joints/place-pins';
import { useFree, usePlacing } from '@/views/areas/joints/placing';
import { ElevationDrawing } from './elevation-drawing';
import { useTying } from './tying';
import type { Sheet } from '@/views/bench/sheet';

const JointsPanel = dynamic(() => import('@/views/areas/joints/joints-panel'), { ssr: false });
const TurnView = dynamic(() => import('./turn/turn-view'), { ssr: false });
const BesidePanel = dynamic(() => import('@/views/areas/beside-panel'), { ssr: false });

/** The rig from the side, from above and from the front; what stands on it and what is wrong with it. */
export function ModelView() {
  return <WithRig>{(bench) => <ModelPlace key={bench.job.id} bench={bench} />}</WithRig>;
}

const TABS = [
  { id: 'findings', name: 'Findings' },
  { id: 'parts', name: 'On the rig' },
  { id: 'joints', name: 'Joints' },
  { id: 'measure', name: 'Measure next' },
] as const;

const ModelPlace = memo(function ModelPlace({ bench }: { bench: Bench }) {
  const { job, rig, facts, setPicked, advice, drop, panel, setPanel } = bench;
  useLooking(bench);
  const later = useDeferredValue(facts);
  const pick = useCallback(
    (key: string) => {
      setPicked(key);
      setPanel('findings');
    },
    [setPicked, setPanel],
  );
  const { placing, place, fill, stop } = usePlacing(facts);
  const [freeOpen, setFreeOpen] = useState(false);
  const free = useFree(later, freeOpen && panel === 'joints');
  const take = useCallback(
    (p: TriedPlace) => {
      drop(p.edit);
      stop();
    },
    [drop, stop],
  );
  const places = placing?.places ?? null;
  const { lines, under, setLit, setRange } = useLoadLayer(later, panel === 'joints');
  const asking = placing !== null;
  const pins = useMemo(
    () => (places ? pinsOf(places, take) : free && !asking ? freePins(free, fill) : null),
    [places, take, free, asking, fill],
  );
  return (
    <div className="flex flex-col lg:grid lg:h-full lg:grid-cols-[minmax(0,1fr)_25rem]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}, model`}</h1>
      <Drawings bench={bench} pins={pins} under={under} onPick={pick} />
      <section
        aria-label="What is on it and what is wrong with it"
        className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
      >
        <Tabs label="Findings, parts, measuring" tabs={TABS} tab={panel} onTab={setPanel}>
          {panel === 'findings' ? <BenchFindings underTab bench={bench} /> : null}
          {panel === 'parts' ? <Parts facts={facts} /> : null}
          {panel === 'joints' ? (
            <div className="min-h-0 flex-1 overflow-auto p-3">
              <RangeDrawn value={setRange}>
                <JointsPanel
                  facts={facts}
                  placing={placing}
                  onPlace={place}
                  onStop={stop}
                  onTake={take}
                  free={free}
                  freeOpen={freeOpen}
                  onFreeOpen={setFreeOpen}
                  onHost={fill}
                  lines={lines}
                  onLit={setLit}
                />
              </RangeDrawn>
            </div>
          ) : null}
          {panel === 'measure' ? <MeasurePanel facts={facts} advice={advice} /> : null}
        </Tabs>
        <Exports facts={facts} />
      </section>
    </div>
  );
});

/** The rig drawn: three views at once, or one that is turned. */
function Drawings({
  bench,
  pins,
  under,
  onPick,
}: {
  bench: Bench;
  pins: readonly Pin[] | null;
  under: ComponentProps<typeof ElevationDrawing>['under'];
  onPick: (key: string) => void;
}) {
  const { facts, lit, litParts, dragging, setDraft, setTying, drop, panel } = bench;
  const tying = useTying(bench);
  const { held, hold } = useHeld(setDraft);
  const underHand = useUnderHand() ?? facts;
  const over = useMemo(
    () =>
      pins
        ? function Over(view: View, sheet: Sheet) {
            return <PlacePins pins={pins} view={view} sheet={sheet} />;
          }
        : tying.over,
    [pins, tying.over],
  );
  const { way, why, setWay, none } = useWay();
  const drawing = (view: View) => ({
    over,
    under,
    view,
    facts: view === held ? underHand : facts,
    lit,
    litParts,
    dragging,
    onPick,
    onDraft: hold[view],
    onDrop: drop,
    onTie: setTying,
  });
  return (
    <div className="relative flex min-h-0 min-w-0 flex-col">
      {way === 'views' ? tying.bar : null}
      {way === 'views' && tying.bar ? null : <Ways way={way} why={why} onWay={setWay} />}
      {way === 'turn' ? (
        <TurnView
          facts={facts}
          lit={lit}
          litParts={litParts}
          onPick={onPick}
          pins={pins}
          load={panel === 'joints'}
          onNone={none}
        />
      ) : (
        <div className="flex min-h-0 min-w-0 flex-1 flex-col lg:grid lg:grid-rows-[minmax(0,56fr)_minmax(0,44fr)]">
          <ElevationDrawing {...drawing('side')} few={tying.bar !== null} />
          <div className="flex min-h-0 flex-col border-t border-rule lg:grid lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
            <ElevationDrawing {...drawing('top')} few />
            <div className="flex min-h-0 border-rule lg:border-l">
              <ElevationDrawing {...drawing('front')} few />
            </div>
          </div>
        </div>
      )}
    </div>
  );
}

/** While something is dragged the view under the hand comes first; the others follow after it. */
function useHeld(setDraft: Bench['setDraft']) {
  const [held, setHeld] = useState<View | null>(null);
  const hold = useMemo(() => {
    const of = (view: View) => (edit: Edit | null) => {
      setHeld(view);
      setDraft(edit);
    };
    return { side: of('side'), top: of('top'), front: of('front') };
  }, [setDraft]);
  return { held, hold };
}

type Way = 'views' | 'turn';

/** Three views at once, or one that is turned; back to the views, with a word, where there is none. */
function useWay() {
  const [way, setWay] = useState<Way>('views');
  const [why, setWhy] = useState<string | null>(null);
  const none = useCallback((reason: string) => {
    setWay('views');
    setWhy(reason);
  }, []);
  return { way, why, setWay, none };
}

function Ways({ way, why, onWay }: { way: Way; why: string | null; onWay: (way: Way) => void }) {
  return (
    <div
      role="group"
      aria-label="The rig as"
      className="absolute right-1 top-0 z-10 flex items-center"
    >
      {why ? (
        <p role="status" className="max-w-96 bg-panel px-2 text-sm text-tight">
          {why}
        </p>
      ) : null}
      {(
        [
          ['views', 'Three views'],
          ['turn', 'Turn it'],
        ] as const
      ).map(([id, name]) => (
        <Button
          key={id}
          look="bare"
          aria-pressed={way === id}
          className={`!px-2 ${way === id ? 'text-ink underline decoration-accent decoration-[3px] underline-offset-8' : 'text-soft'}`}
          onClick={() => onWay(id)}
        >
          {name}
        </Button>
      ))}
    </div>
  );
}

/** The three views and the placed parts as files. */
function Exports({ facts }: { facts: RigFacts }) {
  const name =
    facts.rig.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'rig';
  const save = async (kind: 'svg' | 'dxf' | 'csv') => {
    const { built } = facts;
    if (kind === 'svg') {
      const { toSvg } = await import('@/core/drawing/svg');
      saveFile(
        `${name}.svg`,
        forFile(() => toSvg(built)),
        'image/svg+xml',
      );
    } else if (kind === 'dxf') {
      const { toDxf } = await import('@/core/drawing/dxf');
      saveFile(
        `${name}.dxf`,
        forFile(() => toDxf(built)),
        'image/vnd.dxf',
      );
    } else {
      const { partsCsv } = await import('@/core/drawing/parts-csv');
      saveFile(
        `${name}-parts.csv`,
        forFile(() => partsCsv(built)),
        'text/csv',
      );
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-1 whitespace-nowrap border-t border-rule px-2 py-0.5">
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
      <span className="flex items-center gap-2 px-1">
        <PrintButton />
      </span>
    </div>
  );
}

/** What is on the rig, to be set. */
function Parts({ facts }: { facts: RigFacts }) {
  return (
    <div className="min-h-0 flex-1 overflow-auto p-3">
      <BesidePanel facts={facts} />
    </div>
  );
}
