import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Option } from './option';
import { Picker, preloadPicker } from './picker';
import { preloadPop } from './pop';

// What cmdk asks of a browser and jsdom does not have.
beforeAll(async () => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  Element.prototype.scrollIntoView = () => undefined;
  await preloadPop();
  await preloadPicker();
});
afterEach(cleanup);

const pick = jest.fn();
const all: Option[] = [
  { id: 'a', name: 'Marl 24', hint: '24 mm', state: 'fail', chosen: true, pick: () => pick('a') },
  { id: 'b', name: 'Marl 35', hint: '35 mm', state: 'ok', group: 'closes', pick: () => pick('b') },
];

function show() {
  const options = jest.fn((q: string) => all.filter((o) => o.name.includes(q)));
  render(
    <Picker
      label="Lens"
      placeholder="name"
      options={options}
      trigger={<button type="button">lens</button>}
      footer={<p>below</p>}
    />,
  );
  return options;
}

describe('a place that takes one of several things', () => {
  test('nothing is worked out before it is pressed', () => {
    const options = show();
    expect(options).not.toHaveBeenCalled();
    expect(screen.getByRole('button').getAttribute('aria-expanded')).toBe('false');
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  test('shows each choice with the state it would lead to, and what is on now', () => {
    show();
    fireEvent.click(screen.getByRole('button', { name: 'lens' }));
    expect(screen.getByRole('dialog', { name: 'Lens' })).toBeDefined();
    const options = screen.getAllByRole('option').map((o) => o.textContent);
    expect(options).toEqual(['Marl 2424 mmon the rigfails', 'Marl 3535 mmok']);
    expect(screen.getByText('closes')).toBeDefined();
    expect(screen.getByText('below')).toBeDefined();
    expect(screen.getByRole('combobox')).toBe(document.activeElement);
  });

  test('typing searches, Enter picks and closes', async () => {
    show();
    fireEvent.click(screen.getByRole('button', { name: 'lens' }));
    fireEvent.change(screen.getByRole('combobox'), { target: { value: '35' } });
    expect(screen.getAllByRole('option')).toHaveLength(1);
    fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Enter' });
    expect(pick).toHaveBeenLastCalledWith('b');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  test('nothing by that name says so; Escape closes and picks nothing', async () => {
    pick.mockClear();
    show();
    fireEvent.click(screen.getByRole('button', { name: 'lens' }));
    fireEvent.change(screen.getByRole('combobox'), { target: { value: 'zzz' } });
    expect(screen.getByText('Nothing by that name.')).toBeDefined();
    fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Escape' });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(pick).not.toHaveBeenCalled();
  });
});
