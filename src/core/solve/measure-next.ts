import { buildTrial, shared, type Built, type Shared } from '../build/build';
import { frameCorner, modeSize } from '../build/circle';
import { mm } from '../quantity/say';
import { readPath } from '../edit/path';
import { areaOf, check, CHECKS } from '../areas/checks';
import { runChecks } from '../checks/run';
import type { Measurement } from '../checks/finding';
import { fieldAt } from '../kit/fields';
import type { Job, Rig } from '../kit/types';
import { defaultTolerance, known, type QuantityInput } from '../quantity/quantity';
import { applyChange } from '../edit/edit';

/** One line of the list that a person with calipers works down. */
export interface NextMeasurement {
  path: string[];
  part: string;
  label: string;
  unit: string;
  missing: boolean;
  /** Keys of the open findings it bears on. */
  bears: string[];
  /** Keys of those it would settle alone if the number comes out as it stands. */
  settles: string[];
  /** Sum of its shares of the doubt. */
  share: number;
  /** What number would be enough, in words; null where that cannot be said. */
  enough: string | null;
}

/**
 * Ranks the measurements that tight and unknown findings ask for: those that settle most findings
 * first, then those that carry most of the doubt; numbers that are as good as calipers make them
 * come last. Whether one settles a finding is tried: the
 * number is set to what it is now with the tolerance of a measurement and the rig is checked
 * again. A missing number settles a finding when it is the only one missing there.
 */
export function measureNext(built: Built, base: Shared = shared(built.job)): NextMeasurement[] {
  const { job, rig } = built;
  const verdicts = check(built);
  const byKey = new Map(verdicts.map((v) => [v.key, v]));
  const byPath = new Map<string, NextMeasurement & { asks: Measurement[]; sharp: boolean }>();
  for (const v of verdicts) {
    if (v.state !== 'tight' && v.state !== 'unknown') continue;
    for (const m of v.measure) {
      const id = m.path.join('/');
      const entry = byPath.get(id);
      if (entry) {
        entry.bears.push(v.key);
        entry.share += m.share;
        entry.missing ||= m.missing;
      } else
        byPath.set(id, {
          path: m.path,
          part: m.part,
          label: m.label,
          unit: m.unit,
          missing: m.missing,
          bears: [v.key],
          settles: [],
          share: m.share,
          enough: null,
          asks: [m],
          sharp: false,
        });
    }
  }
  for (const entry of byPath.values()) {
    if (entry.missing) {
      for (const v of verdicts)
        if (v.state === 'unknown' && v.measure.length === 1 && same(v.measure[0]!.path, entry.path))
          entry.settles.push(v.key);
      continue;
    }
    if (entry.path[0] !== 'kit') continue;
    const kind = job.kit.find((p) => p.id === entry.part)?.kind ?? '';
    const field = fieldAt(kind, entry.path.slice(2));
    if (field?.type !== 'quantity') continue;
    const now = known(readPath(job, entry.path) as QuantityInput, field.cls);
    const standsIn = now ?? standIn(job, rig, entry.path, base);
    if (!standsIn) continue;
    const tol = defaultTolerance(standsIn.value, field.cls, 'measured');
    if (now && now.tol <= tol) {
      // As good as calipers make it: measuring it once more says no more.
      entry.sharp = true;
      continue;
    }
    const measured = applyChange(job, {
      path: entry.path,
      value: { value: standsIn.value, tol, from: 'measured' },
    });
    const again = measured.rigs.find((r) => r.id === rig.id);
    if (!again) continue;
    // Only what bears on it is asked again; of that, only what reads the number is worked out.
    const ids = new Set(entry.bears.map((key) => byKey.get(key)?.id));
    const after = runChecks(
      buildTrial(built, measured, again, shared(measured)),
      CHECKS.filter((c) => ids.has(c.id)),
    );
    for (const key of entry.bears) {
      const v = after.find((a) => a.key === key);
      if (v && (v.state === 'ok' || v.state === 'fail')) entry.settles.push(key);
    }
  }
  for (const entry of byPath.values()) entry.enough = enoughFor(built, entry.path);
  const covers = (e: { bears: string[] }) =>
    e.bears.some((k) => areaOf(byKey.get(k)!.id)?.picture === true);
  return [...byPath.values()]
    .sort(
      (a, b) =>
        // What decides whether there is a picture at all comes before what is beside it.
        Number(covers(b)) - Number(covers(a)) ||
        b.settles.length - a.settles.length ||
        Number(a.sharp) - Number(b.sharp) ||
        b.bears.length - a.bears.length ||
        b.share - a.share ||
        a.label.localeCompare(b.label),
    )
    .map(({ asks: _asks, sharp: _sharp, ...rest }) => rest);
}

/** `covers the 2.39 frame from 38.2 mm`: the image circle that is enough; null for other numbers. */
function enoughFor(built: Built, path: readonly string[]): string | null {
  if (path[0] !== 'kit' || path[1] !== built.lens?.id || path[2] !== 'imageCircle') return null;
  const [w, h] = modeSize(built);
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? NaN), 1);
  if (!w.known || !h.known || !Number.isFinite(m)) return null;
  const needs = built.frames.map((f) => ({
    name: f.name,
    d:
      (2 *
        (frameCorner(built, f)(w.known!.value, h.known!.value) + built.rules['coverage.margin'])) /
      m,
  }));
  return needs.length === 0
    ? `covers from ${mm(Math.hypot(w.known.value, h.known.value) / m)}`
    : needs.map((n) => `covers the ${n.name} frame from ${mm(n.d)}`).join(', ');
}

/** The number a mount lends to a part that does not give its own flange distance. */
function standIn(job: Job, rig: Rig, path: readonly string[], base: Shared) {
  if (path[2] !== 'flange') return null;
  const part = base.kit.get(path[1]!);
  const mount = part && 'mount' in part ? (part.mount as string | undefined) : undefined;
  return mount ? (base.mounts.get(mount)?.flange ?? null) : null;
}

function same(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((x, i) => x === b[i]);
}
