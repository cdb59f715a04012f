import { exactly, testLens } from '../test-kit';
import { stopsOf } from './lens';

describe('the stop of a lens of which one number is known', () => {
  const rig = {};

  test('only the f-stop: the T-stop is that less what the glass takes, as a guess', () => {
    const { stop } = stopsOf(testLens({ tStop: undefined, fStop: exactly(2) }), rig);
    expect(stop.known!.from).toBe('guess');
    // As fast as the f-stop at best, seven tenths of a stop slower at worst.
    expect(stop.known!.lo).toBeCloseTo(2, 9);
    expect(2 * Math.log2(stop.known!.hi / 2)).toBeCloseTo(0.7, 9);
    expect(2 * Math.log2(stop.known!.value / 2)).toBeCloseTo(0.3, 9);
    // What is asked for is the T-stop.
    expect(stop.path).toEqual(['kit', 'lens', 'tStop']);
  });

  test('only the T-stop: it stands for the f-stop; neither: not known', () => {
    const one = stopsOf(testLens({ tStop: exactly(2.2), fStop: undefined }), rig);
    expect([one.stop.known!.value, one.fStop.known!.value, one.fromT]).toEqual([2.2, 2.2, true]);
    const none = stopsOf(testLens({ tStop: undefined, fStop: undefined }), rig);
    expect([none.stop.known, none.fStop.known]).toEqual([null, null]);
  });

  test('both: a stop that is set keeps their ratio', () => {
    const lens = testLens({ tStop: exactly(2), fStop: exactly(1.8) });
    expect(stopsOf(lens, { stop: 4 }).fStop.known!.value).toBeCloseTo(3.6, 9);
  });
});
