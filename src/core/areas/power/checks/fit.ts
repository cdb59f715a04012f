import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { cellsOf, plugOf } from '../../../engine/plugs';
import { deviceKey, feedsOn, type Feed } from '../model/fed';
import { eachKept, flat } from '../model/judged';
import type { RigOutlet } from '../model/outlets';
import { chamberEnd, endsOf } from '../model/plugs';
import { capital } from '../model/say';
import { CARRIED, leadFeeds } from '../model/signals';
import type { Carries } from '../../../engine/part';

export const powerFit: Check = {
  id: 'power.fit',
  title: 'Plugs of a lead',
  short: 'plug does not fit',
  says: 'Whether the plugs of a lead go into the outlet and into the device.',
  formula: 'socket of the outlet = plug of the lead; plug of the lead = inlet',
  run: (built) => flat(judged(feedsOn(built), [], fitOf)),
};

const judged = eachKept<Feed, Verdict[]>();

function fitOf(f: Feed): Verdict[] {
  const { device, out, lead } = f;
  if (out && !lead && cellsOf(out.outlet.plug) !== null) return [placeOf(f, out)];
  if (!lead) return [];
  if (!out)
    return [
      plainVerdict({
        id: 'power.fit',
        key: `power.fit:${deviceKey(device)}`,
        about: [device.part.id, lead.id],
        state: 'unknown',
        why: `What ${lead.name} goes into is not known: the outlet is not on the rig.`,
        sum: 'No sum: plugs are compared.',
        basis: '[math] like goes into like',
      }),
    ];
  if (!leadFeeds(lead))
    return [
      plainVerdict({
        id: 'power.fit',
        key: `power.fit:${deviceKey(device)}`,
        about: [device.part.id, lead.id, out.part],
        state: 'fail',
        why: `${lead.name} feeds nothing: it carries ${CARRIED[lead.carries as Carries]}.`,
        sum: 'No sum: plugs are compared.',
        basis: '[math] like goes into like',
      }),
    ];
  const ends = endsOf(out.outlet, lead, device.part);
  const missing = ends.flatMap((e) => (e.fits === null ? [e.lacks] : []));
  const wrong = ends.filter((e) => e.fits === false);
  const name = (id: string | undefined) => plugOf(id)?.name ?? 'nothing that is known';
  return [
    plainVerdict({
      id: 'power.fit',
      key: `power.fit:${deviceKey(device)}`,
      about: [device.part.id, lead.id, out.part],
      state: wrong.length > 0 ? 'fail' : missing.length > 0 ? 'unknown' : 'ok',
      why:
        wrong.length > 0
          ? wrong
              .map((e) =>
                e.end === 'source'
                  ? `${lead.name} ends in ${name(lead.plug)}; ${out.name} takes ${name(out.outlet.plug)}.`
                  : `${lead.name} ends in ${name(lead.plugTo)}; ${device.part.name} takes ${name(device.part.inlet)}.`,
              )
              .join(' ')
          : missing.length > 0
            ? `Whether ${lead.name} goes from ${out.name} to ${device.part.name} is not known: ${inWords(missing.flat())} missing.`
            : `${lead.name} goes from ${out.name} to ${device.part.name}: ${name(lead.plug)}, ${name(lead.plugTo)}.`,
      sum: 'No sum: plugs are compared.',
      basis: '[math] like goes into like',
    }),
  ];
}

/** What stands in the place of a battery. */
function placeOf({ device }: Feed, out: RigOutlet): Verdict {
  const { part } = device;
  const end = chamberEnd(out.outlet, part);
  const name = plugOf(out.outlet.plug)!.name;
  const takes = plugOf(part.chamber ?? part.inlet)?.name ?? 'nothing that is known';
  return plainVerdict({
    id: 'power.fit',
    key: `power.fit:${deviceKey(device)}`,
    about: [part.id, out.part],
    state: end.fits === null ? 'unknown' : end.fits ? 'ok' : 'fail',
    why:
      end.fits === null
        ? `Whether ${out.name} goes into ${part.name} is not known: ${inWords(end.lacks)} missing.`
        : end.fits
          ? `${capital(out.name)} goes into ${part.name} in the place of its battery.`
          : `${capital(out.name)} is made for a ${name}; ${part.name} takes ${takes}.`,
    sum: 'No sum: plugs are compared.',
    basis: '[math] like goes into like',
  });
}
