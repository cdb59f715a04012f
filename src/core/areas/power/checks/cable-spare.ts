import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { onHand, type Lead } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { sayLength } from '../../../quantity/say';
import { byDevice, deviceKey, feedsOn, type Feed } from '../model/fed';
import { freeLeads } from '../model/offers';
import { goesBetween } from '../model/plugs';
import { BENDS, doubtOf, mainsOf, reachOf, runOf, THICKNESS } from '../model/run';

export const cableSpare: Check = {
  id: 'cable.spare',
  title: 'Spares of leads',
  short: 'no spare lead',
  says: 'Whether a lead that breaks easily, or that the picture which is recorded hangs on, is there twice: a spare goes into the same sockets, reaches, and is in use nowhere else on the rig.',
  formula: 'a second lead with the same plugs, free and long enough',
  run: (built) => feedsOn(built).flatMap((f) => spareOf(built, f)),
};

function spareOf(built: Built, f: Feed): Verdict[] {
  const { device, lead, out } = f;
  if (!lead) return [];
  const weak = plugOf(lead.plug)?.weak || plugOf(lead.plugTo)?.weak;
  const said = plugOf(lead.plug) && plugOf(lead.plugTo);
  if (!weak && said && !recordedOn(built, f)) return [];
  const base = {
    id: 'cable.spare',
    key: `cable.spare:${deviceKey(device)}`,
    about: [...new Set([lead.id, device.part.id])],
    sum: 'No sum: leads of the kit are looked through.',
    basis: '[trade] weak and odd leads have a spare',
  };
  if (!weak && !recordedOn(built, f))
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether ${lead.name} wants a spare is not known: which plugs it has is not all said.`,
      }),
    ];
  if (!out)
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether there is a spare for ${lead.name} is not known: what it comes out of is not on the rig.`,
      }),
    ];
  const mains = mainsOf(built, f);
  const run = runOf(built, f);
  const reach = reachOf(built, device, f.from);
  const fits = (l: Lead) => goesBetween(out.outlet, l, device.part);
  const free = freeLeads(built).filter(
    (l) => onHand(l) > 0 && fits(l) !== false && reach(l) !== 'no',
  );
  const bare = (l: Lead) =>
    valueOf(l.length) === null || (mains === null && valueOf(l.width) === null);
  const spares = free.filter((l) => fits(l) === true && reach(l) === 'yes');
  const [spare] = spares;
  // One that does not reach itself is replaced by the other: then there is no spare.
  const itself = reach(lead);
  const alone = spares.length === 1 && onHand(spares[0]!) < 2 && itself !== 'yes';
  if (spare && alone && (itself === 'no' || bare(lead)))
    return [
      itself === 'no'
        ? plainVerdict({
            ...base,
            state: 'tight',
            why: `${spare.name} is the only lead that reaches: in the place of ${lead.name} it is no spare.`,
            wanted: [`a second lead like ${spare.name}`],
          })
        : plainVerdict({
            ...base,
            state: 'unknown',
            why: `Whether ${spare.name} is a spare is not known: how long and how thick ${lead.name} is, and so whether it reaches itself, nobody said.`,
          }),
    ];
  if (spare)
    return [
      plainVerdict({
        ...base,
        state: 'ok',
        why: `${spare.id === lead.id ? `A second ${lead.name}` : spare.name} is there if ${lead.name} breaks.`,
      }),
    ];
  const far = mains
    ? mains.use.away === undefined
    : !run || run.missing.length > 0 || doubtOf(built, run) !== null;
  const unsaid = free.find((l) => fits(l) === null || bare(l) || far);
  if (unsaid)
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether ${unsaid.name} could stand in for ${lead.name} is not known: ${
          fits(unsaid) === null
            ? 'its plugs are not all said'
            : bare(unsaid)
              ? 'how long and how thick it is nobody said'
              : 'how far it would have to go is not'
        }.`,
      }),
    ];
  const short = free[0];
  const least = run ? run.near + BENDS * THICKNESS.value : (mains?.use.away ?? null);
  return [
    plainVerdict({
      ...base,
      state: 'tight',
      why: `There is no spare for ${lead.name}${short ? ` that reaches for sure (${short.name} may)` : ''}: when it breaks, ${device.part.name} is dark.`,
      wanted: [
        `a second lead from ${plugOf(lead.plug)?.name ?? 'the same plug'} to ${plugOf(lead.plugTo)?.name ?? 'the same plug'}${least === null ? '' : `, ${sayLength(least, 0)} at the least`}`,
      ],
    }),
  ];
}

/** Whether the camera, or something that it is fed through, hangs on it. */
function recordedOn(built: Built, { device }: Feed): boolean {
  if (device.list === 'body') return true;
  return byDevice(built).get('body')?.out?.over.includes(device.id) ?? false;
}
