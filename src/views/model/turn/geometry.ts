import {
  BufferAttribute,
  BufferGeometry,
  DataTexture,
  DynamicDrawUsage,
  FloatType,
  InterleavedBuffer,
  InterleavedBufferAttribute,
  NearestFilter,
  RGBAFormat,
} from 'three';
import type { Model } from '@/core/model/model';
import { STRIDE, type Quads } from './lines';
import { rgb } from './materials';

/** All that is filled, as one body. */
export function fillOf(model: Model): BufferGeometry {
  const points: number[] = [];
  const pieces: number[] = [];
  const index: number[] = [];
  for (const s of model.shapes) {
    if (s.sweep) continue;
    for (const body of s.drawn) {
      const first = pieces.length;
      for (const p of body.points) {
        points.push(p[0], p[1], -p[2]);
        pieces.push(s.piece);
      }
      for (const f of body.faces) for (const c of trianglesOf(f)) index.push(first + c);
    }
  }
  const g = new BufferGeometry();
  g.setAttribute('position', new BufferAttribute(new Float32Array(points), 3));
  g.setAttribute('piece', new BufferAttribute(new Float32Array(pieces), 1));
  g.setIndex(new BufferAttribute(new Uint32Array(index), 1));
  return g;
}

/** Triangles of a face, wound so that they look out once z is turned round. */
function trianglesOf(f: { corners: readonly number[]; triangles?: readonly number[] }): number[] {
  if (f.triangles) return [...f.triangles];
  const out: number[] = [];
  for (let i = 2; i < f.corners.length; i++)
    out.push(f.corners[0]!, f.corners[i]!, f.corners[i - 1]!);
  return out;
}

/** What two parts share, as triangles. */
export function hatchOf(model: Model): BufferGeometry {
  const points = model.fouls.flatMap((f) =>
    f.faces.flatMap((face) =>
      face
        .slice(2)
        .flatMap((p, i) => [face[0]!, face[i + 1]!, p].flatMap((q) => [q[0], q[1], -q[2]])),
    ),
  );
  const g = new BufferGeometry();
  g.setAttribute('position', new BufferAttribute(new Float32Array(points), 3));
  return g;
}

/** Room for the lines of a picture. */
export function stripOf(q: Quads): BufferGeometry {
  const buffer = new InterleavedBuffer(q.data, STRIDE);
  buffer.setUsage(DynamicDrawUsage);
  const g = new BufferGeometry();
  g.setAttribute('position', new InterleavedBufferAttribute(buffer, 3, 0));
  g.setAttribute('look', new InterleavedBufferAttribute(buffer, 3, 3));
  g.setAttribute('dashes', new InterleavedBufferAttribute(buffer, 2, 6));
  const index = new Uint32Array(q.most * 6);
  for (let i = 0; i < q.most; i++)
    index.set(
      [0, 1, 2, 2, 1, 3].map((c) => i * 4 + c),
      i * 6,
    );
  g.setIndex(new BufferAttribute(index, 1));
  g.setDrawRange(0, 0);
  return g;
}

/** Tells the device how much of a strip is to be drawn. */
export function refill(g: BufferGeometry, q: Quads) {
  const { data } = g.getAttribute('position') as InterleavedBufferAttribute;
  data.clearUpdateRanges();
  data.addUpdateRange(0, q.count * 4 * STRIDE);
  data.needsUpdate = true;
  g.setDrawRange(0, q.count * 6);
}

/** What each kind is filled with: neighbours of different sort stay apart. */
const FILL: Readonly<Record<string, string>> = {
  body: '--metal',
  lens: '--metal',
  filter: '--glass',
  diopter: '--glass',
  rods: '--sunk',
  plate: '--metal-2',
};

/** A row a piece: where it goes when drawn apart, and its colour. */
export function tableOf(model: Model, css: CSSStyleDeclaration): DataTexture {
  const rows = Math.max(1, model.pieces.length);
  const data = new Float32Array(rows * 8);
  model.pieces.forEach((p, i) => {
    const own = FILL[p.kind] ?? (i % 2 === 0 ? '--metal-2' : '--plate');
    data.set([p.away[0], p.away[1], -p.away[2], 0], i * 8);
    data.set([...rgb(css.getPropertyValue(own)), 1], i * 8 + 4);
  });
  const t = new DataTexture(data, 2, rows, RGBAFormat, FloatType);
  t.minFilter = t.magFilter = NearestFilter;
  t.needsUpdate = true;
  return t;
}
