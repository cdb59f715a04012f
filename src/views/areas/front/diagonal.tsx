'use client';

import { useMemo } from 'react';
import {
  CartesianGrid,
  Line as Curve,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { profile } from '@/core/areas/front/model/chip-shading';
import { exact, plain, say } from '@/core/quantity/say';
import type { RigFacts, Shading } from '../../bench/use-rig';

const POINTS = 61;
/** Losses beyond this run out of the chart: there it is black. */
const TOP = 3;

/** Loss along the diagonal of the chip: from the front, by the lens itself, together. */
export function Diagonal({ facts, shading }: { facts: RigFacts; shading: Shading }) {
  const { view } = shading;
  const points = useMemo(() => {
    const list = view ? profile(facts.built, view.situation, POINTS) : null;
    return (
      list?.map((p) => ({
        at: p.at,
        front: Math.min(TOP + 1, p.mechanical),
        lens: Math.min(TOP + 1, p.natural + (p.reducer ?? 0)),
        total: Math.min(TOP + 1, p.total),
      })) ?? []
    );
  }, [facts, view]);
  if (points.length === 0) return null;
  const worst = points.reduce((a, b) => (b.total > a.total ? b : a));
  const limit = facts.built.rules['front.vignette-fail'];
  const end = Math.round(points[points.length - 1]!.at);
  return (
    <figure>
      <figcaption className="text-sm text-soft">
        along the diagonal, lower left to upper right, mm; stops lost. {'\u2014'} total, - - lens
        {facts.built.reducers.length > 0 ? ' and reducer' : ''}, {'\u00b7\u00b7\u00b7'} front. Most:{' '}
        {say(worst.total, 'stops')} at {exact(worst.at, 1)} mm.
      </figcaption>
      <div className="h-28" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart
            accessibilityLayer={false}
            data={points}
            margin={{ top: 4, right: 8, bottom: 0, left: 0 }}
          >
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              ticks={[-end, -Math.round(end / 2), 0, Math.round(end / 2), end]}
              stroke="var(--soft)"
              fontSize={12}
              tickFormatter={(v: number) => plain(v, 0)}
            />
            <YAxis
              reversed
              domain={[0, TOP]}
              ticks={[0, 1, 2, 3]}
              allowDataOverflow
              width={22}
              stroke="var(--soft)"
              fontSize={12}
            />
            <ReferenceLine y={limit} stroke="var(--fail)" strokeDasharray="6 3" />
            <Curve
              dataKey="lens"
              stroke="var(--soft)"
              strokeDasharray="6 4"
              dot={false}
              isAnimationActive={false}
            />
            <Curve
              dataKey="front"
              stroke="var(--tight)"
              strokeDasharray="2 3"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            <Curve
              dataKey="total"
              stroke="var(--ink)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
