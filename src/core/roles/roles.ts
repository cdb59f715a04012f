import { bodyRole } from '../areas/coverage/roles/body';
import { lensRole } from '../areas/coverage/roles/lens';
import { driveRole } from '../areas/drive/roles/drive';
import { extensionRole } from '../areas/drive/roles/extension';
import { gearRole } from '../areas/drive/roles/gear';
import { boxRole } from '../areas/front/roles/box';
import { boxRingRole } from '../areas/front/roles/box-ring';
import { sleeveRole } from '../areas/front/roles/sleeve';
import { threadRole } from '../areas/front/roles/thread';
import { trayRole } from '../areas/front/roles/tray';
import { adapterRole } from '../areas/mount/roles/adapter';
import { plateRole } from '../areas/rods/roles/plate';
import { rodsRole } from '../areas/rods/roles/rods';
import { spacerRole } from '../areas/rods/roles/spacer';
import { fittedRole } from '../areas/space/roles/fitted';
import { cardRole } from '../areas/media/roles/card';
import { mainsRole } from '../areas/power/roles/mains';
import { leadRole } from '../areas/power/roles/lead';
import { supportRole } from '../areas/support/roles/support';
import type { Role } from '../edit/role';
import { carrierRole } from '../areas/carry/roles/carrier';

/** Every role there is, from the camera outwards, then under and beside. */
export const ROLES: readonly Role[] = [
  bodyRole,
  lensRole,
  adapterRole,
  threadRole,
  plateRole,
  spacerRole,
  boxRole,
  boxRingRole,
  sleeveRole,
  trayRole,
  rodsRole,
  gearRole,
  supportRole,
  driveRole,
  extensionRole,
  fittedRole,
  carrierRole,
  mainsRole,
  leadRole,
  cardRole,
];
