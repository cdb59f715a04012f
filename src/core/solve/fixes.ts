import { node } from '../engine/reads';
import {
  build,
  buildTrial,
  shared,
  focalRange,
  withKit,
  type Built,
  type Shared,
} from '../build/build';
import { framingSqueeze } from '../build/circle';
import { check, CHECKS } from '../checks/registry';
import { runOne } from '../checks/run';
import { coveredScale } from '../areas/coverage/checks/frame';
import { hasSlot } from '../areas/mount/checks/flange';
import type { Finding, Fix, State, Verdict } from '../checks/finding';
import { said } from '../checks/judge';
import { ASPECTS } from '../optics/formats';
import { fieldOfView } from '../optics/field';
import { given } from '../build/given';
import { valueOf } from '../quantity/quantity';
import { say } from '../quantity/say';
import { partsOn, tooFew } from '../kit/uses';
import {
  isReducer,
  onHand,
  type Change,
  type Job,
  type Lens,
  type Part,
  type Rig,
} from '../kit/types';
import { BESIDE_GENERATORS, slideRods } from './beside-fixes';
import type { Check } from '../checks/check';
import { candidate, type Candidate, type Generator } from './candidate';
import { FRONT_GENERATORS } from './front-fixes';
import { PathError, withChanges } from './edit';
import {
  chainsBetween,
  lensSet,
  putFrame,
  putLens,
  scaleFrame,
  setBetween,
  setMode,
  setSlot,
  takeFrame,
  tieFoot,
} from './moves';

const BADNESS: Record<State, number> = { ok: 0, tight: 1, unknown: 2, fail: 3 };
const MOST_FIXES = 4;
/** Trials of a rig that are kept for other findings of it. */
const MOST_TRIALS = 400;
/** Lenses tried for one finding: those of nearest field of view. */
const MOST_LENSES = 6;
/** A fail of these is a setting to follow up, not a part that does not go: said as a cost. */
const SET_BY_HAND = new Set(['front.exposure']);
/** Nobody who frames for 2.39 takes 1.33 instead: aspects are offered up to this ratio apart. */
const FARTHEST_ASPECT = Math.log(1.5);
/** A lens of another squeeze is another picture: it counts as this many degrees off. */
const SQUEEZE_PENALTY = 30;

const coverageIds = new Set(['coverage.frame', 'coverage.chip', 'coverage.reducer-exit']);

const otherFrames: Generator = (built, finding) => {
  if (finding.id !== 'coverage.frame') return [];
  const frame = built.frames.find((f) => f.id === finding.frame);
  if (!frame) return [];
  const list: Candidate[] = [];
  const scale = coveredScale(built, frame);
  if (scale !== null && scale > 0.25 && scale < (frame.scale ?? 1))
    list.push(candidate(scaleFrame(built.rig, frame, scale), 0, 1, 'scale'));
  // Another aspect keeps the lie of the picture: wide stays wide, upright stays upright.
  const wide = frame.aspect >= 1;
  for (const a of ASPECTS) {
    const step = Math.abs(Math.log(a.aspect / frame.aspect));
    if (step < 0.01 || step > FARTHEST_ASPECT || a.aspect >= 1 !== wide) continue;
    if (built.frames.some((f) => Math.abs(f.aspect - a.aspect) < 0.02)) continue;
    const next = {
      ...frame,
      name: a.name,
      aspect: a.aspect,
      scale: undefined,
      deliver: a.deliver,
    };
    delete next.scale;
    list.push(
      candidate(
        {
          title: `Frame for ${a.name} instead of ${frame.name}`,
          changes: putFrame(built.rig, next).changes,
        },
        0,
        2 + Math.abs(a.aspect - frame.aspect),
        'aspect',
      ),
    );
  }
  return list;
};

const otherModes: Generator = (built, finding) => {
  if (!coverageIds.has(finding.id) && finding.id !== 'coverage.pixels') return [];
  return (built.body?.modes ?? [])
    .filter((m) => m.id !== built.rig.mode)
    .map((m, i) => candidate(setMode(built.rig, m), 0, 1.5 + i * 0.01, 'mode'));
};

