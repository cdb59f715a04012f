/** What a screw is turned with, by id, as it is said; the hand comes last. */
export const DRIVER_NAMES: readonly (readonly [id: string, name: string])[] = [
  ['hex-1-5', 'hex key 1.5 mm'],
  ['hex-2', 'hex key 2 mm'],
  ['hex-2-5', 'hex key 2.5 mm'],
  ['hex-3', 'hex key 3 mm'],
  ['hex-4', 'hex key 4 mm'],
  ['hex-5', 'hex key 5 mm'],
  ['hex-6', 'hex key 6 mm'],
  ['hex-5-64', 'hex key 5/64 in'],
  ['hex-3-32', 'hex key 3/32 in'],
  ['hex-1-8', 'hex key 1/8 in'],
  ['hex-5-32', 'hex key 5/32 in'],
  ['hex-3-16', 'hex key 3/16 in'],
  ['slot', 'slot driver'],
  ['cross', 'cross driver'],
  ['coin', 'coin'],
  ['fingers', 'fingers'],
  ['lever', 'lever'],
  ['button', 'button'],
];

/** Nothing has to be fetched for these. */
export const FREE: ReadonlySet<string> = new Set(['fingers', 'lever', 'button']);
