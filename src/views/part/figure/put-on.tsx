import { Plus } from 'lucide-react';
import { FACES } from '@/core/engine/field';
import type { Figure } from '@/core/engine/figure';
import { blockOn, pressedOn, type Pressed } from '@/core/areas/joints/kit/figure-fixtures';
import { isSocket } from '@/core/areas/joints/moves/put-interface';
import { INTERFACE_TYPES } from '@/core/areas/joints/kit/interfaces';
import type { Layout, PlacedView } from '@/core/figure/layout';
import { Button } from '@/ui/button';
import { LabelledSelect } from '@/ui/labelled-select';

/** What is about to be put on a drawing. */
export interface Putting {
  type: string;
  side: 'host' | 'guest' | 'either';
}

/** Up to here from an edge of the drawing a thumb means the face behind it, px. */
const EDGE = 14;

/** As the list beside the drawing has them. */
const SIDES: readonly { id: Putting['side']; name: string }[] = [
  { id: 'host', name: 'holds: hole, rail, shoe' },
  { id: 'guest', name: 'is held: screw, clamp, foot' },
  { id: 'either', name: 'either' },
];

/** Chooses what is put on the drawing, then where: on the drawing, or a whole face for the keyboard. */
export function PutBar({
  putting,
  sockets,
  onChange,
  onPut,
}: {
  putting: Putting | null;
  /** What of the part a lead goes into or comes out of. */
  sockets: readonly { id: string; name: string }[];
  onChange: (next: Putting | null) => void;
  onPut: (at: Pressed) => void;
}) {
  if (!putting)
    return (
      <Button className="mt-1" onClick={() => onChange({ type: 'unc-1-4', side: 'host' })}>
        <Plus size={18} aria-hidden="true" /> Put a hole, shoe
        {sockets.length > 0 ? ', rail or socket' : ' or rail'} on it
      </Button>
    );
  return (
    <div
      role="group"
      aria-label="Put on the drawing"
      className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 border-l-2 border-accent pl-2 text-sm"
    >
      <LabelledSelect
        focused
        label="standard or class"
        value={putting.type}
        options={[...INTERFACE_TYPES, ...sockets]}
        onPick={(type) => onChange({ ...putting, type })}
      />
      {isSocket(putting.type) ? null : (
        <LabelledSelect
          label="it"
          value={putting.side}
          options={SIDES}
          onPick={(side) => onChange({ ...putting, side: side as Putting['side'] })}
        />
      )}
      <p className="w-full">
        Press where it sits: on a face, or at an edge for the face behind it. Or take the middle of
        a face:
      </p>
      <span className="flex flex-wrap gap-1">
        {FACES.map(([face, name]) => (
          <Button key={face} onClick={() => onPut({ face, ...middle(face) })}>
            {name}
          </Button>
        ))}
        <Button onClick={() => onChange(null)}>Leave it</Button>
      </span>
    </div>
  );
}

/** The middle of a face, as far as it goes. */
function middle(face: Pressed['face']): Omit<Pressed, 'face'> {
  return {
    x: face === 'left' || face === 'right' ? null : 0,
    y: face === 'top' || face === 'bottom' ? null : 0,
    z: face === 'front' || face === 'rear' ? null : 0,
  };
}

/** Lies over the drawing while something is put on it: a press says where. */
export function PutOver({
  figure,
  layout,
  onPut,
}: {
  figure: Figure;
  layout: Layout;
  onPut: (at: Pressed) => void;
}) {
  const { block } = figure;
  if (!block) return null;
  const { scale } = layout;
  const press = (e: React.PointerEvent<HTMLDivElement>) => {
    const from = e.currentTarget.getBoundingClientRect();
    const [x, y] = [e.clientX - from.left, e.clientY - from.top];
    const at = ({ origin }: PlacedView) =>
      [(x - origin[0]) / scale, (origin[1] - y) / scale] as const;
    // The drawing it is on, or nearest to: they do not lie on each other.
    const off = (v: PlacedView) => {
      const b = blockOn(block, v.id);
      const [p, q] = at(v);
      return Math.hypot(Math.max(b.u0 - p, p - b.u1, 0), Math.max(b.v0 - q, q - b.v1, 0));
    };
    const view = layout.views.reduce((a, b) => (off(b) < off(a) ? b : a));
    const own = figure.views.find((v) => v.id === view.id)!;
    const sure = own.shapes.every((s) => s.stroke !== 'part' || !s.assumed);
    const p = at(view);
    onPut(pressedOn(block, view.id, p, EDGE / scale, sure));
  };
  return (
    <div
      aria-hidden="true"
      onPointerDown={press}
      className="absolute inset-0 cursor-crosshair bg-accent/5"
    />
  );
}
