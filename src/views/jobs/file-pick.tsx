'use client';

import { useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/format/problem';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';

/** A button that takes one file. */
export function FilePick({
  label,
  accept,
  onFile,
}: {
  label: string;
  accept: string;
  onFile: (file: File, cancel: AbortSignal) => Promise<void>;
}) {
  const input = useRef<HTMLInputElement>(null);
  const store = useStore();
  const [busy, setBusy] = useState(false);
  const cancel = useRef<AbortController | null>(null);
  useEffect(() => () => cancel.current?.abort(), []);
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
          cancel.current = new AbortController();
          try {
            await onFile(file, cancel.current.signal);
          } catch (e) {
            // It was stopped, took too long, or the reader died: nothing was taken in.
            store?.notice(
              `${file.name} was not read: ${e instanceof Error ? e.message : String(e)}`,
              'warn',
            );
          } finally {
            cancel.current = null;
            setBusy(false);
          }
        }}
      />
      {busy ? (
        <Button onClick={() => cancel.current?.abort()}>Reading ... stop</Button>
      ) : (
        <Button onClick={() => input.current?.click()}>{label}</Button>
      )}
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
