import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';
import { exact, sayLength, sayMass } from '../../../quantity/say';
import { balanceOf, massOf, weighFirst, type Balance } from '../model/balance';
import { HANGS, STANDS_ON } from '../model/hold';
import { balancing, counterweight, slidersOf, type Slid } from '../model/slides';
import { aboutOf } from './offsets';

export const carrySlide: Check = {
  id: 'carry.slide',
  title: 'What slides it into balance',
  short: 'does not balance',
  says: 'Which things of the rig, slid how far, bring its centre over what holds it: the camera on its plate, a battery on the rods, a pad, the hand along its handle; alone or together with the least movement in all.',
  formula: 'slide = d m / m_p; where the hold moves along d m / (m - m_p)',
  run(built) {
    const b = balanceOf(built);
    if (!b || !(STANDS_ON.has(b.hold.kind) || HANGS.has(b.hold.kind))) return [];
    return [slideOf(built, b)];
  },
};

const BASE = {
  id: 'carry.slide',
  key: 'carry.slide',
  basis: '[math] levers; house rule for the order of cures',
};

function slideOf(built: Built, b: Balance): Verdict {
  const base = { ...BASE, about: aboutOf(b) };
  const { missing } = b.ahead;
  if (missing.length > 0)
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: 'What would balance it is not known: where its weight sits is not.',
      sum: 'No sum.',
      measure: weighFirst(b.weights, lacking(missing)),
    });
  const { value, lo, hi } = b.ahead.spread();
  const free = built.rules['carry.offset'];
  const mass = massOf(built)!.value;
  if (Math.abs(value) <= 1)
    return plainVerdict({
      ...base,
      state: Math.max(Math.abs(lo), Math.abs(hi)) <= free ? 'ok' : 'tight',
      why: `Nothing has to slide: it is balanced along the lens as far as is known (${sayLength(lo, 0)} to ${sayLength(hi, 0)}).`,
      sum: `${exact(value, 1)} mm ahead`,
    });
  const found = balancing(slidersOf(built), value);
  const ways = found.alone.slice(0, 3).map(slidWords);
  const off = `${sayLength(Math.abs(value), 0)} ${value > 0 ? 'front' : 'rear'}-heavy`;
  if (ways.length > 0 || found.together)
    return plainVerdict({
      ...base,
      // What it is off by is judged elsewhere; within what is let go nothing has to be done.
      state: Math.max(Math.abs(lo), Math.abs(hi)) <= free ? 'ok' : 'tight',
      why: `${off}: ${ways.length > 0 ? ways.join(', or ') : found.together!.map(slidWords).join(' and ')} balances it.`,
      sum: `${exact(value, 1)} mm x ${exact(mass, 0)} g`,
    });
  const behind = b.weights.map((w) => w.at[2].c).reduce((a, z) => Math.min(a, z), 0);
  const weight = counterweight(mass, value, -200 * Math.sign(value));
  return plainVerdict({
    ...base,
    // Inside the tolerances it may be nearer than it seems: only the best case fails.
    state: b.hold.assumed || nearest(lo, hi) <= Math.abs(value - found.left) ? 'tight' : 'fail',
    why: `${off}, and nothing that slides brings it into balance: ${sayLength(Math.abs(found.left), 0)} are left with everything at its end.`,
    sum: `${exact(value, 1)} mm x ${exact(mass, 0)} g, ${exact(found.left, 1)} mm left`,
    wanted:
      weight === null || !Number.isFinite(behind)
        ? []
        : [
            `something useful of ${sayMass(weight)} ${sayLength(200, 0)} ${value > 0 ? 'behind' : 'ahead of'} the hold: a battery, a recorder; a counterweight last`,
          ],
  });
}

/** How near to the hold the centre may surely be. */
const nearest = (lo: number, hi: number) =>
  lo <= 0 && hi >= 0 ? 0 : Math.min(Math.abs(lo), Math.abs(hi));

/** `Lattice battery 62 mm back`. */
export function slidWords({ slider, by }: Slid): string {
  return `${slider.name} slid ${sayLength(Math.abs(by), 0)} ${by < 0 ? 'back' : 'forward'}`;
}
