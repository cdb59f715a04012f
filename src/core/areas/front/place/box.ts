import {
  type FlagLeaf,
  type MatteBox,
  type BoxUse,
  isFilter,
  isReduction,
  isSleeve,
} from '../../../kit/types';
import type { Aperture } from '../../../pupil/aperture';
import type { Built } from '../../../build/build';
import type { PlacedBox, PlacedStage, PlacedFlag } from './parts';
import { valueOf } from '../../../quantity/quantity';
import { type Given, constant } from '../../../build/given';

/**
 * The edge at the tip of a flag. Angle 0 is straight ahead, parallel to the axis; more is further
 * open. The hinge itself lies at the mouth, which is an edge of its own.
 *
 * @param z station of the hinge, @param offset its distance from the axis, @param length of the
 *   leaf, mm; @param angle degrees; @param middle height of the middle of the box, mm
 */
export function flagEdge(
  side: FlagLeaf['side'],
  z: number,
  offset: number,
  length: number,
  angle: number,
  middle: number,
): Aperture {
  const a = (angle * Math.PI) / 180;
  const out = offset + length * Math.sin(a);
  const at = z + length * Math.cos(a);
  switch (side) {
    case 'top':
      return { kind: 'edge', z: at, nx: 0, ny: 1, d: out + middle };
    case 'bottom':
      return { kind: 'edge', z: at, nx: 0, ny: -1, d: out - middle };
    case 'right':
      return { kind: 'edge', z: at, nx: 1, ny: 0, d: out };
    case 'left':
      return { kind: 'edge', z: at, nx: -1, ny: 0, d: out };
  }
}

export function placeBox(built: Built, box: MatteBox, use: BoxUse): PlacedBox {
  const ring = use.ring === undefined ? null : built.kit.get(use.ring);
  const sleeve = use.sleeve === undefined ? null : built.kit.get(use.sleeve);
  let shorter = 0;
  const stages = [...(box.stages ?? [])]
    .sort((a, b) => (valueOf(a.z) ?? 0) - (valueOf(b.z) ?? 0))
    .map((stage): PlacedStage => {
      const tray = use.trays?.find((t) => t.id === stage.id) ?? null;
      const filter = tray?.filter === undefined ? null : built.kit.get(tray.filter);
      const out = tray?.out === true;
      const z = valueOf(stage.z);
      const placed = {
        stage,
        use: tray,
        filter: isFilter(filter) ? filter : null,
        out,
        z: z === null ? null : z - shorter,
      };
      if (out) shorter += valueOf(stage.shorter) ?? 0;
      return placed;
    });
  const flags: PlacedFlag[] = [];
  for (const f of use.flags ?? []) {
    const leaf = box.flags?.find((l) => l.id === f.id);
    if (leaf) flags.push({ leaf, use: f });
  }
  return {
    box,
    use,
    ring: isReduction(ring) ? ring : null,
    sleeve: isSleeve(sleeve) ? sleeve : null,
    stages,
    flags,
    shorter,
  };
}

/** Where a box was set on its rods. A clamp is set against a rule: half a millimetre. */
export function boxStationOf(box: MatteBox, at: number): Given {
  return constant(`station of ${box.name}`, 'mm', {
    value: at,
    tol: 0.5,
    from: 'sheet',
    lo: at - 0.5,
    hi: at + 0.5,
  });
}
