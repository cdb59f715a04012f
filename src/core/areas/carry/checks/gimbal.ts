import type { Built } from '../../../build/build';
import { given, type Given } from '../../../build/given';
import { lin, plus, times, of, type Lin } from '../../../build/lin';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, said } from '../../../checks/judge';
import type { Carrier } from '../../../kit/types';
import { exact, sayLength } from '../../../quantity/say';
import { standOf } from '../../../stand/stand';
import { balanceOf, lies, type Balance } from '../model/balance';
import { carriersOf } from '../model/carriers';
import { quotient, type Quotient } from '../model/extremes';
import { doubtOf, endsOf, facesOf } from '../model/hold';
import { bears } from './bears';
import { ranked } from './offsets';

export const carryGimbal: Check = {
  id: 'carry.gimbal',
  title: 'Whether a gimbal takes it',
  short: 'not for this gimbal',
  nearer: 3,
  says: 'Whether the gimbal bears the rig, whether the rig goes between its arms and swings clear of the one behind, and whether its travels bring all three axes through the centre of gravity.',
  formula:
    'payload - mass; room between the arms - width; travel / 2 - offset; height of the centre over the plate inside its range',
  run(built) {
    const b = balanceOf(built);
    return carriersOf(built, 'gimbal').flatMap((g) => [
      bears(built, 'carry.gimbal', g),
      ...(b && b.hold.kind === 'gimbal'
        ? [
            ...between(built, b, g),
            behind(built, b, g),
            travel(b, g, 'fore'),
            travel(b, g, 'side'),
            ...height(b, g),
          ]
        : []),
    ]);
  },
};

const base = (g: Carrier, what: string) => ({
  id: 'carry.gimbal',
  key: `carry.gimbal:${g.id}:${what}`,
  about: [g.id],
  limit: null,
  basis: '[math]',
});

/** Every piece that lies within the arms, as far out to each side as it goes. */
function between(built: Built, b: Balance, g: Carrier): Verdict[] {
  const room = given(g, 'between');
  const out = standOf(built)
    .pieces.filter((p) => p.solids.some((s) => !s.moving))
    .flatMap((p) => {
      const [lo, hi] = endsOf(facesOf(p), b.side.k);
      const [left, right] = b.side.sign === 1 ? [lo, hi] : [times(hi, -1), times(lo, -1)];
      return [
        { p, far: right, sign: 1 },
        { p, far: times(left, -1), sign: -1 },
      ];
    });
  // The roll axis goes through the centre of gravity once it is balanced: that is where the arms stand.
  const worst = (sign: 1 | -1) =>
    out
      .filter((o) => o.sign === sign)
      .map((o) => ({ ...o, of: roomBeside(b, room, o.far, sign) }))
      // Of all pieces the one that may come nearest, not the one that does so nominally.
      .map((o) => ({ ...o, v: least(o.of) }))
      .sort((x, y) => x.v - y.v || (x.p.key < y.p.key ? -1 : 1))[0];
  const sides = ([1, -1] as const).flatMap((sign) => worst(sign) ?? []);
  const first = sides.sort((x, y) => x.v - y.v)[0];
  if (!first) return [];
  const v = judge({
    ...base(g, 'between'),
    about: [g.id, first.p.part],
    pieces: [first.p.key],
    inputs: first.of.inputs,
    margin: first.of.f,
    spread: first.of.spread,
    wanted: 5,
    unit: 'mm',
    why: (o) =>
      o.hi < 0
        ? `${first.p.name} goes ${sayLength(-o.value, 0)} into an arm of ${g.name} when the axes are balanced.`
        : `${first.p.name} passes the arm of ${g.name} with ${sayLength(o.value, 0)}${o.lo < 0 ? ', or not, inside the tolerances' : ''}.`,
    sum: (o) =>
      `${exact(room.known!.value, 0)} / 2 - reach from the centre = ${exact(o.value, 1)} mm`,
    lacking: (m) =>
      `Whether the rig goes between the arms of ${g.name} is not known: ${m} missing.`,
  });
  return [
    ranked(
      b,
      v.state === 'fail'
        ? {
            ...said(v),
            wanted: [
              `a gimbal with ${sayLength(Math.ceil((room.known?.value ?? 0) - 2 * (v.margin?.lo ?? 0)), 0)} between its arms`,
            ],
          }
        : v,
    ),
  ];
}

const least = (q: Quotient) => (q.inputs.some((g) => g.known === null) ? -Infinity : q.spread().lo);

const nominal = (q: Quotient) =>
  q.inputs.some((g) => g.known === null) ? -Infinity : q.f(q.inputs.map((g) => g.known!.value));

/** `room / 2 - (far - centre)`, far to one side: all weights in one quotient. */
function roomBeside(b: Balance, room: Given, far: Lin, sign: 1 | -1): Quotient {
  return quotient(
    b.poised,
    { ...lies(b.side, sign), plus: plus(of(room, 0.5), times(far, -1)) },
    { plus: lin(1) },
  );
}

