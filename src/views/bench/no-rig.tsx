'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { Button, buttonClass } from '@/ui/button';
import { useSnapshot, useStore } from '@/views/store/store-context';

/** Why there is no rig to be seen, and what can be done. */
export function NoRig() {
  const { phase, job } = useSnapshot();
  const store = useStore();
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
        <Link prefetch={false} href="/jobs" className={buttonClass('strong', 'mt-4')}>
          To the jobs
        </Link>
      </Blank>
    );
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
}

function Blank({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mx-auto max-w-xl p-8">
      <h1 className="mb-2 text-xl font-semibold">{title}</h1>
      {children}
    </section>
  );
}
