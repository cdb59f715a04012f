import fc from 'fast-check';
import { checkRig } from '../areas/checks';
import { mirrored } from './mirrored';
import { summary } from './compare';
import { anyRig, begunRigs, demoRigs, demoStandings, type Subject } from './rigs';

/**
 * The rig in a mirror: left and right exchanged on every part, use and rule. The verdicts are the
 * same; corners are named the other way round, which their keys do not tell.
 */

const says = (s: Subject) => summary(checkRig(s.job, s.rig));

describe('mirror', () => {
  test.each([...demoRigs, ...demoStandings])('%s', (_name, s) => {
    expect(says(mirrored(s))).toEqual(says(s));
  });

  // Guesses put a part on either side of another: how far the worst case goes is searched for only
  // where it decides, so the ends of such an interval may differ, and nothing else.
  test.each(begunRigs)('%s', (_name, s) => {
    const nominal = (x: Subject) => says(x).map(({ key, state, value }) => ({ key, state, value }));
    expect(nominal(mirrored(s))).toEqual(nominal(s));
  });

  test('twice is the rig itself', () => {
    for (const [, s] of demoRigs) expect(mirrored(mirrored(s)).rig).toEqual(s.rig);
  });

  test('random rigs', () => {
    fc.assert(
      fc.property(anyRig, (s) => {
        expect(says(mirrored(s))).toEqual(says(s));
      }),
      { numRuns: 120 },
    );
  }, 300_000);
});
