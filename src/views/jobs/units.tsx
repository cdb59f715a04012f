'use client';

import { useEffect, useState } from 'react';
import { CHOICES, shown, type Units } from '@/core/quantity/shown';
import { LabelledSelect } from '@/ui/labelled-select';
import { useSnapshot } from '@/views/store/store-context';
import { chooseUnits } from '@/views/store/units';

const LABEL: Readonly<Record<keyof Units, string>> = {
  length: 'lengths',
  distance: 'distances',
  mass: 'masses',
  moment: 'moments',
  decimal: 'decimal mark',
};

const NAME: Readonly<Record<string, string>> = {
  mm: 'millimetres',
  in: 'inches',
  m: 'metres',
  ft: 'feet',
  g: 'grams',
  lb: 'pounds',
  'N m': 'newton metres',
  'lbf in': 'pound-force inches',
  point: 'a point: 12.5',
  comma: 'a comma: 12,5',
};

/** The units that this device shows numbers in. What is stored stays as it is. */
export function UnitsHere() {
  const { save } = useSnapshot();
  const [trouble, setTrouble] = useState(false);
  const [chosen, setChosen] = useState(false);
  // What is being written is written first.
  useEffect(() => {
    if (chosen && save !== 'saving') location.reload();
  }, [chosen, save]);
  return (
    <section aria-label="Units" className="mt-6 border-t border-rule pt-3">
      <h2 className="font-semibold">Units on this device</h2>
      <div className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
        {(Object.keys(CHOICES) as (keyof Units)[]).map((k) => (
          <LabelledSelect
            key={k}
            label={LABEL[k]}
            value={shown()[k]}
            options={CHOICES[k].map((u) => ({ id: u, name: NAME[u]! }))}
            onPick={(u) => {
              if (chooseUnits({ ...shown(), [k]: u })) setChosen(true);
              else setTrouble(true);
            }}
          />
        ))}
      </div>
      {trouble ? (
        <p role="status" className="text-fail">
          This browser keeps nothing, so it cannot keep units.
        </p>
      ) : null}
      <p className="mt-1 max-w-3xl text-soft">
        A number is typed in any unit and with either mark; without a unit it is taken in these.
        Chips, image circles, flanges, focal lengths and threads are in millimetres everywhere, and
        so are sums, house rules and files.
      </p>
    </section>
  );
}
