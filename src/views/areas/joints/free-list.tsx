'use client';

import type { FreeHost } from '@/core/solve/fill';
import { Button } from '@/ui/button';
import { partsWords } from './place-words';

/** What is still free on the rig, with what of the kit would go there; pressed, it is tried. */
export function Free({
  free,
  open,
  onOpen,
  onHost,
}: {
  free: readonly FreeHost[] | null;
  open: boolean;
  onOpen: (open: boolean) => void;
  onHost: (key: string, name: string) => void;
}) {
  return (
    <section>
      <Button look="bare" aria-expanded={open} className="underline" onClick={() => onOpen(!open)}>
        {open ? 'Not what is free' : 'What is free on the rig?'}
      </Button>
      {open && free === null ? <p className="text-soft">It is being looked for ...</p> : null}
      {open && free?.length === 0 ? (
        <p>Nothing is free: no part on the rig names a hole, a shoe or a rail that is not taken.</p>
      ) : null}
      {open ? (
        <ul>
          {[...(free ?? [])]
            .sort((a, b) => Number(b.parts > 0) - Number(a.parts > 0))
            .map((h) => (
              <li key={h.key} className="border-t border-rule">
                <button
                  type="button"
                  className="min-h-11 w-full py-1 text-left hover:bg-paper disabled:cursor-default disabled:hover:bg-transparent"
                  disabled={h.parts === 0}
                  onClick={() => onHost(h.key, h.name)}
                >
                  <span
                    className={
                      h.parts > 0 ? 'block underline decoration-edge underline-offset-4' : 'block'
                    }
                  >
                    {h.name}
                  </span>
                  <span className="block text-sm text-soft">
                    {h.free}; {partsWords(h.parts)}
                  </span>
                </button>
              </li>
            ))}
        </ul>
      ) : null}
    </section>
  );
}
