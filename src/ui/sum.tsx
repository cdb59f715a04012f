'use client';

import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

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
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`min-h-11 rounded-sm px-1 text-left underline decoration-edge decoration-dotted underline-offset-4 hover:bg-sunk ${className}`}
        aria-label={`${label}: show the sum`}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className={`${POPOVER} max-w-[min(28rem,92vw)]`}
          sideOffset={4}
          collisionPadding={8}
        >
          <p className="mb-1 font-semibold">{label}</p>
          <p className="break-words">{sum}</p>
          <p className="mt-2 text-soft">{basis}</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
