import {
  BLOCK,
  choice,
  clampLength,
  flag,
  gearModule,
  mm,
  teeth,
  type Field,
} from '../../../engine/field';
import { rodSystem } from '../../rods/kit/system-field';

/** What follow focuses and motors say alike. */
export const DRIVE: readonly Field[] = [
  rodSystem,
  clampLength,
  teeth('gearTeeth', 'teeth of its gear', { first: true }),
  gearModule,
  mm('gearWidth', 'width of its gear', 100, { first: true }),
  mm('armFrom', 'arm reaches from', 600, { first: true }),
  mm('armTo', 'arm reaches to', 600, { first: true }),
  ...BLOCK,
  mm('gearAhead', 'gear ahead of its clamp', 400, { min: -400 }),
  mm('boxBehind', 'box behind the gear', 100),
  mm('armWidth', 'width of the arm', 100),
  mm('pivotAcross', 'pivot from the middle', 300),
  mm('pivotUp', 'pivot over the rods', 300, { min: -300 }),
  choice('sides', 'goes on', [
    ['left', 'camera left only'],
    ['right', 'camera right only'],
    ['both', 'either side'],
  ]),
  flag('flips', 'gear goes on either face'),
];
