import { fieldAt } from '../kit/fields';

/** What a number is measured with. Common practice, no source. */
export type Instrument =
  | 'calipers'
  | 'depth gauge'
  | 'tape'
  | 'scale'
  | 'counting'
  | 'turning the ring'
  | 'torque wrench or spring scale on a lever'
  | 'balancing it on an edge'
  | 'light meter'
  | 'test chart'
  | 'sighting into the front'
  | 'what is written on it';

/** What lies in from a face, where only a depth gauge goes. */
const DEEP = new Set(['cavityDepth', 'reducerDepth', 'frontClearance', 'rearProtrusion', 'inside']);

/** Longer than calipers open, mm: the common ones open 150. */
const CALIPERS = 150;

/**
 * What the number at a path of a part is measured with.
 *
 * @param value what it is about, mm, where that is known: what is long is measured by tape
 * @returns null for what is no number
 */
export function instrumentFor(
  kind: string,
  path: readonly string[],
  value: number | null = null,
): Instrument | null {
  const field = fieldAt(kind, path);
  if (field?.type === 'number')
    return field.unit === 'teeth' ? 'counting' : 'what is written on it';
  if (field?.type !== 'quantity') return null;
  switch (field.unit) {
    case 'mm':
      break;
    case 'g':
      return 'scale';
    case 'deg':
      return 'turning the ring';
    case 'N m':
      return 'torque wrench or spring scale on a lever';
    case 'stops':
      return 'light meter';
    default:
      return 'what is written on it';
  }
  const { key, cls } = field;
  if (key === 'centreOfGravity') return 'balancing it on an edge';
  if (cls === 'circle') return 'test chart';
  if (cls === 'pupil') return 'sighting into the front';
  if (cls === 'exact' || cls === 'chip' || key.startsWith('focal')) return 'what is written on it';
  if (cls === 'flange' || DEEP.has(key) || (key === 'depth' && path.length > 1))
    return 'depth gauge';
  return value !== null && value > CALIPERS ? 'tape' : 'calipers';
}
