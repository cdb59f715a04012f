import fc from 'fast-check';
import { checkRig } from '../areas/checks';
import { mirrored } from './mirrored';
import { summary } from './compare';
import { anyRig, demoRigs, demoStandings, type Subject } from './rigs';

/**
 * The rig in a mirror: left and right exchanged on every part, use and rule. The verdicts are the
 * same; corners are named the other way round, which their keys do not tell.
 */

const says = (s: Subject) => summary(checkRig(s.job, s.rig));

describe('mirror', () => {
  test.each([...demoRigs, ...demoStandings])('%s', (_name, s) => {
    expect(says(mirrored(s))).toEqual(says(s));
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
