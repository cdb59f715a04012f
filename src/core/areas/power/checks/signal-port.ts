import type { Built } from '../../../build/build';
import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { inWords, plainVerdict } from '../../../checks/judge';
import { SLOT } from '../../media/kit/parts';
import { cardsOn } from '../../media/model/cards';
import { byChamber, byDevice, deviceKey } from '../model/fed';
import { capital } from '../model/say';
import { idOf } from '../model/sends';
import { portName, signalsOn, type Signal, type SignalEnd } from '../model/signals';

export const signalPort: Check = {
  id: 'signal.port',
  title: 'One plug in one port',
  short: 'port used twice',
  says: 'Whether a port that something goes through is asked to take more than one plug: another lead, the one that feeds its part, or a drive of the camera.',
  formula: 'one plug in one port',
  run: (built) => {
    const by = new Map<string, { end: SignalEnd; signals: Signal[] }>();
    for (const s of signalsOn(built))
      for (const end of [s.from, s.to]) {
        if (!end?.port) continue;
        const key = idOf(end);
        const used = by.get(key);
        if (used) used.signals.push(s);
        else by.set(key, { end, signals: [s] });
      }
    return [...by].map(([key, { end, signals }]) => used(built, key, end, signals));
  },
};

function used(built: Built, key: string, end: SignalEnd, signals: readonly Signal[]): Verdict {
  const name = portName(end);
  const others = signals.map((s) => {
    const other = s.from && idOf(s.from) === key ? s.to : s.from;
    return other?.part.name ?? 'something that is not on the rig';
  });
  const say = (state: State, why: string, plugs: string) =>
    plainVerdict({
      id: 'signal.port',
      key: `signal.port:${key}`,
      about: [...new Set([end.part.id, ...signals.flatMap((s) => (s.lead ? [s.lead.id] : []))])],
      state,
      why,
      sum: `1 port, ${plugs}`,
      basis: '[math] one plug in one socket',
    });
  if (signals.length > 1)
    return say(
      'fail',
      `${capital(name)} takes one plug; ${inWords(others)} are to go into it.`,
      `${signals.length} plugs`,
    );
  const twice = fedBy(built, end) ?? driveIn(built, end);
  if (twice) return say(twice.state, twice.why, twice.state === 'fail' ? '2 plugs' : 'not known');
  return say('ok', `${capital(name)} is there for ${inWords(others)} alone.`, '1 plug');
}

interface Twice {
  state: 'fail' | 'unknown';
  why: string;
}

/** The lead that feeds its part, where that goes into the same socket. */
function fedBy(built: Built, { at, part, port }: SignalEnd): Twice | null {
  const f = byDevice(built).get(deviceKey(at));
  if (!f || byChamber(f) || port!.isInlet === false) return null;
  if (port!.isInlet === true)
    return {
      state: 'fail',
      why: `${part.name} is fed by ${port!.name}: nothing else goes into it.`,
    };
  const inlet = (part as { inlet?: string }).inlet ?? f.lead?.plugTo;
  if (inlet !== undefined && port!.plug !== undefined && inlet !== port!.plug) return null;
  return {
    state: 'unknown',
    why: `Whether ${part.name} is fed by ${port!.name} as well nobody said: their plugs are the same, or not known.`,
  };
}

/** A drive of the camera, where that goes into a socket of the same kind. */
function driveIn(built: Built, { at, part, port }: SignalEnd): Twice | null {
  if (at.list !== 'body') return null;
  const drive = cardsOn(built).find(
    ({ card }) => card.plug === undefined || (card.plug !== SLOT && card.plug === port!.plug),
  );
  if (!drive || (drive.card.plug === undefined && !mayBeDrives(port!.plug))) return null;
  return {
    state: 'unknown',
    why: `Whether ${drive.card.name} goes into ${port!.name} of ${part.name} as well nobody said.`,
  };
}

/** What drives go into; nobody knows of a socket that is not named. */
const mayBeDrives = (plug: string | undefined) =>
  plug === undefined || plug === 'usb-c' || plug === 'usb-a';
