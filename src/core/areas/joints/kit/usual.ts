import type { Face } from '../../../engine/part';
import type { QuantityInput } from '../../../quantity/quantity';
import type { Interface } from './parts';

/**
 * What a part of a kind usually has to hold others by and to be held by: a set to begin with, to be
 * trimmed and corrected. Standards are facts; every number is a guess with the width that pieces of
 * that kind have, so that a part stands at once and says what to measure. Common practice, no
 * source, but for the tripod screw: ISO 1222 lets it stand out 5.5 mm at most.
 */

export type Usual = Omit<Interface, 'id'>;

const guess = (value: number, tol: number): QuantityInput => ({ value, tol, from: 'guess' });

/** Where the middle of a set is off the middle of its face: a few millimetres either way. */
const middle = (face: Face, tol = 5): Pick<Usual, 'face' | 'x' | 'y' | 'z'> => ({
  face,
  ...(face === 'left' || face === 'right' ? {} : { x: guess(0, tol) }),
  ...(face === 'top' || face === 'bottom' ? {} : { y: guess(0, tol) }),
  ...(face === 'front' || face === 'rear' ? {} : { z: guess(0, tol) }),
});

const DEPTH = guess(6.5, 1.5);

/** Threaded holes in a row, or one of them. */
const holes = (name: string, face: Face, count = 1, more: Usual | object = {}): Usual => ({
  name,
  type: 'unc-1-4',
  side: 'host',
  ...middle(face, count > 1 ? 10 : 5),
  ...(count > 1 ? { count, spacing: guess(12, 3), along: 'z' as const } : {}),
  depth: DEPTH,
  material: 'aluminium',
  ...more,
});

/** Screws that are turned through the part with a key. */
const screws = (name: string, face: Face, count = 1, more: Usual | object = {}): Usual => ({
  name,
  type: 'unc-1-4',
  side: 'guest',
  ...middle(face),
  ...(count > 1 ? { count, spacing: guess(18, 6), along: 'z' as const } : {}),
  length: guess(10, 2),
  thickness: guess(4, 1.5),
  driver: 'hex-3-16',
  ...more,
});

/** A screw that stays in its part and is turned with the fingers. */
const stud = (name: string, face: Face, side: 'host' | 'guest', more: Usual | object = {}) =>
  ({
    name,
    type: 'unc-1-4',
    side,
    ...middle(face, 2),
    length: guess(5.2, 0.3),
    captive: true,
    driver: 'fingers',
    thickness: guess(8, 4),
    ...more,
  }) satisfies Usual;

/** A thread in a part by which it is held. */
const heldThread = (name: string, face: Face): Usual => ({
  name,
  type: 'unc-1-4',
  side: 'guest',
  ...middle(face),
  depth: DEPTH,
  material: 'aluminium',
});

const shoe = (name: string, face: Face): Usual => ({
  name,
  type: 'shoe',
  side: 'host',
  ...middle(face, 30),
});

const shoeFoot: Usual = {
  name: 'shoe foot',
  type: 'shoe',
  side: 'guest',
  ...middle('bottom', 2),
  driver: 'fingers',
  thickness: guess(8, 3),
};

const rail = (name: string, face: Face, run: QuantityInput): Usual => ({
  name,
  type: 'rail',
  side: 'host',
  ...middle(face, 20),
  width: guess(21.2, 0.2),
  run,
  along: 'z',
});

const clamps = (name: string, face: Face, type: string, more: Usual | object): Usual => ({
  name,
  type,
  side: 'guest',
  ...middle(face, 3),
  along: 'z',
  ...more,
});

const ON_RAIL = {
  from: guess(20.8, 0.2),
  to: guess(21.6, 0.2),
  clamp: guess(25, 8),
  driver: 'hex-5-32',
  thickness: guess(10, 4),
};

const ON_ROD = {
  from: guess(14.8, 0.15),
  to: guess(15.2, 0.15),
  clamp: guess(18, 4),
  inside: guess(11, 3),
  driver: 'fingers',
  thickness: guess(10, 4),
};

const rosette = (name: string, side: 'host' | 'guest', face: Face): Usual => ({
  name,
  type: 'rosette',
  side,
  ...middle(face, 5),
  ...(side === 'guest'
    ? { length: guess(11, 2), thickness: guess(5, 1.5), driver: 'fingers' }
    : { depth: guess(9, 2), material: 'steel' as const }),
});

