import type { Role } from '../../../edit/role';
import { type DriveUse } from '../../../kit/types';
import { readFed, writeFed } from '../../../edit/fed';
import { ON_ROD } from '../../rods/roles/on-rod';

/** A follow focus or motor on the rods. */
export const driveRole: Role = {
  id: 'drive',
  kinds: ['follow-focus', 'motor'],
  what: 'a follow focus or motor',
  needs: { set: 'turns' },
  list: {
    list: 'drives',
    seat: 'rods',
    set: ['turns', 'angle', 'flipped', 'reversed', 'unit'],
    place: { side: 'side', station: 'station' },
    own: ['arm', 'outlet', 'on'],
    ...ON_ROD,
    read(kept, use, element) {
      ON_ROD.read(kept, use, element);
      const arm = kept.on(use.id, 'extension');
      const outlet = readFed(kept, use.id);
      if (arm) element.arm = arm.part;
      if (outlet) element.outlet = outlet;
    },
    write(rig, id, element) {
      const { arm, outlet } = element as unknown as DriveUse;
      if (arm !== undefined) {
        const own = rig.owned(rig.kept.on(id, 'extension'), `${id}-arm`, 'extension');
        rig.put(own, 'extension', arm);
        rig.seat(own, 'arm', { use: id });
      }
      writeFed(rig, id, outlet);
    },
  },
};
