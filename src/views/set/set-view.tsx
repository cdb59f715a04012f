'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import type { Job, Rig } from '@/core/kit/types';
import { inWords } from '@/core/checks/judge';
import { sayCommonStop } from '@/core/set/common-stop';
import { fieldText, setTable } from '@/core/set/table';
import { Button, buttonClass } from '@/ui/button';
import { StateGlyph, STATE_WORD } from '@/ui/state-mark';
import { lensName } from '@/views/bench/options';
import { PrintButton } from '@/views/paper/print-button';
import { usePartSheet } from '@/views/part/part-sheet';
import { useSnapshot, useStore } from '@/views/store/store-context';
import { DressedDrawing, oneScale } from './dressed-drawing';

/** Which glass covers which mode: the whole lens set against every mode of the body. */
export function SetView() {
  const { job, rigId } = useSnapshot();
  const rig = job?.rigs.find((r) => r.id === rigId);
  if (!job || !rig) return <p className="p-8 text-soft">No rig is open.</p>;
  return <Table job={job} rig={rig} />;
}

function Table({ job, rig }: { job: Job; rig: Rig }) {
  const table = useMemo(() => setTable(job, rig), [job, rig]);
  const scale = useMemo(() => oneScale(table.rows.map((r) => r.dressed)), [table]);
  const store = useStore();
  const router = useRouter();
  const body = job.kit.find((p) => p.id === rig.body);
  const frames = rig.frames.map((f) => f.name).join(' and ');
  return (
    <section className="p-4">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <h1 className="text-xl font-semibold">Lens set on {body?.name ?? 'no body'}</h1>
        <span className="flex items-center gap-2">
          <PrintButton />
        </span>
      </div>
      <p className="mb-3 max-w-3xl text-soft">
        {frames
          ? `Room at the corners of the ${frames} frame, the closest of them, with the adapters that follow each lens.`
          : 'Room at the corners of each mode, with the adapters that follow each lens.'}{' '}
        Press a cell to put that lens on and record in that mode.
      </p>
      <p className="mb-3 max-w-3xl" role="status">
        {sayCommonStop(table.common)}
      </p>
      {table.modes.length === 0 || table.rows.length === 0 ? (
        <Nothing body={body ?? null} modes={table.modes.length} />
      ) : (
        <div className="overflow-x-auto">
          <table className="border-collapse">
            <thead>
              <tr>
                <th scope="col" className="sticky left-0 bg-paper p-2 text-left">
                  lens
                </th>
                {table.modes.map((m) => (
                  <th key={m.id} scope="col" className="min-w-40 p-2 text-left">
                    {m.name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {table.rows.map(({ lens, between, own, dressed, cells }) => (
                <tr key={lens.id} className="border-t border-rule">
                  <th scope="row" className="sticky left-0 bg-paper p-2 text-left font-normal">
                    <span className="flex items-center gap-3">
                      <span className="hidden sm:block">
                        <DressedDrawing dressed={dressed} k={scale} />
                      </span>
                      <span>
                        <span className={lens.id === rig.lens ? 'font-semibold' : ''}>
                          {lens.name}
                        </span>
                        <span className="block text-sm text-soft">
                          {lensName(lens)}
                          {own
                            ? between
                              ? `; with the ${between} that is on`
                              : ''
                            : `; would want ${between === '' ? 'nothing between' : between} instead`}
                          {dressed.dressed.length > 0
                            ? `; dressed with ${inWords(dressed.dressed)}`
                            : ''}
                        </span>
                      </span>
                    </span>
                  </th>
                  {cells.map((c) => {
                    const on = c.lens === rig.lens && c.mode === rig.mode;
                    return (
                      <td key={c.mode} className="p-0.5">
                        <button
                          type="button"
                          title={c.why}
                          aria-label={`${lens.name}: ${STATE_WORD[c.state]}, ${c.text}${on ? ', on the rig' : ''}`}
                          aria-current={on || undefined}
                          onClick={() => {
                            store?.edit(c.edit);
                            router.push('/');
                          }}
                          className={`flex min-h-12 w-full items-center gap-2 rounded-sm border bg-panel px-2 text-left hover:bg-sunk ${on ? 'border-2 border-accent' : 'border-rule'}`}
                        >
                          <StateGlyph state={c.state} />
                          <span className="flex-1 whitespace-nowrap font-semibold">{c.text}</span>
                          <span className="text-sm text-soft">{fieldText(c.field)}</span>
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** Why there is no table, and the one thing to do about it. */
function Nothing({ body, modes }: { body: { id: string; name: string } | null; modes: number }) {
  const sheet = usePartSheet();
  if (body && modes === 0)
    return (
      <>
        <p className="mb-3">{body.name} has no recording modes yet.</p>
        <Button look="strong" onClick={() => sheet.open(body.id)}>
          Give them on its sheet
        </Button>
      </>
    );
  return (
    <>
      <p className="mb-3">
        {body ? 'There are no lenses in the kit yet.' : 'There is no body on this rig yet.'}
      </p>
      <Link prefetch={false} href={body ? '/kit' : '/begin'} className={buttonClass('strong')}>
        {body ? 'To the kit' : 'Begin a rig'}
      </Link>
    </>
  );
}
