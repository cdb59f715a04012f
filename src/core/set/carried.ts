import { CHECKS, areaOf } from '../areas/checks';
import { lensSet } from '../areas/coverage/moves/lens';
import { balanceOf, leaning, massOf, type Balance } from '../areas/carry/model/balance';
import { HANGS, STANDS_ON } from '../areas/carry/model/hold';
import { slidersOf, type Slider } from '../areas/carry/model/slides';
import { slide } from '../areas/carry/moves/carry';
import { build, buildTrial, shared, type Built, type Shared } from '../build/build';
import { RANK, type State, type Verdict } from '../checks/finding';
import { fixesFor } from '../solve/fixes';
import { runOne } from '../checks/run';
import { withChanges, type Edit } from '../edit/edit';
import type { Job, Lens, Rig } from '../kit/types';
import { exact, sayLength, sayMass } from '../quantity/say';
import { bestWay } from './table';

/** What a lens asks of what carries the rig: a check, what it says, and what would do. */
export interface Asked {
  check: string;
  state: State;
  why: string;
  /** What would do instead, where it can be said. */
  wanted: readonly string[];
  /** What the kit has for it, tried; empty where that was not looked for or there is nothing. */
  cure: string;
}

/** One lens of the set on a rig, as that is carried. */
export interface CarriedLens {
  lens: Lens;
  /** It is the one that is on. */
  on: boolean;
  mass: string;
  /** Centre ahead of the hold as the rig is set, mm; null while a number is missing. */
  ahead: number | null;
  /** The same with its tolerances, mm: without end while a number is missing. */
  ends: { lo: number; hi: number };
  /** The same in words, with its interval. */
  text: string;
  /** What is slid, and how far, so that this lens balances; empty where nothing does. */
  mark: string;
  edit: Edit | null;
  /** What it brings that the lens that is on does not: rods, support, head, legs, as one list. */
  asks: readonly Asked[];
}

export interface CarriedSet {
  /** What is slid for all of them; null where nothing slides or nobody said how it is held. */
  slider: string | null;
  lenses: readonly CarriedLens[];
  /** The one setting that serves all of them best, in words, and what sets it. */
  one: { text: string; serves: boolean; edit: Edit } | null;
}

/** Areas that a bigger lens is felt in. */
const CASCADE: ReadonlySet<string> = new Set(['rods', 'support', 'carry']);
const CASCADE_CHECKS: ReadonlySet<string> = new Set(['mount.load', 'joint.load-path']);

const nominal = (q: Balance['ahead']): number | null =>
  q.inputs.some((g) => g.known === null) ? null : q.f(q.inputs.map((g) => g.known!.value));

/**
 * Every lens of the set as the rig is carried with it: what it weighs then, how far it is off its
 * hold, the mark that balances it, and what it asks for that the rig does not have; and the one
 * setting with the least worst of all (the middle of the outermost two: on a line the centre of the
 * smallest interval that holds all).
 *
 * @param cures look for what the kit has for each fail, too: that takes its time
 */
export function carriedSet(
  job: Job,
  rig: Rig,
  { cures = false, base = shared(job) }: { cures?: boolean; base?: Shared } = {},
): CarriedSet {
  const on = build(job, rig, base);
  const slider = sliderOf(on);
  const own = verdictsOf(on);
  const laid = lensSet(job).map((lens) => {
    const put = bestWay(on, lens, base);
    const after = withChanges(job, put.changes);
    const next = after.rigs.find((r) => r.id === rig.id)!;
    return { lens, built: lens.id === rig.lens ? on : buildTrial(on, after, next, base) };
  });
  const lenses = laid.map(({ lens, built }): CarriedLens => {
    const b = balanceOf(built);
    const ahead = b && sits(b) ? nominal(b.ahead) : null;
    const mass = massOf(built);
    // What slides of the rig is slid for each lens by itself.
    const s = slider && slidersOf(built).find((x) => x.id === slider.id);
    const by = s && ahead !== null ? -ahead / s.gain : null;
    const reaches =
      s !== undefined && s !== null && by !== null && by >= s.from - 0.5 && by <= s.to + 0.5;
    return {
      lens,
      on: lens.id === rig.lens,
      mass: mass ? sayMass(mass.value) : 'not known',
      ahead,
      ends: b && ahead !== null ? b.ahead.spread() : { lo: -Infinity, hi: Infinity },
      text: b && sits(b) && ahead !== null ? offText(b, ahead) : 'not known',
      mark:
        !s || by === null
          ? ''
          : Math.abs(by) < 1
            ? 'stays'
            : `${reaches ? '' : 'out of its travel: '}${sayLength(Math.abs(by), 0)} ${by < 0 ? 'back' : 'forward'}`,
      edit:
        s && by !== null && reaches && Math.abs(by) >= 1
          ? slide(rig, [{ slider: s, by: Math.round(by) }])
          : null,
      asks:
        lens.id === rig.lens
          ? []
          : brought(verdictsOf(built), own, cures ? (v) => cureFor(built, v, base) : null),
    };
  });
  return { slider: slider?.name ?? null, lenses, one: oneFor(rig, on, slider, lenses) };
}

