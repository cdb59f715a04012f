import { given } from '../../../build/given';
import type { Stand } from '../../../stand/stand';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';
import type { PlacedDrive } from '../place/drive';
import type { LensGear } from '../../../place/setting';

/** What a drive turns, in words: `the focus gear of Marl 50`. */
export function gearName(stand: Stand, d: { use: { turns: string } }): string {
  return `the ${d.use.turns} gear of ${stand.lens?.name ?? 'the lens'}`;
}

/** The ring a drive is meant to turn; null when the lens has none of that name. */
export function ringOf(stand: Stand, d: PlacedDrive): LensGear | null {
  return stand.gears.find((g) => g.turns === d.use.turns) ?? null;
}

/** The sentence for a drive on a lens whose ring nobody described. */
export function noRing(stand: Stand, d: PlacedDrive): string {
  const lens = stand.lens;
  return lens
    ? `Nobody said where the ${d.use.turns} ring of ${lens.name} is: add it to its sheet.`
    : 'There is no lens to turn.';
}

/** Where the drive is asked for on the lens: a measurement that opens the table of rings. */
export function askRings(stand: Stand, turns: string) {
  const lens = stand.lens;
  return lens
    ? [
        {
          path: ['kit', lens.id, 'rings'],
          part: lens.id,
          label: `${turns} ring of ${lens.name}`,
          unit: '',
          share: 1,
          missing: true,
        },
      ]
    : [];
}

/** What is missing when the ring of a drive has no gear that was counted: its teeth. */
export function withoutTeeth(stand: Stand, d: PlacedDrive, id: string, what: string): Verdict[] {
  const { lens } = stand;
  const ring = ringOf(stand, d);
  const asks =
    lens && ring
      ? lacking([{ ...given(lens, 'rings', ring.ring.id, 'teeth'), known: null }])
      : askRings(stand, d.use.turns);
  return [
    plainVerdict({
      id,
      key: `${id}:${d.use.id}`,
      pieces: [d.key],
      about: [d.part.id, ...(lens ? [lens.id] : [])],
      station: stand.value(d.gearAt),
      state: 'unknown',
      why: `${what} is not known: ${
        ring
          ? `the ${d.use.turns} ring of ${lens!.name} has no gear that was counted`
          : noRing(stand, d)
              .replace(/\.$/, '')
              .replace(/^./, (c) => c.toLowerCase())
      }.`,
      sum: 'No sum.',
      basis: '[math]',
      measure: asks,
    }),
  ];
}
