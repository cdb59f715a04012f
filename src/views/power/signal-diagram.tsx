'use client';

import { memo, useCallback } from 'react';
import { sendsFrom, type SignalNode } from '@/core/areas/power/model/signal-tree';
import { CARRIED, portName } from '@/core/areas/power/model/signals';
import type { Tree } from '@/core/areas/power/model/tree';
import { send } from '@/core/areas/power/moves/signal';
import { useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';
import { TreeDiagram } from './tree-diagram';

/** What is sent to what: a port is pressed, then what it is to go to. */
export const SignalDiagram = memo(function SignalDiagram({
  facts: { built, rig },
  tree,
}: {
  facts: RigFacts;
  tree: Tree<SignalNode>;
}) {
  const edit = useEdit();
  const sheet = usePartSheet();
  const offers = useCallback(
    (open: SignalNode) =>
      new Map(
        [...sendsFrom(built, open.port!)].map(([id, o]) => [
          id,
          { ...o, why: `${o.to.port.name}: ${o.why}` },
        ]),
      ),
    [built],
  );
  if (tree.nodes.length === 0)
    return (
      <p className="p-4">
        Nothing on this rig has ports for picture, sound, control or data yet. They stand on the
        sheet of a part: add those that a part of its kind usually has.
      </p>
    );
  return (
    <TreeDiagram
      tree={tree}
      label="What is sent to what, where it comes from at the left"
      head={(open, more) => (
        <div className="flex min-h-13 items-center border-b border-rule px-3 py-1">
          <p aria-live="polite">
            {open?.port
              ? `${portName(open.port)}: press what it is to go to.`
              : 'Press a port to see where it can go.'}
            {more ? ' There is more at the right.' : ''}
          </p>
        </div>
      )}
      opens={(n) => n.port !== undefined}
      offersOf={offers}
      onTake={(n, open) => {
        const offer = sendsFrom(built, open.port!).get(n.id);
        if (offer)
          edit(
            send(
              rig,
              offer.carries,
              {
                from: open.port!.at,
                to: offer.to.at,
                ...(offer.lead ? { lead: offer.lead.id } : {}),
              },
              `Send ${CARRIED[offer.carries]} from ${portName(open.port!)} to ${n.name}`,
            ),
          );
      }}
      onOpen={({ port, part }) => (port ? undefined : () => sheet.open(part.id))}
    />
  );
});
