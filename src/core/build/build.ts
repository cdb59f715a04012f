import { valueOf } from '../quantity/quantity';
import {
  isBody,
  isLens,
  isLink,
  isReducer,
  type Body,
  type Frame,
  type Job,
  type Lens,
  type Link,
  type LinkUse,
  type Mode,
  type Part,
  type Reducer,
  type Rig,
} from '../kit/types';
import { mountIndex, type MountFacts, type MountIndex } from '../mounts/registry';
import { ruleValues, type RuleValues } from '../rules/rules';
import { tamed } from '../kit/names';
import { constant, exactly, given, type Given } from './given';
import { Memo } from './memo';

/** A piece between body and lens, with its use on this rig. */
export interface BuiltLink {
  link: Link;
  use: LinkUse;
  index: number;
}

/** Two faces that meet. */
export interface Joint {
  /** The face on the body's side and the face on the subject's side, by mount id. */
  rear: string | undefined;
  front: string | undefined;
  rearPart: Part;
  frontPart: Part;
  mates: boolean;
}

/** A rig with its parts looked up: what every check is a function of. */
export interface Built {
  job: Job;
  rig: Rig;
  kit: ReadonlyMap<string, Part>;
  mounts: MountIndex;
  rules: RuleValues;
  body: Body | null;
  mode: Mode | null;
  lens: Lens | null;
  /** From the body outwards. */
  links: BuiltLink[];
  reducers: Reducer[];
  joints: Joint[];
  /** No joint is known not to mate: with a mount that nobody named it may still go together. */
  closed: boolean;
  frames: Frame[];
  /** Focal length the lens is set to; unknown when it does not say. */
  focal: Given;
  squeeze: Given;
  /** Magnification of each reducer or extender. */
  magnifications: Given[];
  /** Stop worked at, T (or f when only that is known). */
  stop: Given;
  /** f-stop that goes with it; `fromT` when only T is known. */
  fStop: Given;
  fromT: boolean;
  /** What was worked out of this rig so far. */
  memo: Memo;
}

/** Kit of a job by id. */
export function kitIndex(job: Job): ReadonlyMap<string, Part> {
  const index = new Map<string, Part>();
  for (const p of job.kit) index.set(p.id, tamed(p));
  return index;
}

/** What a job's rigs share, so that building one rig does not walk the whole kit. */
export interface Shared {
  kit: ReadonlyMap<string, Part>;
  mounts: MountIndex;
  rules: RuleValues;
}

export function shared(job: Job): Shared {
  return { kit: kitIndex(job), mounts: mountIndex(job), rules: ruleValues(job.rules) };
}

/**
 * Looks up the parts of a rig and works out what several checks need. Never throws: what is not
 * there is null or an unknown {@link Given}.
 */
export function build(job: Job, rig: Rig, base: Shared = shared(job)): Built {
  const bodyPart = rig.body === null ? null : base.kit.get(rig.body);
  const lensPart = rig.lens === null ? null : base.kit.get(rig.lens);
  const body = isBody(bodyPart) ? bodyPart : null;
  const lens = isLens(lensPart) ? lensPart : null;
  const mode = body?.modes?.find((m) => m.id === rig.mode) ?? null;
  const links: BuiltLink[] = [];
  rig.between.forEach((use, index) => {
    const link = base.kit.get(use.part);
    if (isLink(link)) links.push({ link, use, index });
  });

  const joints: Joint[] = [];
  let rearPart: Part | null = body;
  let rear: string | undefined = body?.mount;
  for (const { link } of links) {
    if (rearPart) joints.push(joint(rearPart, rear, link, link.bodyMount));
    rearPart = link;
    rear = link.lensMount;
  }
  if (rearPart && lens) joints.push(joint(rearPart, rear, lens, lens.mount));

  const reducers = links.map((l) => l.link).filter(isReducer);
  return {
    job,
    rig,
    ...base,
    body,
    mode,
    lens,
    links,
    reducers,
    joints,
    closed:
      body !== null &&
      lens !== null &&
      joints.every((j) => j.mates || j.rear === undefined || j.front === undefined),
    frames: rig.frames,
    focal: focalOf(lens, rig),
    squeeze:
      lens && lens.squeeze !== undefined
        ? given(lens, 'squeeze')
        : constant('squeeze', 'x', exactly(1)),
    magnifications: reducers.map((r) => given(r, 'magnification')),
    ...stopsOf(lens, rig),
    memo: new Memo(),
  };
}

function joint(
  rearPart: Part,
  rear: string | undefined,
  frontPart: Part,
  front: string | undefined,
): Joint {
  return {
    rear,
    front,
    rearPart,
    frontPart,
    mates: rear !== undefined && front !== undefined && rear === front,
  };
}

/** Whether a lens is a zoom. */
export function isZoom(lens: Lens | null): lens is Lens {
  return lens !== null && valueOf(lens.focalTo) !== null;
}

/**
 * Whether a lens has what only zooms have, and no long end: then nobody knows what it is set to,
 * nor where its ends are.
 */
export function looksLikeZoom(lens: Lens | null): boolean {
  if (!lens || valueOf(lens.focalTo) !== null) return false;
  const focals = new Set(
    [...(lens.imageCircle ?? []), ...(lens.pupil ?? []), ...(lens.falloff ?? [])]
      .map((r) => r.focal)
      .filter((f) => f !== undefined),
  );
  return (
    focals.size > 1 ||
    [lens.lengthTo, lens.tStopTo, lens.fStopTo].some((x) => x !== undefined) ||
    (lens.rings ?? []).some((r) => r.turns === 'zoom')
  );
}

