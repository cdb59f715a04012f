import type { Area } from '../../checks/area';
import { spacePair } from './checks/pair';
import { spaceSweep } from './checks/sweep';
import { spaceEnvelope } from './checks/envelope';
import { spaceLensChange } from './checks/lens-change';
import { spaceMass } from './checks/mass';
import { spacePieces } from './checks/pieces';
import { makeRoom } from './fixes/room';
import { moves } from './moves/roles';
import { spaceVent } from './checks/vent';

/** Space: what comes near what, and how large it all is. */
export const space: Area = {
  id: 'space',
  name: 'Space',
  says: 'what comes near what, and how large it all is',
  checks: [
    spacePair,
    spaceSweep,
    spaceEnvelope,
    spaceMass,
    spaceLensChange,
    spacePieces,
    spaceVent,
  ],
  moves,
  fixes: [makeRoom],
};
