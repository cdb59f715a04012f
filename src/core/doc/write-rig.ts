import { writeFed } from '../edit/fed';
import { writeSignal } from '../edit/write-signals';
import { elementsOf, type Element, type RigWriter, type SeatMore } from '../edit/role';
import { ROLES } from '../roles/roles';
import type { BoxUse, Part, Rig, TieOn } from '../kit/types';
import { Reader } from './read-rig';
import { clean, LISTS, named, nameOf, picked, some, type Fields, type RoleList } from './roles';
import type {
  ConfigurationDoc,
  End,
  Joint,
  Link,
  Place,
  Remembered,
  RigDoc,
  Unread,
  Use,
} from '../kit/kept';

/** A rig as it is kept, out of one that is read by roles. */

/** A part by its id, where the kit has it. */
export type PartOf = (id: string) => Part | undefined;

/** Puts a rig's uses, joints and links together, each under an id of its own. */
class Writer implements RigWriter {
  readonly uses: Use[] = [];
  readonly joints: Joint[] = [];
  readonly links: Link[] = [];
  private readonly taken = new Set<string>();
  private readonly named = new Map<string, string>();
  /** The rig as it was kept: what it calls its pieces stays. */
  readonly kept: Reader;
  readonly body: string;
  readonly lens: string;
  readonly box: string;

  constructor(
    readonly rig: Rig,
    readonly partOf: PartOf,
    before?: RigDoc,
  ) {
    this.kept = new Reader(before ?? { uses: [], joints: [], links: [] });
    this.body = this.only('body');
    this.lens = this.only('lens');
    this.box = this.only('box');
    if (rig.body !== null) this.taken.add(this.body);
    if (rig.lens !== null) this.taken.add(this.lens);
    if (rig.box) this.taken.add(this.box);
    for (const u of unreadOf(rig).uses ?? []) this.taken.add(u.id);
    for (const role of ['extension', 'box-ring', 'sleeve', 'tray', 'lead'])
      for (const u of this.kept.role(role)) this.taken.add(u.id);
    // Those with a name of their own first: what is named by its part must not take it.
    for (const l of LISTS)
      for (const e of this.list(l))
        if (e.id !== undefined)
          this.named.set(`${l.list}/${e.id}`, this.free(e.id, this.roleOf(l, e)));
  }

  /** Id of what a rig has one of: as it was kept, else by its role. */
  private only(role: string): string {
    const own = this.kept.role(role)[0]?.id;
    if (own !== undefined) return own;
    let id = role;
    for (let n = 2; this.kept.rig.uses.some((u) => u.id === id); n++) id = `${role}-${n}`;
    return id;
  }

  /** The id that something was kept under, else a free one. */
  owned(kept: { id: string } | undefined, want: string, prefix: string): string {
    return kept?.id ?? this.free(want, prefix);
  }

  list(l: RoleList): (Fields & Element)[] {
    return elementsOf(this.rig, l.list) as unknown as (Fields & Element)[];
  }

  roleOf(l: RoleList, e: { part: string }): string {
    const kind = this.partOf(e.part)?.kind;
    // Where several roles are read as one list the part says which it is; the last takes the rest.
    return (
      ROLES.find((r) => l.roles.includes(r.id) && r.kinds.includes(kind!))?.id ?? l.roles.at(-1)!
    );
  }

  /** An id that begins with a letter and that no other use has. */
  free(want: string, prefix: string): string {
    let id = /^[A-Za-z]/.test(want) && !this.taken.has(want) ? want : nameOf(prefix, want);
    const base = id.slice(0, 76);
    for (let n = 2; this.taken.has(id); n++) id = `${base}-${n}`;
    this.taken.add(id);
    return id;
  }

  /** Id of the use that an element of a list became. */
  idOf(list: string, id: string): string {
    return this.named.get(`${list}/${id}`) ?? id;
  }

  standsFor({ list, id }: TieOn): string | undefined {
    if (list === 'body') return this.rig.body === null ? undefined : this.body;
    return this.rig[list]?.some((u) => u.id === id) ? this.idOf(list, id) : undefined;
  }