/** Focal range of a lens, mm; null when the short end is not known. */
export function focalRange(lens: Lens | null): { from: number; to: number } | null {
  const from = lens ? valueOf(lens.focal) : null;
  if (from === null || !lens) return null;
  return { from, to: valueOf(lens.focalTo) ?? from };
}

function focalOf(lens: Lens | null, rig: Rig): Given {
  if (!lens) return constant('focal length', 'mm', null);
  const range = focalRange(lens);
  if (looksLikeZoom(lens)) return given(lens, 'focalTo');
  if (!range || !isZoom(lens)) return given(lens, 'focal');
  const at = Math.min(range.to, Math.max(range.from, rig.focal ?? range.from));
  // The ring is read to about its line: half a millimetre or one in a hundred.
  const tol = Math.max(0.5, at * 0.01);
  return {
    ...constant(`focal length set on ${lens.name}`, 'mm', {
      value: at,
      tol,
      from: 'sheet',
      lo: at - tol,
      hi: at + tol,
    }),
    part: lens.id,
  };
}

/** Stop in use and the f-stop that goes with it, at the focal length the rig is set to. */
export function stopsOf(lens: Lens | null, rig: Rig): Pick<Built, 'stop' | 'fStop' | 'fromT'> {
  const none = constant('stop', 'T', null);
  if (!lens) return { stop: none, fStop: constant('f-stop', 'f', null), fromT: false };
  const t = widestAt(lens, rig, 'tStop', 'tStopTo');
  const f = widestAt(lens, rig, 'fStop', 'fStopTo');
  const widest = t.known ? t : { ...f, label: t.label };
  // No lens opens wider than it does, whatever was set.
  const set = rig.stop === undefined ? null : exactly(Math.max(rig.stop, widest.known?.value ?? 0));
  const stop: Given =
    set === null ? widest : { ...constant(`stop set on ${lens.name}`, 'T', set), part: lens.id };
  // The f-stop follows the T-stop by the lens's own transmission; when only T is known, T stands in.
  if (f.known && t.known && set) {
    const value = set.value * (f.known.value / t.known.value);
    return {
      stop,
      fStop: constant(`f-stop of ${lens.name} at T${set.value}`, 'f', exactly(value)),
      fromT: false,
    };
  }
  if (f.known) return { stop, fStop: set ? { ...stop, unit: 'f' } : f, fromT: set !== null };
  return { stop, fStop: { ...stop, unit: 'f' }, fromT: true };
}

/**
 * Widest stop of a lens at the focal length it is set to. Between the ends of a zoom of variable
 * aperture it lies somewhere between the two stops: linear in focal length as the likely value,
 * either end as what it could be.
 */
function widestAt(
  lens: Lens,
  rig: Rig,
  wideKey: 'tStop' | 'fStop',
  longKey: 'tStopTo' | 'fStopTo',
): Given {
  const wide = given(lens, wideKey);
  const range = focalRange(lens);
  if (!isZoom(lens) || !range || lens[longKey] === undefined) return wide;
  const long = given(lens, longKey);
  const at = Math.min(range.to, Math.max(range.from, rig.focal ?? range.from));
  if (at <= range.from) return wide;
  if (at >= range.to || !long.known) return long;
  if (!wide.known) return wide;
  const t = (at - range.from) / (range.to - range.from);
  const value = wide.known.value + (long.known.value - wide.known.value) * t;
  const lo = Math.min(wide.known.lo, long.known.lo);
  const hi = Math.max(wide.known.hi, long.known.hi);
  return {
    ...constant(`${wide.label} at ${at} mm`, wide.unit, {
      value,
      tol: Math.max(value - lo, hi - value),
      from: 'sheet',
      lo,
      hi,
    }),
    part: lens.id,
  };
}

/**
 * Everything that what stands along the optical axis rests on. Documents are never changed in
 * place: as long as these are the same objects it is the same.
 */
export function alongAxis({ job, rig, kit }: Built): readonly unknown[] {
  const named = (uses: readonly { part: string }[] | undefined, kind: string) =>
    (uses ?? [])
      .filter((u) => kit.get(u.part)?.kind === kind)
      .map((u) => u.part)
      .join();
  return [
    job.kit,
    job.mounts,
    job.aliases,
    job.rules,
    job.trials,
    job.markTests,
    rig.id,
    rig.body,
    rig.mode,
    rig.frames,
    rig.lens,
    rig.focal,
    rig.stop,
    rig.focus,
    rig.between,
    rig.thread,
    rig.box,
    rig.under,
    // Under the camera a cage adds its bottom, and rods can say of which system they are.
    named(rig.fitted, 'cage'),
    named(rig.rods, 'rods'),
    // Of the light only where a hard one stands: how bright it is, is judged apart.
    rig.light?.from,
    rig.light?.at,
    rig.light?.flare,
    rig.reference,
  ];
}

/** Facts of a mount, when the job knows it. */
export function mountOf(built: Built, id: string | undefined): MountFacts | null {
  return id === undefined ? null : (built.mounts.get(id) ?? null);
}

/** The flange distance of a body or lens: its own measured one, else that of its mount. */
export function flangeOf(built: Built, part: Body | Lens): Given {
  if (part.flange !== undefined) return given(part, 'flange');
  const known = mountOf(built, part.mount)?.flange ?? null;
  const before = flanges.get(part);
  if (before && before.known?.lo === known?.lo && before.known?.hi === known?.hi) return before;
  const flange: Given = {
    path: ['kit', part.id, 'flange'],
    part: part.id,
    label: `flange distance of ${part.name}`,
    unit: 'mm',
    cls: 'flange',
    known,
  };
  flanges.set(part, flange);
  return flange;
}

/** Flange distances by the mount of a part, one object for one number as {@link given} has it. */
const flanges = new WeakMap<Part, Given>();
