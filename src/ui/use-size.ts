'use client';

import { useEffect, useRef, useState } from 'react';

/** The size of an element, px, never below `least`; followed as it changes. */
export function useSize(first: { w: number; h: number }, least: { w: number; h: number }) {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(first);
  const { w, h } = least;
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const seen = new ResizeObserver(([e]) => {
      if (e) setSize({ w: Math.max(w, e.contentRect.width), h: Math.max(h, e.contentRect.height) });
    });
    seen.observe(el);
    return () => seen.disconnect();
  }, [w, h]);
  return { ref, ...size };
}
