'use client';

import { Popover } from 'radix-ui';
import { useRef, useState, type ReactNode, type RefObject } from 'react';

export const POPOVER =
  'z-50 rounded-sm border border-edge bg-panel p-3 text-ink shadow-[0_6px_24px_rgb(0_0_0/0.28)]';

/** A number that opens to the sum behind it. */
export function Sum({
  children,
  label,
  sum,
  basis,
  className = '',
}: {
  children: ReactNode;
  /** What the number is, for those who do not see where it stands. */
  label: string;
  sum: string;
  basis: string;
  className?: string;
}) {
  // A rig shows dozens of these: the popover is only built for the one that is open.
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={`${label}: show the sum`}
        onClick={() => setOpen(!open)}
        className={`min-h-11 rounded-sm px-1 text-left underline decoration-edge decoration-dotted underline-offset-4 hover:bg-sunk ${className}`}
      >
        {children}
      </button>
      {open ? (
        <Popover.Root open onOpenChange={setOpen}>
          <Popover.Anchor virtualRef={button as RefObject<HTMLButtonElement>} />
          <Popover.Portal>
            <Popover.Content
              className={`${POPOVER} max-w-[min(28rem,92vw)]`}
              sideOffset={4}
              collisionPadding={8}
              aria-label={label}
              onCloseAutoFocus={(e) => {
                e.preventDefault();
                button.current?.focus();
              }}
              onInteractOutside={(e) => {
                // The button closes by itself; closing here as well would open it again.
                if (button.current?.contains(e.target as Node)) e.preventDefault();
              }}
            >
              <p className="mb-1 font-semibold">{label}</p>
              <p className="break-words">{sum}</p>
              <p className="mt-2 text-soft">{basis}</p>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      ) : null}
    </>
  );
}
