'use client';

import { useMemo } from 'react';
import { massBars, sayInertia } from '@/core/areas/carry/model/drawn';
import { massOf } from '@/core/areas/carry/model/balance';
import { inertiaOf } from '@/core/areas/carry/model/inertia';
import { build, shared } from '@/core/build/build';
import { sideBySide } from '@/core/doc/side-by-side';
import { readings } from '@/core/readings/readings';
import { sayMass } from '@/core/quantity/say';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';
import { LensSet } from './lens-set';
import { useSnapshot } from '@/views/store/store-context';

/** What the rig weighs, part by part and configuration by configuration. */
export function Masses({ facts }: { facts: RigFacts }) {
  const sheet = usePartSheet();
  const bars = useMemo(() => massBars(facts.built), [facts.built]);
  return (
    <div className="min-h-0 flex-1 overflow-auto p-3">
      <Inertias facts={facts} />
      <h3 className="mb-1 font-semibold">Part by part, heaviest first</h3>
      <ul>
        {bars.map((b) => (
          <li key={b.part}>
            <button
              type="button"
              className="grid min-h-11 w-full grid-cols-[minmax(0,1fr)_6rem] items-center gap-x-2 text-left"
              onClick={() => sheet.open(b.part)}
            >
              <span className="min-w-0">
                <span className="block truncate underline decoration-edge underline-offset-4">
                  {b.name}
                  {b.count > 1 ? ` x ${b.count}` : ''}
                </span>
                <span
                  aria-hidden
                  className="block h-1.5 bg-metal-2"
                  style={{ width: `${Math.max(1, b.share * 100)}%` }}
                />
              </span>
              <span className={`text-right ${b.mass === null ? 'text-unknown' : ''}`}>
                {b.text}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Configurations />
      <h3 className="mb-1 mt-4 font-semibold">Lens by lens</h3>
      <LensSet facts={facts} />
    </div>
  );
}

/** How hard it is to turn: spreading mass steadies it, packing it turns quicker. */
function Inertias({ facts }: { facts: RigFacts }) {
  const i = useMemo(() => inertiaOf(facts.built), [facts.built]);
  if (!i) return null;
  const rows = [
    ['to tilt', i.tilt],
    ['to pan', i.pan],
    ['to roll', i.roll],
  ] as const;
  return (
    <>
      <h3 className="font-semibold">How hard it is to turn</h3>
      <dl className="grid grid-cols-3 gap-x-2">
        {rows.map(([name, e]) => (
          <div key={name}>
            <dt className="text-sm text-soft">{name}</dt>
            <dd>{sayInertia(e.value)}</dd>
          </div>
        ))}
      </dl>
      <Winds facts={facts} />
    </>
  );
}

/** What wind does about the hold, as the readings have it. */
function Winds({ facts: { built } }: { facts: RigFacts }) {
  const list = useMemo(() => readings(built).filter((r) => r.id.startsWith('wind:')), [built]);
  return (
    <dl className="mb-3 mt-1">
      {list.map((r) => (
        <div key={r.id} className="flex flex-wrap justify-between gap-x-3">
          <dt className="text-soft">{r.what}</dt>
          <dd className={r.value === null ? 'text-unknown' : ''}>{r.text}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Every configuration of the rig, by what it weighs, against the band that is wanted there. */
function Configurations() {
  const { doc, rigId } = useSnapshot();
  const rows = useMemo(() => {
    const side = doc && rigId !== null ? sideBySide(doc, rigId) : null;
    if (!side || side.standings.length < 2) return [];
    const base = shared(side.job);
    return side.standings.map((s) => ({
      id: s.id ?? '-',
      name: s.name,
      band: s.rig.carry ?? {},
      mass: massOf(build(side.job, s.rig, base)),
    }));
  }, [doc, rigId]);
  if (rows.length === 0) return null;
  const most = Math.max(1, ...rows.flatMap((r) => [r.mass?.hi ?? 0, r.band.most ?? 0]));
  const at = (g: number) => `${(100 * g) / most}%`;
  return (
    <>
      <h3 className="mb-1 mt-4 font-semibold">Configuration by configuration</h3>
      <ul>
        {rows.map((r) => (
          <li key={r.id} className="py-1">
            <span className="flex justify-between gap-2">
              <span className="truncate">{r.name}</span>
              <span className={r.mass ? '' : 'text-unknown'}>
                {r.mass ? sayMass(r.mass.value) : 'not known'}
              </span>
            </span>
            <span className="relative mt-0.5 block h-2.5 bg-sunk">
              {r.band.most !== undefined || r.band.least !== undefined ? (
                <span
                  className="absolute inset-y-0 border-x-2 border-accent"
                  style={{
                    left: at(r.band.least ?? 0),
                    width: at((r.band.most ?? most) - (r.band.least ?? 0)),
                  }}
                />
              ) : null}
              {r.mass ? (
                <span
                  className="absolute inset-y-0.5 left-0 bg-metal-2"
                  style={{ width: at(r.mass.value) }}
                />
              ) : null}
            </span>
            {r.band.most !== undefined || r.band.least !== undefined ? (
              <span className="text-sm text-soft">
                wanted{' '}
                {r.band.least === undefined
                  ? `at most ${sayMass(r.band.most!)}`
                  : r.band.most === undefined
                    ? `at least ${sayMass(r.band.least)}`
                    : `${sayMass(r.band.least)} to ${sayMass(r.band.most)}`}
              </span>
            ) : null}
          </li>
        ))}
      </ul>
    </>
  );
}
