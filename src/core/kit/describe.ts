import { rodSystem } from '../areas/rods/kit/systems';
import { tray } from '../areas/front/kit/trays';
import { mountName, type MountIndex } from '../areas/mount/kit/standards';
import { known, valueOf, type QuantityInput } from '../quantity/quantity';
import { exact, howMany, plain } from '../quantity/say';
import { FIELDS, isKind } from './fields';
import {
  isBox,
  isFilter,
  isPlate,
  isReduction,
  isRing,
  isRiser,
  isSettable,
  isSleeve,
  type FilterType,
  type Part,
} from './types';

const TYPE: Record<FilterType, string> = {
  nd: 'neutral density',
  polariser: 'polariser',
  'variable-nd': 'variable ND',
  diffusion: 'diffusion',
  streak: 'streak',
  'close-up': 'close-up',
  clear: 'clear',
};

const size = (q: QuantityInput | undefined) => {
  const v = valueOf(q);
  return v === null ? '?' : plain(v, 1);
};

/** What tells a part of the front apart, in one line; null for other kinds. */
export function frontPartLine(p: Part): string | null {
  if (isRing(p))
    return [
      p.clamp !== undefined
        ? `${size(p.male)} thread, clamps at ${size(p.clamp)}`
        : `${size(p.male)} to ${size(p.female)}`,
      `${size(p.thickness)} mm thick`,
      `${size(p.clear)} clear`,
    ].join('; ');
  if (isFilter(p)) {
    const stops = valueOf(p.stops);
    const to = valueOf(p.stopsTo);
    const shape =
      p.shape === 'screw'
        ? `screws into ${size(p.male)}`
        : p.shape === 'round'
          ? `${size(p.diameter)} round`
          : p.shape === 'rectangle'
            ? `${size(p.width)} x ${size(p.height)} mm`
            : 'shape not known';
    return [
      p.type ? TYPE[p.type] : 'what it does is not known',
      stops === null
        ? null
        : to === null
          ? `${exact(stops, 1)} stops`
          : `${exact(stops, 1)} to ${exact(to, 1)} stops`,
      shape,
    ]
      .filter(Boolean)
      .join('; ');
  }
  if (isBox(p)) {
    const stages = p.stages ?? [];
    const trays = [...new Set(stages.map((s) => tray(s.tray)?.name ?? 'tray not known'))];
    return [
      p.attach === 'clip-on'
        ? `clip-on, ${size(p.opening)} mm`
        : p.attach === 'rods'
          ? `on ${rodSystem(p.rods)?.name ?? 'rods'}`
          : p.attach === 'both'
            ? `clip-on, ${size(p.opening)} mm, and on ${rodSystem(p.rods)?.name ?? 'rods'}`
            : 'how it is held is not known',
      `${stages.length} ${stages.length === 1 ? 'stage' : 'stages'}${trays.length > 0 ? `, ${trays.join(', ')}` : ''}`,
    ].join('; ');
  }
  if (isReduction(p)) return `${size(p.outer)} to ${size(p.bore)} mm`;
  if (isSleeve(p)) return `closes on ${size(p.from)} to ${size(p.to)}, covers ${size(p.reach)} mm`;
  if (isPlate(p))
    return `${rodSystem(p.rods)?.name ?? 'rods not known'}; top to rods ${
      isSettable(p)
        ? `${size(p.heightFrom)} to ${size(p.heightTo)} mm, as it is set`
        : `${size(p.topToRods)} mm`
    }`;
  if (isRiser(p)) return `${size(p.thickness)} mm`;
  return null;
}

/**
 * Every field that a part gives, with its unit: `mass 540 ±5 g; image circle 46, 48 mm`. Of a table
 * the one number that a line cannot do without, else how many lines it has.
 */
export function everyField(p: Part, mounts: MountIndex): string {
  if (!isKind(p.kind)) return '';
  const part = p as unknown as Record<string, unknown>;
  return FIELDS[p.kind]
    .filter((f) => f.key !== 'name' && part[f.key] !== undefined)
    .map((f) => {
      const v = part[f.key];
      if (f.type === 'quantity') {
        const k = known(v as QuantityInput, f.cls)!;
        return `${f.label} ${plain(k.value, 4)}${typeof v === 'object' && 'tol' in (v as object) ? ` \u00b1${plain(k.tol, 4)}` : ''} ${f.unit}`.trim();
      }
      if (f.type === 'mount') return `${f.label} ${mountName(mounts, v as string)}`;
      if (f.type === 'flag') return `${f.label} ${v ? 'yes' : 'no'}`;
      const one = f.type === 'rows' ? f.fields.find((x) => x.required) : undefined;
      if (Array.isArray(v) && one?.type === 'quantity')
        return `${f.label} ${v
          .map((row: Record<string, unknown>) =>
            plain(known(row[one.key] as QuantityInput, one.cls)?.value ?? NaN, 4),
          )
          .join(', ')} ${one.unit}`;
      if (Array.isArray(v)) return `${f.label} ${howMany(v.length, 'line')}`;
      return `${f.label} ${String(v as string | number)}${f.type === 'number' && f.unit ? ` ${f.unit}` : ''}`;
    })
    .join('; ');
}
