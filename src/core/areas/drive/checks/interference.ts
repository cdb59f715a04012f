import { standOf } from '../../../stand/stand';
import { distanceFrom, inputsOf } from '../../space/model/clearance';
import { blindPieces, unsettledDrives } from '../../space/model/unsettled';
import { distance } from '../../../solids/distance';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';

export const driveInterference: Check = {
  id: 'drive.interference',
  title: 'Hand unit and motor',
  short: 'too near the radio',
  says: 'Whether a hand unit on the rig stands far enough from the motors for its radio.',
  formula: 'distance of hand unit and motor - distance wanted',
  run(built) {
    const stand = standOf(built);
    const limit = built.rules['drive.hand-unit'];
    const units = stand.pieces.filter((p) => p.kind === 'hand-unit');
    return stand.drives.flatMap((d): Verdict[] => {
      if (d.part.kind !== 'motor') return [];
      return units.map((u) => {
        const box = stand.solids.find((s) => s.piece === d.key && s.role === 'box')!;
        const unit = u.solids[0]!;
        // Where the motor would go hangs on what is not known.
        const lost = unsettledDrives(stand).includes(d)
          ? [...new Set(blindPieces(stand).flatMap((p) => p.missing))]
          : [];
        const inputs = [...new Set([...inputsOf(box, unit), ...lost])];
        const f = distanceFrom(box, unit, inputs);
        return judge({
          id: 'drive.interference',
          key: `drive.interference:${d.use.id}:${u.key}`,
          pieces: [d.key],
          about: [d.part.id, u.part],
          station: (box.extent[2] + box.extent[5]) / 2,
          inputs,
          margin: (x) => f(x) - limit,
          after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
          unit: 'mm',
          limit: { value: limit, unit: 'mm', rule: 'drive.hand-unit' },
          why: (o) =>
            `${u.name} stands ${sayLength(Math.max(0, o.value + limit))} from ${d.part.name}${o.state === 'ok' ? '' : `: ${sayLength(limit)} keep its radio clean`}.`,
          sum: () =>
            `distance ${exact(distance(box.solid, unit.solid), 1)} - ${sayLength(limit, 0)}`,
          lacking: (missing) =>
            `How near the hand unit stands to ${d.part.name} is not known: ${missing} missing.`,
          basis: ruleBasis('drive.hand-unit'),
        });
      });
    });
  },
};
