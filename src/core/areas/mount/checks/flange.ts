import type { State } from '../../../checks/finding';
import type { Check } from '../../../checks/check';
import { errorFormula, confusion, flangeError } from '../model/flange';
import { chipStop, chipStopValue } from '../../../build/chip-stop';
import { constant, exactly } from '../../../build/given';
import { absolute, spread, type Range } from '../../../quantity/spread';
import { depthOfFocus, USUAL_INDEX } from '../../../optics/backfocus';
import { judge, said } from '../../../checks/judge';
import { flangeOf } from '../../../build/build';
import { exact, signed } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';

export const mountFlange: Check = {
  id: 'mount.flange',
  marks: true,
  title: 'Flange error against depth of focus',
  short: 'focus is off',
  says: 'Whether the lens sits where its marks were made for, glass in the way and the setting of a reducer counted in: too far out loses infinity, too close makes every mark read wrong.',
  formula:
    '|e| <= N c, e = flange(body) + lengths - flange(lens) - sum of t (1 - 1/n) of the glass in the way; ahead of a reducer e counts m^2',
  run(built) {
    const { body, lens } = built;
    const f = errorFormula(built);
    if (!body || !lens || !f) return [];
    const conf = confusion(built);
    const stopInputs = chipStop(built);
    const n = f.inputs.length;
    const c = constant('circle of confusion', 'mm', conf ? exactly(conf.c) : null);
    const inputs = [...f.inputs, ...stopInputs, c];
    const marks = built.rules['mount.marks'] === 1;
    const missing = inputs.some((g) => g.known === null);
    const e = flangeError(built);
    const focus = missing
      ? null
      : spread(
          stopInputs.map((g) => g.known!),
          (x) => depthOfFocus(chipStopValue(built, x), conf!.c),
        );
    const about = [body.id, ...built.links.map((l) => l.link.id), lens.id];
    const tooClose = e !== null && e.hi < 0;
    const verdict = judge({
      id: 'mount.flange',
      about,
      station: flangeOf(built, body).known?.value ?? null,
      inputs,
      // Evaluated on the error and the depth of focus apart: an absolute value is not monotone.
      margin: (x) =>
        depthOfFocus(chipStopValue(built, x.slice(n, n + stopInputs.length)), x[x.length - 1]!) -
        f.value(x),
      after: (s) => {
        const a = absolute(e!);
        return {
          ...s,
          value: focus!.value - a.value,
          lo: focus!.lo - a.hi,
          hi: focus!.hi - a.lo,
        };
      },
      unit: 'mm',
      limit: focus ? { value: focus.value, unit: 'mm', rule: null } : null,
      assumed: f.glass.some((p) => p.indexAssumed)
        ? `The index of the glass is taken as ${USUAL_INDEX}.`
        : null,
      why: (o) => whyOf(o.state, e!, focus!, f.tested !== null),
      sum: (o) =>
        `${e!.sum} (${signed(e!.lo, 3)} to ${signed(e!.hi, 3)}); depth of focus N c = ${exact(focus!.value / conf!.c, 2)} x ${exact(conf!.c, 4)} (${conf!.how}) = ${exact(focus!.value, 4)} mm; margin ${exact(o.value, 3)} mm` +
        (built.fromT ? '; T stands in for f' : ''),
      lacking: (m) =>
        `Whether the marks are right cannot be said: ${m} ${m.includes(' and ') ? 'are' : 'is'} not known. A mark test would tell.`,
      basis: `${f.tested ? '[tried] ' : ''}[math]${marks ? '' : ` ${ruleBasis('mount.marks')}`}`,
    });
    if (verdict.state === 'fail' && tooClose && !marks)
      return [
        {
          ...said(verdict),
          state: 'tight',
          why: `${verdict.why} The house pulls from the monitor, so it is not a fail.`,
          limit: { value: 0, unit: '', rule: 'mount.marks' },
        },
      ];
    return [verdict];
  },
};

/** How the lens sits, in a sentence. */
function whyOf(state: State, e: Range, focus: Range, tested: boolean): string {
  const out = e.value >= 0;
  const by = exact(Math.abs(e.value), 3);
  const depth = exact(focus.value, 3);
  if (state === 'ok')
    return `The lens sits right within ${exact(Math.max(Math.abs(e.lo), Math.abs(e.hi)), 3)} mm; the depth of focus is \u00b1${depth} mm.`;
  if (state === 'fail')
    return out
      ? `The lens sits ${by} mm too far out, the depth of focus is \u00b1${depth} mm: infinity is lost.`
      : `The lens sits ${by} mm too close, the depth of focus is \u00b1${depth} mm: it focuses past infinity and every mark reads wrong.`;
  return `The lens may sit ${signed(e.lo, 3)} to ${signed(e.hi, 3)} mm off, the depth of focus is only \u00b1${depth} mm: ${e.hi > focus.lo ? 'infinity may be lost' : 'marks may read wrong'}.${tested ? '' : ' A mark test settles it.'}`;
}
