import type { Built } from '../../../build/build';
import { given } from '../../../build/given';
import type { Verdict } from '../../../checks/finding';
import { judge, said } from '../../../checks/judge';
import type { Carrier } from '../../../kit/types';
import { sayMass } from '../../../quantity/say';
import { above, bearsOf } from '../model/carriers';
import { totalOf, weightsOf } from '../model/weighed';
import { ranked } from './offsets';

/** What its maker states that a carrier bears, against all that is above it. */
export function bears(built: Built, id: string, carrier: Carrier): Verdict {
  const weights = weightsOf(built);
  const { inputs, value } = totalOf(built);
  const also = above(built, carrier).map((c) => given(c, 'mass'));
  const limit = bearsOf(carrier);
  const all = [...new Set([limit, ...inputs, ...also])];
  const index = new Map(all.map((g, i) => [g, i]));
  const load = (x: readonly number[]) =>
    value(inputs.map((g) => x[index.get(g)!]!)) +
    also.reduce((sum, g) => sum + x[index.get(g)!]!, 0);
  const v = judge({
    id,
    key: `${id}:${carrier.id}`,
    about: [carrier.id],
    inputs: all,
    margin: (x) => x[index.get(limit)!]! - load(x),
    unit: 'g',
    limit: { value: limit.known?.value ?? 0, unit: 'g', rule: null },
    why: (o) => {
      const has = limit.known!.value;
      return `${sayMass(has - o.value)} are on ${carrier.name}; its maker states ${sayMass(has)}${o.hi < 0 ? ': too much for it' : o.lo < 0 ? ', about as much' : ''}.`;
    },
    sum: (o) =>
      `${sayMass(limit.known!.value)} - ${sayMass(limit.known!.value - o.value)} = ${sayMass(o.value)}`,
    lacking: (missing) =>
      `Whether ${carrier.name} bears what is on it is not known: ${missing} missing.`,
    basis: '[math] number of its maker',
  });
  return v.state === 'fail'
    ? { ...said(v), wanted: [wantedOf(carrier, v)] }
    : ranked({ weights }, v);
}

function wantedOf(carrier: Carrier, v: Verdict): string {
  const load = (v.limit?.value ?? 0) - (v.margin?.lo ?? 0);
  return `${WHAT[carrier.kind]} that bears ${sayMass(Math.ceil(load / 100) * 100)} or more`;
}

const WHAT: Readonly<Record<Carrier['kind'], string>> = {
  head: 'a tripod head',
  legs: 'a tripod',
  gimbal: 'a gimbal',
  vest: 'a vest or suspension',
  monopod: 'a monopod',
  'vehicle-mount': 'a vehicle mount, chosen by a rigger,',
  strap: 'a strap',
};
