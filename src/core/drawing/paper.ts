import type { Built } from '../build/build';
import type { View } from './project';
import { toSvg, type Pen } from './svg';

/** Scales that drawings on paper have: 1 : n. */
export const SCALES = [1, 2, 2.5, 4, 5, 8, 10, 20] as const;

/** Text, strokes and the room around a view on paper, mm. */
const PEN = { text: 2.6, line: 0.25, thin: 0.12, margin: 10, gap: 10, step: 4.5 };

/** A view on a sheet of its own. */
export interface PaperView {
  view: View;
  svg: string;
  /** Size on paper, mm; `across` where the sheet lies on its long side. */
  w: number;
  h: number;
  across: boolean;
}

export interface PaperViews {
  /** 1 : scale, the same for all of them. */
  scale: number;
  views: readonly PaperView[];
}

interface Room {
  w: number;
  h: number;
}

const VIEWS: readonly View[] = ['side', 'top', 'front'];

/**
 * The three views on paper, each on its own sheet the way round that suits it: to one scale, the
 * largest at which all of them fit, with text and strokes of the size they have on any sheet.
 *
 * @param upright, @param across what a sheet leaves to draw on, mm
 */
export function onPaper(built: Built, upright: Room, across: Room): PaperViews {
  const fits = (v: Room, room: Room) => v.w <= room.w && v.h <= room.h;
  for (const scale of SCALES) {
    const views = VIEWS.map((view) => drawn(built, view, scale));
    const last = scale === SCALES[SCALES.length - 1];
    if (!last && !views.every((v) => fits(v, upright) || fits(v, across))) continue;
    const lies = (v: Room) => fits(v, across) && (v.w > v.h || !fits(v, upright));
    return { scale, views: views.map((v) => ({ ...v, across: lies(v) })) };
  }
  return { scale: NaN, views: [] };
}

function drawn(built: Built, view: View, scale: number): Omit<PaperView, 'across'> {
  const of = (mm: number) => mm * scale;
  const pen: Pen = {
    scale,
    text: of(PEN.text),
    line: of(PEN.line),
    thin: of(PEN.thin),
    margin: of(PEN.margin),
    gap: of(PEN.gap),
    step: of(PEN.step),
    hatch: true,
  };
  const svg = toSvg(built, pen, view);
  const [, w = '0', h = '0'] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg) ?? [];
  return { view, svg: svg.replace(/<\?xml[^>]*\?>\s*/, ''), w: Number(w), h: Number(h) };
}
