'use client';

import { Popover, Slot } from 'radix-ui';
import { useRef, useState, type ReactNode, type RefObject } from 'react';

export const POPOVER =
  'z-50 rounded-sm border border-edge bg-panel text-ink shadow-[0_6px_24px_rgb(0_0_0/0.28)]';

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
  const before = useRef<HTMLElement | SVGElement | null>(null);
  const change = (to: boolean) => {
    setOwn(to);
    onOpenChange?.(to);
  };
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
        <Popover.Root open onOpenChange={change}>
          <Popover.Anchor virtualRef={anchor as RefObject<HTMLElement>} />
          <Popover.Portal>
            <Popover.Content
              ref={(el) => {
                if (el && !before.current) before.current = document.activeElement as HTMLElement;
              }}
              className={`${POPOVER} ${className}`}
              sideOffset={4}
              collisionPadding={8}
              align={align}
              aria-label={label}
              onOpenAutoFocus={(e) => ownFocus && e.preventDefault()}
              onCloseAutoFocus={(e) => {
                e.preventDefault();
                const back = before.current?.isConnected ? before.current : anchor.current;
                before.current = null;
                back?.focus();
              }}
              onInteractOutside={(e) => {
                // What was pressed closes by itself; closing here as well would open it again.
                if (anchor.current?.contains(e.target as Node)) e.preventDefault();
              }}
            >
              {children}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      ) : null}
    </>
  );
}
