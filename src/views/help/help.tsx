'use client';

import { useEffect, useId, useState } from 'react';
import { usePathname } from 'next/navigation';
import { Dialog } from '@/ui/dialog';
import { STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { STATES, type State } from '@/core/checks/finding';
import { placeAt } from '@/views/places';
import glossary from './glossary.json';
import { HELP } from './ask';
import { Resting } from './resting';
import { WordsHere } from './words-here';
import { PLACES_HELP } from './places-help';

/** Keys that work, and where. */
const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['?', 'this'],
  ['.', 'the command line: put, swap, go, find'],
  ['Ctrl Z', 'a step back'],
  ['Ctrl Shift Z', 'the step forward again'],
  ['arrow left, arrow right', 'on a place of the line: the one before, the next'],
  ['arrows', 'on a handle of a drawing: a step; with Shift ten'],
  ['Enter', 'in a number: keep it'],
  ['Esc', 'in a number: leave it as it was; in a list or sheet: close it'],
];

const MEANS: Readonly<Record<State, string>> = {
  fail: 'does not go, in the best case of the tolerances too',
  unknown: 'a number is missing: nobody can say',
  tight: 'may go or may not inside the tolerances, or goes with less room than wanted',
  ok: 'goes, in the worst case of the tolerances too',
};

/** What one is looking at, the keys, and the words of the trade: `?` from anywhere. */
export default function Help() {
  const [open, setOpen] = useState(false);
  const path = usePathname();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing = (e.target as HTMLElement | null)?.closest('input, textarea, select');
      if (e.key !== '?' || typing || e.ctrlKey || e.metaKey || e.altKey) return;
      e.preventDefault();
      setOpen(true);
    };
    const onAsk = () => setOpen(true);
    window.addEventListener('keydown', onKey);
    window.addEventListener(HELP, onAsk);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener(HELP, onAsk);
    };
  }, []);
  const place = placeAt(path);
  const help = place ? PLACES_HELP[place.to] : undefined;
  if (!open) return <Resting />;
  return (
    <Dialog open onOpenChange={setOpen} title="What am I looking at" side>
      {place && help ? (
        <section>
          <h3 className="font-semibold">{place.name}</h3>
          <p>{help.what}</p>
          <ul className="mt-1 list-disc pl-5">
            {help.look.map((l) => (
              <li key={l} className="py-0.5">
                {l}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <WordsHere />
      <h3 className="mt-4 font-semibold">The four signs</h3>
      <ul>
        {STATES.map((s) => (
          <li key={s} className="flex items-start gap-2 border-t border-rule py-1">
            <StateGlyph state={s} />
            <span>
              <b>{STATE_WORD[s]}</b>: {MEANS[s]}
            </span>
          </li>
        ))}
      </ul>
      <h3 className="mt-4 font-semibold">Keys</h3>
      <dl>
        {KEYS.map(([keys, does]) => (
          <div key={keys} className="flex gap-3 border-t border-rule py-1">
            <dt className="w-40 shrink-0">
              <kbd className="font-sans font-medium">{keys}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <Glossary />
    </Dialog>
  );
}

/** The words of the trade, found by typing. */
function Glossary() {
  const id = useId();
  const [query, setQuery] = useState('');
  const words = query.trim().toLowerCase();
  const list = glossary.filter((g) => `${g.word} ${g.is}`.toLowerCase().includes(words));
  return (
    <section className="mt-4">
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="font-semibold">
          Glossary
        </label>
        <input
          id={id}
          type="search"
          placeholder="a word"
          value={query}
          onChange={(e) => setQuery(e.target.value)}
          className="h-11 min-w-0 flex-1 rounded-sm border border-edge bg-panel px-2"
        />
      </div>
      {list.length === 0 ? <p className="py-2 text-soft">Nothing by that word.</p> : null}
      <dl>
        {list.map((g) => (
          <div key={g.word} className="border-t border-rule py-1">
            <dt className="font-medium">{g.word}</dt>
            <dd className="text-soft">{g.is}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
