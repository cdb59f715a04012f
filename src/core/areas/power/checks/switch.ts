import type { Check } from '../../../checks/check';
import type { State, Verdict } from '../../../checks/finding';
import { plainVerdict } from '../../../checks/judge';
import type { Built } from '../../../build/build';
import { plain } from '../../../quantity/say';
import { deviceKey, feedsOn, windowOf, type Feed } from '../model/fed';
import { positionsOf, type RigOutlet } from '../model/outlets';
import { capital } from '../model/say';

export const powerSwitch: Check = {
  id: 'power.switch',
  title: 'Switch of an outlet',
  short: 'switch in wrong place',
  says: 'Where an outlet has a switch for its volts: whether it is said how it is set, and whether it is set to what the device runs on.',
  formula: 'volts of its position, between the least and the most that the device runs on',
  run: (built) =>
    feedsOn(built).flatMap((f) =>
      f.out
        ? f.out.switched === null
          ? []
          : [setOf(built, f, f.out)]
        : f.from.switched === undefined
          ? []
          : [goneOf(f)],
    ),
};

const V = (out: RigOutlet) =>
  out.volts.known ? `${plain(out.volts.known.value, 1)} V` : 'volts that nobody said';

function setOf(built: Built, f: Feed, out: RigOutlet): Verdict {
  const { part } = f.device;
  const [as, over] = positionsOf(built, out).map((o) => ({ o, suits: suits(f, o) }));
  const set = out.switched === undefined ? null : out.switched ? over! : as!;
  const other = out.switched ? as! : over!;
  const both = [as!, over!].map(({ o }) => V(o)).join(' or ');
  const said: [State, string] = !set
    ? as!.suits && over!.suits
      ? ['ok', `${capital(out.name)} gives ${both}; ${part.name} runs on either.`]
      : [
          'unknown',
          `Whether ${out.name} is set to ${both} nobody said: look at its switch before ${part.name} is plugged in.`,
        ]
    : set.suits === null
      ? about(set.o, f)
      : set.suits
        ? ['ok', `${capital(out.name)} is set to ${V(set.o)}, which ${part.name} runs on.`]
        : other.suits
          ? [
              'fail',
              `${capital(out.name)} is set to ${V(set.o)}; ${part.name} wants it at ${V(other.o)}: set its switch before it is plugged in.`,
            ]
          : ['fail', `${capital(out.name)} gives ${both}; ${part.name} runs on neither.`];
  return plainVerdict({
    id: 'power.switch',
    key: `power.switch:${deviceKey(f.device)}`,
    about: [part.id, out.part],
    state: said[0],
    why: said[1],
    sum: `${both}; set to ${set ? V(set.o) : 'nobody said'}`,
    basis: '[math] volts of one of its two positions',
  });
}

/** A switch was set, and the outlet is not on the rig any more. */
const goneOf = ({ device }: Feed): Verdict =>
  plainVerdict({
    id: 'power.switch',
    key: `power.switch:${deviceKey(device)}`,
    about: [device.part.id],
    state: 'unknown',
    why: `What the switch gives that ${device.part.name} hangs on is not known: the outlet is not on the rig.`,
    sum: 'No sum: nothing gives volts.',
    basis: '[math] volts of one of its two positions',
  });

/** Neither surely inside nor surely out: a number is missing, or it is as near as that. */
function about(out: RigOutlet, f: Feed): [State, string] {
  const { name } = f.device.part;
  return [out.volts, ...windowOf(f)].every((g) => g.known)
    ? ['tight', `${capital(out.name)} is set to ${V(out)}, about the end of what ${name} runs on.`]
    : ['unknown', `Whether ${V(out)} of ${out.name} suit ${name} is not known.`];
}

/** Whether the volts of a position are surely inside, or surely not, what a device runs on. */
function suits(f: Feed, { volts }: RigOutlet): boolean | null {
  const [least, most] = windowOf(f).map((g) => g.known);
  const v = volts.known;
  if (v && ((most && v.lo > most.hi) || (least && v.hi < least.lo))) return false;
  if (!v || !least || !most) return null;
  return v.lo >= least.lo && v.hi <= most.hi ? true : null;
}
