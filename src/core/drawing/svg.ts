import { shownUnit } from '../quantity/shown';
import type { Built } from '../build/build';
import { elevation, type Elevation } from './elevation';
import type { Point, View } from './project';

/** How a sheet is drawn: sizes in millimetres of the rig. */
export interface Pen {
  /** Millimetres of the rig to one of the sheet. */
  scale: number;
  text: number;
  line: number;
  thin: number;
  /** Room around each view for its dimensions, and between two. */
  margin: number;
  gap: number;
  /** From one dimension line to the next. */
  step: number;
  /** What two parts share is hatched in black, not red. */
  hatch: boolean;
}

/** One millimetre of the rig to one of the sheet: what a file has. */
const FULL_SIZE: Pen = {
  scale: 1,
  text: 7,
  line: 0.5,
  thin: 0.2,
  margin: 60,
  gap: 40,
  step: 11,
  hatch: false,
};

/** Characters that no XML may hold, whatever stands in a name: half of a pair, control characters. */
const NOT_XML =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

const esc = (s: string) =>
  s.replace(NOT_XML, '\ufffd').replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const r = (x: number) => (Math.round(x * 100) / 100).toString();

/** Where the three views lie on one sheet: top under side, front beside it (first angle). */
export function sheet(
  built: Built,
  { margin, gap }: Pick<Pen, 'margin' | 'gap'> = FULL_SIZE,
): { e: Elevation; x: number; y: number }[] {
  const [side, top, front] = (['side', 'top', 'front'] as const).map((v) => elevation(built, v));
  const [s, t, f] = [side!, top!, front!];
  const height = Math.max(s.bounds.v1, f.bounds.v1);
  const low = Math.min(s.bounds.v0, f.bounds.v0);
  return [
    { e: s, x: margin - s.bounds.u0, y: margin + height },
    { e: t, x: margin - t.bounds.u0, y: 3 * margin + gap + height - low + t.bounds.v1 },
    {
      e: f,
      x: 3 * margin + gap + s.bounds.u1 - s.bounds.u0 - f.bounds.u0,
      y: margin + height,
    },
  ];
}

/** One view by itself. */
function alone(e: Elevation, { margin }: Pick<Pen, 'margin'>) {
  return { e, x: margin - e.bounds.u0, y: margin + e.bounds.v1 };
}

/**
 * The three views with their dimensions as an SVG file, one millimetre of the rig to a millimetre
 * of the sheet. Groups are named by the kind of part.
 *
 * @param only one of them by itself
 */
