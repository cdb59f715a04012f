import type { Built } from '../../../build/build';
import { FACES } from '../../../engine/field';
import type { Face } from '../../../engine/part';
import type { TiePoint } from '../../../kit/types';
import { standOf } from '../../../stand/stand';
import { keyOf } from './run';
import { tieOn } from './via';

/** A face that a lead can be tied to. */
export interface TiePlace {
  /** To be picked by: `fitted/handle/left`. */
  id: string;
  /** `Stirrup handle, camera left`. */
  name: string;
  to: Omit<TiePoint, 'id'>;
}

const SIDES: ReadonlySet<Face> = new Set(['left', 'right']);

/** What of a rig a lead can be tied to: every face of what stands somewhere, in the order of the rig. */
export function tiePlaces(built: Built): TiePlace[] {
  const { rig, kit } = built;
  const pieces = new Map(standOf(built).pieces.map((p) => [p.key, p]));
  const on = [
    ...(rig.body === null ? [] : [{ list: 'body' as const, id: 'body', part: rig.body }]),
    ...(['fitted', 'rods'] as const).flatMap((list) =>
      (rig[list] ?? []).map(({ id, part }) => ({ list, id, part })),
    ),
  ];
  return on.flatMap(({ list, id, part }) =>
    FACES.flatMap(([face, side]): TiePlace[] => {
      // Between two rods there is nothing to tie to: beside each there is.
      if (list === 'rods' && !SIDES.has(face)) return [];
      const to = { on: { list, id }, face };
      return tieOn(pieces.get(keyOf(list, id)), { id: '', ...to })
        ? [{ id: `${list}/${id}/${face}`, name: `${kit.get(part)?.name ?? part}, ${side}`, to }]
        : [];
    }),
  );
}

/** What a tie is on, as it is called; of what is not there by its use. */
export function tieName(built: Built, { on, face }: Omit<TiePoint, 'id'>): string {
  const { rig, kit } = built;
  const part =
    on.list === 'body' ? rig.body : (rig[on.list]?.find((u) => u.id === on.id)?.part ?? null);
  const side = FACES.find(([id]) => id === face)![1];
  return `${(part === null ? undefined : kit.get(part)?.name) ?? on.id}, ${side}`;
}
