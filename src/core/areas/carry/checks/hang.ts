import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import { judge } from '../../../checks/judge';
import type { Verdict } from '../../../checks/finding';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { balanceOf, degrees, leaning, type Balance } from '../model/balance';
import type { Quotient } from '../model/extremes';
import { HANGS } from '../model/hold';
import { aboutOf, judgeOffset, ranked } from './offsets';

export const carryHang: Check = {
  id: 'carry.hang',
  title: 'How it hangs',
  short: 'hangs crooked',
  nearer: 1,
  says: 'How far a rig that hangs by its handle or on a hook drops its nose or a side: it swings until its centre is below the hold. Where the centre is not surely below, it turns over.',
  formula: 'pitch atan2(dz, dy), roll atan2(dx, dy) from the hold down to the centre of gravity',
  run(built) {
    const b = balanceOf(built);
    if (!b || !HANGS.has(b.hold.kind)) return [];
    const below = topHeavy(built, b);
    return below.state === 'ok' ? [below, lean(built, b, 'nose'), lean(built, b, 'roll')] : [below];
  },
};

/** Near nothing below the hold no angle says anything, mm. */
const NEAR = 5;

/** Whether the centre is surely below the hold. */
function topHeavy(_built: Built, b: Balance): Verdict {
  const { above } = b;
  let raw: ReturnType<Quotient['spread']> | null = null;
  const v = judge({
    id: 'carry.hang',
    key: 'carry.hang:below',
    about: aboutOf(b),
    get inputs() {
      return above.inputs;
    },
    missing: above.missing,
    margin: (x) => -above.f(x),
    spread: () => (raw = above.spread()),
    after: (s) => ({ ...s, value: -s.value, lo: -s.hi, hi: -s.lo }),
    wanted: NEAR,
    unit: 'mm',
    limit: { value: 0, unit: 'mm', rule: null },
    why: (o) =>
      o.state === 'ok'
        ? `The centre of gravity hangs ${sayLength(o.value, 0)} under the hold.`
        : o.state === 'fail'
          ? `Top-heavy: the centre of gravity is ${sayLength(raw!.value, 0)} over the hold, it turns over.`
          : `The centre of gravity is about as high as the hold (${sayLength(-o.hi, 0)} to ${sayLength(-o.lo, 0)} over it): it may turn over.`,
    sum: (o) => `y of the hold - sum(m y) / sum(m) = ${exact(o.value, 1)} mm`,
    lacking: (missing) => `How it hangs is not known: ${missing} missing.`,
    basis: '[math]',
  });
  return ranked(b, v);
}

function lean(built: Built, b: Balance, which: 'nose' | 'roll'): Verdict {
  const of = leaning(b, which === 'nose' ? b.fore : b.side);
  const [down, up] =
    which === 'nose' ? ['nose down', 'nose up'] : ['right side down', 'left side down'];
  return judgeOffset(b, {
    id: 'carry.hang',
    key: `carry.hang:${which}`,
    about: aboutOf(b),
    of,
    turned: degrees,
    most: built.rules['carry.tilt-most'],
    free: built.rules['carry.tilt'],
    unit: 'deg',
    limit: { value: built.rules['carry.tilt'], unit: 'deg', rule: 'carry.tilt' },
    assumed: b.hold.assumed,
    why: (o) =>
      `It hangs ${exact(Math.abs(o.value), 1)} deg ${o.value >= 0 ? down : up}${o.state === 'tight' ? ` (${exact(o.lo, 1)} to ${exact(o.hi, 1)})` : ''}.`,
    sum: (o) => `atan(offset / drop) = ${exact(o.value, 1)} deg`,
    lacking: (missing) => `How it hangs is not known: ${missing} missing.`,
    basis: ruleBasis('carry.tilt'),
  });
}
