'use client';

import dynamic from 'next/dynamic';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { RigFacts } from '../bench/use-rig';
import { useStore } from '@/views/store/store-context';
import { useOptions, NO_OPTIONS } from '../bench/use-options';
import { Pop } from '@/ui/pop';
import { Picker } from '@/ui/picker';
import { hitOf, TOP, type LineFrame, type LinePlace, type PlaceKind } from './line-frame';

/** The form for the front comes when its place is first pressed. */
const FrontPanel = dynamic(() => import('../areas/front/front-panel'), { ssr: false });

/**
 * What can be put in a place, and the keys that step through it. A key that is pressed before the
 * choices are there is not lost: it waits for them.
 */
export function useSteps(facts: RigFacts, onPick: (kind: PlaceKind) => void) {
  const store = useStore();
  const options = useOptions();
  const edit = store?.edit ?? (() => undefined);
  const early = useRef<{ kind: PlaceKind; by: 1 | -1 } | null>(null);
  useEffect(() => {
    const key = early.current;
    if (!options || !key) return;
    early.current = null;
    const next = options.stepTo(facts, key.kind, key.by);
    if (next) store?.edit(next);
  }, [options, facts, store]);
  const step = (kind: PlaceKind, by: 1 | -1) => {
    const next = options?.stepTo(facts, kind, by);
    if (next) edit(next);
    if (!options) early.current = { kind, by };
  };
  const onKey = (kind: PlaceKind) => (e: KeyboardEvent) => {
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0 && e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    if (by === 0) onPick(kind);
    else step(kind, by);
  };
  const optionsOf = (kind: Exclude<PlaceKind, 'front'>) => {
    if (!options) return NO_OPTIONS;
    if (kind === 'body') return options.bodyOptions(facts, edit);
    return kind === 'lens' ? options.lensOptions(facts, edit) : options.linkOptions(facts, edit);
  };
  return { onKey, optionsOf };
}

/** Each place as a rectangle to press. */
export function PlaceButtons({
  places,
  frame,
  onPick,
  onKey,
}: {
  places: readonly LinePlace[];
  frame: LineFrame;
  onPick: (kind: PlaceKind) => void;
  onKey: (kind: PlaceKind) => (e: KeyboardEvent) => void;
}) {
  return places.map((p) => (
    <g
      key={p.kind}
      role="button"
      tabIndex={0}
      aria-label={p.say}
      aria-haspopup="dialog"
      className="group cursor-pointer outline-none"
      onClick={() => onPick(p.kind)}
      onKeyDown={onKey(p.kind)}
    >
      <rect
        {...hitOf(frame, p.from, p.to)}
        fill="transparent"
        className="stroke-transparent group-hover:stroke-edge group-focus-visible:stroke-accent"
        strokeWidth="2.5"
      />
    </g>
  ));
}

/** What opens at a place that was pressed. */
export function PlaceDialog({
  facts,
  place,
  frame,
  onClose,
  optionsOf,
}: {
  facts: RigFacts;
  place: LinePlace | undefined;
  frame: LineFrame;
  onClose: () => void;
  optionsOf: ReturnType<typeof useSteps>['optionsOf'];
}) {
  if (!place) return null;
  const left = hitOf(frame, place.from, place.to).x;
  const onOpenChange = (o: boolean) => !o && onClose();
  if (place.kind === 'front')
    return (
      <div className="absolute" style={{ left, top: TOP }}>
        <Pop
          open
          onOpenChange={onOpenChange}
          label="In front of the lens"
          align="start"
          className="max-h-[var(--radix-popover-content-available-height)] w-[min(52rem,94vw)] overflow-auto p-3"
          trigger={<span />}
        >
          <FrontPanel facts={facts} />
        </Pop>
      </div>
    );
  return (
    <div className="absolute" style={{ left, top: Math.min(frame.h - 60, frame.axis) }}>
      <Picker
        open
        onOpenChange={onOpenChange}
        label={place.label}
        placeholder={place.kind === 'lens' ? 'name or focal length' : 'name'}
        options={optionsOf(place.kind)}
        trigger={<span />}
      />
    </div>
  );
}
