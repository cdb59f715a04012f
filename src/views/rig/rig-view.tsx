'use client';

import dynamic from 'next/dynamic';
import { memo, useCallback, useDeferredValue, useState } from 'react';
import type { Layer } from '@/core/areas/front/model/chip-shading';
import { frameFor } from '@/core/areas/front/model/judged';
import type { Setting } from '@/core/areas/front/model/situations';
import { Choices } from './choices';
import type { Bench } from '../bench/bench';
import { BenchFindings } from '../bench/findings-panel';
import { Line } from './line';
import { Plate } from './plate';
import { useUnderHand } from '../bench/under-hand';
import { useShading } from '../bench/use-rig';
import { WithRig } from '../bench/with-rig';

/** The list is asked for from a worker anyway: its fields come with it. */
const MeasurePanel = dynamic(() => import('../bench/measure-panel').then((m) => m.MeasurePanel), {
  ssr: false,
  loading: Empty,
});
const Detail = dynamic(() => import('./detail').then((m) => m.Detail), {
  ssr: false,
  loading: Empty,
});

/** A panel before what it shows is there. */
function Empty() {
  return <div className="border-t border-rule bg-panel lg:border-l lg:border-t-0" />;
}

/** The first view: the line, the plate, the choices, the findings. */
export function RigView() {
  return <WithRig>{(bench) => <RigPlace key={bench.job.id} bench={bench} />}</WithRig>;
}

const RigPlace = memo(function RigPlace({ bench }: { bench: Bench }) {
  const { job, rig, facts, lit, litParts, setPicked, advice, setDraft, drop } = bench;
  // Figures and what to measure next come a moment after the picture and the findings.
  const later = useDeferredValue(facts);
  // A setting that was looked at belongs to the lens it was chosen for.
  const [chosen, setChosen] = useState<{ of: string; setting: Setting } | null>(null);
  const of = `${rig.id}/${rig.lens}`;
  const setting = chosen?.of === of ? chosen.setting : null;
  const setSetting = useCallback(
    (s: Setting | null) => setChosen(s ? { of, setting: s } : null),
    [of],
  );
  const [layers, setLayers] = useState<ReadonlySet<Layer>>(FRONT_ONLY);
  const frame = frameFor(facts.verdicts.find((v) => v.key === lit) ?? null);
  const underHand = useUnderHand() ?? facts;
  const shading = useShading(underHand, setting, frame);
  return (
    <div className="flex flex-col lg:grid lg:h-full lg:grid-cols-[minmax(0,1fr)] lg:grid-rows-[auto_minmax(0,50fr)_minmax(0,50fr)]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}`}</h1>
      <Choices facts={facts} />
      <div className="grid min-h-0 border-y border-rule lg:grid-cols-[minmax(0,1fr)_26rem]">
        <Line
          facts={underHand}
          litParts={litParts}
          lit={lit}
          onPick={setPicked}
          view={shading.view}
          dragging={bench.dragging}
          onDraft={setDraft}
          onDrop={drop}
        />
        <Plate
          facts={underHand}
          lit={lit}
          onPick={setPicked}
          shading={shading}
          layers={layers}
          onLayers={setLayers}
          setting={setting}
          onSetting={setSetting}
        />
      </div>
      <div className="grid min-h-0 lg:grid-cols-[minmax(0,1fr)_19rem_22rem]">
        <BenchFindings bench={bench} />
        <MeasurePanel facts={later} advice={advice} />
        <Detail facts={later} shading={shading} onSetting={setSetting} />
      </div>
    </div>
  );
});

const FRONT_ONLY: ReadonlySet<Layer> = new Set(['mechanical']);
