'use client';

import { lengthBy, runAt, type Line } from '@/core/areas/power/model/lines';
import { sayLine } from '@/core/areas/power/model/say-line';
import { usableOn } from '@/core/areas/power/model/marks';
import { tieName, tiePlaces } from '@/core/areas/power/model/tie-places';
import { setAside } from '@/core/areas/power/moves/mark-pack';
import { tieMore, untie } from '@/core/areas/power/moves/via';
import type { Built } from '@/core/build/build';
import type { Lead } from '@/core/kit/types';
import { useRouter } from 'next/navigation';
import { Button } from '@/ui/button';
import { useBench } from '@/views/bench/bench';
import { Choose, useEdit } from '@/views/bench/panel-parts';
import { now } from './marks';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';

/** Whether the plugs of a lead are tied: what is only pushed in falls out. */
export function Tied({ line, onSet }: { line: Line; onSet: (tied: boolean) => void }) {
  return (
    <Choose
      label="its plugs"
      value={line.tied ? 'tied' : ''}
      none={null}
      options={[
        { id: '', name: 'as they are', pick: () => onSet(false) },
        { id: 'tied', name: 'tied or clamped', pick: () => onSet(true) },
      ]}
    />
  );
}

/** How often a lead is tied on its way, besides at its plugs. */
export function Ties({ line, onSet }: { line: Line; onSet: (n: number | undefined) => void }) {
  const { ties } = line;
  const most = Math.max(8, ties ?? 0);
  return (
    <Choose
      label="ties on the way"
      value={ties === undefined ? '' : String(ties)}
      none={null}
      options={[
        { id: '', name: 'nobody said', pick: () => onSet(undefined) },
        ...Array.from({ length: most + 1 }, (_, n) => ({
          id: String(n),
          name: n === 0 ? 'none' : String(n),
          pick: () => onSet(n),
        })),
      ]}
    />
  );
}

/** Where a lead is tied on its way: to what, in which order. */
export function TiedTo({ facts: { built, rig }, line }: { facts: RigFacts; line: Line }) {
  const edit = useEdit();
  const router = useRouter();
  const bench = useBench();
  const via = line.via ?? [];
  return (
    <>
      {via.map((t, i) => (
        <div key={t.id} className="flex items-center gap-2">
          <span className="min-w-0 flex-1">{`${i + 1}. tied to ${tieName(built, t)}`}</span>
          <Button
            look="bare"
            aria-label={`Untie from ${tieName(built, t)}`}
            onClick={() => edit(untie(rig, line, t.id, tieName(built, t)))}
          >
            untie
          </Button>
        </div>
      ))}
      <Choose
        label="tie it to"
        value=""
        none="where it lies"
        options={tiePlaces(built).map(({ id, name, to }) => ({
          id,
          name,
          pick: () => edit(tieMore(rig, line, to, name, (ties) => lengthBy(built, line, ties))),
        }))}
      />
      <Button
        onClick={() => {
          bench?.setTying(line.key);
          router.push('/model');
        }}
      >
        Tie it on the drawing
      </Button>
    </>
  );
}

/** How many pieces of a lead had a fault. */
function InOrder({ built, lead }: { built: Built; lead: Lead }) {
  const edit = useEdit();
  const { n, aside } = usableOn(built, lead, 1);
  const all = n + aside;
  const pick = (k: number) => () => edit(setAside(built.job, lead, k, now()));
  return (
    <Choose
      label="had a fault"
      value={String(aside)}
      none={null}
      options={Array.from({ length: all + 1 }, (_, k) => ({
        id: String(k),
        name: k === 0 ? 'no, in order' : all === 1 ? 'yes, set aside' : `${k} of ${all}, set aside`,
        pick: pick(k),
      }))}
    />
  );
}

/** How a lead lies along the rig, and whose sockets are to be put on a drawing first. */
export function Lies({ facts: { built }, line }: { facts: RigFacts; line: Line }) {
  const sheet = usePartSheet();
  const run = runAt(built, line);
  const open = (run?.sockets ?? []).flatMap((s, i) =>
    s.open ? [i === 0 ? run!.from : run!.to] : [],
  );
  return (
    <div className="py-0.5">
      <p className="text-soft">{sayLine(built, line)}</p>
      {line.lead ? <InOrder built={built} lead={line.lead} /> : null}
      {open.map((p) => (
        <Button key={p.key} className="mt-1" onClick={() => sheet.open(p.part)}>
          Say where the socket of {p.name} is
        </Button>
      ))}
    </div>
  );
}
