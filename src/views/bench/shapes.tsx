'use client';

import type { PlacedShape } from '@/core/build/layout';

const FILL: Record<PlacedShape['role'], string> = {
  body: 'var(--metal)',
  cavity: 'var(--paper)',
  chip: 'var(--accent)',
  stack: 'var(--glass)',
  link: 'var(--metal-2)',
  'link-glass': 'var(--glass)',
  lens: 'var(--metal)',
  rear: 'var(--glass)',
  bore: 'none',
};

export function ShapeGroup({
  shapes,
  pathOf,
  lit,
}: {
  shapes: readonly PlacedShape[];
  pathOf: (s: PlacedShape) => string;
  lit: boolean;
}) {
  return (
    <>
      {shapes.map((s, i) => (
        <path
          key={i}
          d={pathOf(s)}
          fill={FILL[s.role]}
          fillOpacity={s.assumed && s.role !== 'cavity' ? 0.45 : 1}
          stroke={lit ? 'var(--ink)' : 'var(--soft)'}
          strokeWidth={s.role === 'bore' ? 0.8 : lit ? 2 : 1.2}
          strokeDasharray={s.assumed || s.role === 'bore' ? '5 4' : undefined}
        >
          <title>{s.assumed ? `${s.name} (a size is not known)` : s.name}</title>
        </path>
      ))}
    </>
  );
}
