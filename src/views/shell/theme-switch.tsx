'use client';

import { useSyncExternalStore } from 'react';
import { Button } from '@/ui/button';
import { Sun, Moon } from 'lucide-react';

type Theme = 'auto' | 'bench' | 'set';

/** What stands on the page is the theme: it is put there before the first paint. */
function onPage(): Theme {
  const on = document.documentElement.dataset.theme;
  return on === 'bench' || on === 'set' ? on : 'auto';
}

const follow = (tell: () => void) => {
  const seen = new MutationObserver(tell);
  seen.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => seen.disconnect();
};

export function ThemeSwitch() {
  const theme = useSyncExternalStore(follow, onPage, (): Theme => 'auto');
  const dark = () =>
    theme === 'set' ||
    (theme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches);
  return (
    <Button
      look="bare"
      className="w-11 px-0"
      aria-label={
        theme === 'set' ? 'Theme: set. Change to bench' : 'Theme: change between bench and set'
      }
      title="bench or set"
      onClick={() => {
        const next = dark() ? 'bench' : 'set';
        document.documentElement.dataset.theme = next;
        document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=strict`;
      }}
    >
      {theme === 'set' ? (
        <Sun size={20} aria-hidden="true" />
      ) : (
        <Moon size={20} aria-hidden="true" />
      )}
    </Button>
  );
}
