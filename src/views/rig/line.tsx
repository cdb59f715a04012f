'use client';

import dynamic from 'next/dynamic';
import { memo, useRef, useState, useMemo, useEffect, type KeyboardEvent } from 'react';
import type { RigFacts } from '../bench/use-rig';
import type { ShadingView } from '@/core/areas/front/model/view';
import type { Edit } from '@/core/edit/edit';
import { useStore } from '@/views/store/store-context';
import { useSize } from '@/ui/use-size';
import { layout, type PlacedShape, dimensionSum } from '@/core/build/layout';
import { frontLayout, boxFrom } from '@/core/build/front-layout';
import {
  BAND,
  fromAbove,
  frontNames,
  dimensionLabels,
  frontDimensions,
  Ruler,
  bodyBroken,
  BreakLines,
  Dimensions,
  LABEL,
} from './line-parts';
import { useOptions, NO_OPTIONS } from '../bench/use-options';
import { valueOf } from '@/core/quantity/quantity';
import { pinsOf, Pins } from '../bench/pins';
import { ShapeGroup } from '../bench/shapes';
import { FrontShapes, Cones } from '../areas/front/front-drawing';
import { Sum } from '@/ui/sum';
import { Pop } from '@/ui/pop';
import { Picker } from '@/ui/picker';
import { Button } from '@/ui/button';
import { FlipHorizontal2, ArrowDownToLine, Scan } from 'lucide-react';

/** The form for the front comes when its place is first pressed. */
const FrontPanel = dynamic(() => import('../areas/front/front-panel'), { ssr: false });

/** The whole rig with what stands under and beside it comes when it is asked for. */
const ElevationDrawing = dynamic(
  () => import('@/views/model/elevation-drawing').then((m) => m.ElevationDrawing),
  { ssr: false },
);

const FrontHandles = dynamic(
  () => import('../areas/front/front-handles').then((m) => m.FrontHandles),
  {
    ssr: false,
  },
);

const PAD = 26;

const TOP = 50;

const RULER = 30;

type PlaceKind = 'body' | 'link' | 'lens' | 'front';

/**
 * The line: everything on the optical axis, to scale, image plane at one end and subject at the
 * other. Places are pressed to put another part there; arrow keys step through what fits.
 */
