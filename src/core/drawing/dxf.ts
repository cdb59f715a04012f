import type { Built } from '../build/build';
import type { Point } from './project';
import { dimensionLines, sheet } from './svg';

/**
 * The three views as DXF, release 12 (the ASCII form that every drawing program reads): millimetres,
 * one layer for each kind of part, `dimensions` and `fouls`. Hidden lines are not taken out; parts
 * lie on layers that can be switched off.
 */
export function toDxf(built: Built): string {
  const views = sheet(built);
  const layers = new Set<string>(['dimensions', 'fouls', 'axis']);
  const body: string[] = [];
  const pair = (code: number, value: string | number) => body.push(String(code), String(value));
  const n = (x: number) => Number(x.toFixed(4)).toString();
  const line = (layer: string, a: Point, b: Point) => {
    pair(0, 'LINE');
    pair(8, layer);
    pair(10, n(a[0]));
    pair(20, n(a[1]));
    pair(11, n(b[0]));
    pair(21, n(b[1]));
  };
  const closed = (layer: string, points: readonly Point[]) => {
    pair(0, 'POLYLINE');
    pair(8, layer);
    pair(66, 1);
    pair(70, 1);
    for (const p of points) {
      pair(0, 'VERTEX');
      pair(8, layer);
      pair(10, n(p[0]));
      pair(20, n(p[1]));
    }
    pair(0, 'SEQEND');
    pair(8, layer);
  };
  const text = (layer: string, at: Point, value: string, turn = 0) => {
    pair(0, 'TEXT');
    pair(8, layer);
    pair(10, n(at[0]));
    pair(20, n(at[1]));
    pair(40, 7);
    if (turn !== 0) pair(50, turn);
    pair(1, plainText(value));
  };
  for (const { e, x, y } of views) {
    // Up the sheet is plus here.
    const at = ([u, v]: Point): Point => [x + u, -y + v];
    for (const o of e.outlines) {
      const layer = o.kind;
      layers.add(layer);
      closed(layer, o.points.map(at));
    }
    for (const f of e.fouls) {
      closed('fouls', f.points.map(at));
      text('fouls', at(f.at), f.text);
    }
    for (const d of dimensionLines(e)) {
      line('dimensions', at(d.wa), at(d.a));
      line('dimensions', at(d.a), at(d.b));
      line('dimensions', at(d.b), at(d.wb));
      text(
        'dimensions',
        at([(d.a[0] + d.b[0]) / 2, (d.a[1] + d.b[1]) / 2]),
        d.text,
        d.across ? 90 : 0,
      );
    }
    if (e.view !== 'front') line('axis', at([e.bounds.u0 - 10, 0]), at([e.bounds.u1 + 30, 0]));
    text('dimensions', at([e.bounds.u0, e.bounds.v1 + 12]), e.name);
  }
  const head: string[] = [];
  const put = (code: number, value: string | number) => head.push(String(code), String(value));
  put(0, 'SECTION');
  put(2, 'HEADER');
  put(9, '$ACADVER');
  put(1, 'AC1009');
  put(9, '$INSUNITS');
  put(70, 4);
  put(0, 'ENDSEC');
  put(0, 'SECTION');
  put(2, 'TABLES');
  put(0, 'TABLE');
  put(2, 'LAYER');
  put(70, layers.size);
  for (const l of layers) {
    put(0, 'LAYER');
    put(2, l);
    put(70, 0);
    put(62, l === 'fouls' ? 1 : 7);
    put(6, 'CONTINUOUS');
  }
  put(0, 'ENDTAB');
  put(0, 'ENDSEC');
  put(0, 'SECTION');
  put(2, 'ENTITIES');
  return [...head, ...body, '0', 'ENDSEC', '0', 'EOF', ''].join('\n');
}

/** One line of plain text: release 12 knows no line breaks and few characters. */
function plainText(s: string): string {
  return s.replace(/[^\x20-\x7e]/g, (c) => (c === '\u2212' ? '-' : '?'));
}
