import { isBox } from '../../../kit/types';
import { fittedOn } from '../../../place/fitted';
import { onTheBox } from '../../../place/on-box';
import { onAxis, pieceKey } from '../../../place/piece';
import { standOf } from '../../../stand/stand';
import { distance } from '../../../solids/distance';
import { moved } from '../../../solids/move';
import { exact, howMany } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { inWords, lacking, plainVerdict } from '../../../checks/judge';

/** The lens is looked at in so many places on its way out. */
const STEPS = 8;
/** It has to come this far forward before it can be lifted away, mm. */
const FREE = 40;

/** The lens comes off the body forwards; what a screen or a box sweeps is not there at the time. */
const HARMLESS = ['body', 'screen', 'swing'];

export const spaceLensChange: Check = {
  id: 'space.lens-change',
  title: 'Changing the lens',
  short: 'much to take off',
  says: 'What has to be moved, swung away or taken off to get this lens out forwards: each piece is time and a chance to drop one.',
  formula: 'drives in mesh + what the lens meets on its way forward + feet that are tied',
  run(built) {
    const { lens } = built;
    const stand = standOf(built);
    if (!lens || !built.closed || !stand.standing) return [];
    const comes = new Set(
      stand.pieces.filter((p) => onAxis(p) && p.is !== 'link').map((p) => p.key),
    );
    const box = built.rig.box ? (built.kit.get(built.rig.box.part) ?? null) : null;
    const clip = (box as { attach?: string } | null)?.attach === 'clip-on';
    // What stands on the box goes where the box goes.
    const onIt = new Set(onTheBox(fittedOn(built)).map((u) => pieceKey('fitted', u.id)));
    if (clip) for (const key of ['box', ...onIt]) comes.add(key);
    const out = stand.solids.filter((s) => comes.has(s.piece) && s.known);
    const rest = stand.solids.filter((s) => !comes.has(s.piece) && s.known && s.role !== 'sweep');
    const moves = new Map<string, string>();
    for (const d of stand.drives) if (d.gear) moves.set(d.key, `swing ${d.part.name} off`);
    if (isBox(box) && box.attach === 'both') moves.set('box', `take ${box.name} off lens and rods`);
    if (clip && box) moves.set('box', `${box.name} comes off with it`);
    for (let k = 1; k <= STEPS; k++) {
      const by = (k / STEPS) * FREE;
      const ahead = out.map((s) => ({ s, then: moved(s.solid, [0, 0, by]) }));
      for (const r of rest) {
        const key = onIt.has(r.piece) ? 'box' : r.piece;
        if (moves.has(key) || r.is === 'body') continue;
        const meets = ahead.some(({ s, then }) => {
          const [e, o] = [s.extent, r.extent];
          if (e[0] > o[3] || o[0] > e[3] || e[1] > o[4] || o[1] > e[4]) return false;
          if (e[2] + by > o[5] || o[2] > e[5] + by) return false;
          // What touches where it is now must not get in the way farther on.
          const d = distance(then, r.solid);
          return d < -0.5 && d < distance(s.solid, r.solid) - 0.5;
        });
        if (!meets) continue;
        const piece = stand.pieces.find((p) => p.key === key)!;
        const swings = key === 'box' && (box as { swing?: string } | null)?.swing;
        moves.set(
          key,
          swings
            ? `swing ${piece.name} away`
            : r.is === 'support'
              ? `lower ${piece.name}`
              : `take ${piece.name} off`,
        );
      }
    }
    const limit = built.rules['space.change'];
    const list = [...moves.values()];
    // What nobody knows the place or size of may be in the way as well.
    const blind = stand.pieces.filter(
      (p) => p.missing.length > 0 && !moves.has(p.key) && !HARMLESS.includes(p.is),
    );
    if (blind.length > 0) {
      const missing = [...new Set(blind.flatMap((p) => p.missing))];
      return [
        plainVerdict({
          id: 'space.lens-change',
          about: [...new Set([lens.id, ...blind.map((p) => p.part)])],
          station: stand.value(stand.seat),
          state: 'unknown',
          why: `What has to come off to get ${lens.name} out is not known: ${howMany(missing.length, 'number')} of ${inWords([...new Set(blind.map((p) => p.name))].slice(0, 3))} ${missing.length === 1 ? 'is' : 'are'} missing.${list.length > 0 ? ` So far: ${inWords(list)}.` : ''}`,
          sum: `${exact(list.length, 0)} of ${exact(limit, 0)} pieces, as far as is known`,
          basis: ruleBasis('space.change'),
          measure: lacking(missing),
        }),
      ];
    }
    return [
      plainVerdict({
        id: 'space.lens-change',
        about: [
          lens.id,
          ...[...moves.keys()].map(
            (k) =>
              stand.pieces.find((p) => p.key === k)?.part ??
              stand.drives.find((d) => d.key === k)!.part.id,
          ),
        ],
        station: stand.value(stand.seat),
        state: list.length > limit ? 'tight' : 'ok',
        margin: {
          value: limit - list.length,
          lo: limit - list.length,
          hi: limit - list.length,
          unit: 'pieces',
        },
        limit: { value: limit, unit: 'pieces', rule: 'space.change' },
        why:
          list.length === 0
            ? `${lens.name} comes out with nothing in its way.`
            : `To get ${lens.name} out: ${inWords(list)}.`,
        sum: `${exact(list.length, 0)} of ${exact(limit, 0)} pieces`,
        basis: ruleBasis('space.change'),
      }),
    ];
  },
};
