'use client';

import { useSnapshot, useStore } from '../store/store-context';
import Link from 'next/link';
import { Button } from '@/ui/button';
import { useEffect } from 'react';
import { X } from 'lucide-react';

/** A stored job that cannot be shown: why, and what can be done with it. */
export function Unsound() {
  const snap = useSnapshot();
  return (
    <div role="alert" className="m-4 border-l-4 border-fail bg-fail-wash p-3">
      <p>{snap.trouble}</p>
      <Link prefetch={false} href="/rescue" className="inline-flex min-h-11 items-center underline">
        Save what this browser keeps
      </Link>
    </div>
  );
}

/** What could not be kept, and what can be done. */
export function NotKept() {
  const snap = useSnapshot();
  const store = useStore();
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-b border-fail bg-fail-wash px-4 py-1"
    >
      <p className="min-w-0 flex-1">
        {snap.save === 'full'
          ? 'This browser has no room left. '
          : 'This browser does not let Nelvix keep anything. '}
        {snap.waiting > 0
          ? `The last ${snap.waiting === 1 ? 'change stands' : `${snap.waiting} changes stand`} on this page but ${snap.waiting === 1 ? 'is' : 'are'} not saved yet: export the job to a file, or make room and try again.`
          : 'What was saved before is untouched.'}
      </p>
      <Button onClick={() => void store?.retry()}>Try again</Button>
      <Link prefetch={false} href="/jobs" className="inline-flex min-h-11 items-center underline">
        Export
      </Link>
    </div>
  );
}

/** What happened, each for a while. */
export function Notes() {
  const snap = useSnapshot();
  return snap.notices.map((n) => (
    <Note key={n.id} id={n.id} text={n.text} warn={n.tone === 'warn'} />
  ));
}

function Note({ id, text, warn }: { id: number; text: string; warn: boolean }) {
  const store = useStore();
  useEffect(() => {
    if (warn) return;
    const t = setTimeout(() => store?.dismiss(id), 5000);
    return () => clearTimeout(t);
  }, [id, warn, store]);
  return (
    <div
      className={`pointer-events-auto flex items-center gap-2 rounded-sm border bg-panel pl-3 ${warn ? 'border-tight' : 'border-edge'}`}
    >
      <p className="min-w-0 flex-1 py-2">{text}</p>
      <button
        type="button"
        aria-label="Dismiss"
        className="grid size-11 place-items-center"
        onClick={() => store?.dismiss(id)}
      >
        <X size={18} aria-hidden="true" />
      </button>
    </div>
  );
}
