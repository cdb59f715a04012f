import { node } from '../../../engine/reads';
import type { Built } from '../../../build/build';
import { reader } from '../../../build/lin';
import { standOf } from '../../../stand/stand';
import { exact, say, sayMass, sayLength } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Verdict } from '../../../checks/finding';
import { judge, plainVerdict, said } from '../../../checks/judge';
import {
  limitOf,
  loadedJoints,
  momentOf,
  supportedBy,
  type JointLimit,
  type LoadedJoint,
} from './mount-load';

/** What is known of one joint: the one moment and the one limit that every check speaks of. */
export interface JointVerdict {
  joint: LoadedJoint;
  limit: JointLimit;
  /** What takes its load, in words. */
  held: string | null;
  /** Moment at the numbers as they stand; null while one is missing. */
  moment: number | null;
  verdict: Verdict;
}

/**
 * Judges every joint: moment of what hangs on it, with the side load of the drives while they turn,
 * against what it bears. What a motor adds that runs against a stop can make it tight, not fail: it
 * stands there for a moment, and only when it calibrates or is driven too far.
 */
export function judgeLoads(built: Built): JointVerdict[] {
  return built.once(LOADS);
}

const LOADS = node('loads', (built: Built) => loadedJoints(built).map((j) => judgeJoint(built, j)));

function judgeJoint(built: Built, joint: LoadedJoint): JointVerdict {
  const stand = standOf(built);
  const limit = limitOf(built, joint);
  const held = supportedBy(built, joint.index);
  const { inputs, f } = momentOf(joint);
  const nominal = (read: (typeof inputs)[number]) => read.known?.value ?? NaN;
  const known = inputs.every((g) => g.known);
  const moment = known ? f(nominal) : null;
  const { bearer } = joint;
  const base = {
    id: 'mount.load',
    key: `mount.load:${joint.key}`,
    about: [bearer.id, built.lens!.id],
    station: stand.value(joint.station),
  };
  if (held)
    return {
      joint,
      limit,
      held,
      moment,
      verdict: plainVerdict({
        ...base,
        state: 'ok',
        why: `${held[0]!.toUpperCase()}${held.slice(1)} takes the load off the mount of ${bearer.name}.`,
        sum: `${moment === null ? '' : `${exact(moment, 2)} N m, `}held up ahead of the joint`,
        basis: '[trade] two points of contact',
      }),
    };
  const against = limit.own ? 'its maker allows' : 'the house allows without a support';
  const loose =
    limit.halved && joint.play?.known
      ? `; its ${sayLength(joint.play.known.value)} of play halve what is allowed`
      : '';
  const run = (side: LoadedJoint['turning'], stalls: boolean): Verdict => {
    const m = momentOf(joint, side);
    const all = [...new Set([...m.inputs, ...limit.inputs])];
    const from = reader(all);
    return judge({
      ...base,
      inputs: all,
      margin: (x) => {
        const read = from(x);
        return limit.f(read) - m.f(read);
      },
      unit: 'N m',
      limit: { value: limit.value, unit: 'N m', rule: limit.own ? null : 'support.require' },
      why: (o) => {
        const has = limit.value - o.value;
        const says = `${say(has, 'N m')} hang on the mount of ${bearer.name}${stalls ? ' when a motor runs against its stop' : ''}`;
        if (o.state === 'ok') return `${says}; it bears ${say(limit.value, 'N m')}.`;
        return `${says}, ${o.hi < 0 ? 'more than' : 'about'} the ${say(limit.value, 'N m')} ${against}${loose}: hold the front up.`;
      },
      sum: () => {
        const read = (g: (typeof all)[number]) => g.known?.value ?? NaN;
        const pieces = joint.hanging.map(
          (h) =>
            `${sayMass(h.mass.known?.value ?? NaN)} x ${sayLength(h.z.f(read) - stand.value(joint.station), 0)}`,
        );
        const drive = side.inputs.length > 0 ? ` + drive ${say(side.f(read), 'N m')}` : '';
        return `${pieces.join(' + ')}${drive} = ${say(m.f(read), 'N m')}`;
      },
      lacking: (missing) =>
        `What hangs on the mount of ${bearer.name} is not known: ${missing} missing.`,
      basis: limit.own ? '[math] number of its maker' : ruleBasis('support.require'),
    });
  };
  const turning = run(joint.turning, false);
  if (!joint.stalled || turning.state === 'fail' || turning.state === 'unknown')
    return { joint, limit, held, moment, verdict: turning };
  const stalled = run(joint.stalled, true);
  const verdict =
    stalled.state === 'ok' || (stalled.state === 'tight' && turning.state === 'tight')
      ? turning
      : stalled.state === 'fail'
        ? ({ ...said(stalled), state: 'tight', margin: turning.margin } satisfies Verdict)
        : // Both speak of one margin, that of turning: what stalls only bears on the state.
          { ...said(stalled), margin: turning.margin };
  return { joint, limit, held, moment, verdict };
}
