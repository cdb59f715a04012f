/**
 * What a file looks like, said once. The Joi schemas that validate and the JSON Schema that is
 * published are both made from these shapes, so they cannot drift apart.
 */
export type Shape =
  | { is: 'object'; fields: Record<string, Shape>; required: string[] }
  | { is: 'list'; of: Shape; max: number; min?: number }
  | { is: 'map'; of: Shape }
  | { is: 'number'; min: number; max: number; integer?: boolean; unit: string }
  | { is: 'quantity'; min: number; max: number; unit: string }
  | { is: 'text'; min: number; max: number }
  | { is: 'id' }
  | { is: 'choice'; values: readonly (string | number)[] }
  | { is: 'flag' }
  | { is: 'nullable'; of: Shape }
  | { is: 'anything' }
  | { is: 'part' };

export const ID_PATTERN = /^[A-Za-z0-9][A-Za-z0-9._:-]{0,79}$/;
export const MOST_PARTS = 20_000;

export const id: Shape = { is: 'id' };
export const text = (max: number, min = 0): Shape => ({ is: 'text', min, max });
export const object = (fields: Record<string, Shape>, required: string[] = []): Shape => ({
  is: 'object',
  fields,
  required,
});
export const list = (of: Shape, max: number): Shape => ({ is: 'list', of, max });
export const number = (min: number, max: number, unit = '', integer = false): Shape => ({
  is: 'number',
  min,
  max,
  unit,
  integer,
});
