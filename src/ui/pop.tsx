'use client';

import dynamic from 'next/dynamic';
import { Slot } from 'radix-ui';
import { useRef, useState, type ReactNode } from 'react';

/** What places and traps a popover comes when the first one is opened. */
const load = () => import('./pop-content').then((m) => m.PopContent);
const Later = dynamic(load, { ssr: false });
let loaded: Awaited<ReturnType<typeof load>> | null = null;

/** Fetches it while nothing else is going on, so that a press is answered at once. */
export async function preloadPop(): Promise<void> {
  loaded = await load();
}

/**
 * Something that opens beside what was pressed. A rig shows dozens of these, so the popover is
 * only built for the one that is open; the focus goes back to where it was.
 */
export function Pop({
  trigger,
  label,
  children,
  className = '',
  align = 'center',
  open: given,
  onOpenChange,
  ownFocus = false,
}: {
  /** The element that is pressed. */
  trigger: ReactNode;
  label: string;
  children: ReactNode;
  className?: string;
  align?: 'start' | 'center' | 'end';
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  /** The content takes the focus by itself. */
  ownFocus?: boolean;
}) {
  const [own, setOwn] = useState(false);
  const open = given ?? own;
  const anchor = useRef<HTMLElement>(null);
  const change = (to: boolean) => {
    setOwn(to);
    onOpenChange?.(to);
  };
  const Content = loaded ?? Later;
  return (
    <>
      <Slot.Root
        ref={anchor}
        aria-haspopup="dialog"
        aria-expanded={open}
        data-state={open ? 'open' : 'closed'}
        onClick={() => change(!open)}
      >
        {trigger}
      </Slot.Root>
      {open ? (
        <Content
          anchor={anchor}
          label={label}
          className={className}
          align={align}
          ownFocus={ownFocus}
          onOpenChange={change}
        >
          {children}
        </Content>
      ) : null}
    </>
  );
}
