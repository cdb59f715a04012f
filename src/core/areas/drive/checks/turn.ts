import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../place/drive';
import { constant, exactly, given } from '../../../build/given';
import { wheelTurn } from '../kit/gears';
import { handUnitOf } from '../model/hand-unit';
import { exact } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { withoutTeeth } from '../model/told';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';

export const driveTurn: Check = {
  id: 'drive.turn',
  title: 'Turn of the wheel',
  short: 'turn of the wheel',
  says: 'How far the hand wheel turns from near to far: more than about a full turn means re-gripping, very little cannot be dosed. A motor is turned by a hand unit, whose wheel has a turn of its own.',
  formula:
    'throw of the lens x lens teeth / drive teeth / ratio of the gearbox; of a hand unit the turn of its own wheel',
  run(built) {
    const stand = standOf(built);
    const most = built.rules['drive.turn-most'];
    const least = built.rules['drive.turn-least'];
    return stand.drives.flatMap((d): Verdict[] => {
      const { gear, part } = d;
      if (part.kind !== 'follow-focus') return byUnit(built, stand, d);
      if (!gear?.teeth || !built.lens)
        return withoutTeeth(stand, d, 'drive.turn', `How far the wheel of ${part.name} turns`);
      const throwOf = given(built.lens, 'rings', gear.ring.id, 'throw');
      const ratio =
        part.ratio === undefined ? constant('ratio', 'x', exactly(1)) : given(part, 'ratio');
      const turn = (x: readonly number[]) => wheelTurn(x[0]!, x[1]!, x[2]!, x[3]!);
      const inputs = [throwOf, gear.teeth, d.teeth, ratio];
      const now = inputs.every((g) => g.known) ? turn(inputs.map((g) => g.known!.value)) : 0;
      const low = now < least;
      return [
        judge({
          id: 'drive.turn',
          key: `drive.turn:${d.use.id}`,
          pieces: [d.key],
          about: [part.id, gear.gear?.id ?? built.lens.id],
          station: stand.value(d.gearAt),
          inputs,
          margin: (x) => (low ? turn(x) - least : most - turn(x)),
          // A long or short turn is work, not a fault: tight at worst.
          after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
          unit: 'deg',
          limit: {
            value: low ? least : most,
            unit: 'deg',
            rule: low ? 'drive.turn-least' : 'drive.turn-most',
          },
          why: (o) => {
            const says = `The wheel turns ${exact(now, 0)}\u00b0 from near to far`;
            return o.state === 'ok'
              ? `${says}.`
              : low
                ? `${says}: short and touchy. A smaller drive gear makes it longer.`
                : `${says}, over the ${exact(most, 0)}\u00b0 a hand does without re-gripping. A larger drive gear, or stops set for the shot, make it shorter.`;
          },
          sum: () =>
            `${exact(throwOf.known!.value, 0)} x ${exact(gear.teeth!.known!.value, 0)} / ${exact(d.teeth.known!.value, 0)} / ${exact(ratio.known!.value, 2)} = ${exact(now, 0)}\u00b0`,
          lacking: (missing) => `How far the wheel turns is not known: ${missing} missing.`,
          basis: ruleBasis(low ? 'drive.turn-least' : 'drive.turn-most'),
        }),
      ];
    });
  },
};

/** A motor: whatever the throw of the ring, the hand turns the whole wheel of the unit. */
function byUnit(built: Built, stand: Stand, d: PlacedDrive): Verdict[] {
  const unit = handUnitOf(built, d.use);
  if (!unit) return [];
  const most = built.rules['drive.turn-most'];
  const least = built.rules['drive.turn-least'];
  const turn = given(unit, 'turn');
  const low = (turn.known?.value ?? most) < least;
  const rule = low ? 'drive.turn-least' : 'drive.turn-most';
  return [
    judge({
      id: 'drive.turn',
      key: `drive.turn:${d.use.id}`,
      pieces: [d.key],
      about: [d.part.id, unit.id],
      station: stand.value(d.gearAt),
      inputs: [turn],
      margin: ([t]) => (low ? t! - least : most - t!),
      after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
      unit: 'deg',
      limit: { value: low ? least : most, unit: 'deg', rule },
      why: (o) => {
        const says = `The wheel of ${unit.name} turns ${exact(turn.known!.value, 0)}\u00b0 from end to end of what ${d.part.name} is set to`;
        return o.state === 'ok'
          ? `${says}: limits set closer spread the same turn over less.`
          : low
            ? `${says}: short and touchy. Limits set for the shot make it finer.`
            : `${says}, over the ${exact(most, 0)}\u00b0 a hand does without re-gripping, for a short pull too.`;
      },
      sum: () => `turn of the wheel ${exact(turn.known!.value, 0)}\u00b0`,
      lacking: (missing) =>
        `How far the wheel of ${unit.name} turns is not known: ${missing} missing.`,
      basis: ruleBasis(rule),
    }),
  ];
}
