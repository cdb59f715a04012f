'use client';

import type { Configuration, Rig } from '@/core/kit/types';
import {
  addConfiguration,
  copyConfiguration,
  removeConfiguration,
  renameConfiguration,
} from '@/core/solve/configurations';
import { TextInput } from '@/views/part/cells';
import { Button } from '@/ui/button';
import { useStore } from '../store/store-context';

/** What can be done with the configurations of a rig as a whole. */
export function ConfigurationActions({
  rig,
  configuration,
}: {
  rig: Rig;
  configuration: Configuration | null;
}) {
  const store = useStore();
  const begin = ({ edit, id }: ReturnType<typeof addConfiguration>) => {
    store?.edit(edit);
    store?.selectRig(rig.id, id);
  };
  return (
    <div className="flex flex-wrap gap-1">
      <p className="w-full text-sm text-soft">
        {configuration
          ? `What you change now belongs to ${configuration.name} alone.`
          : 'What you change now shows in every configuration that does not say otherwise.'}
      </p>
      <Button onClick={() => begin(addConfiguration(rig, 'configuration'))}>
        New configuration
      </Button>
      {configuration ? (
        <>
          <span className="flex w-full items-center gap-2">
            <label htmlFor="configuration-name" className="text-soft">
              name
            </label>
            <TextInput
              id="configuration-name"
              value={configuration.name}
              className="w-56 max-w-full"
              check={(t) => (t === '' || t.length > 120 ? 'From 1 to 120 characters.' : null)}
              onKeep={(t) => store?.edit(renameConfiguration(rig, configuration, t))}
            />
          </span>
          <Button onClick={() => begin(copyConfiguration(rig, configuration))}>
            Copy this one
          </Button>
          <Button
            look="danger"
            onClick={() => store?.edit(removeConfiguration(rig, configuration))}
          >
            Take it away
          </Button>
        </>
      ) : null}
    </div>
  );
}
