import { shownUnit } from '@/core/quantity/shown';
import { frontPartLine } from '@/core/kit/describe';
import { isKind } from '@/core/kit/fields';
import { isBody, isLens, isLink, isReducer, type Part } from '@/core/kit/types';
import { mountName, type MountIndex } from '@/core/areas/mount/kit/standards';
import { valueOf, type QuantityInput } from '@/core/quantity/quantity';
import { plain, sayLength, sayMass } from '@/core/quantity/say';
import { lensName } from '@/views/bench/options';

/** The line under a part's name: what tells it apart. */
export function partLine(p: Part, mounts: MountIndex): string {
  if (isLens(p)) return `${lensName(p)}; ${mountName(mounts, p.mount)}`;
  if (isBody(p))
    return `${mountName(mounts, p.mount)}; ${(p.modes ?? []).map((m) => m.name).join(', ') || 'no modes yet'}`;
  if (isLink(p)) {
    const length = valueOf(p.length);
    return [
      `${mountName(mounts, p.lensMount)} to ${mountName(mounts, p.bodyMount)}`,
      isReducer(p) && valueOf(p.magnification) !== null
        ? `${plain(valueOf(p.magnification)!)}\u00d7`
        : null,
      length === null ? 'length not known' : `${sayLength(length, 2)}`,
    ]
      .filter(Boolean)
      .join('; ');
  }
  const line = frontPartLine(p);
  if (line !== null) return line;
  if (!isKind(p.kind)) return 'carried along, not computed with yet';
  const size = (['width', 'height', 'depth'] as const)
    .map((k) => valueOf((p as unknown as Record<string, QuantityInput | undefined>)[k]))
    .filter((v): v is number => v !== null);
  const mass = valueOf(p.mass);
  return (
    [
      size.length === 3
        ? `${size.map((v) => plain(v * shownUnit('mm').per, shownUnit('mm').more > 0 ? 2 : 1)).join(' x ')} ${shownUnit('mm').unit}`
        : null,
      mass === null ? null : `${sayMass(mass)}`,
    ]
      .filter(Boolean)
      .join('; ') || 'size and mass not known'
  );
}
