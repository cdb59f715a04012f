'use client';

import { useId, useMemo, useState } from 'react';
import {
  correctedWords,
  forecastOf,
  hangs,
  logOf,
  saySpan,
  scalable,
  type Measuring,
} from '@/core/areas/carry/model/log';
import { massOf } from '@/core/areas/carry/model/balance';
import { HOLDS } from '@/core/areas/carry/model/hold';
import { readOperator } from '@/core/kit/read-operator';
import { keepOperator, operator } from '@/views/store/operator';
import { forgetWeighing, logWeighing } from '@/core/areas/carry/moves/weighing';
import { Button } from '@/ui/button';
import { Amount, Choose, Length, Section, useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';

/** What is about to be logged: what is measured, and the number as far as it is there. */
export interface Draft {
  of: Measuring;
  value: number | undefined;
}

const WAYS = [
  { id: 'scale', name: 'on a scale', of: { what: 'scale' } },
  { id: 'edge-z', name: 'on an edge, along the lens', of: { what: 'edge', axis: 'z' } },
  { id: 'edge-x', name: 'on an edge, across', of: { what: 'edge', axis: 'x' } },
  { id: 'edge-y', name: 'on an edge, lying: up and down', of: { what: 'edge', axis: 'y' } },
  { id: 'hung-z', name: 'hung: how far the nose is down', of: { what: 'hung', axis: 'z' } },
  { id: 'hung-x', name: 'hung: how far it rolls', of: { what: 'hung', axis: 'x' } },
] as const satisfies readonly { id: string; name: string; of: Measuring }[];

/** What was measured of the rig as a whole, with the forecast beside it. */
export function CarryLog({
  facts,
  draft,
  onDraft,
}: {
  facts: RigFacts;
  draft: Draft;
  onDraft: (draft: Draft) => void;
}) {
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4 overflow-auto p-3">
      <Measure facts={facts} draft={draft} onDraft={onDraft} />
      <HeldFor facts={facts} />
      <Lines facts={facts} />
      <Corrected facts={facts} />
    </div>
  );
}

function Measure({
  facts: { built },
  draft: { of, value },
  onDraft,
}: {
  facts: RigFacts;
  draft: Draft;
  onDraft: (draft: Draft) => void;
}) {
  const edit = useEdit();
  const [kept, setKept] = useState('');
  const id = useId();
  const now = WAYS.find((w) => w.of.what === of.what && axisOf(w.of) === of.axis) ?? WAYS[0];
  const hanging = hangs(built);
  const forecast = useMemo(() => forecastOf(built, of), [built, of]);
  const set = (v: number | undefined) => {
    setKept('');
    onDraft({ of, value: v });
  };
  const keep = () => {
    if (value === undefined) return;
    edit(logWeighing(built, of, value, new Date().toISOString().slice(0, 10)));
    onDraft({ of, value: undefined });
    setKept('Kept in the log. What it corrected stands below.');
  };
  return (
    <Section title="What did you measure?">
      <Choose
        label="measured"
        none={null}
        value={now.id}
        options={WAYS.filter((w) => w.of.what !== 'hung' || hanging).map((w) => ({
          id: w.id,
          name: w.name,
          pick: () => onDraft({ of: w.of, value: undefined }),
        }))}
      />
      {of.what === 'scale' ? (
        <Choose
          label="on the scale"
          none={null}
          value={of.only ?? ''}
          options={[
            { id: '', name: 'all of it', pick: () => onDraft({ of: { what: 'scale' }, value }) },
            ...scalable(built).map((s) => ({
              id: s.use,
              name: s.name,
              pick: () => onDraft({ of: { what: 'scale', only: s.use }, value }),
            })),
          ]}
        />
      ) : null}
      {of.what === 'scale' ? (
        <Amount key="g" unit="g" label="the scale said" value={value} onKeep={set} />
      ) : of.what === 'edge' ? (
        <Length
          key={`e${of.axis}`}
          label="balanced at"
          hint={EDGE_HINT[of.axis ?? 'z']}
          value={value}
          onKeep={set}
        />
      ) : (
        <Length
          key={`h${of.axis}`}
          unit="deg"
          label="it hung"
          hint={of.axis === 'x' ? 'right side down above 0' : 'nose down above 0'}
          value={value}
          onKeep={set}
        />
      )}
      <p className="text-sm text-soft" id={id}>
        {forecast
          ? `Forecast ${saySpan(of, forecast)}.`
          : 'Nothing is forecast: a number is missing. All the more worth measuring.'}
        {of.what === 'edge' && of.axis !== 'y' ? ' The mark under the drawing can be dragged.' : ''}
      </p>
      <Button
        className="mt-1"
        aria-describedby={id}
        aria-disabled={value === undefined}
        onClick={keep}
      >
        Keep in the log
      </Button>
      <p role="status" className="text-sm">
        {kept}
      </p>
    </Section>
  );
}

