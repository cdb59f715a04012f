'use client';

import { useEffect, useState } from 'react';
import type { Explained } from '@/core/words/explain';
import { restingOn, setResting } from './resting-on';
import { lineOf, wordsOnScreen } from './word-of';

/** The words of the screen that help was asked on, each with what it means: for who rests on none. */
export function WordsHere() {
  const [words, setWords] = useState<readonly Explained[] | null>(null);
  const [on, setOn] = useState(restingOn);
  useEffect(() => {
    let gone = false;
    void import('@/core/words/explain').then(({ explain }) => {
      if (!gone) setWords(wordsOnScreen(explain));
    });
    return () => {
      gone = true;
    };
  }, []);
  return (
    <section className="mt-4">
      <h3 className="font-semibold">Words on this screen</h3>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={on}
          onChange={(e) => {
            setResting(e.target.checked);
            setOn(e.target.checked);
          }}
        />
        a word says what it means when one rests on it
      </label>
      {words?.length === 0 ? <p className="text-soft">None that need a word.</p> : null}
      <dl>
        {(words ?? []).map((w) => (
          <div key={w.word} className="border-t border-rule py-1">
            <dt className="font-medium">{w.word}</dt>
            <dd className="text-soft">{lineOf(w)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
