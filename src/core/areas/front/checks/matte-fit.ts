import type { Built } from '../../../build/build';
import { frontOf } from '../place/front';
import { type PlacedBox } from '../place/parts';
import { boxStation } from '../place/layout';
import { constant, exactly, given, type Given } from '../../../build/given';
import { rodSystem } from '../../rods/kit/systems';
import { isPlate, isRing, type Lens, type MatteBox } from '../../../kit/types';
import { exact, sayLength, sayRange, sayMass, bareLength } from '../../../quantity/say';
import type { Interval } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { attachUnknown } from '../model/attach';
import { judge, plainVerdict } from '../../../checks/judge';

/** What a clip-on box closes on: a clamp ring on the thread, or the lens itself. */
export function gripOf(built: Built, lens: Lens): { part: { id: string; name: string }; d: Given } {
  for (const t of [...frontOf(built).thread].reverse())
    if (isRing(t.part) && t.part.clamp !== undefined)
      return { part: t.part, d: given(t.part, 'clamp') };
  return { part: lens, d: given(lens, 'frontDiameter') };
}

/** Room inside [0, slack] left on the nearer side, for an interval of differences. */
function withinSlack(s: Interval, slack: number): Interval {
  const room = (d: number) => Math.min(d, slack - d);
  const mid = Math.min(Math.max(slack / 2, s.lo), s.hi);
  return { value: room(s.value), lo: Math.min(room(s.lo), room(s.hi)), hi: room(mid) };
}

function closes(
  built: Built,
  box: PlacedBox,
  outer: { name: string; id: string; d: Given },
  inner: { name: string; id: string; d: Given },
  key: string,
): Verdict {
  const slack = built.rules['front.fit-slack'];
  let diff = { value: 0, lo: 0, hi: 0 };
  return judge({
    id: 'front.matte-fit',
    key: `front.matte-fit:${key}`,
    about: [...new Set([outer.id, inner.id, box.box.id])],
    station: boxStation(built),
    inputs: [outer.d, inner.d],
    margin: (x) => x[0]! - x[1]!,
    after: (s) => {
      diff = s;
      return withinSlack(s, slack);
    },
    unit: 'mm',
    limit: { value: slack, unit: 'mm', rule: 'front.fit-slack' },
    why: (o) => {
      const a = outer.d.known!.value;
      const b = inner.d.known!.value;
      const sizes = `${outer.name} ${bareLength(a, 1)} on ${inner.name} ${bareLength(b, 1)}`;
      if (o.state === 'ok') return `${sizes}: closes, ${sayLength(diff.value, 1)} slack.`;
      if (o.state === 'tight')
        return `${sizes}: ${sayRange(diff.lo, diff.hi, 'mm')} slack, wanted is 0 to ${sayLength(slack, 1)}. It may or may not close.`;
      return diff.value < 0
        ? `${sizes}: too small by ${sayLength(-diff.value)}, it does not go on.`
        : `${sizes}: ${sayLength(diff.value)} too wide, it does not hold. It needs a reduction ring.`;
    },
    sum: () =>
      `opening - front = ${sayLength(diff.value, 2)} (${sayRange(diff.lo, diff.hi, 'mm')}), wanted 0 to ${exact(slack, 2)}`,
    lacking: (missing) =>
      `Whether ${box.box.name} closes on ${inner.name} is not known: ${missing} missing.`,
    basis: ruleBasis('front.fit-slack'),
  });
}

