import { act, renderHook } from '@testing-library/react';
import { useStill } from './use-still';
import { useUnhurried } from './use-unhurried';

/** What follows the hand, and what stands still under it. */

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('a value follows at once, in a hurry every so often, and has caught up when that ends', () => {
  const seen = renderHook(
    ({ value, hurried }: { value: number; hurried: boolean }) => useUnhurried(value, hurried, 100),
    { initialProps: { value: 1, hurried: false } },
  );
  seen.rerender({ value: 2, hurried: false });
  expect(seen.result.current).toBe(2);
  const shown = new Set<number>();
  for (let i = 0; i < 50; i++) {
    seen.rerender({ value: 100 + i, hurried: true });
    act(() => void jest.advanceTimersByTime(16));
    shown.add(seen.result.current);
  }
  // 50 moves in 0.8 s: it followed, and not with every one of them.
  expect(shown.size).toBeGreaterThanOrEqual(4);
  expect(shown.size).toBeLessThanOrEqual(12);
  seen.rerender({ value: 7, hurried: false });
  expect(seen.result.current).toBe(7);
});

test('what is held stands as it was before, and goes on when it is let go', () => {
  const seen = renderHook(
    ({ value, held }: { value: string; held: boolean }) => useStill(value, held),
    { initialProps: { value: 'a', held: false } },
  );
  seen.rerender({ value: 'b', held: false });
  seen.rerender({ value: 'c', held: true });
  expect(seen.result.current).toBe('b');
  seen.rerender({ value: 'd', held: true });
  expect(seen.result.current).toBe('b');
  seen.rerender({ value: 'd', held: false });
  expect(seen.result.current).toBe('d');
});
