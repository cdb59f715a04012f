import { frameCorner, modeSize } from '../../../build/circle';
import { farthestCorner } from '../../../optics/coverage';
import { exact, mm, rangeMm } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { said } from '../../../checks/judge';
import { circleSum, judgeCovered } from '../model/covered';
import { coverageFrame } from './frame';

export const coverageChip: Check = {
  id: 'coverage.chip',
  title: 'Whole mode covered',
  short: 'corners cut',
  says: 'Whether the image circle covers the full active area of the recording mode. When only the corners outside every delivery frame are cut, it says so: the lens is usable.',
  formula: '(min(m D, exit circle) - hypot(w, h)) / 2 for the active area',
  run(built) {
    const { body, lens, mode } = built;
    if (!body || !lens || !mode) return [];
    const [w, h] = modeSize(built);
    const corner = (a: number, b: number) => farthestCorner({ w: a, h: b, x: 0, y: 0 });
    const verdict = judgeCovered(built, corner, {
      id: 'coverage.chip',
      key: 'coverage.chip',
      about: [body.id, lens.id, ...built.reducers.map((r) => r.id)],
      why: (o) =>
        o.state === 'ok'
          ? `${lens.name} covers the whole of ${mode.name} with ${mm(o.value)} to spare at the corners.`
          : o.state === 'fail'
            ? `${lens.name} cuts the corners of ${mode.name} by ${mm(-o.value)}.`
            : `${lens.name} may or may not reach the corners of ${mode.name}: ${rangeMm(o.lo, o.hi)}.`,
      sum: (o) =>
        `${circleSum(built)}; ${mode.name} ${exact(w.known!.value, 2)} x ${exact(h.known!.value, 2)} mm, half diagonal ` +
        `${exact(corner(w.known!.value, h.known!.value), 2)} mm; margin ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)})`,
      lacking: (missing) =>
        `Nobody can say whether ${lens.name} covers ${mode.name}: ${missing} ${missing.includes(' and ') ? 'are' : 'is'} not known.`,
    });
    if (verdict.state !== 'fail') return [verdict];
    const frames = coverageFrame.run(built);
    if (frames.length === 0 || frames.some((f) => f.state !== 'ok')) return [verdict];
    if (built.rules['coverage.clean-gate'] === 1)
      return [
        {
          ...said(verdict),
          why: `${verdict.why} Every delivery frame is covered, but the house wants the whole chip clean.`,
          limit: { value: 1, unit: '', rule: 'coverage.clean-gate' },
          basis: ruleBasis('coverage.clean-gate'),
        },
      ];
    const least = Math.min(
      ...built.frames.map((f) => {
        const c = frameCorner(built, f)(w.known!.value, h.known!.value);
        return corner(w.known!.value, h.known!.value) - c + verdict.margin!.value;
      }),
    );
    return [
      {
        ...said(verdict),
        state: 'tight',
        why: `${verdict.why} Every delivery frame is covered all the same, the closest by ${mm(least)}: usable, with dark corners outside the frame.`,
        limit: { value: 0, unit: '', rule: 'coverage.clean-gate' },
        basis: `[math] ${ruleBasis('coverage.clean-gate')}`,
      },
    ];
  },
};
