'use client';

import { ChevronDown } from 'lucide-react';
import dynamic from 'next/dynamic';
import { usePathname, useRouter } from 'next/navigation';
import { build } from '@/core/build/build';
import { worst } from '@/core/checks/finding';
import { Button } from '@/ui/button';
import type { Option } from '@/ui/option';
import { Picker } from '@/ui/picker';
import { placeAt } from '@/views/places';
import { useSnapshot, useStore } from '../store/store-context';
import { useChecks, useRun } from '../store/use-checks';

/** Comes with the list it stands under. */
const RigActions = dynamic(() => import('./rig-actions').then((m) => m.RigActions), {
  ssr: false,
  loading: () => <div className="min-h-11" />,
});

/** Where we are: the job, and which of its rigs. */
export function RigSwitch() {
  const { job, rigId } = useSnapshot();
  const store = useStore();
  const router = useRouter();
  const path = usePathname();
  const checks = useChecks();
  const runChecks = useRun();
  if (!job) return null;
  const rig = job.rigs.find((r) => r.id === rigId) ?? null;
  const options = (query: string): Option[] =>
    job.rigs
      .filter((r) => r.name.toLowerCase().includes(query.trim().toLowerCase()))
      .map((r) => ({
        id: r.id,
        name: r.name,
        state:
          checks && runChecks
            ? worst(runChecks(build(job, r), checks).map((v) => v.state))
            : undefined,
        chosen: r.id === rigId,
        pick: () => {
          store?.selectRig(r.id);
          // Where another rig can be looked at it is looked at right there.
          if (placeAt(path)?.subject !== 'rig') router.push('/');
        },
      }));
  return (
    <div className="flex min-w-0 shrink items-center gap-1">
      <span className="hidden min-w-0 max-w-40 truncate text-soft md:inline-block">{job.name}</span>
      <span aria-hidden="true" className="hidden text-soft md:inline">
        /
      </span>
      <Picker
        label="Rigs of this job"
        placeholder="which rig"
        options={options}
        trigger={
          <Button
            look="bare"
            className="min-w-0 max-w-56 px-2"
            aria-label={`Rig: ${rig?.name ?? 'none'}. Choose another`}
          >
            <span className="truncate font-semibold">{rig?.name ?? 'no rig'}</span>
            <ChevronDown size={16} aria-hidden="true" />
          </Button>
        }
        footer={<RigActions job={job} rig={rig} />}
      />
    </div>
  );
}
