'use client';

import { useMemo, useState } from 'react';
import {
  notedHours,
  runLines,
  sideBySide,
  standIn,
  type Beside,
} from '@/core/areas/power/model/log';
import { readHours, sayHours } from '@/core/areas/power/model/say';
import { sourcesOn, type Source } from '@/core/areas/power/model/sources';
import { forgetRun, logRun, runTrouble } from '@/core/areas/power/moves/run-log';
import { Button } from '@/ui/button';
import { Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { LogLine, Small } from './log-parts';

/** How long packs really lasted: noted, laid beside what is computed, and counted with from then on. */
export function RunLog({ facts }: { facts: RigFacts }) {
  const { built } = facts;
  const sources = useMemo(() => sourcesOn(built).filter((s) => s.feeds.length > 0), [built]);
  const lines = useMemo(() => runLines(built), [built]);
  return (
    <>
      {sources.map((s) => (
        <Note key={s.id} facts={facts} source={s} />
      ))}
      {lines.length === 0 ? null : (
        <Section title="Log of the packs">
          <Lines lines={lines} />
        </Section>
      )}
    </>
  );
}

function Lines({ lines }: { lines: ReturnType<typeof runLines> }) {
  const edit = useEdit();
  return (
    <ul>
      {lines.map((l) => (
        <LogLine
          key={l.id}
          said={l.said}
          odd={l.state === 'outside'}
          more={[
            l.when,
            l.hours
              ? `${sayHours(l.hours.value)} until it is changed`
              : 'too little of it was used to tell',
            l.forecast
              ? `forecast ${sayHours(l.forecast.value)}${l.state === 'outside' ? ': not as forecast' : ''}`
              : null,
            l.here
              ? null
              : 'with other things on it, or in other weather: it counts for nothing here',
          ]}
          onOut={() => edit(forgetRun(l.id))}
        />
      ))}
    </ul>
  );
}

const EMPTY = { hours: '', full: '100', left: '', madeUp: false };

/** One run of one source, noted. */
function Note({ facts: { built }, source }: { facts: RigFacts; source: Source }) {
  const edit = useEdit();
  const [noted, setNoted] = useState(EMPTY);
  const [said, setSaid] = useState('');
  const names = source.packs.map((p) => p.part.name).join(' and ');
  const beside = useMemo(() => sideBySide(built, source), [built, source]);
  const hours = readHours(noted.hours);
  const percent = (t: string) =>
    /^\d+([.,]\d+)?\s*%?$/.test(t.trim()) ? parseFloat(t.replace(',', '.')) : NaN;
  const run = { hours: hours ?? NaN, full: percent(noted.full), left: percent(noted.left) };
  const would = runTrouble(run) === null ? notedHours(built, run) : null;
  const set = (key: 'hours' | 'full' | 'left') => (t: string) => {
    setSaid('');
    setNoted({ ...noted, [key]: t, madeUp: false });
  };
  const keep = () => {
    const trouble = runTrouble(run);
    if (trouble) return setSaid(trouble);
    edit(
      logRun(built, source, {
        ...run,
        standIn: noted.madeUp,
        when: new Date().toISOString().slice(0, 10),
      }),
    );
    setNoted(EMPTY);
    setSaid('Kept in the log.');
  };
  const tryOut = () => {
    const made = standIn(built, source, Math.random);
    if (!made) return setSaid('A stand-in cannot run: a number is missing.');
    setNoted({
      hours: sayHours(made.hours),
      full: String(made.full),
      left: String(made.left),
      madeUp: true,
    });
    setSaid('A made-up pack ran under what is computed. Kept, it counts until it is taken out.');
  };
  return (
    <Section title={`How long ${names} really ${source.packs.length > 1 ? 'last' : 'lasts'}`}>
      <Beside of={would ? [...beside, { name: 'this run', hours: would }] : beside} names={names} />
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <Small label="ran" value={noted.hours} hint="1 h 12" onChange={set('hours')} />
        <Small label="shown before" value={noted.full} hint="%" onChange={set('full')} />
        <Small label="shown after" value={noted.left} hint="%" onChange={set('left')} />
        <Button onClick={keep}>Keep in the log</Button>
        <Button look="bare" onClick={tryOut}>
          Let a stand-in run
        </Button>
      </div>
      <p role="status" className="min-h-5 text-sm">
        {said ||
          (runTrouble(run) === null && !would ? 'Too little of it was used to tell anything.' : '')}
      </p>
    </Section>
  );
}

const W = 340;
const LEFT = 108;
const ROW = 20;

/** Lengths of time under each other: a bar as long as it is likely, a line as wide as it is in doubt. */
function Beside({ of, names }: { of: readonly Beside[]; names: string }) {
  if (of.length === 0) return <p>Nothing is computed yet: a number is missing.</p>;
  const most = Math.max(...of.map((b) => b.hours.hi), 0.1);
  const x = (h: number) => LEFT + (h / most) * (W - LEFT - 56);
  return (
    <svg
      viewBox={`0 0 ${W} ${of.length * ROW + 4}`}
      role="img"
      aria-label={`${names}: ${of.map((b) => `${b.name} ${sayHours(b.hours.value)}, ${sayHours(b.hours.lo)} to ${sayHours(b.hours.hi)}`).join('; ')}`}
      className="w-full max-w-xl"
    >
      {of.map(({ name, hours: h }, i) => (
        <g key={`${name} ${i}`} transform={`translate(0 ${i * ROW})`}>
          <text x={0} y={14} className="fill-soft text-[10px]">
            {name}
          </text>
          <rect
            x={LEFT}
            y={4}
            width={Math.max(1, x(h.value) - LEFT)}
            height={12}
            className={name === 'counted on' ? 'fill-sunk stroke-ink' : 'fill-sunk stroke-edge'}
          />
          <line x1={x(h.lo)} x2={x(h.hi)} y1={10} y2={10} className="stroke-ink" strokeWidth={2} />
          <text x={x(h.hi) + 5} y={14} className="fill-ink text-[10px]">
            {sayHours(h.value)}
          </text>
        </g>
      ))}
    </svg>
  );
}
