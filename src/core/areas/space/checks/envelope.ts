import type { Rig } from '../../../kit/types';
import type { StandSolid } from '../../../place/setting';
import type { Given } from '../../../build/given';
import { standOf, type Stand } from '../../../stand/stand';
import { exact, sayLength } from '../../../quantity/say';
import { spread } from '../../../quantity/spread';
import { edgeFrom, onceAmong, pieceOf } from '../model/clearance';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict } from '../../../checks/judge';

const SAYS = [
  { key: 'width', axis: 0, name: 'wide', what: 'width' },
  { key: 'height', axis: 1, name: 'tall', what: 'height' },
  { key: 'length', axis: 2, name: 'long', what: 'length' },
] as const;

export const spaceEnvelope: Check = {
  id: 'space.envelope',
  title: 'Size of the rig',
  short: 'too big',
  says: 'How tall, wide and long the rig is against the limits of where it has to go: a cabin, a hatch, a case.',
  formula: 'limit - height it stands at - (highest - lowest point); limit - extent',
  run(built) {
    const limits = built.rig.limits;
    if (!limits) return [];
    const stand = standOf(built);
    const blind = [
      ...new Set(
        stand.pieces.filter((p) => p.is !== 'screen' && p.is !== 'swing').flatMap((p) => p.missing),
      ),
    ];
    const solids = stand.solids.filter((s) => s.known && s.role !== 'sweep');
    return sidesOf(built.rig).flatMap((side): Verdict[] => {
      const limit = limits[side.key];
      if (limit === undefined) return [];
      return blind.length > 0 || solids.length === 0
        ? [notKnown(stand, side, blind)]
        : [ofSide(stand, side, solids, limits, limit)];
    });
  },
};

interface Side {
  key: 'width' | 'height' | 'length';
  axis: 0 | 1 | 2;
  name: string;
  what: string;
}

/** Width is height while the camera is upright. */
function sidesOf({ upright }: Rig): readonly Side[] {
  return upright === undefined
    ? SAYS
    : SAYS.map((s) => ({ ...s, axis: s.axis === 0 ? 1 : s.axis === 1 ? 0 : 2 }));
}

/** One size of the rig against what it has to fit into. */
function ofSide(
  stand: Stand,
  { key, axis, name, what }: Side,
  solids: readonly StandSolid[],
  limits: NonNullable<Rig['limits']>,
  limit: number,
): Verdict {
  const place = limits.name ? ` of the ${limits.name}` : '';
  const base = { id: 'space.envelope', key: `space.envelope:${key}`, basis: '[math]' };
  const high = solids.reduce((m, s) => (s.extent[axis + 3]! > m.extent[axis + 3]! ? s : m));
  const low = solids.reduce((m, s) => (s.extent[axis]! < m.extent[axis]! ? s : m));
  // Whichever sticks out farthest when the numbers are others.
  const far = (axis + 3) as 3 | 4 | 5;
  const tops = solids.filter((s) => s.extent[far] + s.loose >= high.extent[far] - high.loose);
  const bottoms = solids.filter((s) => s.extent[axis] - s.loose <= low.extent[axis] + low.loose);
  const inputs = [...new Set([...tops, ...bottoms].flatMap((s) => s.inputs))];
  const topOf = tops.map((s) => edgeFrom(s, far, inputs));
  const bottomOf = bottoms.map((s) => edgeFrom(s, axis, inputs));
  const at = key === 'height' ? (limits.standsAt ?? 0) : 0;
  const margin = (x: readonly number[]) => {
    let most = -Infinity;
    let least = Infinity;
    for (const f of topOf) most = Math.max(most, f(x));
    for (const f of bottomOf) least = Math.min(least, f(x));
    return limit - at - (most - least);
  };
  const [top, bottom] = [pieceOf(stand, high), pieceOf(stand, low)];
  return judge({
    ...base,
    about: [...new Set([top.part, bottom.part])],
    station: (high.extent[2] + high.extent[5]) / 2,
    inputs,
    margin,
    spread: () =>
      onceAmong([...tops, ...bottoms], `${axis} within ${limit - at}`, () =>
        spread(
          inputs.map((g) => g.known!),
          margin,
        ),
      ),
    unit: 'mm',
    limit: { value: limit, unit: 'mm', rule: null },
    why: (o) => {
      const size = limit - at - o.value;
      const says = `The rig is ${sayLength(size, 0)} ${name}${at > 0 ? ` and stands at ${sayLength(at, 0)}` : ''}, from ${bottom.name} to ${top.name}`;
      return o.value < 0
        ? `${says}: ${sayLength(-o.value, 0)} over the ${sayLength(limit, 0)}${place}.`
        : `${says}: ${sayLength(o.value, 0)} to spare under the ${sayLength(limit, 0)}${place}.`;
    },
    sum: (o) =>
      `${exact(limit, 0)}${at > 0 ? ` - ${exact(at, 0)}` : ''} - ${exact(limit - at - o.value, 1)} = ${sayLength(o.value, 1)}`,
    lacking: (missing) => `The ${what} of the rig is not known: ${missing} missing.`,
  });
}

function notKnown(stand: Stand, { key, name }: Side, blind: readonly Given[]): Verdict {
  const labels = blind.map((g) => g.label).slice(0, 3);
  const more = blind.length > 3 ? `, and ${blind.length - 3} more` : '';
  return plainVerdict({
    id: 'space.envelope',
    key: `space.envelope:${key}`,
    basis: '[math]',
    about: stand.pieces.filter((p) => p.missing.length > 0).map((p) => p.part),
    state: 'unknown',
    why: `How ${name} the rig is is not known: ${labels.join(', ') || 'a body'} missing${more}.`,
    sum: 'No sum.',
    measure: lacking(blind),
  });
}