export function toSvg(built: Built, pen: Pen = FULL_SIZE, only?: View): string {
  const views = only === undefined ? sheet(built, pen) : [alone(elevation(built, only), pen)];
  const w = Math.max(...views.map((v) => v.x + v.e.bounds.u1)) + 2 * pen.margin;
  const h = Math.max(...views.map((v) => v.y - v.e.bounds.v0)) + 2 * pen.margin;
  const body = views.map(({ e, x, y }) => drawn(e, x, y, pen)).join('\n');
  const hatch = pen.hatch
    ? `<defs><pattern id="hatch" width="${r(1.2 * pen.scale)}" height="${r(1.2 * pen.scale)}" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><path d="M0 0v${r(1.2 * pen.scale)}" stroke="black" stroke-width="${r(0.4 * pen.scale)}"/></pattern></defs>`
    : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${r(w / pen.scale)}mm" height="${r(h / pen.scale)}mm" viewBox="0 0 ${r(w)} ${r(h)}" font-family="sans-serif" font-size="${r(pen.text)}">${hatch}
<title>${esc(`${built.job.name}: ${built.rig.name}`)}</title>
<rect width="100%" height="100%" fill="white"/>
${body}
</svg>
`;
}

function drawn(e: Elevation, x: number, y: number, pen: Pen): string {
  const dash = (...n: number[]) => n.map((k) => r(k * pen.line * 2)).join(' ');
  const at = ([u, v]: Point) => `${r(x + u)} ${r(y - v)}`;
  const path = (p: readonly Point[]) => `M${p.map(at).join('L')}Z`;
  const parts: string[] = [];
  for (const o of e.outlines)
    parts.push(
      `<g class="${esc(o.kind)}"><path d="${path(o.points)}" fill="${o.sweep ? 'none' : 'white'}" stroke="black" stroke-width="${r(pen.line)}"${o.sweep || o.assumed ? ` stroke-dasharray="${dash(4, 2)}"` : ''}><title>${esc(o.name)}</title></path></g>`,
    );
  // What fitted parts are recognised by, on those that nothing hides.
  for (const o of e.outlines)
    for (const l of o.sketch ?? [])
      parts.push(
        `<g class="${esc(o.kind)} sketch"><path d="${l.closed ? path(l.points) : path(l.points).replace('Z', '')}" fill="none" stroke="black" stroke-width="${r(pen.thin)}"/></g>`,
      );
  // Hidden lines: every outline once more, dashed and thin; where it is visible it lies on itself.
  for (const o of e.outlines)
    if (!o.sweep)
      parts.push(
        `<g class="${esc(o.kind)} hidden-lines"><path d="${path(o.points)}" fill="none" stroke="black" stroke-width="${r(pen.thin)}" stroke-dasharray="${dash(2, 2)}"/></g>`,
      );
  for (const f of e.fouls)
    parts.push(
      `<g class="foul"><path d="${path(f.points)}" ${pen.hatch ? 'fill="url(#hatch)" stroke="black"' : 'fill="red" fill-opacity="0.25" stroke="red"'} stroke-width="${r(pen.line)}"/><text x="${r(x + f.at[0])}" y="${r(y - f.at[1])}" fill="${pen.hatch ? 'black' : 'red'}" text-anchor="middle">${esc(f.text)}</text></g>`,
    );
  for (const d of dimensionLines(e, pen.step)) {
    const [a, b] = [d.a, d.b];
    parts.push(
      `<g class="dimension" stroke="black" stroke-width="${r(pen.line / 2)}" fill="none"><path d="M${at(d.wa)}L${at(a)}L${at(b)}L${at(d.wb)}"/><text stroke="none" fill="black" x="${r(x + (a[0] + b[0]) / 2)}" y="${r(y - (a[1] + b[1]) / 2 - pen.text * 0.22)}" text-anchor="middle"${d.across ? ` transform="rotate(-90 ${r(x + (a[0] + b[0]) / 2)} ${r(y - (a[1] + b[1]) / 2)})"` : ''}>${esc(d.text)}</text></g>`,
    );
  }
  parts.push(
    `<g class="axis" stroke="black" stroke-width="${r(pen.thin)}" stroke-dasharray="${dash(10, 2, 2, 2)}">${
      e.view === 'front'
        ? `<path d="M${at([-20, 0])}L${at([20, 0])}M${at([0, -20])}L${at([0, 20])}"/>`
        : `<path d="M${at([e.bounds.u0 - 10, 0])}L${at([e.bounds.u1 + 30, 0])}"/>`
    }</g>`,
    `<text x="${r(x + e.bounds.u0)}" y="${r(y - e.bounds.v1 - pen.text * 1.7)}" font-size="${r(pen.text * 1.3)}">${esc(e.name)}</text>`,
  );
  return `<g id="${e.view}">\n${parts.join('\n')}\n</g>`;
}

export interface DimensionLine {
  /** Ends of the line, and where its witness lines begin. */
  a: Point;
  b: Point;
  wa: Point;
  wb: Point;
  across: boolean;
  text: string;
  label: string;
  /** What it is and how it came about, in one line. */
  told: string;
  /** Drawn at a stand-in: a number is missing. */
  unknown: boolean;
}

/** Dimension lines laid out beside a view, each on its own line, nearest to the part first. */
export function dimensionLines(e: Elevation, step = FULL_SIZE.step): DimensionLine[] {
  let below = 0;
  let beside = 0;
  return [...e.dimensions]
    .sort((a, b) => Math.abs(a.to - a.from) - Math.abs(b.to - b.from))
    .map((d) => {
      const said = {
        across: d.across,
        text: d.text,
        label: d.label,
        told: `${d.label}: ${d.unknown ? 'not known' : `${d.text} ${shownUnit('mm').unit}`}; ${d.sum}`,
        unknown: d.unknown,
      };
      if (d.across) {
        const u = e.bounds.u1 + step * 1.1 + step * beside++;
        return {
          a: [u, d.from],
          b: [u, d.to],
          wa: [d.near, d.from],
          wb: [d.near, d.to],
          ...said,
        };
      }
      const v = e.bounds.v0 - step * 1.1 - step * below++;
      return {
        a: [d.from, v],
        b: [d.to, v],
        wa: [d.from, d.near],
        wb: [d.to, d.near],
        ...said,
      };
    });
}
