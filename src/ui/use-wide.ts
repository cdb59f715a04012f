'use client';

import { useSyncExternalStore } from 'react';

/** From this width on what belongs together stands side by side, px. */
const WIDE = '(min-width: 1024px)';

const subscribe = (tell: () => void) => {
  const query = window.matchMedia?.(WIDE);
  query?.addEventListener('change', tell);
  return () => query?.removeEventListener('change', tell);
};

/** Whether there is room for panels side by side; so it is taken before the page is there. */
export function useWide(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => window.matchMedia?.(WIDE).matches ?? true,
    () => true,
  );
}
