'use client';

import { STATES } from '@/core/checks/finding';
import { Button } from '@/ui/button';
import { StateGlyph, STATE_TEXT, STATE_WORD } from '@/ui/state-mark';
import { useBench } from '@/views/bench/bench';
import { useShow } from './use-show';

/** How the open rig stands: how much fails, is tight, is unknown. A press shows it. */
export function Standing() {
  const bench = useBench();
  const { show, inPlace } = useShow();
  if (!bench) return null;
  const { verdicts, checks, behind } = bench.facts;
  const counts = STATES.flatMap((state) => {
    const n = verdicts.filter((v) => v.state === state).length;
    return state !== 'ok' && n > 0 ? [{ state, n }] : [];
  });
  const said = !checks
    ? 'looking at it'
    : counts.length === 0
      ? 'all ok'
      : counts.map((c) => `${c.n} ${STATE_WORD[c.state]}`).join(', ');
  return (
    <Button
      look="bare"
      className="shrink-0 gap-2.5 px-2"
      aria-label={`Findings: ${said}${behind ? ' before the last edit, looking again' : ''}. Show them`}
      title={`Findings: ${said}${behind ? ' before the last edit' : ''}`}
      aria-busy={behind}
      aria-expanded={inPlace ? undefined : bench.docked}
      onClick={() => (!inPlace && bench.docked ? bench.setDocked(false) : show('findings'))}
    >
      {!checks ? <span className="text-soft">...</span> : null}
      {checks && !behind && counts.length === 0 ? <StateGlyph state="ok" size={16} /> : null}
      {counts.map((c) => (
        <span
          key={c.state}
          className={`inline-flex items-center gap-1 font-semibold ${STATE_TEXT[c.state]}`}
        >
          <StateGlyph state={c.state} size={15} /> {c.n}
        </span>
      ))}
      {behind ? <span className="comes-late text-soft">...</span> : null}
    </Button>
  );
}
