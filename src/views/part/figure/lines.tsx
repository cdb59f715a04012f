import type { PlacedShape, PlacedView } from '@/core/figure/layout';

const STROKE: Record<PlacedShape['stroke'], string> = {
  part: 'fill-metal stroke-ink',
  inner: 'fill-none stroke-ink',
  moves: 'fill-none stroke-soft',
  axis: 'fill-none stroke-soft',
};

/** Widths and dashes in units of the sheet: `line` is a thin line. */
function dashes(s: PlacedShape, line: number): string | undefined {
  const of = (...k: number[]) => k.map((x) => x * line).join(' ');
  if (s.stroke === 'axis') return of(12, 3, 2, 3);
  if (s.assumed) return of(4, 3);
  return s.stroke === 'moves' ? of(8, 3) : undefined;
}

/** The part itself: what is not known is dashed. */
export function FigureShapes({ view, line = 1 }: { view: PlacedView; line?: number }) {
  return (
    <>
      {view.shapes.map((s, i) => (
        <path
          key={i}
          d={s.d}
          className={STROKE[s.stroke]}
          strokeWidth={s.stroke === 'part' ? 1.4 * line : line}
          strokeDasharray={dashes(s, line)}
        />
      ))}
    </>
  );
}

/** Another part laid over it: its outlines alone, in the colour of what is pointed at. */
export function FigureOver({ view, line = 1 }: { view: PlacedView; line?: number }) {
  return (
    <>
      {view.over
        .filter((s) => s.stroke === 'part' || s.stroke === 'inner')
        .map((s, i) => (
          <path
            key={i}
            d={s.d}
            className="fill-none stroke-accent"
            strokeWidth={(s.stroke === 'part' ? 1.6 : 1) * line}
            strokeDasharray={`${6 * line} ${2 * line}`}
          />
        ))}
    </>
  );
}

/** Dimension lines and leaders. */
export function FigureLines({
  view,
  lit = null,
  line = 1,
}: {
  view: PlacedView;
  /** The number whose line stands out, with the jaws at its ends. */
  lit?: string | null;
  line?: number;
}) {
  return (
    <>
      {view.labels.map((l) => {
        const on = l.path.join('/') === lit;
        return (
          <g key={l.path.join('/')} className={on ? 'stroke-accent' : 'stroke-soft'}>
            <path d={l.lines} fill="none" strokeWidth={(on ? 2 : 0.8) * line} />
            {l.ends.length > 0 ? <path d={l.ticks} fill="none" strokeWidth={1.4 * line} /> : null}
            {on
              ? l.ends.map(([x, y], i) => (
                  <circle
                    key={i}
                    cx={x}
                    cy={y}
                    r={4 * line}
                    className="fill-accent"
                    strokeWidth={0}
                  />
                ))
              : null}
          </g>
        );
      })}
    </>
  );
}
