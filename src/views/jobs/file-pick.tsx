'use client';

import { useRef, useState } from 'react';
import type { Problem } from '@/core/format/problem';
import { Button } from '@/ui/button';

/** A button that takes one file. */
export function FilePick({
  label,
  accept,
  onFile,
}: {
  label: string;
  accept: string;
  onFile: (file: File) => Promise<void>;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        className="sr-only"
        onChange={async (e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (!file) return;
          setBusy(true);
          try {
            await onFile(file);
          } finally {
            setBusy(false);
          }
        }}
      />
      <Button disabled={busy} onClick={() => input.current?.click()}>
        {busy ? 'Reading ...' : label}
      </Button>
    </>
  );
}

const SHOWN = 100;

/** All that is wrong with a file, with the place of each; nothing of it was taken in. */
export function Problems({
  problems,
  sentence,
  close,
}: {
  problems: readonly Problem[];
  sentence: (p: Problem) => string;
  close: () => void;
}) {
  if (problems.length === 0) return null;
  return (
    <div role="alert" className="my-3 border-l-4 border-fail bg-fail-wash p-3">
      <p className="font-semibold">
        The file was not taken in: {problems.length}{' '}
        {problems.length === 1 ? 'place is' : 'places are'} wrong. Nothing was changed.
      </p>
      <ul className="my-2 max-h-72 list-disc overflow-auto break-words pl-5">
        {problems.slice(0, SHOWN).map((p, i) => (
          <li key={i}>{sentence(p)}</li>
        ))}
        {problems.length > SHOWN ? <li>and {problems.length - SHOWN} more</li> : null}
      </ul>
      <Button onClick={close}>Put this away</Button>
    </div>
  );
}
