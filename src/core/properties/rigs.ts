import { devicesOn } from '../areas/power/model/fed';
import { outletsOn } from '../areas/power/model/outlets';
import { feedFrom, setAway, setCelsius } from '../areas/power/moves/feed';
import { build } from '../build/build';
import { setLimits } from '../areas/space/moves/fitted';
import fc from 'fast-check';
import { FIELDS, isKind, type Field } from '../kit/fields';
import {
  isBody,
  isLens,
  isLink,
  type Change,
  type DayEvent,
  type Job,
  type Part,
  type Rig,
} from '../kit/types';
import { partsOn } from '../roles/uses';
import { applyEdit, PathError, type Edit } from '../edit/edit';
import { setDrive } from '../areas/drive/moves/drive';
import { setBoxRod } from '../areas/front/moves/box';
import { setPlateHeight, setPlateStation } from '../areas/rods/moves/under';
import { setSupport } from '../areas/support/moves/support';
import { deedsOf, putOn } from '../areas/moves';
import { keepPosition, setHold, setOverhead, setSeat } from '../areas/joints/moves/seat';
import { HOLD_KINDS } from '../areas/carry/model/hold';
import { setCarry } from '../areas/carry/moves/carry';
import { setLight } from '../areas/light/moves/light';
import { putBody } from '../areas/coverage/moves/body';
import { putLens } from '../areas/coverage/moves/lens';
import { setBetween, tieFoot } from '../areas/mount/moves/chain';
import { setFocal, setFocus, setMode, setStop, setUpright } from '../areas/coverage/moves/picture';
import { tieLensFoot } from '../areas/support/moves/support';
import { isZoom } from '../build/lens';
import { valueOf, type QuantityInput } from '../quantity/quantity';
import { turnRanges } from '../kit/ranges';
import { sideBySide } from '../doc/side-by-side';
import { begin } from '../shelf/begin';
import { logs } from './logs';
import { sendings, someTies } from './sendings';
import { statements } from './statements';
import { GOALS } from '../shelf/goals';
import { demo, demoDoc } from '../test-kit';

/**
 * Rigs that properties are held against: those of the demo job, and rigs that came of random moves
 * on them with numbers pulled about and taken away.
 */

export interface Subject {
  job: Job;
  rig: Rig;
}

const base = demo();

export const demoRigs: readonly (readonly [name: string, Subject])[] = base.rigs.map(
  (rig) => [rig.name, { job: base, rig }] as const,
);

/** Every configuration of the demo, as the rig that stands then. */
export const demoStandings: readonly (readonly [name: string, Subject])[] = base.rigs.flatMap(
  (rig) => {
    const side = sideBySide(demoDoc(), rig.id)!;
    return side.standings
      .filter((s) => s.id !== null)
      .map((s) => [`${rig.name}, ${s.name}`, { job: side.job, rig: s.rig }] as const);
  },
);

/** The rigs that one begins with, of typical parts: every number a guess with its width. */
export const begunRigs: readonly (readonly [name: string, Subject])[] = GOALS.map((goal) => {
  const job = begin({ goal, body: goal.body, lens: goal.lens }, goal.name, `begun-${goal.id}`)!;
  return [`begun: ${goal.name}`, { job, rig: job.rigs[0]! }] as const;
});

/** One random step; the numbers are taken modulo what there is. */
interface Step {
  op: 'put' | 'deed' | 'set' | 'mode' | 'stop' | 'focal' | 'focus' | 'pull' | 'drop' | 'rule';
  a: number;
  b: number;
  u: number;
}

const step: fc.Arbitrary<Step> = fc.record({
  op: fc.constantFrom<Step['op']>(
    'put',
    'put',
    'put',
    'deed',
    'set',
    'mode',
    'stop',
    'focal',
    'focus',
    'pull',
    'pull',
    'drop',
    'rule',
  ),
  a: fc.nat(9999),
  b: fc.nat(9999),
  u: fc.double({ min: 0, max: 1, noNaN: true }),
});

export function put(job: Job, rig: Rig, part: Part): Edit | null {
  if (isLens(part)) return putLens(job, rig, part);
  if (isBody(part)) return putBody(job, rig, part);
  if (isLink(part)) return setBetween(rig, [part]);
  return putOn(job, rig, part);
}

const at = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

