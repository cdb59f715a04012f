'use client';

import { computePosition, flip, offset, shift } from '@floating-ui/dom';
import { createPortal } from 'react-dom';
import { useEffect, useId, useRef, useState } from 'react';
import { kindOf, lineOf, WORDS, wordOf } from './word-of';
import { restingOn } from './resting-on';

/** How long one rests on a word before it is explained, ms: who goes on is not held up. */
const REST = 700;

interface Shown {
  at: Element;
  word: string;
  line: string;
}

const explainer = () => import('@/core/words/explain');

/**
 * Says what a label means to who rests on it: by pointer, by focus, by touch. What is said is the
 * description of a field that has the focus, so that it is read out too.
 */
export function Resting() {
  const id = useId();
  const box = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<Shown | null>(null);

  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let on: Element | null = null;
    const leave = () => {
      clearTimeout(timer);
      on = null;
      setShown(null);
    };
    const rest = (e: Element, wait: number) => {
      if (e === on || !restingOn()) return;
      clearTimeout(timer);
      on = e;
      timer = setTimeout(
        () =>
          void explainer().then(({ explain }) => {
            // Gone in the meantime, or said beside it already.
            if (on !== e || !e.isConnected || e.closest('[data-said]')) return;
            const found = explain(wordOf(e), kindOf(e));
            setShown(found ? { at: e, word: found.word, line: lineOf(found) } : null);
          }),
        wait,
      );
    };
    const wordAt = (t: EventTarget | null) => (t as Element | null)?.closest?.(WORDS) ?? null;
    const onFocus = (e: FocusEvent) => {
      const word = wordAt(e.target);
      if (word) rest(word, REST);
      else leave();
    };
    const onOver = (e: PointerEvent) => {
      if (e.pointerType === 'touch' || (e.target as Element | null)?.closest?.('[role=tooltip]'))
        return;
      const word = wordAt(e.target);
      if (word) rest(word, REST);
      else if (on !== document.activeElement) leave();
    };
    const onTap = (e: PointerEvent) => {
      const word = wordAt(e.target);
      if (e.pointerType === 'touch' && word) rest(word, 0);
      else if (!word) leave();
    };
    const onKey = (e: KeyboardEvent) => e.key !== 'Tab' && leave();
    document.addEventListener('focusin', onFocus);
    document.addEventListener('pointerover', onOver);
    document.addEventListener('pointerup', onTap);
    document.addEventListener('keydown', onKey);
    document.addEventListener('input', leave);
    // What gets the focus may be scrolled to first: then it is still waited for.
    const onScroll = () => setShown(null);
    document.addEventListener('scroll', onScroll, { capture: true, passive: true });
    return () => {
      clearTimeout(timer);
      document.removeEventListener('focusin', onFocus);
      document.removeEventListener('pointerover', onOver);
      document.removeEventListener('pointerup', onTap);
      document.removeEventListener('keydown', onKey);
      document.removeEventListener('input', leave);
      document.removeEventListener('scroll', onScroll, { capture: true });
    };
  }, []);

  useEffect(() => {
    const el = box.current;
    if (!shown || !el) return undefined;
    void computePosition(shown.at, el, {
      strategy: 'fixed',
      placement: 'bottom-start',
      middleware: [offset(6), flip({ padding: 8 }), shift({ padding: 8 })],
    }).then(({ x, y }) => {
      el.style.translate = `${Math.round(x)}px ${Math.round(y)}px`;
      el.style.visibility = 'visible';
    });
    if (!shown.at.matches('input, select, textarea, [role]')) return undefined;
    const had = shown.at.getAttribute('aria-describedby');
    shown.at.setAttribute('aria-describedby', [had, id].filter(Boolean).join(' '));
    return () => {
      if (had === null) shown.at.removeAttribute('aria-describedby');
      else shown.at.setAttribute('aria-describedby', had);
    };
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
