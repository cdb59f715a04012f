import { chipCircle, frameCorner, lensCircle, modeSize } from '../../../build/circle';
import { given } from '../../../build/given';
import { farthestCorner } from '../../../optics/coverage';
import { exact, mm, rangeMm } from '../../../quantity/say';
import { valueOf } from '../../../quantity/quantity';
import type { Check } from '../../../checks/check';
import { judge } from '../../../checks/judge';

export const coverageReducerExit: Check = {
  id: 'coverage.reducer-exit',
  title: 'Exit circle of the reducer',
  short: 'reducer cuts',
  says: 'Whether the reducer itself lets enough through for every delivery frame, whatever the lens throws.',
  formula: '(exit circle - hypot(w, h)) / 2 for the largest delivery frame',
  run(built) {
    const { body, mode } = built;
    if (!body || !mode) return [];
    return built.reducers.map((reducer, i) => {
      const after = built.reducers.slice(0, i); // closer to the body than this one
      const [w, h] = modeSize(built);
      const corners = built.frames.map((f) => frameCorner(built, f));
      const farthest = (a: number, b: number) =>
        corners.length > 0
          ? Math.max(...corners.map((c) => c(a, b)))
          : farthestCorner({ w: a, h: b, x: 0, y: 0 });
      const what = corners.length > 0 ? 'the largest delivery frame' : mode.name;
      const magnifications = after.map((r) => given(r, 'magnification'));
      const n = 1 + magnifications.length;
      return judge({
        id: 'coverage.reducer-exit',
        key: `coverage.reducer-exit:${reducer.id}`,
        about: [reducer.id, body.id],
        station: 0,
        inputs: [given(reducer, 'exitCircle'), ...magnifications, w, h],
        margin: (x) => {
          let d = x[0]!;
          for (let k = 1; k < n; k++) d *= x[k]!;
          return d / 2 - farthest(x[n]!, x[n + 1]!);
        },
        unit: 'mm',
        limit: { value: 0, unit: 'mm', rule: null },
        why: (o) => {
          const limits = whoLimits();
          return o.state === 'ok'
            ? `${reducer.name} lets a circle through that clears ${what} by ${mm(o.value)}.${limits}`
            : o.state === 'fail'
              ? `${reducer.name} itself cuts the corners of ${what} by ${mm(-o.value)}, whatever the lens covers.`
              : `${reducer.name} may or may not cut the corners of ${what}: ${rangeMm(o.lo, o.hi)}.`;
        },
        sum: (o) =>
          `exit circle ${exact(valueOf(reducer.exitCircle)!, 2)} mm; farthest corner ${exact(farthest(w.known!.value, h.known!.value), 2)} mm; margin ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`,
        lacking: (missing) => `What ${reducer.name} lets through is not known: ${missing} missing.`,
        basis: '[math]',
      });

      function whoLimits(): string {
        const lens = lensCircle(built);
        const chip = chipCircle(built);
        if ([...lens.inputs, ...chip.inputs].some((g) => !g.known)) return '';
        const d = chip.value(chip.inputs.map((g) => g.known!.value));
        const exit = valueOf(reducer.exitCircle)!;
        return Math.abs(d - exit) < 1e-9
          ? ' It limits the circle here, not the lens.'
          : ' The lens limits the circle here, not the reducer.';
      }
    });
  },
};
