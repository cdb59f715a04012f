import type { Link } from '../kit/kept';
import type { TiePoint } from '../kit/types';
import type { KeptRig, RigWriter } from './role';

/** Where a lead is tied on its way, as it is kept with its link and as it is read. */

/** Ties to what is not there any more go. */
export function readVia(link: Link, kept: Pick<KeptRig, 'tieOf'>): { via?: TiePoint[] } {
  const via = (link.via ?? []).flatMap(({ use, ...tie }): TiePoint[] => {
    const on = kept.tieOf(use);
    return on ? [{ ...tie, on }] : [];
  });
  return via.length > 0 ? { via } : {};
}

export function writeVia(
  via: readonly TiePoint[] | undefined,
  rig: Pick<RigWriter, 'standsFor'>,
): Pick<Link, 'via'> {
  const kept = (via ?? []).flatMap(({ on, ...tie }) => {
    const use = rig.standsFor(on);
    return use === undefined ? [] : [{ ...tie, use }];
  });
  return kept.length > 0 ? { via: kept } : {};
}
