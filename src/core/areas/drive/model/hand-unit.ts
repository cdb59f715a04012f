import type { Built } from '../../../build/build';
import { isFitting, type DriveUse, type Fitting } from '../../../kit/types';

/** The hand unit that works a motor: the one that was said, else the only one on the rig. */
export function handUnitOf({ rig, kit }: Built, use: DriveUse): Fitting | null {
  const unit = (id: string | undefined) => {
    const part = kit.get(id ?? '');
    return isFitting(part) && part.kind === 'hand-unit' ? part : null;
  };
  if (use.unit !== undefined) return unit(use.unit);
  const there = new Set((rig.fitted ?? []).map((u) => unit(u.part)).filter((u) => u !== null));
  return there.size === 1 ? [...there][0]! : null;
}
