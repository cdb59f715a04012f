import { loadedJoints, momentOf, nominalTorque, supportedBy } from '../support/mount-load';
import { reader } from '../build/lin';
import { standOf } from '../build/stand';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import { judge, plainVerdict } from './judge';

export const supportNeed: Check = {
  id: 'support.need',
  title: 'Lens support',
  short: 'needs a support',
  says: 'Whether the lens wants or needs a support: by the load on the weakest joint, by play in it, by a strong motor. House rules: no standard exists.',
  formula:
    'load that asks for a support (half behind a joint with play) - moment of what hangs on the joint',
  run(built) {
    const { lens } = built;
    if (!built.closed || !lens) return [];
    const stand = standOf(built);
    const joints = loadedJoints(built);
    const who = supportedBy(built);
    const about = [lens.id];
    const strong = stand.drives
      .filter((d) => d.part.kind === 'motor')
      .map((d) => ({ d, t: nominalTorque(stand, d) }))
      .filter((x) => x.t !== null && x.t > built.rules['support.motor']);
    if (who)
      return [
        plainVerdict({
          id: 'support.need',
          about,
          station: stand.value(stand.seat),
          state: 'ok',
          why: `${lens.name} is held up by ${who}.`,
          sum: 'two points of contact',
          basis: '[trade] two points of contact',
        }),
      ];
    const limit = built.rules['support.play'];
    const all = joints.map((j) => {
      const m = momentOf(j);
      const known = m.inputs.every((g) => g.known);
      const loose = (j.play?.known?.value ?? 0) > limit;
      return { j, m, loose, value: known ? m.f((g) => g.known!.value) : null };
    });
    const worst = [...all].sort(
      (a, b) => (b.value ?? 0) * (b.loose ? 2 : 1) - (a.value ?? 0) * (a.loose ? 2 : 1),
    )[0];
    if (!worst) return [];
    if (strong.length > 0) {
      const s = strong[0]!;
      return [
        plainVerdict({
          id: 'support.need',
          about: [...about, s.d.part.id],
          station: stand.value(s.d.gearAt),
          state: 'fail',
          why: `${s.d.part.name} turns the ring with ${exact(s.t!, 2)} N m, over the ${exact(built.rules['support.motor'], 2)} that push a lens sideways whatever it weighs: put a support under ${lens.name}.`,
          sum: `${exact(s.t!, 2)} N m at the gear against ${exact(built.rules['support.motor'], 2)}`,
          basis: ruleBasis('support.motor'),
        }),
      ];
    }
    const half = worst.loose ? 0.5 : 1;
    const require = built.rules['support.require'] * half;
    const advise = built.rules['support.advise'] * half;
    // The weakest joint decides, whichever it is when the numbers are others.
    const inputs = [
      ...new Set(all.flatMap((x) => [...x.m.inputs, ...(x.j.play ? [x.j.play] : [])])),
    ];
    const from = reader(inputs);
    return [
      judge({
        id: 'support.need',
        about,
        station: stand.value(stand.seat),
        inputs,
        margin: (x) => {
          const read = from(x);
          return Math.min(
            ...all.map(({ j, m }) => {
              const loose = j.play !== null && read(j.play) > limit;
              return built.rules['support.require'] * (loose ? 0.5 : 1) - m.f(read);
            }),
          );
        },
        wanted: require - advise,
        unit: 'N m',
        limit: { value: require, unit: 'N m', rule: 'support.require' },
        why: (o) => {
          const m = require - o.value;
          const where = worst.loose
            ? ` behind ${worst.j.bearer.name}, whose ${mm(worst.j.play!.known!.value)} of play halve what is allowed`
            : '';
          return o.state === 'ok'
            ? `${lens.name} needs no support: ${exact(m, 2)} N m hang on ${worst.j.bearer.name}.`
            : o.state === 'fail'
              ? `${lens.name} needs a support: ${exact(m, 2)} N m hang on ${worst.j.bearer.name}${where}, over ${exact(require, 2)}.`
              : `A support under ${lens.name} is advised: ${exact(m, 2)} N m hang on ${worst.j.bearer.name}${where}, over ${exact(advise, 2)}.`;
        },
        sum: (o) =>
          `${exact(require, 2)} - ${exact(require - o.value, 2)} = ${exact(o.value, 2)} N m`,
        lacking: (missing) =>
          `Whether ${lens.name} needs a support is not known: ${missing} missing.`,
        basis: `${ruleBasis('support.require')}; no standard exists`,
      }),
    ];
  },
};
