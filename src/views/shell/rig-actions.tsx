'use client';

import type { Job, Rig } from '@/core/kit/types';
import { addRig, copyRig, removeRig, renameRig } from '@/core/solve/rigs';
import { TextInput } from '@/views/part/cells';
import { Button } from '@/ui/button';
import { useStore } from '../store/store-context';

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
          <span className="flex w-full items-center gap-2">
            <label htmlFor="rig-name" className="text-soft">
              name
            </label>
            <TextInput
              id="rig-name"
              value={rig.name}
              className="w-56 max-w-full"
              check={(t) => (t === '' || t.length > 120 ? 'From 1 to 120 characters.' : null)}
              onKeep={(t) => store?.edit(renameRig(rig, t))}
            />
          </span>
          <Button onClick={() => begin(copyRig(rig))}>Copy this one</Button>
          <Button look="danger" onClick={() => store?.edit(removeRig(rig))}>
            Take it away
          </Button>
        </>
      ) : null}
    </div>
  );
}
