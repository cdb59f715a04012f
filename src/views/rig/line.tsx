'use client';

import { shownUnit } from '@/core/quantity/shown';
import dynamic from 'next/dynamic';
import { memo, useRef, useState, useMemo } from 'react';
import type { RigFacts } from '../bench/use-rig';
import type { ShadingView } from '@/core/areas/front/model/view';
import type { Edit } from '@/core/edit/edit';
import { useSize } from '@/ui/use-size';
import { layout } from '@/core/build/layout';
import { frontLayout, boxFrom } from '@/core/areas/front/place/layout';
import { BAND, dimensionLabels, frontDimensions, Ruler, Dimensions } from './line-parts';
import { frameOf, placesOf, RULER, TOP, type LineFrame, type PlaceKind } from './line-frame';
import { EmptyPlaces, Gap, LineMarks, LineNames, LineShapes } from './line-shapes';
import { DimensionSums, LineViews, MarkLabels, type LineView } from './line-labels';
import { PlaceButtons, PlaceDialog, useSteps } from './line-places';
import { pinsOf, Pins } from '../bench/pins';

/** The whole rig with what stands under and beside it comes when it is asked for. */
const ElevationDrawing = dynamic(
  () => import('@/views/model/elevation-drawing').then((m) => m.ElevationDrawing),
  { ssr: false },
);

const FrontHandles = dynamic(
  () => import('../areas/front/front-handles').then((m) => m.FrontHandles),
  { ssr: false },
);

interface LineProps {
  facts: RigFacts;
  litParts: readonly string[];
  lit: string | null;
  onPick: (key: string) => void;
  /** What the corners see, for the light cones. */
  view?: ShadingView | null;
  /** Something is being dragged. */
  dragging?: boolean;
  /** Shows an edit that is still being dragged; null shows what is kept. */
  onDraft?: (edit: Edit | null) => void;
  /** Keeps an edit that was let go of. */
  onDrop?: (edit: Edit | null) => void;
}

/**
 * The line: everything on the optical axis, to scale, image plane at one end and subject at the
 * other. Places are pressed to put another part there; arrow keys step through what fits.
 */
export const Line = memo(function Line(props: LineProps) {
  const { facts, onDraft, onDrop } = props;
  const [view, setView] = useState<LineView>({ flipped: false, above: false, whole: false });
  return (
    <section
      aria-label="The line"
      className="relative flex min-h-[19rem] flex-col bg-paper lg:min-h-0"
    >
      {view.whole && onDraft && onDrop ? (
        <ElevationDrawing
          {...props}
          dragging={props.dragging === true}
          view={view.above ? 'top' : 'side'}
          onDraft={onDraft}
          onDrop={onDrop}
          few
          bare
        />
      ) : null}
      <Picture {...props} from={view} />
      <LineViews view={view} onView={setView} />
      <Counted facts={facts} />
    </section>
  );
});

/** What the findings come to, for who hears it. */
function Counted({ facts: { checks, verdicts, behind } }: { facts: RigFacts }) {
  const of = (state: string) => verdicts.filter((v) => v.state === state).length;
  return (
    <p className="sr-only" aria-live="polite" aria-busy={behind}>
      {checks
        ? `${of('fail')} ${of('fail') === 1 ? 'finding fails' : 'findings fail'}, ${of('tight')} tight.`
        : 'Looking at it ...'}
    </p>
  );
}

function Picture({
  facts,
  litParts,
  lit,
  onPick,
  view = null,
  onDraft,
  onDrop,
  from: { flipped, above, whole },
}: LineProps & { from: LineView }) {
  const { ref, w, h } = useSize({ w: 820, h: 300 }, { w: 300, h: 220 });
  const moving = useRef<{ from: number; edit: Edit | null } | null>(null);
  const [picking, setPicking] = useState<PlaceKind | null>(null);
  const { onKey, optionsOf } = useSteps(facts, setPicking);
  const { built } = facts;
  const l = useMemo(() => layout(built), [built]);
  const fl = useMemo(() => {
    const front = built.lens ? frontLayout(built, l.to) : null;
    return front?.box ? { ...front, box: boxFrom(front.box, above) } : front;
  }, [built, l, above]);
  const frame = frameOf(l, fl, { w, h }, flipped, above);
  const { X, Y, V, k } = frame;
  const places = placesOf(built, l, fl, frame.far);
  const dims = dimensionLabels([...l.dimensions, ...(fl ? frontDimensions(fl) : [])], X, w);
  const drawn = { facts, l, fl, frame };
  return (
    <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden" hidden={whole}>
      <svg
        width={w}
        height={h}
        className="absolute inset-0"
        role="group"
        aria-label="The rig from the side, to scale"
      >
        <Patterns frame={frame} />
        <Ruler ticks={ticksOf(l.from, frame.far + 40)} X={X} y={h - RULER} w={w} />
        <LineShapes {...drawn} litParts={litParts} view={view} />
        <Gap gap={l.gap} frame={frame} />
        <Dimensions dims={dims} X={X} y={h - RULER - BAND} />
        <LineNames {...drawn} />
        <LineMarks l={l} frame={frame} />
        <EmptyPlaces {...drawn} />
        <PlaceButtons places={places} frame={frame} onPick={setPicking} onKey={onKey} />
        {fl?.box && onDraft && onDrop ? (
          <FrontHandles
            facts={facts}
            box={fl.box}
            front={fl}
            scale={{ X, Y: V, k }}
            top={TOP + 4}
            bottom={h - RULER - BAND - 4}
            flipped={flipped}
            movingRef={moving}
            onDraft={onDraft}
            onDrop={onDrop}
          />
        ) : null}
        <Pins
          pins={pinsOf(facts, X, w)}
          y={20}
          axisTop={Y(frame.reach * 0.55)}
          lit={lit}
          onPick={onPick}
        />
      </svg>
      <DimensionSums dims={dims} built={built} frame={frame} />
      <MarkLabels l={l} frame={frame} />
      <PlaceDialog
        facts={facts}
        place={places.find((p) => p.kind === picking)}
        frame={frame}
        onClose={() => setPicking(null)}
        optionsOf={optionsOf}
      />
    </div>
  );
}

/** Every ten millimetres. */
/** Tenths of a large step: 10 mm, or half an inch. */
function ticksOf(from: number, to: number): number[] {
  const ticks: number[] = [];
  const step = shownUnit('mm').more > 0 ? 12.7 : 10;
  for (let n = Math.ceil(from / step); n * step <= to; n++) ticks.push(n * step);
  return ticks;
}

function Patterns({ frame: { Y, clipR, k, w } }: { frame: LineFrame }) {
  return (
    <defs>
      <pattern
        id="foul"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0v6" stroke="var(--fail)" strokeWidth="2" />
      </pattern>
      <clipPath id="line-field">
        <rect x="0" y={Y(clipR) - 1} width={w} height={2 * clipR * k + 2} />
      </clipPath>
    </defs>
  );
}
