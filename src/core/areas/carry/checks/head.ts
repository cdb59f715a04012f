import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import { minus, of } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict, said } from '../../../checks/judge';
import type { Carrier } from '../../../kit/types';
import { exact, say } from '../../../quantity/say';
import type { Spread } from '../../../quantity/spread';
import { GRAVITY, moment } from '../../support/model/load';
import { awayFrom, balanceOf, mean, momentEnds, type Balance } from '../model/balance';
import { totalOf } from '../model/weighed';
import { carriersOf } from '../model/carriers';
import { along } from '../model/hold';
import { bears } from './bears';
import { ranked } from './offsets';

export const carryHead: Check = {
  id: 'carry.head',
  title: 'What the head must hold',
  short: 'too much for the head',
  says: 'Whether the head bears the rig by the number of its maker, and whether its counterbalance reaches the moment of the rig about the tilt axis; which step to set. A head balances at its axis, not at its plate.',
  formula: 'm g (h sin t + d cos t), h centre over the tilt axis, d ahead of it, t from level',
  run(built) {
    const b = balanceOf(built);
    return carriersOf(built, 'head').flatMap((head) => [
      bears(built, 'carry.head', head),
      ...(b && b.hold.kind === 'head' ? [counter(built, b, head)] : []),
    ]);
  },
};

/** Counterbalance against the moment at 90 degrees, `m g h`. */
function counter(built: Built, b: Balance, head: Carrier): Verdict {
  const base = {
    id: 'carry.head',
    key: `carry.head:${head.id}:counter`,
    about: [head.id],
    basis: '[math] moment about the tilt axis',
  };
  const axis = given(head, 'tiltAxis');
  const [from, to] = [given(head, 'counterFrom'), given(head, 'counterTo')];
  const over = of(axis);
  const height = mean(b.poised, awayFrom(minus(along(b.hold.at, b.up), over), b.up));
  const all = totalOf(built);
  const { inputs: masses, value: total } = all;
  const inputs = [...new Set([...height.inputs, ...masses, from, to])];
  const at = new Map(inputs.map((g, i) => [g, i]));
  const wants = (x: readonly number[]) =>
    moment(
      total(masses.map((g) => x[at.get(g)!]!)),
      height.f(height.inputs.map((g) => x[at.get(g)!]!)),
    );
  let need: Spread | null = null;
  const v = judge({
    ...base,
    inputs,
    margin: (x) => Math.min(x[at.get(to)!]! - wants(x), wants(x) - x[at.get(from)!]!),
    spread: () => {
      need = momentEnds(height.spread(), all);
      const [f, t] = [from.known!, to.known!];
      return {
        value: Math.min(t.value - need.value, need.value - f.value),
        lo: Math.min(t.lo - need.hi, need.lo - f.hi),
        hi: Math.min(t.hi - need.lo, need.hi - f.lo),
        shares: inputs.map((g) => height.inputs.indexOf(g)).map((i) => need!.shares[i] ?? 0),
      };
    },
    unit: 'N m',
    limit: { value: to.known?.value ?? 0, unit: 'N m', rule: null },
    why: (o) => {
      const range = `${head.name} balances ${say(from.known!.value, 'N m')} to ${say(to.known!.value, 'N m')}`;
      const asks = `The rig wants ${say(need!.value, 'N m')} at 90 deg, ${say(need!.value / 2, 'N m')} at 30`;
      if (need!.hi < 0)
        return `The rig hangs below the tilt axis of ${head.name}: no counterbalance.`;
      const step = stepOf(head, need!.value, from.known!.value, to.known!.value);
      return `${asks}; ${range}${o.state === 'ok' ? `: ${step}` : need!.value > to.known!.value ? ': too little' : need!.value < from.known!.value ? ': its least is too much' : ', about that'}.`;
    },
    sum: () => {
      const s = height.spread();
      const m = total(masses.map((g) => g.known!.value));
      return `${exact(m / 1000, 2)} kg x ${exact(GRAVITY, 5)} x ${exact(s.value, 0)} mm = ${exact(need!.value, 2)} N m`;
    },
    lacking: (missing) =>
      `Whether the counterbalance of ${head.name} holds the rig is not known: ${missing} missing.`,
  });
  const ends = need as Spread | null;
  if (ends && ends.hi < 0) return plainVerdict({ ...said(v), state: 'tight', wanted: [] });
  if (v.state === 'fail' && ends && ends.value > (to.known?.value ?? 0))
    return {
      ...said(v),
      wanted: [
        `a tripod head whose counterbalance reaches ${say(Math.ceil(ends.hi), 'N m')} at 90 deg`,
      ],
    };
  return ranked(b, v);
}

/** The step that comes nearest, where its steps are even. */
function stepOf(head: Carrier, need: number, from: number, to: number): string {
  const { steps } = head;
  if (!steps || steps < 2 || to <= from) return 'within it';
  const step = 1 + Math.round(((need - from) / (to - from)) * (steps - 1));
  return `set step ${Math.min(steps, Math.max(1, step))} of ${steps}`;
}
