import type { Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../../drive/place/drive';
import type { Piece } from '../../../place/setting';

/** Pieces of the rig with a size or a place that nobody knows; what only sweeps stands nowhere. */
export function blindPieces(stand: Stand): Piece[] {
  return stand.memo.once(blindPieces, () =>
    stand.pieces.filter((p) => p.missing.length > 0 && p.is !== 'screen' && p.is !== 'swing'),
  );
}

/**
 * Drives whose place was sought while something on the rig is blind: what nobody knows the size of
 * may stand where they would go, so their place is not known either.
 */
export function unsettledDrives(stand: Stand): PlacedDrive[] {
  return blindPieces(stand).length === 0
    ? []
    : stand.drives.filter((d) => d.gear && d.use.angle === undefined);
}