/** It hangs under its hold or stands on it: a shift along the lens balances it. */
const sits = (b: Balance) => HANGS.has(b.hold.kind) || STANDS_ON.has(b.hold.kind);

function offText(b: Balance, ahead: number): string {
  const { lo, hi } = b.ahead.spread();
  const off = `${sayLength(Math.abs(ahead), 0)} ${ahead >= 0 ? 'ahead' : 'behind'}`;
  const range = `${sayLength(lo, 0)} to ${sayLength(hi, 0)}`;
  if (!HANGS.has(b.hold.kind)) return `${off} (${range})`;
  const down = nominal(b.above);
  if (down === null || down >= 0) return `${off} (${range})`;
  const lean = (Math.atan(nominal(leaning(b, b.fore))!) * 180) / Math.PI;
  return `${off} (${range}), nose ${exact(Math.abs(lean), 1)} deg ${lean >= 0 ? 'down' : 'up'}`;
}

/** What is slid for the set: the place where it is held before anything that has to be unclamped. */
function sliderOf(built: Built): Slider | null {
  const all = slidersOf(built);
  return (
    all.find((s) => s.grab) ??
    [...all].sort((a, b) => Math.abs(b.gain) - Math.abs(a.gain))[0] ??
    null
  );
}

const verdictsOf = (built: Built) =>
  CHECKS.filter((c) => CASCADE_CHECKS.has(c.id) || CASCADE.has(areaOf(c.id)?.id ?? '')).flatMap(
    (c) => runOne(built, c),
  );

type Said = ReturnType<typeof verdictsOf>;

function brought(now: Said, own: Said, cure: ((v: Verdict) => string) | null): Asked[] {
  const before = new Map(own.map((v) => [v.key, v.state]));
  return now
    .filter((v) => RANK[v.state] < RANK[before.get(v.key) ?? 'ok'])
    .sort((a, b) => RANK[a.state] - RANK[b.state] || (a.key < b.key ? -1 : 1))
    .map((v) => ({
      check: v.id,
      state: v.state,
      why: v.why,
      wanted: v.wanted,
      cure: v.state === 'fail' && cure ? cure(v) : '',
    }));
}

const cureFor = (built: Built, v: Verdict, base: Shared): string =>
  fixesFor(built, v, base)[0]?.title ?? '';

function oneFor(
  rig: Rig,
  on: Built,
  slider: Slider | null,
  lenses: readonly CarriedLens[],
): CarriedSet['one'] {
  const b = balanceOf(on);
  const known = lenses.filter((l) => l.ahead !== null);
  if (!slider || !b || known.length < 2 || known.length < lenses.length) return null;
  const aheads = known.map((l) => l.ahead!);
  const [least, most] = [Math.min(...aheads), Math.max(...aheads)];
  const middle = (least + most) / 2;
  // With gains of their own lenses differ a little; what is on has the say, and all are read again.
  const by = Math.min(slider.to, Math.max(slider.from, -middle / slider.gain));
  const left = Math.max(Math.abs(least + by * slider.gain), Math.abs(most + by * slider.gain));
  const { limit, text } = limitOf(on, b, left);
  const far =
    Math.abs(by) < 1
      ? `${slider.name} stays`
      : `${slider.name} ${sayLength(Math.abs(by), 0)} ${by < 0 ? 'back' : 'forward'}`;
  // What it does surely is another thing than what it does most likely.
  const sure = Math.max(
    ...known.flatMap(({ ends }) => [ends.lo, ends.hi].map((e) => Math.abs(e + by * slider.gain))),
  );
  const serves = left <= limit;
  return {
    serves: sure <= limit,
    text: serves
      ? `One setting ${sure <= limit ? 'serves' : 'may serve'} the set: ${far}. The worst of it is then ${sure <= limit ? '' : 'most likely '}${text}.`
      : `No one setting serves the set: with ${far} the worst is still ${text}. Mark each lens.`,
    edit: slide(rig, [{ slider, by: Math.round(by) }]),
  };
}

/** How far off is let go, and what so much off is as it is said. */
function limitOf(on: Built, b: Balance, left: number): { limit: number; text: string } {
  const down = HANGS.has(b.hold.kind) ? nominal(b.above) : null;
  if (down === null || down >= 0)
    return { limit: on.rules['carry.offset'], text: `${sayLength(left, 0)} off` };
  const deg = on.rules['carry.tilt'];
  const lean = (Math.atan(left / -down) * 180) / Math.PI;
  return { limit: -down * Math.tan((deg * Math.PI) / 180), text: `${exact(lean, 1)} deg` };
}
