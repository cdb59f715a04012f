'use client';

import { shownUnit } from '@/core/quantity/shown';
import { useRouter } from 'next/navigation';
import { useId, useMemo, useState } from 'react';
import { build, shared } from '@/core/build/build';
import { check } from '@/core/areas/checks';
import { worst } from '@/core/checks/finding';
import { compare, type Side } from '@/core/compare/compare';
import type { Job, Rig } from '@/core/kit/types';
import { parseLength } from '@/core/quantity/parse';
import { exact, metres } from '@/core/quantity/say';
import { copyRig } from '@/core/solve/rigs';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';
import { StateMark } from '@/ui/state-mark';
import { Sum } from '@/ui/sum';
import { TextInput } from '@/views/part/cells';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { configurationTable } from '@/core/set/configurations';
import { useBench } from '@/views/bench/bench';
import { ChecksTable, type Column } from '@/views/configurations/checks-table';
import { FieldsDrawing } from './fields-drawing';
import { RigsDrawing } from './rigs-drawing';

/** Two set-ups on the same subject, side by side. */
export function CompareView() {
  const { job, rigId } = useSnapshot();
  const store = useStore();
  const rig = job?.rigs.find((r) => r.id === rigId) ?? job?.rigs[0];
  if (!job || job.rigs.length < 2)
    return (
      <section className="mx-auto max-w-xl p-8">
        <h1 className="mb-2 text-xl font-semibold">Compare</h1>
        <p>
          Two rigs are laid beside each other here, on one subject: field, depth, mass, findings. A
          second one is needed: copy the one you have and change what you want to weigh up.
        </p>
        {rig ? (
          <Button look="strong" className="mt-4" onClick={() => store?.edit(copyRig(rig).edit)}>
            Copy {rig.name}
          </Button>
        ) : null}
      </section>
    );
  return <Compare job={job} first={job.rigs.find((r) => r.id === rigId) ?? job.rigs[0]!} />;
}

function Compare({ job, first }: { job: Job; first: Rig }) {
  const [aId, setA] = useState(first.id);
  const [bId, setB] = useState(job.rigs.find((r) => r.id !== first.id)!.id);
  const [distance, setDistance] = useState(3000);

  const a = job.rigs.find((r) => r.id === aId) ?? job.rigs[0]!;
  const b = job.rigs.find((r) => r.id === bId) ?? job.rigs[1]!;
  const base = useMemo(() => shared(job), [job]);
  const c = useMemo(
    // Both against the same reference, or their figures could not be laid side by side.
    () =>
      compare(build(job, a, base), build(job, { ...b, reference: a.reference }, base), distance),
    [job, a, b, base, distance],
  );
  const table = useMemo(() => configurationTable(job, [a, b], base), [job, a, b, base]);
  const columns = useColumns(a, b);
  return (
    <section className="mx-auto max-w-6xl p-4">
      <h1 className="sr-only">Compare two rigs</h1>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <LabelledSelect label="A" value={a.id} options={job.rigs} onPick={setA} />
        <LabelledSelect label="B" value={b.id} options={job.rigs} onPick={setB} />
        <Distance distance={distance} onDistance={setDistance} />
      </div>
      <RigsDrawing a={c.a.built} b={c.b.built} />
      <div className="mt-3 grid gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]">
        <div>
          <FieldsDrawing comparison={c} />
          <ul className="mt-2 flex flex-col gap-1.5">
            {c.sentences.map((s) => (
              <li key={s}>{s}</li>
            ))}
            {c.nearest.length > 0 ? (
              <li className="text-soft">
                Nearest in the lens set:{' '}
                {c.nearest.map((n) => `${n.name} at ${exact(n.focal, 0)} mm`).join(', ')}.
              </li>
            ) : null}
          </ul>
        </div>
        <Figures a={c.a} b={c.b} />
      </div>
      <h2 className="mt-4 text-lg font-semibold">What is said of each</h2>
      <ChecksTable caption="Checks of both rigs" columns={columns} table={table} />
    </section>
  );
}

