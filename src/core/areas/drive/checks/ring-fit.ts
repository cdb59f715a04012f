import type { LensGear } from '../../../place/setting';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { counted, given, type Given } from '../../../build/given';
import { ringRoom, touchAngle, centreDistance, tipDiameter } from '../kit/gears';
import { ringsThatFit, SLACK, specification } from '../model/rings';
import { onHand, type GearRing, type Lens } from '../../../kit/types';
import { askRings, noRing } from '../model/told';
import { valueOf } from '../../../quantity/quantity';
import { exact, sayLength, plain, bareLength, mm } from '../../../quantity/say';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict } from '../../../checks/judge';

export const driveRingFit: Check = {
  id: 'drive.ring-fit',
  // How far its lump stays clear is seen over the throw, not by putting it on.
  tried: (v) => !(['focus', 'iris', 'zoom'] as const).some((t) => v.key === lumpKey(t)),
  title: 'Gear ring on the barrel',
  short: 'no gear on it',
  says: 'Whether the ring of the lens that is to be driven has a gear: cut in, or a ring of the kit that closes on its barrel and whose lump stays clear of the drive gear over the throw.',
  formula:
    'bore - barrel from 0 to 0.5 mm; or barrel inside the range; and 360 - throw - lump - mesh of the drive',
  run(built) {
    const stand = standOf(built);
    const { lens } = built;
    if (!lens) return [];
    const wanted = new Set([
      ...stand.drives.map((d) => d.use.turns),
      ...(built.rig.gears ?? []).map((g) => g.turns),
    ]);
    return [...wanted].flatMap((turns) => ofRing(built, stand, lens, turns));
  },
};

const keyOf = (turns: LensGear['turns']) => `drive.ring-fit:${turns}`;
const lumpKey = (turns: LensGear['turns']) => `${keyOf(turns)}:lump`;

/** What the findings of one ring say alike. */
interface Base {
  id: string;
  key: string;
  pieces: string[];
  about: string[];
  station: number | null;
}

function ofRing(built: Built, stand: Stand, lens: Lens, turns: LensGear['turns']): Verdict[] {
  const key = keyOf(turns);
  const ring = stand.gears.find((g) => g.turns === turns) ?? null;
  const drive = stand.drives.find((d) => d.use.turns === turns) ?? null;
  const about = [lens.id, ...(drive ? [drive.part.id] : [])];
  const base = {
    id: 'drive.ring-fit',
    key,
    pieces: stand.drives.filter((d) => d.use.turns === turns).map((d) => d.key),
    about,
    station: ring ? stand.value(ring.middle) : null,
  };
  if (!ring) {
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: drive ? noRing(stand, drive) : `${lens.name} has no ${turns} ring on its sheet.`,
        sum: 'No sum.',
        basis: '[math]',
        measure: askRings(stand, turns),
      }),
    ];
  }
  if (!ring.gear) return bareRing(built, lens, ring, turns, base);
  const out: Verdict[] = [];
  const g = ring.gear;
  const barrel = given(lens, 'rings', ring.ring.id, 'diameter');
  const seamless = g.style === 'seamless';
  const size = seamless ? [given(g, 'bore')] : [given(g, 'from'), given(g, 'to')];
  const withGear = [lens.id, g.id];
  if (g.style === undefined)
    out.push(
      plainVerdict({
        ...base,
        about: withGear,
        state: 'unknown',
        why: `What sort of gear ring ${g.name} is is not known.`,
        sum: 'No sum.',
        basis: '[trade] gear rings',
        measure: [
          {
            path: ['kit', g.id, 'style'],
            part: g.id,
            label: `sort of ${g.name}`,
            unit: '',
            share: 1,
            missing: true,
          },
        ],
      }),
    );
  else out.push(closesOn(lens, g, g.style, barrel, size, base));
  if (g.style !== undefined) out.push(around(ring, g, lens.name, barrel, base, withGear));
  if (drive && !seamless && (g.lump !== undefined || g.style === 'strap'))
    out.push(lump(stand, ring, g, drive, base, withGear));
  return out;
}

