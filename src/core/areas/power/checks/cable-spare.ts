import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { node } from '../../../engine/reads';
import { onHand, type Lead } from '../../../kit/types';
import { valueOf } from '../../../quantity/quantity';
import { sayLength } from '../../../quantity/say';
import { byDevice, deviceKey } from '../model/fed';
import { eachKept, flat } from '../model/judged';
import { laidOn, reachAt, type Doubted, type Line } from '../model/lines';
import { freeLeads } from '../model/offers';
import { goesBetween } from '../model/plugs';
import { usableOn } from '../model/marks';
import { BENDS, THICKNESS, type Reach } from '../model/run';
import { leadBetween, leadCarries, signalsOn } from '../model/signals';

export const cableSpare: Check = {
  id: 'cable.spare',
  title: 'Spares of leads',
  short: 'no spare lead',
  byHand: true,
  says: 'Whether a lead that breaks easily, or that the picture which is recorded hangs on, is there twice: a spare goes into the same sockets, reaches, and is in use nowhere else on the rig.',
  formula: 'a second lead with the same plugs, free and long enough',
  run(built) {
    const deps = [
      freeLeads(built),
      built.job.packMarks,
      built.once(WITHIN),
      byDevice(built).get('body')?.out?.over,
      built.rules['cable.slack'],
    ];
    return flat(judged(laidOn(built), deps, (l) => spareOf(built, l)));
  },
};

const judged = eachKept<Doubted, readonly Verdict[]>();

function spareOf(built: Built, { line, mains, run, doubt }: Doubted): readonly Verdict[] {
  const { part, lead } = line;
  // What goes within the lead of something else is spared with that.
  if (!lead || line.signal?.use.within) return [];
  // One that carries two is odd, and one fault takes both.
  const too = within(built, line);
  const weak = too || plugOf(lead.plug)?.weak || plugOf(lead.plugTo)?.weak;
  const said = plugOf(lead.plug) && plugOf(lead.plugTo);
  if (!weak && said && !recordedOn(built, line)) return [];
  const base = {
    id: 'cable.spare',
    key: `cable.spare:${line.key}`,
    about: [...new Set([lead.id, part.id])],
    sum: 'No sum: leads of the kit are looked through.',
    basis: '[trade] weak and odd leads have a spare',
  };
  if (!weak && !recordedOn(built, line))
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether ${lead.name} wants a spare is not known: which plugs it has is not all said.`,
      }),
    ];
  const fits = fitting(line, too);
  if (!fits)
    return [
      plainVerdict({
        ...base,
        state: 'unknown',
        why: `Whether there is a spare for ${lead.name} is not known: what it comes out of is not on the rig.`,
      }),
    ];
  const reach = reachAt(built, line);
  const free = freeLeads(built).filter(
    (l) => onHand(l) > 0 && fits(l) !== false && reach(l) !== 'no',
  );
  const bare = (l: Lead) =>
    valueOf(l.length) === null || (mains === null && valueOf(l.width) === null);
  const good = (l: Lead) => fits(l) === true && reach(l) === 'yes';
  const spare = free.find(good);
  // One that does not reach itself is replaced by the other: then there is no spare.
  const itself = reach(lead);
  const alone =
    itself !== 'yes' &&
    spare !== undefined &&
    usableOn(built, spare, 1).n < 2 &&
    !free.some((l) => l !== spare && good(l));
  if (alone && (itself === 'no' || bare(lead))) return [noSpare(base, lead, spare, itself)];
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
    : !run || run.missing.length > 0 || doubt !== null;
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
      why: `There is no spare for ${lead.name}${short ? ` that reaches for sure (${short.name} may)` : ''}: when it breaks, ${part.name} ${line.feed ? 'is dark' : line.lost}${too ? ', and what it carries besides is lost with it' : ''}.`,
      wanted: [
        `a second lead from ${plugOf(lead.plug)?.name ?? 'the same plug'} to ${plugOf(lead.plugTo)?.name ?? 'the same plug'}${least === null ? '' : `, ${sayLength(least, 0)} at the least`}`,
      ],
    }),
  ];
}

/** Of one lead that is there besides one that does not reach, or of which nobody knows whether it does. */
function noSpare(base: Base, lead: Lead, spare: Lead, itself: Reach): Verdict {
  if (itself === 'no')
    return plainVerdict({
      ...base,
      state: 'tight',
      why: `${spare.name} is the only lead that reaches: in the place of ${lead.name} it is no spare.`,
      wanted: [`a second lead like ${spare.name}`],
    });
  return plainVerdict({
    ...base,
    state: 'unknown',
    why: `Whether ${spare.name} is a spare is not known: how long and how thick ${lead.name} is, and so whether it reaches itself, nobody said.`,
  });
}

type Base = Pick<Verdict, 'id' | 'key' | 'about' | 'sum' | 'basis'>;

const STRAND = ['carriesToo', 'plugToo', 'plugTooTo'] as const;

/** Whether something else goes through the lead that feeds something. */
const within = (built: Built, { feed }: Line): boolean =>
  feed !== null && built.once(WITHIN).has(deviceKey(feed.device));

const WITHIN = node(
  'what something goes within',
  (built: Built): ReadonlySet<string> =>
    new Set(signalsOn(built).flatMap(({ use }) => (use.within ? [deviceKey(use.within)] : []))),
);

const and = (a: boolean | null, b: boolean | null) =>
  a === false || b === false ? false : a === null || b === null ? null : true;

/** Whether a lead goes into the same two sockets; null where one of those is not on the rig. */
function fitting({ feed, signal }: Line, too: boolean): ((lead: Lead) => boolean | null) | null {
  if (feed) {
    const { out, device, lead } = feed;
    const besides = (l: Lead): boolean | null => {
      if (!too) return true;
      if (l.carriesToo === undefined) return false;
      if (!lead || STRAND.some((k) => lead[k] === undefined || l[k] === undefined)) return null;
      return STRAND.every((k) => lead[k] === l[k]);
    };
    return out && ((l) => and(goesBetween(out.outlet, l, device.part), besides(l)));
  }
  const [from, to] = [signal!.from?.port, signal!.to?.port];
  if (!from || !to) return null;
  return (l) => {
    const carries = leadCarries(l, signal!.use.carries);
    const { fits } = leadBetween(from, l, to);
    return carries === false || fits === false ? false : carries === null ? null : fits;
  };
}

/** Whether the picture that is recorded, or something that the camera is fed through, hangs on it. */
function recordedOn(built: Built, { feed, signal, part }: Line): boolean {
  if (signal) return signal.use.carries === 'video' && part.kind === 'recorder';
  if (feed!.device.list === 'body') return true;
  return byDevice(built).get('body')?.out?.over.includes(feed!.device.id) ?? false;
}
