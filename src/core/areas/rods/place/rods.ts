import { pieceKey } from '../../../place/piece';
import { fittedOn } from '../../../place/fitted';
import { rodSystem } from '../kit/systems';
import { isRods } from '../../../kit/types';
import { byId, onRods } from '../../space/place/fitted';
import { lin, minus, of, plus, times, type Lin } from '../../../build/lin';
import { dropOf, NO_PLATE, round, STAND_IN, type Setting } from '../../../place/setting';
import type { PlacedPlate } from '../../space/place/camera';

/** Rods through or from the clamps of the plate. */
export function placeRods(s: Setting, plate: PlacedPlate | null): void {
  const { built } = s;
  const uses = byId(built.rig.rods).flatMap((use) => {
    const part = built.kit.get(use.part);
    return isRods(part) ? [{ use, part }] : [];
  });
  if (uses.length === 0) return;
  const drop = dropOf(s);
  const system = s.system ?? rodSystem(uses[0]!.part.rods);
  s.system = system;
  const r = (system?.rod ?? 15) / 2;
  const cc = (system?.centres ?? 60) / 2;
  const rearPair = uses.some((u) => u.use.place === 'rear');
  for (const { use, part } of uses) {
    const length = of(s.q(part, ['length'], STAND_IN.rods));
    // Nobody said what they hang on: drawn behind the mount, and not computed with.
    const back = plate?.from ?? plus(minus(s.face, lin(100)), of(NO_PLATE));
    let from: Lin;
    let to: Lin;
    if (use.tip !== undefined) {
      to = lin(use.tip);
      from = minus(to, length);
    } else if (use.place === 'rear') {
      to = plate ? plate.clamps[1]!.to : back;
      from = minus(to, length);
    } else {
      // As far back as the clamps and what hangs behind ask for, the rest stands ahead.
      from = use.place === 'front' && plate && rearPair ? plate.clamps[0]!.from : back;
      if (use.place === 'through' && !rearPair)
        for (const c of s.clamped)
          if (
            c.on === undefined &&
            s.value(c.to) < s.value(back) &&
            s.value(c.from) < s.value(from)
          )
            from = c.from;
      to = plus(from, length);
    }
    s.rods.push({ use, rods: part, from, to });
    const piece = s.piece({ is: 'rods', id: use.id }, part);
    for (const x of part.single ? [0] : [-cc, cc])
      round(s, piece, 'rod', from, to, lin(2 * r), {
        x: lin(x),
        y: times(drop, -1),
      });
    piece.faces = {
      x0: lin(-cc - r),
      x1: lin(cc + r),
      y0: minus(lin(-r), drop),
      y1: minus(lin(r), drop),
      z0: from,
      z1: to,
    };
    for (const key of ['plate', 'swing']) s.touch(piece.key, key);
    // Rods go through what is clamped to them, and past what that carries.
    const fitted = fittedOn(built);
    for (const u of fitted) if (onRods(fitted, u)) s.touch(piece.key, pieceKey('fitted', u.id));
    for (const other of s.rods)
      if (other.use !== use) s.touch(piece.key, pieceKey('rods', other.use.id));
  }
}
