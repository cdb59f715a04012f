'use client';

import type { RefObject } from 'react';
import type { DrawnBox, DrawnFlag, FrontLayout } from '@/core/areas/front/place/layout';
import { frontOf } from '@/core/areas/front/place/front';
import { beyond, flagSight } from '@/core/areas/front/model/flags';
import { exact, plain, sayLength } from '@/core/quantity/say';
import type { Edit } from '@/core/edit/edit';
import { setFlag, setStation } from '@/core/areas/front/moves/box';
import type { Scale } from './front-drawing';
import { Handle } from '../../bench/handle';
import type { RigFacts } from '../../bench/use-rig';

/** Angles this near to where the frame begins snap to it, degrees. */
const SNAP = 2;

interface FrontHandlesProps {
  facts: RigFacts;
  box: DrawnBox;
  front: FrontLayout;
  scale: Scale;
  /** Bounds of the drawing, px: handles stay inside. */
  top: number;
  bottom: number;
  flipped: boolean;
  movingRef: RefObject<{ from: number; edit: Edit | null } | null>;
  onDraft: (edit: Edit | null) => void;
  onDrop: (edit: Edit | null) => void;
}

/** What can be taken hold of at the front: the box along its rods, each flag by its tip. */
export function FrontHandles({
  facts,
  box,
  front,
  scale,
  top,
  bottom,
  flipped,
  movingRef,
  onDraft,
  onDrop,
}: FrontHandlesProps) {
  const { X, Y, k } = scale;
  const { rig, built } = facts;
  const inside = (y: number) => Math.min(bottom - 10, Math.max(top + 10, y));
  const draft = (from: number, edit: Edit) => {
    movingRef.current = { from, edit };
    onDraft(edit);
  };
  const drop = () => {
    const edit = movingRef.current?.edit ?? null;
    movingRef.current = null;
    onDrop(edit);
  };
  // As close as the longest lens and what is on its thread let it.
  const closest = Math.ceil(
    front.longest + (front.free.from - front.rim) + built.rules['front.travel-air'],
  );
  const station = (to: number): Edit => {
    const at = Math.max(closest, Math.min(closest + 300, Math.round(to)));
    return setStation(rig, at === closest ? undefined : at, box.name);
  };
  /** The tip of a flag, or where the flag leaves the drawing. */
  const along = (f: DrawnFlag) => {
    const [x0, y0] = [X(f.hinge[0]), Y(f.hinge[1])];
    const [x1, y1] = [X(f.tip[0]), Y(f.tip[1])];
    const y = inside(y1);
    const t = Math.abs(y1 - y0) < 1 ? 1 : Math.min(1, Math.max(0.2, (y - y0) / (y1 - y0)));
    return { x: x0 + (x1 - x0) * t, y: y0 + (y1 - y0) * t };
  };
  return (
    <>
      {box.rods ? (
        <Handle
          x={(X(box.from) + X(box.to)) / 2}
          y={inside(Math.max(Y(box.middle - box.half), Y(box.middle + box.half)) + 2)}
          label={`${box.name} along its rods`}
          value={Math.round(box.from)}
          text={`${sayLength(box.from, 0)} from the image plane`}
          min={closest}
          max={closest + 300}
          onMove={(dx) => {
            const from = movingRef.current?.from ?? box.from;
            draft(from, station(from + (dx / k) * (flipped ? -1 : 1)));
          }}
          onStep={(by) => onDrop({ ...station(box.from + by), group: `station ${rig.id}` })}
          onDrop={drop}
        />
      ) : null}
      {box.flags.map((f) => (
        <FlagHandle
          key={f.id}
          facts={facts}
          flag={f}
          {...along(f)}
          onMove={(dx, dy) => {
            const from = movingRef.current?.from ?? f.angle;
            const a = (from * Math.PI) / 180;
            const sign = upwards(f) ? 1 : -1;
            const ahead = f.length * Math.cos(a) + (dx / k) * (flipped ? -1 : 1);
            const up = f.length * Math.sin(a) - (sign * dy) / k;
            const to = (Math.atan2(up, ahead) * 180) / Math.PI;
            draft(from, snapped(facts, f, to));
          }}
          onStep={(by) => {
            const leaf = leafOf(facts, f);
            if (leaf)
              onDrop({
                ...setFlag(rig, leaf, Math.max(f.from, Math.min(f.to, Math.round(f.angle) + by))),
                group: `flag ${rig.id} ${f.id}`,
              });
          }}
          onDrop={drop}
        />
      ))}
    </>
  );
}

/** Whether a flag stands above the axis on the screen; from above camera left does. */
function upwards(f: DrawnFlag): boolean {
  return f.side === 'top' || f.side === 'left';
}

function leafOf(facts: RigFacts, f: DrawnFlag) {
  return frontOf(facts.built).box?.flags.find((x) => x.leaf.id === f.id)?.leaf ?? null;
}

/** The angle a flag is let go at: whole degrees, or just clear of the frame when it is near. */
function snapped(facts: RigFacts, f: DrawnFlag, to: number): Edit {
  const leaf = leafOf(facts, f)!;
  const lowest = flagSight(facts.built, f.id)?.lowest ?? null;
  const clear = lowest === null ? null : Math.ceil(lowest * 2) / 2;
  const angle = clear !== null && Math.abs(to - clear) < SNAP ? clear : Math.round(to);
  return setFlag(facts.rig, leaf, Math.max(f.from, Math.min(f.to, angle)));
}

function FlagHandle({
  facts,
  flag,
  x,
  y,
  ...moves
}: {
  facts: RigFacts;
  flag: DrawnFlag;
  x: number;
  y: number;
  onMove: (dx: number, dy: number) => void;
  onStep: (by: number) => void;
  onDrop: () => void;
}) {
  const sight = flagSight(facts.built, flag.id);
  const shades = sight?.shades ?? null;
  const says = [
    `${plain(flag.angle, 1)}\u00b0`,
    shades === null ? '' : `shades ${beyond(flag.side)} ${exact(shades, 0)}\u00b0`,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <>
      <Handle
        x={x}
        y={y}
        label={flag.name}
        value={Math.round(flag.angle)}
        text={`${says}${sight?.lowest !== null && sight?.lowest !== undefined ? `; touches the frame at ${exact(sight.lowest, 0)} degrees` : ''}`}
        min={flag.from}
        max={flag.to}
        {...moves}
      />
      <text
        x={x + 16}
        y={y + (upwards(flag) ? 0 : 10)}
        fontSize="13"
        fill="var(--soft)"
        stroke="var(--paper)"
        strokeWidth="3"
        paintOrder="stroke"
        className="pointer-events-none"
      >
        {says}
      </text>
    </>
  );
}
