import type { PlacedView } from '@/core/figure/layout';

/** Rows that are on the drawing, each once. */
export function gripsOf(views: readonly PlacedView[]) {
  const all = views.flatMap((v) => v.grips);
  return all.filter((g, i) => all.findIndex((x) => x.key === g.key) === i);
}

/** Rings, stages, holes: pressed, their own numbers are drawn. */
export function Grips({
  views,
  open,
  onOpen,
}: {
  views: readonly PlacedView[];
  open: string | null;
  onOpen: (key: string | null) => void;
}) {
  const grips = gripsOf(views);
  if (grips.length === 0) return null;
  return (
    <div role="group" aria-label="On the drawing" className="mt-1 flex flex-wrap gap-1">
      {grips.map((g, i) => (
        <button
          key={g.key}
          type="button"
          aria-pressed={open === g.key}
          onClick={() => onOpen(open === g.key ? null : g.key)}
          className="min-h-11 rounded-sm border border-rule px-2 text-sm hover:bg-sunk aria-pressed:border-accent aria-pressed:text-accent"
        >
          {i + 1} {g.name}
        </button>
      ))}
    </div>
  );
}
