'use client';

import dynamic from 'next/dynamic';
import { type Bench, useLooking } from './bench';
import type { RigFacts, Advice } from './use-rig';
import { memo, useState, useRef, useEffect } from 'react';
import { later, useLater } from '@/ui/use-later';
import { useAreas } from '@/views/store/use-checks';
import type { Verdict } from '@/core/checks/finding';

import { Button } from '@/ui/button';
import { StateGlyph, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';

const Cautions = dynamic(() => import('./cautions').then((m) => m.Cautions), { ssr: false });

/** A finding opened out comes with the checks: before them there is none. */
export const item = later(() => import('./finding-item').then((m) => m.Item));

/** So does the choice of an area: which of them have findings the checks say. */
const AreaFilter = dynamic(() => import('./area-filter').then((m) => m.AreaFilter), { ssr: false });

/** The findings of the open rig, as every place shows them. */
export function BenchFindings({
  bench,
  onPick = bench.setPicked,
  headingId,
  underTab,
}: {
  bench: Bench;
  onPick?: (key: string) => void;
  headingId?: string;
  underTab?: boolean;
}) {
  useLooking(bench);
  return (
    <FindingsPanel
      facts={bench.facts}
      advice={bench.advice}
      lit={bench.lit}
      picked={bench.picked}
      onPick={onPick}
      area={bench.area}
      onArea={bench.setArea}
      headingId={headingId}
      underTab={underTab}
    />
  );
}

/** The findings, worst first; the first that is not ok stands open with its fixes. */
export const FindingsPanel = memo(function FindingsPanel({
  facts,
  advice,
  lit,
  picked,
  onPick,
  area = null,
  onArea,
  headingId = 'findings',
  underTab = false,
}: {
  facts: RigFacts;
  advice: Advice;
  lit: string | null;
  /** What was pressed by hand: only that is scrolled to. */
  picked: string | null;
  onPick: (key: string) => void;
  /** The area whose findings are shown; null for all. */
  area?: string | null;
  onArea?: (area: string | null) => void;
  headingId?: string;
  /** A tab says already what it is. */
  underTab?: boolean;
}) {
  const areas = useAreas();
  const Item = useLater(item);
  const verdicts =
    area === null || !areas
      ? facts.verdicts
      : facts.verdicts.filter((v) => areas.areaOf(v.id)?.id === area);
  const open = verdicts.filter((v) => v.state !== 'ok');
  const fine = verdicts.filter((v) => v.state === 'ok');
  const [showFine, setShowFine] = useState(false);
  const litFine = fine.some((v) => v.key === lit);
  const list = useRef<HTMLDivElement>(null);
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    const el = list.current;
    if (!el || !picked) return;
    el.querySelector(`[data-key="${CSS.escape(picked)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [picked]);
  const items = (verdicts: readonly Verdict[]) =>
    Item && (
      <ul>
        {verdicts.map((v) => (
          <Item
            key={v.key}
            facts={facts}
            verdict={v}
            advice={advice}
            open={v.key === lit}
            onPick={onPick}
            after={() => head.current?.focus()}
          />
        ))}
      </ul>
    );
  return (
    <section aria-labelledby={headingId} className="flex min-h-0 flex-1 flex-col bg-panel">
      <div className="flex items-center gap-x-4 px-4 pt-1">
        <h2 id={headingId} tabIndex={-1} ref={head} className={underTab ? 'sr-only' : ''}>
          Findings
        </h2>
        <Counts verdicts={verdicts} />
        {facts.behind ? (
          <p className="comes-late whitespace-nowrap text-soft">before the last edit</p>
        ) : null}
        {onArea && areas ? (
          <AreaFilter facts={facts} areas={areas} area={area} onArea={onArea} onPick={onPick} />
        ) : null}
      </div>
      <div ref={list} aria-busy={facts.behind} className="min-h-0 flex-1 overflow-auto px-2 pb-2">
        {open.length === 0 ? <NothingOpen facts={facts} area={area} /> : null}
        {items(open)}
        {fine.length > 0 ? (
          <>
            <Button
              look="bare"
              className="w-full justify-start"
              aria-expanded={showFine || litFine}
              onClick={() => setShowFine(!showFine)}
            >
              <StateGlyph state="ok" />
              <span className="text-soft">
                {fine.length} {fine.length === 1 ? 'finding is' : 'findings are'} ok
              </span>
            </Button>
            {showFine || litFine ? items(fine) : null}
          </>
        ) : null}
        <Cautions facts={facts} />
      </div>
    </section>
  );
});

/** Said only of what was looked at. */
function NothingOpen({ facts, area }: { facts: RigFacts; area: string | null }) {
  return (
    <p className="px-2 py-2">
      {!facts.checks || facts.behind
        ? 'Looking at it ...'
        : area === null
          ? 'Nothing fails, nothing is tight, nothing is unknown.'
          : 'Nothing of this area fails, is tight or is unknown.'}
    </p>
  );
}

function Counts({ verdicts }: { verdicts: readonly Verdict[] }) {
  return (
    <p className="flex flex-wrap gap-x-3">
      {(['fail', 'tight', 'unknown'] as const).map((s) => {
        const n = verdicts.filter((v) => v.state === s).length;
        return n > 0 ? (
          <span key={s} className={`inline-flex items-center gap-1 font-semibold ${STATE_TEXT[s]}`}>
            <StateGlyph state={s} size={15} /> {n} {s === 'fail' && n > 1 ? 'fail' : STATE_WORD[s]}
          </span>
        ) : null;
      })}
    </p>
  );
}
