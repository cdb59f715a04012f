import { csvText } from '../format/cells';
import type { Built } from '../build/build';
import { standOf } from '../stand/stand';

/** The placed parts of a rig: one line for each solid, extents in the frame of reference. */
export function partsCsv(built: Built): string {
  const stand = standOf(built);
  const byKey = new Map(stand.pieces.map((p) => [p.key, p]));
  const n = (x: number) => Number(x.toFixed(2));
  return `${csvText(
    COLUMNS,
    stand.solids.map((s) => {
      const p = byKey.get(s.piece)!;
      const [x0, y0, z0, x1, y1, z1] = s.extent;
      return [
        p.part,
        p.name,
        p.kind,
        s.piece,
        s.role,
        s.solid.kind,
        n(x0),
        n(x1),
        n(y0),
        n(y1),
        n(z0),
        n(z1),
        s.known ? 'yes' : 'no',
      ];
    }),
  )}\n`;
}

const COLUMNS = [
  'part',
  'name',
  'kind',
  'piece',
  'role',
  'shape',
  'x_from_mm',
  'x_to_mm',
  'y_from_mm',
  'y_to_mm',
  'z_from_mm',
  'z_to_mm',
  'known',
] as const;
