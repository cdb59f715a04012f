import type { Built } from '../../../build/build';
import type { Drive } from '../../../kit/types';
import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../place/drive';
import { given } from '../../../build/given';
import { outletsOn, type RigOutlet } from '../../power/model/outlets';
import { lensTorque } from '../model/lens-torque';
import { asPulled, pullOf } from '../model/pulls';
import { turningOf } from '../model/turning';
import { exact, plain, say } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { withoutTeeth } from '../model/told';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';

export const driveTorque: Check = {
  id: 'drive.torque',
  title: 'Torque of the motor',
  short: 'motor stalls',
  says: 'Whether a motor turns the ring on the volts of the outlet that feeds it, and which outlet on the rig would.',
  formula:
    'motor torque (volts) x lens teeth / motor teeth x efficiency - reserve x torque of the ring',
  run(built) {
    const stand = standOf(built);
    return stand.drives.flatMap((d) => ofMotor(built, stand, d));
  },
};

/** What a motor brings to the ring from its outlet, and which other outlet would turn it. */
function turnsSaid(
  o: { state: State; value: number },
  d: PlacedDrive,
  out: RigOutlet,
  others: readonly RigOutlet[],
  {
    torque: t,
    reserve,
    eff,
    first,
    volts: v,
  }: Record<'torque' | 'reserve' | 'eff' | 'first' | 'volts', number>,
): string {
  const { part } = d;
  const have = o.value + reserve * t;
  if (o.state === 'ok')
    return `${part.name} brings ${say(have, 'N m')} to the ring from ${out.name}, ${plain(v, 1)} V: ${exact(have / t, 1)} times what it takes.`;
  const turns = others.filter((r) => {
    const known = r.volts.known?.value;
    const l = known === undefined ? null : lensTorque(d, known, eff);
    return l !== null && l >= reserve * t;
  });
  const says =
    have < t
      ? `${part.name} stalls on ${out.name}: at ${plain(v, 1)} V it ${v < first ? `is below the ${plain(first, 1)} V it is rated from` : `brings ${say(have, 'N m')}`}, the ring takes ${say(t, 'N m')}.`
      : `${part.name} has little in hand on ${out.name}: ${say(have, 'N m')} at ${plain(v, 1)} V, the ring takes ${say(t, 'N m')} and ${plain(reserve, 2)} times that is wanted.`;
  return turns.length > 0
    ? `${says} ${turns.map((r) => `${r.name}, ${plain(r.volts.known!.value, 1)} V,`).join(' or ')} turns it.`
    : `${says} No other outlet on this rig turns it.`;
}

/** Volts above what a motor runs up to burn it: said before anything is said of its torque. */
function overVolts(stand: Stand, d: PlacedDrive, out: RigOutlet): Verdict | null {
  const { part } = d;
  if (part.kind !== 'motor') return null;
  const most = given(part, 'voltsTo');
  return judge({
    id: 'drive.torque',
    key: `drive.torque:${d.use.id}`,
    pieces: [d.key],
    about: [part.id, out.part],
    station: stand.value(d.gearAt),
    inputs: [most, out.volts],
    margin: (x) => x[0]! - x[1]!,
    unit: 'V',
    limit: { value: most.known?.value ?? 0, unit: 'V', rule: null },
    why: (o) =>
      o.state === 'fail'
        ? `${out.name} gives ${plain(out.volts.known!.value, 1)} V; ${part.name} runs up to ${plain(most.known!.value, 1)} V: do not plug it in.`
        : `${out.name} gives ${plain(out.volts.known!.value, 1)} V, about the ${plain(most.known!.value, 1)} V that ${part.name} runs up to.`,
    sum: (o) =>
      `${plain(most.known!.value, 2)} - ${plain(out.volts.known!.value, 2)} = ${exact(o.value, 2)} V`,
    lacking: (missing) =>
      `Whether ${out.name} suits ${part.name} is not known: ${missing} missing.`,
    basis: '[math] number of its maker',
  });
}

/** Whether a motor turns its ring on the volts of the outlet that feeds it. */
function ofMotor(built: Built, stand: Stand, d: PlacedDrive): Verdict[] {
  const reserve = built.rules['drive.torque-reserve'];
  const eff = built.rules['drive.efficiency'];
  const { gear, part } = d;
  const { lens } = built;
  if (part.kind !== 'motor') return [];
  if (!gear?.teeth || !lens)
    return withoutTeeth(stand, d, 'drive.torque', `Whether ${part.name} turns the ring`);
  const base = {
    id: 'drive.torque',
    key: `drive.torque:${d.use.id}`,
    pieces: [d.key],
    about: [part.id, lens.id],
    station: stand.value(d.gearAt),
    basis: ruleBasis('drive.torque-reserve'),
  };
  const all = outletsOn(built);
  const out = all.find((o) => o.from === d.use.outlet?.from && o.id === d.use.outlet.id);
  if (!out) return [notFed(base, part, all)];
  const turning = turningOf(built, d, gear.ring.id, gear.teeth, out);
  const { inputs, at, arrives, first } = turning;
  const ringTorque = inputs[0]!;
  const pull = pullOf(built, d, out);
  const over = overVolts(stand, d, out);
  if (over && (over.state === 'fail' || over.state === 'tight')) return [over];
  const others = all.filter((o) => o !== out);
  const turns = [
    asPulled(
      pull,
      judge({
        ...base,
        about: [part.id, lens.id, out.part],
        inputs,
        margin: (x) => at(x) - reserve * x[0]!,
        // Lines of the sheet, and volts, that do not count here would elsewhere.
        sense: (x) => at(x) - reserve * x[0]! + 1e-9 * (arrives(x) + turning.rows(x)),
        unit: 'N m',
        limit: { value: reserve, unit: 'x', rule: 'drive.torque-reserve' },
        why: (o) =>
          turnsSaid(o, d, out, others, {
            torque: ringTorque.known!.value,
            reserve,
            eff,
            first,
            volts: arrives(inputs.map((g) => g.known!.value)),
          }),
        sum: (o) =>
          `at ${plain(arrives(inputs.map((g) => g.known!.value)), 1)} V x ${exact(gear.teeth!.known!.value, 0)} / ${exact(d.teeth.known!.value, 0)} x ${plain(eff, 2)} = ${exact(o.value + reserve * ringTorque.known!.value, 3)}; ${plain(reserve, 2)} x ${exact(ringTorque.known!.value, 2)} wanted`,
        lacking: (missing) =>
          `Whether ${part.name} turns the ring is not known: ${missing} missing.`,
      }),
    ),
  ];
  // Without the volts it runs up to nobody knows that it may be plugged in at all.
  return over?.state === 'unknown' && turns[0]!.state !== 'fail' ? [over] : turns;
}

/** A motor of which nobody said what feeds it. */
function notFed(
  base: Pick<Verdict, 'id' | 'key' | 'about' | 'basis'>,
  part: Drive,
  all: readonly { name: string }[],
): Verdict {
  return plainVerdict({
    ...base,
    state: 'unknown',
    why: `Nobody said which outlet feeds ${part.name}${choiceOf(all)}.`,
    sum: 'No sum: the volts are not known.',
  });
}

/** The outlets there are, in words. */
function choiceOf(all: readonly { name: string }[]): string {
  if (all.length === 0) return ', and nothing on this rig has one';
  return `: on this rig there ${all.length > 1 ? 'are' : 'is'} ${all.map((o) => o.name).join(', ')}`;
}
