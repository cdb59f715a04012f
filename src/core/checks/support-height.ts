import { standOf } from '../build/stand';
import { given } from '../build/given';
import { givens, lin, minus } from '../build/lin';
import { exact, mm } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge, plainVerdict } from './judge';
import { asFunction } from '../build/lin';

export const supportHeight: Check = {
  id: 'support.height',
  title: 'Height of the post',
  short: 'post does not fit',
  says: 'Whether the post of a support goes to the height that just touches the barrel over it.',
  formula: 'needed = rod drop - radius of the barrel; inside the range of the post',
  run(built) {
    const stand = standOf(built);
    return stand.supports.flatMap((s): Verdict[] => {
      const base = {
        id: 'support.height',
        key: `support.height:${s.use.id}`,
        about: [s.part.id, ...(built.lens ? [built.lens.id] : [])],
        station: stand.value(s.station),
      };
      if (!s.needed)
        return [
          plainVerdict({
            ...base,
            state: 'unknown',
            why: `How high ${s.part.name} has to be is not known: ${stand.drop ? 'no barrel is over it' : 'no plate holds the rods'}.`,
            sum: 'No sum.',
            basis: '[math]',
          }),
        ];
      const [from, to] = [given(s.part, 'postFrom'), given(s.part, 'postTo')];
      const needed = s.needed;
      const range = [from, to];
      const inputs = [...new Set([...givens([needed]), ...range])];
      const f = asFunction(needed, inputs);
      const n = (x: readonly number[], i: number) => x[inputs.indexOf(range[i]!)]!;
      const out: Verdict[] = [
        judge({
          ...base,
          inputs,
          margin: (x) => Math.min(f(x) - n(x, 0), n(x, 1) - f(x)),
          unit: 'mm',
          limit: null,
          why: (o) =>
            o.value >= 0
              ? `Set the post of ${s.part.name} to ${mm(stand.value(needed))}: it then just touches.`
              : `The post of ${s.part.name} would have to be ${mm(stand.value(needed))}; it goes from ${exact(from.known!.value, 1)} to ${exact(to.known!.value, 1)}.`,
          sum: (o) =>
            `needed ${exact(stand.value(needed), 1)}, range ${exact(from.known!.value, 1)} to ${exact(to.known!.value, 1)}: ${exact(o.value, 1)} mm inside`,
          lacking: (missing) =>
            `How high ${s.part.name} has to be is not known: ${missing} missing.`,
          basis: '[math]',
        }),
      ];
      if (s.use.post !== undefined) {
        const air = built.rules['support.post-air'];
        const gap = minus(needed, lin(s.use.post));
        const own = givens([gap]);
        const g = asFunction(gap, own);
        out.push(
          judge({
            ...base,
            key: `${base.key}:set`,
            inputs: own,
            margin: (x) => Math.min(air - g(x), g(x) + air),
            unit: 'mm',
            limit: { value: air, unit: 'mm', rule: 'support.post-air' },
            why: () => {
              const off = stand.value(gap);
              return Math.abs(off) <= air
                ? `The post of ${s.part.name} touches.`
                : off > 0
                  ? `The post of ${s.part.name} stands ${mm(off)} below the barrel: it holds nothing up.`
                  : `The post of ${s.part.name} lifts the lens by ${mm(-off)}: it must only touch.`;
            },
            sum: () =>
              `needed ${exact(stand.value(needed), 1)} - set ${exact(s.use.post!, 1)} = ${exact(stand.value(gap), 1)} mm`,
            lacking: (missing) => `Whether the post touches is not known: ${missing} missing.`,
            basis: ruleBasis('support.post-air'),
          }),
        );
      }
      return out;
    });
  },
};
