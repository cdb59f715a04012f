import type { Built } from '../build/build';
import { isBeside, isFitting, isMainsUnit } from '../kit/types';
import { cabinOf } from '../feed/hours';
import { usesOn } from '../roles/uses';
import { valueOf } from '../quantity/quantity';
import { exact, sayMass } from '../quantity/say';
import { shownUnit } from '../quantity/shown';
import type { Verdict } from '../checks/finding';

/** Heavier than this, g, a rig is not lifted by one; what one can carry is theirs to judge. */
const HEAVY = 12_000;

/** Checks of what carries something. */
const CARRIES: ReadonlySet<string> = new Set(['mount.load', 'joint.twist', 'joint.load-path']);

/** Words that say that a rig is on or in something that moves, or over somebody. */
const OVERHEAD =
  /\b(car|cars|van|truck|vehicle|train|tram|boat|ship|tug|ferry|barge|plane|helicopter|drone|crane|jib|roof|ceiling|overhead|hang|hangs|hung|hanging|suspended|rigged|pole|wheelhouse|cabin)\b/i;

/** What is lifted is said in the large unit of those that are shown. */
function heavy(grams: number): string {
  return shownUnit('g').unit === 'g' ? `${exact(grams / 1000, 1)} kg` : sayMass(grams);
}

/**
 * What always holds where something can hurt someone: short, each once, where the work is. Nelvix
 * lists and never rates; local codes and qualified people decide.
 */
export function cautions(built: Built, verdicts: readonly Verdict[]): string[] {
  const { rig, kit } = built;
  const list: string[] = [];
  const parts = usesOn(rig).flatMap((id) => kit.get(id) ?? []);
  if (
    rig.carry?.by === 'vehicle' ||
    OVERHEAD.test(rig.limits?.name ?? '') ||
    OVERHEAD.test(rig.name)
  )
    list.push(
      'On a vehicle or above head height: tie everything down twice, with rated parts, and have a qualified rigger look at it.',
    );
  if ((rig.box?.flags ?? []).length > 0 || (rig.light?.ev ?? 0) >= 12)
    list.push('No sun through lens or finder: it burns eyes, chips and finders. Cap them.');
  const mass = parts
    .filter((p) => !isBeside(p))
    .reduce((sum, p) => sum + (valueOf(p.mass) ?? 0), 0);
  if (mass > HEAVY) list.push(`This rig weighs ${heavy(mass)} at least: lift it with two.`);
  const packs = (which: ReturnType<typeof cabinOf>) => [
    ...new Set(
      parts
        .filter((p) => isFitting(p) && cabinOf(valueOf(p.wattHours) ?? 0) === which)
        .map((p) => p.name),
    ),
  ];
  const [asked, refused] = [packs('with approval'), packs('refused')];
  if (asked.length > 0)
    list.push(`${asked.join(' and ')}: over 100 Wh, ask the carrier before you fly.`);
  if (refused.length > 0)
    list.push(
      `${refused.join(' and ')}: over 160 Wh, carriers usually refuse it; ask how it may travel.`,
    );
  if (parts.some(isMainsUnit))
    list.push(
      'Mains on the set: keep it dry and off the ground, tape the lead down and leave slack at the rig, on a protected circuit; whoever is qualified for it and local codes decide.',
    );
  const near = verdicts.some(
    (v) => CARRIES.has(v.id) && (v.state === 'fail' || v.state === 'tight'),
  );
  if (near)
    list.push(
      'A mount or screw near its limit: the rating of its maker counts, Nelvix rates nothing.',
    );
  return list;
}
