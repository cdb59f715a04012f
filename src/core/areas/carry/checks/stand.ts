import type { Built } from '../../../build/build';
import type { Given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import { RANK, type Verdict } from '../../../checks/finding';
import { judge, lacking, plainVerdict } from '../../../checks/judge';
import type { Piece } from '../../../place/setting';
import { exact, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { degrees, weighFirst } from '../model/balance';
import { TENDER } from '../model/lying';
import { standingOf, type Standing } from '../model/standing';
import { weightsOf } from '../model/weighed';
import { ranked } from './offsets';

export const carryStand: Check = {
  id: 'carry.stand',
  title: 'Whether it stands',
  short: 'tips over',
  nearer: 3,
  says: 'Whether the rig stands when it is set down: what touches the table, how far its centre of gravity lies inside of that, and how far it leans before it tips. On two points it does not stand.',
  formula: 'atan(margin inside the support polygon / height of the centre)',
  run(built) {
    const { by, also } = built.rig.carry ?? {};
    if (by !== 'table' && also !== 'table') return [];
    const s = standingOf(built);
    return s ? [standOfTable(built, s)] : [];
  },
};

const BASE = { id: 'carry.stand', key: 'carry.stand' } as const;

function standOfTable(built: Built, s: Standing): Verdict {
  const about = [...new Set(s.on.map((p) => p.part))];
  const weights = weightsOf(built);
  const names = s.on.map((p) => p.name).join(', ');
  const tender = s.on.find((p) => TENDER.has(p.kind));
  const unsaid = (list: readonly Given[]) => list.filter((g) => g.known === null);
  const missing = [
    ...new Set([
      ...unsaid(weights.map((w) => w.mass)),
      ...s.on.flatMap((p) => unsaid(p.missing)),
      ...(s.edges ?? []).flatMap((e) => e.over.missing),
    ]),
  ];
  if (missing.length > 0)
    return plainVerdict({
      ...BASE,
      about,
      state: 'unknown',
      why: `Whether it stands is not known: ${missing.length === 1 ? missing[0]!.label : `${missing.length} numbers`} missing.`,
      sum: 'No sum.',
      measure: weighFirst(weights, lacking(missing)),
      basis: '[math]',
    });
  if (!s.edges)
    return plainVerdict({
      ...BASE,
      about,
      state: 'fail',
      why: `Set down it touches on a line only (${names}): it does not stand by itself.`,
      sum: 'fewer than three points: margin 0',
      basis: '[math]',
      wanted: ['a wider foot, a bag, or a hand on it'],
    });
  let worst: Verdict | null = null;
  // Most likely the one over which it tips first.
  const likely = s.edges.map((e) => ({ e, value: e.over.value() }));
  for (const { e, value } of likely.sort((a, b) => a.value - b.value)) {
    // An edge that is surely better than the worst so far is not worked out to its ends.
    const better = worst !== null && e.over.over(tangent(worst.margin!.lo));
    if (better && (worst!.state === 'fail' || value >= 0)) continue;
    const v = overEdge(built, e, { about, names, tender: tender ?? null });
    if (!worst || worse(v, worst) < 0) worst = v;
  }
  return worst!;
}

const tangent = (deg: number) => Math.tan((deg * Math.PI) / 180);

const worse = (a: Verdict, b: Verdict) =>
  RANK[a.state] - RANK[b.state] ||
  (a.margin?.lo ?? 0) - (b.margin?.lo ?? 0) ||
  (a.margin?.hi ?? 0) - (b.margin?.hi ?? 0);

/** How far it leans before it tips over one edge. */
function overEdge(
  built: Built,
  e: NonNullable<Standing['edges']>[number],
  { about, names, tender }: { about: string[]; names: string; tender: Piece | null },
): Verdict {
  const wanted = built.rules['carry.stand'];
  const inside = () => e.margin().value();
  const v = judge({
    ...BASE,
    about,
    get inputs() {
      return e.over.inputs;
    },
    missing: e.over.missing,
    spread: e.over.spread,
    after: (x) => ({ ...x, value: degrees(x.value), lo: degrees(x.lo), hi: degrees(x.hi) }),
    wanted,
    unit: 'deg',
    limit: { value: wanted, unit: 'deg', rule: 'carry.stand' },
    assumed: tender ? `It stands on ${tender.name}: lay it on another side.` : null,
    why: (o) =>
      o.hi < 0
        ? `Set down it tips ${e.name}: its centre lies ${sayLength(-inside(), 0)} outside of what it stands on (${names}).`
        : o.value < 0
          ? `Set down on ${names} it may tip ${e.name} by itself: its centre lies about ${sayLength(-inside(), 0)} outside of that.`
          : `Set down on ${names} it tips ${e.name} at a lean of ${exact(o.value, 1)} deg${o.state === 'tight' ? ` (${exact(o.lo, 1)} to ${exact(o.hi, 1)})` : ''}, ${sayLength(inside(), 0)} inside.`,
    sum: (o) => `atan(${exact(inside(), 1)} mm / height) = ${exact(o.value, 1)} deg`,
    lacking: (m) => `Whether it stands is not known: ${m} missing.`,
    basis: ruleBasis('carry.stand'),
  });
  return ranked({ weights: weightsOf(built) }, v);
}
