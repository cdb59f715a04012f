import { valueOf } from '../../../quantity/quantity';
import { isReducer, onHand, type Link, type Part } from '../../../kit/types';
import { glassShift, USUAL_INDEX } from '../../../optics/backfocus';
import { mountName, type MountIndex } from '../kit/standards';
import { mm } from '../../../quantity/say';

export interface ChainQuery {
  /** Mount on the body. */
  bodyMount: string;
  /** Mount on the lens. */
  lensMount: string;
  /** Adapters and reducers that may be used; each piece at most once. */
  links: readonly Link[];
  mounts: MountIndex;
  /** Most pieces between body and lens. */
  maxPieces?: number;
  /** Largest nominal flange error that still counts as closing, mm. */
  closes?: number;
  /** Stop searching deeper once this many answers are found. */
  enough?: number;
}

export interface FoundChain {
  /** From the body outwards. */
  links: Link[];
  /** Nominal flange error, mm; null when a length on the way is not known. */
  error: number | null;
  /** Faces that meet: one more than there are pieces. */
  joints: number;
  /** Pieces that are not on hand. */
  toHire: number;
  /** Whether there is a reducer or extender in it. */
  glass: boolean;
  /** Sum of the known plays, mm. */
  play: number;
}

/** The default for {@link ChainQuery.closes}: beyond this it is the wrong part, not a tolerance. */
export const CLOSES_WITHIN = 0.3;
const MAX_PIECES = 3;

/**
 * Nominal error of one piece against the pair of mounts it joins: `length - (flange(lens side) -
 * flange(body side))`, mm. A reducer's length is made for its pair; what is left is its back focus
 * error as set, taken as 0 here when it does not say. Null when a number is missing.
 */
export function linkError(link: Link, mounts: MountIndex): number | null {
  if (isReducer(link)) return valueOf(link.backFocus) ?? 0;
  const length = valueOf(link.length);
  const lensFlange = mounts.get(link.lensMount ?? '')?.flange;
  const bodyFlange = mounts.get(link.bodyMount ?? '')?.flange;
  if (length === null || !lensFlange || !bodyFlange) return null;
  return length - allowedShift(link) - (lensFlange.value - bodyFlange.value);
}

/** Focus shift of drop-in glass that the length of a piece allows for, mm. */
function allowedShift(link: Link): number {
  if (isReducer(link) || !link.slotAllowedFor) return 0;
  const t = valueOf(link.slotGlass);
  return t === null ? 0 : glassShift(t, valueOf(link.slotIndex) ?? USUAL_INDEX);
}

/**
 * Finds every chain of pieces that brings a lens onto a body: mounts mate at each joint, the
 * nominal error closes, no piece is used twice, and there is at most one reducer or extender.
 * Fewest joints first; then pieces on hand before pieces to hire, plain before glass, smallest
 * known error, least play. A native mount is the empty chain.
 */
export function findChains(query: ChainQuery): FoundChain[] {
  const { bodyMount, lensMount, mounts } = query;
  const maxPieces = query.maxPieces ?? MAX_PIECES;
  const closes = query.closes ?? CLOSES_WITHIN;
  const enough = query.enough ?? Infinity;

  const byBodyMount = new Map<string, Link[]>();
  const byLensMount = new Map<string, Set<string>>();
  for (const link of query.links) {
    if (!link.bodyMount || !link.lensMount) continue;
    let list = byBodyMount.get(link.bodyMount);
    if (!list) byBodyMount.set(link.bodyMount, (list = []));
    list.push(link);
    let back = byLensMount.get(link.lensMount);
    if (!back) byLensMount.set(link.lensMount, (back = new Set()));
    back.add(link.bodyMount);
  }

  // Fewest pieces from each mount to the lens, so that dead ends are never walked.
  const remaining = new Map<string, number>([[lensMount, 0]]);
  let edge = [lensMount];
  for (let d = 1; d <= maxPieces && edge.length > 0; d++) {
    const next: string[] = [];
    for (const mount of edge)
      for (const before of byLensMount.get(mount) ?? [])
        if (!remaining.has(before)) {
          remaining.set(before, d);
          next.push(before);
        }
    edge = next;
  }

  const errors = new Map<Link, number | null>();
  const found: FoundChain[] = [];
  const path: Link[] = [];
  const used = new Set<Link>();

  const close = () => {
    let error: number | null = 0;
    let play = 0;
    let toHire = 0;
    let glass = false;
    for (const link of path) {
      let e = errors.get(link);
      if (e === undefined) errors.set(link, (e = linkError(link, mounts)));
      error = error === null || e === null ? null : error + e;
      play += valueOf(link.play) ?? 0;
      if (onHand(link) < 1) toHire++;
      glass ||= isReducer(link);
    }
    if (error !== null && Math.abs(error) > closes) return;
    found.push({ links: [...path], error, joints: path.length + 1, toHire, glass, play });
  };

  const walk = (at: string, left: number, glass: boolean) => {
    if (left === 0) {
      if (at === lensMount) close();
      return;
    }
    for (const link of byBodyMount.get(at) ?? []) {
      if (used.has(link)) continue;
      const isGlass = isReducer(link);
      if (glass && isGlass) continue;
      const beyond = link.lensMount!;
      const need = remaining.get(beyond);
      if (need === undefined || need > left - 1) continue;
      path.push(link);
      used.add(link);
      walk(beyond, left - 1, glass || isGlass);
      used.delete(link);
      path.pop();
    }
  };

  for (let pieces = 0; pieces <= maxPieces && found.length < enough; pieces++)
    walk(bodyMount, pieces, false);
  return found.sort(compareChains);
}

