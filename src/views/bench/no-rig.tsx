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

/** A rig of which nothing can be chosen yet: what this place is for, and how it begins. */
export function EmptyKit() {
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 border-b border-rule bg-sunk px-4 py-1"
    >
      <p className="min-w-0 flex-1">
        Here the rig is drawn to scale, and it is said what fits and by how much. The kit of this
        job is empty: begin a rig in three choices, or put your own parts into the kit.
      </p>
      <Link prefetch={false} href="/begin" className={buttonClass('strong')}>
        Begin a rig
      </Link>
      <Link prefetch={false} href="/kit" className={buttonClass('plain')}>
        To the kit
      </Link>
    </div>
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
