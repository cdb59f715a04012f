'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { TALL, type Laid } from '@/core/areas/power/model/layout';
import type { PowerEdge, Tree, TreeNode } from '@/core/areas/power/model/tree';
import { useSize } from '@/ui/use-size';
import { STATE_TEXT, STATE_WORD, StateGlyph } from '@/ui/state-mark';
import { useLaid } from './use-laid';

/** No smaller: boxes stay 44 px tall and more. */
const LEAST = 0.8;

/** Whether a box can take what comes out of the one that is open, and by what or why not. */
export interface Offered {
  can: 'yes' | 'maybe' | 'no';
  why: string;
}

/**
 * A tree that is laid out by itself. What something comes out of is pressed, what can take it lights up
 * and says by which lead, the others say why not; pressing one of them takes it.
 */
export function TreeDiagram<N extends TreeNode>({
  tree,
  label,
  head,
  opens,
  offersOf,
  onTake,
  onOpen,
}: {
  tree: Tree<N>;
  label: string;
  /** What stands over it: of the box that is open, and whether more of it is at the right. */
  head: (open: N | null, more: boolean) => ReactNode;
  /** Whether something comes out of a box. */
  opens: (n: N) => boolean;
  /** What can take what comes out of it, by the id of its box. */
  offersOf: (open: N) => ReadonlyMap<string, Offered>;
  onTake: (n: N, open: N) => void;
  /** Undefined for a box that is not pressed. */
  onOpen: (n: N) => (() => void) | undefined;
}) {
  const { ref, w } = useSize({ w: 800, h: 400 }, { w: 300, h: 200 });
  const narrow = w < 560;
  const { laid, trouble } = useLaid(tree, narrow ? w : null);
  // A long chain is drawn smaller, as long as it can be read and pressed.
  const scale = laid && !narrow ? Math.min(1, Math.max(LEAST, w / laid.w)) : 1;
  const [openId, setOpen] = useState<string | null>(null);
  const open = tree.nodes.find((n) => n.id === openId && opens(n)) ?? null;
  const offers = useMemo(
    () => (open ? offersOf(open) : new Map<string, Offered>()),
    [open, offersOf],
  );
  const press = (n: N) => {
    const offer = offers.get(n.id);
    if (opens(n)) setOpen(openId === n.id ? null : n.id);
    else if (!open || !offer) onOpen(n)?.();
    else if (offer.can !== 'no') {
      onTake(n, open);
      setOpen(null);
    }
  };
  const pressed = (n: N) => opens(n) || offers.has(n.id) || onOpen(n) !== undefined;
  return (
    <div className="flex min-h-0 min-w-0 flex-col bg-paper">
      {head(open, laid !== null && laid.w * scale > w + 1)}
      <div
        ref={ref}
        className="min-h-72 flex-1 overflow-auto"
        tabIndex={0}
        role="group"
        aria-label={label}
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
                  open={open?.id === n.id}
                  offer={offers.get(n.id) ?? null}
                  onPress={pressed(n) ? () => press(n) : null}
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
}

/** What each lead is and what comes through, over and under its line. */
function Labels({ tree, laid }: { tree: Tree; laid: Laid }) {
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

const LIT: Record<Offered['can'], string> = {
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
  node: TreeNode;
  at: readonly [number, number];
  wide: number;
  /** What comes in by its lead; written in the box where there is no room on the line. */
  arrives: PowerEdge | undefined;
  narrow: boolean;
  open: boolean;
  offer: Offered | null;
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
