'use client';

import dynamic from 'next/dynamic';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

interface PartSheetApi {
  open: (part: string) => void;
  /** The part whose sheet is open; null when none is. */
  part: string | null;
}

const Context = createContext<PartSheetApi>({ open: () => undefined, part: null });

/** Comes with the first part that is opened. */
const Sheet = dynamic(() => import('./sheet').then((m) => m.Sheet), { ssr: false });

export function usePartSheet(): PartSheetApi {
  return useContext(Context);
}

/** Holds the part sheet, so that any view can open a part on top of itself. */
export function PartSheetHost({ children }: { children: ReactNode }) {
  const [part, setPart] = useState<string | null>(null);
  const api = useMemo(() => ({ open: setPart, part }), [part]);
  return (
    <Context value={api}>
      {children}
      {part === null ? null : (
        <Sheet key={part} id={part} close={() => setPart(null)} openOther={setPart} />
      )}
    </Context>
  );
}
