'use client';

import type { Job, Rig } from '@/core/kit/types';
import { addRig, copyRig, removeRig } from '@/core/solve/rigs';
import { Button } from '@/ui/button';
import { useStore } from './store-context';

/** What can be done with the rigs of a job as a whole. */
export function RigActions({ job, rig }: { job: Job; rig: Rig | null }) {
  const store = useStore();
  const begin = ({ edit, id }: ReturnType<typeof addRig>) => {
    store?.edit(edit);
    store?.selectRig(id);
  };
  return (
    <div className="flex flex-wrap gap-1">
      <Button onClick={() => begin(addRig(job))}>New rig</Button>
      {rig ? (
        <>
          <Button onClick={() => begin(copyRig(job, rig))}>Copy this one</Button>
          <Button look="danger" onClick={() => store?.edit(removeRig(rig))}>
            Take it away
          </Button>
        </>
      ) : null}
    </div>
  );
}
