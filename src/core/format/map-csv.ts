import { csvText } from './cells';
import type { Built } from '../build/build';
import { frontOf } from '../areas/front/place/front';
import { chipShading } from '../areas/front/model/chip-shading';
import type { Situation } from '../areas/front/model/situations';

/** Columns of a shading map, one line a point, rows from the top of the picture. */
export const MAP_COLUMNS = [
  'x_mm',
  'y_mm',
  'front_stops',
  'lens_stops',
  'reducer_stops',
  'hard_cut',
  'culprit',
] as const;

const digits = (v: number) => Math.round(v * 10_000) / 10_000;

/**
 * The shading of the chip at one setting as CSV. `front_stops` is what stands in front (10 is
 * black), `lens_stops` the natural falloff or the lens's own table, `reducer_stops` empty where
 * a reducer says nothing of its shading.
 *
 * @returns null when a number that the shading needs is missing
 */
export function writeMapCsv(built: Built, sit: Situation, nx: number, ny: number): string | null {
  const map = chipShading(built, sit, nx, ny);
  if (!map) return null;
  const edges = frontOf(built).edges;
  const data: (string | number)[][] = [];
  for (let j = ny - 1; j >= 0; j--)
    for (let i = 0; i < nx; i++) {
      const k = j * nx + i;
      const culprit = map.culprit[k]!;
      data.push([
        digits((nx < 2 ? 0 : i / (nx - 1) - 0.5) * map.w),
        digits((ny < 2 ? 0 : j / (ny - 1) - 0.5) * map.h),
        digits(map.mechanical[k]!),
        digits(map.natural[k]!),
        map.reducer ? digits(map.reducer[k]!) : '',
        map.hard[k] ? 'yes' : 'no',
        culprit < 0 ? '' : edges[culprit]!.label,
      ]);
    }
  return `${csvText(MAP_COLUMNS, data)}\n`;
}
