'use client';

import { useCallback } from 'react';
import type { Model, ModelFoul } from '@/core/model/model';
import type { Vec } from '@/core/solids/solid';
import { STATE_TEXT, STATE_WORD, StateShape } from '@/ui/state-mark';
import type { Pin } from '@/views/areas/joints/place-pins';
import type { RigFacts } from '@/views/bench/use-rig';
import type { Overlay } from './overlay';

function useMark(overlay: Overlay, at: Vec, piece: number | null, name: boolean) {
  return useCallback(
    (el: HTMLElement | null) => (el ? overlay.add({ el, at, piece, name }) : undefined),
    [overlay, at, piece, name],
  );
}

/** Lines from names to what they name. */
export function Leaders({ overlay, w, h }: { overlay: Overlay; w: number; h: number }) {
  const ref = useCallback(
    (el: SVGPathElement | null) => {
      overlay.drawLeaders(el);
    },
    [overlay],
  );
  return (
    <svg width={w} height={h} className="absolute inset-0" aria-hidden="true">
      <path ref={ref} fill="none" stroke="var(--soft)" strokeWidth="1" />
    </svg>
  );
}

/** What a piece is called. */
export function PieceName({
  model,
  piece,
  overlay,
}: {
  model: Model;
  piece: number;
  overlay: Overlay;
}) {
  const p = model.pieces[piece]!;
  const ref = useMark(overlay, p.middle, piece, true);
  return (
    <span
      ref={ref}
      className="invisible absolute left-0 top-0 whitespace-nowrap rounded-xs bg-panel/85 px-1 text-sm"
    >
      {p.name}
      {p.assumed ? <span className="text-unknown"> ?</span> : null}
    </span>
  );
}

/** What fouls, with how deep; pressed, it opens its finding. */
export function Foul({
  foul,
  facts,
  overlay,
  lit,
  onPick,
}: {
  foul: ModelFoul;
  facts: RigFacts;
  overlay: Overlay;
  lit: boolean;
  onPick: (key: string) => void;
}) {
  const v = facts.verdicts.find((x) => x.key === foul.key);
  const ref = useMark(overlay, foul.at, null, false);
  if (v?.state !== 'fail') return null;
  return (
    <button
      type="button"
      ref={ref}
      className="group pointer-events-auto invisible absolute left-0 top-0 flex h-11 min-w-11 items-center justify-center"
      aria-label={`${STATE_WORD[v.state]}: ${v.why}`}
      aria-pressed={lit}
      onClick={() => onPick(foul.key)}
    >
      <span
        className={`flex items-center gap-1 whitespace-nowrap rounded-full border bg-panel px-1.5 text-sm font-semibold ${STATE_TEXT[v.state]} ${lit ? 'border-2 border-current' : 'border-current'}`}
      >
        <svg width="14" height="14" viewBox="0 0 16 16" aria-hidden="true">
          <StateShape state={v.state} />
        </svg>
        {foul.text}
      </span>
    </button>
  );
}

/** A place that can be pressed. */
export function PlacePin({ pin, overlay }: { pin: Pin; overlay: Overlay }) {
  const ref = useMark(overlay, pin.at, null, false);
  return (
    <button
      type="button"
      ref={ref}
      className={`pointer-events-auto invisible absolute left-0 top-0 flex h-11 min-w-11 items-center justify-center ${pin.state ? STATE_TEXT[pin.state] : 'text-accent'}`}
      aria-label={pin.label}
      onClick={pin.onPress}
    >
      <span className="flex items-center gap-1 rounded-full border border-current bg-panel px-2 text-sm font-semibold">
        {pin.state ? (
          <svg width="14" height="14" viewBox="0 0 16 16" aria-hidden="true">
            <StateShape state={pin.state} />
          </svg>
        ) : null}
        {pin.text}
      </span>
    </button>
  );
}
