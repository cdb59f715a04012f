import {
  CARRIED,
  choice,
  COMMON,
  flag,
  mm,
  number,
  OUTLETS,
  quantity,
  SOCKETS,
  type KindDef,
} from '../../../engine/field';

/** What goes between two sockets, and what fills packs and gives from the mains. */
export const kinds = {
  lead: {
    one: 'lead',
    many: 'leads',
    fields: [
      COMMON[0]!,
      mm('length', 'length', 20000, { first: true }),
      quantity('copper', 'conductor', 'mm2', 'ratio', 0.01, 50, { first: true }),
      choice('plug', 'plug at the source', SOCKETS, { first: true }),
      choice('plugTo', 'plug at the device', SOCKETS, { first: true }),
      mm('width', 'outside diameter', 40),
      choice('elbows', 'elbow plugs', [
        ['none', 'none'],
        ['source', 'at the source'],
        ['device', 'at the device'],
        ['both', 'at both ends'],
      ]),
      flag('coiled', 'coiled'),
      mm('stretches', 'coil stretches to', 20000),
      choice('carries', 'carries', [
        ['power', 'power'],
        ['power-data', 'power and data'],
        ...CARRIED,
      ]),
      choice('carriesToo', 'carries besides', CARRIED),
      choice('plugToo', 'second plug at the source', SOCKETS),
      choice('plugTooTo', 'second plug at the device', SOCKETS),
      ...COMMON.slice(1),
    ],
  },
  charger: {
    one: 'charger',
    many: 'chargers',
    fields: [
      COMMON[0]!,
      number('bays', 'packs at once', '', 1, 16, { first: true, integer: true }),
      quantity('bayWatts', 'each bay gives', 'W', 'watts', 0.1, 1000, { first: true }),
      { type: 'texts', key: 'madeFor', label: 'charges', of: 'battery', first: true },
      ...COMMON.slice(1),
    ],
  },
  'mains-unit': {
    one: 'mains unit',
    many: 'mains units',
    fields: [COMMON[0]!, OUTLETS, ...COMMON.slice(1)],
  },
} satisfies Record<string, KindDef>;
