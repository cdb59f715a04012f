import { axisOf } from '../../../build/axis';
import { boxStationOf } from '../place/box';
import { clips } from '../kit/attach';
import { frontOf, lensSeat, travelOf } from '../place/front';
import { Inputs } from '../place/parts';
import { constant, given } from '../../../build/given';
import { valueOf } from '../../../quantity/quantity';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge } from '../../../checks/judge';

export const frontMatteTravel: Check = {
  id: 'front.matte-travel',
  title: 'Lens front against the box',
  short: 'front strikes box',
  says: 'Whether the lens front with what is on its thread, at its longest, stays clear of a box that stands on rods, and whether rings and filters on the thread stay clear of the first stage inside the box.',
  formula: 'back of the box (or first window) - longest lens front - length on the thread >= air',
  run(built) {
    const front = frontOf(built);
    const { lens } = built;
    const { box } = front;
    if (!lens || !box) return [];
    const b = box.box;
    const air = built.rules['front.travel-air'];
    const list: Verdict[] = [];
    const about = [b.id, lens.id, ...front.thread.map((t) => t.part.id)];
    const limit = { value: air, unit: 'mm', rule: 'front.travel-air' };
    const basis = ruleBasis('front.travel-air');
    const longest = longestOf(built);
    if (!clips(b) && box.use.station !== undefined && longest && built.body) {
      const at = box.use.station;
      const seat = lensSeat(built);
      const inputs = new Inputs();
      if (b.attach === undefined) inputs.add(constant(`how ${b.name} is held`, 'mm', null));
      const own = inputs.add(longest);
      const thick = front.thread.map((t) => inputs.add(given(t.part, 'thickness')));
      const st = inputs.add(boxStationOf(b, at));
      const from = inputs.sum(axisOf(built).seat);
      list.push(
        judge({
          id: 'front.matte-travel',
          key: 'front.matte-travel:box',
          about,
          station: at,
          inputs: inputs.list,
          margin: (x) => st(x) - from(x) - own(x) - thick.reduce((t, n) => t + n(x), 0),
          wanted: air,
          unit: 'mm',
          limit,
          why: (o) =>
            o.state === 'fail'
              ? `The front of ${lens.name} runs ${sayLength(-o.value)} into ${b.name} at its longest.`
              : `${sayLength(o.value)} of air between ${b.name} and the front of ${lens.name} at its longest${o.state === 'tight' ? `; ${sayLength(air)} wanted` : ''}.`,
          sum: (o) =>
            `${exact(at, 1)} - (${exact(seat!, 1)} + ${exact(longest.known!.value, 1)} + ${exact(valueOfThread(front.thread), 1)}) = ${sayLength(o.value, 1)}`,
          lacking: (missing) =>
            `Whether the front of ${lens.name} runs into ${b.name} is not known: ${missing} missing.`,
          basis,
        }),
      );
    }
    const first = box.stages.find((s) => !s.out);
    if (front.thread.length > 0 && first && front.seat) {
      const inputs = new Inputs();
      const thick = front.thread.map((t) => inputs.add(given(t.part, 'thickness')));
      const z = inputs.add(given(b, 'stages', first.stage.id, 'z'));
      const outs = box.stages
        .filter((s) => s.out && (valueOf(s.stage.z) ?? 0) < (valueOf(first.stage.z) ?? 0))
        .map((s) => inputs.add(given(b, 'stages', s.stage.id, 'shorter')));
      const clampAt = front.thread.findIndex(
        (t) => 'clamp' in t.part && t.part.clamp !== undefined,
      );
      const station = box.use.station;
      const reach = travelOf(built);
      if (b.attach === undefined) inputs.add(constant(`how ${b.name} is held`, 'mm', null));
      if (b.attach === 'rods' && station !== undefined && reach === null)
        inputs.add(constant(`how far the front of ${lens.name} comes`, 'mm', null));
      list.push(
        judge({
          id: 'front.matte-travel',
          key: 'front.matte-travel:stage',
          about,
          inputs: inputs.list,
          margin: (x) => {
            const all = thick.reduce((t, n) => t + n(x), 0);
            const room = z(x) - outs.reduce((t, n) => t + n(x), 0);
            if (b.attach === 'rods')
              return (station !== undefined && reach !== null ? station - reach - all : air) + room;
            const held = thick.slice(0, clampAt + 1).reduce((t, n) => t + n(x), 0);
            return room - (all - held);
          },
          wanted: air,
          unit: 'mm',
          limit,
          why: (o) =>
            o.state === 'fail'
              ? `What is on the thread of ${lens.name} reaches ${sayLength(-o.value)} into ${first.stage.name} of ${b.name}.`
              : `${sayLength(o.value)} between what is on the thread and ${first.stage.name} of ${b.name}${o.state === 'tight' ? `; ${sayLength(air)} wanted` : ''}.`,
          sum: (o) =>
            `first window ${sayLength(valueOf(first.stage.z) ?? 0, 1)} from the back, on the thread ${sayLength(valueOfThread(front.thread), 1)}: ${sayLength(o.value, 1)}`,
          lacking: (missing) =>
            `Whether the thread clears the stages of ${b.name} is not known: ${missing} missing.`,
          basis,
        }),
      );
    }
    return list;
  },
};

function valueOfThread(thread: readonly { from: number; to: number }[]): number {
  return thread.reduce((t, p) => t + p.to - p.from, 0);
}

/** The longest that the lens gets, as a given. */
function longestOf(built: Parameters<typeof travelOf>[0]) {
  const { lens } = built;
  if (!lens) return null;
  const keys = ['length', 'lengthClose', 'lengthTo'] as const;
  let best: (typeof keys)[number] = 'length';
  for (const k of keys) if ((valueOf(lens[k]) ?? -1) > (valueOf(lens[best]) ?? -1)) best = k;
  return given(lens, best);
}
