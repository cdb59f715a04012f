import { newNamedId } from '../../../engine/ids';
import type { Edit } from '../../../edit/edit';
import type { Part } from '../../../kit/types';
import type { QuantityInput } from '../../../quantity/quantity';
import type { Pressed } from '../kit/figure-fixtures';
import { interfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';

/** How far a finger on a drawing may be off what it means, mm. */
export const FINGER = 3;

/**
 * A hole, shoe, rail or clamp put where a drawing was pressed. Where it sits is a guess until it is
 * measured, as wide as a finger; how far along the way one looks nobody said.
 *
 * @param at from {@link pressedOn}, or only the face
 * @param type its standard or class
 */
export function putInterface(
  part: Part,
  at: Pressed,
  type: string,
  side: NonNullable<Interface['side']>,
): { edit: Edit; key: string } {
  const name = `${at.face} ${interfaceType(type)?.name ?? type}`;
  const id = newNamedId(name);
  const guess = (v: number | null): QuantityInput | undefined =>
    v === null ? undefined : { value: Math.round(v), tol: FINGER, from: 'guess' };
  const row: Interface = { id, name, type, side, face: at.face };
  for (const k of ['x', 'y', 'z'] as const) {
    const q = guess(at[k]);
    if (q !== undefined) row[k] = q;
  }
  return {
    key: `interfaces/${id}`,
    edit: {
      title: `Put ${name} on ${part.name}`,
      changes: [{ path: ['kit', part.id, 'interfaces', id], value: row }],
    },
  };
}
