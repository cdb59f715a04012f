import type { KeptRig } from '../edit/role';
import { readFed } from '../edit/fed';
import { readSignal } from '../edit/signals';
import { dressingOf } from '../kit/dressing';
import type { BoxUse, PortAt, Rig, TieOn, TrayUse } from '../kit/types';
import {
  clean,
  LISTS,
  named,
  nameOf,
  picked,
  READ_ROLES,
  some,
  type Fields,
  type RoleList,
} from './roles';
import type { Joint, Link, Place, Remembered, RigDoc, Use } from '../kit/kept';

/** A rig as it is read by roles, out of one that is kept. */

/** What seats, ties and feeds each use of a rig. */
export class Reader implements KeptRig {
  readonly seats = new Map<string, Joint>();
  readonly byRole = new Map<string, Use[]>();

  constructor(readonly rig: Pick<RigDoc, 'uses' | 'joints' | 'links'>) {
    for (const j of rig.joints) if (j.id === j.guest.use) this.seats.set(j.id, j);
    for (const u of rig.uses) {
      const list = this.byRole.get(u.role);
      if (list) list.push(u);
      else this.byRole.set(u.role, [u]);
    }
  }

  role(role: string): readonly Use[] {
    return this.byRole.get(role) ?? [];
  }
  place(use: Use): Place {
    return this.seats.get(use.id)?.place ?? {};
  }
  /** The joint by which a use is tied at its foot. */
  foot(id: string): Joint | undefined {
    return this.rig.joints.find((j) => j.kind === 'foot' && j.guest.use === id && j.id !== id);
  }
  /** What stands on a use in a role. */
  on(host: string, role: string): Use | undefined {
    return this.role(role).find((u) => this.seats.get(u.id)?.host?.use === host);
  }
  use(id: string): Use | undefined {
    return this.rig.uses.find((u) => u.id === id);
  }
  link(id: string): Link | undefined {
    return this.rig.links.find((l) => l.id === id);
  }
  deviceOf(id: string): Pick<PortAt, 'list' | 'id'> | undefined {
    if (this.role('body')[0]?.id === id) return { list: 'body', id: 'body' };
    if (this.role('drive').some((u) => u.id === id)) return { list: 'drives', id };
    return this.role('fitted').some((u) => u.id === id) ? { list: 'fitted', id } : undefined;
  }
  tieOf(id: string): TieOn | undefined {
    if (this.role('rods').some((u) => u.id === id)) return { list: 'rods', id };
    return this.deviceOf(id);
  }
  powerBy(lead: string): Link | undefined {
    return this.rig.links.find((l) => l.lead === lead && this.power(l.to.use) === l);
  }
  power(to: string): Link | undefined {
    return this.rig.links.find(
      (l) => l.kind === 'power' && l.to.use === to && l.from.port !== undefined,
    );
  }
}

/** A rig as it is read: what stands where, by role. */
export function rigOf(doc: RigDoc): Rig {
  const r = new Reader(doc);
  const { uses, joints, links, mode, remembered, configurations, ...flat } = doc;
  const body = r.role('body')[0];
  const lens = r.role('lens')[0];
  const lists: Fields = {};
  for (const l of LISTS) {
    const list = readList(r, l);
    if (list.length > 0 || l.list === 'between') lists[l.list] = list;
  }
  const box = r.role('box')[0];
  const fed = links.filter((l) => r.power(l.to.use) === l && isFed(r, l.to.use));
  const signals = links.flatMap((l) => readSignal(r, l) ?? []);
  const sent = new Set(signals.map((s) => s.id));
  const read = (l: Link) => fed.includes(l) || sent.has(l.id);
  const leads = new Set(links.filter(read).map((l) => l.lead));
  // A lead that feeds nothing that is read rides along.
  const loose = (u: Use | undefined) => u?.role === 'lead' && !leads.has(u.id);
  return clean({
    ...flat,
    body: body?.part ?? null,
    mode: mode ?? null,
    lens: lens?.part ?? null,
    screenShut: body?.set?.screenShut,
    wheel: body?.set?.wheel,
    hand: lens?.set?.hand,
    outlet: body && readFed(r, body.id),
    signals: nonEmpty(signals),
    footTied: lens && r.foot(lens.id) ? true : undefined,
    ...lists,
    box: box && readBox(r, box),
    lenses: remembered && readRemembered(remembered),
    configurations: configurations?.map(({ over, carried, ...c }) => {
      const { changes, ...more } = carried ?? {};
      return clean({
        ...c,
        over: Object.keys(over).length > 0 ? over : undefined,
        carried: some(more),
        changes: changes ?? [],
      });
    }),
    unread: some({
      uses: nonEmpty(uses.filter((u) => !READ_ROLES.has(u.role) || loose(u))),
      joints: nonEmpty(joints.filter((j) => !isRead(r, j) || loose(r.use(j.guest.use)))),
      links: nonEmpty(links.filter((l) => !read(l))),
    }),
  }) as unknown as Rig;
}

