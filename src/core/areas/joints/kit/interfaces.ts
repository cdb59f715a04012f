/**
 * What parts hold each other by. Public standards go by their name; a pattern that one maker owns
 * goes by class and size, or by a name of the crew's own.
 */

/** How two of a sort go together. */
export type Family =
  /** A screw into a threaded hole. */
  | 'thread'
  /** A clamp along something that lets it slide. */
  | 'slide'
  /** Two toothed faces and the screw through them. */
  | 'rosette'
  | 'shoe'
  /** Holds by itself, by a lever or a button: batteries, wedge locks. */
  | 'lock'
  /** Named by the user; fits what carries the same name. */
  | 'own';

export interface InterfaceType {
  id: string;
  /** As it is said in a sentence. */
  name: string;
  family: Family;
  /** Threads: major diameter and pitch, mm. */
  major?: number;
  pitch?: number;
  /** Threads of inch screws are turned with inch tools. */
  inch?: true;
  /** Where the numbers come from. */
  from: string;
}

const ISO262 = '[std] ISO 262, coarse pitch';

/**
 * Sources: 1/4-20 and 3/8-16 UNC as tripod connections ISO 1222; metric coarse threads ISO 262;
 * accessory shoe ISO 518. The rest is common practice, no source.
 */
export const INTERFACE_TYPES: readonly InterfaceType[] = [
  {
    id: 'unc-1-4',
    name: '1/4-20 UNC',
    family: 'thread',
    major: 6.35,
    pitch: 1.27,
    inch: true,
    from: '[std] ISO 1222',
  },
  {
    id: 'unc-3-8',
    name: '3/8-16 UNC',
    family: 'thread',
    major: 9.525,
    pitch: 1.5875,
    inch: true,
    from: '[std] ISO 1222',
  },
  { id: 'm2', name: 'M2', family: 'thread', major: 2, pitch: 0.4, from: ISO262 },
  { id: 'm2-5', name: 'M2.5', family: 'thread', major: 2.5, pitch: 0.45, from: ISO262 },
  { id: 'm3', name: 'M3', family: 'thread', major: 3, pitch: 0.5, from: ISO262 },
  { id: 'm4', name: 'M4', family: 'thread', major: 4, pitch: 0.7, from: ISO262 },
  { id: 'm5', name: 'M5', family: 'thread', major: 5, pitch: 0.8, from: ISO262 },
  { id: 'm6', name: 'M6', family: 'thread', major: 6, pitch: 1, from: ISO262 },
  { id: 'shoe', name: 'accessory shoe', family: 'shoe', from: '[std] ISO 518' },
  { id: 'rail', name: 'accessory rail', family: 'slide', from: '[trade]' },
  { id: 'dovetail', name: 'dovetail', family: 'slide', from: '[trade]' },
  {
    id: 'rosette',
    name: 'full rosette',
    family: 'rosette',
    major: 6,
    pitch: 1,
    from: '[trade]',
  },
  {
    id: 'rosette-small',
    name: 'small rosette',
    family: 'rosette',
    major: 6,
    pitch: 1,
    from: '[trade]',
  },
  { id: 'rod-15', name: '15 mm rod', family: 'slide', from: '[trade]' },
  { id: 'rod-19', name: '19 mm rod', family: 'slide', from: '[trade]' },
  { id: 'wedge', name: 'wedge lock', family: 'lock', from: '[trade]' },
  { id: 'three-stud', name: 'three-stud lock', family: 'lock', from: '[trade]' },
  { id: 'sled', name: 'camcorder sled', family: 'lock', from: '[trade]' },
  { id: 'quick', name: 'quick-release plate', family: 'slide', from: '[trade]' },
  { id: 'own', name: 'pattern of its own', family: 'own', from: '[trade]' },
];

const BY_ID = new Map(INTERFACE_TYPES.map((t) => [t.id, t]));

/** The sort of an interface; null when it does not say, or this build does not know it. */
export function interfaceType(id: string | undefined): InterfaceType | null {
  return id === undefined ? null : (BY_ID.get(id) ?? null);
}

/** Those that a screw is turned into. */
export const THREADS: readonly string[] = INTERFACE_TYPES.filter((t) => t.family === 'thread').map(
  (t) => t.id,
);

/** Those with a screw in them that has to bite. */
export const SCREWED: readonly string[] = INTERFACE_TYPES.filter((t) => t.pitch !== undefined).map(
  (t) => t.id,
);

/** Those that close around a rod. */
export const RODS: readonly string[] = ['rod-15', 'rod-19'];

/** Those that let a part slide. */
export const SLIDES: readonly string[] = INTERFACE_TYPES.filter((t) => t.family === 'slide').map(
  (t) => t.id,
);