const otherLinks: Generator = (built, finding) => {
  if (!finding.id.startsWith('mount.') && !coverageIds.has(finding.id)) return [];
  const { body, lens, rig } = built;
  if (!body || !lens) return [];
  const now = rig.between.map((u) => u.part).join('/');
  const magnification = (links: readonly Part[]) =>
    links.filter(isReducer).reduce((m, r) => m * (valueOf(r.magnification) ?? 1), 1);
  const own = magnification(built.reducers);
  const farther = (links: readonly Part[]) => Math.abs(Math.log(magnification(links) / own));
  return chainsBetween(built.job, body, lens)
    .filter((c) => c.links.map((l) => l.id).join('/') !== now)
    .map((c, i) => {
      // What keeps the magnification keeps the picture.
      const touched =
        c.links.filter((l) => !rig.between.some((u) => u.part === l.id)).length +
        rig.between.filter((u) => !c.links.some((l) => l.id === u.part)).length;
      return {
        ...candidate(setBetween(rig, c.links), touched, 3 + farther(c.links) + i * 0.01, 'link'),
        toHire: c.toHire,
      };
    });
};

const otherLenses: Generator = (built, finding) => {
  if (!coverageIds.has(finding.id) && !finding.id.startsWith('mount.')) return [];
  const { lens, mode, body } = built;
  if (!body) return [];
  const own = horizontalField(built);
  const width = mode ? (valueOf(mode.w) ?? 36) : 36;
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? 1), 1);
  return lensSet(built.job)
    .filter((l) => l.id !== lens?.id)
    .map((l) => ({
      l,
      off:
        own === null
          ? 0
          : fieldOff(l, width, m, own) + (sameSqueeze(l, lens) ? 0 : SQUEEZE_PENALTY),
    }))
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_LENSES)
    .map(({ l, off }) => {
      const edit = putLens(built.job, built.rig, l);
      return {
        ...candidate({ ...edit, title: `Put ${l.name} on instead` }, 2, 4 + off / 100, 'lens'),
        toHire: onHand(l) < 1 ? 1 : 0,
      };
    });
};

/** Horizontal field of the rig, degrees. */
export function horizontalField(built: Built): number | null {
  const f = built.focal.known?.value;
  const { body, mode } = built;
  if (!f || !body || !mode) return null;
  const w = given(body, 'modes', mode.id, 'w').known?.value;
  if (w === undefined) return null;
  let m = 1;
  for (const g of built.magnifications) {
    if (!g.known) return null;
    m *= g.known.value;
  }
  return fieldOfView(w * framingSqueeze(built), f * m);
}

function sameSqueeze(a: Lens, b: Lens | null): boolean {
  return !b || Math.abs((valueOf(a.squeeze) ?? 1) - (valueOf(b.squeeze) ?? 1)) < 0.01;
}

/** How far a lens stays from a wanted field, degrees; a lens that does not say comes last. */
function fieldOff(lens: Lens, width: number, m: number, want: number): number {
  const field = lensField(lens, width, m, want);
  return field === null ? 180 : Math.abs(field - want);
}

/** The field nearest to `want` that a lens can give on a width: a zoom is set where it comes nearest. */
function lensField(lens: Lens, width: number, m: number, want: number): number | null {
  const range = focalRange(lens);
  if (!range) return null;
  const s = valueOf(lens.squeeze) ?? 1;
  const wide = fieldOfView(width * s, range.from * m);
  const long = fieldOfView(width * s, range.to * m);
  return Math.min(wide, Math.max(long, want));
}

const tieFeet: Generator = (built, finding) =>
  finding.id !== 'mount.play'
    ? []
    : built.links
        .filter((l) => l.link.foot && !l.use.tied)
        .map((l) => candidate(tieFoot(built.rig, l.index, true, l.link.name), 0, 0, 'foot'));

const glassInOut: Generator = (built, finding) =>
  finding.id !== 'mount.glass-path' && finding.id !== 'mount.flange'
    ? []
    : built.links
        .filter((l) => hasSlot(l.link))
        .map((l) =>
          candidate(
            setSlot(
              built.rig,
              l.index,
              (l.use.slot ?? 'glass') === 'glass' ? 'empty' : 'glass',
              l.link.name,
            ),
            1,
            0,
            'glass',
          ),
        );

const dropFrame: Generator = (built, finding) => {
  if (finding.id !== 'coverage.pixels') return [];
  const frame = built.frames.find((f) => f.id === finding.frame);
  if (!frame?.deliver) return [];
  const list: Candidate[] = [];
  if (frame.scale !== undefined && frame.scale < 1)
    list.push(candidate(scaleFrame(built.rig, frame, 1), 0, 0, 'scale'));
  if (built.frames.length > 1) list.push(candidate(takeFrame(built.rig, frame), 0, 9, 'drop'));
  return list;
};

