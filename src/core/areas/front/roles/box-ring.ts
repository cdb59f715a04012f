import type { Role } from '../../../edit/role';

/** What a clip-on box is clamped with. */
export const boxRingRole: Role = {
  id: 'box-ring',
  kinds: ['reduction-ring'],
  what: 'a reduction ring',
  once: true,
  parts: (rig) => [rig.box?.ring],
};
