import { build, type Built, type Shared } from '../build/build';
import { alike } from '../doc/alike';
import { screwBill, toolsOf, type ScrewLine } from '../areas/joints/model/lists';
import { interfacesOf } from '../areas/joints/kit/sides';
import type { Joint, Link, RigDoc, Use } from '../kit/kept';
import { isFitting, type Job, type Part, type Position } from '../kit/types';
import { pieceKey, type PieceSort } from '../place/piece';
import type { Piece } from '../place/setting';
import { exact, sayLength } from '../quantity/say';
import { standOf } from '../stand/stand';
import type { Standing } from '../doc/side-by-side';
import { signalsBetween, viaIn } from './signals';

/** What has to be done to get from one way a rig stands to another: a list for whoever does it. */

export type Done = 'added' | 'left off' | 'swapped' | 'moved' | 'goes along' | 'set';

export interface RigChange {
  what: Done;
  /** Use that it is about; null for the rig as a whole. */
  use: string | null;
  part: string | null;
  /** The field of the rig that it is about, where it is about no use. */
  field?: string;
  /** Links that say it, where it is about what feeds a use. */
  links?: readonly string[];
  /** `Spar arm: 24.0 mm forward`. */
  text: string;
}

export interface RigChanges {
  list: readonly RigChange[];
  /** Screws and tools that are wanted more, and those that are not any more. */
  screws: { more: readonly string[]; fewer: readonly string[] };
  tools: { more: readonly string[]; fewer: readonly string[] };
}

/** Moves below this are rounding, mm. */
const STILL = 0.05;

/** How the switch of an outlet is set, in words. */
const SWITCHED: Readonly<Record<string, string>> = {
  true: 'set over',
  false: 'set as it is sold',
  undefined: 'not said any more',
};

/** The changes from one standing of a rig to another; both of one job. */
export function changesBetween(job: Job, base: Shared, from: Standing, to: Standing): RigChanges {
  const [a, b] = [build(job, from.rig, base), build(job, to.rig, base)];
  const list = [
    ...saidBetween(base.kit, from.doc, to.doc),
    ...moves(a, b, byUse(from.doc), byUse(to.doc)),
  ];
  return {
    list: list.sort((x, y) => ORDER.indexOf(x.what) - ORDER.indexOf(y.what)),
    screws: difference(screwsOf(a), screwsOf(b)),
    tools: difference(
      count(toolsOf(a).needed.map((n) => n.driver.name)),
      count(toolsOf(b).needed.map((n) => n.driver.name)),
      false,
    ),
  };
}

/**
 * What one way a rig stands says other than another, with both values: by use, and by field of the
 * rig as a whole. Nothing is laid out for it.
 */
