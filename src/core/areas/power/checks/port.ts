import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { plugOf } from '../../../engine/plugs';
import { SLOT } from '../../media/kit/parts';
import { cardsOn } from '../../media/model/cards';
import { byChamber, byDevice, byOutlet, outletKey, type Feed } from '../model/fed';
import { eachKept } from '../model/judged';
import { capital } from '../model/say';

const ONE = '[math] one plug in one socket';

export const powerPort: Check = {
  id: 'power.port',
  title: 'One plug in one socket',
  short: 'socket used twice',
  says: 'Whether a socket is asked to take more than one plug: an outlet that two hang on, an inlet that a drive goes into as well.',
  formula: 'one plug in one socket',
  run: (built) => [...judged([...byOutlet(built).values()], [], ofOutlet), ...withDrives(built)],
};

const judged = eachKept<readonly Feed[], Verdict>();

function ofOutlet(feeds: readonly Feed[]): Verdict {
  const { out } = feeds[0]!;
  const key = outletKey(feeds[0]!);
  const name = out?.name ?? 'An outlet that is not on the rig';
  const names = inWords(feeds.map((f) => f.device.part.name));
  return plainVerdict({
    id: 'power.port',
    key: `power.port:${key}`,
    about: [...(out ? [out.part] : []), ...feeds.map((f) => f.device.part.id)],
    state: feeds.length > 1 ? 'fail' : out ? 'ok' : 'unknown',
    why:
      feeds.length > 1
        ? `${capital(name)} takes one plug; ${names} are to hang on it.`
        : out
          ? `${names} has ${name} to itself.`
          : `The outlet that ${names} hangs on is not on the rig.`,
    sum: `1 socket, ${feeds.length} ${feeds.length > 1 ? 'plugs' : 'plug'}`,
    basis: ONE,
  });
}

/** A camera that is fed by the socket that its drive goes into. */
function withDrives(built: Built): Verdict[] {
  const { body } = built;
  const f = byDevice(built).get('body');
  if (!body || !f || byChamber(f)) return [];
  const inlet = body.inlet ?? f.lead?.plugTo;
  return cardsOn(built).flatMap(({ id, card }): Verdict[] => {
    if (card.plug === undefined && body.inletData !== true) return [];
    if (
      card.plug !== undefined &&
      (card.plug === SLOT || (inlet !== undefined && card.plug !== inlet))
    )
      return [];
    const socket = plugOf(card.plug ?? inlet)?.name ?? 'socket';
    const say = (state: State, why: string, plugs: string) => [
      plainVerdict({
        id: 'power.port',
        key: `power.port:card:${id}`,
        about: [body.id, card.id, ...(f.lead ? [f.lead.id] : [])],
        state,
        why,
        sum: `the ${socket} of ${body.name}: ${plugs}`,
        basis: ONE,
      }),
    ];
    if (card.plug === undefined)
      return say(
        'unknown',
        `${body.name} is fed by ${socket}, and drives go into that: whether ${card.name} does, or into a slot, nobody said.`,
        'not known',
      );
    if (inlet === undefined)
      return say(
        'unknown',
        `Whether ${card.name} is left a socket of ${body.name} is not known: its inlet is not said.`,
        'not known',
      );
    if (body.inletData === undefined)
      return say(
        'unknown',
        `${body.name} is fed by ${socket}, and ${card.name} goes into one: whether that is the same socket nobody said.`,
        'not known',
      );
    return body.inletData
      ? say(
          'fail',
          `${body.name} is fed by the socket that ${card.name} goes into: it cannot be fed and record at once.`,
          '2 plugs',
        )
      : say('ok', `${card.name} has a socket of ${body.name} to itself.`, '1 plug');
  });
}
