import type { Built } from '../build/build';
import { elevation, type Elevation } from './elevation';
import type { Point } from './project';

/** Room around each view for its dimensions, mm on the sheet of the rig. */
const MARGIN = 60;
const GAP = 40;

/** Characters that no XML may hold, whatever stands in a name: half of a pair, control characters. */
const NOT_XML =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

const esc = (s: string) =>
  s.replace(NOT_XML, '\ufffd').replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const r = (x: number) => (Math.round(x * 100) / 100).toString();

/** Where the three views lie on one sheet: top under side, front beside it (first angle). */
export function sheet(built: Built): { e: Elevation; x: number; y: number }[] {
  const [side, top, front] = (['side', 'top', 'front'] as const).map((v) => elevation(built, v));
  const [s, t, f] = [side!, top!, front!];
  const height = Math.max(s.bounds.v1, f.bounds.v1);
  const low = Math.min(s.bounds.v0, f.bounds.v0);
  return [
    { e: s, x: MARGIN - s.bounds.u0, y: MARGIN + height },
    { e: t, x: MARGIN - t.bounds.u0, y: 3 * MARGIN + GAP + height - low + t.bounds.v1 },
    {
      e: f,
      x: 3 * MARGIN + GAP + s.bounds.u1 - s.bounds.u0 - f.bounds.u0,
      y: MARGIN + height,
    },
  ];
}

/**
 * The three views with their dimensions as an SVG file, one millimetre of the rig to a millimetre
 * of the sheet. Groups are named by the kind of part.
 */
export function toSvg(built: Built): string {
  const views = sheet(built);
  const w = Math.max(...views.map((v) => v.x + v.e.bounds.u1)) + 2 * MARGIN;
  const h = Math.max(...views.map((v) => v.y - v.e.bounds.v0)) + 2 * MARGIN;
  const body = views.map(({ e, x, y }) => drawn(e, x, y)).join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${r(w)}mm" height="${r(h)}mm" viewBox="0 0 ${r(w)} ${r(h)}" font-family="sans-serif" font-size="7">
<title>${esc(`${built.job.name}: ${built.rig.name}`)}</title>
<rect width="100%" height="100%" fill="white"/>
${body}
</svg>
`;
}

function drawn(e: Elevation, x: number, y: number): string {
  const at = ([u, v]: Point) => `${r(x + u)} ${r(y - v)}`;
  const path = (p: readonly Point[]) => `M${p.map(at).join('L')}Z`;
  const parts: string[] = [];
  for (const o of e.outlines)
    parts.push(
      `<g class="${esc(o.kind)}"><path d="${path(o.points)}" fill="${o.sweep ? 'none' : 'white'}" stroke="black" stroke-width="0.5"${o.sweep || o.assumed ? ' stroke-dasharray="4 2"' : ''}><title>${esc(o.name)}</title></path></g>`,
    );
  // Hidden lines: every outline once more, dashed and thin; where it is visible it lies on itself.
  for (const o of e.outlines)
    if (!o.sweep)
      parts.push(
        `<g class="${esc(o.kind)} hidden-lines"><path d="${path(o.points)}" fill="none" stroke="black" stroke-width="0.2" stroke-dasharray="2 2"/></g>`,
      );
  for (const f of e.fouls)
    parts.push(
      `<g class="foul"><path d="${path(f.points)}" fill="red" fill-opacity="0.25" stroke="red" stroke-width="0.5"/><text x="${r(x + f.at[0])}" y="${r(y - f.at[1])}" fill="red" text-anchor="middle">${esc(f.text)}</text></g>`,
    );
  for (const d of dimensionLines(e)) {
    const [a, b] = [d.a, d.b];
    parts.push(
      `<g class="dimension" stroke="black" stroke-width="0.25" fill="none"><path d="M${at(d.wa)}L${at(a)}L${at(b)}L${at(d.wb)}"/><text stroke="none" fill="black" x="${r(x + (a[0] + b[0]) / 2)}" y="${r(y - (a[1] + b[1]) / 2 - 1.5)}" text-anchor="middle"${d.across ? ` transform="rotate(-90 ${r(x + (a[0] + b[0]) / 2)} ${r(y - (a[1] + b[1]) / 2)})"` : ''}>${esc(d.text)}</text></g>`,
    );
  }
  parts.push(
    `<g class="axis" stroke="black" stroke-width="0.2" stroke-dasharray="10 2 2 2">${
      e.view === 'front'
        ? `<path d="M${at([-20, 0])}L${at([20, 0])}M${at([0, -20])}L${at([0, 20])}"/>`
        : `<path d="M${at([e.bounds.u0 - 10, 0])}L${at([e.bounds.u1 + 30, 0])}"/>`
    }</g>`,
    `<text x="${r(x + e.bounds.u0)}" y="${r(y - e.bounds.v1 - 12)}" font-size="9">${esc(e.name)}</text>`,
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
export function dimensionLines(e: Elevation): DimensionLine[] {
  let below = 0;
  let beside = 0;
  return [...e.dimensions]
    .sort((a, b) => Math.abs(a.to - a.from) - Math.abs(b.to - b.from))
    .map((d) => {
      const said = {
        across: d.across,
        text: d.text,
        label: d.label,
        told: `${d.label}: ${d.unknown ? 'not known' : `${d.text} mm`}; ${d.sum}`,
        unknown: d.unknown,
      };
      if (d.across) {
        const u = e.bounds.u1 + 12 + 11 * beside++;
        return {
          a: [u, d.from],
          b: [u, d.to],
          wa: [d.near, d.from],
          wb: [d.near, d.to],
          ...said,
        };
      }
      const v = e.bounds.v0 - 12 - 11 * below++;
      return {
        a: [d.from, v],
        b: [d.to, v],
        wa: [d.from, d.near],
        wb: [d.to, d.near],
        ...said,
      };
    });
}
