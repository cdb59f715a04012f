import { flag, mm, COMMON, clampLength, type KindDef } from '../../../engine/field';
import { rodSystem } from '../../rods/kit/system-field';

/** What holds the lens up: the kinds of parts, and what each can say. */
export const kinds = {
  'lens-support': {
    one: 'lens support',
    many: 'lens supports',
    fields: [
      COMMON[0]!,
      rodSystem,
      mm('postFrom', 'post, lowest', 300, { first: true }),
      mm('postTo', 'post, highest', 300, { first: true }),
      clampLength,
      mm('cradleWidth', 'width of the cradle', 300),
      flag('around', 'closes around the barrel'),
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
