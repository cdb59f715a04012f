import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { exact, say, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { isCarrier } from '../../../kit/types';
import { given, type Given } from '../../../build/given';
import { balanceOf, massOf, type Balance } from '../model/balance';
import { HOLDS, STANDS_ON } from '../model/hold';
import { frontRear } from '../model/slides';
import { aboutOf, judgeOffset } from './offsets';

export const carryBalanceFore: Check = {
  id: 'carry.balance-fore',
  title: 'Balance fore and aft',
  short: 'leans',
  nearer: 5,
  says: 'How far the centre of gravity lies ahead of or behind what the rig stands on: a head, a shoulder, a gimbal. About a shoulder front and rear are said as moments.',
  formula: 'sum(m z) / sum(m) - z of the support',
  run(built) {
    const b = standing(built);
    return b ? [offset(built, b, 'fore')] : [];
  },
};

export const carryBalanceSide: Check = {
  id: 'carry.balance-side',
  title: 'Balance to the side',
  short: 'leans to a side',
  nearer: 5,
  says: 'How far the centre of gravity lies beside what the rig stands on: a screen at a side rolls the camera.',
  formula: 'sum(m x) / sum(m) - x of the support',
  run(built) {
    const b = standing(built);
    return b ? [offset(built, b, 'side')] : [];
  },
};

function standing(built: Built): Balance | null {
  const b = balanceOf(built);
  return b && STANDS_ON.has(b.hold.kind) ? b : null;
}

interface Travel {
  most: number;
  /** The carrier that states it, and its number; null where the rule stands in. */
  of: string | null;
  travel: Given | null;
}

/** Half of the travel that is stated for the plate of a head or a gimbal, mm; the rule's else. */
export function travelOf(built: Built, way: 'fore' | 'side'): Travel {
  const rule = built.rules['carry.offset-most'];
  const none = { most: rule, of: null, travel: null };
  const carrier = (built.rig.carriers ?? [])
    .map((u) => built.kit.get(u.part))
    .filter(isCarrier)
    .find((c) => c.kind === 'head' || c.kind === 'gimbal');
  if (!carrier) return none;
  const field =
    carrier.kind === 'head' ? 'slideTravel' : way === 'fore' ? 'travelFore' : 'travelSide';
  if (carrier.kind === 'head' && way === 'side') return none;
  const travel = given(carrier, field);
  // A head whose travel nobody stated may have none: that is asked for.
  return { most: (travel.known?.value ?? 2 * rule) / 2, of: carrier.name, travel };
}

function offset(built: Built, b: Balance, which: 'fore' | 'side'): Verdict {
  const { most, of, travel } = travelOf(built, which);
  const free = Math.min(built.rules['carry.offset'], most);
  const [ahead, behind] =
    which === 'fore' ? ['ahead of', 'behind'] : ['to camera right of', 'to camera left of'];
  const by = HOLDS[b.hold.kind].by;
  const says = (x: number) =>
    `${sayLength(Math.abs(x), 0)} ${x >= 0 ? ahead : behind} the middle of ${by}`;
  return judgeOffset(b, {
    id: `carry.balance-${which}`,
    key: `carry.balance-${which}`,
    about: aboutOf(b),
    of: which === 'fore' ? b.ahead : b.right,
    most,
    travel,
    free,
    unit: 'mm',
    limit: { value: free, unit: 'mm', rule: 'carry.offset' },
    assumed: b.hold.assumed,
    why: (o) => {
      const shoulder = which === 'fore' && b.hold.kind === 'shoulder' ? ` ${shoulderWords(b)}` : '';
      const over =
        o.state === 'fail'
          ? `: more than ${of ? `the plate of ${of} slides` : 'is taken up'}, ${sayLength(most, 0)}`
          : '';
      return `The centre of gravity lies ${says(o.value)}${o.state === 'ok' || o.state === 'fail' ? '' : ` (${span(o)})`}${over}.${shoulder}`;
    },
    sum: (o) => sumOf(built, o.value),
    lacking: (missing) => `Where the weight of the rig sits is not known: ${missing} missing.`,
    basis: ruleBasis('carry.offset'),
  });
}

/** `from 3 mm behind to 20 mm ahead`, short. */
export const span = (o: { lo: number; hi: number }) =>
  `${sayLength(o.lo, 0)} to ${sayLength(o.hi, 0)}`;

function sumOf(built: Built, value: number): string {
  const m = massOf(built);
  return `sum(m z) / sum(m) over ${m ? `${exact(m.value, 0)} g` : 'all parts'} - support = ${exact(value, 1)} mm`;
}

/** Front and rear about the shoulder. */
function shoulderWords(b: Balance): string {
  const m = frontRear(b);
  if (!m) return '';
  if (m.rear < 0.01) return 'Nothing behind the shoulder balances it.';
  return `Front to rear ${say(m.front, 'N m')} to ${say(m.rear, 'N m')}, ${exact(m.front / m.rear, 2)} : 1.`;
}
