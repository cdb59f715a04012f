import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { node, sameList } from '../../../engine/reads';
import { byId, fittedParts, type FittedPart } from './fitted';
import { flat, keeper } from './judged';
import {
  isFitting,
  isMainsUnit,
  type Fitting,
  type FittedUse,
  type MainsUnit,
  type MainsUse,
  type Outlet,
  type Part,
  type Rig,
} from '../../../kit/types';

/** An outlet of something that is fitted to the rig. */
export interface RigOutlet {
  from: string;
  id: string;
  name: string;
  outlet: Outlet;
  part: string;
  /** Its volts: regulated, or those of the pack between full and empty. */
  volts: Given;
  /** Its volts at their least and at their most; the same number where it holds them. */
  least: Given;
  most: Given;
  amps: Given;
  /** What stands behind it, by id of the fitted part or the mains unit; none on an empty plate. */
  packs: readonly string[];
  /** What is fed itself and gives on, the nearest first, by id of the fitted part. */
  over: readonly string[];
  /** It gives from the mains, from beside the rig. */
  mains: boolean;
  /** Its switch: set over, as it is sold, or nobody said; null where it has none. */
  switched: boolean | undefined | null;
  /** Whether it goes on while one of several packs behind it is changed. */
  swap: Outlet['swap'];
}

/** A mains unit beside the rig. */
export interface RigMains {
  use: MainsUse;
  part: MainsUnit;
}

/** Every mains unit beside the rig, by id. */
export function mainsOn(built: Built): readonly RigMains[] {
  return built.once(MAINS);
}

const MAINS = node(
  'mains units beside the rig',
  ({ rig, kit }: Built): readonly RigMains[] =>
    byId(rig.mains).flatMap((use) => {
      const part = kit.get(use.part);
      return isMainsUnit(part) ? [{ use, part }] : [];
    }),
  {
    same: (a, b) =>
      a.length === b.length && a.every((m, i) => m.use === b[i]!.use && m.part === b[i]!.part),
  },
);

/** What has outlets: fitted to the rig, or beside it. */
type Giver = Fitting | MainsUnit;
type Use = Pick<FittedUse, 'id' | 'part' | 'outlet'>;
/** What gives of itself behind an outlet: packs, the mains. */
interface Behind {
  use: { id: string };
  part: Giver;
}
const gives = (part: Part | undefined): part is Giver => isFitting(part) || isMainsUnit(part);

/** A pack on the rig. */
export interface RigPack {
  use: FittedUse;
  part: Fitting;
}

/** Every pack on the rig, by id; once for a rig. */
export function packsOn(built: Built): readonly RigPack[] {
  return built.once(PACKS);
}

const PACKS = node(
  'packs on the rig',
  (built: Built): readonly RigPack[] =>
    fittedParts(built).filter((p): p is RigPack => isFitting(p.part) && p.part.kind === 'battery'),
  { same: sameList },
);

/** Every outlet on the rig; once for a rig. */
export function outletsOn(built: Built): readonly RigOutlet[] {
  return built.once(OUTLETS);
}

/** Something with outlets, and its part. */
interface Giving {
  use: Use;
  part: Giver;
}

const OUTLETS = node(
  'outlets on the rig',
  (built: Built): readonly RigOutlet[] => {
    const packs = packsOn(built);
    const mains = mainsOn(built);
    const givers = [...fittedParts(built), ...mains]
      .filter((g): g is FittedPart & Giving => gives(g.part) && g.part.outlets !== undefined)
      .sort((a, b) => (a.use.id < b.use.id ? -1 : 1));
    const made = new Map<string, RigOutlet | null>();
    const switches = switchesOn(built.rig);
    // What is fed and gives on has what stands behind the outlet that it hangs on; in a circle nothing does.
    const behindOf = (u: Use): Behind[] => [
      ...packs.filter((p) => p.use.id === u.id || p.use.to === u.id),
      ...mains.filter((m) => m.use.id === u.id),
    ];
    const outletOf = (u: Use, o: Outlet, part: Giver, behind = behindOf(u)): RigOutlet => {
      const key = `${u.id}/${o.id}`;
      const known = made.get(key);
      if (known) return known;
      made.set(key, null);
      const up = behind.length > 0 ? null : upOf(u);
      const out = outletFrom(u, o, part, behind, up);
      // What is said to be set over has a switch, also where nobody said what it gives then.
      const said = switches.get(key) ?? undefined;
      const has = o.passes !== true && (o.voltsOther !== undefined || said === true);
      const set = theSame(has ? switchedTo(built, out, said) : out);
      made.set(key, set);
      return set;
    };
    const upOf = ({ outlet: fed }: Use): RigOutlet | null => {
      const u = fed && givers.find((x) => x.use.id === fed.from);
      const o = u?.part.outlets?.find((x) => x.id === fed!.id);
      if (!u || !o || made.get(`${u.use.id}/${o.id}`) === null) return null;
      return outletOf(u.use, o, u.part);
    };
    return flat(
      givers.map(({ use: u, part }): readonly RigOutlet[] => {
        const outlets = part.outlets!;
        const behind = behindOf(u);
        const fresh = () => outlets.map((o) => outletOf(u, o, part, behind));
        // What hangs on nothing else gives what it gave, while its packs and its switches are the same.
        if (u.outlet && behind.length === 0) return fresh();
        const set = switches.size === 0 ? [] : outlets.map((o) => switches.get(`${u.id}/${o.id}`));
        return ofUse(u, [part, ...behind.flatMap((p) => [p.use, p.part]), ...set], fresh);
      }),
    );
  },
  { same: sameList },
);

