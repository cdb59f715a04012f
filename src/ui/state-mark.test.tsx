import { cleanup, render, screen } from '@testing-library/react';
import { STATES } from '@/core/checks/finding';
import { StateMark, STATE_WORD } from './state-mark';

afterEach(cleanup);

test('every state has a word and a shape of its own, not colour alone', () => {
  const shapes = STATES.map((state) => {
    const { container, unmount } = render(<StateMark state={state} />);
    expect(screen.getByText(STATE_WORD[state])).toBeDefined();
    const shape = container.querySelector('svg')!.innerHTML;
    unmount();
    return shape;
  });
  expect(new Set(shapes).size).toBe(STATES.length);
});
