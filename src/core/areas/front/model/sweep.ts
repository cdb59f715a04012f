import type { Built } from '../../../build/build';
import { focalRange, isZoom } from '../../../build/lens';
import { frontOf } from '../place/front';
import { judgedFrames } from './judged';
import { lookAt, nominal } from './looks';
import { fociOf, situation, type Setting } from './situations';

/** The worst corner of one frame at one setting of the lens. */
export interface SweepCell {
  setting: Setting;
  label: string;
  frame: string;
  loss: number;
  hard: boolean;
  /** What takes most, as a person says it; null when nothing takes anything. */
  culprit: string | null;
  /** Room to the nearest edge, mm; below 0 it is touched. */
  room: number;
}

export interface SweepPlan {
  focals: (number | null)[];
  foci: number[];
  stops: ('used' | 'mid' | 'deep')[];
  /** The T-stops meant, in the order of `stops`; null where no stop is known. */
  ts: (number | null)[];
}

/** Focal lengths looked at over a zoom. */
export const SWEEP_FOCALS = 12;

/**
 * The settings of a full sweep: focal lengths over the range of a zoom, evenly in their logarithm;
 * infinity and close focus; the stop worked at, a middle one and the deep one.
 */
export function sweepPlan(built: Built, focals = SWEEP_FOCALS): SweepPlan {
  const { lens } = built;
  const range = focalRange(lens);
  const zoom = isZoom(lens) && range !== null && range.to > range.from;
  const used = built.stop.known?.value ?? null;
  const deep = used === null ? null : Math.max(used, built.rules['front.deep-stop']);
  return {
    focals: zoom
      ? Array.from({ length: focals }, (_, i) =>
          i === 0
            ? range.from
            : i === focals - 1
              ? range.to
              : Math.round(range.from * (range.to / range.from) ** (i / (focals - 1)) * 10) / 10,
        )
      : [null],
    foci: lens ? fociOf(lens, range?.from ?? null).foci : [Infinity],
    stops: ['used', 'mid', 'deep'],
    ts: [used, used === null || deep === null ? null : Math.sqrt(used * deep), deep],
  };
}

/** Every frame at one setting; empty when a number is missing. */
export function sweepAt(built: Built, setting: Setting): SweepCell[] {
  const sit = situation(built, setting);
  const x = sit ? nominal(sit) : null;
  if (!sit || !x) return [];
  const front = frontOf(built);
  return judgedFrames(built).map((judged) => {
    const look = lookAt(sit, judged, x);
    const culprit = look.corners[look.worst]!.culprit;
    return {
      setting,
      label: sit.label,
      frame: judged.id,
      loss: look.loss,
      hard: look.hard,
      culprit: culprit === null ? null : front.edges[culprit]!.label,
      room: look.room,
    };
  });
}

/** The settings of a plan in the order in which they are shown: by stop, focus, focal length. */
export function* sweepSettings(plan: SweepPlan): Generator<Setting> {
  for (const [i, stop] of plan.stops.entries())
    for (const focus of plan.foci)
      for (const focal of plan.focals)
        yield { focal, focus, stop: stop === 'mid' ? (plan.ts[i] ?? 'used') : stop };
}