export function saidBetween(kit: ReadonlyMap<string, Part>, from: RigDoc, to: RigDoc): RigChange[] {
  const [was, now] = [byUse(from), byUse(to)];
  const name = (id: string) => kit.get(id)?.name ?? id;
  const list: RigChange[] = [];
  for (const u of to.uses)
    if (!was.has(u.id))
      list.push({
        what: 'added',
        use: u.id,
        part: u.part,
        text: `${name(u.part)}${placeWords(kit, to, now.get(u.id)!)}`,
      });
  for (const u of from.uses)
    if (!now.has(u.id))
      list.push({ what: 'left off', use: u.id, part: u.part, text: name(u.part) });
  for (const u of to.uses) {
    const before = was.get(u.id);
    if (!before) continue;
    if (before.use.part !== u.part)
      list.push({
        what: 'swapped',
        use: u.id,
        part: u.part,
        text: `${name(u.part)} in place of ${name(before.use.part)}`,
      });
    for (const text of setWords(kit, before, now.get(u.id)!, from, to))
      list.push({ what: 'set', use: u.id, part: u.part, text: `${name(u.part)}: ${text}` });
    const [fed, then] = [fedIn(from, u.id), fedIn(to, u.id)];
    // What goes dark because what fed it is left off is said there.
    const left = !then && fed && !now.has(fed.from.use);
    if (!left && fed && then && !fed.tied !== !then.tied)
      list.push({
        what: 'set',
        use: u.id,
        part: u.part,
        links: [then.id],
        text: `${name(u.part)}: its lead ${then.tied ? 'tied at its plugs' : 'not tied any more'}`,
      });
    if (!left && fed && then && !alike(fed.via ?? [], then.via ?? []))
      list.push({
        what: 'set',
        use: u.id,
        part: u.part,
        links: [then.id],
        text: `${name(u.part)}: its lead ${then.via?.length ? `tied to ${viaIn(kit, to, then)}` : 'not tied to anything on its way'}`,
      });
    if (!left && fed && then && fed.ties !== then.ties && then.ties !== undefined)
      list.push({
        what: 'set',
        use: u.id,
        part: u.part,
        links: [then.id],
        text: `${name(u.part)}: its lead tied ${then.ties} ${then.ties === 1 ? 'time' : 'times'} on its way`,
      });
    if (!left && fed && then && fed.switched !== then.switched)
      list.push({
        what: 'set',
        use: u.id,
        part: u.part,
        links: [then.id],
        text: `${name(u.part)}: the switch of its outlet ${SWITCHED[String(then.switched)]!}`,
      });
    if (!left && !alike(fed?.from, then?.from))
      list.push({
        what: 'set',
        use: u.id,
        part: u.part,
        links: [...new Set([fed, then].flatMap((l) => l?.id ?? []))],
        text: `${name(u.part)}: fed from ${outletWords(kit, from, fed)}, then ${outletWords(kit, to, then)}`,
      });
  }
  const sent = signalsBetween(kit, from, to).map((s) => ({ what: 'set' as const, ...s }));
  return [...list, ...sent, ...wholeWords(from, to, kit)];
}

/** What feeds a use, as it is kept. */
const fedIn = (doc: RigDoc, use: string) =>
  doc.links.find((l) => l.kind === 'power' && l.to.use === use);

/** `8 V outlet of Raft plate`. */
function outletWords(kit: ReadonlyMap<string, Part>, doc: RigDoc, link: Link | undefined): string {
  if (!link) return 'nothing that is said';
  const id = doc.uses.find((u) => u.id === link.from.use)?.part ?? '';
  const part = kit.get(id);
  const outlet = isFitting(part) && part.outlets?.find((o) => o.id === link.from.port);
  return outlet ? `${outlet.name} of ${part.name}` : 'an outlet that is not on';
}

const ORDER: readonly Done[] = ['left off', 'added', 'swapped', 'moved', 'set', 'goes along'];

interface Seated {
  use: Use;
  joint: Joint | undefined;
}

function byUse(doc: RigDoc): Map<string, Seated> {
  const joints = new Map(doc.joints.filter((j) => j.id === j.guest.use).map((j) => [j.id, j]));
  return new Map(doc.uses.map((use) => [use.id, { use, joint: joints.get(use.id) }]));
}

/** On which place of what it stands, where it says so. */
function placeWords(kit: ReadonlyMap<string, Part>, doc: RigDoc, { joint }: Seated): string {
  const host = joint?.host;
  if (!host) return '';
  const part = partOfHost(kit, doc, host);
  const own = interfacesOf(part).find((i) => i.id === host.interface);
  if (own && part) return `, on ${own.name} of ${part.name}`;
  const what = part?.name ?? 'the camera';
  if (host.face === undefined) return part ? `, on ${what}` : '';
  if (host.face === 'box') return `, on ${what}`;
  return host.face === 'under' ? `, under ${what}` : `, on the ${host.face} of ${what}`;
}

function partOfHost(
  kit: ReadonlyMap<string, Part>,
  doc: RigDoc,
  { use, face }: NonNullable<Joint['host']>,
): Part | undefined {
  const role = (name: string) => doc.uses.find((u) => u.role === name);
  const of =
    use !== undefined
      ? doc.uses.find((u) => u.id === use)
      : face === 'box'
        ? role('box')
        : ((face === 'under' ? role('plate') : undefined) ?? role('body'));
  return of && kit.get(of.part);
}

