'use client';

import { usePathname } from 'next/navigation';
import { useCallback } from 'react';
import { useWide } from '@/ui/use-wide';
import { useBench, type Panel } from '@/views/bench/bench';
import { placeAt } from '@/views/places';

/**
 * Shows a panel of the open rig: where the place has it, it is gone to; elsewhere it opens at the
 * side, or over the place where there is no room beside it.
 */
export function useShow(): { show: (panel: Panel) => void; inPlace: boolean } {
  const bench = useBench();
  const place = placeAt(usePathname());
  const inPlace = useWide() && place?.findings === true;
  const { setPanel, setDocked } = bench ?? {};
  const show = useCallback(
    (panel: Panel) => {
      setPanel?.(panel);
      if (inPlace) requestAnimationFrame(() => document.getElementById(panel)?.focus());
      else setDocked?.(true);
    },
    [setPanel, setDocked, inPlace],
  );
  return { show, inPlace };
}
