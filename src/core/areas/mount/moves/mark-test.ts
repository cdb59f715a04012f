import type { Edit } from '../../../edit/edit';
import type { Built } from '../../../build/build';
import { metres, exact } from '../../../quantity/say';
import { errorFromMarks } from '../../../optics/backfocus';
import type { MarkTestRecord } from '../../../kit/types';
import { newId } from '../../../engine/ids';

/** Share by which a distance taped on set is off. */
const TAPE_SHARE = 0.005;

export type MarkTest =
  | { ok: true; error: number; tol: number; sentence: string; edit: Edit }
  | { ok: false; sentence: string };

/**
 * What a mark test says about the rig: at the mark `sMark` the picture is really sharp at
 * `sTrue` (mm from the image plane). It is kept as a record of these very pieces together, and
 * outranks what their single lengths add up to. Behind a reducer the chip sees the error of the
 * lens times m squared.
 *
 * @param when day of the test, as it is written down
 */
export function markTest(built: Built, sMark: number, sTrue: number, when: string): MarkTest {
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
  const rounded = (v: number): number => Math.round(v * 1e5) / 1e5;
  const reduced = built.reducers.length > 0;
  const sentence =
    `Sharp at ${metres(sTrue)} where the mark says ${metres(sMark)}: the lens sits ${exact(Math.abs(atLens), 4)} mm too ${atLens >= 0 ? 'far out: take that much shim away' : 'close: add that much shim'}` +
    (reduced ? ` (${exact(Math.abs(error), 4)} mm at the chip).` : '.');
  const record: MarkTestRecord = {
    id: newId('mark'),
    parts: [body.id, ...links.map((l) => l.link.id), lens.id],
    error: { value: rounded(error), tol: rounded(tol), from: 'measured' },
    when,
  };
  return {
    ok: true,
    error,
    tol,
    sentence,
    edit: {
      title: `Mark test of ${lens.name} on ${body.name}`,
      changes: [{ path: ['markTests', record.id], value: record }],
    },
  };
}

/** Forgets a mark test, once the shim it asked for is in. */
export function forgetMarkTest(record: MarkTestRecord): Edit {
  return {
    title: 'Forget the mark test',
    changes: [{ path: ['markTests', record.id], value: undefined, prune: 1 }],
  };
}
