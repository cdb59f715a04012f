import { newNamedId } from '../../../engine/ids';
import type { Outlet, SignalPort } from '../../../engine/part';
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

/** Lists of a part that have sockets. */
const LISTS = ['outlets', 'ports'] as const;

/** What of a part has a socket: where its lead goes in, each of its outlets and ports. */
export function socketsToPut(part: Part): { id: string; name: string }[] {
  if (!isKind(part.kind)) return [];
  const keys = FIELDS[part.kind].map((f) => f.key);
  const own = part as { outlets?: readonly Outlet[]; ports?: readonly SignalPort[] };
  return [
    ...(keys.includes('inletFace') ? [{ id: INLET, name: 'its inlet' }] : []),
    ...LISTS.flatMap((list) =>
      keys.includes(list)
        ? (own[list] ?? []).map((o) => ({ id: `socket:${list}:${o.id}`, name: o.name }))
        : [],
    ),
  ];
}

const INLET = 'socket:inlet';

/** Whether what is to be put is a socket, by its id of {@link socketsToPut}. */
export const isSocket = (id: string): boolean => id.startsWith('socket:');

/** A socket put where a drawing was pressed: as {@link putInterface}, for what the part has already. */
export function putSocket(part: Part, at: Pressed, socket: string): { edit: Edit; key: string } {
  const list = LISTS.find((l) => socket.startsWith(`socket:${l}:`)) ?? 'outlets';
  const id = socket.slice(`socket:${list}:`.length);
  const [base, keys, key]: [string[], string[], string] =
    socket === INLET
      ? [['kit', part.id], ['inletFace', 'inletX', 'inletY', 'inletZ'], 'inlet']
      : [['kit', part.id, list, id], ['face', 'x', 'y', 'z'], `${list}/${id}`];
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
