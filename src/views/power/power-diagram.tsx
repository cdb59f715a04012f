'use client';

import { memo, useCallback, type ReactNode } from 'react';
import { deviceKey } from '@/core/areas/power/model/fed';
import { offersOf } from '@/core/areas/power/model/offers';
import {
  CHARGES,
  USES,
  type PowerNode,
  type PowerTree,
  type Shown,
} from '@/core/areas/power/model/tree';
import { feedFrom } from '@/core/areas/power/moves/feed';
import { LabelledSelect } from '@/ui/labelled-select';
import { useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';
import { TreeDiagram } from './tree-diagram';

/** The tree of what feeds what: an outlet is pressed, then what it is to feed. */
export const PowerDiagram = memo(function PowerDiagram({
  facts,
  tree,
  shown,
  onShow,
}: {
  facts: RigFacts;
  tree: PowerTree;
  /** What its figures are of. */
  shown: Shown;
  onShow: (shown: Shown) => void;
}) {
  const { built, rig } = facts;
  const edit = useEdit();
  const sheet = usePartSheet();
  const offers = useCallback(
    (open: PowerNode) =>
      new Map(offersOf(built, open.outlet!).map((o) => [`device ${deviceKey(o.device)}`, o])),
    [built],
  );
  if (tree.nodes.length === 0)
    return (
      <p className="p-4">
        Nothing on this rig takes or gives power yet. Put a battery and a plate on, then say here
        what each of them feeds.
      </p>
    );
  return (
    <TreeDiagram
      tree={tree}
      label="What feeds what, sources at the left"
      head={(open, more) => (
        <WhatIsShown shown={shown} onShow={onShow}>
          {open?.outlet
            ? `${open.outlet.name}: press what it is to feed.`
            : 'Press an outlet to see what it can feed.'}
          {more ? ' There is more at the right.' : ''}
        </WhatIsShown>
      )}
      opens={(n) => n.outlet !== undefined}
      offersOf={offers}
      onTake={(n, { outlet }) => {
        const offer = n.device && offers({ outlet } as PowerNode).get(n.id);
        if (offer)
          edit(feedFrom(rig, n.device!, offer.from, `Feed ${n.name} from ${outlet!.name}`));
      }}
      onOpen={({ device }) => device && (() => sheet.open(device.part.id))}
    />
  );
});

const named = (names: Readonly<Record<string, string>>) =>
  Object.entries(names).map(([id, name]) => ({ id, name }));

/** How what is fed is used, and how full its packs are: what the figures of the drawing are of. */
function WhatIsShown({
  shown,
  onShow,
  children,
}: {
  shown: Shown;
  onShow: (shown: Shown) => void;
  children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-3 py-1">
      <p className="min-w-56 flex-1" aria-live="polite">
        {children}
      </p>
      <LabelledSelect
        label="devices"
        value={shown.use}
        options={named(USES)}
        onPick={(use) => onShow({ ...shown, use: use as Shown['use'] })}
      />
      <LabelledSelect
        label="packs"
        value={shown.packs}
        options={named(CHARGES)}
        onPick={(packs) => onShow({ ...shown, packs: packs as Shown['packs'] })}
      />
    </div>
  );
}
