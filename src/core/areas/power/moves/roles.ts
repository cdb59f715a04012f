import { build } from '../../../build/build';
import type { Edit } from '../../../edit/edit';
import type { RoleMoves } from '../../../edit/role';
import { isLead, type Job, type Lead, type Rig } from '../../../kit/types';
import { feedsOn } from '../model/fed';
import { goesBetween } from '../model/plugs';
import { CARRIED, leadBetween, leadCarries, signalsOn } from '../model/signals';
import { feedFrom, withoutItsLead, withoutLead } from './feed';
import { setItsLead } from './signal';

/** Something that is sent, and has no lead yet, by one that goes there; null where there is none. */
function throughIt(job: Job, rig: Rig, lead: Lead): Edit | null {
  const bare = signalsOn(build(job, rig)).filter((s) => s.lead === null);
  const suits = ({ use, from, to }: (typeof bare)[number]) => {
    if (!from?.port || !to?.port || leadCarries(lead, use.carries) === false) return false;
    return leadBetween(from.port, lead, to.port).fits;
  };
  const to = bare.find((s) => suits(s) === true) ?? bare.find((s) => suits(s) === null);
  return to
    ? setItsLead(
        rig,
        to.use,
        lead.id,
        `Send ${CARRIED[to.use.carries]} to ${to.to!.part.name} by ${lead.name}`,
      )
    : null;
}

/** How leads are put on and taken off. */
export const moves: Readonly<Record<string, RoleMoves>> = {
  lead: {
    put(job, rig, part) {
      if (!isLead(part)) return undefined;
      const bare = feedsOn(build(job, rig)).filter((f) => f.out && f.from.lead === undefined);
      const suits = (f: (typeof bare)[number]) =>
        goesBetween(f.out!.outlet, part, f.device.part) ?? 'maybe';
      const to = bare.find((f) => suits(f) === true) ?? bare.find((f) => suits(f) === 'maybe');
      if (!to) return throughIt(job, rig, part);
      return feedFrom(
        rig,
        to.device,
        { ...to.from, lead: part.id },
        `Feed ${to.device.part.name} by ${part.name}`,
      );
    },
    deeds(job, rig) {
      const built = build(job, rig);
      return [
        ...feedsOn(built).flatMap(({ lead, device, from }) =>
          lead
            ? [
                feedFrom(
                  rig,
                  device,
                  withoutItsLead(from),
                  `Take ${lead.name} off ${device.part.name}`,
                ),
              ]
            : [],
        ),
        ...signalsOn(built).flatMap(({ use, lead, to }) =>
          lead
            ? [setItsLead(rig, use, undefined, `Take ${lead.name} off ${to?.part.name ?? 'it'}`)]
            : [],
        ),
      ];
    },
    without: (rig, part) => withoutLead(rig, part.id),
  },
};