export const Line = memo(function Line({
  facts,
  litParts,
  lit,
  onPick,
  view = null,
  onDraft,
  onDrop,
}: {
  facts: RigFacts;
  litParts: readonly string[];
  lit: string | null;
  onPick: (key: string) => void;
  /** What the corners see, for the light cones. */
  view?: ShadingView | null;
  /** Shows an edit that is still being dragged; null shows what is kept. */
  onDraft?: (edit: Edit | null) => void;
  /** Keeps an edit that was let go of. */
  onDrop?: (edit: Edit | null) => void;
}) {
  const store = useStore();
  const { ref, w, h } = useSize({ w: 820, h: 300 }, { w: 300, h: 220 });
  const moving = useRef<{ from: number; edit: Edit | null } | null>(null);
  const [flipped, setFlipped] = useState(false);
  const [above, setAbove] = useState(false);
  const [whole, setWhole] = useState(false);
  const sideName = flipped ? "operator's side" : "assistant's side";
  const [picking, setPicking] = useState<PlaceKind | null>(null);
  const { built, verdicts } = facts;
  const l = useMemo(() => layout(built), [built]);
  const fl = useMemo(() => {
    const front = built.lens ? frontLayout(built, l.to) : null;
    return front?.box ? { ...front, box: boxFrom(front.box, above) } : front;
  }, [built, l, above]);
  const edit = store?.edit ?? (() => undefined);

  // Radius to show: the parts in front of the body set the scale; a tall body is broken off.
  const front = l.shapes
    .filter((s) => s.role !== 'body')
    .flatMap((s) => s.profile.map((p) => p[1]));
  const reach =
    Math.max(
      34,
      ...front,
      fl?.box ? fl.box.half + Math.abs(fl.box.middle) + 3 : 0,
      ...(fl?.pieces.map((p) => p.r) ?? []),
    ) + 7;
  const lensR = Math.max(
    30,
    ...l.shapes.filter((s) => s.role === 'lens').flatMap((s) => s.profile.map((p) => p[1])),
  );
  const far = Math.max(l.to, fl?.to ?? 0);
  // Room ahead for the light cones, and for what could be put there.
  const span = far - l.from + (fl ? 44 : 14);
  const k = Math.min((w - 2 * PAD) / span, (h - TOP - BAND - RULER) / (2 * reach));
  const x0 = (w - span * k) / 2;
  const X = (z: number) => {
    const x = x0 + (z - l.from) * k;
    return flipped ? w - x : x;
  };
  const axis = TOP + (h - TOP - BAND - RULER) / 2;
  const Y = (r: number) => axis - r * k;
  // From above camera right lies below the axis.
  const V = (r: number) => Y(above ? -r : r);
  const clipR = Math.min(reach, (h - TOP - BAND - RULER) / 2 / k);

  const pathOf = (s: PlacedShape): string => {
    if (s.role === 'body') {
      const top = Math.min(s.profile[0]![1], clipR);
      const bottom = Math.min(s.below ?? top, clipR);
      const [z0, z1] = [s.profile[0]![0], s.profile[1]![0]];
      return `M${X(z0)} ${Y(top)}L${X(z1)} ${Y(top)}L${X(z1)} ${Y(-bottom)}L${X(z0)} ${Y(-bottom)}Z`;
    }
    const up = s.profile.map(([z, r]) => `${X(z)} ${Y(r)}`);
    const down = [...s.profile].reverse().map(([z, r]) => `${X(z)} ${Y(-r)}`);
    // Where the diameter changes there is an edge all round.
    const edges = s.profile
      .filter(
        ([z, r], i) =>
          i > 0 &&
          i < s.profile.length - 1 &&
          s.profile[i - 1]![0] === z &&
          s.profile[i - 1]![1] !== r,
      )
      .map(([z, r]) => {
        const before = s.profile.find((p) => p[0] === z && p[1] !== r)![1];
        const small = Math.min(r, before);
        return `M${X(z)} ${Y(small)}V${Y(-small)}`;
      })
      .join('');
    return `M${[...up, ...down].join('L')}Z${s.role === 'lens' ? edges : ''}`;
  };

  const options = useOptions();
  // A key that is pressed before the choices are there is not lost: it waits for them.
  const early = useRef<{ kind: PlaceKind; by: 1 | -1 } | null>(null);
  const step = (kind: PlaceKind, by: 1 | -1) => {
    const next = options?.stepTo(facts, kind, by);
    if (next) edit(next);
    if (!options) early.current = { kind, by };
  };
  useEffect(() => {
    const key = early.current;
    if (!options || !key) return;
    early.current = null;
    const next = options.stepTo(facts, key.kind, key.by);
    if (next) store?.edit(next);
  }, [options, facts, store]);
  const onKey = (kind: PlaceKind) => (e: KeyboardEvent) => {
    const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (by !== 0) {
      e.preventDefault();
      step(kind, by as 1 | -1);
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      setPicking(kind);
    }
  };

  const bodyShapes = l.shapes
    .filter((s) => s.part === built.body?.id)
    .map((s) => (above && s.role === 'body' ? fromAbove(s, valueOf(built.body?.width)) : s));
  const linkShapes = l.shapes.filter((s) => built.links.some((x) => x.link.id === s.part));
  const lensShapes = l.shapes.filter((s) => s.part === built.lens?.id);
  const isLit = (id: string | undefined) => id !== undefined && litParts.includes(id);
  const linkEnd = l.shapes.filter((s) => s.role === 'link').at(-1)?.profile[1]![0] ?? l.mountFace;
  const lensFrom = lensShapes.find((s) => s.role === 'lens')?.profile[0]![0] ?? null;

  /** Each place as a rectangle to press. */
  const hit = (from: number, to: number) => {
    const a = Math.min(X(from), X(to));
    const wide = Math.abs(X(to) - X(from));
    const grow = Math.max(0, 44 - wide);
    return { x: a - grow / 2, width: wide + grow, y: Y(clipR), height: 2 * clipR * k };
  };
  const places: { kind: PlaceKind; from: number; to: number; label: string; say: string }[] = [];
  if (built.body && l.mountFace !== null)
    places.push({
      kind: 'body',
      from: l.from,
      to: l.mountFace,
      label: built.body.name,
      say: `Body: ${built.body.name}, ${built.mode?.name ?? 'no mode'}. Enter to change it, arrow keys step through its modes.`,
    });
  if (built.body && l.mountFace !== null && (built.links.length > 0 || built.lens))
    places.push({
      kind: 'link',
      from: l.mountFace,
      to: linkEnd === l.mountFace ? l.mountFace + 4 : (linkEnd ?? l.mountFace),
      label: built.links.map((x) => x.link.name).join(' + ') || 'nothing between',
      say: `Between body and lens: ${built.links.map((x) => x.link.name).join(', ') || 'nothing'}. Enter to change it, arrow keys step through what closes.`,
    });
  if (built.lens && lensFrom !== null)
    places.push({
      kind: 'lens',
      from: lensFrom,
      to: l.to,
      label: built.lens.name,
      say: `Lens: ${built.lens.name}. Enter to put another, arrow keys step through the lens set.`,
    });
  if (built.lens && fl)
    places.push({
      kind: 'front',
      from: l.to,
      to: Math.max(far, l.to + 18),
      label: 'in front of the lens',
      say: `In front of the lens: ${frontNames(fl) || 'nothing'}. Enter to change it.`,
    });
  for (const p of l.places)
    places.push({
      kind: p.kind,
      from: p.from,
      to: p.to,
      label: p.label,
      say: `${p.label}. Enter to choose.`,
    });

  const pins = pinsOf(facts, X, w);
  const dims = dimensionLabels([...l.dimensions, ...(fl ? frontDimensions(fl) : [])], X, w);
  const ticks: number[] = [];
  for (let z = Math.ceil(l.from / 10) * 10; z <= far + 40; z += 10) ticks.push(z);
  const optionsOf = (kind: Exclude<PlaceKind, 'front'>) =>
    !options
      ? NO_OPTIONS
      : kind === 'body'
        ? options.bodyOptions(facts, edit)
        : kind === 'lens'
          ? options.lensOptions(facts, edit)
          : options.linkOptions(facts, edit);
  const fails = verdicts.filter((v) => v.state === 'fail').length;
  const anchor = places.find((p) => p.kind === picking);

  return (
    <section
      aria-label="The line"
      className="relative flex min-h-[19rem] flex-col bg-paper lg:min-h-0"
    >
      {whole && onDraft && onDrop ? (
        <ElevationDrawing
          facts={facts}
          view={above ? 'top' : 'side'}
          lit={lit}
          litParts={litParts}
          onPick={onPick}
          onDraft={onDraft}
          onDrop={onDrop}
          few
          bare
        />
      ) : null}
      <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden" hidden={whole}>
        <svg
          width={w}
          height={h}
          className="absolute inset-0"
          role="group"
          aria-label="The rig from the side, to scale"
        >
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
          <Ruler ticks={ticks} X={X} y={h - RULER} w={w} />
          <g clipPath="url(#line-field)">
            <ShapeGroup shapes={bodyShapes} pathOf={pathOf} lit={isLit(built.body?.id)} />
            <ShapeGroup
              shapes={linkShapes}
              pathOf={pathOf}
              lit={built.links.some((x) => isLit(x.link.id))}
            />
            <ShapeGroup shapes={lensShapes} pathOf={pathOf} lit={isLit(built.lens?.id)} />
            {fl ? <FrontShapes front={fl} scale={{ X, Y: V, k }} litParts={litParts} /> : null}
            {view && fl ? (
              <Cones
                facts={facts}
                view={view}
                scale={{ X, Y: V, k }}
                above={above}
                until={far + 36}
              />
            ) : null}
            {built.body && l.mountFace !== null && bodyBroken(bodyShapes, clipR) ? (
              <BreakLines x1={X(l.from)} x2={X(l.mountFace)} top={Y(clipR)} bottom={Y(-clipR)} />
            ) : null}
          </g>
          {l.gap ? (
            <g>
              <rect
                x={Math.min(X(l.gap.from), X(l.gap.to))}
                width={Math.abs(X(l.gap.to) - X(l.gap.from))}
                y={Y(reach * 0.7)}
                height={reach * 1.4 * k}
                fill="url(#foul)"
                stroke="var(--fail)"
              />
            </g>
          ) : null}
          <Dimensions dims={dims} X={X} y={h - RULER - BAND} />
          {built.lens && lensFrom !== null ? (
            <text
              x={(X(lensFrom) + X(l.to)) / 2}
              y={axis - Math.min(reach, lensR) * 0.5 * k}
              textAnchor="middle"
              fontSize="15"
              fill="var(--ink)"
              className="pointer-events-none"
            >
              {built.lens.name}
            </text>
          ) : null}
          {fl?.box ? (
            <text
              x={(X(fl.box.from) + X(fl.box.to)) / 2}
              y={Math.max(TOP + 12, Y(fl.box.middle + fl.box.half) - 6)}
              textAnchor="middle"
              fontSize="15"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="3"
              paintOrder="stroke"
              className="pointer-events-none"
            >
              {fl.box.name}
            </text>
          ) : null}
          {built.body && l.mountFace !== null ? (
            <text
              x={(X(l.from) + X(0)) / 2}
              y={axis + Math.min(reach, 41) * 0.62 * k}
              textAnchor="middle"
              fontSize="15"
              fill="var(--ink)"
              className="pointer-events-none"
            >
              {built.body.name}
            </text>
          ) : null}
          {l.marks.map((m) => (
            <g key={m.label} stroke="var(--soft)" fill="var(--soft)">
              <path
                d={`M${X(m.z)} ${Y(m.r + 3)}V${Y(-m.r - 3)}`}
                strokeDasharray="5 3"
                fill="none"
              />
            </g>
          ))}
          <path
            d={`M6 ${axis}H${w - 6}`}
            stroke="var(--tight)"
            strokeWidth="1"
            strokeDasharray="18 4 3 4"
            fill="none"
          />
          <path d={`M${X(0)} ${TOP - 8}V${h - RULER}`} stroke="var(--accent)" strokeWidth="1.2" />
          {l.places.map((p) => {
            const r = hit(p.from, p.to);
            return (
              <g key={p.kind}>
                <rect
                  x={r.x}
                  y={Y(reach * 0.75)}
                  width={r.width}
                  height={reach * 1.5 * k}
                  fill="none"
                  stroke="var(--edge)"
                  strokeDasharray="7 5"
                />
                <text
                  x={r.x + r.width / 2}
                  y={axis - 8}
                  textAnchor="middle"
                  fill="var(--soft)"
                  fontSize="15"
                >
                  {p.label}
                </text>
              </g>
            );
          })}
          {built.lens && fl && fl.pieces.length === 0 && !fl.box ? (
            <g className="pointer-events-none">
              <rect
                x={hit(l.to, l.to + 18).x}
                width={hit(l.to, l.to + 18).width}
                y={Y(Math.min(reach, lensR) * 0.9)}
                height={Math.min(reach, lensR) * 1.8 * k}
                fill="none"
                stroke="var(--edge)"
                strokeDasharray="7 5"
              />
              <text
                x={hit(l.to, l.to + 18).x + hit(l.to, l.to + 18).width / 2}
                y={Y(Math.min(reach, lensR) * 0.9) - 6}
                textAnchor="middle"
                fontSize="13"
                fill="var(--soft)"
              >
                in front
              </text>
            </g>
          ) : null}
          {places.map((p) => {
            const r = hit(p.from, p.to);
            return (
              <g
                key={p.kind}
                role="button"
                tabIndex={0}
                aria-label={p.say}
                aria-haspopup="dialog"
                className="group cursor-pointer outline-none"
                onClick={() => setPicking(p.kind)}
                onKeyDown={onKey(p.kind)}
              >
                <rect
                  {...r}
                  fill="transparent"
                  className="stroke-transparent group-hover:stroke-edge group-focus-visible:stroke-accent"
                  strokeWidth="2.5"
                />
              </g>
            );
          })}
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
          <Pins pins={pins} y={20} axisTop={Y(reach * 0.55)} lit={lit} onPick={onPick} />
        </svg>
        {/* Numbers of the drawing as buttons over it, so that each opens to where it comes from. */}
        {dims.map((d) => (
          <div
            key={d.label}
            className="absolute"
            style={{ left: d.at - LABEL / 2, top: h - RULER - BAND + 1, width: LABEL }}
          >
            <Sum
              label={d.label}
              sum={dimensionSum(built, d)}
              basis="number of the part"
              className="w-full px-0! text-center"
            >
              {d.text}
            </Sum>
          </div>
        ))}
        {l.marks.map((m, i) => {
          // To the body's side of its line, unless that runs out of the picture.
          const room = m.label.length * 7;
          const x = X(m.z);
          const fits = flipped ? x + 3 + room < w : x - 3 - room > 2;
          const side = flipped
            ? fits
              ? { left: x + 3 }
              : { right: 2 }
            : fits
              ? { right: w - x + 3 }
              : { left: 2 };
          return (
            <span
              key={m.label}
              className="pointer-events-none absolute whitespace-nowrap bg-panel/85 px-0.5 text-[13px] text-soft"
              style={{
                top: Y(m.r + 3) - 20 - i * 18,
                ...side,
              }}
            >
              {m.label}
            </span>
          );
        })}
        {l.gap ? (
          <span
            className="pointer-events-none absolute -translate-x-1/2 whitespace-nowrap bg-paper px-1 font-semibold text-fail"
            style={{ left: (X(l.gap.from) + X(l.gap.to)) / 2, top: axis - 11 }}
          >
            {l.gap.text}
          </span>
        ) : null}
        {anchor?.kind === 'front' ? (
          <div className="absolute" style={{ left: hit(anchor.from, anchor.to).x, top: TOP }}>
            <Pop
              open
              onOpenChange={(o) => !o && setPicking(null)}
              label="In front of the lens"
              align="start"
              className="max-h-[var(--radix-popover-content-available-height)] w-[min(30rem,94vw)] overflow-auto p-3"
              trigger={<span />}
            >
              <FrontPanel facts={facts} />
            </Pop>
          </div>
        ) : anchor ? (
          <div
            className="absolute"
            style={{ left: hit(anchor.from, anchor.to).x, top: Math.min(h - 60, axis) }}
          >
            <Picker
              open
              onOpenChange={(o) => !o && setPicking(null)}
              label={anchor.label}
              placeholder={anchor.kind === 'lens' ? 'name or focal length' : 'name'}
              options={optionsOf(anchor.kind)}
              trigger={<span />}
            />
          </div>
        ) : null}
      </div>
      {/* Small, at the edge: pins stand along the top. */}
      <div className="absolute left-1 top-1">
        <div className="flex">
          <Button
            look="bare"
            className="w-11 px-0 text-soft"
            aria-pressed={flipped}
            onClick={() => setFlipped(!flipped)}
          >
            <FlipHorizontal2 size={18} aria-hidden="true" />
            <span className="sr-only">{sideName}</span>
          </Button>
          <Button
            look="bare"
            className="w-11 px-0 text-soft aria-pressed:bg-sunk aria-pressed:text-ink"
            aria-pressed={above}
            onClick={() => setAbove(!above)}
          >
            <ArrowDownToLine size={18} aria-hidden="true" />
            <span className="sr-only">from above</span>
          </Button>
          <Button
            look="bare"
            className="w-11 px-0 text-soft aria-pressed:bg-sunk aria-pressed:text-ink"
            aria-pressed={whole}
            onClick={() => setWhole(!whole)}
          >
            <Scan size={18} aria-hidden="true" />
            <span className="sr-only">whole rig</span>
          </Button>
        </div>
        <p className="pointer-events-none px-2 text-sm leading-4 text-soft" aria-hidden="true">
          {whole
            ? `whole rig, ${above ? 'from above' : 'from camera right'}`
            : above
              ? 'from above'
              : sideName}
        </p>
      </div>
      <p className="sr-only" aria-live="polite">
        {facts.checks
          ? `${fails} ${fails === 1 ? 'finding fails' : 'findings fail'}, ${verdicts.filter((v) => v.state === 'tight').length} tight.`
          : 'Looking at it ...'}
      </p>
    </section>
  );
});