function editOf(job: Job, rig: Rig, s: Step): Edit | null {
  const set = (path: string[], value: unknown): Edit => ({
    title: 'x',
    changes: [{ path, value }],
  });
  switch (s.op) {
    case 'put': {
      const part = at(job.kit, s.a);
      return part ? put(job, rig, part) : null;
    }
    case 'deed':
      return at(deedsOf(job, rig), s.a) ?? null;
    case 'set':
      return at(settings(job, rig), s.a) ?? null;
    case 'mode': {
      const body = job.kit.find((p) => p.id === rig.body);
      const mode = isBody(body) ? at(body.modes ?? [], s.a) : undefined;
      return mode ? setMode(rig, mode) : null;
    }
    case 'stop':
      return setStop(rig, at([2, 2.8, 4, 5.6, 8, 11], s.a));
    case 'focus':
      return setFocus(rig, at([undefined, 500, 1500, 4000], s.a));
    case 'focal': {
      const lens = job.kit.find((p) => p.id === rig.lens);
      if (!isLens(lens) || !isZoom(lens)) return null;
      const [from, to] = [valueOf(lens.focal) ?? 1, valueOf(lens.focalTo) ?? 1];
      return setFocal(rig, Math.round(from + s.u * (to - from)));
    }
    case 'rule':
      return set(['rules'], { set: at(['house', 'strict', 'light'], s.a) });
    case 'pull':
    case 'drop': {
      const on = job.kit.filter((p) => partsOn(rig).has(p.id));
      const slot = at(on.flatMap(slotsOf), s.a);
      if (!slot) return null;
      if (s.op === 'drop') return set(slot.path, undefined);
      if (slot.field.type !== 'quantity') return null;
      const now = valueOf(slot.value as QuantityInput) ?? 0;
      const value = Math.min(slot.field.max, Math.max(slot.field.min, now * (0.7 + 0.6 * s.u)));
      return set(slot.path, { value, tol: Math.abs(value) * 0.01, from: 'measured' });
    }
  }
}

/** A day with something of so many hours that must not be missed, and a break after it. */
const dayWith = (long: number): DayEvent[] => [
  { id: 'lock', name: 'Lock passage', from: 1.5, to: 1.5 + long, is: 'keep' },
  { id: 'lunch', name: 'lunch', from: 2 + long, to: 3 + long, is: 'break' },
];

/** Everything fed from each outlet, without a lead and by any, whether it fits or not. */
function feedings(job: Job, rig: Rig): Edit[] {
  const built = build(job, rig);
  const leads = [undefined, ...job.kit.filter((p) => p.kind === 'lead').map((p) => p.id)];
  return outletsOn(built).flatMap((o, i) =>
    devicesOn(built).map(({ device }, k) => {
      const lead = leads[(i + k) % leads.length];
      // Switched, tied, or nothing said of either.
      const said = at(
        [
          {},
          { switched: true, tied: true, ties: i % 4 },
          { switched: false, via: someTies(rig, i + k) },
        ],
        i + 2 * k,
      );
      return feedFrom(
        rig,
        device,
        { from: o.from, id: o.id, ...(lead ? { lead } : {}), ...said },
        'x',
      );
    }),
  );
}

/** Settings of a rig that no part brings with it. */
function settings(job: Job, rig: Rig): Edit[] {
  const light = (patch: Parameters<typeof setLight>[1]) => setLight(rig, patch, 'x');
  const drive = rig.drives?.[0];
  const unit = job.kit.find((p) => p.kind === 'hand-unit');
  return [
    light({ mains: 50 }),
    light({ mains: 60, fps: 48 }),
    light({ profile: 'film', iso: 1600 }),
    light({ from: 'top', at: 40 }),
    light({ from: 'left', at: 65 }),
    light({ from: 'bottom', at: 50, flare: true }),
    ...[setPlateHeight(job, rig, 36), setPlateStation(job, rig, 30)].filter((e) => e !== null),
    ...(drive && unit ? [setDrive(rig, drive.id, { unit: unit.id }, 'x')] : []),
    ...(rig.supports?.[0] ? [setSupport(rig, rig.supports[0].id, { post: 38 }, 'x')] : []),
    ...(rig.fitted ?? [])
      .filter((u) => job.kit.find((p) => p.id === u.part)?.kind === 'rod')
      .flatMap(({ id: on }) => [
        ...(drive ? [setDrive(rig, drive.id, { on }, 'x')] : []),
        ...(rig.supports?.[0] ? [setSupport(rig, rig.supports[0].id, { on }, 'x')] : []),
        ...(rig.box ? [setBoxRod(rig, on, 'x')] : []),
      ]),
    ...feedings(job, rig),
    ...sendings(job, rig),
    ...logs(job, rig),
    ...statements(job, rig),
    ...[1, 3].map((long) => ({
      title: 'x',
      changes: [{ path: ['goal', 'events'], value: dayWith(long) }],
    })),
    ...(rig.mains ?? []).map((u) => setAway(rig, u, 'x', 1450)),
    setCelsius(rig, -10),
    tieLensFoot(rig, true, 'x'),
    ...(rig.box
      ? ['both', 'clip-on', 'rods'].map((value) => ({
          title: 'x',
          changes: [{ path: ['kit', rig.box!.part, 'attach'], value }],
        }))
      : []),
    ...(rig.fitted ?? []).flatMap((u) => [
      setSeat(rig, u.id, { gap: 1 }, 'x'),
      setSeat(rig, u.id, { tight: 'critical' }, 'x'),
      setSeat(rig, u.id, { screw: 8 }, 'x'),
      setSeat(rig, u.id, { slide: 12, n: 1 }, 'x'),
      setSeat(rig, u.id, { turn: 45, line: true }, 'x'),
      setHold(rig, u.id, 'x'),
      keepPosition(rig, u, 'in'),
      keepPosition(rig, { ...u, turn: 30, slide: 5 }, 'out'),
    ]),
    ...HOLD_KINDS.map((by) => setCarry(rig, { by, also: 'table' }, 'x')),
    setCarry(rig, { x: 6, z: 14, least: 2500, most: 4200 }, 'x'),
    setCarry(rig, { axis: 1400, eyes: 1500, ceiling: 1700, minutes: 3 }, 'x'),
    setOverhead(rig, true),
    setUpright(rig, 'left'),
    setUpright(rig, 'right'),
    ...rig.between.map((_u, i) => tieFoot(rig, i, true, 'x')),
    setLimits(rig, { mass: 3500 }),
    setLimits(rig, { height: 320, width: 260, length: 420, mass: 2500 }),
  ];
}

