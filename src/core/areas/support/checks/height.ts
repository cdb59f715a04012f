import type { PlacedSupport } from '../place/support';
import type { Built } from '../../../build/build';
import { standOf, type Stand } from '../../../stand/stand';
import { given } from '../../../build/given';
import { givens, lin, minus, type Lin } from '../../../build/lin';
import { exact, sayLength, bareLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict } from '../../../checks/judge';
import { asFunction } from '../../../build/lin';
import { tiedFeet } from '../model/feet';

export const supportHeight: Check = {
  id: 'support.height',
  title: 'Height of the post',
  short: 'post does not fit',
  says: 'Whether the post of a support goes to the height that just touches the barrel over it.',
  formula: 'needed = rod drop - radius of the barrel; inside the range of the post',
  run(built) {
    const stand = standOf(built);
    const each = stand.supports.flatMap((s) => ofSupport(built, stand, s));
    return [...each, ...together(built, stand)];
  },
};

/** One of several things that hold a lens up, and how far it stands below where it just touches. */
interface Holder {
  key: string;
  part: string;
  name: string;
  gap: Lin;
}

/**
 * Supports that were set by hand, and feet that are tied: as high as each other, or one lifts the
 * lens off the other. A post that is still to be set is set to touch.
 */
function together(built: Built, stand: Stand): Verdict[] {
  const holders: Holder[] = stand.supports.flatMap((s) =>
    s.needed && s.use.post !== undefined
      ? [
          {
            key: s.use.id,
            part: s.part.id,
            name: `the post of ${s.part.name}`,
            gap: minus(s.needed, lin(s.use.post)),
          },
        ]
      : [],
  );
  for (const f of tiedFeet(built, stand))
    holders.push({ key: f.key, part: f.part.id, name: `the foot of ${f.part.name}`, gap: f.gap });
  const air = built.rules['support.post-air'];
  return holders.flatMap((a, i) =>
    holders.slice(i + 1).map((b): Verdict => {
      const apart = minus(a.gap, b.gap);
      const inputs = givens([apart]);
      const f = asFunction(apart, inputs);
      return judge({
        id: 'support.height',
        key: `support.height:together:${[a.key, b.key].sort().join(':')}`,
        about: [...new Set([a.part, b.part])],
        station: stand.value(stand.seat),
        inputs,
        inside: { below: (x) => f(x) + air, above: (x) => air - f(x) },
        unit: 'mm',
        limit: { value: air, unit: 'mm', rule: 'support.post-air' },
        why: (o) => {
          const off = stand.value(apart);
          const [high, low] = off > 0 ? [b, a] : [a, b];
          return o.state === 'ok'
            ? `${capital(a.name)} and ${b.name} hold the lens at one height.`
            : `${capital(high.name)} stands ${sayLength(Math.abs(off))} higher than ${low.name}${o.value < 0 ? ': it lifts the lens off it' : ''}.`;
        },
        sum: () =>
          `${exact(stand.value(a.gap), 2)} - ${exact(stand.value(b.gap), 2)} = ${sayLength(stand.value(apart), 2)}`,
        lacking: (missing) =>
          `Whether ${a.name} and ${b.name} hold the lens at one height is not known: ${missing} missing.`,
        basis: ruleBasis('support.post-air'),
      });
    }),
  );
}

const capital = (s: string) => s[0]!.toUpperCase() + s.slice(1);

/** Whether the post of a support goes as high as the barrel over it. */
function ofSupport(built: Built, stand: Stand, s: PlacedSupport): Verdict[] {
  const base = {
    id: 'support.height',
    key: `support.height:${s.use.id}`,
    pieces: [s.key],
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
      inside: { below: (x) => f(x) - n(x, 0), above: (x) => n(x, 1) - f(x) },
      unit: 'mm',
      limit: null,
      why: (o) =>
        o.value >= 0
          ? `Set the post of ${s.part.name} to ${sayLength(stand.value(needed))}: it then just touches.`
          : `The post of ${s.part.name} would have to be ${sayLength(stand.value(needed))}; it goes from ${bareLength(from.known!.value, 1)} to ${bareLength(to.known!.value, 1)}.`,
      sum: (o) =>
        `needed ${exact(stand.value(needed), 1)}, range ${exact(from.known!.value, 1)} to ${exact(to.known!.value, 1)}: ${sayLength(o.value, 1)} inside`,
      lacking: (missing) => `How high ${s.part.name} has to be is not known: ${missing} missing.`,
      basis: '[math]',
    }),
  ];
  if (s.use.post !== undefined) out.push(setPost(built, stand, s, needed, base));
  return out;
}

type Base = Pick<Verdict, 'id' | 'key' | 'pieces' | 'about' | 'station'>;

/** A post that was set: it has to touch and not to lift. */
function setPost(built: Built, stand: Stand, s: PlacedSupport, needed: Lin, base: Base): Verdict {
  const air = built.rules['support.post-air'];
  const gap = minus(needed, lin(s.use.post!));
  const own = givens([gap]);
  const g = asFunction(gap, own);
  return judge({
    ...base,
    key: `${base.key}:set`,
    inputs: own,
    inside: { below: (x) => g(x) + air, above: (x) => air - g(x) },
    unit: 'mm',
    limit: { value: air, unit: 'mm', rule: 'support.post-air' },
    why: () => {
      const off = stand.value(gap);
      return Math.abs(off) <= air
        ? `The post of ${s.part.name} touches.`
        : off > 0
          ? `The post of ${s.part.name} stands ${sayLength(off)} below the barrel: it holds nothing up.`
          : `The post of ${s.part.name} lifts the lens by ${sayLength(-off)}: it must only touch.`;
    },
    sum: () =>
      `needed ${exact(stand.value(needed), 1)} - set ${exact(s.use.post!, 1)} = ${sayLength(stand.value(gap), 1)}`,
    lacking: (missing) => `Whether the post touches is not known: ${missing} missing.`,
    basis: ruleBasis('support.post-air'),
  });
}
