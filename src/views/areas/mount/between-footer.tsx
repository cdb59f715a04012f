'use client';

import { isReducer } from '@/core/kit/types';
import { setSlot, tieFoot } from '@/core/areas/mount/moves/chain';
import { usePartSheet } from '@/views/part/part-sheet';
import { useStore } from '@/views/store/store-context';
import { chainTrouble } from '../../bench/options';
import type { RigFacts } from '../../bench/use-rig';

/** What is said and set about the pieces between body and lens, under their list. */
export function BetweenFooter({ facts }: { facts: RigFacts }) {
  const store = useStore();
  const sheet = usePartSheet();
  const trouble = chainTrouble(facts);
  return (
    <div className="max-h-60 overflow-auto">
      {trouble.map((t) => (
        <p key={t} className="p-2 text-sm">
          {t}
        </p>
      ))}
      {facts.built.links.map(({ link, use, index }) => (
        <div key={`${link.id}${index}`} className="flex flex-wrap items-center gap-x-3 px-2">
          <button
            type="button"
            className="min-h-11 flex-1 text-left underline"
            onClick={() => sheet.open(link.id)}
          >
            Sheet of {link.name}
          </button>
          {link.foot ? (
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={use.tied === true}
                onChange={(e) =>
                  store?.edit(tieFoot(facts.rig, index, e.target.checked, link.name))
                }
              />
              foot tied
            </label>
          ) : null}
          {!isReducer(link) && link.slotGlass !== undefined ? (
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={(use.slot ?? 'glass') === 'glass'}
                onChange={(e) =>
                  store?.edit(
                    setSlot(facts.rig, index, e.target.checked ? 'glass' : 'empty', link.name),
                  )
                }
              />
              glass in the slot
            </label>
          ) : null}
        </div>
      ))}
    </div>
  );
}
