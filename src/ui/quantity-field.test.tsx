import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import type { QuantityInput } from '@/core/quantity/quantity';
import { typedText } from '@/core/quantity/typed';
import { QuantityField } from './quantity-field';

afterEach(cleanup);

function Field({ start, kept }: { start?: QuantityInput; kept: jest.Mock }) {
  const [value, setValue] = useState(start);
  return (
    <QuantityField
      label="image circle"
      hint="projected"
      unit="mm"
      cls="circle"
      min={1}
      max={500}
      value={value}
      defaultSource="measured"
      onKeep={(v) => {
        kept(v);
        setValue(v);
      }}
    />
  );
}

const box = () => screen.getByLabelText('image circle');
const type = (text: string, key = 'Enter') => {
  fireEvent.change(box(), { target: { value: text } });
  fireEvent.keyDown(box(), { key });
};

describe('the field of a quantity', () => {
  test('keeps value, tolerance and source of what was typed', () => {
    const kept = jest.fn();
    render(<Field kept={kept} />);
    expect(box()).toHaveProperty('placeholder', 'not known');
    type('43.3+-0.2');
    expect(kept).toHaveBeenLastCalledWith({ value: 43.3, tol: 0.2, from: 'measured' });
    expect((box() as HTMLInputElement).value).toBe('43.3 \u00b10.2');
    type('1 3/4" sheet');
    expect(kept).toHaveBeenLastCalledWith({ value: 44.45, from: 'sheet' });
  });

  test('says what is wrong and keeps nothing', () => {
    const kept = jest.fn();
    render(<Field start={43} kept={kept} />);
    type('wide');
    expect(screen.getByRole('alert').textContent).toContain('"wide" is not a length');
    type('900');
    expect(screen.getByRole('alert').textContent).toContain('from 1 to 500 mm');
    expect(box().getAttribute('aria-invalid')).toBe('true');
    expect(kept).not.toHaveBeenCalled();
  });

  test('Escape puts back what was, emptying takes the number away', () => {
    const kept = jest.fn();
    render(<Field start={43} kept={kept} />);
    type('44', 'Escape');
    expect((box() as HTMLInputElement).value).toBe('43');
    type('');
    expect(kept).toHaveBeenLastCalledWith(undefined);
  });

  test('leaving the field keeps, typing the same again does not', () => {
    const kept = jest.fn();
    render(<Field start={43} kept={kept} />);
    fireEvent.change(box(), { target: { value: '43' } });
    fireEvent.blur(box());
    expect(kept).not.toHaveBeenCalled();
    fireEvent.change(box(), { target: { value: '44,5' } });
    fireEvent.blur(box());
    expect(kept).toHaveBeenLastCalledWith({ value: 44.5, from: 'measured' });
  });

  test('the source can be changed by itself', () => {
    const kept = jest.fn();
    render(<Field start={{ value: 43, tol: 0.3 }} kept={kept} />);
    fireEvent.change(screen.getByLabelText('where image circle is from'), {
      target: { value: 'guess' },
    });
    expect(kept).toHaveBeenLastCalledWith({ value: 43, tol: 0.3, from: 'guess' });
  });

  test('what is written back can be read', () => {
    expect(typedText(undefined, 'length', 'mm')).toBe('');
    expect(typedText(30.9, 'circle', 'mm')).toBe('30.9');
    expect(typedText({ value: -0.02, tol: 0.005 }, 'flange', 'mm')).toBe('-0.02 \u00b10.005');
  });
});
