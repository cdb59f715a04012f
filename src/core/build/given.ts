import { readPath } from '../edit/path';
import { known, type Known, type QuantityInput, type ToleranceClass } from '../quantity/quantity';
import { fieldAt } from '../kit/fields';
import type { Part } from '../kit/types';

/**
 * One number as a check sees it: what it is, where it stands so that it can be measured and
 * corrected, and its value when there is one.
 */
export interface Given {
  /** Where the field stands in the job: `['kit', partId, ...]`. */
  path: string[];
  part: string;
  /** As a person says it: `image circle of Marl 40`. */
  label: string;
  unit: string;
  cls: ToleranceClass;
  known: Known | null;
}

/** Stages, masks and flags go by their names; modes and lines of a table are known from the rig. */
function rowName(part: Part, path: readonly string[]): string | null {
  if (path[0] === 'modes') return null;
  const row = readPath(part, path.slice(0, 2)) as { name?: unknown; turns?: unknown } | undefined;
  if (path[0] === 'rings' && typeof row?.turns === 'string') return `${row.turns} ring`;
  return typeof row?.name === 'string' ? row.name : null;
}

/** What was read of a part before: parts are never changed in place, a changed one is another. */
const read = new WeakMap<Part, Map<string, Given>>();

/**
 * A quantity of a part, as a check wants it. One and the same object for one and the same number:
 * what two places on a rig share can be told by identity, from one edit to the next.
 */
export function given(part: Part, ...path: string[]): Given {
  return once(part, path.join('/'), () => fresh(part, path));
}

/** As {@link given}, of a number that is counted and not measured: teeth. */
export function counted(part: Part, path: readonly string[], unit: string): Given {
  return once(part, `${unit} ${path.join('/')}`, () => {
    const v = readPath(part, path);
    return {
      ...given(part, ...path),
      unit,
      cls: 'exact',
      known: typeof v === 'number' ? exactly(v) : null,
    };
  });
}

function once(part: Part, id: string, make: () => Given): Given {
  let list = read.get(part);
  if (!list) read.set(part, (list = new Map()));
  let g = list.get(id);
  if (!g) list.set(id, (g = make()));
  return g;
}

function fresh(part: Part, path: string[]): Given {
  const field = fieldAt(part.kind, path);
  const cls = field?.type === 'quantity' ? field.cls : 'length';
  const label =
    field?.label === 'diameter' && path[0] === 'imageCircle'
      ? 'image circle'
      : path[0] === 'pupil'
        ? 'entrance pupil'
        : field?.label;
  const row = path.length > 2 ? rowName(part, path) : null;
  return {
    path: ['kit', part.id, ...path],
    part: part.id,
    label: `${label ?? path[0]!} of ${row ? `${row}, ` : ''}${part.name}`,
    unit: field?.type === 'quantity' ? field.unit : 'mm',
    cls,
    known: known(readPath(part, path) as QuantityInput | undefined, cls),
  };
}

/** A number that is not a field of a part: a constant, a setting, a standard. */
export function constant(label: string, unit: string, k: Known | null): Given {
  return { path: [], part: '', label, unit, cls: 'exact', known: k };
}

/** An exact number as a {@link Known}. */
export function exactly(value: number): Known {
  return { value, tol: 0, from: 'sheet', lo: value, hi: value };
}
