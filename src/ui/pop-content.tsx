'use client';

import { Popover } from 'radix-ui';
import { useRef, useState, type ReactNode, type RefObject } from 'react';

export const POPOVER =
  'z-50 rounded-sm border border-edge bg-panel text-ink shadow-[0_6px_24px_rgb(0_0_0/0.28)]';

/** Drawings that stay in sight while a form over them is filled in: it opens under them. */
const IN_SIGHT = 'section[aria-label="The line"]';
/** With less room than this under a drawing a form covers it after all, px. */
const LEAST = 280;

/** What a form opens beside: what was pressed, down to the end of the drawing it lies over. */
function downTo(pressed: Element): DOMRect {
  const at = pressed.getBoundingClientRect();
  const drawn = document.querySelector(IN_SIGHT)?.getBoundingClientRect();
  if (!drawn || at.bottom > drawn.bottom || window.innerHeight - drawn.bottom < LEAST) return at;
  return new DOMRect(at.x, at.y, at.width, drawn.bottom - at.y);
}

/** What opens beside the thing that was pressed; the focus goes back to where it was. */
export function PopContent({
  anchor,
  label,
  children,
  className,
  align,
  ownFocus,
  onOpenChange,
}: {
  anchor: RefObject<HTMLElement | null>;
  label: string;
  children: ReactNode;
  className: string;
  align: 'start' | 'center' | 'end';
  ownFocus: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  // A list is short and belongs to what was pressed; a form is worked in while one looks.
  const [form] = useState(() => ({
    current: { getBoundingClientRect: () => downTo(anchor.current!) },
  }));
  const before = useRef<HTMLElement | SVGElement | null>(null);
  return (
    <Popover.Root open onOpenChange={onOpenChange}>
      <Popover.Anchor virtualRef={ownFocus ? (anchor as RefObject<HTMLElement>) : form} />
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
  );
}
