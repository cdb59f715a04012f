import { choice } from '../../../engine/field';
import { ROD_SYSTEMS } from './systems';

/** Which system of rods a part stands on. */
export const rodSystem = choice(
  'rods',
  'rod system',
  ROD_SYSTEMS.map((r) => [r.id, r.name] as const),
  { first: true },
);