/** How far the subject is from A. */
function Distance({
  distance,
  onDistance,
}: {
  distance: number;
  onDistance: (mm: number) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="text-soft">
        subject from A, {shownUnit('m').unit}
      </label>
      <TextInput
        id={id}
        value={exact((distance / 1000) * shownUnit('m').per, 2)}
        className="w-24 text-right"
        check={(t) => {
          const r = parseLength(t, 1000 / shownUnit('m').per);
          return r.ok && r.value >= 50 && r.value <= 1e6 ? null : 'A distance, like 2.5.';
        }}
        onKeep={(t) => {
          const r = parseLength(t, 1000 / shownUnit('m').per);
          if (r.ok) onDistance(r.value);
        }}
      />
    </div>
  );
}

/** Both rigs as columns; a cell opens its rig at its finding. */
function useColumns(a: Rig, b: Rig): Column[] {
  const store = useStore();
  const bench = useBench();
  const router = useRouter();
  return [a, b].map((r, i): Column => {
    const name = `${i === 0 ? 'A' : 'B'}: ${r.name}`;
    return {
      key: `${i}`,
      name,
      head: <span className="block p-2 font-semibold">{name}</span>,
      open: (finding) => {
        store?.selectRig(r.id, null);
        bench?.setArea(null);
        bench?.setPicked(finding);
        bench?.setPanel('findings');
        router.push('/');
      },
    };
  });
}

function Figures({ a, b }: { a: Side; b: Side }) {
  const compared = [...a.readings, ...b.readings].filter((r) => !r.atFocus);
  const ids = [...new Set(compared.map((r) => r.id))];
  const state = (s: Side) => worst(check(s.built).map((v) => v.state));
  const depth = (s: Side) =>
    s.near === null || s.far === null
      ? 'unknown'
      : `${metres(s.near)} to ${Number.isFinite(s.far) ? metres(s.far) : 'infinity'}`;
  return (
    <table className="w-full">
      <thead>
        <tr className="border-b border-edge text-left">
          <th scope="col" className="font-normal text-soft">
            figure
          </th>
          <th scope="col" className="px-2">
            A: {a.built.rig.name}
          </th>
          <th scope="col" className="px-2">
            B: {b.built.rig.name}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr className="border-b border-rule">
          <th scope="row" className="py-2 text-left font-normal text-soft">
            worst finding
          </th>
          <td className="px-2">
            <StateMark state={state(a)} />
          </td>
          <td className="px-2">
            <StateMark state={state(b)} />
          </td>
        </tr>
        <tr className="border-b border-rule">
          <th scope="row" className="py-2 text-left font-normal text-soft">
            same framing from
          </th>
          <td className="px-2">{a.distance === null ? 'unknown' : metres(a.distance)}</td>
          <td className="px-2">{b.distance === null ? 'unknown' : metres(b.distance)}</td>
        </tr>
        <tr className="border-b border-rule">
          <th scope="row" className="py-2 text-left font-normal text-soft">
            sharp there
          </th>
          <td className="px-2">{depth(a)}</td>
          <td className="px-2">{depth(b)}</td>
        </tr>
        {ids.map((id) => {
          const ra = a.readings.find((r) => r.id === id);
          const rb = b.readings.find((r) => r.id === id);
          // Where mode or frame differ only the figure itself is named.
          const label = ra?.label === rb?.label ? ra?.label : (ra ?? rb)?.what;
          return (
            <tr key={id} className="border-b border-rule">
              <th scope="row" className="text-left font-normal text-soft">
                {label}
              </th>
              {[ra, rb].map((r, i) => (
                <td key={i} className="px-1">
                  {r ? (
                    <Sum label={r.label} sum={r.sum} basis={r.basis}>
                      {r.text}
                    </Sum>
                  ) : (
                    <span className="px-1 text-soft">none</span>
                  )}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