const GENERATORS: readonly Generator[] = [
  tieFeet,
  glassInOut,
  otherFrames,
  otherModes,
  otherLinks,
  otherLenses,
  dropFrame,
  ...FRONT_GENERATORS,
  ...BESIDE_GENERATORS,
];

/** Trials of one rig, each resulting rig checked once, whatever it is tried for. */
export class Trials {
  readonly #seen = new Map<string, Built>();
  /** What each check says of the rig as it is. */
  readonly said: ReadonlyMap<Check, Said>;
  readonly count: Counts;

  constructor(
    readonly built: Built,
    readonly base: Shared,
  ) {
    this.said = new Map(CHECKS.map((c) => [c, saidOf(runOne(built, c))]));
    this.count = total([...this.said.values()].map((s) => s.count));
  }

  /** The rig after changes; null when they lead nowhere or take the rig away. */
  after(changes: readonly Change[]): Built | null {
    const { job, rig } = this.built;
    let next: Job;
    try {
      next = withChanges(job, changes);
    } catch (e) {
      if (!(e instanceof PathError)) throw e;
      return null;
    }
    const again = next.rigs.find((r) => r.id === rig.id);
    if (!again) return null;
    const untouched = changes.every((c) => c.path[0] === 'rigs');
    const key = sameBut(madeUp(changes), JSON.stringify(untouched ? again : [again, changes]));
    const known = this.#seen.get(key);
    if (known) return known;
    const trial = buildTrial(this.built, next, again, untouched ? this.base : shared(next));
    this.#seen.set(key, trial);
    // In a large kit there are more than there is room for: the oldest is worked out again.
    if (this.#seen.size > MOST_TRIALS) this.#seen.delete(this.#seen.keys().next().value!);
    return trial;
  }
}

/** Ids that changes make up for what they add. */
function madeUp(changes: readonly Change[]): string[] {
  return changes.flatMap(({ path, value }) => {
    const id = (value as { id?: unknown } | null | undefined)?.id;
    return typeof id === 'string' && id === path[path.length - 1] ? [id] : [];
  });
}

/** A rig whatever made-up ids it has: they are made anew each time the same piece is tried. */
function sameBut(ids: readonly string[], rig: string): string {
  return ids.reduce((text, id, i) => text.replaceAll(`"${id}"`, `"#${i}"`), rig);
}

/** How many findings are not ok, but for those that are set by hand. */
type Counts = Record<Exclude<State, 'ok'>, number>;

interface Said {
  verdicts: readonly Verdict[];
  count: Counts;
}

function countOf(verdicts: readonly Verdict[]): Counts {
  const count = { fail: 0, unknown: 0, tight: 0 };
  for (const v of verdicts) if (v.state !== 'ok' && !SET_BY_HAND.has(v.id)) count[v.state]++;
  return count;
}

function saidOf(verdicts: readonly Verdict[]): Said {
  return { verdicts, count: countOf(verdicts) };
}

function total(counts: readonly Counts[]): Counts {
  const sum = { fail: 0, unknown: 0, tight: 0 };
  for (const c of counts) {
    sum.fail += c.fail;
    sum.unknown += c.unknown;
    sum.tight += c.tight;
  }
  return sum;
}

/** What a trial came to, when it is a fix. */
interface Held {
  state: State;
  then: string;
  /** New findings that are not ok, worst first: named as its cost. */
  costs: Verdict[];
  built: Built;
}

/** Checks that take longest come last: most trials that fail do so before them. */
const QUICK_FIRST = [...CHECKS.filter((c) => !c.slow), ...CHECKS.filter((c) => c.slow)];

/**
 * Whether changes clear or raise a finding and lower no other. Its own check is run first, the
 * others one by one, quick ones first, and the first that comes out lower ends it.
 *
 * @returns what it came to; or the finding that it lowers; or null when it does not help
 */
function hold(
  trials: Trials,
  finding: Verdict,
  changes: readonly Change[],
  measureFirst = false,
): { held: Held } | { lowers: Verdict; built: Built } | null {
  const trial = trials.after(changes);
  if (!trial) return null;
  const own = CHECKS.find((c) => c.id === finding.id);
  if (!own) return null;
  const after = sameFinding(runOne(trial, own), finding);
  if (!after) return null;
  const state: State = after === 'gone' ? 'ok' : after.state;
  if (BADNESS[state] >= BADNESS[finding.state] || state === 'unknown') return null;
  // What does not mount at all hides what comes after: that it shows is not the fix's doing.
  const reveals = finding.id === 'mount.chain';
  const costs: Verdict[] = [];
  const counts: Counts[] = [];
  for (const check of QUICK_FIRST) {
    const was = trials.said.get(check)!;
    const now = runOne(trial, check);
    // What a change does not touch comes back as it was.
    if (now === was.verdicts) {
      counts.push(was.count);
      continue;
    }
    counts.push(countOf(now));
    for (const { before, after: v } of paired(was.verdicts, now)) {
      if (!v || v.key === finding.key) continue;
      const lower = BADNESS[v.state] > (before ? BADNESS[before.state] : 0);
      if (!lower) continue;
      if (SET_BY_HAND.has(v.id) || (measureFirst && v.state === 'unknown')) costs.push(v);
      else if (reveals && was.verdicts.length === 0) continue;
      else if (before || v.state === 'fail') return { lowers: v, built: trial };
      else costs.push(v);
    }
  }
  if (!reveals && !measureFirst) {
    // On the whole it has to be better, or two fixes could lead back and forth.
    const [count, before] = [total(counts), trials.count];
    const better =
      count.fail - before.fail || count.unknown - before.unknown || count.tight - before.tight;
    if (SET_BY_HAND.has(finding.id) ? better > 0 : better >= 0 && !raisedOnly(finding, state))
      return null;
  }
  return {
    held: {
      state,
      then: after === 'gone' ? 'The question no longer arises.' : after.why,
      costs: costs.sort((a, b) => BADNESS[b.state] - BADNESS[a.state]),
      built: trial,
    },
  };
}

/** From fail to tight the counts go down one and up one: that is better all the same. */
function raisedOnly(finding: Verdict, state: State): boolean {
  return finding.state === 'fail' && state === 'tight';
}

/**
 * Findings of one check before and after, pair by pair: by their keys; what is left by the frame
 * they speak of, worst with worst. A piece that was swapped brings its own keys.
 */
function paired(
  before: readonly Verdict[],
  after: readonly Verdict[],
): { before: Verdict | null; after: Verdict | null }[] {
  const keys = new Map(before.map((v) => [v.key, v]));
  const out: { before: Verdict | null; after: Verdict | null }[] = [];
  const left: Verdict[] = [];
  for (const v of after) {
    const b = keys.get(v.key);
    if (b) {
      out.push({ before: b, after: v });
      keys.delete(v.key);
    } else left.push(v);
  }
  const worst = (a: Verdict, b: Verdict) => BADNESS[b.state] - BADNESS[a.state];
  const gone = [...keys.values()].sort(worst);
  for (const v of left.sort(worst)) {
    const i = gone.findIndex((b) => b.frame === v.frame);
    out.push({ before: i < 0 ? null : gone.splice(i, 1)[0]!, after: v });
  }
  return [...out, ...gone.map((b) => ({ before: b, after: null }))];
}

/**
 * Fixes for one finding, tried: each is applied to a copy, its own check is run, then all others,
 * and it is kept only when this finding gets better (clears, or goes from fail to tight) and no
 * other one lower. Fewest parts touched first, then what is on hand; what only takes a filter, flag
 * or box away comes last.
 *
 * @param exhaustive everything is tried, also what cannot come before what was found: slow, the
 *   same answer
 */
export function fixesFor(
  built: Built,
  finding: Verdict,
  base: Shared,
  trials: Trials = new Trials(built, base),
  exhaustive = false,
): Fix[] {
  if (finding.state === 'ok') return [];
  const tried: (Fix & { order: number; family: string; givesUp: boolean })[] = [];
  const there = new Set(tooFew(built.rig, built.kit).map((t) => t.part));
  const enough = (after: Built) => tooFew(after.rig, after.kit).every((t) => there.has(t.part));
  // All that is worth trying, by what it is ranked by: of equals the one that people try first.
  const from = exhaustive ? built : thinned(built);
  const candidates = GENERATORS.flatMap((generate) => generate(from, finding)).sort(byRank);
  const offered = new Offered();
  const alike = new Alike(built);
  for (const c of candidates) {
    // No later one can be better than those that clear the finding: the rest need not be tried.
    if (!exhaustive) {
      if (offered.full) break;
      if (offered.enoughOf(c) || alike.known(c)) continue;
    }
    let edit = c.edit;
    let result = hold(trials, finding, edit.changes);
    if (result && 'lowers' in result && result.lowers.id === 'rods.proud') {
      // Rods that now stand out can be slid back with it.
      for (const slide of slideRods(result.built, result.lowers)) {
        const both = {
          title: `${edit.title}, and ${slide.title[0]!.toLowerCase()}${slide.title.slice(1)}`,
          changes: [...edit.changes, ...slide.changes],
        };
        const again = hold(trials, finding, both.changes);
        if (!again || !('held' in again)) continue;
        edit = both;
        result = again;
        break;
      }
    }
    let first = '';
    if (result && 'lowers' in result && result.lowers.state === 'unknown' && c.family === 'link') {
      // A piece with a number that nobody measured may be the one: measured first, not left out.
      const again = hold(trials, finding, edit.changes, true);
      if (again && 'held' in again) {
        result = again;
        const asks = again.held.costs
          .filter((v) => v.state === 'unknown')
          .flatMap((v) => v.measure.map((m) => m.label));
        first = asks.length > 0 ? `measure first: ${[...new Set(asks)].join(', ')}. ` : '';
      }
    }
    if (!result || !('held' in result) || !enough(result.held.built)) {
      alike.fails(c);
      continue;
    }
    const { held } = result;
    if (held.state === 'ok' && first === '') offered.clears(c);
    else alike.helps(c);
    const cost =
      [fieldCost(built, held.built), ...held.costs.map((v) => v.why.replace(/\.$/, ''))]
        .filter(Boolean)
        .join('. ') || null;
    tried.push({
      cost: first === '' ? cost : `${first[0]!.toUpperCase()}${first.slice(1)}${cost ?? ''}`,
      title: edit.title,
      change: edit.changes,
      then: held.then,
      state: held.state,
      parts: c.parts,
      toHire: c.toHire,
      order: c.order,
      // What has to be measured first comes after what is sure.
      givesUp: c.givesUp === true || first !== '',
      family: c.family,
    });
  }
  tried.sort(
    (a, b) =>
      Number(a.givesUp) - Number(b.givesUp) ||
      BADNESS[a.state] - BADNESS[b.state] ||
      a.parts - b.parts ||
      a.toHire - b.toHire ||
      a.order - b.order,
  );
  const perFamily = new Map<string, number>();
  const titles = new Set<string>();
  const kept: Fix[] = [];
  for (const { order: _order, givesUp: _givesUp, family, ...fix } of tried) {
    const n = perFamily.get(family) ?? 0;
    if (n >= 2 || kept.length >= MOST_FIXES || titles.has(fix.title)) continue;
    perFamily.set(family, n + 1);
    titles.add(fix.title);
    kept.push(fix);
  }
  return kept;
}

/**
 * The finding a fix was for, on the changed rig. The key may name a piece that was swapped out
 * (`mount.rear-depth:reducer-a`): then the worst finding of the same check speaks for it, and if
 * there is none the question no longer arises.
 */
function sameFinding(after: readonly Verdict[], finding: Verdict): Verdict | 'gone' | null {
  const same = after.find((v) => v.key === finding.key);
  if (same) return same;
  if (finding.id.startsWith('coverage.frame')) return null;
  return (
    after
      .filter((v) => v.id === finding.id && v.state !== 'ok')
      .sort((a, b) => BADNESS[b.state] - BADNESS[a.state])[0] ?? 'gone'
  );
}

/** What a fix does to the picture, in words; null when the field stays. */
function fieldCost(before: Built, after: Built): string | null {
  const a = horizontalField(before);
  const b = horizontalField(after);
  if (a === null || b === null || Math.abs(a - b) < 0.3) return null;
  return `the field ${b < a ? 'narrows' : 'widens'} from ${say(a, 'deg')} to ${say(b, 'deg')} across`;
}

/** What is ranked first is tried first: what gives nothing up, touches least, is on hand. */
function byRank(a: Candidate, b: Candidate): number {
  return (
    Number(a.givesUp === true) - Number(b.givesUp === true) ||
    a.parts - b.parts ||
    a.toHire - b.toHire ||
    a.order - b.order
  );
}

/** The fixes that clear a finding so far: within a family the best two are offered. */
class Offered {
  readonly #cleared = new Map<string, number>();
  readonly #titles = new Set<string>();

