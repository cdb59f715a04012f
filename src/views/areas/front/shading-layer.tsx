'use client';

import { contours } from 'd3-contour';
import { useMemo } from 'react';
import type { ChipShading, Layer } from '@/core/areas/front/model/chip-shading';
import { CONTOURS, layered } from '@/core/areas/front/model/view';

/** Labels of two lines closer than this run into each other, cells of the map. */
const LABELS_APART = 7;
/** Loss that is drawn as full dark, stops. */
const DARKEST = 4;

interface ShadingLayerProps {
  map: ChipShading;
  layers: ReadonlySet<Layer>;
  /** Where the chip lies in the picture. */
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * The plate's shading: the map as a picture of the light that is left, lines of equal loss, and
 * what is cut hard hatched.
 */
export function ShadingLayer({ map, layers, x, y, width, height }: ShadingLayerProps) {
  const stops = useMemo(() => layered(map, layers), [map, layers]);
  const href = useMemo(() => pictureOf(stops, map.nx, map.ny), [stops, map]);
  const lines = useMemo(() => linesOf(stops, map.nx, map.ny), [stops, map]);
  const hard = useMemo(
    () =>
      layers.has('mechanical') && map.hard.some((h) => h === 1)
        ? outline(Array.from(map.hard), map.nx, map.ny, 0.5)
        : null,
    [map, layers],
  );
  // Points of the map lie on the edges of the chip: the grid is one cell wider than its lines.
  const place = `translate(${x} ${y}) scale(${width / (map.nx - 1)} ${height / (map.ny - 1)})`;
  return (
    <g className="pointer-events-none">
      {href ? (
        <image
          href={href}
          x={x - width / (map.nx - 1) / 2}
          y={y - height / (map.ny - 1) / 2}
          width={(width * map.nx) / (map.nx - 1)}
          height={(height * map.ny) / (map.ny - 1)}
          preserveAspectRatio="none"
        />
      ) : null}
      {hard ? <path d={hard} transform={place} fill="url(#hard)" /> : null}
      {lines.map((l) => (
        <g key={l.label}>
          <path
            d={l.path}
            transform={place}
            fill="none"
            stroke="var(--tight)"
            strokeWidth="1.4"
            vectorEffect="non-scaling-stroke"
          />
          {l.at ? (
            <Label
              u={x + Math.min(width - 12, Math.max(12, (l.at[0] * width) / (map.nx - 1)))}
              v={y + Math.min(height - 4, Math.max(12, (l.at[1] * height) / (map.ny - 1) + 4))}
            >
              {l.label}
            </Label>
          ) : null}
        </g>
      ))}
    </g>
  );
}

/** The light that is left, as a picture: dark where it is lost. */
function pictureOf(stops: Float64Array, nx: number, ny: number): string | null {
  if (typeof document === 'undefined' || !stops.some((s) => s > 0.005)) return null;
  const canvas = document.createElement('canvas');
  canvas.width = nx;
  canvas.height = ny;
  const ink = canvas.getContext('2d');
  if (!ink) return null;
  const image = ink.createImageData(nx, ny);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      // Row 0 of the map is the bottom of the picture.
      const s = stops[(ny - 1 - j) * nx + i]!;
      image.data[4 * (j * nx + i) + 3] = Math.round(215 * (1 - 2 ** -Math.min(s, DARKEST)) * 1.06);
    }
  ink.putImageData(image, 0, 0);
  return canvas.toDataURL();
}

interface ContourLine {
  label: string;
  path: string;
  /** Where its label stands, in cells. */
  at: readonly [number, number] | null;
}

function linesOf(stops: Float64Array, nx: number, ny: number): ContourLine[] {
  const upright = flipped(stops, nx, ny);
  const taken: (readonly [number, number])[] = [];
  return CONTOURS.flatMap(({ stops: level, label }) => {
    const path = outline(upright, nx, ny, level, true);
    if (!path) return [];
    // Where lines run close together the first label speaks for them.
    const near =
      path.at &&
      taken.some((t) => Math.hypot(t[0] - path.at![0], t[1] - path.at![1]) < LABELS_APART);
    if (path.at && !near) taken.push(path.at);
    return [{ label, path: path.d, at: near ? null : path.at }];
  });
}

function flipped(values: ArrayLike<number>, nx: number, ny: number): number[] {
  const out = new Array<number>(nx * ny);
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) out[j * nx + i] = values[(ny - 1 - j) * nx + i]!;
  return out;
}

function outline(values: number[], nx: number, ny: number, level: number): string | null;
function outline(
  values: number[],
  nx: number,
  ny: number,
  level: number,
  line: true,
): { d: string; at: readonly [number, number] | null } | null;
function outline(values: number[], nx: number, ny: number, level: number, line = false) {
  const upright = line ? values : flipped(values, nx, ny);
  const found = contours().size([nx, ny]).thresholds([level])(upright)[0];
  if (!found || found.coordinates.length === 0) return null;
  let d = '';
  let at: readonly [number, number] | null = null;
  let nearest = Infinity;
  for (const polygon of found.coordinates)
    for (const ring of polygon) {
      // A point of the package lies in the middle of a cell; the map's lie on the lines.
      const p = ring.map(([a, b]) => [a! - 0.5, b! - 0.5] as const);
      if (!line) {
        d += `M${p.map(([a, b]) => `${round(a)} ${round(b)}`).join('L')}Z`;
        continue;
      }
      // The edge of the chip is no line of equal loss: only what runs inside is drawn.
      let open = false;
      for (let i = 0; i + 1 < p.length; i++) {
        const [a, b] = [p[i]!, p[i + 1]!];
        if (onEdge(a, nx, ny) && onEdge(b, nx, ny)) {
          open = false;
          continue;
        }
        d += open
          ? `L${round(b[0])} ${round(b[1])}`
          : `M${round(a[0])} ${round(a[1])}L${round(b[0])} ${round(b[1])}`;
        open = true;
        // The label stands where the line is nearest to the diagonal, on the upper right.
        const off =
          Math.abs((b[0] - nx / 2) / nx + (b[1] - ny / 2) / ny) - (b[0] > nx / 2 ? 0.2 : 0);
        if (!onEdge(b, nx, ny) && off < nearest) {
          nearest = off;
          at = b;
        }
      }
    }
  if (d === '') return null;
  return line ? { d, at } : d;
}

function onEdge([a, b]: readonly [number, number], nx: number, ny: number): boolean {
  return a < 0.01 || b < 0.01 || a > nx - 1.01 || b > ny - 1.01;
}

function round(v: number): number {
  return Math.round(v * 100) / 100;
}

/** What a contour stands for. */
function Label({ u, v, children }: { u: number; v: number; children: string }) {
  return (
    <text
      x={u}
      y={v}
      textAnchor="middle"
      fontSize="12"
      fontWeight="600"
      fill="var(--tight)"
      stroke="var(--panel)"
      strokeWidth="3"
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
