'use client';

import { useSnapshot } from '../store/store-context';

const SAVE_WORD = {
  saved: 'saved',
  saving: 'saving',
  full: 'no room',
  broken: 'not saved',
} as const;

export function SaveSign() {
  const snap = useSnapshot();
  if (snap.phase === 'loading') return null;
  return (
    <span
      data-testid="save"
      data-waiting={snap.waiting}
      className={`ml-1 w-14 text-sm ${snap.save === 'full' || snap.save === 'broken' ? 'font-semibold text-fail' : 'text-soft'}`}
    >
      {SAVE_WORD[snap.save]}
    </span>
  );
}
