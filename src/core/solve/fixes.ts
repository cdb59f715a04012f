import { build, shared, focalRange, type Built, type Shared } from '../build/build';
import { framingSqueeze } from '../build/circle';
import { check, CHECKS } from '../checks/registry';
import { coveredScale } from '../checks/coverage-frame';
import type { Finding, Fix, State, Verdict } from '../checks/finding';
import { said } from '../checks/judge';
import { ASPECTS } from '../optics/formats';
import { fieldOfView } from '../optics/field';
import { given } from '../build/given';
import { valueOf } from '../quantity/quantity';
import { say } from '../quantity/say';
import { isReducer, onHand, type Job, type Lens, type Part, type Rig } from '../kit/types';
import { BESIDE_GENERATORS } from './beside-fixes';
import { candidate, type Candidate, type Generator } from './candidate';
import { FRONT_GENERATORS } from './front-fixes';
import { tryOut } from './try-out';
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
  finding.id !== 'mount.glass-path'
    ? []
    : built.links
        .filter((l) => !isReducer(l.link) && l.link.slotGlass !== undefined)
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

/**
 * Fixes for one finding, tried: each is applied to a copy, every check is run again, and it is
 * kept only when this finding gets better (clears, or goes from fail to tight) and no finding
 * that did not fail before fails now. Fewest parts touched first, then what is on hand; what only
 * takes a filter, flag or box away comes last.
 *
 * @param before all verdicts of the rig as it is
 */
export function fixesFor(
  built: Built,
  finding: Verdict,
  before: readonly Verdict[],
  base: Shared,
): Fix[] {
  if (finding.state === 'ok') return [];
  const failed = new Set(before.filter((v) => v.state === 'fail').map((v) => v.key));
  const tried: (Fix & { order: number; family: string; givesUp: boolean })[] = [];
  for (const generate of GENERATORS)
    for (const c of generate(built, finding)) {
      const result = tryOut(built.job, built.rig, c.edit.changes, base, CHECKS);
      if (!result) continue;
      const after = sameFinding(result.verdicts, finding);
      if (!after) continue;
      const state: State = after === 'gone' ? 'ok' : after.state;
      if (BADNESS[state] >= BADNESS[finding.state] || state === 'unknown') continue;
      const newly = result.verdicts.filter(
        (v) => v.state === 'fail' && !failed.has(v.key) && !stillThatPart(v, before),
      );
      // What does not mount at all hides what comes after: that it shows is not the fix's doing.
      const revealed = (v: Verdict) =>
        finding.id === 'mount.chain' && !before.some((b) => b.id === v.id);
      if (newly.some((v) => !SET_BY_HAND.has(v.id) && !revealed(v))) continue;
      const cost =
        [fieldCost(built, result.built), ...newly.map((v) => v.why.replace(/\.$/, ''))]
          .filter(Boolean)
          .join('. ') || null;
      tried.push({
        cost,
        title: c.edit.title,
        change: c.edit.changes,
        then: after === 'gone' ? 'The question no longer arises.' : after.why,
        state,
        parts: c.parts,
        toHire: c.toHire,
        order: c.order,
        givesUp: c.givesUp === true,
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
  const kept: Fix[] = [];
  for (const { order: _order, givesUp: _givesUp, family, ...fix } of tried) {
    const n = perFamily.get(family) ?? 0;
    if (n >= 2 || kept.length >= MOST_FIXES) continue;
    perFamily.set(family, n + 1);
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
  return after.find((v) => v.id === finding.id) ?? 'gone';
}

/** A fail that only changed its name because a piece was swapped is not a new one. */
function stillThatPart(v: Verdict, before: readonly Verdict[]): boolean {
  return (
    v.key !== v.id && before.some((b) => b.id === v.id && b.state === 'fail' && b.frame === v.frame)
  );
}

/** What a fix does to the picture, in words; null when the field stays. */
function fieldCost(before: Built, after: Built): string | null {
  const a = horizontalField(before);
  const b = horizontalField(after);
  if (a === null || b === null || Math.abs(a - b) < 0.3) return null;
  return `the field ${b < a ? 'narrows' : 'widens'} from ${say(a, 'deg')} to ${say(b, 'deg')} across`;
}

/** All findings of a rig with their tried fixes, worst first. */
export function findings(job: Job, rig: Rig, base: Shared = shared(job)): Finding[] {
  const built = build(job, rig, base);
  const verdicts = check(built);
  return verdicts.map((v) => ({ ...said(v), fixes: fixesFor(built, v, verdicts, base) }));
}
