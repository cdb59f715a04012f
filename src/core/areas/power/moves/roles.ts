import { build } from '../../../build/build';
import type { RoleMoves } from '../../../edit/role';
import { isLead } from '../../../kit/types';
import { feedsOn } from '../model/fed';
import { goesBetween } from '../model/plugs';
import { feedFrom, withoutItsLead, withoutLead } from './feed';

/** How leads are put on and taken off. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  lead: {
    put(job, rig, part) {
      if (!isLead(part)) return undefined;
      const bare = feedsOn(build(job, rig)).filter((f) => f.out && f.from.lead === undefined);
      const suits = (f: (typeof bare)[number]) =>
        goesBetween(f.out!.outlet, part, f.device.part) ?? 'maybe';
      const to = bare.find((f) => suits(f) === true) ?? bare.find((f) => suits(f) === 'maybe');
      if (!to) return null;
      return feedFrom(
        rig,
        to.device,
        { ...to.from, lead: part.id },
        `Feed ${to.device.part.name} by ${part.name}`,
      );
    },
    deeds: (job, rig) =>
      feedsOn(build(job, rig)).flatMap((f) =>
        f.lead
          ? [
              feedFrom(
                rig,
                f.device,
                withoutItsLead(f.from),
                `Take ${f.lead.name} off ${f.device.part.name}`,
              ),
            ]
          : [],
      ),
    without: (rig, part) => withoutLead(rig, part.id),
  },
};
