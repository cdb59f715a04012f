import { flangeOf, type Built } from '../build/build';
import { errorFormula, flangeError } from '../checks/mount-flange';
import { isReducer } from '../kit/types';
import { valueOf, type Quantity } from '../quantity/quantity';
import { exact, metres } from '../quantity/say';
import { errorFromMarks } from '../optics/backfocus';
import type { Edit } from './edit';
import { setField } from './moves';

/** Share by which a distance taped on set is off. */
const TAPE_SHARE = 0.005;

export type MarkTest =
  | { ok: true; error: number; tol: number; sentence: string; edit: Edit }
  | { ok: false; sentence: string };

/**
 * What a mark test says about the rig: at the mark `sMark` the picture is really sharp at
 * `sTrue` (mm from the image plane). The error found is laid to the piece that is easiest to
 * shim: the reducer's back focus, else the adapter next to the lens, else the lens's own flange.
 * Ahead of a reducer the lens sees the error at the chip divided by m squared.
 */
export function markTest(built: Built, sMark: number, sTrue: number): MarkTest {
  const { lens, links, body } = built;
  const f = built.focal.known?.value;
  if (!lens || !body || !built.closed)
    return { ok: false, sentence: 'A mark test needs a lens that is on the body.' };
  if (f === undefined)
    return { ok: false, sentence: `The focal length of ${lens.name} is not known.` };
  if (!(sMark > 4 * f) || !(sTrue > 4 * f))
    return {
      ok: false,
      sentence: `Both distances have to be well beyond ${metres(4 * f)} for a ${exact(f, 0)} mm lens.`,
    };
  const atLens = errorFromMarks(f, sMark, sTrue);
  const spreadOf = (s: number) =>
    Math.abs(
      errorFromMarks(f, sMark, s * (1 + TAPE_SHARE)) -
        errorFromMarks(f, sMark, s * (1 - TAPE_SHARE)),
    ) / 2;
  const m = built.magnifications.reduce((p, g) => p * (g.known?.value ?? NaN), 1);
  if (!Number.isFinite(m))
    return { ok: false, sentence: 'The magnification of the reducer is not known.' };
  const error = atLens * m * m;
  const tol = Math.max(0.001, spreadOf(sTrue) * m * m);
  const rounded = (v: number): number => Math.round(v * 1e4) / 1e4;
  const measured = (v: number, t = tol): Quantity => ({
    value: rounded(v),
    tol: rounded(t),
    from: 'measured',
  });
  const last = links[links.length - 1]?.link;
  const reducer = links.map((l) => l.link).find(isReducer);
  const says =
    `Sharp at ${metres(sTrue)} where the mark says ${metres(sMark)}: the lens sits ${exact(Math.abs(atLens), 4)} mm too ${atLens >= 0 ? 'far out: take that much shim away' : 'close: add that much shim'}` +
    (reducer ? ` (${exact(Math.abs(error), 4)} mm at the chip).` : '.');
  const job = built.job;
  // What is left of the error once everything but the piece it is laid to is as stated.
  const now = flangeError(built);
  if (reducer) {
    const own = valueOf(reducer.backFocus) ?? 0;
    const rest = (now?.value ?? own) - own;
    return {
      ok: true,
      error,
      tol,
      sentence: says,
      edit: setField(
        job,
        ['kit', reducer.id, 'backFocus'],
        measured(error - rest),
        `back focus error of ${reducer.name} from a mark test`,
      ),
    };
  }
  if (last) {
    const own = valueOf(last.length);
    const rest = own !== null && now ? now.value - own : null;
    if (rest === null) {
      const f2 = errorFormula(built);
      return {
        ok: false,
        sentence: `The mark test needs every other length: ${
          f2?.inputs
            .filter((g) => !g.known)
            .map((g) => g.label)
            .join(', ') ?? 'one'
        } is missing.`,
      };
    }
    return {
      ok: true,
      error,
      tol,
      sentence: says,
      edit: setField(
        job,
        ['kit', last.id, 'length'],
        measured(error - rest),
        `length of ${last.name} from a mark test`,
      ),
    };
  }
  const bodyFlange = flangeOf(built, body).known;
  if (!bodyFlange)
    return { ok: false, sentence: `The flange distance of ${body.name} is not known.` };
  return {
    ok: true,
    error,
    tol,
    sentence: says,
    edit: setField(
      job,
      ['kit', lens.id, 'flange'],
      measured(bodyFlange.value - error),
      `flange distance of ${lens.name} from a mark test`,
    ),
  };
}
