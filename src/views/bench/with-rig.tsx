'use client';

import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { useSnapshot } from '@/views/store/store-context';
import { useBench, type Bench } from './bench';

const EmptyKit = dynamic(() => import('./no-rig').then((m) => m.EmptyKit), { ssr: false });
const NoRig = dynamic(() => import('./no-rig').then((m) => m.NoRig), { ssr: false });

/** Hands the open rig on, or says why there is none and what to do. */
export function WithRig({ children }: { children: (bench: Bench) => ReactNode }) {
  const { phase } = useSnapshot();
  const bench = useBench();
  if (phase === 'loading')
    return (
      <p className="p-8 text-soft" role="status">
        Laying the parts out ...
      </p>
    );
  if (!bench) return <NoRig />;
  if (bench.job.kit.length > 0) return children(bench);
  return (
    <div className="flex flex-col lg:h-full">
      <EmptyKit />
      <div className="min-h-0 flex-1">{children(bench)}</div>
    </div>
  );
}
