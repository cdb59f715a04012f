'use client';

import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** The one dialog: a sheet at the right edge, or a plate in the middle. */
export function Dialog({
  open,
  onOpenChange,
  title,
  children,
  side = false,
  wide = false,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  children: ReactNode;
  side?: boolean;
  /** A sheet with a drawing on it. */
  wide?: boolean;
}) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-sunk/70" />
        <Radix.Content
          aria-describedby={undefined}
          onEscapeKeyDown={(e) => {
            // The first Escape puts back what stood in a field; the sheet stays.
            const at = document.activeElement;
            if (at instanceof HTMLElement && at.dataset.draft !== undefined) e.preventDefault();
          }}
          onOpenAutoFocus={(e) => {
            // What is typed first comes first, not the button that closes.
            const first = (e.currentTarget as HTMLElement).querySelector<HTMLElement>(
              '[data-first]',
            );
            if (!first) return;
            e.preventDefault();
            first.focus();
          }}
          className={`fixed z-50 flex flex-col border border-edge bg-panel shadow-[0_6px_30px_rgb(0_0_0/0.35)] ${
            side
              ? `inset-y-0 right-0 ${wide ? 'w-[min(62rem,100vw)]' : 'w-[min(30rem,100vw)]'}`
              : 'left-1/2 top-[12vh] max-h-[76vh] w-[min(40rem,94vw)] -translate-x-1/2 rounded-sm'
          }`}
        >
          <div className="flex items-center gap-2 border-b border-rule py-1 pl-4 pr-1">
            <Radix.Title className="min-w-0 flex-1 truncate text-lg font-semibold">
              {title}
            </Radix.Title>
            <Radix.Close
              aria-label="Close"
              className="grid size-11 place-items-center rounded-sm hover:bg-sunk"
            >
              <X size={20} aria-hidden="true" />
            </Radix.Close>
          </div>
          <div className="min-h-0 flex-1 overflow-auto p-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