/** A job after one random step on a rig of it; as it was where the step leads nowhere. */
function stepped(job: Job, id: string, s: Step): Job {
  const edit = editOf(
    job,
    job.rigs.find((r) => r.id === id)!,
    s,
  );
  if (!edit) return job;
  try {
    return applyEdit(job, edit).doc;
  } catch (e) {
    if (!(e instanceof PathError)) throw e;
    return job;
  }
}

/** Random edits of a rig of the demo, each with the job it was made on. */
export const anyEdits: fc.Arbitrary<{ job: Job; edit: Edit }[]> = fc
  .tuple(fc.nat(base.rigs.length - 1), fc.array(step, { minLength: 3, maxLength: 10 }))
  .map(([i, steps]) => {
    const { id } = base.rigs[i]!;
    const out: { job: Job; edit: Edit }[] = [];
    let job = base;
    for (const s of steps) {
      const edit = editOf(
        job,
        job.rigs.find((r) => r.id === id)!,
        s,
      );
      if (!edit) continue;
      try {
        const next = applyEdit(job, edit).doc;
        out.push({ job, edit });
        job = next;
      } catch (e) {
        if (!(e instanceof PathError)) throw e;
      }
    }
    Object.defineProperty(out, fc.toStringMethod, {
      value: () => `${id}: ${out.map((o) => o.edit.title).join('; ')}`,
    });
    return out;
  });

/** A way of many small steps from a rig of the demo: what the job is after each of them. */
export const anyWay: fc.Arbitrary<{ id: string; jobs: Job[] }> = fc
  .tuple(fc.nat(base.rigs.length - 1), fc.array(step, { minLength: 6, maxLength: 12 }))
  .map(([i, steps]) => {
    const { id } = base.rigs[i]!;
    const jobs = [base];
    for (const s of steps) jobs.push(stepped(jobs[jobs.length - 1]!, id, s));
    return { id, jobs: jobs.map((j) => ({ ...j, kit: j.kit.map((p) => turnRanges(p).part) })) };
  });

/** A rig that came of random moves on one of the demo's. */
export const anyRig: fc.Arbitrary<Subject> = fc
  .tuple(fc.nat(base.rigs.length - 1), fc.array(step, { minLength: 1, maxLength: 8 }))
  .map(([i, steps]) => {
    let job = base;
    const id = base.rigs[i]!.id;
    for (const s of steps) job = stepped(job, id, s);
    // No way into the product leaves a range the wrong way round.
    job = { ...job, kit: job.kit.map((p) => turnRanges(p).part) };
    const told = `${id}: ${steps.map((s) => `${s.op} ${s.a} ${s.u.toFixed(2)}`).join('; ')}`;
    const subject: Subject = { job, rig: job.rigs.find((r) => r.id === id)! };
    Object.defineProperty(subject, fc.toStringMethod, { value: () => told });
    return subject;
  });

/** A number, choice or flag that a part says, with the path it stands at in the job. */
export interface Slot {
  part: Part;
  path: string[];
  field: Field;
  value: unknown;
}

/** Every known value of a part that could be taken away. */
export function slotsOf(part: Part): Slot[] {
  const list: Slot[] = [];
  const walk = (fields: readonly Field[], node: Record<string, unknown>, path: string[]) => {
    for (const f of fields) {
      const value = node[f.key];
      if (value === undefined) continue;
      if (f.type === 'rows')
        (value as Record<string, unknown>[]).forEach((row, i) =>
          walk(f.fields, row, [...path, f.key, f.keyed ? String(row.id) : String(i)]),
        );
      else if (f.type !== 'text' && f.type !== 'texts' && !f.required)
        list.push({ part, path: [...path, f.key], field: f, value });
    }
  };
  if (isKind(part.kind))
    walk(FIELDS[part.kind], part as unknown as Record<string, unknown>, ['kit', part.id]);
  return list;
}

export function changed({ job, rig }: Subject, changes: readonly Change[]): Subject {
  const next = applyEdit(job, { title: 'x', changes: [...changes] }).doc;
  return { job: next, rig: next.rigs.find((r) => r.id === rig.id)! };
}
