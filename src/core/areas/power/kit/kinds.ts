import { choice, COMMON, mm, quantity, SOCKETS, type KindDef } from '../../../engine/field';

/** What goes between an outlet and what it feeds. */
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
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
