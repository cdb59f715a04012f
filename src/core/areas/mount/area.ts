import type { Area } from '../../checks/area';
import { OPTICAL } from './checks/optical';
import { mountLoad } from './checks/load';
import { tieFeet, glassInOut, otherLinks } from './fixes/mount';
import { moves } from './moves/roles';

/** Mounts: what goes together from body to lens, and what hangs on it. */
export const mount: Area = {
  id: 'mount',
  name: 'Mounts',
  says: 'what goes together from body to lens, and what hangs on it',
  mates: true,
  checks: [...OPTICAL, mountLoad],
  moves,
  fixes: [tieFeet, glassInOut, otherLinks],
};
