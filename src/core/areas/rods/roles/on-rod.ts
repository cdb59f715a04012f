import type { ListRole } from '../../../edit/role';

/** What is clamped to the rods of the plate, or to a single rod that it names. */
export const ON_ROD = {
  read(kept, use, element) {
    const host = kept.seats.get(use.id)?.host?.use;
    if (host !== undefined) element.on = host;
  },
  host: (rig, { on }) =>
    typeof on === 'string'
      ? { kind: 'rods', host: { use: rig.idOf('fitted', on) } }
      : { kind: 'rods' },
} satisfies Pick<ListRole, 'read' | 'host'>;
