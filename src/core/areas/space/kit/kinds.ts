import {
  mm,
  COMMON,
  quantity,
  flag,
  SUPPLY,
  OUTLETS,
  PORTS,
  HELD,
  type KindDef,
} from '../../../engine/field';
import { INTERFACES } from '../../joints/kit/field';
import { fitting } from './fitting-fields';

/** What stands against the camera and takes up room: the kinds of parts, and what each can say. */
/** What takes power and gives it on. */
const GIVES_ON = [...SUPPLY, quantity('efficiency', 'efficiency', 'x', 'ratio', 0.05, 1), OUTLETS];

export const kinds = {
  cage: {
    one: 'cage',
    many: 'cages',
    fields: [
      COMMON[0]!,
      mm('wall', 'wall', 100, { first: true }),
      mm('bottom', 'bottom', 100, { first: true }),
      mm('depth', 'length', 600, { first: true }),
      mm('innerWidth', 'room inside, across', 600),
      mm('innerHeight', 'room inside, up', 600),
      mm('frontBack', 'front behind the mount', 300),
      flag('openLeft', 'open at camera left'),
      flag('openRight', 'open at camera right'),
      flag('openTop', 'open at the top'),
      flag('openBottom', 'open at the bottom'),
      { type: 'texts', key: 'madeFor', label: 'made for', of: 'body' },
      INTERFACES,
      ...HELD,
      ...COMMON.slice(1),
    ],
  },
  handle: { one: 'handle', many: 'handles', fields: fitting() },
  grip: { one: 'grip', many: 'grips', fields: fitting() },
  arm: { one: 'arm', many: 'arms', fields: fitting() },
  'shoulder-pad': { one: 'shoulder pad', many: 'shoulder pads', fields: fitting() },
  counterweight: { one: 'counterweight', many: 'counterweights', fields: fitting() },
  'hand-unit': {
    one: 'hand unit',
    many: 'hand units',
    fields: fitting(
      quantity('turn', 'turn of the wheel', 'deg', 'angle', 10, 3600),
      ...SUPPLY,
      PORTS,
    ),
  },
  monitor: {
    one: 'monitor',
    many: 'monitors',
    fields: fitting(flag('tilts', 'tilts where it stands'), ...SUPPLY, OUTLETS, PORTS),
  },
  recorder: { one: 'recorder', many: 'recorders', fields: fitting(...SUPPLY, OUTLETS, PORTS) },
  finder: { one: 'finder', many: 'finders', fields: fitting(...SUPPLY, PORTS) },
  battery: {
    one: 'battery',
    many: 'batteries',
    fields: fitting(
      quantity('wattHours', 'holds', 'Wh', 'watts', 0, 5000),
      quantity('voltsFrom', 'gives from', 'V', 'volts', 0, 100),
      quantity('voltsTo', 'gives up to', 'V', 'volts', 0, 100),
      OUTLETS,
    ),
  },
  'battery-plate': { one: 'battery plate', many: 'battery plates', fields: fitting(OUTLETS) },
  bracket: { one: 'bracket', many: 'brackets', fields: fitting() },
  clamp: { one: 'clamp', many: 'clamps', fields: fitting() },
  rod: {
    one: 'single rod',
    many: 'single rods',
    fields: [
      COMMON[0]!,
      mm('width', 'diameter', 60, { first: true }),
      mm('depth', 'length', 2000, { first: true }),
      INTERFACES,
      ...COMMON.slice(1),
    ],
  },
  spacer: { one: 'spacer', many: 'spacers', fields: fitting() },
  'quick-plate': {
    one: 'quick-release plate',
    many: 'quick-release plates',
    fields: fitting(),
  },
  receiver: { one: 'receiver', many: 'receivers', fields: fitting() },
  dovetail: { one: 'dovetail', many: 'dovetails', fields: fitting() },
  rail: { one: 'rail', many: 'rails', fields: fitting() },
  'rosette-adapter': { one: 'rosette adapter', many: 'rosette adapters', fields: fitting() },
  'shoe-mount': { one: 'shoe mount', many: 'shoe mounts', fields: fitting() },
  microphone: { one: 'microphone', many: 'microphones', fields: fitting(...SUPPLY, PORTS) },
  radio: {
    one: 'receiver or transmitter',
    many: 'receivers and transmitters',
    fields: fitting(...SUPPLY, PORTS),
  },
  'cable-clamp': { one: 'cable clamp', many: 'cable clamps', fields: fitting() },
  accessory: { one: 'accessory', many: 'accessories', fields: fitting() },
  'dummy-battery': { one: 'dummy battery', many: 'dummy batteries', fields: fitting(...GIVES_ON) },
  converter: { one: 'converter', many: 'converters', fields: fitting(...GIVES_ON) },
} satisfies Record<string, KindDef>;