/** The order in which chains are offered. */
export function compareChains(a: FoundChain, b: FoundChain): number {
  return (
    a.joints - b.joints ||
    a.toHire - b.toHire ||
    Number(a.glass) - Number(b.glass) ||
    Math.abs(a.error ?? Infinity) - Math.abs(b.error ?? Infinity) ||
    a.play - b.play ||
    key(a).localeCompare(key(b))
  );
}

function key(c: FoundChain): string {
  return c.links.map((l) => l.id).join('/');
}

/** A part that is not in the kit, described so that it can be looked for. */
export interface MissingLink {
  bodyMount: string;
  lensMount: string;
  /** Length it must have, mm. */
  length: number;
  /** Pieces of the kit that it would join, body side then lens side. */
  behind: Link[];
  ahead: Link[];
}

export type ChainVerdict =
  | { kind: 'found'; chains: FoundChain[] }
  | { kind: 'never'; gap: number }
  | { kind: 'missing'; gap: number; parts: MissingLink[] }
  | { kind: 'unknown'; mounts: string[] };

/** Thinnest plate that can carry two mounts: below this no adapter can be made, mm. */
export const THINNEST_ADAPTER = 1;

/**
 * Whether any chain exists and, if not, why: the flange difference is negative or too small for
 * metal, or the part is simply not in the kit, in which case the parts that would do are listed,
 * those that need least else first.
 */
export function judgeChains(query: ChainQuery): ChainVerdict {
  const chains = findChains(query);
  if (chains.length > 0) return { kind: 'found', chains };
  const lens = query.mounts.get(query.lensMount)?.flange;
  const body = query.mounts.get(query.bodyMount)?.flange;
  if (!lens || !body)
    return {
      kind: 'unknown',
      mounts: [query.bodyMount, query.lensMount].filter((m) => !query.mounts.get(m)?.flange),
    };
  const gap = lens.value - body.value;
  if (gap < THINNEST_ADAPTER) return { kind: 'never', gap };
  return { kind: 'missing', gap, parts: missingLinks(query) };
}

/** Single parts that would close a chain, with at most one piece of the kit on each side. */
function missingLinks(query: ChainQuery): MissingLink[] {
  const flange = (m: string) => query.mounts.get(m)?.flange?.value ?? null;
  const plain = query.links.filter((l) => !isReducer(l) && l.bodyMount && l.lensMount);
  const rear: [string, Link[]][] = [[query.bodyMount, []]];
  const front: [string, Link[]][] = [[query.lensMount, []]];
  for (const l of plain) {
    if (l.bodyMount === query.bodyMount) rear.push([l.lensMount!, [l]]);
    if (l.lensMount === query.lensMount) front.push([l.bodyMount!, [l]]);
  }
  const parts: MissingLink[] = [];
  const seen = new Set<string>();
  for (const [bodyMount, behind] of rear)
    for (const [lensMount, ahead] of front) {
      const from = flange(bodyMount);
      const to = flange(lensMount);
      if (from === null || to === null || bodyMount === lensMount) continue;
      const length = to - from;
      const id = `${bodyMount}>${lensMount}`;
      if (length < THINNEST_ADAPTER || seen.has(id)) continue;
      seen.add(id);
      parts.push({ bodyMount, lensMount, length, behind, ahead });
    }
  return parts
    .sort((a, b) => a.behind.length + a.ahead.length - (b.behind.length + b.ahead.length))
    .slice(0, 6);
}

/** A missing part in words: what to ask for at the rental counter. */
export function specification(part: MissingLink, mounts: MountIndex): string {
  const throat = mounts.get(part.bodyMount)?.throat;
  const joins = [...part.behind, ...part.ahead].map((l) => l.name);
  return (
    `adapter, lens side ${mountName(mounts, part.lensMount)}, body side ${mountName(mounts, part.bodyMount)}, ` +
    `length ${mm(part.length, 2)}` +
    (throat ? `, clear bore up to ${mm(throat.value, 1)}` : '') +
    (joins.length > 0 ? `; it joins ${joins.join(' and ')} that you have` : '')
  );
}

/** The adapters and reducers of a kit. */
export function linksOf(kit: readonly Part[]): Link[] {
  return kit.filter((p): p is Link => p.kind === 'adapter' || p.kind === 'reducer');
}
