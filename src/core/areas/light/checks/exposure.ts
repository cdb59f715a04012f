import type { Built } from '../../../build/build';
import { frontOf } from '../../front/place/front';
import {
  exposureOf,
  glassOf,
  missingStops,
  ndFor,
  THREAD,
  USUAL_ANGLE,
  USUAL_FPS,
  USUAL_ISO,
  ndChoices,
} from '../model/light';
import { densityOfStops, stopsBetween } from '../../../optics/exposure';
import { exact, plain, say } from '../../../quantity/say';
import { spread } from '../../../quantity/spread';
import { ruleBasis } from '../../../rules/names';
import { wheelAnswers } from '../model/wheel';
import { flicker, sensitivity } from '../model/setting';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, judge } from '../../../checks/judge';

export const frontExposure: Check = {
  id: 'front.exposure',
  byHand: true,
  title: 'Light against the stop',
  short: 'exposure off',
  says: 'Whether the filters that are in bring the light of the scene to the stop worked at, and which ND of the kit is missing for it; whether the sensitivity is one the body has and near the base of its profile; whether the shutter suits the mains.',
  formula:
    '2 log2(scene stop / (T x magnification)) - stops of the stack; scene stop = sqrt(2^EV x ISO/100 x angle / (360 fps))',
  run: (built) => [...exposed(built), ...sensitivity(built), ...flicker(built)],
};

/** The light against the stop worked at. */
function exposed(built: Built): Verdict[] {
  const e = exposureOf(built);
  if (!e || !built.lens) return [];
  const glass = glassOf(built);
  const off = built.rules['front.exposure-off'];
  const inputs = [...e.chip, ...glass.map((g) => g.least), ...glass.map((g) => g.most)];
  const n = e.chip.length;
  const k = glass.length;
  const need = (x: readonly number[]) => stopsBetween(e.scene, e.chipValue(x.slice(0, n)));
  const light = built.rig.light!;
  const set = `EV ${plain(light.ev!)}, ISO ${plain(light.iso ?? USUAL_ISO)}, ${plain(light.fps ?? USUAL_FPS)} fps at ${plain(light.angle ?? USUAL_ANGLE)} degrees`;
  // Over: light to spare with variable filters at their dark end. Under: too dark at their clear end.
  const over = (x: readonly number[]) => need(x) - x.slice(n + k).reduce((t, v) => t + v, 0);
  const under = (x: readonly number[]) => x.slice(n, n + k).reduce((t, v) => t + v, 0) - need(x);
  const ready = inputs.every((g) => g.known !== null);
  const ranges = inputs.map((g) => g.known!);
  const o1 = ready ? spread(ranges, over) : null;
  const u1 = ready ? spread(ranges, under) : null;
  const worse = o1 && u1 && o1.value >= u1.value ? 'over' : 'under';
  const assumed =
    glass
      .map((g) => g.assumed)
      .filter(Boolean)
      .join(' ') || null;
  return [
    judge({
      id: 'front.exposure',
      about: [built.lens.id, ...glass.map((g) => g.part.id)],
      inputs,
      margin: (x) => off - Math.max(over(x), under(x)),
      after: (s) => {
        // Over and under add up to minus what the variable ones can be turned by: the better of
        // the two is never better than half of that.
        const turn = glass.reduce(
          (sum, g) => sum + (g.least === g.most ? 0 : g.most.known!.hi - g.least.known!.lo),
          0,
        );
        return {
          ...s,
          value: off - Math.max(o1!.value, u1!.value),
          lo: off - Math.max(o1!.hi, u1!.hi),
          hi: off - Math.max(o1!.lo, u1!.lo, -turn / 2),
        };
      },
      unit: 'stops',
      limit: { value: off, unit: 'stops', rule: 'front.exposure-off' },
      assumed,
      why: (o) => {
        const stop = exact(e.scene, 1);
        const chip = exact(e.chipValue(e.chip.map((g) => g.known!.value)), 1);
        if (o.state === 'ok')
          return `The light (T${stop}) comes down to T${chip} through ${k === 0 ? 'nothing' : inWords(glass.map((g) => g.part.name))}.`;
        const by = worse === 'over' ? o1!.value : u1!.value;
        if (by <= off) {
          const side = o1!.hi >= u1!.hi ? ('bright' as const) : ('dark' as const);
          return `The light (T${stop}) comes down to T${chip} through ${inWords(glass.map((g) => g.part.name)) || 'nothing'}; inside the tolerances it can be ${say(Math.max(o1!.hi, u1!.hi), 'stops')} too ${side}.`;
        }
        if (worse === 'under') return `${say(by, 'stops')} too dark for T${chip} at ${set}.`;
        const missing = missingStops(built)!;
        const turn = wheelAnswers(built, missing)[0];
        const nd = ndFor(built, missing);
        const names = (nd?.put ?? []).map(
          (p) =>
            `${built.kit.get(p.filter)!.name} ${p.slot === THREAD ? 'on the thread' : `in ${stageName(built, p.slot)}`}`,
        );
        const wheel =
          turn && (!nd || Math.abs(turn.left) <= Math.abs(missing - nd.stops) + 1e-9)
            ? ` ${turn.place.name} on the wheel of ${turn.wheel.owner.name} brings it to within ${say(Math.abs(turn.left), 'stops')}.`
            : null;
        const answer =
          wheel ??
          (names.length > 0
            ? ` ${inWords(names)} ${names.length === 1 ? 'brings' : 'bring'} it to within ${say(Math.abs(missing - nd!.stops), 'stops')}.`
            : noPlace(built, missing));
        return `${say(by, 'stops')} too bright for T${chip} at ${set}: the scene asks for T${stop}.${answer}`;
      },
      sum: () =>
        `scene stop sqrt(2^${plain(light.ev!)} x ${plain((light.iso ?? USUAL_ISO) / 100)} x ${plain(light.angle ?? USUAL_ANGLE)}/(360 x ${plain(light.fps ?? USUAL_FPS)})) = T${exact(e.scene, 2)}; at the chip T${exact(e.chipValue(e.chip.map((g) => g.known!.value)), 2)}; needed ${exact(need(ranges.map((r) => r.value)), 2)} stops (ND ${exact(densityOfStops(need(ranges.map((r) => r.value))), 2)}), in front ${exact(
          glass.reduce((t, g) => t + g.least.known!.value, 0),
          2,
        )} stops`,
      lacking: (missing) => `What the light needs is not known: ${missing} missing.`,
      basis: `[math] ${ruleBasis('front.exposure-off')}`,
    }),
  ];
}

/** Why no ND is named: no place is free, or nothing in the kit goes into one that is. */
function noPlace(built: Built, missing: number): string {
  const choice = ndChoices(built, missing, false);
  if (choice.slots.length === 0) return ' No place is free for an ND.';
  const fits = choice.filters.some((f) => f.count > 0 && f.slots.length > 0);
  return fits
    ? ' No ND of the kit comes near it in the places that are free.'
    : ' No ND of the kit goes into a place that is free.';
}

function stageName(built: Built, id: string): string {
  return frontOf(built).box?.stages.find((s) => s.stage.id === id)?.stage.name ?? id;
}
