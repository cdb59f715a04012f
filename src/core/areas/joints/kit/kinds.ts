import { choice, COMMON, flag, mm, type KindDef } from '../../../engine/field';
import { DRIVER_NAMES, FREE } from './driver-names';
import { INTERFACE_TYPES } from './interfaces';

const THREADS = INTERFACE_TYPES.filter((t) => t.family === 'thread').map(
  (t) => [t.id, t.name] as const,
);
/** What nobody fetches (fingers, a lever) is no tool of a kit. */
const TOOLS = DRIVER_NAMES.filter(([id]) => !FREE.has(id));

/** What goes into the joints and what they are turned with: kinds that stand nowhere on a rig. */
export const kinds = {
  screw: {
    one: 'screw',
    many: 'screws',
    fields: [
      COMMON[0]!,
      choice('thread', 'thread', THREADS, { first: true }),
      mm('length', 'length', 200, { first: true }),
      choice('driver', 'turned with', TOOLS, { first: true }),
      flag('worn', 'its thread is going'),
      ...COMMON.slice(1),
    ],
  },
  key: {
    one: 'key or driver',
    many: 'keys and drivers',
    fields: [
      COMMON[0]!,
      {
        type: 'rows',
        key: 'turns',
        label: 'turns',
        row: 'size',
        first: true,
        fields: [choice('driver', 'size', TOOLS, { required: true })],
      },
      {
        type: 'text',
        key: 'lives',
        label: 'lives',
        max: 120,
        first: true,
      },
      ...COMMON.slice(1),
    ],
  },
} satisfies Record<string, KindDef>;
