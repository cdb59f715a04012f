'use client';

import Link from 'next/link';
import { memo, useCallback, useMemo, useState } from 'react';
import type { Layer } from '@/core/front/shading';
import type { Setting } from '@/core/front/situations';
import type { Job, Rig } from '@/core/kit/types';
import { withChanges, type Edit } from '@/core/solve/edit';
import { addRig } from '@/core/solve/rigs';
import { Button, buttonClass } from '@/ui/button';
import { useSnapshot, useStore } from '@/views/shell/store-context';
import { Choices } from './choices';
import { Detail } from './detail';
import { FindingsPanel } from './findings-panel';
import { Line } from './line';
import { MeasurePanel } from './measure-panel';
import { Plate } from './plate';
import { useAdvice, useRigFacts, useShading } from './use-rig';

/** The first view: the line, the plate, the choices, the findings. */
export function RigView() {
  const { phase, job, rigId } = useSnapshot();
  const store = useStore();
  if (phase === 'loading')
    return (
      <p className="p-8 text-soft" role="status">
        Laying the parts out ...
      </p>
    );
  if (phase === 'broken')
    return (
      <Blank title="This browser keeps nothing">
        <p>
          Nelvix stores jobs in this browser and it does not let it: a private window, blocked site
          data or a full disk. Allow site data for this address and load the page again.
        </p>
      </Blank>
    );
  if (!job)
    return (
      <Blank title="No job is open">
        <p>Start an empty one, open the demo, or bring one in from a file.</p>
        <Link href="/jobs" className={buttonClass('strong', 'mt-4')}>
          To the jobs
        </Link>
      </Blank>
    );
  const rig = job.rigs.find((r) => r.id === rigId);
  if (!rig)
    return (
      <Blank title={`${job.name} has no rig yet`}>
        <Button
          look="strong"
          className="mt-4"
          onClick={() => {
            const { edit, id } = addRig(job);
            store?.edit(edit);
            store?.selectRig(id);
          }}
        >
          New rig
        </Button>
      </Blank>
    );
  return <Bench key={job.id} job={job} rig={rig} />;
}

function Blank({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-xl font-semibold">{title}</h1>
      {children}
    </section>
  );
}

/** Drawn again when the job or the rig changes, not when something was stored. */
const Bench = memo(function Bench({ job: kept, rig: keptRig }: { job: Job; rig: Rig }) {
  const store = useStore();
  // While something is dragged the picture runs ahead of what is kept: one step when it is let go.
  const [draft, setDraft] = useState<Edit | null>(null);
  const job = useMemo(() => (draft ? withChanges(kept, draft.changes) : kept), [kept, draft]);
  const rig = job.rigs.find((r) => r.id === keptRig.id) ?? keptRig;
  const drop = useCallback(
    (edit: Edit | null) => {
      setDraft(null);
      if (edit) store?.edit(edit);
    },
    [store],
  );
  const facts = useRigFacts(job, rig);
  const [picked, setPicked] = useState<string | null>(null);
  // A setting that was looked at belongs to the lens it was chosen for.
  const [chosen, setChosen] = useState<{ of: string; setting: Setting } | null>(null);
  const of = `${rig.id}/${rig.lens}`;
  const setting = chosen?.of === of ? chosen.setting : null;
  const setSetting = useCallback(
    (s: Setting | null) => setChosen(s ? { of, setting: s } : null),
    [of],
  );
  const [layers, setLayers] = useState<ReadonlySet<Layer>>(FRONT_ONLY);
  const first = facts.verdicts.find((v) => v.state !== 'ok')?.key ?? null;
  const lit = facts.verdicts.some((v) => v.key === picked) ? picked : first;
  const advice = useAdvice(facts, lit);
  const litParts = useMemo(
    () => facts.verdicts.find((v) => v.key === lit)?.about ?? [],
    [facts, lit],
  );
  const frame = lit?.startsWith('front.vignette:') ? lit.slice('front.vignette:'.length) : null;
  const shading = useShading(facts, setting, frame);
  return (
    <div className="flex flex-col lg:grid lg:h-full lg:grid-rows-[auto_minmax(0,50fr)_minmax(0,50fr)]">
      <h1 className="sr-only">{`${job.name}: ${rig.name}`}</h1>
      <Choices facts={facts} />
      <div className="grid min-h-0 border-y border-rule lg:grid-cols-[minmax(0,1fr)_26rem]">
        <Line
          facts={facts}
          litParts={litParts}
          lit={lit}
          onPick={setPicked}
          view={shading.view}
          onDraft={setDraft}
          onDrop={drop}
        />
        <Plate
          facts={facts}
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
        <FindingsPanel facts={facts} advice={advice} lit={lit} picked={picked} onPick={setPicked} />
        <MeasurePanel facts={facts} advice={advice} />
        <Detail facts={facts} shading={shading} onSetting={setSetting} />
      </div>
    </div>
  );
});

const FRONT_ONLY: ReadonlySet<Layer> = new Set(['mechanical']);
