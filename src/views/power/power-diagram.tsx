'use client';

import { memo, useMemo, useState, type ReactNode } from 'react';
import { offersOf, type Offer } from '@/core/areas/power/model/offers';
import { deviceKey } from '@/core/areas/power/model/fed';
import { TALL, type Laid } from '@/core/areas/power/model/layout';
import {
  CHARGES,
  USES,
  type PowerEdge,
  type PowerNode,
  type PowerTree,
  type Shown,
} from '@/core/areas/power/model/tree';
import { feedFrom } from '@/core/areas/power/moves/feed';
import { LabelledSelect } from '@/ui/labelled-select';
import { useSize } from '@/ui/use-size';
import { STATE_TEXT, STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { useEdit } from '@/views/bench/panel-parts';
import type { RigFacts } from '@/views/bench/use-rig';
import { usePartSheet } from '@/views/part/part-sheet';
import { useLaid } from './use-laid';

/** No smaller: boxes stay 44 px tall and more. */
const LEAST = 0.8;

/**
 * The tree of what feeds what. An outlet is pressed, what it can feed lights up and says by which lead,
 * the others say why not; pressing one of them feeds it.
 */
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
  const { ref, w } = useSize({ w: 800, h: 400 }, { w: 300, h: 200 });
  const narrow = w < 560;
  const { laid, trouble } = useLaid(tree, narrow ? w : null);
  // A long chain is drawn smaller, as long as it can be read and pressed.
  const scale = laid && !narrow ? Math.min(1, Math.max(LEAST, w / laid.w)) : 1;
  const [open, setOpen] = useState<string | null>(null);
  const from = tree.nodes.find((n) => n.id === open)?.outlet ?? null;
  const offers = useMemo(
    () =>
      new Map((from ? offersOf(built, from) : []).map((o) => [`device ${deviceKey(o.device)}`, o])),
    [built, from],
  );
  const press = (n: PowerNode) => {
    if (n.outlet) {
      setOpen(open === n.id ? null : n.id);
      return;
    }
    const offer = offers.get(n.id);
    if (!n.device) return;
    if (!offer) sheet.open(n.device.part.id);
    else if (offer.can !== 'no') {
      edit(feedFrom(rig, n.device, offer.from, `Feed ${n.name} from ${from!.name}`));
      setOpen(null);
    }
  };
  if (tree.nodes.length === 0)
    return (
      <p className="p-4">
        Nothing on this rig takes or gives power yet. Put a battery and a plate on, then say here
        what each of them feeds.
      </p>
    );
  return (
    <div className="flex min-h-0 min-w-0 flex-col bg-paper">
      <WhatIsShown shown={shown} onShow={onShow}>
        {from
          ? `${from.name}: press what it is to feed.`
          : 'Press an outlet to see what it can feed.'}
        {laid && laid.w * scale > w + 1 ? ' There is more at the right.' : ''}
      </WhatIsShown>
      <div
        ref={ref}
        className="min-h-72 flex-1 overflow-auto"
        tabIndex={0}
        role="group"
        aria-label="What feeds what, sources at the left"
      >
        {laid ? (
          <div style={{ width: laid.w * scale, height: laid.h * scale }}>
            <div
              className="relative origin-top-left"
              style={{
                width: laid.w,
                height: laid.h,
                transform: scale < 1 ? `scale(${scale})` : undefined,
              }}
            >
              <svg width={laid.w} height={laid.h} className="absolute inset-0" aria-hidden="true">
                {tree.edges.map((e, i) => (
                  <Way key={`${e.from} ${e.to} ${i}`} edge={e} points={laid.ways[i]!.points} />
                ))}
              </svg>
              {narrow ? null : <Labels tree={tree} laid={laid} />}
              {tree.nodes.map((n) => (
                <Box
                  key={n.id}
                  node={n}
                  at={laid.at.get(n.id)!}
                  wide={laid.wide[n.is]}
                  arrives={tree.edges.find((e) => e.to === n.id && e.name !== '')}
                  narrow={narrow}
                  open={open === n.id}
                  offer={offers.get(n.id) ?? null}
                  onPress={n.is === 'pack' ? null : () => press(n)}
                />
              ))}
            </div>
          </div>
        ) : (
          <p className="p-4 text-soft">{trouble ?? 'Laying it out ...'}</p>
        )}
      </div>
    </div>
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

/** Lead, volts and amps, over and under each line. */
function Labels({ tree, laid }: { tree: PowerTree; laid: Laid }) {
  return tree.edges.map((e, i) =>
    e.name === '' ? null : (
      <p
        key={`${e.from} ${e.to} ${i}`}
        aria-hidden="true"
        className="absolute w-[8.2rem] -translate-x-1/2 -translate-y-1/2 text-center text-sm leading-tight"
        style={{ left: laid.ways[i]!.label[0], top: laid.ways[i]!.label[1] }}
      >
        <span className="block truncate pb-1" title={e.name}>
          {e.name}
        </span>
        <span className="figure block pt-1">{e.line}</span>
      </p>
    ),
  );
}

function Way({
  edge,
  points,
}: {
  edge: PowerEdge;
  points: readonly (readonly [number, number])[];
}) {
  return (
    <path
      d={`M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`}
      fill="none"
      strokeLinejoin="round"
      className={edge.state ? STATE_TEXT[edge.state] : 'text-edge'}
      stroke="currentColor"
      strokeWidth={edge.name === '' ? 5 : 2}
      strokeDasharray={edge.state === 'unknown' ? '4 4' : undefined}
    />
  );
}

const LIT: Record<Offer['can'], string> = {
  yes: 'border-accent border-2',
  maybe: 'border-accent border-dashed border-2',
  no: 'border-edge opacity-70',
};

/** One thing of the tree. */
function Box({
  node,
  at,
  wide,
  arrives,
  narrow,
  open,
  offer,
  onPress,
}: {
  node: PowerNode;
  at: readonly [number, number];
  wide: number;
  /** What comes in by its lead; written in the box where there is no room on the line. */
  arrives: PowerEdge | undefined;
  narrow: boolean;
  open: boolean;
  offer: Offer | null;
  onPress: (() => void) | null;
}) {
  const comes = arrives ? `${arrives.line}, ${arrives.name}` : null;
  const words = offer ? offer.why : comes !== null && narrow ? comes : node.line;
  const place = { left: at[0], top: at[1], width: wide, height: TALL };
  const look = `absolute flex flex-col justify-center border px-2 text-left leading-tight ${
    node.is === 'pack'
      ? 'bg-metal border-edge'
      : node.is === 'outlet'
        ? 'bg-panel'
        : 'bg-panel rounded-md'
  } ${offer ? LIT[offer.can] : open ? 'border-2 border-accent' : 'border-edge'}`;
  const inner = (
    <>
      <span className="flex items-center gap-1.5">
        {node.state ? <StateGlyph state={node.state} size={15} /> : null}
        <span className="min-w-0 truncate font-semibold">{node.name}</span>
        {node.state ? <span className="sr-only">, {STATE_WORD[node.state]}</span> : null}
      </span>
      <span className={`line-clamp-2 text-sm ${offer ? '' : 'figure text-soft'}`} title={words}>
        {words}
      </span>
      {comes !== null && !narrow ? <span className="sr-only">, gets {comes}</span> : null}
    </>
  );
  return onPress ? (
    <button
      type="button"
      className={look}
      style={place}
      aria-pressed={node.is === 'outlet' ? open : undefined}
      aria-disabled={offer?.can === 'no' || undefined}
      onClick={onPress}
    >
      {inner}
    </button>
  ) : (
    <div className={look} style={place}>
      {inner}
    </div>
  );
}
