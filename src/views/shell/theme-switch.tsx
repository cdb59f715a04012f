'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { Sun, Moon } from 'lucide-react';

export type Theme = 'auto' | 'bench' | 'set';

export function ThemeSwitch({ initial }: { initial: Theme }) {
  const [theme, setTheme] = useState<Theme>(initial);
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
        setTheme(next);
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
