import { pieceKey } from '../../../place/piece';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { constant, given, type Given } from '../../../build/given';
import { reader } from '../../../build/lin';
import { GRAVITY } from '../../support/model/load';
import { isFitting, type FittedUse, type Fitting } from '../../../kit/types';
import { usesOn } from '../../../roles/uses';
import { bounds, type Bounds } from '../../../solids/solid';
import type { StandSolid } from '../../../place/setting';
import { exact } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/rules';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge, lacking, plainVerdict } from '../../../checks/judge';

/** Where the weight of a part sits that nobody weighed: its middle, within this of its extents. */
const CENTRE_DOUBT = 0.15;
/** What locks on by itself needs no screws. */
const LOCKS: readonly string[] = ['battery', 'battery-plate', 'dummy-battery'];

export const carryTwist: Check = {
  id: 'carry.twist',
  title: 'Leverage on a single screw, and ratings',
  short: 'turns on its screw',
  says: 'Whether a part that is held by one screw without pins, with everything that hangs on it, has enough leverage in any direction to turn or bend it; and whether what hangs on a part, or for a handle the whole rig, stays inside the rating its maker states.',
  formula: '|sum of mass x (its centre - the screw)| x g; and rating - mass',
  run(built) {
    const stand = standOf(built);
    return (built.rig.fitted ?? []).flatMap((use): Verdict[] => {
      const part = built.kit.get(use.part);
      const piece = stand.onCamera.find((p) => p.key === pieceKey('fitted', use.id));
      if (!isFitting(part) || !piece || part.kind === 'cage') return [];
      return [...twist(built, use, part), ...rating(built, use, part)];
    });
  },
};

/** A fitted part and all that hangs on it. */
function carried(stand: Stand, use: FittedUse): FittedUse[] {
  const all = [use];
  const { fitted } = stand;
  for (let i = 0; i < all.length; i++)
    for (const u of fitted) if (u.to === all[i]!.id && !all.includes(u)) all.push(u);
  return all;
}

const mid = (e: Bounds, k: 0 | 1 | 2) => (e[k] + e[(k + 3) as 3 | 4 | 5]) / 2;

function twist(built: Built, use: FittedUse, part: Fitting): Verdict[] {
  const stand = standOf(built);
  const limit = built.rules['carry.twist'];
  const base = {
    id: 'carry.twist',
    key: `carry.twist:${use.id}`,
    pieces: [pieceKey('fitted', use.id)],
    basis: `${ruleBasis('carry.twist')}; ratings of its maker count`,
  };
  if (use.on === 'rods' || LOCKS.includes(part.kind)) return [];
  if (part.screws === undefined)
    return [
      plainVerdict({
        ...base,
        about: [part.id],
        state: 'unknown',
        why: `How ${part.name} is held is not known: nobody said by how many screws.`,
        sum: 'No sum.',
        measure: lacking([{ ...given(part, 'screws'), unit: '', known: null }]),
      }),
    ];
  if (part.screws !== 1 || part.pins === true) return [];
  const all = carried(stand, use).flatMap((u) => {
    const p = built.kit.get(u.part);
    const piece = stand.onCamera.find((x) => x.key === pieceKey('fitted', u.id));
    const solid = piece?.solids[0];
    return p && piece && solid ? [{ part: p, piece, solid }] : [];
  });
  const target: StandSolid | undefined = (
    stand.onCamera.find((p) => p.key === pieceKey('fitted', use.to)) ?? stand.onCamera[0]
  )?.solids[0];
  const own = all[0];
  if (!own || !target) return [];
  const masses = all.map((a) => given(a.part, 'mass'));
  const sizes = [...new Set([...all.flatMap((a) => a.solid.inputs), ...target.inputs])];
  const centre: Given = constant(`where the weight of ${part.name} sits`, '', {
    value: 0,
    tol: CENTRE_DOUBT,
    from: 'guess',
    lo: -CENTRE_DOUBT,
    hi: CENTRE_DOUBT,
  });
  const inputs = [...new Set([...masses, ...sizes, centre])];
  const from = reader(inputs);
  const out =
    use.on === 'left' || use.on === 'right' ? 0 : use.on === 'top' || use.on === 'bottom' ? 1 : 2;
  const momentOf = (x: readonly number[]) => {
    const read = from(x);
    const e = bounds(own.solid.make(read));
    const t = bounds(target.make(read));
    // The screw stands where the part meets the face: its middle, as far as the face goes.
    const screw = ([0, 1, 2] as const).map((k) => {
      if (k === out) {
        const ahead = mid(e, k) >= mid(t, k);
        return ahead ? e[k] : e[(k + 3) as 3 | 4 | 5];
      }
      return Math.min(t[(k + 3) as 3 | 4 | 5], Math.max(t[k], mid(e, k)));
    });
    const sum = [0, 0, 0];
    let doubt = 0;
    all.forEach((a, i) => {
      const b = bounds(a.solid.make(read));
      const m = read(masses[i]!) / 1000;
      for (const k of [0, 1, 2] as const) sum[k]! += (m * (mid(b, k) - screw[k]!)) / 1000;
      doubt += (m * Math.hypot(b[3] - b[0], b[4] - b[1], b[5] - b[2])) / 2000;
    });
    return GRAVITY * Math.max(0, Math.hypot(sum[0]!, sum[1]!, sum[2]!) + read(centre) * doubt);
  };
  const names = all.slice(1).map((a) => a.part.name);
  const what = names.length > 0 ? `${part.name} with ${inWords(names)}` : part.name;
  return [
    judge({
      ...base,
      about: [...new Set(all.map((a) => a.part.id))],
      station: mid(own.solid.extent, 2),
      inputs,
      margin: (x) => limit - momentOf(x),
      // It turns and is turned back: tight at worst, a rating is another matter.
      after: (s) => ({ ...s, hi: Math.max(0, s.hi) }),
      unit: 'N m',
      limit: { value: limit, unit: 'N m', rule: 'carry.twist' },
      why: (o) =>
        o.state === 'ok'
          ? `${what} ${names.length > 0 ? 'pull' : 'pulls'} on ${names.length > 0 ? 'the' : 'its'} single screw with ${exact(limit - o.value, 2)} N m.`
          : `${what} ${names.length > 0 ? 'pull' : 'pulls'} on ${names.length > 0 ? 'the' : 'its'} single screw with ${exact(limit - o.value, 2)} N m and ${o.value < 0 ? 'turns' : 'may turn'}: two screws, or pins.`,
      sum: (o) =>
        `${masses.map((m) => `${exact(m.known!.value, 0)} g`).join(' + ')}: ${exact(limit - o.value, 2)} N m about the screw; ${exact(limit, 2)} allowed`,
      lacking: (missing) =>
        `Whether ${part.name} turns on its screw is not known: ${missing} missing.`,
    }),
  ];
}

