'use client';

import { ChevronDown } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Button } from '@/ui/button';
import type { Option } from '@/ui/option';
import { Picker } from '@/ui/picker';
import { useSnapshot, useStore } from '../store/store-context';

/** Comes with the list it stands under. */
const ConfigurationActions = dynamic(
  () => import('./configuration-actions').then((m) => m.ConfigurationActions),
  { ssr: false, loading: () => <div className="min-h-11" /> },
);

/** Which configuration of the rig is open: what is edited belongs to it, and it is said here. */
export function ConfigurationSwitch() {
  const { job, rigId, configuration } = useSnapshot();
  const store = useStore();
  const rig = job?.rigs.find((r) => r.id === rigId);
  if (!rig) return null;
  const own = rig.configurations?.find((c) => c.id === configuration) ?? null;
  const options = (query: string): Option[] =>
    [
      { id: null, name: 'the rig itself' },
      ...(rig.configurations ?? []).map((c) => ({ id: c.id as string | null, name: c.name })),
    ]
      .filter((c) => c.name.toLowerCase().includes(query.trim().toLowerCase()))
      .map((c) => ({
        id: c.id ?? 'itself',
        name: c.name,
        chosen: c.id === configuration,
        pick: () => store?.selectRig(rig.id, c.id),
      }));
  return (
    <Picker
      label={`Configurations of ${rig.name}`}
      placeholder="which configuration"
      options={options}
      trigger={
        <Button
          look="bare"
          className={`min-w-11 max-w-40 px-2 ${own ? 'bg-paper' : ''}`}
          aria-label={
            own
              ? `Configuration: ${own.name}. What you change belongs to it alone. Choose another`
              : 'Configuration: the rig itself. What you change shows in all of them. Choose another'
          }
        >
          <span className={`truncate ${own ? 'font-semibold' : 'hidden text-soft sm:inline'}`}>
            {own ? `as ${own.name}` : 'the rig itself'}
          </span>
          <ChevronDown size={16} aria-hidden="true" />
        </Button>
      }
      footer={<ConfigurationActions rig={rig} configuration={own} />}
    />
  );
}
