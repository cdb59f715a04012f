import type { ListRole } from '../../../edit/role';

/** What plates and spacers under the camera have in common: one stack, from the body downwards. */
export const UNDER: ListRole = {
  list: 'under',
  seat: 'stack',
  set: ['height'],
  place: { station: 'station' },
  row: true,
  named: true,
  own: ['at'],
  read(kept, use, element) {
    if (kept.seats.get(use.id)?.kind === 'rod-seat') element.at = 'rods';
    else if (use.role === 'spacer') element.at = 'body';
  },
  host: (_rig, element) => ({ kind: element.at === 'rods' ? 'rod-seat' : 'stack' }),
};
