import { given, type Given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import type { Verdict } from '../../../checks/finding';
import { lacking, plainVerdict } from '../../../checks/judge';
import { isSlide } from '../model/free';
import { isNamed, saidOf, type NamedSeat } from '../model/seats';
import { perSeat } from './per-seat';

export const jointStops: Check = {
  id: 'joint.stops',
  title: 'Stops of slides',
  short: 'can run off',
  says: 'Whether what slides on a rail or a dovetail is kept from running off at both ends while its lever is half closed. A tie that holds it counts.',
  formula: 'stops at both ends, or a second tie',
  run: (built) => ofEach(built),
};

const ofEach = perSeat('joint.stops', (_built, s) =>
  isNamed(s) && (isSlide(s.at) || isSlide(s.by)) ? [stopsOf(s)] : [],
);

function stopsOf(s: NamedSeat): Verdict {
  const base = {
    id: 'joint.stops',
    key: `joint.stops:${s.use.id}`,
    about: [...new Set([s.part.id, s.host.part.id])],
    pieces: [s.piece, s.host.piece],
    basis: '[trade] common practice, no source',
  };
  const said = saidOf(s);
  // Either side may have them: pins in the clamp, screws in the rail.
  const stops =
    s.at.stops === 'both' || s.by.stops === 'both' ? 'both' : (s.at.stops ?? s.by.stops);
  if (stops === 'both')
    return plainVerdict({
      ...base,
      state: 'ok',
      why: `${said} has stops at both ends.`,
      sum: 'stops at both ends',
    });
  if (s.use.line === true)
    return plainVerdict({
      ...base,
      state: 'ok',
      why: `${said} has no stops at both ends; a second tie holds it.`,
      sum: 'second tie',
    });
  if (stops === undefined) {
    const asked: Given = {
      ...given(s.host.part, 'interfaces', s.at.id, 'stops'),
      unit: '',
      known: null,
    };
    return plainVerdict({
      ...base,
      state: 'unknown',
      why: `Whether ${said} can run off is not known: nobody said whether there are stops.`,
      sum: 'No sum.',
      measure: lacking([asked]),
    });
  }
  return plainVerdict({
    ...base,
    state: 'tight',
    why: `${said} has ${stops === 'one' ? 'a stop at one end only' : 'no stops'}: it runs off when its lever is half closed. Stops at both ends, or a second tie.`,
    sum: `stops: ${stops}`,
    wanted: [`an end stop for ${s.at.name} of ${s.host.part.name}`],
  });
}
