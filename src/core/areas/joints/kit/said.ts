import { valueOf } from '../../../quantity/quantity';
import { sayLength } from '../../../quantity/say';
import { interfaceType } from './interfaces';
import type { Interface } from './parts';

/** An interface in a few words: `holds 5 x 1/4-20 UNC, 12.0 mm apart, on its top`. */
export function saidOfInterface(i: Omit<Interface, 'id'>): string {
  const verb =
    i.side === 'host' ? 'holds' : i.side === 'guest' ? 'held by' : i.side ? 'either' : 'not said:';
  const type = interfaceType(i.type)?.name ?? 'standard not said';
  const n = i.count !== undefined && i.count > 1 ? `${i.count} x ` : '';
  const apart = valueOf(i.spacing);
  const own = i.pattern === undefined || i.pattern.trim() === '' ? '' : `, ${i.pattern}`;
  return [
    `${verb} ${n}${type}${own}${i.pinned ? ' with pins' : ''}`,
    ...(n !== '' && apart !== null ? [`${sayLength(apart, 1)} apart`] : []),
    i.face === undefined ? 'face not said' : `on its ${i.face}`,
    ...(i.weak ? ['weak'] : []),
  ].join(', ');
}