/** What of a place and of a joint has words of its own; the rest is said by where it stands. */
const SAID: readonly (readonly [string, (was: unknown, now: unknown) => string])[] = [
  ['n', (a, b) => `from hole ${Number(a ?? 0) + 1} to hole ${Number(b ?? 0) + 1}`],
  ['turn', (a, b) => `turned from ${deg(a)} to ${deg(b)}`],
  ['slide', (a, b) => `slid from ${length(a)} to ${length(b)} off its middle`],
  ['gap', (a, b) => `gap ${length(a)}, then ${length(b)}`],
  ['x', (a, b) => `across ${length(a)}, then ${length(b)}`],
  ['y', (a, b) => `up ${length(a)}, then ${length(b)}`],
  ['z', (a, b) => `forward ${length(a)}, then ${length(b)}`],
  ['station', (a, b) => `station ${found(a)}, then ${found(b)}`],
  ['side', (a, b) => `from ${word(a)} to ${word(b)}`],
  ['end', (a, b) => `from ${word(a)} to ${word(b)}`],
];

const own = (screw: number | undefined) => (screw === undefined ? 'its own' : sayLength(screw));
const names = (list: readonly Position[] | undefined) =>
  list?.map((p) => p.name).join(', ') ?? 'none';
const deg = (v: unknown) => `${exact(Number(v ?? 0), 1)} deg`;
const length = (v: unknown) => sayLength(Number(v ?? 0));
const found = (v: unknown) => (v === undefined ? 'found' : sayLength(Number(v)));
const word = (v: unknown) => (v === undefined ? 'found' : String(v));

function setWords(
  kit: ReadonlyMap<string, Part>,
  a: Seated,
  b: Seated,
  from: RigDoc,
  to: RigDoc,
): string[] {
  const out: string[] = [];
  const [p, q] = [a.joint?.place ?? {}, b.joint?.place ?? {}];
  if (!alike(a.joint?.host, b.joint?.host)) {
    const [was, now] = [placeWords(kit, from, a), placeWords(kit, to, b)];
    if (was !== now)
      out.push(
        `${was.slice(2) || 'where it is found'}, then ${now.slice(2) || 'where it is found'}`,
      );
  }
  for (const [key, say] of SAID) if (!alike(p[key], q[key])) out.push(say(p[key], q[key]));
  if (a.joint?.tight !== b.joint?.tight)
    out.push(`${a.joint?.tight ?? 'firm'}, then ${b.joint?.tight ?? 'firm'}`);
  if ((a.joint?.line ?? false) !== (b.joint?.line ?? false))
    out.push(b.joint?.line ? 'a second tie' : 'no second tie');
  if (a.joint?.screw !== b.joint?.screw)
    out.push(`screw ${own(a.joint?.screw)}, then ${own(b.joint?.screw)}`);
  if (!alike(a.joint?.positions, b.joint?.positions))
    out.push(`positions ${names(a.joint?.positions)}, then ${names(b.joint?.positions)}`);
  if (!alike(a.use.set, b.use.set)) {
    const keys = new Set([...Object.keys(a.use.set ?? {}), ...Object.keys(b.use.set ?? {})]);
    for (const k of keys)
      if (!alike(a.use.set?.[k], b.use.set?.[k]))
        out.push(`${k} ${plainly(a.use.set?.[k])}, then ${plainly(b.use.set?.[k])}`);
  }
  return out;
}

function plainly(v: unknown): string {
  if (v === undefined || v === null) return 'not set';
  if (typeof v === 'boolean') return v ? 'yes' : 'no';
  if (typeof v === 'number') return exact(v, 2);
  return typeof v === 'string' ? v : 'otherwise';
}

/** Fields of the rig as a whole. */
const WHOLE: readonly (readonly [keyof RigDoc, string])[] = [
  ['mode', 'mode'],
  ['frames', 'frames'],
  ['focal', 'focal length'],
  ['stop', 'stop'],
  ['focus', 'focus'],
  ['reference', 'reference format'],
  ['light', 'light'],
  ['limits', 'what it has to fit into'],
  ['carry', 'how it is carried'],
  ['upright', 'the side on top'],
  ['hold', 'held by'],
  ['overhead', 'above a head, or on a vehicle'],
  ['celsius', 'temperature'],
];