  /** Ties a use at its foot. */
  tie(use: string): void {
    const id = this.owned(this.kept.foot(use), `${use}-foot`, 'foot');
    this.joints.push({ id, kind: 'foot', guest: { use, interface: 'foot' } });
  }

  link(link: Link): void {
    this.links.push(link);
  }

  leadOf(use: string): string | undefined {
    return this.links.find((l) => l.kind === 'power' && l.to.use === use)?.lead;
  }

  put(id: string, role: string, part: string, set?: Fields, carried?: Fields): void {
    this.uses.push(
      clean({ id, role, part, set: set && some(set), carried: carried && some(carried) }),
    );
  }

  seat(id: string, kind: string, host?: End, place?: Place, more: SeatMore = {}): void {
    this.joints.push(
      clean({
        id,
        kind,
        guest: clean({ use: id, interface: more.interface }),
        host: host && some(host),
        place: place && some(place),
        ...more.fields,
      }) as Joint,
    );
  }
}

/** What a rig keeps that no role of this version reads. */
const unreadOf = (rig: Rig): Unread => (rig.unread ?? {}) as Unread;

/** Numbers of a row: those that stay keep theirs as far as the order allows. */
function rowOf(ids: readonly string[], before: ReadonlyMap<string, number>): Map<string, number> {
  const out = new Map<string, number>();
  let last = 0;
  ids.forEach((id, i) => {
    const own = before.get(id);
    let n = own !== undefined && own > last ? own : undefined;
    if (n === undefined) {
      const next = ids
        .slice(i + 1)
        .map((x) => before.get(x))
        .find((x) => x !== undefined && x > last);
      n = next === undefined ? Math.floor(last) + 1 : (last + next) / 2;
    }
    out.set(id, n);
    last = n;
  });
  return out;
}

/**
 * A rig as it is kept.
 *
 * @param partOf the kit: what a piece is says how it is seated
 * @param before the rig as it was kept: its ids, and its numbers in a row, stay
 */
export function rigDocOf(rig: Rig, partOf: PartOf, before?: RigDoc): RigDoc {
  const w = new Writer(rig, partOf, before);
  const orders = new Map(
    (before?.joints ?? []).flatMap((j): [string, number][] =>
      j.place?.order === undefined ? [] : [[j.id, j.place.order]],
    ),
  );
  writeCamera(w);
  for (const l of LISTS) writeList(w, l, orders);
  if (rig.body !== null) writeFed(w, w.body, rig.outlet);
  for (const s of rig.signals ?? []) writeSignal(w, s);
  if (rig.box) writeBox(w, rig.box);
  const {
    body: _body,
    lens: _lens,
    mode,
    screenShut: _shut,
    footTied: _tied,
    wheel: _wheel,
    hand: _hand,
    outlet: _outlet,
    signals: _signals,
    box: _box,
    lenses,
    configurations,
    unread: _unread,
    ...flat
  } = rig;
  const unread = unreadOf(rig);
  const plain = { ...flat } as Fields;
  for (const l of LISTS) delete plain[l.list];
  const uses = new Set(w.uses.map((u) => u.id));
  for (const u of unread.uses ?? []) uses.add(u.id);
  const on = (end: { use?: string } | undefined) => end?.use === undefined || uses.has(end.use);
  return clean({
    ...plain,
    mode: mode ?? undefined,
    uses: [...w.uses, ...(unread.uses ?? [])],
    joints: [...w.joints, ...(unread.joints ?? []).filter((j) => on(j.guest) && on(j.host))],
    links: [...w.links, ...(unread.links ?? []).filter((l) => on(l.from) && on(l.to))],
    remembered: lenses && rememberedDoc(lenses, partOf),
    configurations: configurations?.map(({ changes, ...c }) => {
      const { over, carried, ...more } = c as Partial<ConfigurationDoc> & {
        id: string;
        name: string;
      };
      return clean({
        ...more,
        over: over ?? {},
        carried: some({ ...carried, changes: changes.length > 0 ? changes : undefined }),
      });
    }),
  }) as unknown as RigDoc;
}

function writeCamera(w: Writer): void {
  const { rig } = w;
  if (rig.body !== null)
    w.put(w.body, 'body', rig.body, { screenShut: rig.screenShut, wheel: rig.wheel });
  if (rig.lens === null) return;
  w.put(w.lens, 'lens', rig.lens, { hand: rig.hand });
  w.seat(w.lens, 'mount');
  if (rig.footTied === true) w.tie(w.lens);
}

