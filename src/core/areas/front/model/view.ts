import type { Built } from '../../../build/build';
import { frontOf } from '../place/front';
import { BLACK } from '../../../pupil/map';
import { say } from '../../../quantity/say';
import { chipShading, softLosses, type ChipShading, type Layer } from './chip-shading';
import { judgedFrames, type Judged } from './judged';
import { lookAt, looks, nominal, type Look } from './looks';
import { situation, situations, type Setting, type Situation } from './situations';

/** What one corner of the frame that is looked at loses. */
export interface CornerReading {
  /** On the chip, mm from its centre. */
  x: number;
  y: number;
  mechanical: number;
  natural: number;
  /** Null when a reducer says nothing of its own shading. */
  reducer: number | null;
  hard: boolean;
  /** As a person says it; null when nothing takes anything. */
  culprit: string | null;
}

/** The shading as the plate and the line show it: one setting of the lens, one frame. */
export interface ShadingView {
  situation: Situation;
  look: Look;
  judged: Judged;
  /** The worst case over every setting, not one that was chosen. */
  worst: boolean;
  corners: CornerReading[];
}

/**
 * The setting and frame to show.
 *
 * @param setting chosen by hand; null shows the worst case
 * @param frame frame to read the corners of; null takes the one that loses most
 * @returns null without lens, body or mode, or when a number that shading needs is missing
 */
export function shadingView(
  built: Built,
  setting: Setting | null,
  frame: string | null,
): ShadingView | null {
  const all = judgedFrames(built);
  const wanted = frame === null ? null : (all.find((j) => j.id === frame) ?? null);
  const chosen = setting ? situation(built, setting) : null;
  const x = chosen ? nominal(chosen) : null;
  let look: Look | null = null;
  let judged: Judged | null = null;
  if (chosen && x) {
    for (const j of wanted ? [wanted] : all) {
      const own = lookAt(chosen, j, x);
      // A delivery frame before the chip when both lose the same.
      if (!look || own.loss > look.loss + 1e-9) [look, judged] = [own, j];
    }
  } else if (setting === null) {
    if (wanted) [look, judged] = [looks(built, wanted)[0] ?? null, wanted];
    else
      for (const j of all) {
        const own = looks(built, j)[0];
        if (own && (!look || own.loss > look.loss + 1e-9)) [look, judged] = [own, j];
      }
  }
  if (!look || !judged) return null;
  const view: ShadingView = {
    situation: look.situation,
    look,
    judged,
    worst: setting === null,
    corners: cornersOf(built, look, judged),
  };
  return view;
}

function cornersOf(built: Built, look: Look, judged: Judged): CornerReading[] {
  const front = frontOf(built);
  const r = judged.rectangle(look.situation.mode(look.x));
  const losses = softLosses(built, look.situation, look.x);
  return look.corners.map((c, i) => {
    const x = r.x + (i % 2 === 0 ? -1 : 1) * (r.w / 2);
    const y = r.y + (i < 2 ? 1 : -1) * (r.h / 2);
    const soft = losses(x, y);
    return {
      x,
      y,
      mechanical: c.loss,
      natural: soft.natural,
      reducer: soft.reducer,
      hard: c.hard,
      culprit: c.culprit === null ? null : front.edges[c.culprit]!.label,
    };
  });
}

/** Size of the map on the plate. */
export const MAP = { nx: 96, ny: 54 };

export function mapOf(built: Built, sit: Situation): ChipShading | null {
  return chipShading(built, sit, MAP.nx, MAP.ny);
}

/** Sum of the layers that are switched on, stops, point by point. */
export function layered(map: ChipShading, layers: ReadonlySet<Layer>): Float64Array {
  const sum = new Float64Array(map.nx * map.ny);
  for (let k = 0; k < sum.length; k++)
    sum[k] =
      (layers.has('mechanical') ? map.mechanical[k]! : 0) +
      (layers.has('natural') ? map.natural[k]! : 0) +
      (layers.has('reducer') ? (map.reducer?.[k] ?? 0) : 0);
  return sum;
}

/**
 * What one point of a map loses and by what, in words.
 *
 * @param x, y shares of the chip from its lower left corner
 */
export function pointText(built: Built, map: ChipShading, x: number, y: number): string {
  const k = Math.round(y * (map.ny - 1)) * map.nx + Math.round(x * (map.nx - 1));
  const front = map.mechanical[k]!;
  const culprit = map.culprit[k]!;
  const by = culprit < 0 ? '' : `: ${frontOf(built).edges[culprit]?.label ?? ''}`;
  const lost =
    front >= BLACK ? 'black' : front < 0.005 ? 'nothing lost in front' : say(front, 'stops');
  const natural = map.natural[k]!;
  return `${lost}${map.hard[k] && front < BLACK ? ', hard cut' : ''}${by}; lens ${say(natural, 'stops')}`;
}

/** Lines of equal loss that the plate shows, stops. */
export const CONTOURS: readonly { stops: number; label: string }[] = [
  { stops: 1 / 3, label: '1/3' },
  { stops: 2 / 3, label: '2/3' },
  { stops: 1, label: '1' },
  { stops: 2, label: '2' },
];

/** What keeps the shading from being known, as labels; empty when nothing does. */
export function lackingForShading(built: Built): string[] {
  const labels = new Set<string>();
  for (const s of situations(built)) for (const g of s.inputs) if (!g.known) labels.add(g.label);
  return [...labels];
}
