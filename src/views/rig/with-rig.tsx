'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import type { Job, Rig } from '@/core/kit/types';
import { Button, buttonClass } from '@/ui/button';
import { useSnapshot, useStore } from '@/views/shell/store-context';

/** Hands the open rig on, or says why there is none and what to do. */
export function WithRig({ children }: { children: (job: Job, rig: Rig) => ReactNode }) {
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
          onClick={() =>
            void import('@/core/solve/rigs').then(({ addRig }) => {
              const { edit, id } = addRig(job);
              store?.edit(edit);
              store?.selectRig(id);
            })
          }
        >
          New rig
        </Button>
      </Blank>
    );
  return children(job, rig);
}

function Blank({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-xl font-semibold">{title}</h1>
      {children}
    </section>
  );
}
