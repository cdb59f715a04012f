import { range as r, type Told, type Typical } from '../../../engine/typical';

export type Span = [number, number];

/** A block with its mass; what it is fitted with comes with its kind. */
export const block = (
  kind: string,
  id: string,
  name: string,
  words: string,
  [w, h, d, mass]: readonly [Span, Span, Span, Span],
  whys: readonly [string, string],
  more: Readonly<Record<string, Told>> = {},
): Typical => ({
  id: `${kind}-${id}`,
  kind,
  name,
  words,
  fields: {
    width: r(...w, whys[0]),
    height: r(...h, whys[0]),
    depth: r(...d, whys[0]),
    mass: r(...mass, whys[1]),
    ...more,
  },
});