/** A ring that has no gear on it: cut in, not said, or to be put on. */
function bareRing(built: Built, lens: Lens, ring: LensGear, turns: string, base: Base): Verdict[] {
  if (ring.teeth) {
    return [
      plainVerdict({
        ...base,
        state: 'ok',
        why: `${lens.name} has its ${turns} gear cut in: ${plain(ring.teeth.known?.value ?? NaN, 0)} teeth.`,
        sum: 'a gear that is cut in',
        basis: '[trade] cine gears',
      }),
    ];
  }
  const d = valueOf(ring.ring.diameter);
  if (d === null) {
    // No teeth may mean that none are cut in, or that nobody has counted them.
    const asks = (['teeth', 'diameter'] as const).map((f) => given(lens, 'rings', ring.ring.id, f));
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether ${lens.name} has a ${turns} gear is not known: give its teeth, or the bare diameter of the ring, then a gear ring can be chosen.`,
        sum: 'No sum.',
        basis: '[trade] cine gears',
        measure: lacking(asks),
      }),
    ];
  }
  const fits = ringsThatFit(built.kit.values(), d);
  return [
    plainVerdict({
      ...base,
      state: 'fail',
      why:
        `${lens.name} has no ${turns} gear.` +
        (fits.length > 0
          ? ` ${fits.map((r) => r.name).join(' or ')} closes on its ${sayLength(d, 1)}.`
          : ` No gear ring in the kit closes on its ${sayLength(d, 1)}.`),
      sum: `barrel ${mm(d, 1)}`,
      basis: '[trade] gear rings',
      wanted: fits.every((r) => onHand(r) < 1) ? [specification(d)] : [],
    }),
  ];
}

/** Whether a gear ring closes on the barrel. */
function closesOn(
  lens: Lens,
  g: GearRing,
  style: NonNullable<GearRing['style']>,
  barrel: Given,
  size: readonly Given[],
  base: Base,
): Verdict {
  const seamless = style === 'seamless';
  const withGear = [lens.id, g.id];
  return judge({
    ...base,
    about: withGear,
    inputs: [barrel, ...size],
    margin: (x) =>
      style === 'seamless'
        ? ringRoom({ style, bore: x[1]! }, x[0]!, SLACK)
        : ringRoom({ style, from: x[1]!, to: x[2]! }, x[0]!, SLACK),
    unit: 'mm',
    limit: { value: SLACK, unit: 'mm', rule: null },
    why: (o) =>
      seamless
        ? o.value >= 0
          ? `${g.name} slides onto the ${sayLength(barrel.known!.value, 1)} barrel with ${sayLength(size[0]!.known!.value - barrel.known!.value)} of slack.`
          : size[0]!.known!.value > barrel.known!.value
            ? `${g.name} is ${sayLength(size[0]!.known!.value - barrel.known!.value)} too wide for the ${sayLength(barrel.known!.value, 1)} barrel of ${lens.name}; shims take up ${sayLength(SLACK)}.`
            : `${g.name} is ${sayLength(barrel.known!.value - size[0]!.known!.value)} too tight for the ${sayLength(barrel.known!.value, 1)} barrel of ${lens.name}.`
        : o.value >= 0
          ? `${g.name} closes on the ${sayLength(barrel.known!.value, 1)} barrel.`
          : `${g.name} closes on ${bareLength(size[0]!.known!.value, 1)} to ${sayLength(size[1]!.known!.value, 1)}; the barrel of ${lens.name} has ${bareLength(barrel.known!.value, 1)}.`,
    sum: (o) =>
      `${size.map((s) => `${s.label} ${exact(s.known!.value, 1)}`).join(', ')}; barrel ${exact(barrel.known!.value, 1)}: ${sayLength(o.value, 2)} to spare`,
    lacking: (missing) =>
      `Whether ${g.name} goes on ${lens.name} is not known: ${missing} missing.`,
    basis: '[trade] gear rings',
  });
}

/** Dedendum of a full-depth gear: 1.25 modules from the pitch circle to its root (ISO 53). */
const ROOT = 1.25;

/**
 * Whether teeth x module go around the barrel: the root circle of a closed ring lies outside its
 * bore; a strap has as many teeth as its barrel asks for.
 */
function around(
  ring: ReturnType<typeof standOf>['gears'][number],
  g: GearRing,
  lens: string,
  barrel: ReturnType<typeof given>,
  base: Base,
  about: string[],
): Verdict {
  const own = counted(g, ['teeth'], 'teeth');
  const strap = g.style === 'strap';
  const inner = g.style === 'seamless' ? given(g, 'bore') : barrel;
  const inputs = strap ? [own, ring.teeth!] : [own, ring.module, inner];
  return judge({
    ...base,
    key: `${base.key}:around`,
    about,
    inputs,
    margin: (x) => (strap ? x[0]! - x[1]! : x[1]! * (x[0]! - 2 * ROOT) - x[2]!),
    unit: strap ? 'teeth' : 'mm',
    limit: null,
    why: (o) => {
      const n = exact(own.known!.value, 0);
      if (strap)
        return o.value >= 0
          ? `${g.name} goes around ${lens} with ${exact(ring.teeth!.known!.value, 0)} of its ${n} teeth.`
          : `${g.name} has ${n} teeth; ${exact(ring.teeth!.known!.value, 0)} go around the ${sayLength(barrel.known!.value, 1)} of ${lens}: it is too short.`;
      const root = sayLength(ring.module.known!.value * (own.known!.value - 2 * ROOT));
      return o.value >= 0
        ? `The ${n} teeth of ${g.name} stand on ${root}, outside its ${sayLength(inner.known!.value, 1)}.`
        : `${n} teeth of ${g.name} stand on ${root}, inside its own ${sayLength(inner.known!.value, 1)}: teeth and ${g.style === 'seamless' ? 'bore' : 'barrel'} do not agree, one of them is wrong.`;
    },
    sum: (o) =>
      strap
        ? `${exact(own.known!.value, 0)} teeth - ${exact(ring.teeth!.known!.value, 1)} = ${exact(o.value, 1)}`
        : `${exact(ring.module.known!.value, 2)} x (${exact(own.known!.value, 0)} - 2.5) - ${exact(inner.known!.value, 1)} = ${sayLength(o.value, 1)}`,
    lacking: (missing) =>
      `Whether the teeth of ${g.name} go around is not known: ${missing} missing.`,
    basis: '[std] ISO 53, root of a full-depth gear',
  });
}

function lump(
  stand: ReturnType<typeof standOf>,
  ring: ReturnType<typeof standOf>['gears'][number],
  g: GearRing,
  drive: ReturnType<typeof standOf>['drives'][number],
  base: Base,
  about: string[],
): Verdict {
  const lens = stand.lens!;
  const throwOf = given(lens, 'rings', ring.ring.id, 'throw');
  const high = given(g, 'lump');
  const long = given(g, 'lumpLength');
  const teeth = ring.teeth!;
  const free = (x: readonly number[]) => {
    const tip = tipDiameter(x[3]!) / 2;
    const out = tip + x[1]!;
    const arc = (x[2]! / (2 * Math.PI * out)) * 360;
    const touch = touchAngle(centreDistance(x[3]!, x[4]!), out, tipDiameter(x[4]!) / 2);
    return 360 - x[0]! - arc - 2 * touch;
  };
  return judge({
    ...base,
    key: lumpKey(drive.use.turns),
    about,
    inputs: [throwOf, high, long, teeth, drive.teeth],
    margin: free,
    wanted: 10,
    unit: 'deg',
    limit: null,
    why: (o) =>
      o.value >= 0
        ? `The lump of ${g.name} stays clear of the drive gear over the ${exact(throwOf.known!.value, 0)}\u00b0 of throw, with ${exact(o.value, 0)}\u00b0 to spare, if it is set opposite the drive at mid throw.`
        : `The lump of ${g.name} runs into the drive gear: ${exact(throwOf.known!.value, 0)}\u00b0 of throw leave no place for it, ${exact(-o.value, 0)}\u00b0 are missing.`,
    sum: (o) =>
      `360 - throw ${exact(throwOf.known!.value, 0)} - lump and mesh ${exact(360 - throwOf.known!.value - o.value, 1)} = ${exact(o.value, 1)}\u00b0`,
    lacking: (missing) =>
      `Whether the lump of ${g.name} stays clear of the drive is not known: ${missing} missing.`,
    basis: '[math]',
  });
}
