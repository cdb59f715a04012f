'use client';

import { useId, useState } from 'react';
import { newNamedId } from '@/core/engine/ids';
import type { Job, Mount } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import { exact } from '@/core/quantity/say';
import { setField } from '@/core/solve/kit-moves';
import { Button } from '@/ui/button';
import { QuantityField } from '@/ui/quantity-field';
import { TextInput } from '@/views/part/cells';
import { useStore } from '@/views/store/store-context';

/** Mounts: public and by class, the crew's names for them, and the user's own. */
export function Mounts({ job }: { job: Job }) {
  const store = useStore();
  const [open, setOpen] = useState(false);
  const count = mountIndex(job).size;
  const add = () => {
    const name = `Own mount ${(job.mounts?.length ?? 0) + 1}`;
    const own: Mount = { id: newNamedId(name), name };
    store?.edit({
      title: `Add ${name}`,
      changes: [{ path: ['mounts', own.id], value: own }],
    });
  };
  return (
    <section className="mt-6 border-t border-rule pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-lg">Mounts</h2>
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Fold away' : `Show all ${count}`}
        </Button>
        <Button onClick={add}>Add a mount</Button>
      </div>
      {job.mounts?.map((m) => (
        <OwnMount key={m.id} job={job} mount={m} />
      ))}
      {open ? <Table job={job} /> : null}
    </section>
  );
}

/** A mount of the user's own. */
function OwnMount({ job, mount: m }: { job: Job; mount: Mount }) {
  const store = useStore();
  const id = useId();
  const set = (key: keyof Mount, value: unknown) =>
    store?.edit(setField(job, ['mounts', m.id, key], value, `${key} of ${m.name}`));
  return (
    <div className="my-2 max-w-lg border-l-2 border-rule pl-3">
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="min-w-36 text-soft">
          name
        </label>
        <TextInput
          id={id}
          value={m.name}
          className="w-64"
          check={(t) => (t === '' ? 'A mount needs a name.' : null)}
          onKeep={(t) => set('name', t)}
        />
      </div>
      {SIZES.map(({ key, ...size }) => (
        <QuantityField
          key={key}
          {...size}
          unit="mm"
          value={m[key]}
          defaultSource="sheet"
          onKeep={(v) => set(key, v)}
        />
      ))}
      <Button
        look="danger"
        onClick={() =>
          store?.edit({
            title: `Take ${m.name} away`,
            changes: [{ path: ['mounts', m.id], value: undefined }],
          })
        }
      >
        Take away
      </Button>
    </div>
  );
}

const SIZES = [
  { key: 'flange', label: 'flange distance', cls: 'flange', min: 0, max: 200 },
  { key: 'throat', label: 'throat', cls: 'length', min: 1, max: 300 },
] as const;

/** All mounts there are, and what the crew calls them. */
function Table({ job }: { job: Job }) {
  const store = useStore();
  const id = useId();
  return (
    <table className="mt-2">
      <thead>
        <tr className="text-left text-soft">
          <th className="pr-6 font-normal">mount</th>
          <th className="pr-6 text-right font-normal">flange, mm</th>
          <th className="pr-6 text-right font-normal">throat, mm</th>
          <th className="pr-6 font-normal">source</th>
          <th className="font-normal">what your crew calls it</th>
        </tr>
      </thead>
      <tbody>
        {[...mountIndex(job).values()].map((m) => (
          <tr key={m.id} className="border-t border-rule">
            <td className="pr-6">{m.name}</td>
            <td className="pr-6 text-right">{m.flange ? exact(m.flange.value, 3) : 'unknown'}</td>
            <td className="pr-6 text-right">{m.throat ? exact(m.throat.value, 1) : 'unknown'}</td>
            <td className="pr-6 text-soft">{m.own ? 'own' : m.note}</td>
            <td>
              <label className="sr-only" htmlFor={`${id}${m.id}`}>
                name your crew uses for {m.name}
              </label>
              <TextInput
                id={`${id}${m.id}`}
                value={job.aliases?.[m.id] ?? ''}
                className="w-44"
                check={(t) => (t.length > 120 ? 'At most 120 characters.' : null)}
                onKeep={(t) =>
                  store?.edit({
                    title: `Call ${m.name} ${t || 'by its neutral name'}`,
                    changes: [{ path: ['aliases', m.id], value: t || undefined }],
                  })
                }
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