const jaw = (name: string, type: string, width: number): Usual => ({
  name,
  type,
  side: 'guest',
  ...middle('top', 3),
  from: guess(width - 0.4, 0.4),
  to: guess(width + 0.4, 0.4),
  clamp: guess(60, 20),
  along: 'z',
  driver: 'lever',
  sweep: guess(45, 10),
});

const slid = (name: string, type: string, width: number, run: QuantityInput): Usual => ({
  name,
  type,
  side: 'host',
  ...middle('bottom', 3),
  width: guess(width, 0.3),
  run,
  along: 'z',
});

const THREE_EIGHTHS = { type: 'unc-3-8', depth: guess(9, 1.5) };

/** Sets by kind; none for what plugs in and is held by nothing of its own. */
const USUAL: Readonly<Record<string, readonly Usual[]>> = {
  body: [holes('base hole', 'bottom', 1, { material: 'steel' }), shoe('shoe', 'top')],
  plate: [
    holes('holes below', 'bottom', 3, { spacing: guess(18, 5) }),
    holes('large hole below', 'bottom', 1, THREE_EIGHTHS),
  ],
  'matte-box': [
    rosette('left rosette', 'host', 'left'),
    rosette('right rosette', 'host', 'right'),
    holes('top holes', 'top', 2),
  ],
  cage: [
    holes('top holes', 'top', 5),
    holes('left holes', 'left', 4),
    holes('right holes', 'right', 4),
    holes('holes below', 'bottom', 3),
    { ...shoe('left shoe', 'top'), x: guess(-35, 20) },
    { ...shoe('right shoe', 'top'), x: guess(35, 20) },
    rail('left rail', 'left', guess(60, 20)),
    rail('right rail', 'right', guess(60, 20)),
    screws('base screw', 'bottom', 1, { driver: 'slot' }),
  ],
  handle: [
    screws('feet', 'bottom', 2, { spacing: guess(24, 12) }),
    holes('holes of the bar', 'top', 5),
    shoe('front shoe', 'front'),
  ],
  grip: [rosette('rosette', 'guest', 'left')],
  arm: [stud('root', 'bottom', 'guest'), stud('stud', 'top', 'host')],
  'shoulder-pad': [screws('screws', 'top', 2)],
  counterweight: [clamps('rod clamp', 'front', 'rod-15', ON_ROD)],
  'hand-unit': [heldThread('foot hole', 'bottom')],
  monitor: [heldThread('foot hole', 'bottom')],
  recorder: [heldThread('foot hole', 'bottom')],
  finder: [heldThread('foot hole', 'bottom')],
  battery: [
    { name: 'studs', type: 'three-stud', side: 'guest', ...middle('front', 2), driver: 'button' },
  ],
  'battery-plate': [
    { name: 'studs', type: 'three-stud', side: 'host', ...middle('rear', 2), driver: 'button' },
    clamps('rod clamp', 'bottom', 'rod-15', ON_ROD),
  ],
  'dummy-battery': [],
  converter: [heldThread('foot hole', 'bottom')],
  bracket: [screws('screws', 'bottom', 2), holes('holes', 'top', 3)],
  clamp: [clamps('rod clamp', 'bottom', 'rod-15', ON_ROD), holes('hole', 'top', 1)],
  rod: [{ name: 'rod', type: 'rod-15', side: 'either', ...middle('top'), along: 'z' }],
  spacer: [screws('screw', 'bottom', 1), holes('hole', 'top', 1)],
  'quick-plate': [
    stud('screw', 'top', 'guest', { driver: 'coin', thickness: guess(5, 2) }),
    slid('plate', 'quick', 38, guess(60, 20)),
  ],
  receiver: [jaw('jaw', 'quick', 38), holes('hole below', 'bottom', 1, THREE_EIGHTHS)],
  dovetail: [screws('screws', 'top', 2), slid('dovetail', 'dovetail', 50.4, guess(200, 80))],
  rail: [screws('screws', 'bottom', 2, { driver: 'hex-5-32' }), rail('rail', 'top', guess(80, 40))],
  'rosette-adapter': [
    clamps('rail clamp', 'left', 'rail', ON_RAIL),
    rosette('rosette', 'host', 'right'),
  ],
  'shoe-mount': [shoeFoot, stud('stud', 'top', 'host')],
  microphone: [shoeFoot],
  radio: [shoeFoot],
  'cable-clamp': [stud('screw', 'bottom', 'guest')],
  accessory: [heldThread('foot hole', 'bottom')],
};

/** What a part of a kind usually has; empty for a kind of which nothing is usual. */
export function usualInterfaces(kind: string): readonly Usual[] {
  return Object.hasOwn(USUAL, kind) ? USUAL[kind]! : [];
}
