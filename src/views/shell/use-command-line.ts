'use client';

import { useCallback, useRef, useState } from 'react';
import type { Begun } from './command-line';

/** Comes with the first press of its key. */
const load = () => import('./command-line').then((m) => m.CommandLine);
type CommandLine = Awaited<ReturnType<typeof load>>;
let loaded: CommandLine | null = null;

/** Fetches it while nothing else is going on. */
export async function preloadLine(): Promise<void> {
  loaded ??= await load();
}

const NOTHING: Begun = { text: '', entered: false };

/** Takes down what is typed, until it is asked for. */
function takeDown(): () => Begun {
  let typed = NOTHING;
  const onKey = (e: KeyboardEvent) => {
    if (e.ctrlKey || e.metaKey || e.altKey || typed.entered) return;
    if (e.key === 'Enter') typed = { ...typed, entered: true };
    else if (e.key === 'Backspace') typed = { ...typed, text: typed.text.slice(0, -1) };
    else if (e.key.length === 1) typed = { ...typed, text: typed.text + e.key };
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  window.addEventListener('keydown', onKey, true);
  return () => {
    window.removeEventListener('keydown', onKey, true);
    return typed;
  };
}

/** The command line: what is typed while it is still to come waits for it. */
export function useCommandLine() {
  const [Line, setLine] = useState<CommandLine | null>(null);
  const taking = useRef<(() => Begun) | null>(null);
  /** What was typed so far; from here on it has the keys itself. */
  const take = useCallback((): Begun => {
    const typed = taking.current?.() ?? NOTHING;
    taking.current = null;
    return typed;
  }, []);
  const openLine = useCallback(() => {
    if (taking.current) return;
    taking.current = takeDown();
    // Where it cannot be fetched the keys are the page's again.
    preloadLine().then(
      () => setLine(() => loaded),
      () => void take(),
    );
  }, [take]);
  const closeLine = useCallback(() => setLine(null), []);
  return { Line, take, openLine, closeLine };
}
