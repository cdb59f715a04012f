import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import type { Lens } from '../../../kit/types';
import { valueOf, type Known } from '../../../quantity/quantity';
import { plain } from '../../../quantity/say';
import type { Inputs, Num } from '../place/parts';

/** Where the entrance pupil of a lens lies, as far as anybody looked. */

/** Share of the length of a lens that its pupil is taken to lie behind the rim, and its doubt. */
const PUPIL_SHARE = 0.35;
const PUPIL_DOUBT = 0.2;
/** Row index pairs of a table by focal length, linear between, never beyond. */
function between<T extends { focal?: number }>(
  rows: readonly T[],
  focal: number | null,
): { i: number; j: number; t: number } | null {
  const whole = rows.findIndex((r) => r.focal === undefined);
  const table = rows
    .map((r, i) => ({ f: r.focal, i }))
    .filter((r): r is { f: number; i: number } => r.f !== undefined)
    .sort((a, b) => a.f - b.f);
  if (table.length === 0 || focal === null)
    return whole >= 0
      ? { i: whole, j: whole, t: 0 }
      : table[0]
        ? { i: table[0].i, j: table[0].i, t: 0 }
        : null;
  const above = table.findIndex((r) => r.f >= focal - 1e-9);
  if (above < 0) return null;
  const hi = table[above]!;
  if (Math.abs(hi.f - focal) < 1e-9) return { i: hi.i, j: hi.i, t: 0 };
  if (above === 0) return null;
  const lo = table[above - 1]!;
  return { i: lo.i, j: hi.i, t: (focal - lo.f) / (hi.f - lo.f) };
}

/** How far behind the front rim the entrance pupil lies, at a focal length. */
export function pupilBehind(
  lens: Lens,
  focal: number | null,
  inputs: Inputs,
): { value: Num; assumed: string | null } {
  const rows = lens.pupil ?? [];
  const at = between(rows, focal);
  if (at) {
    const a = inputs.add(given(lens, 'pupil', String(at.i), 'behind'));
    if (at.i === at.j) return { value: a, assumed: null };
    const b = inputs.add(given(lens, 'pupil', String(at.j), 'behind'));
    return { value: (x) => a(x) + (b(x) - a(x)) * at.t, assumed: null };
  }
  const length = valueOf(lens.length);
  const path = ['kit', lens.id, 'pupil', String(rows.length), 'behind'];
  const known: Known | null =
    length === null
      ? null
      : {
          value: PUPIL_SHARE * length,
          tol: PUPIL_DOUBT * length,
          from: 'guess',
          lo: (PUPIL_SHARE - PUPIL_DOUBT) * length,
          hi: (PUPIL_SHARE + PUPIL_DOUBT) * length,
        };
  const g: Given = {
    path,
    part: lens.id,
    label: `entrance pupil of ${lens.name}`,
    unit: 'mm',
    cls: 'pupil',
    known,
  };
  return {
    value: inputs.add(g),
    assumed: `The entrance pupil of ${lens.name} is not known; it is taken at ${plain(PUPIL_SHARE)} of its length behind the rim.`,
  };
}

/**
 * How far the pupil comes forward for a field point 45 degrees off the axis. Where nobody looked in
 * from the corner it is a doubt, from nothing to a share of the length of the lens by house rule:
 * nothing is black "even at best" for a ring that a pupil farther forward would see through.
 */
export function pupilWalk(built: Built, lens: Lens, focal: number | null, inputs: Inputs): Num {
  const rows = lens.pupil ?? [];
  const at = between(rows, focal);
  const said = (i: number) => rows[i]?.walk !== undefined;
  const own = (i: number): Num => {
    const walk = inputs.add(given(lens, 'pupil', String(i), 'walk'));
    const angle = rows[i]!.walkAngle;
    const share =
      angle === undefined ? 1 : (1 - Math.SQRT1_2) / (1 - Math.cos((angle * Math.PI) / 180));
    return (x) => walk(x) * share;
  };
  if (at && said(at.i) && said(at.j)) {
    const a = own(at.i);
    if (at.i === at.j) return a;
    const b = own(at.j);
    return (x) => a(x) + (b(x) - a(x)) * at.t;
  }
  const length = valueOf(lens.length) ?? 0;
  const most = built.rules['front.pupil-walk'] * length;
  const i = at?.i ?? rows.length;
  return inputs.add({
    path: ['kit', lens.id, 'pupil', String(i), 'walk'],
    part: lens.id,
    label: `entrance pupil of ${lens.name} seen from the corner`,
    unit: 'mm',
    cls: 'pupil',
    known: { value: 0, tol: most, from: 'guess', lo: 0, hi: most },
  });
}
