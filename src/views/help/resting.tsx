'use client';

import { computePosition, flip, offset, shift } from '@floating-ui/dom';
import { useEffect, useId, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { kindOf, lineOf, WORDS, wordOf } from './word-of';
import { restingOn } from './resting-on';

/** How long one rests on a word before it is explained, ms: who goes on is not held up. */
const REST = 700;

interface Shown {
  at: Element;
  word: string;
  line: string;
}

/**
 * Says what a label means to who rests on it: by pointer, by focus, by touch. What is said is the
 * description of a field that has the focus, so that it is read out too.
 */
export function Resting() {
  const id = useId();
  const box = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<Shown | null>(null);
  useEffect(() => watch(setShown), []);
  useEffect(() => {
    const el = box.current;
    if (!shown || !el) return undefined;
    void place(el, shown.at);
    return shown.at.matches('input, select, textarea, [role]') ? describe(shown.at, id) : undefined;
  }, [shown, id]);
  if (!shown) return null;
  // Within what it is said of: behind an open sheet it would be out of reach.
  const host = shown.at.closest('[role=dialog]') ?? document.querySelector('main');
  return createPortal(
    <div
      ref={box}
      key={shown.word}
      id={id}
      role="tooltip"
      className="invisible fixed top-0 left-0 z-[60] max-w-[min(22rem,92vw)] rounded-sm border border-edge bg-panel px-3 py-2 text-sm text-ink shadow-[0_6px_24px_rgb(0_0_0/0.28)]"
    >
      <b>{shown.word}</b>: {shown.line}
    </div>,
    host ?? document.body,
  );
}

/** Beside what it is said of, within the window; seen once it stands there. */
async function place(el: HTMLElement, at: Element): Promise<void> {
  const { x, y } = await computePosition(at, el, {
    strategy: 'fixed',
    placement: 'bottom-start',
    middleware: [offset(6), flip({ padding: 8 }), shift({ padding: 8 })],
  });
  el.style.translate = `${Math.round(x)}px ${Math.round(y)}px`;
  el.style.visibility = 'visible';
}

/** Makes an element the description of a field, beside those that it has; returns what ends it. */
function describe(field: Element, id: string): () => void {
  const had = field.getAttribute('aria-describedby');
  field.setAttribute('aria-describedby', [had, id].filter(Boolean).join(' '));
  return () => {
    if (had === null) field.removeAttribute('aria-describedby');
    else field.setAttribute('aria-describedby', had);
  };
}

async function said(e: Element): Promise<Shown | null> {
  const { explain } = await import('@/core/words/explain');
  const found = explain(wordOf(e), kindOf(e));
  return found ? { at: e, word: found.word, line: lineOf(found) } : null;
}

const wordAt = (t: EventTarget | null) => (t as Element | null)?.closest?.(WORDS) ?? null;

/** Follows pointer, focus and touch over the words of the page; returns what ends it. */
function watch(show: (shown: Shown | null) => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let on: Element | null = null;
  const leave = () => {
    clearTimeout(timer);
    on = null;
    show(null);
  };
  const rest = (e: Element, wait: number) => {
    if (e === on || !restingOn()) return;
    clearTimeout(timer);
    on = e;
    timer = setTimeout(
      () =>
        void said(e).then((what) => {
          // Gone in the meantime, or said beside it already.
          if (on === e && e.isConnected && !e.closest('[data-said]')) show(what);
        }),
      wait,
    );
  };
  const end = new AbortController();
  const hear = <K extends keyof DocumentEventMap>(
    what: K,
    then: (e: DocumentEventMap[K]) => void,
    capture = false,
  ) => document.addEventListener(what, then, { signal: end.signal, capture, passive: true });
  hear('focusin', (e) => {
    const word = wordAt(e.target);
    if (word) rest(word, REST);
    else leave();
  });
  hear('pointerover', (e) => {
    if (e.pointerType === 'touch') return;
    if ((e.target as Element | null)?.closest?.('[role=tooltip]')) return;
    const word = wordAt(e.target);
    if (word) rest(word, REST);
    else if (on !== document.activeElement) leave();
  });
  // What is in the hand is looked at, and not read about.
  hear('pointermove', (e) => {
    if (e.buttons !== 0 && e.pointerType !== 'touch') leave();
  });
  hear('pointerup', (e) => {
    const word = wordAt(e.target);
    if (e.pointerType === 'touch' && word) rest(word, 0);
    else if (!word) leave();
  });
  hear('keydown', (e) => {
    if (e.key !== 'Tab') leave();
  });
  hear('input', leave);
  // What gets the focus may be scrolled to first: then it is still waited for.
  hear('scroll', () => show(null), true);
  return () => {
    clearTimeout(timer);
    end.abort();
  };
}
