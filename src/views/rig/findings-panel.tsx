'use client';

import dynamic from 'next/dynamic';
import { memo, useEffect, useRef, useState } from 'react';
import type { Fix, Measurement, Verdict } from '@/core/checks/finding';
import { sayBasis } from '@/core/checks/basis';
import { sayRange } from '@/core/quantity/say';
import { ruleName } from '@/core/rules/rules';
import { TRIABLE } from '@/core/checks/tried';
import { Button } from '@/ui/button';
import { StateGlyph, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';
import { useStore } from '@/views/shell/store-context';
import type { Advice, RigFacts } from './use-rig';

const MeasureField = dynamic(() => import('./measure-panel').then((m) => m.MeasureField), {
  ssr: false,
});
const Cautions = dynamic(() => import('./cautions').then((m) => m.Cautions), { ssr: false });
const TryButtons = dynamic(() => import('./try-buttons').then((m) => m.TryButtons), {
  ssr: false,
  // As high as it will be: what stands below must not jump away from under a thumb.
  loading: () => <div className="min-h-11" />,
});
const MarkTestForm = dynamic(() => import('./mark-test-form').then((m) => m.MarkTestForm), {
  ssr: false,
});

/** The findings, worst first; the first that is not ok stands open with its fixes. */
export const FindingsPanel = memo(function FindingsPanel({
  facts,
  advice,
  lit,
  picked,
  onPick,
}: {
  facts: RigFacts;
  advice: Advice;
  lit: string | null;
  /** What was pressed by hand: only that is scrolled to. */
  picked: string | null;
  onPick: (key: string) => void;
}) {
  const { verdicts } = facts;
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
  const items = (verdicts: readonly Verdict[]) => (
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
    <section aria-labelledby="findings" className="flex min-h-0 flex-col bg-panel">
      <div className="flex items-center gap-4 px-4 pt-2">
        <h2 id="findings" tabIndex={-1} ref={head}>
          Findings
        </h2>
        <Counts verdicts={verdicts} />
      </div>
      <div ref={list} className="min-h-0 flex-1 overflow-auto px-2 pb-2">
        {open.length === 0 ? (
          <p className="px-2 py-2">
            {facts.checks
              ? 'Nothing fails, nothing is tight, nothing is unknown.'
              : 'Looking at it ...'}
          </p>
        ) : null}
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

const WASH = {
  ok: 'border-ok',
  tight: 'border-tight',
  fail: 'border-fail',
  unknown: 'border-unknown',
} as const;

function Item({
  facts,
  verdict: v,
  advice,
  open,
  onPick,
  after,
}: {
  facts: RigFacts;
  verdict: Verdict;
  advice: Advice;
  open: boolean;
  onPick: (key: string) => void;
  /** Where the eye goes on once a fix is taken and its line is gone. */
  after: () => void;
}) {
  const store = useStore();
  const waiting = advice.of !== facts || advice.key !== v.key;
  const fixes = waiting ? [] : advice.fixes;
  return (
    <li data-key={v.key} className={`my-0.5 border-l-4 ${WASH[v.state]} ${open ? 'bg-paper' : ''}`}>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => onPick(v.key)}
        className="flex min-h-11 w-full items-start gap-2.5 px-2 py-1.5 text-left hover:bg-sunk"
      >
        <span className="mt-0.5">
          <StateGlyph state={v.state} />
        </span>
        <span className="min-w-0 flex-1">
          <span className="sr-only">{STATE_WORD[v.state]}: </span>
          {v.why}
        </span>
      </button>
      {open ? (
        <div className="px-2 pb-2 pl-9">
          {fixes.length > 0 ? (
            <ul aria-label="Fixes that were tried" className="mb-1 flex flex-col gap-1">
              {fixes.map((f) => (
                <FixLine
                  key={f.title}
                  fix={f}
                  take={() => {
                    store?.edit({ title: f.title, changes: f.change });
                    after();
                  }}
                />
              ))}
            </ul>
          ) : null}
          {waiting && (v.state === 'fail' || v.state === 'tight') ? (
            // Room for the first fix, so that the findings below stay under the thumb.
            <p className="mb-1 flex min-h-11 items-center text-soft">
              {advice.trouble ?? 'Trying what could be changed ...'}
            </p>
          ) : null}
          {!waiting &&
          fixes.length === 0 &&
          (v.state === 'fail' || v.state === 'tight') &&
          v.wanted.length === 0 ? (
            <p className="mb-1 text-soft">Nothing in the kit that was tried clears this.</p>
          ) : null}
          {v.wanted.length > 0 ? (
            <div className="mb-1">
              <p>Look for:</p>
              <ul className="list-disc pl-5">
                {v.wanted.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
            </div>
          ) : null}
          {v.measure.slice(0, 3).map((m: Measurement) => (
            <MeasureField key={m.path.join('/')} facts={facts} measurement={m} />
          ))}
          {v.id === 'mount.flange' ? <MarkTestForm facts={facts} /> : null}
          {TRIABLE.includes(v.id) ? <TryButtons facts={facts} verdict={v} /> : null}
          <details className="text-sm text-soft">
            <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
              the sum, and what it rests on
            </summary>
            <p className="break-words text-ink">{v.sum}</p>
            {v.margin ? (
              <p>
                margin {sayRange(v.margin.lo, v.margin.hi, v.margin.unit)}
                {v.limit?.rule ? `, house rule: ${ruleName(v.limit.rule)}` : ''}
              </p>
            ) : null}
            <p>
              {facts.checks?.find((c) => c.id === v.id)?.title ?? 'Check'}; {sayBasis(v.basis)}
            </p>
          </details>
        </div>
      ) : null}
    </li>
  );
}

function FixLine({ fix, take }: { fix: Fix; take: () => void }) {
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <Button onClick={take} className="py-1">
        <StateGlyph state={fix.state} size={15} />
        {fix.title}
        {fix.toHire > 0 ? ' (to hire)' : ''}
      </Button>
      <span className="min-w-40 flex-1 text-sm text-soft">
        {fix.cost ? `${fix.cost}. ` : ''}
        {fix.then}
      </span>
    </li>
  );
}
