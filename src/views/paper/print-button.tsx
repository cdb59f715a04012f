'use client';

import { useState } from 'react';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';
import { choosePaper, paperHere, type Paper } from './sizes';

const PAPERS = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'letter' },
];

/** Prints the sheet of this view; which paper is in the printer is remembered on this device. */
export function PrintButton() {
  const [paper, setPaper] = useState<Paper>(paperHere);
  return (
    <>
      <LabelledSelect
        label="paper"
        value={paper}
        options={PAPERS}
        onPick={(id) => {
          const to = id === 'letter' ? 'letter' : 'a4';
          choosePaper(to);
          setPaper(to);
        }}
      />
      <Button onClick={() => window.print()}>Print</Button>
    </>
  );
}