const ofUse = keeper<readonly RigOutlet[]>();

const known = new WeakMap<Outlet, RigOutlet[]>();
/** So many of one outlet are kept: its part may be on several rigs. */
const MOST = 8;

/** The one of before where it is the same in all: what was judged of it stands. */
function theSame(out: RigOutlet): RigOutlet {
  let list = known.get(out.outlet);
  if (!list) known.set(out.outlet, (list = []));
  const before = list.find((o) => KEYS.every((k) => alike(o[k], out[k])));
  if (before) return before;
  list.unshift(out);
  list.length = Math.min(list.length, MOST);
  return out;
}

const KEYS = [
  'from',
  'part',
  'name',
  'volts',
  'least',
  'most',
  'amps',
  'packs',
  'mains',
  'over',
  'switched',
  'swap',
] as const satisfies readonly (keyof RigOutlet)[];

type Kept = RigOutlet[(typeof KEYS)[number]];

function alike(a: Kept, b: Kept): boolean {
  if (a === b) return true;
  return Array.isArray(a) && Array.isArray(b) && sameList(a, b);
}

const spans = new WeakMap<Given, WeakMap<Given, Given>>();

function outletFrom(
  u: Use,
  o: Outlet,
  part: Giver,
  behind: readonly Behind[],
  up: RigOutlet | null,
): RigOutlet {
  const own = given(part, 'outlets', o.id, 'volts');
  const pack = o.passes === true && behind.length === 1 ? behind[0]!.part : null;
  const name = `${o.name} of ${part.name}`;
  const passed = o.passes === true ? up : null;
  const [least, most] = passed
    ? [passed.least, passed.most]
    : pack
      ? [given(pack, 'voltsFrom'), given(pack, 'voltsTo')]
      : [own, own];
  return {
    from: u.id,
    id: o.id,
    name,
    outlet: o,
    part: part.id,
    volts: passed ? passed.volts : pack ? span(least, most, name) : own,
    least,
    most,
    amps: given(part, 'outlets', o.id, 'amps'),
    packs: up ? up.packs : behind.map((p) => p.use.id),
    mains: up ? up.mains : isMainsUnit(part),
    switched: null,
    swap: up ? up.swap : o.swap,
    over: up || (u.outlet && behind.length === 0) ? [u.id, ...(up?.over ?? [])] : [],
  };
}

/** Two ends as one number that is not known better; of the same two the same number. */
function span(least: Given, most: Given, name: string): Given {
  let of = spans.get(least);
  if (!of) spans.set(least, (of = new WeakMap()));
  const before = of.get(most);
  if (before?.label === `volts of ${name}`) return before;
  const fresh = freshSpan(least, most, name);
  of.set(most, fresh);
  return fresh;
}

function freshSpan(least: Given, most: Given, name: string): Given {
  const [a, b] = [least.known, most.known];
  const lo = a && b ? Math.min(a.lo, b.lo) : 0;
  const hi = a && b ? Math.max(a.hi, b.hi) : 0;
  return {
    ...(a ? most : least),
    label: `volts of ${name}`,
    known: a && b ? { value: (lo + hi) / 2, tol: (hi - lo) / 2, from: a.from, lo, hi } : null,
  };
}

/** How the switches are set, as each link says it; null where two do not say the same. None where none is said. */
function switchesOn(rig: Rig): Map<string, boolean | null | undefined> {
  const set = new Map<string, boolean | null | undefined>();
  const feeds = [
    rig.outlet,
    ...[...(rig.drives ?? []), ...(rig.fitted ?? [])].map((u) => u.outlet),
  ];
  if (feeds.every((f) => f?.switched === undefined)) return set;
  for (const f of feeds) {
    if (!f) continue;
    const key = `${f.from}/${f.id}`;
    set.set(key, set.has(key) && set.get(key) !== f.switched ? null : f.switched);
  }
  return set;
}

/** An outlet with its switch set; anywhere between the two while nobody said. */
function switchedTo({ kit }: Built, out: RigOutlet, switched: boolean | undefined): RigOutlet {
  const part = kit.get(out.part)!;
  const volts = (key: string) => given(part, 'outlets', out.id, key);
  const [own, other] = [volts('volts'), volts('voltsOther')];
  if (switched !== undefined) {
    const one = switched ? other : own;
    return { ...out, switched, volts: one, least: one, most: one };
  }
  const rises = (own.known?.value ?? 0) <= (other.known?.value ?? 0);
  const [least, most] = rises ? [own, other] : [other, own];
  return { ...out, switched, volts: span(least, most, out.name), least, most };
}

/** An outlet in each position that its switch has; itself where it has none. */
export function positionsOf(built: Built, out: RigOutlet): readonly RigOutlet[] {
  return out.switched === null ? [out] : [false, true].map((s) => switchedTo(built, out, s));
}

/** What a link says of the switch of its outlet. */
export const switchOf = ({ switched }: RigOutlet): { switched?: boolean } =>
  typeof switched === 'boolean' ? { switched } : {};

/** It is on a pack itself: a plug there is pulled at every change of it. */
export const swapped = (o: RigOutlet): boolean => !o.mains && o.packs.includes(o.from);
