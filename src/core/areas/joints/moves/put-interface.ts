import { newNamedId } from '../../../engine/ids';
import type { Outlet } from '../../../engine/part';
import type { Edit } from '../../../edit/edit';
import { FIELDS, isKind } from '../../../kit/fields';
import type { Part } from '../../../kit/types';
import type { QuantityInput } from '../../../quantity/quantity';
import type { Pressed } from '../kit/figure-fixtures';
import { interfaceType } from '../kit/interfaces';
import type { Interface } from '../kit/parts';

/** How far a finger on a drawing may be off what it means, mm. */
export const FINGER = 3;

const guess = (v: number | null): QuantityInput | undefined =>
  v === null ? undefined : { value: Math.round(v), tol: FINGER, from: 'guess' };

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

/** What of a part has a socket: where its lead goes in, and each of its outlets. */
export function socketsToPut(part: Part): { id: string; name: string }[] {
  if (!isKind(part.kind)) return [];
  const keys = FIELDS[part.kind].map((f) => f.key);
  const outlets = (part as { outlets?: readonly Outlet[] }).outlets ?? [];
  return [
    ...(keys.includes('inletFace') ? [{ id: INLET, name: 'its inlet' }] : []),
    ...(keys.includes('outlets') ? outlets.map((o) => ({ id: OUTLET + o.id, name: o.name })) : []),
  ];
}

const INLET = 'socket:inlet';
const OUTLET = 'socket:outlet:';

/** Whether what is to be put is a socket, by its id of {@link socketsToPut}. */
export const isSocket = (id: string): boolean => id === INLET || id.startsWith(OUTLET);

/** A socket put where a drawing was pressed: as {@link putInterface}, for what the part has already. */
export function putSocket(part: Part, at: Pressed, socket: string): { edit: Edit; key: string } {
  const id = socket.slice(OUTLET.length);
  const [base, keys, key]: [string[], string[], string] =
    socket === INLET
      ? [['kit', part.id], ['inletFace', 'inletX', 'inletY', 'inletZ'], 'inlet']
      : [['kit', part.id, 'outlets', id], ['face', 'x', 'y', 'z'], `outlets/${id}`];
  const { name } = socketsToPut(part).find((s) => s.id === socket)!;
  const values = [at.face, guess(at.x), guess(at.y), guess(at.z)];
  return {
    key,
    edit: {
      title: `Put ${name} on ${part.name}`,
      changes: keys.map((k, i) => ({ path: [...base, k], value: values[i] })),
    },
  };
}
