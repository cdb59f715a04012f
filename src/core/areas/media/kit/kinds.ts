import { SLOT } from './parts';
import { choice, COMMON, quantity, SOCKETS, type KindDef } from '../../../engine/field';

/** What is recorded on, and what that is copied with. */
export const kinds = {
  card: {
    one: 'card or drive',
    many: 'cards and drives',
    fields: [
      COMMON[0]!,
      quantity('gigabytes', 'holds', 'GB', 'exact', 0.1, 1e6, { first: true }),
      quantity('sustained', 'sustained write', 'MB/s', 'exact', 0.1, 1e5, { first: true }),
      choice('plug', 'goes into', [[SLOT, 'a slot'], ...SOCKETS]),
      ...COMMON.slice(1),
    ],
  },
  reader: {
    one: 'card reader',
    many: 'card readers',
    fields: [
      COMMON[0]!,
      quantity('copies', 'copies', 'MB/s', 'exact', 0.1, 1e5, { first: true }),
      { type: 'texts', key: 'madeFor', label: 'reads', of: 'card', first: true },
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