/** From the axis, which goes through the centre, back to the arm. */
function behind(built: Built, b: Balance, g: Carrier): Verdict {
  const room = given(g, 'behind');
  const last = standOf(built)
    .pieces.filter((p) => p.solids.some((s) => !s.moving))
    .map((p) => ({ p, z: endsOf(facesOf(p), 2)[0] }))
    .map((x) => ({ ...x, back: standOf(built).value(x.z) - doubtOf(x.z) }))
    .sort((x, y) => (x.back === y.back ? (x.p.key < y.p.key ? -1 : 1) : x.back - y.back))[0]!;
  const q = quotient(
    b.poised,
    { ...lies(b.fore, -1), plus: plus(of(room), last.z) },
    { plus: lin(1) },
  );
  const v = judge({
    ...base(g, 'behind'),
    about: [g.id, last.p.part],
    pieces: [last.p.key],
    inputs: q.inputs,
    margin: q.f,
    spread: q.spread,
    wanted: 5,
    unit: 'mm',
    why: (o) =>
      o.hi < 0
        ? `${last.p.name} strikes the arm behind of ${g.name}: ${sayLength(-o.value, 0)} too long behind the centre.`
        : `${last.p.name} clears the arm behind of ${g.name} by ${sayLength(o.value, 0)}${o.lo < 0 ? ', or not, inside the tolerances' : ''}.`,
    sum: (o) =>
      `${exact(room.known!.value, 0)} - length behind the centre = ${exact(o.value, 1)} mm`,
    lacking: (m) =>
      `Whether the rig clears the arm behind of ${g.name} is not known: ${m} missing.`,
  });
  return ranked(b, v);
}

/** Half of a travel against how far the centre is off. */
function travel(b: Balance, g: Carrier, which: 'fore' | 'side'): Verdict {
  const range = given(g, which === 'fore' ? 'travelFore' : 'travelSide');
  const off = which === 'fore' ? b.ahead : b.right;
  const inputs = [...new Set([range, ...off.inputs])];
  const rest = off.inputs.map((x) => inputs.indexOf(x));
  const v = judge({
    ...base(g, which),
    inputs,
    margin: (x) => x[0]! / 2 - Math.abs(off.f(rest.map((i) => x[i]!))),
    spread: () => {
      const s = off.spread();
      const k = range.known!;
      const near = s.lo <= 0 && s.hi >= 0 ? 0 : Math.min(Math.abs(s.lo), Math.abs(s.hi));
      return {
        value: k.value / 2 - Math.abs(s.value),
        lo: k.lo / 2 - Math.max(Math.abs(s.lo), Math.abs(s.hi)),
        hi: k.hi / 2 - near,
        shares: inputs.map((g2) => s.shares[off.inputs.indexOf(g2)] ?? 0),
      };
    },
    unit: 'mm',
    assumed: b.hold.assumed,
    why: (o) =>
      `${which === 'fore' ? 'Along' : 'Across'} the lens the centre is ${sayLength(Math.abs(nominal(off)), 0)} off the plate; ${g.name} travels ${sayLength(range.known!.value / 2, 0)} each way${o.hi < 0 ? ': that axis is not reached' : o.lo < 0 ? ', about that' : ''}.`,
    sum: (o) => `travel / 2 - offset = ${exact(o.value, 1)} mm`,
    lacking: (m) => `Whether ${g.name} reaches that axis is not known: ${m} missing.`,
  });
  return ranked(b, v);
}

/** Height of the centre over the plate, inside what the tilt axis can be set to. */
function height(b: Balance, g: Carrier): Verdict[] {
  const [low, high] = [given(g, 'plateLow'), given(g, 'plateHigh')];
  const up = b.above;
  const inputs = [...new Set([low, high, ...up.inputs])];
  const at = (x: readonly number[]) => up.f(up.inputs.map((i) => x[inputs.indexOf(i)]!));
  const v = judge({
    ...base(g, 'height'),
    inputs,
    margin: (x) => Math.min(at(x) - x[0]!, x[inputs.indexOf(high)]! - at(x)),
    spread: () => {
      const s = up.spread();
      const [l, h] = [low.known!, high.known!];
      return {
        value: Math.min(s.value - l.value, h.value - s.value),
        lo: Math.min(s.lo - l.hi, h.lo - s.hi),
        hi: Math.min(s.hi - l.lo, h.hi - s.lo),
        shares: inputs.map((i) => s.shares[up.inputs.indexOf(i)] ?? 0),
      };
    },
    unit: 'mm',
    why: (o) => {
      const s = nominal(up);
      return `The centre is ${sayLength(s, 0)} over the plate; the tilt axis of ${g.name} goes from ${sayLength(low.known!.value, 0)} to ${sayLength(high.known!.value, 0)} over it${o.hi < 0 ? ': it cannot be brought there' : o.lo < 0 ? ', about that' : ''}.`;
    },
    sum: (o) => `inside its range by ${exact(o.value, 1)} mm`,
    lacking: (m) =>
      `Whether the tilt axis of ${g.name} reaches the centre is not known: ${m} missing.`,
  });
  return [ranked(b, v)];
}