function writeList(w: Writer, l: RoleList, orders: ReadonlyMap<string, number>): void {
  const known = new Set([
    'id',
    'part',
    ...l.set,
    ...Object.keys(l.place),
    ...(l.joint ?? []),
    ...(l.own ?? []),
  ]);
  const list = w.list(l);
  const ids = list.map((e) =>
    e.id === undefined ? w.free(nameOf(w.roleOf(l, e), named(l, e)), 'use') : w.idOf(l.list, e.id),
  );
  const row = l.row ? rowOf(ids, orders) : null;
  list.forEach((e, i) => {
    const id = ids[i]!;
    const set = { ...picked(e, l.set), ...l.alsoSet?.(e) };
    const carried = Object.fromEntries(Object.entries(e).filter(([k]) => !known.has(k)));
    w.put(id, w.roleOf(l, e), e.part, set, carried);
    const place: Place = {};
    for (const [key, as] of Object.entries(l.place))
      if (e[key] !== undefined) (place as Fields)[as] = e[key];
    if (row) place.order = row.get(id);
    const how = l.host?.(w, e) ?? { kind: l.seat };
    w.seat(id, how.kind, how.host, place, {
      interface: how.interface,
      fields: picked(e, l.joint ?? []),
    });
    l.write?.(w, id, e);
  });
}

function writeBox(w: Writer, box: BoxUse): void {
  const { part, ring, sleeve, on, station, trays, mask, flags, ...carried } = box;
  // A tray that says nothing but its name is not kept.
  const said = (trays ?? []).flatMap(({ id, filter: _f, ...t }) => {
    const set = some(t);
    return set ? [[id, set] as const] : [];
  });
  const stages = said.length > 0 ? Object.fromEntries(said) : undefined;
  w.put(
    w.box,
    'box',
    part,
    {
      mask,
      stages,
      flags: flags?.length ? Object.fromEntries(flags.map(({ id, ...f }) => [id, f])) : undefined,
    },
    carried,
  );
  const attach = (w.partOf(part) as { attach?: string } | undefined)?.attach;
  let host: End | undefined;
  if (ring !== undefined) {
    const id = w.owned(w.kept.role('box-ring')[0], 'box-ring', 'use');
    w.put(id, 'box-ring', ring);
    w.seat(id, 'clip');
    host = { use: id };
  } else if (on !== undefined) host = { use: w.idOf('fitted', on) };
  w.seat(w.box, attach === 'rods' ? 'rods' : attach === 'clip-on' ? 'clip' : 'face', host, {
    station,
  });
  if (sleeve !== undefined) {
    const id = w.owned(w.kept.role('sleeve')[0], 'sleeve', 'use');
    w.put(id, 'sleeve', sleeve);
    w.seat(id, 'sleeve', { use: w.box });
  }
  for (const t of trays ?? [])
    if (t.filter !== undefined) {
      const kept = w.kept
        .role('tray')
        .find((u) => w.kept.seats.get(u.id)?.host?.interface === t.id);
      const id = w.owned(kept, nameOf('tray', t.id), 'use');
      w.put(id, 'tray', t.filter);
      w.seat(id, 'tray', { use: w.box, interface: t.id });
    }
}

function rememberedDoc(
  lenses: NonNullable<Rig['lenses']>,
  partOf: PartOf,
): Record<string, Remembered> {
  const out: Record<string, Remembered> = {};
  for (const [lens, { between, dressing }] of Object.entries(lenses)) {
    // The lens itself stands for it that all that was on it is remembered.
    const w = rigDocOf(
      {
        id: '',
        name: '',
        body: null,
        mode: null,
        frames: [],
        lens: dressing ? lens : null,
        between: between ?? [],
        ...dressing,
      },
      partOf,
    );
    const byId = <T extends { id: string }>(list: readonly T[]) =>
      Object.fromEntries(list.map(({ id, ...more }) => [id, more]));
    out[lens] = { uses: byId(w.uses), joints: byId(w.joints) } as Remembered;
  }
  return out;
}
