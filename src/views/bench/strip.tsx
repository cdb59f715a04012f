'use client';

import { useMemo } from 'react';
import { frontLayout } from '@/core/areas/front/place/layout';
import { layout } from '@/core/build/layout';
import { useSize } from '@/ui/use-size';
import type { Bench } from './bench';
import { Pins, pinsOf } from './pins';
import { ShapeGroup } from './shapes';

const HEIGHT = 76;
const PAD = 16;
/** Height of the flags over the outlines. */
const FLAGS = 20;
/** Middle of the outlines, and how far they reach from it, px. */
const AXIS = 58;
const HALF = 15;

/**
 * The line as a thin strip: stations to scale, heights pressed together, with what is wrong pinned
 * where it is. It stands wherever the rig is the subject and is not drawn large.
 */
export function Strip({ bench, onPick }: { bench: Bench; onPick: () => void }) {
  const { facts, litParts, lit, setPicked } = bench;
  const { built } = facts;
  const { ref, w } = useSize({ w: 1100, h: HEIGHT }, { w: 280, h: HEIGHT });
  const l = useMemo(() => layout(built), [built]);
  const front = useMemo(() => (built.lens ? frontLayout(built, l.to) : null), [built, l]);
  const to = Math.max(l.to, front?.to ?? 0) + 10;
  const k = (w - 2 * PAD) / Math.max(1, to - l.from);
  const X = (z: number) => PAD + (z - l.from) * k;
  const shapes = l.shapes.filter((s) => s.role !== 'cavity' && s.role !== 'bore');
  const reach = Math.max(
    20,
    ...shapes.filter((s) => s.role !== 'body').flatMap((s) => s.profile.map((p) => p[1])),
  );
  const Y = (r: number) => AXIS - (Math.max(-reach, Math.min(reach, r)) / reach) * HALF;
  const pathOf = (s: (typeof shapes)[number]) => {
    const up = s.profile.map(([z, r]) => `${X(z)} ${Y(r)}`);
    const down = [...s.profile].reverse().map(([z, r]) => `${X(z)} ${Y(-r)}`);
    return `M${[...up, ...down].join('L')}Z`;
  };
  const isLit = (id: string | undefined) => id !== undefined && litParts.includes(id);
  const block = (id: string, from: number, end: number, r: number, name: string) => (
    <Block key={id} x={X(from)} to={X(end)} y={Y(r)} low={Y(-r)} lit={isLit(id)} name={name} />
  );
  return (
    <section
      aria-label="The line, thin"
      ref={ref}
      className="shrink-0 overflow-hidden border-b border-rule bg-paper"
    >
      <svg width={w} height={HEIGHT} viewBox={`0 0 ${w} ${HEIGHT}`} className="block">
        <path
          d={`M0 ${AXIS}H${w}`}
          stroke="var(--tight)"
          strokeWidth="1"
          strokeDasharray="14 4 3 4"
        />
        {shapes.map((s, i) => (
          <ShapeGroup key={i} shapes={[s]} pathOf={pathOf} lit={isLit(s.part)} />
        ))}
        {front?.pieces.map((p, i) => block(`${p.part}-${i}`, p.from, p.to, p.r, p.name))}
        {front?.box
          ? block(front.box.part, front.box.from, front.box.to, front.box.half, front.box.name)
          : null}
        <path d={`M${X(0)} ${AXIS - HALF - 3}V${HEIGHT}`} stroke="var(--accent)" strokeWidth="1.5">
          <title>image plane</title>
        </path>
        <Pins
          pins={pinsOf(facts, X, w, 26)}
          y={FLAGS}
          axisTop={AXIS}
          lit={lit}
          onPick={(key) => {
            setPicked(key);
            onPick();
          }}
          hit={HEIGHT}
        />
      </svg>
    </section>
  );
}

interface BlockProps {
  x: number;
  to: number;
  y: number;
  low: number;
  lit: boolean;
  name: string;
}

/** A piece ahead of the lens as a plain block. */
function Block({ x, to, y, low, lit, name }: BlockProps) {
  return (
    <rect
      x={x}
      y={y}
      width={Math.max(1.5, to - x)}
      height={low - y}
      fill="var(--metal-2)"
      stroke={lit ? 'var(--ink)' : 'var(--soft)'}
      strokeWidth={lit ? 2 : 1.2}
    >
      <title>{name}</title>
    </rect>
  );
}