export const frontMatteFit: Check = {
  id: 'front.matte-fit',
  // What a front carries, or that it turns, no trial at the bench answers.
  tried: (v) => !/:(load|turns)$/.test(v.key),
  title: 'Matte box on the lens',
  short: 'box does not fit',
  says: 'Whether a clip-on box, with its reduction ring if it has one, closes on the lens, whether the lens front can carry it and does not turn; whether a box for rods is made for the rods that are there.',
  formula: '0 <= opening - front diameter <= slack; mass of the box <= what the front carries',
  run(built) {
    const { lens } = built;
    const { box } = frontOf(built);
    if (!lens || !box) return [];
    const b = box.box;
    // Whether it closes on a single rod is said with all that is clamped to one.
    if (b.attach === 'rods') return box.use.on === undefined ? onRods(built, b) : [];
    if (b.attach === undefined)
      return [attachUnknown(built, b, 'front.matte-fit', [b.id], `Whether ${b.name} fits`)];
    const grip = gripOf(built, lens);
    const opening = { name: b.name, id: b.id, d: given(b, 'opening') };
    const onto = { name: grip.part.name, id: grip.part.id, d: grip.d };
    const list: Verdict[] = b.attach === 'both' ? onRods(built, b) : [];
    if (box.ring) {
      const r = box.ring;
      list.push(
        closes(built, box, opening, { name: r.name, id: r.id, d: given(r, 'outer') }, 'ring'),
        closes(built, box, { name: r.name, id: r.id, d: given(r, 'bore') }, onto, 'lens'),
      );
    } else list.push(closes(built, box, opening, onto, 'lens'));
    if (lens.frontRotates === true)
      list.push(
        plainVerdict({
          id: 'front.matte-fit',
          key: 'front.matte-fit:turns',
          about: [b.id, lens.id],
          station: boxStation(built),
          state: 'fail',
          why: `The front of ${lens.name} turns when it focuses: filters and flags in ${b.name} turn with it. A box on rods stays level.`,
          sum: 'the front rotates',
          wanted: ['matte box on rods'],
          basis: '[trade]',
        }),
      );
    list.push(loadOf(built, box, lens));
    return list;
  },
};

/** Whether a box for rods is made for the rods that are there. */
function onRods(built: Built, b: MatteBox): Verdict[] {
  const plate = (built.rig.under ?? []).map((u) => built.kit.get(u.part)).find(isPlate);
  if (!plate) return [];
  if (plate.rods === undefined || b.rods === undefined)
    return [
      plainVerdict({
        id: 'front.matte-fit',
        about: [b.id, plate.id],
        station: boxStation(built),
        state: 'unknown',
        why: `Whether ${b.name} goes onto the rods of ${plate.name} is not known: ${(plate.rods === undefined ? plate : b).name} does not say for which rods it is.`,
        sum: 'No sum: a rod system is not known.',
        basis: '[trade] rod systems',
      }),
    ];
  const same = plate.rods === b.rods;
  const name = (id: string) => rodSystem(id)?.name ?? id;
  return [
    plainVerdict({
      id: 'front.matte-fit',
      about: [b.id, plate.id],
      station: boxStation(built),
      state: same ? 'ok' : 'fail',
      why: same
        ? `${b.name} stands on ${name(b.rods)} rods, as ${plate.name} has them.`
        : `${b.name} is made for ${name(b.rods)} rods, ${plate.name} has ${name(plate.rods)}: it does not go on.`,
      sum: `${name(b.rods)} against ${name(plate.rods)}`,
      basis: '[trade] rod systems',
    }),
  ];
}

/** What hangs on the front of the lens against what that carries. */
function loadOf(built: Built, box: PlacedBox, lens: Lens): Verdict {
  const b = box.box;
  const stated = lens.frontLoad !== undefined;
  const load = stated
    ? given(lens, 'frontLoad')
    : constant('what the front carries', 'g', exactly(built.rules['front.clip-load']));
  const carried = [
    given(b, 'mass'),
    ...box.stages.flatMap((s) =>
      s.filter && !s.out && s.filter.mass !== undefined ? [given(s.filter, 'mass')] : [],
    ),
  ];
  return judge({
    id: 'front.matte-fit',
    key: 'front.matte-fit:load',
    about: [b.id, lens.id],
    station: boxStation(built),
    inputs: [load, ...carried],
    margin: (x) => x.reduce((left, v, i) => (i === 0 ? v : left - v), 0),
    unit: 'g',
    limit: {
      value: load.known?.value ?? 0,
      unit: 'g',
      rule: stated ? null : 'front.clip-load',
    },
    assumed: stated
      ? null
      : `${lens.name} does not say what its front carries; the house rule stands in.`,
    why: (o) => {
      const mass = carried.reduce((t, g) => t + g.known!.value, 0);
      const limit = load.known!.value;
      return o.state === 'fail'
        ? `${b.name} hangs ${sayMass(mass)} on the front of ${lens.name}; ${sayMass(limit)} is what it carries.`
        : `${b.name} hangs ${sayMass(mass)} on the front of ${lens.name}, of ${sayMass(limit)}.`;
    },
    sum: (o) =>
      `${exact(load.known!.value, 0)} - ${carried.map((g) => exact(g.known!.value, 0)).join(' - ')} = ${sayMass(o.value)}`,
    lacking: (missing) =>
      `Whether the front of ${lens.name} carries ${b.name} is not known: ${missing} missing.`,
    basis: stated ? '[math]' : ruleBasis('front.clip-load'),
  });
}
