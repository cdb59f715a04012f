'use client';

import type { CornerReading } from '@/core/areas/front/model/view';
import { proxy } from 'comlink';
import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { cleanScale } from '@/core/areas/front/model/shading';
import { CORNERS } from '@/core/areas/front/model/judged';
import type { Setting } from '@/core/areas/front/model/situations';
import type { SweepCell, SweepPlan } from '@/core/areas/front/model/sweep';
import { BLACK } from '@/core/pupil/map';
import { exact, plain, say } from '@/core/quantity/say';
import { Button } from '@/ui/button';
import { useStore } from '@/views/store/store-context';
import { cancelSweep, sweeper } from '@/workers/rig';
import type { RigFacts, Shading } from '../../bench/use-rig';
import { Diagonal } from './diagonal';

/** The corners in figures: what takes them, the profile along the diagonal, the full sweep. */
export default function CornersPanel({
  facts,
  shading,
  onSetting,
}: {
  facts: RigFacts;
  shading: Shading;
  onSetting: (s: Setting | null) => void;
}) {
  const { view } = shading;
  if (!view)
    return (
      <p className="py-2 text-soft">
        {facts.built.lens
          ? 'The shading is not known: a number that it needs is missing. The findings say which.'
          : 'Put a lens on: then the corners can be computed.'}
      </p>
    );
  return (
    <div className="flex flex-col gap-2">
      <Readings facts={facts} shading={shading} />
      <Diagonal facts={facts} shading={shading} />
      <Sweep facts={facts} onSetting={onSetting} />
    </div>
  );
}

function lossText(loss: number): string {
  return loss >= BLACK ? 'black' : loss < 0.005 ? '0' : exact(loss, 2);
}

function Readings({ facts, shading }: { facts: RigFacts; shading: Shading }) {
  const view = shading.view!;
  const culprits = [...new Set(view.corners.flatMap((c) => (c.culprit ? [c.culprit] : [])))];
  const limit = facts.built.rules['front.vignette-tight'];
  const clean = useMemo(
    () =>
      facts.built.frames.flatMap((f) => {
        const scale = cleanScale(facts.built, f, limit);
        return scale === null ? [] : [`${f.name} ${exact(scale * 100, 1)} %`];
      }),
    [facts, limit],
  );
  const natural = shading.map?.naturalFrom === 'table' ? 'lens' : 'lens, cos\u2074';
  return (
    <>
      <table className="w-full text-right">
        <caption className="text-left text-sm text-soft">
          stops lost, {view.judged.frame ? `${view.judged.name} frame` : 'whole chip'},{' '}
          {view.situation.label}
        </caption>
        <thead className="text-sm text-soft">
          <tr>
            <th scope="col" className="text-left font-normal">
              corner
            </th>
            <th scope="col" className="font-normal">
              front
            </th>
            <th scope="col" className="font-normal">
              {natural}
            </th>
            <th scope="col" className="font-normal">
              reducer
            </th>
          </tr>
        </thead>
        <tbody>
          {view.corners.map((c, i) => (
            <CornerRow key={CORNERS[i]} name={CORNERS[i]!} c={c} />
          ))}
        </tbody>
      </table>
      <p className="text-sm text-soft">
        {culprits.length > 0 ? `Most is taken by the ${culprits.join(', the ')}. ` : ''}
        {clean.length > 0
          ? `Largest frames within ${plain(limit, 2)} stops at every setting: ${clean.join(', ')}.`
          : ''}
      </p>
    </>
  );
}

interface Swept {
  of: RigFacts;
  plan: SweepPlan;
  cells: SweepCell[];
}

