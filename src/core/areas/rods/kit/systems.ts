/** A rod system: what is clamped to one does not go on another. */
export interface RodSystem {
  id: string;
  name: string;
  /** Rod diameter and distance of the two centres, mm. */
  rod: number;
  centres: number;
  /** Optical axis down to the plane of the rods, mm. */
  drop: number;
  /** How sure that height is. */
  basis: 'trade' | 'memory';
}

/** Source: common practice; the heights of the studio systems are from memory. */
export const ROD_SYSTEMS: readonly RodSystem[] = [
  { id: 'lw15', name: '15 mm lightweight', rod: 15, centres: 60, drop: 85, basis: 'trade' },
  { id: 'st15', name: '15 mm studio', rod: 15, centres: 100, drop: 118.7, basis: 'memory' },
  { id: 'st19', name: '19 mm studio', rod: 19, centres: 104, drop: 118.7, basis: 'memory' },
];

export function rodSystem(id: string | undefined): RodSystem | null {
  return ROD_SYSTEMS.find((r) => r.id === id) ?? null;
}
