import type { Edit } from '../../../edit/edit';
import { at } from '../../../edit/rig-path';
import { newId, newNamedId } from '../../../engine/ids';
import type { Change, FittedUse, Part, Position, Rig } from '../../../kit/types';
import { sayLength } from '../../../quantity/say';
import type { Seating } from '../model/free';
import { seatFields } from '../model/free';

/** Everything that says where a part stands: a new place begins without what the old one said. */
const PLACE = [
  'to',
  'on',
  'at',
  'by',
  'n',
  'slide',
  'gap',
  'x',
  'y',
  'z',
  'turn',
  'station',
] as const;

/** How a place is called: `top holes of Lattice cage`, of a row with the number of its hole. */
export function placeName({ host, n, slide }: Seating): string {
  const hole = (host.i.count ?? 1) > 1 ? `, hole ${n + 1}` : '';
  const off = slide === 0 ? '' : `, ${sayLength(Math.abs(slide))} off its middle`;
  return `${host.i.name} of ${host.part.name}${hole}${off}`;
}

/** Puts a part on a free place. */
export function seat(rig: Rig, part: Part, place: Seating): Edit {
  const use: FittedUse = { id: newId(part.kind), part: part.id, ...said(seatFields(place)) };
  return {
    title: `Put ${part.name} on ${placeName(place)}`,
    changes: [{ path: at(rig, 'fitted', use.id), value: use }],
  };
}

/** Moves a part that is on the rig to a free place; what it carries goes with it. */
export function reseat(rig: Rig, use: FittedUse, part: Part, place: Seating): Edit {
  return {
    title: `Move ${part.name} to ${placeName(place)}`,
    changes: placed(rig, use, seatFields(place)),
  };
}

/** Changes that put a use somewhere else. */
export function placed(rig: Rig, use: FittedUse, to: Partial<FittedUse>): Change[] {
  return PLACE.flatMap((k): Change[] =>
    use[k] === to[k] ? [] : [{ path: at(rig, 'fitted', use.id, k), value: to[k] }],
  );
}

/** One field of a joint: its slide, its screw, how tight it is. Undefined takes it away. */
export function setSeat(rig: Rig, id: string, to: Partial<FittedUse>, title: string): Edit {
  return {
    title,
    changes: Object.entries(to).map(([k, value]) => ({ path: at(rig, 'fitted', id, k), value })),
    group: `seat ${rig.id} ${id} ${Object.keys(to).join()}`,
  };
}

/**
 * Puts a part on by way of adapters: each on the one before, the part on the last.
 *
 * @param use the part where it is on the rig already
 */
export function seatThrough(
  rig: Rig,
  part: Part,
  first: Seating['host'],
  chain: readonly { part: Part; by: string; at: string; n: number; slide?: number }[],
  last: { by: string; n: number },
  use?: FittedUse,
): Edit {
  const changes: Change[] = [];
  let to = first.use?.id;
  let on: FittedUse['on'] = first.on ?? first.i.face ?? 'top';
  let where = first.i.id;
  for (const link of chain) {
    const one: FittedUse = said({
      id: newId(link.part.kind),
      part: link.part.id,
      to,
      on,
      at: where,
      by: link.by,
      n: link.n === 0 ? undefined : link.n,
      slide: link.slide === 0 ? undefined : link.slide,
    });
    changes.push({ path: at(rig, 'fitted', one.id), value: one });
    to = one.id;
    on = 'top';
    where = link.at;
  }
  const place = { to, on, at: where, by: last.by, n: last.n === 0 ? undefined : last.n };
  if (use) changes.push(...placed(rig, use, place));
  else {
    const one: FittedUse = said({ id: newId(part.kind), part: part.id, ...place });
    changes.push({ path: at(rig, 'fitted', one.id), value: one });
  }
  const by = chain.map((c) => c.part.name).join(' and ');
  return { title: `Put ${part.name} on ${first.i.name} of ${first.part.name} by ${by}`, changes };
}

/** Without fields that are undefined: no field of a document is there and says nothing. */
function said<T extends object>(fields: T): T {
  return Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== undefined)) as T;
}

/** What the rig is held by: a fitted part, or from below. */
export function setHold(rig: Rig, hold: string | undefined, name: string): Edit {
  return {
    title: hold === undefined ? 'Held from below' : `Held by ${name}`,
    changes: [{ path: at(rig, 'hold'), value: hold }],
  };
}

export function setOverhead(rig: Rig, overhead: boolean): Edit {
  return {
    title: overhead ? 'Above a head, or on a vehicle' : 'Not above a head',
    changes: [{ path: at(rig, 'overhead'), value: overhead ? true : undefined }],
  };
}

/** Keeps how a part is slid and turned now under a name; a name that is there is set anew. */
export function keepPosition(rig: Rig, use: FittedUse, name: string): Edit {
  const before = use.positions ?? [];
  const known = before.find((p) => p.name === name);
  const now: Position = said({
    id: known?.id ?? newNamedId(name),
    name,
    slide: use.slide,
    turn: use.turn,
  });
  return {
    title: `Keep where it stands as ${name}`,
    changes: [
      {
        path: at(rig, 'fitted', use.id, 'positions'),
        value: known ? before.map((p) => (p === known ? now : p)) : [...before, now],
      },
    ],
  };
}

/** Slides and turns a part to a position that is kept. */
export function toPosition(rig: Rig, use: FittedUse, p: Position, name: string): Edit {
  return setSeat(rig, use.id, { slide: p.slide, turn: p.turn }, `${name} ${p.name}`);
}

/** Forgets a position; where the part stands it stays. */
export function dropPosition(rig: Rig, use: FittedUse, p: Position, name: string): Edit {
  const left = (use.positions ?? []).filter((x) => x.id !== p.id);
  return setSeat(
    rig,
    use.id,
    { positions: left.length > 0 ? left : undefined },
    `Forget ${p.name} of ${name}`,
  );
}
