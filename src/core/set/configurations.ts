import { AREAS } from '../areas/registry';
import { CHECKS } from '../areas/checks';
import { build, buildTrial, shared, type Built, type Shared } from '../build/build';
import { RANK, STATES, worst, type State, type Verdict } from '../checks/finding';
import { runOne } from '../checks/run';
import { lensSet } from '../areas/coverage/moves/lens';
import { withChanges } from '../edit/edit';
import { isBeside, type Job, type Lens, type Rig } from '../kit/types';
import { valueOf } from '../quantity/quantity';
import { usesOn } from '../roles/uses';
import { standOf } from '../stand/stand';
import { bestWay } from './table';

/** The ways a rig stands, laid against checks and against the lens set: what gets worse where. */

/** One check in one configuration. */
export interface ConfigurationCell {
  /** The worst it says; null where it has nothing to say there: it is not looked at. */
  state: State | null;
  /** How many of its findings are not ok. */
  open: number;
  /** The worst of them. */
  key: string | null;
  why: string;
}

export interface ConfigurationRow {
  check: string;
  title: string;
  area: string;
  /** In the order of the columns. */
  cells: readonly ConfigurationCell[];
  /** It does not say the same everywhere. */
  differs: boolean;
}

export interface ConfigurationColumn {
  worst: State;
  count: Readonly<Record<State, number>>;
  /** Of the parts that somebody weighed, g; and how many nobody did. */
  mass: number;
  unweighed: number;
  /** Across, up and along, mm; null while nothing of it stands. */
  size: readonly [number, number, number] | null;
  /** Some part has a size or a place that nobody knows. */
  open: boolean;
}

export interface ConfigurationTable {
  columns: readonly ConfigurationColumn[];
  /** What differs first, the worst of it first; then what is the same everywhere. */
  rows: readonly ConfigurationRow[];
}

/**
 * Every check against every one of several rigs.
 *
 * @param rigs the rig itself first, then its configurations
 */
export function configurationTable(
  job: Job,
  rigs: readonly Rig[],
  base: Shared = shared(job),
): ConfigurationTable {
  const built = rigs.map((r) => build(job, r, base));
  const rows = AREAS.flatMap((area) =>
    area.checks.map((check): ConfigurationRow => {
      const cells = built.map((b) => cellOf(runOne(b, check)));
      return {
        check: check.id,
        title: check.title,
        area: area.name,
        cells,
        differs: cells.some((c) => c.state !== cells[0]!.state || c.open !== cells[0]!.open),
      };
    }),
  ).filter((r) => r.cells.some((c) => c.state !== null));
  const rank = (r: ConfigurationRow) => Math.min(...r.cells.map((c) => RANK[c.state ?? 'ok']));
  return {
    columns: built.map(columnOf),
    rows: rows.sort((a, b) => Number(b.differs) - Number(a.differs) || rank(a) - rank(b)),
  };
}

function cellOf(verdicts: readonly Verdict[]): ConfigurationCell {
  if (verdicts.length === 0) return { state: null, open: 0, key: null, why: '' };
  const state = worst(verdicts.map((v) => v.state));
  const first = verdicts.find((v) => v.state === state)!;
  return {
    state,
    open: verdicts.filter((v) => v.state !== 'ok').length,
    key: first.key,
    why: first.why,
  };
}

function columnOf(built: Built): ConfigurationColumn {
  const verdicts = CHECKS.flatMap((c) => runOne(built, c));
  // What carries the rig is none of it.
  const masses = usesOn(built.rig)
    .filter((id) => !isBeside(built.kit.get(id)))
    .map((id) => valueOf(built.kit.get(id)?.mass));
  const stand = standOf(built);
  const { upright } = built.rig;
  const solids = stand.solids.filter((s) => s.known && !s.moving);
  const ends = (k: 0 | 1 | 2) =>
    Math.max(...solids.map((s) => s.extent[(k + 3) as 3])) -
    Math.min(...solids.map((s) => s.extent[k]));
  return {
    worst: worst(verdicts.map((v) => v.state)),
    count: Object.fromEntries(
      STATES.map((s) => [s, verdicts.filter((v) => v.state === s).length]),
    ) as Record<State, number>,
    mass: masses.reduce<number>((sum, m) => sum + (m ?? 0), 0),
    unweighed: masses.filter((m) => m === null).length,
    size:
      solids.length === 0
        ? null
        : upright
          ? [ends(1), ends(0), ends(2)]
          : [ends(0), ends(1), ends(2)],
    open: stand.pieces.some((p) => p.missing.length > 0),
  };
}

/** One lens in one configuration, by everything there is to check. */
export interface LensCell {
  state: State;
  fails: number;
  /** How many findings it brings that are not there with the lens that is on, or not as bad. */
  more: number;
  /** The worst of those; empty where it brings none. */
  why: string;
}

export interface LensRow {
  lens: Lens;
  cells: readonly LensCell[];
}

/**
 * Every lens of the set on every one of several rigs, with what follows it when it is put on.
 */
export function lensRows(job: Job, rigs: readonly Rig[], base: Shared = shared(job)): LensRow[] {
  const on = rigs.map((r) => build(job, r, base));
  const own = on.map(
    (b) => new Map(CHECKS.flatMap((c) => runOne(b, c)).map((v) => [v.key, v.state] as const)),
  );
  return lensSet(job).map((lens) => ({
    lens,
    cells: on.map((b, i): LensCell => {
      const put = bestWay(b, lens, base);
      const rig = withChanges(job, put.changes).rigs.find((r) => r.id === b.rig.id)!;
      const after = buildTrial(b, job, rig, base);
      const verdicts = CHECKS.flatMap((c) => runOne(after, c));
      const brings = verdicts
        .filter((v) => RANK[v.state] < RANK[own[i]!.get(v.key) ?? 'ok'])
        .sort((x, y) => RANK[x.state] - RANK[y.state]);
      return {
        state: worst(verdicts.map((v) => v.state)),
        fails: verdicts.filter((v) => v.state === 'fail').length,
        more: brings.length,
        why: brings[0]?.why ?? '',
      };
    }),
  }));
}
