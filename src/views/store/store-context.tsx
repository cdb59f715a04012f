'use client';

import {
  createContext,
  useContext,
  useEffect,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { LOADING, type Snapshot } from '@/db/shown';
import { JobStore } from '@/db/store';
import type { JobDoc } from '@/core/kit/kept';
import { operateHere } from './operator';
import { sayInUnitsHere } from './units';

const Context = createContext<JobStore | null>(null);

/** The demo job, loaded only when an empty browser asks for it. */
export async function demoJob(): Promise<JobDoc> {
  return (await import('../../../data/demo/lock-nine.nelvix.json')).default as unknown as JobDoc;
}

export function StoreProvider({ children }: { children: ReactNode }) {
  const [store] = useState(() => {
    if (typeof window === 'undefined') return null;
    sayInUnitsHere();
    operateHere();
    return new JobStore();
  });
  useEffect(() => {
    void store?.start(demoJob);
  }, [store]);
  return <Context value={store}>{children}</Context>;
}

export function useStore(): JobStore | null {
  return useContext(Context);
}

const nothing = () => () => undefined;

/** What the store shows now. */
export function useSnapshot(): Snapshot {
  const store = useStore();
  return useSyncExternalStore(
    store?.subscribe ?? nothing,
    () => store?.get() ?? LOADING,
    () => LOADING,
  );
}
