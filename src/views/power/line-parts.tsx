'use client';

import { runAt, sayLine, type Line } from '@/core/areas/power/model/lines';
import { Button } from '@/ui/button';
import { Choose } from '@/views/bench/panel-parts';
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
      {open.map((p) => (
        <Button key={p.key} className="mt-1" onClick={() => sheet.open(p.part)}>
          Say where the socket of {p.name} is
        </Button>
      ))}
    </div>
  );
}