  enoughOf(c: Candidate): boolean {
    return (this.#cleared.get(c.family) ?? 0) >= 2 || this.#titles.has(c.edit.title);
  }

  clears(c: Candidate): void {
    this.#cleared.set(c.family, (this.#cleared.get(c.family) ?? 0) + 1);
    this.#titles.add(c.edit.title);
  }

  /** As many as are shown: in order of rank, so none that follows comes before them. */
  get full(): boolean {
    return this.#titles.size >= MOST_FIXES;
  }
}

/**
 * Candidates that differ only in which of several like pieces they take come to the same: in a
 * large kit one of them is tried for all. Two are offered of what helps without clearing.
 */
class Alike {
  readonly #built: Built;
  readonly #came = new Map<string, number>();
  readonly #special: ReadonlySet<string>;

  constructor(built: Built) {
    this.#built = built;
    this.#special = special(built);
  }

  #key(c: Candidate): string {
    const { kit } = this.#built;
    return JSON.stringify(c.edit.changes, (_key, value: unknown) => {
      const part = typeof value === 'string' ? kit.get(value) : undefined;
      return part && !this.#special.has(part.id) ? sortOf(part) : value;
    });
  }

  known(c: Candidate): boolean {
    return (this.#came.get(this.#key(c)) ?? 0) >= 2;
  }

  fails(c: Candidate): void {
    this.#came.set(this.#key(c), 2);
  }

  helps(c: Candidate): void {
    const key = this.#key(c);
    this.#came.set(key, (this.#came.get(key) ?? 0) + 1);
  }
}

/** Pieces that are like no other: on the rig already, or spoken of by name somewhere. */
function special(built: Built): ReadonlySet<string> {
  return built.once(SPECIAL);
}

const SPECIAL = node('special pieces', ({ job, rig, kit }: Built): ReadonlySet<string> => {
  const ids = partsOn(rig);
  for (const t of job.trials ?? []) for (const id of t.parts) ids.add(id);
  for (const t of job.markTests ?? []) for (const id of t.parts) ids.add(id);
  for (const id of Object.keys(rig.lenses ?? {})) ids.add(id);
  for (const p of kit.values())
    for (const id of (p as { madeFor?: string[] }).madeFor ?? []) ids.add(id);
  return ids;
});

/** Like pieces that are looked at: two fixes of a family are offered, of three pieces each at most. */
const LIKE_PIECES = 6;

/**
 * The rig with the kit that is looked through for fixes: of pieces that are like each other the
 * first few. What they would come to is what the others would.
 */
function thinned(built: Built): Built {
  const few = built.once(FEW);
  return few.size === built.kit.size ? built : withKit(built, few);
}

const FEW = node('few of each sort', (built: Built): ReadonlyMap<string, Part> => {
  const own = special(built);
  const seen = new Map<string, number>();
  const few = built.job.kit.filter((p) => {
    if (own.has(p.id)) return true;
    const key = `${onHand(p) < 1} ${sortOf(p)}`;
    const n = (seen.get(key) ?? 0) + 1;
    seen.set(key, n);
    return n <= LIKE_PIECES;
  });
  return new Map(few.map((p) => [p.id, p]));
});

/** What a part is but for what it is called and whose it is. */
function sortOf(part: Part): string {
  let sort = sorts.get(part);
  if (sort === undefined) {
    const { id: _id, name: _name, owner: _owner, notes: _notes, ...rest } = part;
    sorts.set(part, (sort = JSON.stringify(rest)));
  }
  return sort;
}

const sorts = new WeakMap<Part, string>();

/** All findings of a rig with their tried fixes, worst first. */
export function findings(job: Job, rig: Rig, base: Shared = shared(job)): Finding[] {
  return findingsOf(build(job, rig, base), base);
}

/** As {@link findings}, of a rig that was built before. */
export function findingsOf(built: Built, base: Shared): Finding[] {
  const verdicts = check(built);
  const trials = new Trials(built, base);
  return verdicts.map((v) => ({ ...said(v), fixes: fixesFor(built, v, base, trials) }));
}
