'use client';

import { useState } from 'react';
import { rateOfRun, recordedLines, standInCard } from '@/core/areas/media/model/log';
import { forgetCards, logCards, recordedTrouble } from '@/core/areas/media/moves/card-log';
import { exact, plain } from '@/core/quantity/say';
import { Button } from '@/ui/button';
import { Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { LogLine, Small } from './log-parts';

const EMPTY = { minutes: '', gigabytes: '', madeUp: false };

/** What recordings really came to: noted, laid beside what the mode is said to send. */
export function CardLog({ facts: { built } }: { facts: RigFacts }) {
  const edit = useEdit();
  const [noted, setNoted] = useState(EMPTY);
  const [said, setSaid] = useState('');
  const number = (t: string) =>
    /^\d+([.,]\d+)?$/.test(t.trim()) ? parseFloat(t.replace(',', '.')) : NaN;
  const run = { minutes: number(noted.minutes), gigabytes: number(noted.gigabytes) };
  const rate = recordedTrouble(run) === null ? rateOfRun(run) : null;
  const set = (key: 'minutes' | 'gigabytes') => (t: string) => {
    setSaid('');
    setNoted({ ...noted, [key]: t, madeUp: false });
  };
  const keep = () => {
    const trouble = recordedTrouble(run);
    if (trouble) return setSaid(trouble);
    const when = new Date().toISOString().slice(0, 10);
    const log = logCards(built, { ...run, standIn: noted.madeUp, when });
    if (!log) return setSaid('Say first which mode is recorded in.');
    edit(log);
    setNoted(EMPTY);
    setSaid('Kept in the log.');
  };
  const tryOut = () => {
    const made = standInCard(built, Math.random);
    if (!made)
      return setSaid(
        'A stand-in cannot record: no card is in, or its size or the data rate is missing.',
      );
    setNoted({ minutes: String(made.minutes), gigabytes: String(made.gigabytes), madeUp: true });
    setSaid('A made-up recorder filled what is in. Kept, it counts until it is taken out.');
  };
  const lines = recordedLines(built);
  return (
    <Section title={`How fast ${built.mode?.name ?? 'it'} really fills`}>
      <div className="flex flex-wrap items-end gap-2">
        <Small label="recorded, min" value={noted.minutes} hint="24" onChange={set('minutes')} />
        <Small label="came to, GB" value={noted.gigabytes} hint="210" onChange={set('gigabytes')} />
        <Button onClick={keep}>Keep in the log</Button>
        <Button look="bare" onClick={tryOut}>
          Let a stand-in record
        </Button>
      </div>
      <p role="status" className="min-h-5 text-sm">
        {said || (rate ? `That is ${plain(rate.value, 0)} Mb/s.` : '')}
      </p>
      <ul>
        {lines.map((l) => (
          <LogLine
            key={l.id}
            said={l.said}
            odd={l.faster}
            more={[
              l.when,
              l.rate
                ? `${plain(l.rate.value, 0)} Mb/s, ${exact(l.rate.lo, 0)} to ${exact(l.rate.hi, 0)}`
                : 'too short to tell',
              l.faster ? 'faster than the mode is said to send' : null,
            ]}
            onOut={() => edit(forgetCards(l.id))}
          />
        ))}
      </ul>
    </Section>
  );
}
