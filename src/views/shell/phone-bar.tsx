'use client';

import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { worst } from '@/core/checks/finding';
import { Dialog } from '@/ui/dialog';
import { StateGlyph } from '@/ui/state-mark';
import { useBench } from '@/views/bench/bench';
import { PLACES } from '@/views/places';
import { useShow } from './use-show';
import { HelpButton, PlaceLink } from './rail';

const BUTTON =
  'flex min-h-14 flex-1 items-center justify-center border-r border-rule px-1 font-semibold last:border-r-0';

/** On a narrow screen: the places, the findings and what to measure, each one tap away. */
export default function PhoneBar() {
  const { show } = useShow();
  const path = usePathname();
  const bench = useBench();
  const [places, setPlaces] = useState(false);
  const open = bench?.facts.verdicts.filter((v) => v.state !== 'ok').length ?? 0;
  const here = PLACES.find((p) => p.to === path);
  return (
    <div
      role="group"
      aria-label="At hand"
      className="fixed inset-x-0 bottom-0 z-30 flex border-t border-edge bg-panel lg:hidden"
    >
      <button type="button" className={BUTTON} onClick={() => setPlaces(true)}>
        {here ? `${here.name}, go to` : 'Go to'} ...
      </button>
      {bench ? (
        <>
          <button type="button" className={`${BUTTON} gap-1.5`} onClick={() => show('findings')}>
            {bench.facts.checks && !(bench.facts.behind && open === 0) ? (
              <StateGlyph state={worst(bench.facts.verdicts.map((v) => v.state))} size={16} />
            ) : null}
            Findings {bench.facts.checks ? open : '...'}
          </button>
          <button type="button" className={BUTTON} onClick={() => show('measure')}>
            Measure next
          </button>
        </>
      ) : null}
      {places ? (
        <Dialog open onOpenChange={setPlaces} title="Places" side>
          <nav aria-label="Places">
            {PLACES.filter((p) => !p.aside).map((p) => (
              <PlaceLink
                key={p.to}
                to={p.to}
                name={p.name}
                here={path === p.to}
                onGo={() => setPlaces(false)}
              />
            ))}
            <HelpButton onGo={() => setPlaces(false)} />
          </nav>
        </Dialog>
      ) : null}
    </div>
  );
}
