'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { createPortal, flushSync } from 'react-dom';
import { usePathname } from 'next/navigation';
import { check, CHECKS } from '@/core/areas/checks';
import { useBench } from '@/views/bench/bench';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot } from '@/views/store/store-context';
import { CarrySheet } from './carry-sheet';
import { ConfigurationsSheet } from './configurations-sheet';
import { KitSheet } from './kit-sheet';
import { PartPaper } from './part-paper';
import { PowerSheet } from './power-sheet';
import { RigSheet } from './rig-sheet';
import { SetSheet } from './set-sheet';
import { paperHere, type Paper } from './sizes';
import './paper.css';

/** As it is written where this device is. */
const today = () => new Date().toLocaleDateString(undefined, { dateStyle: 'medium' });

/**
 * What is printed: nothing of the screen, sheets of their own. Made when the browser is about to
 * print, gone when it has.
 */
export default function Sheets() {
  const { job, doc, configuration: open } = useSnapshot();
  const bench = useBench();
  const { part: shown } = usePartSheet();
  const path = usePathname();
  const [now, setNow] = useState<{ date: string; paper: Paper } | null>(null);
  useEffect(() => {
    const before = () => flushSync(() => setNow({ date: today(), paper: paperHere() }));
    const after = () => setNow(null);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    document.documentElement.dataset.sheets = 'ready';
    return () => {
      delete document.documentElement.dataset.sheets;
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  if (!now || !job) return null;
  const rig = bench?.rig;
  // Paper waits for nobody: what is still being looked at is looked at here.
  const facts =
    bench && (bench.facts.checks && !bench.facts.behind ? bench.facts : looked(bench.facts));
  const part = job.kit.find((p) => p.id === shown);
  const kit = part !== undefined || path === '/kit' || !facts || !rig;
  const configuration = rig?.configurations?.find((c) => c.id === open)?.name;
  const head = [
    job.name,
    ...(kit ? [part?.name ?? 'kit'] : [rig.name, configuration ?? '']),
    now.date,
  ]
    .filter(Boolean)
    .join(' / ');
  const sure = kit ? '' : 'each line says how sure it is: fails, tight, unknown, ok';
  let sheet: ReactNode;
  if (part) sheet = <PartPaper job={job} part={part} paper={now.paper} />;
  else if (kit) sheet = <KitSheet job={job} />;
  else if (path === '/set') sheet = <SetSheet job={job} rig={rig} />;
  else if (path === '/configurations' && doc)
    sheet = <ConfigurationsSheet doc={doc} rigId={rig.id} />;
  else if (path === '/carry') sheet = <CarrySheet facts={facts} />;
  else if (path === '/power') sheet = <PowerSheet facts={facts} />;
  else sheet = <RigSheet facts={facts} paper={now.paper} />;
  return createPortal(
    <div className="sheets" data-paper={now.paper} ref={() => heads(head, sure)}>
      {sheet}
    </div>,
    document.body,
  );
}

function looked(facts: RigFacts): RigFacts {
  return { ...facts, verdicts: check(facts.built), checks: CHECKS, behind: false };
}

/** The page boxes read these: they are there before the pages are laid out. */
function heads(head: string, sure: string): void {
  const { style } = document.documentElement;
  style.setProperty('--sheet-head', JSON.stringify(head));
  style.setProperty('--sheet-sure', JSON.stringify(sure));
}
