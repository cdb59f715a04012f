import type { Role } from '../../../edit/role';
import { readFed, writeFed } from '../../../edit/fed';
import { FITTING_KINDS, type FittedUse } from '../../../kit/types';

/** What stands against the camera, on rods, or on another part that does. */
export const fittedRole: Role = {
  id: 'fitted',
  kinds: FITTING_KINDS,
  what: 'a part that is fitted to a camera',
  list: {
    list: 'fitted',
    seat: 'face',
    set: [],
    place: {
      x: 'x',
      y: 'y',
      z: 'z',
      station: 'station',
      turn: 'turn',
      n: 'n',
      slide: 'slide',
      gap: 'gap',
    },
    joint: ['screw', 'tight', 'signed', 'line', 'positions'],
    own: ['to', 'on', 'at', 'by', 'outlet'],
    read(kept, use, element) {
      const seat = kept.seats.get(use.id);
      if (seat?.host?.use !== undefined) element.to = seat.host.use;
      element.on = seat?.kind === 'rods' ? 'rods' : (seat?.host?.face ?? 'top');
      if (seat?.host?.interface !== undefined) element.at = seat.host.interface;
      if (seat?.guest.interface !== undefined) element.by = seat.guest.interface;
      const outlet = readFed(kept, use.id);
      if (outlet) element.outlet = outlet;
    },
    write(rig, id, element) {
      writeFed(rig, id, (element as unknown as FittedUse).outlet);
    },
    host(rig, element) {
      const { to, on, part, at, by } = element as unknown as FittedUse;
      const host = { use: to === undefined ? undefined : rig.idOf('fitted', to), interface: at };
      if (on === 'rods') return { kind: 'rods', host, interface: by };
      const kind = rig.partOf(part)?.kind === 'cage' ? 'around' : 'face';
      return { kind, host: { ...host, face: on }, interface: by };
    },
  },
};
