'use client';

import { useId, useState } from 'react';
import { parseLength } from '@/core/quantity/parse';
import { markTestOf } from '@/core/areas/mount/model/flange';
import { forgetMarkTest, markTest } from '@/core/areas/mount/moves/mark-test';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';
import type { RigFacts } from './use-rig';

/** A mark test in two numbers: what the mark says, where it is really sharp. */
export function MarkTestForm({ facts }: { facts: RigFacts }) {
  const id = useId();
  const store = useStore();
  const [mark, setMark] = useState('');
  const [sharp, setSharp] = useState('');
  const a = parseLength(mark, 1000);
  const b = parseLength(sharp, 1000);
  const result =
    a.ok && b.ok
      ? markTest(facts.built, a.value, b.value, new Date().toISOString().slice(0, 10))
      : null;
  const record = markTestOf(facts.built);
  const field = (name: string, label: string, value: string, set: (t: string) => void) => (
    <label htmlFor={`${id}${name}`} className="flex items-center gap-2">
      <span className="text-soft">{label}</span>
      <input
        id={`${id}${name}`}
        value={value}
        inputMode="decimal"
        autoComplete="off"
        onChange={(e) => set(e.target.value)}
        className="h-11 w-20 rounded-sm border border-edge bg-paper px-2 text-right"
      />
      <span className="text-sm text-soft">m</span>
    </label>
  );
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
      {field('m', 'Mark test: the mark says', mark, setMark)}
      {field('s', 'sharp at', sharp, setSharp)}
      {result?.ok ? (
        <Button
          onClick={() => {
            store?.edit(result.edit);
            setMark('');
            setSharp('');
          }}
        >
          Keep it
        </Button>
      ) : null}
      {record ? (
        <Button
          look="bare"
          className="underline underline-offset-4"
          onClick={() => store?.edit(forgetMarkTest(record))}
        >
          Forget the last mark test
        </Button>
      ) : null}
      {result ? <p className="basis-full text-sm">{result.sentence}</p> : null}
    </div>
  );
}
