'use client';

import dynamic from 'next/dynamic';
import { memo } from 'react';
import { readPath } from '@/core/edit/path';
import type { Measurement } from '@/core/checks/finding';
import { fieldAt, type Field, type RowsField } from '@/core/kit/fields';
import type { QuantityInput } from '@/core/quantity/quantity';
import { setField } from '@/core/solve/kit-moves';
import { QuantityField } from '@/ui/quantity-field';
import { useHint } from '@/views/part/use-hint';
import { useStore } from '@/views/store/store-context';
import { useLooking, type Bench } from './bench';
import type { Advice, RigFacts } from './use-rig';

/** Fields that are no number (a choice, a table) are asked for now and then. */
const FieldEditor = dynamic(() => import('@/views/part/field-editor').then((m) => m.FieldEditor), {
  ssr: false,
});

/** What to measure next of the open rig, as every place shows it. */
export function BenchMeasure({ bench, headingId }: { bench: Bench; headingId?: string }) {
  useLooking(bench);
  return <MeasurePanel facts={bench.facts} advice={bench.advice} headingId={headingId} />;
}

/** What to measure next over the whole rig: a list to work down with calipers. */
export const MeasurePanel = memo(function MeasurePanel({
  facts,
  advice,
  headingId = 'measure',
}: {
  facts: RigFacts;
  advice: Advice;
  headingId?: string;
}) {
  const list = advice.measure.slice(0, 12);
  return (
    <section
      aria-labelledby={headingId}
      className="flex min-h-0 flex-col border-t border-rule bg-panel lg:border-l lg:border-t-0"
    >
      <h2 id={headingId} className="px-3 pt-2">
        Measure next
      </h2>
      <ol className="min-h-0 flex-1 overflow-auto px-3 pb-2">
        {list.length === 0 ? (
          <li className="py-2 text-soft">
            {advice.measured === facts
              ? 'No number would change a finding.'
              : 'Working out what to measure ...'}
          </li>
        ) : null}
        {list.map((m) => (
          <li key={m.path.join('/')} className="border-b border-rule py-1.5">
            <p>
              {m.label}
              <span className="block text-sm text-soft">
                {m.settles.length > 0
                  ? `settles ${m.settles.length} ${m.settles.length === 1 ? 'finding' : 'findings'}`
                  : `affects ${m.bears.length} ${m.bears.length === 1 ? 'finding' : 'findings'}${m.missing ? '' : `, ${Math.round((m.share / m.bears.length) * 100)} % of its uncertainty`}`}
                {m.enough ? `; ${m.enough}` : ''}
              </span>
            </p>
            <MeasureField
              facts={facts}
              measurement={{ ...m, share: m.share, missing: m.missing }}
              bare
            />
          </li>
        ))}
      </ol>
    </section>
  );
});

/** The one number that a line of a table cannot do without; null when there are more or none. */
function onlyNeeded(field: RowsField) {
  const needed = field.fields.filter((f) => f.required);
  const one = needed[0];
  return needed.length === 1 && one?.type === 'quantity' && !field.keyed ? one : null;
}

interface MeasureFieldProps {
  facts: RigFacts;
  measurement: Measurement;
  bare?: boolean;
}

/** The field of a measurement, right where it is asked for. */
export function MeasureField({ facts, measurement: m, bare = false }: MeasureFieldProps) {
  const store = useStore();
  const part = facts.base.kit.get(m.part);
  const field: Field | null = !part
    ? null
    : m.path[0] === 'mounts'
      ? {
          type: 'quantity',
          key: 'throat',
          label: m.label,
          unit: 'mm',
          cls: 'length',
          min: 1,
          max: 300,
        }
      : fieldAt(part.kind, m.path.slice(2));
  const hint = useHint(part?.kind ?? '', bare ? null : field);
  if (!part || !field) return null;
  // A table that has no line yet and needs one number for it begins with that number.
  const first = field.type === 'rows' ? onlyNeeded(field) : null;
  if (first && readPath(facts.job, m.path) === undefined)
    return (
      <QuantityField
        label={m.label}
        showLabel={!bare}
        compact={bare}
        hint={hint}
        unit={first.unit}
        cls={first.cls}
        min={first.min}
        max={first.max}
        value={undefined}
        defaultSource="measured"
        onKeep={(v) => {
          if (v !== undefined)
            store?.edit({
              title: `Give ${m.label}`,
              changes: [{ path: m.path, value: [{ [first.key]: v }] }],
            });
        }}
      />
    );
  if (field.type !== 'quantity')
    return <FieldEditor field={field} part={part} path={m.path} begin bare />;
  return (
    <QuantityField
      label={m.label}
      showLabel={!bare}
      compact={bare}
      hint={hint}
      unit={field.unit}
      cls={field.cls}
      min={field.min}
      max={field.max}
      value={readPath(facts.job, m.path) as QuantityInput | undefined}
      defaultSource="measured"
      onKeep={(v) => {
        // An image circle that has no line in the table yet begins one.
        if (
          m.path[2] === 'imageCircle' &&
          readPath(facts.job, m.path.slice(0, 4)) === undefined &&
          v !== undefined
        )
          store?.edit({
            title: `Give ${m.label}`,
            changes: [{ path: m.path.slice(0, 3), value: [{ diameter: v }] }],
          });
        else store?.edit(setField(facts.job, m.path, v, m.label));
      }}
    />
  );
}
