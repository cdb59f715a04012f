import Papa from 'papaparse';
import type { Built } from '../build/build';
import { standOf } from '../build/stand';

/** The placed parts of a rig: one line for each solid, extents in the frame of reference. */
export function partsCsv(built: Built): string {
  const stand = standOf(built);
  const byKey = new Map(stand.pieces.map((p) => [p.key, p]));
  const n = (x: number) => Number(x.toFixed(2));
  return `${Papa.unparse(
    stand.solids.map((s) => {
      const p = byKey.get(s.piece)!;
      const [x0, y0, z0, x1, y1, z1] = s.extent;
      return {
        part: p.part,
        name: p.name,
        kind: p.kind,
        piece: s.piece,
        role: s.role,
        shape: s.solid.kind,
        x_from_mm: n(x0),
        x_to_mm: n(x1),
        y_from_mm: n(y0),
        y_to_mm: n(y1),
        z_from_mm: n(z0),
        z_to_mm: n(z1),
        known: s.known ? 'yes' : 'no',
      };
    }),
    // What begins like a formula stays text in a spreadsheet.
    { newline: '\n', escapeFormulae: /^[=@\t\r]|^[+-](?![\d.])/ },
  )}\n`;
}
