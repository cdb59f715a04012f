import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import type { PlacedDrive } from '../place/drive';
import { constant } from '../../../build/given';
import { givens, of } from '../../../build/lin';
import { centreDistance, reachRoom } from '../kit/gears';
import { askRings, gearName, noRing, ringOf, withoutTeeth } from '../model/told';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';
import { nameOf } from '../../space/model/clearance';
import { blindPieces, unsettledDrives } from '../../space/model/unsettled';
import { pairVerdicts } from '../../space/checks/pair';
import { asFunction } from '../../../build/lin';

export const driveReach: Check = {
  id: 'drive.reach',
  title: 'Drive reaches the gear',
  short: 'does not reach',
  says: 'Whether the arm of a drive can put its gear on the gear of the lens, and whether there is a place where it fouls nothing.',
  formula: 'min(longest arm - |pivot - mesh circle|, pivot + mesh circle - shortest arm)',
  run(built) {
    const stand = standOf(built);
    return stand.drives.flatMap((d) => ofDrive(built, stand, d));
  },
};

/** What of the pairs of solids speaks worst of a drive: one clash, one verdict. */
function worstFoul(built: Built, d: PlacedDrive) {
  const fouls = pairVerdicts(built).filter(
    ({ near, verdict }) =>
      (near.a.piece === d.key || near.b.piece === d.key) &&
      verdict.state !== 'ok' &&
      (verdict.margin?.value ?? 0) < 0,
  );
  return fouls.reduce<(typeof fouls)[number] | null>(
    (m, f) => (!m || (f.verdict.margin?.value ?? 0) < (m.verdict.margin?.value ?? 0) ? f : m),
    null,
  );
}

/** Its pivot from the axis of the lens, mm. */
const pivotOf = (stand: Stand, { pivot }: PlacedDrive) =>
  Math.hypot(stand.value(pivot.x), stand.value(pivot.y));

function ofDrive(built: Built, stand: Stand, d: PlacedDrive): Verdict[] {
  const ring = ringOf(stand, d);
  const about = [d.part.id, ...(built.lens ? [built.lens.id] : [])];
  const base = {
    id: 'drive.reach',
    key: `drive.reach:${d.use.id}`,
    pieces: [d.key],
    about,
    station: stand.value(d.gearAt),
  };
  if (!d.gear?.teeth) {
    if (ring) return withoutTeeth(stand, d, 'drive.reach', `Whether ${d.part.name} reaches`);
    const why = `Whether ${d.part.name} reaches is not known. ${noRing(stand, d)}`;
    const measure = askRings(stand, d.use.turns);
    const open = { state: 'unknown', sum: 'No sum.', basis: '[math]' } as const;
    return [plainVerdict({ ...base, ...open, why, measure })];
  }
  const { gear } = d;
  const drop = stand.drop;
  const inputs = [
    ...new Set([gear.teeth!, d.teeth, d.armFrom, ...givens([d.armTo, d.pivot.x, d.pivot.y])]),
  ];
  if (!drop && d.use.on === undefined)
    inputs.push(constant('height of the rods (no plate)', 'mm', null));
  const to = asFunction(d.armTo, inputs);
  const px = asFunction(d.pivot.x, inputs);
  const py = asFunction(d.pivot.y, inputs);
  const n = (x: readonly number[], g: (typeof inputs)[number]) => x[inputs.indexOf(g)]!;
  const m = gear.module.known?.value ?? 0.8;
  const worst = worstFoul(built, d);
  const other = worst
    ? nameOf(stand, worst.near.a.piece === d.key ? worst.near.b : worst.near.a)
    : '';
  const pinned = d.use.angle !== undefined || d.use.station !== undefined;
  const shown = shownAt(d);
  const reach = judge({
    ...base,
    inputs,
    margin: (x) => {
      const c = centreDistance(n(x, gear.teeth!), n(x, d.teeth), m);
      const pivot = Math.hypot(px(x), py(x));
      if (d.use.angle === undefined) return reachRoom(pivot, c, n(x, d.armFrom), to(x));
      const a = (d.use.angle * Math.PI) / 180;
      const long = Math.hypot(c * Math.cos(a) - px(x), c * Math.sin(a) - py(x));
      return Math.min(to(x) - long, long - n(x, d.armFrom));
    },
    wanted: 2,
    unit: 'mm',
    limit: null,
    why: (o) =>
      o.value < 0
        ? `${d.part.name} does not reach ${gearName(stand, d)}: the arm is ${sayLength(-o.value)} too ${o.value === 0 || stand.value(d.armTo) < pivotOf(stand, d) ? 'short' : 'long'}.`
        : worst
          ? `${d.part.name} reaches ${gearName(stand, d)}, but ${pinned ? 'where it is set' : 'there is no place for it: at the best one'} it fouls ${other} by ${sayLength(-(worst.verdict.margin?.value ?? 0))}.`
          : `${d.part.name} reaches ${gearName(stand, d)}${shown}, clamped at ${sayLength(stand.value(d.station), 0)}, with ${sayLength(o.value)} of arm to spare.`,
    sum: () =>
      `pivot ${sayLength(pivotOf(stand, d), 1)} from the axis, mesh circle ${exact(d.centres!, 1)}, arm ${exact(stand.value(of(d.armFrom)), 1)} to ${sayLength(stand.value(d.armTo), 1)}`,
    lacking: (missing) => `Whether ${d.part.name} reaches is not known: ${missing} missing.`,
    basis: '[math]',
  });
  if (reach.state === 'unknown' || reach.state === 'fail') return [reach];
  return inItsPlace(stand, d, base, reach, worst);
}

/** Whether there is room where it reaches. */
function inItsPlace(
  stand: Stand,
  d: PlacedDrive,
  base: { id: string; key: string; about: string[]; station: number },
  reach: Verdict,
  worst: ReturnType<typeof worstFoul>,
): Verdict[] {
  const { about } = base;
  const blind = blindPieces(stand);
  const room = {
    ...base,
    key: `${base.key}:room`,
    sum: reach.sum,
    basis: ruleBasis('space.air'),
  };
  // Where it would go was sought among what is known: what is not may send it elsewhere.
  const sought = unsettledDrives(stand).includes(d);
  if (worst && (worst.verdict.state === 'fail' || !sought))
    return [
      plainVerdict({
        ...room,
        about: [...new Set([...about, ...worst.verdict.about])],
        state: worst.verdict.state,
        margin: worst.verdict.margin,
        why: reach.why,
      }),
    ];
  if (blind.length === 0) return [reach];
  // What nobody knows the size of may stand where it would go.
  const missing = [...new Set(blind.flatMap((p) => p.missing))];
  return [
    reach,
    plainVerdict({
      ...room,
      about: [...new Set([...about, ...blind.map((p) => p.part)])],
      state: 'unknown',
      why: `Whether ${d.part.name} has room there is not known: ${inWords([...new Set(blind.map((p) => p.name))].slice(0, 4))} ${blind.length > 1 ? 'lack' : 'lacks'} a size.`,
      measure: lacking(missing),
    }),
  ];
}

/** Where it stands, in words: ` at 12 degrees, camera right`. */
function shownAt({ angle, side, flipped }: PlacedDrive): string {
  if (angle === null) return '';
  const deg = exact((((angle * 180) / Math.PI) % 360) + 0, 0);
  return ` at ${deg}\u00b0, camera ${side}${flipped ? ', flipped' : ''}`;
}
