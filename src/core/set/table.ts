import { areaOf } from '../areas/checks';
import { build, buildTrial, shared, type Built, type Shared } from '../build/build';
import { coverage } from '../areas/coverage/area';
import { OPTICAL } from '../areas/mount/checks/optical';
import { runChecks } from '../checks/run';
import type { State, Verdict } from '../checks/finding';
import { worst } from '../checks/finding';
import { isBody, isReducer, type Job, type Lens, type Mode, type Rig } from '../kit/types';
import { horizontalField } from '../areas/coverage/model/field';
import { withChanges, type Edit } from '../edit/edit';
import { listChanges } from '../edit/list-changes';
import { chainsBetween } from '../areas/mount/moves/chain';
import { lensSet, putLens } from '../areas/coverage/moves/lens';
import { exact, signed } from '../quantity/say';
import { dressedLens, type DressedLens } from './dressed';
import { commonStop, type CommonStop } from './common-stop';

/** What a lens in a mode is judged by: nothing stands in front of it, nothing hangs on it. */
const BY_LIGHT = [...coverage.checks, ...OPTICAL];

/** One lens in one mode of the rig's body. */
export interface SetCell {
  mode: string;
  lens: string;
  /** Worst of the frames' coverage and of everything about the mount. */
  state: State;
  /** Worst of the delivery frames alone. */
  coverage: State;
  /** Smallest corner margin of the frames, mm; null when it is not known. */
  margin: number | null;
  text: string;
  /** Horizontal field, degrees. */
  field: number | null;
  why: string;
  edit: Edit;
}

export interface SetTable {
  modes: Mode[];
  rows: {
    lens: Lens;
    /** What stands between, in words. */
    between: string;
    /** It is what the rig carries now; else it is what the lens would want instead. */
    own: boolean;
    /** As it goes on: what travels with it, and how all of that looks from the side. */
    dressed: DressedLens;
    cells: SetCell[];
  }[];
  /** The stop that all of them can be worked at. */
  common: CommonStop;
}

/** Only coverage and mount are laid out here: without its front a rig is checked in no time. */
function bare(rig: Rig): Rig {
  return { ...rig, thread: undefined, box: undefined, light: undefined };
}

const about = (id: string) => (v: Verdict) => v.id === id;

/**
 * Every lens of the set in every mode of a rig's body, each built with the chain that follows it
 * and checked: which glass covers which mode.
 */
export function setTable(job: Job, rig: Rig): SetTable {
  const base = shared(job);
  const on = build(job, rig, base);
  const body = base.kit.get(rig.body ?? '');
  const modes = isBody(body) ? (body.modes ?? []) : [];
  const ways = lensSet(job).map((lens) => {
    const put = bestWay(on, lens, base);
    return { lens, put, rig: withChanges(job, put.changes).rigs.find((r) => r.id === rig.id)! };
  });
  const rows = ways.map(({ lens, put, rig: own }) => {
    const uses = own.between;
    return {
      lens,
      between: uses.map((u) => base.kit.get(u.part)?.name ?? u.part).join(' + '),
      own: uses.map((u) => u.part).join() === rig.between.map((u) => u.part).join(),
      dressed: dressedLens(buildTrial(on, job, own, base)),
      cells: modes.map((mode) => {
        const edit: Edit = {
          title: `${put.title}, record in ${mode.name}`,
          changes: [...put.changes, { path: ['rigs', rig.id, 'mode'], value: mode.id }],
        };
        const next = withChanges(job, edit.changes).rigs.find((r) => r.id === rig.id)!;
        const verdicts = runChecks(buildTrial(on, job, bare(next), base), BY_LIGHT);
        const frames = verdicts.filter(about('coverage.frame'));
        const coverage = frames.length > 0 ? frames : verdicts.filter(about('coverage.chip'));
        const mount = verdicts.filter((v) => areaOf(v.id)?.mates && v.state === 'fail');
        const closest = coverage.reduce<Verdict | null>(
          (a, b) => (!a || (b.margin && a.margin && b.margin.value < a.margin.value) ? b : a),
          null,
        );
        const built = buildTrial(on, job, next, base);
        const state = worst([...coverage, ...mount].map((v) => v.state));
        const margin = coverage.some((v) => v.margin === null)
          ? null
          : (closest?.margin?.value ?? null);
        return {
          mode: mode.id,
          lens: lens.id,
          state,
          coverage: worst(coverage.map((v) => v.state)),
          margin,
          text:
            mount.length > 0
              ? (BY_LIGHT.find((c) => c.id === mount[0]!.id)?.short ?? mount[0]!.id)
              : margin === null
                ? 'not known'
                : `${signed(margin, 1)} mm`,
          field: horizontalField(built),
          why: mount[0]?.why ?? coverage.find((v) => v.state === state)?.why ?? '',
          edit,
        };
      }),
    };
  });
  return { modes, rows, common: commonStop(on, ways, base) };
}

/**
 * Puts a lens on: by what stands on the rig wherever that goes together with it, whatever comes of
 * it; else by the chain that follows, and when that one fails at the mount by the first that does not.
 */
export function bestWay(on: Built, lens: Lens, base: Shared): Edit {
  const { job, rig } = on;
  const put = putLens(job, rig, lens);
  const body = base.kit.get(rig.body ?? '');
  if (!isBody(body)) return put;
  const own = put.changes.every((c) => c.path[2] !== 'between');
  if (own && rig.lens !== null) return put;
  const fails = (edit: Edit) =>
    runChecks(
      buildTrial(
        on,
        job,
        bare(withChanges(job, edit.changes).rigs.find((r) => r.id === rig.id)!),
        base,
      ),
      BY_LIGHT,
    ).some((v) => areaOf(v.id)?.mates && v.state === 'fail');
  if (!fails(put)) return put;
  const glass = rig.between.some((u) => isReducer(base.kit.get(u.part)));
  const chains = chainsBetween(job, body, lens, 8).sort(
    (a, b) => Number(b.glass === glass) - Number(a.glass === glass),
  );
  for (const chain of chains) {
    const edit: Edit = {
      ...put,
      changes: [
        ...put.changes.filter((c) => c.path[2] !== 'between'),
        ...listChanges(
          ['rigs', rig.id, 'between'],
          rig.between,
          chain.links.map((l) => ({ part: l.id })),
        ),
      ],
    };
    if (!fails(edit)) return edit;
  }
  return put;
}

/** A field as it stands in a cell. */
export function fieldText(field: number | null): string {
  return field === null ? '' : `${exact(field, 1)}\u00b0`;
}
