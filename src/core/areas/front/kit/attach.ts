import type { MatteBox } from './parts';

/** Whether a box closes on the lens: then it stands where the lens puts it. */
export function clips({ attach }: Pick<MatteBox, 'attach'>): boolean {
  return attach === 'clip-on' || attach === 'both';
}

/** Whether a box has a bracket on the rods. */
export function onAnyRods({ attach }: Pick<MatteBox, 'attach'>): boolean {
  return attach === 'rods' || attach === 'both';
}
