'use client';

import Link from 'next/link';
import { Button } from '@/ui/button';

/** A view that broke: the others stand, and nothing that was kept is touched. */
export default function ViewError({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <section role="alert" className="mx-auto max-w-xl p-8">
      <h1 className="text-xl font-semibold">This view broke</h1>
      <p className="my-3">
        What is kept in this browser is untouched. Try again, take the last step back, or save every
        job as it lies here.
      </p>
      <p className="my-3 break-words text-soft">{error.message}</p>
      <div className="flex flex-wrap items-center gap-3">
        <Button look="strong" onClick={reset}>
          Try again
        </Button>
        <Link
          prefetch={false}
          className="inline-flex min-h-11 items-center underline"
          href="/rescue"
        >
          Save every job
        </Link>
      </div>
    </section>
  );
}
