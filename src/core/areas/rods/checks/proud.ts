import type { Verdict } from '../../../checks/finding';
import type { PlacedRods, StandSolid } from '../../../place/setting';
import { standOf, type Stand } from '../../../stand/stand';
import { asFunction, givens } from '../../../build/lin';
import { edgeFrom } from '../../space/model/clearance';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { judge, lacking, plainVerdict } from '../../../checks/judge';
import { pairFor } from '../model/reach';

export const rodsProud: Check = {
  id: 'rods.proud',
  title: 'Rods that stick out',
  short: 'rods stick out',
  says: 'How far the rods stand out ahead of everything else; or, where the house wants a bumper, whether they do.',
  formula: 'foremost part + rod that may stand out - tip of the rods',
  run(built) {
    const stand = standOf(built);
    const rods = pairFor(stand, 'ahead');
    if (!rods || !built.lens) return [];
    const others = stand.solids.filter(
      (s) => s.role !== 'rod' && s.role !== 'sweep' && s.role !== 'flag' && s.role !== 'arm',
    );
    const blind = others.filter((s) => !s.known);
    const known = others.filter((s) => s.known);
    if (blind.length > 0 || known.length === 0) {
      return [notKnown(stand, rods, blind)];
    }
    const far = known.reduce((m, s) => (s.extent[5] > m.extent[5] ? s : m));
    const name = stand.pieces.find((p) => p.key === far.piece)!.name;
    const bumper = built.rules['rods.bumper'] === 1;
    const limit = bumper ? 0 : built.rules['rods.proud'];
    const rule = bumper ? 'rods.bumper' : 'rods.proud';
    // Whichever of the foremost is farthest when the numbers are others.
    const foremost = known.filter((s) => s.extent[5] + s.loose >= far.extent[5] - far.loose);
    const inputs = [...new Set([...givens([rods.to]), ...foremost.flatMap((s) => s.inputs)])];
    const tip = asFunction(rods.to, inputs);
    const fronts = foremost.map((s) => edgeFrom(s, 5, inputs));
    const f = (x: readonly number[]) => tip(x) - Math.max(...fronts.map((front) => front(x)));
    const out = stand.value(rods.to) - far.extent[5];
    return [
      judge({
        id: 'rods.proud',
        about: [rods.rods.id, stand.pieces.find((p) => p.key === far.piece)!.part],
        station: stand.value(rods.to),
        inputs,
        margin: (x) => (bumper ? f(x) : limit - f(x)),
        // Nothing breaks by it: it is advice, tight at worst.
        after: (s) => ({ ...s, hi: Math.max(s.hi, 0) }),
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule },
        why: (o) => {
          const by = bumper ? o.value : limit - o.value;
          if (by <= 0) return `The rods end ${sayLength(-by)} behind the front of ${name}.`;
          return o.state === 'ok'
            ? `The rods stand ${sayLength(by)} ahead of ${name}.`
            : `The rods stand ${sayLength(by)} ahead of ${name}, more than the ${sayLength(limit)} the house allows: a shorter pair, or slid back.`;
        },
        sum: () =>
          `tip ${exact(stand.value(rods.to), 1)} - front of ${name} ${exact(far.extent[5], 1)} = ${sayLength(out, 1)}`,
        lacking: (missing) => `How far the rods stick out is not known: ${missing} missing.`,
        basis: ruleBasis(rule),
      }),
    ];
  },
};

/** What nobody knows the size of may be the foremost. */
function notKnown(stand: Stand, rods: PlacedRods, blind: readonly StandSolid[]): Verdict {
  const missing = [...new Set(blind.flatMap((s) => s.inputs))].filter((g) => !g.known);
  const others = blind.map((s) => stand.pieces.find((p) => p.key === s.piece)!.part);
  return plainVerdict({
    id: 'rods.proud',
    about: [...new Set([rods.rods.id, ...others])],
    station: stand.value(rods.to),
    state: 'unknown',
    why: `How far ${rods.rods.name} stand out is not known: ${missing.length} ${missing.length === 1 ? 'number is' : 'numbers are'} missing of what could stand ahead.`,
    sum: 'No sum.',
    basis: '[math]',
    measure: lacking(missing),
  });
}