const nonEmpty = <T>(list: T[]): T[] | undefined => (list.length > 0 ? list : undefined);

/** Whether it is something of which it is read what feeds it. */
const isFed = (r: Reader, id: string) =>
  r.role('body')[0]?.id === id ||
  ['drive', 'fitted'].some((x) => r.role(x).some((u) => u.id === id));

/** Whether a joint is one that the roles read: it seats what they know, or ties a foot. */
function isRead(r: Reader, j: Joint): boolean {
  const use = r.rig.uses.find((u) => u.id === j.guest.use);
  if (!use || !READ_ROLES.has(use.role)) return false;
  return (
    j.id === use.id || (r.foot(use.id) === j && (use.role === 'lens' || use.role === 'adapter'))
  );
}

function readList(r: Reader, l: RoleList): Fields[] {
  const uses = l.roles.flatMap((role) => [...r.role(role)]);
  const order = (u: Use) => r.place(u).order ?? 0;
  if (l.row) uses.sort((a, b) => order(a) - order(b) || (a.id < b.id ? -1 : 1));
  return uses.map((u) => {
    const set = u.set ?? {};
    const place = r.place(u) as Fields;
    const by = named(l, { part: u.part, ...set });
    const e: Fields = { ...u.carried };
    if (!l.named || u.id !== nameOf(u.role, by)) e.id = u.id;
    e.part = u.part;
    Object.assign(e, picked(set, l.set));
    for (const [key, as] of Object.entries(l.place))
      if (place[as] !== undefined) e[key] = place[as];
    if (l.joint) Object.assign(e, picked((r.seats.get(u.id) ?? {}) as Fields, l.joint));
    l.read?.(r, u, e);
    return e;
  });
}

function readBox(r: Reader, box: Use): BoxUse {
  const { mask, stages, flags } = (box.set ?? {}) as {
    mask?: string;
    stages?: Record<string, Omit<TrayUse, 'id' | 'filter'>>;
    flags?: Record<string, { angle: number }>;
  };
  const held = new Map<string, string>();
  for (const u of r.role('tray')) {
    const stage = r.seats.get(u.id)?.host?.interface;
    if (stage !== undefined) held.set(stage, u.part);
  }
  const trays = [...new Set([...Object.keys(stages ?? {}), ...held.keys()])]
    .sort()
    .map((id) => clean({ id, filter: held.get(id), ...stages?.[id] }));
  return clean({
    ...box.carried,
    part: box.part,
    ring: r.role('box-ring')[0]?.part,
    sleeve: r.role('sleeve')[0]?.part,
    on: onRod(r, box),
    station: r.place(box).station,
    trays: trays.length > 0 ? trays : undefined,
    mask,
    flags: flags && nonEmpty(Object.entries(flags).map(([id, f]) => ({ id, ...f }))),
  });
}

/** The single rod that a box stands on; a ring that it closes on is none. */
function onRod(r: Reader, box: Use): string | undefined {
  const host = r.seats.get(box.id)?.host?.use;
  return r.role('box-ring').some((u) => u.id === host) ? undefined : host;
}

function readRemembered(remembered: Record<string, Remembered>): NonNullable<Rig['lenses']> {
  const list = <T extends { id: string }>(map: Record<string, Omit<T, 'id'>>) =>
    Object.entries(map).map(([id, e]) => ({ id, ...e }) as T);
  return Object.fromEntries(
    Object.entries(remembered).map(([lens, m]) => {
      const { between, ...rig } = rigOf({
        id: '',
        name: '',
        frames: [],
        uses: list<Use>(m.uses),
        joints: list<Joint>(m.joints),
        links: [],
      });
      // With the lens itself all that was on it is remembered; without it only what stood between.
      const dressing = rig.lens === null ? undefined : dressingOf(rig);
      return [lens, { between, ...(dressing ? { dressing } : {}) }];
    }),
  );
}