/** How long somebody held it: theirs, on their device, and more worth than any rule. */
function HeldFor({ facts: { built } }: { facts: RigFacts }) {
  const by = built.rig.carry?.by;
  const [minutes, setMinutes] = useState<number | undefined>();
  const [trouble, setTrouble] = useState<string | null>(null);
  const mass = massOf(built);
  if (by === undefined || !BY_HAND.has(by) || !mass) return null;
  const keep = () => {
    if (minutes === undefined) return;
    const who = operator() ?? {};
    const times = [...(who.times ?? []), { by, mass: Math.round(mass.value), minutes }];
    const read = readOperator({ ...who, times: times.slice(-200) });
    if (!read.ok) setTrouble(read.error);
    else if (keepOperator(read.value)) location.reload();
    else setTrouble('This browser keeps nothing, so it cannot keep how long you held it.');
  };
  return (
    <Section title="How long did you hold it?">
      <Amount
        unit="min"
        label="you held it"
        value={minutes}
        hint={`${HOLDS[by].name}, in one go`}
        onKeep={setMinutes}
      />
      {minutes === undefined ? null : <Button onClick={keep}>Keep on this device</Button>}
      {trouble ? (
        <p role="status" className="text-fail">
          {trouble}
        </p>
      ) : null}
    </Section>
  );
}

/** Held by somebody, not by something. */
const BY_HAND: ReadonlySet<string> = new Set([
  'shoulder',
  'handle',
  'two-grips',
  'one-grip',
  'hugged',
  'hip',
]);

const axisOf = (m: Measuring) => m.axis;

const EDGE_HINT = {
  x: 'right of the axis above 0',
  y: 'above the axis above 0',
  z: 'ahead of the image plane above 0',
} as const;

const WORD = { inside: 'as forecast', outside: 'outside of what was forecast', none: '' } as const;

/** The log itself, latest first. */
function Lines({ facts: { built } }: { facts: RigFacts }) {
  const edit = useEdit();
  const lines = useMemo(() => logOf(built), [built]);
  return (
    <>
      <h3 className="mb-0.5 font-semibold">Log</h3>
      {lines.length === 0 ? (
        <p className="text-soft">
          Nothing yet. A whole rig on one scale, or balanced on an edge, corrects all that is on it.
        </p>
      ) : null}
      <ul>
        {lines.map((l) => (
          <li key={l.id} className="flex items-start gap-2 border-b border-rule py-1">
            <div className="min-w-0 flex-1">
              <p className="text-sm text-soft">
                {l.when ? `${l.when}, ` : ''}
                {l.what}
                {l.here ? '' : ', on another rig'}
              </p>
              <p>
                <span className="font-semibold">{l.measured}</span>
                {l.off ? `, ${l.off}` : ''}
              </p>
              <p className={l.state === 'outside' ? 'text-tight' : 'text-sm text-soft'}>
                {l.state === 'none' ? l.forecast : `forecast ${l.forecast}: ${WORD[l.state]}`}
              </p>
              {l.against ? (
                <p className="text-tight">
                  No masses in the kit explain this: nothing was corrected by it.
                </p>
              ) : null}
            </div>
            <Button
              look="bare"
              aria-label={`Take ${l.measured} out of the log`}
              onClick={() => edit(forgetWeighing(l.id))}
            >
              take out
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What all of it together says of the parts. */
function Corrected({ facts: { built } }: { facts: RigFacts }) {
  const sheet = usePartSheet();
  const list = useMemo(() => correctedWords(built), [built]);
  if (list.length === 0) return null;
  return (
    <>
      <h3 className="mb-0.5 font-semibold">What it corrects</h3>
      <p className="text-sm text-soft">
        Each number as near to what it was as the measurements let it, by its own tolerance. The
        numbers in the kit stay as they are.
      </p>
      <ul>
        {list.map((c) => (
          <li key={`${c.part} ${c.of}`}>
            <button
              type="button"
              className="min-h-11 w-full text-left"
              onClick={() => sheet.open(c.part)}
            >
              <span className="underline decoration-edge underline-offset-4">{c.name}</span>
              {c.text}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