/** Every focal length, focus and stop: a table of the worst corner, each cell leads to its picture. */
function Sweep({ facts, onSetting }: { facts: RigFacts; onSetting: (s: Setting | null) => void }) {
  const store = useStore();
  const [share, setShare] = useState<number | null>(null);
  const [swept, setSwept] = useState<Swept | null>(null);
  const [chosen, setFrame] = useState<string | null>(null);
  const frame = chosen ?? facts.rig.frames[0]?.id ?? 'chip';
  const running = useRef(0);
  useEffect(
    () => () => {
      running.current++;
      void cancelSweep().catch(() => undefined);
    },
    [],
  );
  const start = async () => {
    const own = ++running.current;
    setShare(0);
    const result = await sweeper
      .ask(facts.job, (w, n) =>
        w.sweep(
          n,
          facts.rig.id,
          proxy((s: number) => {
            if (own === running.current) setShare(s);
          }),
        ),
      )
      .catch((e: unknown) => {
        store?.notice(e instanceof Error ? e.message : String(e), 'warn');
        return null;
      });
    if (own !== running.current) return;
    // Progress that is still on its way comes too late.
    running.current++;
    setShare(null);
    // A table of many cells: drawn when the frame has time for it.
    if (result) startTransition(() => setSwept({ of: facts, ...result }));
  };
  const cancel = () => {
    running.current++;
    setShare(null);
    void cancelSweep().catch(() => undefined);
  };
  const old = swept !== null && swept.of !== facts;
  return (
    <section aria-label="Sweep over zoom, focus and stop">
      <div className="flex flex-wrap items-center gap-2">
        {share === null ? (
          <Button onClick={() => void start()}>Sweep zoom, focus, stop</Button>
        ) : (
          <>
            <progress
              value={share}
              max={1}
              className="h-3 flex-1 accent-current"
              aria-label="Sweep"
            />
            <Button onClick={cancel}>Stop it</Button>
          </>
        )}
        {swept ? (
          <label className="flex items-center gap-2 text-sm text-soft">
            of
            <select
              aria-label="Frame of the sweep"
              value={frame}
              onChange={(e) => setFrame(e.target.value)}
              className="h-11 rounded-sm border border-edge bg-paper px-2"
            >
              {[...new Set(swept.cells.map((c) => c.frame))].map((f) => (
                <option key={f} value={f}>
                  {f === 'chip'
                    ? 'the chip'
                    : (swept.of.rig.frames.find((x) => x.id === f)?.name ?? f)}
                </option>
              ))}
            </select>
          </label>
        ) : null}
      </div>
      {old ? <p className="text-sm text-soft">The rig has changed since: sweep again.</p> : null}
      {swept ? <SweepTable swept={swept} frame={frame} onSetting={onSetting} /> : null}
    </section>
  );
}

interface SweepTableProps {
  swept: Swept;
  frame: string;
  onSetting: (s: Setting | null) => void;
}

function SweepTable({ swept, frame, onSetting }: SweepTableProps) {
  const { plan, cells } = swept;
  const rules = swept.of.built.rules;
  const at = new Map<string, SweepCell>();
  for (const c of cells) {
    if (c.frame === frame) at.set(`${c.setting.stop}/${c.setting.focus}/${c.setting.focal}`, c);
  }
  const rows = plan.stops.flatMap((stop, i) =>
    plan.foci.map((focus) => ({
      stop: stop === 'mid' ? (plan.ts[i] ?? 'used') : stop,
      t: plan.ts[i],
      focus,
    })),
  );
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-right text-sm">
        <caption className="sr-only">Stops lost in the worst corner</caption>
        <thead>
          <tr className="text-soft">
            <th scope="col" className="text-left font-normal">
              T, focus
            </th>
            {plan.focals.map((f) => (
              <th key={f ?? 'prime'} scope="col" className="px-0.5 font-normal">
                {f === null ? 'loss' : plain(f, 0)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={`${r.stop}/${r.focus}`} className="border-t border-rule">
              <th scope="row" className="whitespace-nowrap text-left font-normal text-soft">
                {r.t === null || r.t === undefined ? '?' : plain(r.t, 1)},{' '}
                {Number.isFinite(r.focus) ? 'close' : '\u221e'}
              </th>
              {plan.focals.map((f) => {
                const c = at.get(`${r.stop}/${r.focus}/${f}`);
                if (!c) return <td key={f ?? 'prime'}>?</td>;
                const tone =
                  c.loss > rules['front.vignette-fail'] || c.hard
                    ? 'bg-fail-wash text-fail'
                    : c.loss > rules['front.vignette-tight']
                      ? 'bg-tight-wash text-tight'
                      : '';
                return (
                  <td key={f ?? 'prime'} className="p-0">
                    <button
                      type="button"
                      className={`min-h-11 w-full px-0.5 tabular-nums hover:underline ${tone}`}
                      aria-label={`${c.label}: ${c.loss >= BLACK ? 'black' : say(c.loss, 'stops')}${c.hard ? ', hard cut' : ''}${c.culprit ? `, ${c.culprit}` : ''}. Show it.`}
                      onClick={() => onSetting(c.setting)}
                    >
                      {c.loss >= BLACK ? '\u25a0' : c.loss < 0.005 ? '\u00b7' : exact(c.loss, 1)}
                      {c.hard && c.loss < BLACK ? '!' : ''}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-soft">
        {'\u00b7'} nothing, ! hard cut, {'\u25a0'} black; press a figure to see it
      </p>
    </div>
  );
}

/** What is lost at one corner, by what takes it. */
function CornerRow({ name, c }: { name: string; c: CornerReading }) {
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="text-left font-normal" title={c.culprit ?? undefined}>
        {name}
      </th>
      <td
        className={`font-semibold ${c.hard ? 'text-fail' : c.mechanical > 0.005 ? 'text-tight' : ''}`}
      >
        {lossText(c.mechanical)}
        {c.hard && c.mechanical < BLACK ? ' cut' : ''}
      </td>
      <td>{lossText(c.natural)}</td>
      <td className={c.reducer === null ? 'text-unknown' : ''}>
        {c.reducer === null ? '?' : lossText(c.reducer)}
      </td>
    </tr>
  );
}
