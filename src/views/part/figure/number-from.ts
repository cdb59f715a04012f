import type { NumberField } from '@/core/engine/field';

/** A bare number as it is typed, or what is wrong with it; decimal comma or point. */
export function numberFrom(
  field: NumberField,
  text: string,
): { value: number } | { sentence: string } {
  const n = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(n) || n < field.min || n > field.max)
    return { sentence: `${field.label} has to be a number from ${field.min} to ${field.max}.` };
  return field.integer && !Number.isInteger(n)
    ? { sentence: `${field.label} has to be a whole number.` }
    : { value: n };
}
