import { build, shared, type Built } from '../build/build';
import { checkRig } from '../checks/registry';
import type { State, Verdict } from '../checks/finding';
import { worst } from '../checks/finding';
import type { Job, Lens, Mode, Rig } from '../kit/types';
import { horizontalField } from '../solve/fixes';
import { withChanges, type Edit } from '../solve/edit';
import { lensSet, putLens } from '../solve/moves';
import { exact, signed } from '../quantity/say';

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
  rows: { lens: Lens; cells: SetCell[] }[];
}

const about = (id: string) => (v: Verdict) => v.id === id;

/**
 * Every lens of the set in every mode of a rig's body, each built with the chain that follows it
 * and checked: which glass covers which mode.
 */
export function setTable(job: Job, rig: Rig): SetTable {
  const base = shared(job);
  const body = base.kit.get(rig.body ?? '');
  const modes = body?.kind === 'body' ? ((body as { modes?: Mode[] }).modes ?? []) : [];
  const rows = lensSet(job).map((lens) => {
    const put = putLens(job, rig, lens);
    return {
      lens,
      cells: modes.map((mode) => {
        const edit: Edit = {
          title: `${put.title}, record in ${mode.name}`,
          changes: [...put.changes, { path: ['rigs', rig.id, 'mode'], value: mode.id }],
        };
        const next = withChanges(job, edit.changes).rigs.find((r) => r.id === rig.id)!;
        const verdicts = checkRig(job, next, base);
        const frames = verdicts.filter(about('coverage.frame'));
        const coverage = frames.length > 0 ? frames : verdicts.filter(about('coverage.chip'));
        const mount = verdicts.filter((v) => v.id.startsWith('mount.') && v.state === 'fail');
        const closest = coverage.reduce<Verdict | null>(
          (a, b) => (!a || (b.margin && a.margin && b.margin.value < a.margin.value) ? b : a),
          null,
        );
        const built: Built = build(job, next, base);
        const state = worst([...coverage, ...mount].map((v) => v.state));
        const margin = coverage.some((v) => v.margin === null) ? null : (closest?.margin?.value ?? null);
        return {
          mode: mode.id,
          lens: lens.id,
          state,
          coverage: worst(coverage.map((v) => v.state)),
          margin,
          text:
            mount.length > 0
              ? 'does not go on'
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
  return { modes, rows };
}

/** A field as it stands in a cell. */
export function fieldText(field: number | null): string {
  return field === null ? '' : `${exact(field, 1)}\u00b0`;
}
