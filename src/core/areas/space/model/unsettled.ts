import type { Stand } from '../../../build/stand';
import type { PlacedDrive } from '../../../build/stand-drive';
import type { Piece } from '../../../build/stand-setting';

/** Pieces of the rig with a size or a place that nobody knows; what only sweeps stands nowhere. */
export function blindPieces(stand: Stand): Piece[] {
  return stand.memo.once(blindPieces, () =>
    stand.pieces.filter((p) => p.missing.length > 0 && p.key !== 'screen' && p.key !== 'swing'),
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
