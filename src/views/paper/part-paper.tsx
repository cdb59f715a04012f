import { fieldAt, FIELDS, isKind, KIND_NAME } from '@/core/kit/fields';
import { figureOf } from '@/core/figure/figures';
import { instrumentFor } from '@/core/figure/instrument';
import { layOut, type Layout } from '@/core/figure/layout';
import { everyField } from '@/core/kit/describe';
import { numbersOf, written, unitShown } from '@/core/kit/numbers';
import { onHand, type Job, type Part } from '@/core/kit/types';
import { mountIndex } from '@/core/areas/mount/kit/standards';
import { SCALES } from '@/core/drawing/paper';
import { FigureLines, FigureShapes } from '@/views/part/figure/lines';
import { Bar } from './bar';
import { inside, type Paper } from './sizes';

/** A label on paper, mm, and how far dimension lines are from each other. */
const LABEL = { w: 24, h: 8 };
const STEP = 4;
/** As tall as a view may be on a sheet, mm. */
const TALL = 105;

/** A part on paper: its drawing to a true scale with every number, what is not known to be written in. */
export function PartPaper({ job, part, paper }: { job: Job; part: Part; paper: Paper }) {
  const figure = figureOf(part);
  const room = inside(paper);
  const layout =
    figure &&
    layOut(figure, {
      width: room.w,
      tall: TALL,
      label: LABEL,
      step: STEP,
      most: 1,
      scales: SCALES.map((n) => 1 / n),
    });
  const words = everyField(part, mountIndex(job));
  const kind = isKind(part.kind) ? FIELDS[part.kind] : [];
  const open = layout?.views.flatMap((v) => v.labels).filter((l) => !l.known) ?? [];
  return (
    <section className="sheet">
      <h1>{part.name}</h1>
      <p>
        {isKind(part.kind) ? KIND_NAME[part.kind].one : part.kind}
        {part.owner ? `; ${part.owner}` : ''};{' '}
        {onHand(part) < 1 ? 'to hire' : `${onHand(part)} on hand`}
      </p>
      {layout ? (
        <>
          <p>
            Drawn{' '}
            {layout.scale >= 1 ? `${layout.scale}:1` : `1:${Math.round(10 / layout.scale) / 10}`};
            what is dashed is not known.
          </p>
          <Bar mm={100} said="100 mm. If this bar is not, print at 100 %." />
          <Drawing layout={layout} part={part} />
        </>
      ) : null}
      <h2>Its numbers</h2>
      <table>
        <tbody>
          {numbersOf(part).map((n) => (
            <tr key={n.path.join('/')}>
              <td>{n.label}</td>
              <td className="figure">
                {written(n)} {unitShown(n).unit}
              </td>
              <td>{n.known?.from ?? 'counted'}</td>
            </tr>
          ))}
          {open.map((l) => (
            <tr key={l.path.join('/')}>
              <td>{fieldAt(part.kind, l.path)?.label}</td>
              <td className="figure">____________</td>
              <td>not known: {instrumentFor(part.kind, l.path) ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {kind.length > 0 ? (
        <>
          <h2>All it says</h2>
          <p className="sum">{words}</p>
        </>
      ) : null}
    </section>
  );
}

function Drawing({ layout, part }: { layout: Layout; part: Part }) {
  const { width, height } = layout;
  const numbers = new Map(numbersOf(part).map((n) => [n.path.join('/'), written(n)]));
  return (
    <svg
      width={`${width}mm`}
      height={`${height}mm`}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Drawing of ${part.name}`}
    >
      {layout.views.map((v) => (
        <g key={v.id}>
          <FigureShapes view={v} line={0.2} />
          <FigureLines view={v} line={0.2} />
          {v.labels.map((l) => {
            const x = l.x + LABEL.w / 2;
            return (
              <g key={l.path.join('/')} textAnchor="middle">
                <rect x={x - 9} y={l.y + 0.6} width={18} height={LABEL.h - 0.8} fill="#fff" />
                <text x={x} y={l.y + 3} fontSize={2.1}>
                  {fieldAt(part.kind, l.path)?.label.slice(0, 22)}
                </text>
                <text x={x} y={l.y + 6.6} fontSize={3}>
                  {numbers.get(l.path.join('/')) ?? '?'}
                </text>
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}
