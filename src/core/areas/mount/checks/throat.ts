import { given, constant, type Given } from '../../../build/given';
import type { Built } from '../../../build/build';
import { exact, mm, rangeMm } from '../../../quantity/say';
import { isReducer, type Part } from '../../../kit/types';
import type { Check } from '../../../checks/check';
import { judge, lacking } from '../../../checks/judge';
import { RANK, type Verdict } from '../../../checks/finding';

interface Passage {
  /** The part whose rear group goes through. */
  through: Part;
  depth: Given;
  diameter: Given;
  /** The narrow place. */
  place: Part;
  placeName: string;
  throat: Given;
  /** How far behind the flange of `through` the narrow place begins. */
  at: Given[];
}

/** Every narrow place that a rear group may have to pass, lens first, then reducers. */
function passages(built: Built): Passage[] {
  const { lens, body, links } = built;
  const all: Passage[] = [];
  if (!body) return all;
  const groups: { part: Part; from: number }[] = [];
  if (lens) groups.push({ part: lens, from: links.length - 1 });
  links.forEach(({ link }, i) => {
    if (isReducer(link)) groups.push({ part: link, from: i - 1 });
  });
  for (const { part, from } of groups) {
    const depth = given(part, 'rearProtrusion');
    const diameter = given(part, 'rearDiameter');
    const at: Given[] = [];
    let stopped = false;
    for (let i = from; i >= 0 && !stopped; i--) {
      const link = links[i]!.link;
      if (isReducer(link))
        stopped = true; // its glass is met first: mount.rear-depth
      else {
        if (link.bore !== undefined)
          all.push({
            through: part,
            depth,
            diameter,
            place: link,
            placeName: `the bore of ${link.name}`,
            throat: given(link, 'bore'),
            at: [...at],
          });
        at.push(given(link, 'length'));
        all.push(mountPassage(built, part, depth, diameter, link, link.bodyMount, at));
      }
    }
    if (!stopped && (part !== lens || links.length === 0))
      all.push(mountPassage(built, part, depth, diameter, body, body.mount, at));
  }
  return all;
}

function mountPassage(
  built: Built,
  through: Part,
  depth: Given,
  diameter: Given,
  place: Part,
  mount: string | undefined,
  at: Given[],
): Passage {
  const facts = mount ? built.mounts.get(mount) : undefined;
  const name = `the throat of ${place.name} (${facts?.name ?? 'unnamed mount'})`;
  return {
    through,
    depth,
    diameter,
    place,
    placeName: name,
    throat: {
      ...constant(`throat of ${facts?.name ?? 'the mount'}`, 'mm', facts?.throat ?? null),
      path: mount ? ['mounts', mount, 'throat'] : [],
      part: place.id,
    },
    at: [...at],
  };
}

export const mountThroat: Check = {
  id: 'mount.throat',
  tried: () => true,
  title: 'Rear group through the throats',
  short: 'too wide behind',
  says: 'Whether a rear group that reaches behind its flange is thin enough for every throat and bore on its way; numbers that add up lengthwise do not help a group that is too wide.',
  formula: '(throat - rear diameter) / 2 wherever rear protrusion reaches the narrow place',
  run(built) {
    if (!built.closed) return [];
    const verdicts: Verdict[] = [];
    const done = new Map<string, Verdict>();
    for (const p of passages(built)) {
      const key = `mount.throat:${p.through.id}`;
      // A group that does not reach the place for sure never meets it.
      const depth = p.depth.known;
      const start = p.at.reduce((z, g) => z + (g.known?.lo ?? NaN), 0);
      const reaches =
        depth === null ? null : depth.hi > 0 && (Number.isNaN(start) || depth.hi > start);
      if (reaches === false) continue;
      const inputs = [p.depth, p.diameter, p.throat];
      const end = p.at.reduce((z, g) => z + (g.known?.hi ?? NaN), 0);
      const mayStopShort = depth !== null && !(depth.lo > end);
      const raw = judge({
        id: 'mount.throat',
        key,
        about: [p.through.id, p.place.id],
        inputs,
        margin: (x) => (x[2]! - x[1]!) / 2,
        unit: 'mm',
        limit: { value: 0, unit: 'mm', rule: null },
        why: (o) =>
          o.state === 'ok'
            ? `The rear group of ${p.through.name} passes ${p.placeName} with ${mm(o.value)} all round.`
            : o.state === 'fail'
              ? `The rear group of ${p.through.name} is ${exact(p.diameter.known!.value, 1)} mm wide and does not pass ${p.placeName}, ${exact(p.throat.known!.value, 1)} mm: ${mm(-o.value)} too wide all round.`
              : `The rear group of ${p.through.name} may or may not pass ${p.placeName}: ${rangeMm(o.lo, o.hi)} all round.`,
        sum: (o) =>
          `(throat ${exact(p.throat.known!.value, 2)} - rear diameter ${exact(p.diameter.known!.value, 2)}) / 2 = ${exact(o.value, 2)} mm (${rangeMm(o.lo, o.hi)}); it reaches ${exact(p.depth.known!.value, 2)} mm behind its flange`,
        lacking: (missing) =>
          `Whether ${p.through.name} passes ${p.placeName} is not known: ${missing} missing.`,
        basis: '[math]',
      });
      // A group that may end before the narrow place only may strike it.
      const v: Verdict =
        raw.state === 'fail' && mayStopShort
          ? {
              ...raw,
              state: 'tight',
              why: `${raw.why} It may end just before that place.`,
              measure: lacking([p.depth]).map((m) => ({ ...m, missing: false })),
            }
          : raw;
      const before = done.get(key);
      if (!before || worse(v, before)) done.set(key, v);
    }
    verdicts.push(...done.values());
    return verdicts;
  },
};

/** The narrowest place speaks for the group. */
function worse(a: Verdict, b: Verdict): boolean {
  if (RANK[a.state] !== RANK[b.state]) return RANK[a.state] < RANK[b.state];
  return (a.margin?.value ?? 0) < (b.margin?.value ?? 0);
}
