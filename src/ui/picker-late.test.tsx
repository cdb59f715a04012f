import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { Option } from './option';
import { Picker } from './picker';
import { preloadPop } from './pop';

// What cmdk asks of a browser and jsdom does not have.
beforeAll(async () => {
  globalThis.ResizeObserver = class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
  Element.prototype.scrollIntoView = () => undefined;
  // The list itself is not fetched before it is asked for.
  await preloadPop();
});
afterEach(cleanup);

const all: Option[] = ['Marl 24', 'Marl 35'].map((name) => ({ id: name, name, pick: () => {} }));

test('what is typed before the list has come is what it begins with', async () => {
  render(
    <Picker
      label="Lens"
      placeholder="name"
      options={(q) => all.filter((o) => o.name.includes(q))}
      trigger={<button type="button">lens</button>}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'lens' }));
  const early = screen.getByRole('textbox', { name: 'Lens' });
  expect(early).toBe(document.activeElement);
  expect(screen.queryByRole('option')).toBeNull();
  fireEvent.change(early, { target: { value: 'Marl 3' } });
  const options = await screen.findAllByRole('option');
  expect(options.map((o) => o.textContent)).toEqual(['Marl 35']);
  const list = screen.getByRole('combobox');
  expect((list as HTMLInputElement).value).toBe('Marl 3');
  await waitFor(() => expect(list).toBe(document.activeElement));
});

test('closed and opened again it begins with nothing', async () => {
  render(
    <Picker
      label="Lens"
      placeholder="name"
      options={() => all}
      trigger={<button type="button">lens</button>}
    />,
  );
  const press = () => fireEvent.click(screen.getByRole('button', { name: 'lens' }));
  press();
  fireEvent.change(await screen.findByRole('combobox'), { target: { value: 'x' } });
  fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Escape' });
  await waitFor(() => expect(screen.queryByRole('combobox')).toBeNull());
  press();
  expect(((await screen.findByRole('combobox')) as HTMLInputElement).value).toBe('');
});
