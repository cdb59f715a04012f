'use client';

import type { ReactNode } from 'react';
import { sayBasis } from '@/core/checks/basis';
import { Pop } from './pop';

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
    <Pop
      label={label}
      className="max-w-[min(28rem,92vw)] p-3"
      trigger={
        <button
          type="button"
          aria-label={`${label}: show the sum`}
          className={`min-h-11 rounded-sm px-1 text-left underline decoration-edge decoration-dotted underline-offset-4 hover:bg-sunk ${className}`}
        >
          {children}
        </button>
      }
    >
      <p className="mb-1 font-semibold">{label}</p>
      <p className="break-words">{sum}</p>
      <p className="mt-2 text-soft">{sayBasis(basis)}</p>
    </Pop>
  );
}