function wholeWords(a: RigDoc, b: RigDoc, kit: ReadonlyMap<string, Part>): RigChange[] {
  return WHOLE.flatMap(([key, label]): RigChange[] => {
    const [was, now] = [a[key], b[key]];
    if (alike(was, now)) return [];
    const say = (v: unknown, doc: RigDoc) => {
      if (key !== 'hold') return plainly(v);
      const use = doc.uses.find((u) => u.id === v);
      return v === undefined
        ? 'from below'
        : use
          ? (kit.get(use.part)?.name ?? use.part)
          : 'what is not on';
    };
    const text =
      typeof was === 'object' || typeof now === 'object'
        ? `${label}: otherwise`
        : `${label}: ${say(was, a)}, then ${say(now, b)}`;
    return [{ what: 'set', use: null, part: null, field: key, text }];
  });
}

/** Where pieces stand elsewhere: by their own place, or along with what they are on. */
function moves(
  a: Built,
  b: Built,
  was: ReadonlyMap<string, Seated>,
  now: ReadonlyMap<string, Seated>,
): RigChange[] {
  const before = new Map(standOf(a).pieces.map((p) => [p.key, p]));
  const seen = new Set<string>();
  const uses = usesByPiece(now);
  return standOf(b).pieces.flatMap((p): RigChange[] => {
    const old = before.get(p.key);
    const use = uses.get(p.key) ?? null;
    if (!old || old.part !== p.part || p.missing.length > 0 || old.missing.length > 0) return [];
    if (use === null || seen.has(use)) return [];
    const [x, y] = [middleOf(old), middleOf(p)];
    if (!x || !y) return [];
    const d = [0, 1, 2].map((k) => y[k]! - x[k]!);
    const words = AWAY.flatMap(([k, more, less]) =>
      Math.abs(d[k]!) < STILL ? [] : [`${sayLength(Math.abs(d[k]!))} ${d[k]! > 0 ? more : less}`],
    );
    if (words.length === 0) return [];
    seen.add(use);
    const own = !alike(was.get(use)?.joint, now.get(use)?.joint);
    return [
      {
        what: own ? 'moved' : 'goes along',
        use,
        part: p.part,
        text: `${p.name}: ${words.join(', ')}`,
      },
    ];
  });
}

const AWAY = [
  [0, 'to the right', 'to the left'],
  [1, 'up', 'down'],
  [2, 'forward', 'back'],
] as const;

function middleOf(p: Piece): readonly number[] | null {
  const e = p.solids.find((s) => !s.moving)?.extent;
  return e ? [0, 1, 2].map((k) => (e[k]! + e[k + 3]!) / 2) : null;
}

/** Uses by the keys of the pieces they can be. */
function usesByPiece(now: ReadonlyMap<string, Seated>): Map<string, string> {
  const out = new Map<string, string>();
  for (const [id, { use }] of now) {
    for (const is of ['fitted', 'drive', 'support', 'rods'] as const) out.set(pieceKey(is, id), id);
    const one = ALONE[use.role];
    if (one) out.set(pieceKey(one), id);
  }
  return out;
}

/** Roles of which there is one piece on a rig. */
const ALONE: Readonly<Record<string, PieceSort>> = {
  body: 'body',
  lens: 'lens',
  plate: 'plate',
  box: 'box',
};

const screwsOf = (built: Built): Map<string, number> => {
  const out = new Map<string, number>();
  for (const l of screwBill(built)) {
    const key = screwWords(l);
    out.set(key, (out.get(key) ?? 0) + l.count);
  }
  return out;
};

const screwWords = (l: ScrewLine) =>
  `${l.thread}${l.length === null ? ', length not known' : ` x ${sayLength(l.length)}`}${l.captive ? ', captive' : ''}`;

function count(list: readonly string[]): Map<string, number> {
  return new Map(list.map((x) => [x, 1]));
}

/** What there is more and fewer of, with how many where they are counted. */
function difference(
  a: ReadonlyMap<string, number>,
  b: ReadonlyMap<string, number>,
  counted = true,
): { more: string[]; fewer: string[] } {
  const over = (x: ReadonlyMap<string, number>, y: ReadonlyMap<string, number>) =>
    [...x]
      .map(([key, n]) => ({ key, n: n - (y.get(key) ?? 0) }))
      .filter((e) => e.n > 0)
      .map((e) => (counted ? `${e.n} x ${e.key}` : e.key));
  return { more: over(b, a), fewer: over(a, b) };
}