/** The rating that a maker states: for a handle the whole rig hangs on it, else what it carries. */
function rating(built: Built, use: FittedUse, part: Fitting): Verdict[] {
  if (part.rating === undefined) return [];
  const stand = standOf(built);
  const whole = part.kind === 'handle';
  const ids = whole
    ? usesOn(built.rig)
    : carried(stand, use)
        .slice(1)
        .map((u) => u.part);
  if (ids.length === 0) return [];
  const parts = ids.flatMap((id) => built.kit.get(id) ?? []);
  const limit = given(part, 'rating');
  const masses = parts.map((p) => given(p, 'mass'));
  // A piece used twice counts twice: its number is read once and added as often.
  const inputs = [...new Set([limit, ...masses])];
  const from = reader(inputs);
  return [
    judge({
      id: 'carry.twist',
      key: `carry.twist:${use.id}:rating`,
      pieces: [pieceKey('fitted', use.id)],
      about: [part.id],
      inputs,
      margin: (x) => {
        const read = from(x);
        return read(limit) - masses.reduce((sum, m) => sum + read(m), 0);
      },
      unit: 'g',
      limit: { value: limit.known?.value ?? 0, unit: 'g', rule: null },
      // A handle is only loaded with the rig when somebody lifts it by that: tight at worst.
      after: (s) => (whole ? { ...s, hi: Math.max(0, s.hi) } : s),
      why: (o) => {
        const mass = exact(limit.known!.value - o.value, 0);
        const says = whole
          ? `The rig weighs ${mass} g; the maker of ${part.name} rates it for ${exact(limit.known!.value, 0)} g`
          : `${mass} g hang on ${part.name}; its maker rates it for ${exact(limit.known!.value, 0)} g`;
        return o.hi < 0
          ? `${says}: too much for it.`
          : o.value < 0
            ? `${says}: do not lift the rig by it.`
            : `${says}.`;
      },
      sum: (o) =>
        `${exact(limit.known!.value, 0)} - ${exact(limit.known!.value - o.value, 0)} = ${exact(o.value, 0)} g`,
      lacking: (missing) =>
        `Whether ${part.name} is rated for what hangs on it is not known: ${missing} missing.`,
      basis: '[math] number of its maker',
    }),
  ];
}
