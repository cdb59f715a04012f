'use client';

import dynamic from 'next/dynamic';
import type { RigFacts, Advice } from './use-rig';
import type { Verdict, Measurement, Fix } from '@/core/checks/finding';
import { useStore } from '@/views/store/store-context';
import { StateGlyph, STATE_WORD } from '@/ui/state-mark';
import { howMany, sayRange } from '@/core/quantity/say';
import { ruleName } from '@/core/rules/names';
import { sayBasis } from '@/core/checks/basis';
import { Button } from '@/ui/button';

const MeasureField = dynamic(() => import('./measure-panel').then((m) => m.MeasureField), {
  ssr: false,
});

const TryButtons = dynamic(() => import('./try-buttons').then((m) => m.TryButtons), {
  ssr: false,
  // As high as it will be: what stands below must not jump away from under a thumb.
  loading: () => <div className="min-h-11" />,
});

const MarkTestForm = dynamic(() => import('./mark-test-form').then((m) => m.MarkTestForm), {
  ssr: false,
});

const WASH = {
  ok: 'border-ok',
  tight: 'border-tight',
  fail: 'border-fail',
  unknown: 'border-unknown',
} as const;

interface ItemProps {
  facts: RigFacts;
  verdict: Verdict;
  advice: Advice;
  open: boolean;
  onPick: (key: string) => void;
  /** Where the eye goes on once a fix is taken and its line is gone. */
  after: () => void;
}

export function Item({ facts, verdict: v, advice, open, onPick, after }: ItemProps) {
  const store = useStore();
  const waiting = advice.of !== facts || advice.key !== v.key;
  const fixes = waiting ? [] : advice.fixes;
  const check = facts.checks?.find((c) => c.id === v.id);
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
          {check?.marks ? <MarkTestForm facts={facts} /> : null}
          {check?.tried?.(v) ? <TryButtons facts={facts} verdict={v} /> : null}
          <details className="text-sm text-soft">
            <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
              how it was worked out
            </summary>
            <p className="break-words text-ink">{v.sum}</p>
            {v.margin ? (
              <p>
                margin {sayRange(v.margin.lo, v.margin.hi, v.margin.unit)}
                {v.limit?.rule ? `, house rule: ${ruleName(v.limit.rule)}` : ''}
              </p>
            ) : null}
            <p>
              {check?.title ?? 'Check'}; {sayBasis(v.basis)}
            </p>
          </details>
        </div>
      ) : null}
    </li>
  );
}

/** What a fix takes, in figures that stand under each other. */
function takes({ parts, toHire }: Fix): string {
  const pieces = parts === 0 ? 'no piece' : howMany(parts, 'piece');
  return toHire > 0 ? `${pieces}, ${toHire} to hire` : pieces;
}

/** One shape for every fix: what it does, what it takes, what it gives, what it costs. */
function FixLine({ fix, take }: { fix: Fix; take: () => void }) {
  return (
    <li className="border-t border-rule py-1 first:border-t-0">
      <div className="flex items-center gap-3">
        <Button onClick={take} className="min-w-0 flex-1 justify-start py-1">
          <StateGlyph state={fix.state} size={15} />
          {fix.title}
        </Button>
        <span className="w-24 shrink-0 text-right text-sm text-soft">{takes(fix)}</span>
      </div>
      <dl className="pl-3 text-sm text-soft">
        <div className="flex gap-2">
          <dt className="w-12 shrink-0">gives</dt>
          <dd className="min-w-0 flex-1">{fix.then}</dd>
        </div>
        {fix.cost ? (
          <div className="flex gap-2">
            <dt className="w-12 shrink-0">costs</dt>
            <dd className="min-w-0 flex-1">{fix.cost}.</dd>
          </div>
        ) : null}
      </dl>
    </li>
  );
}
