import { loadedJoints, momentOf, supportedBy } from '../support/mount-load';
import { given, type Given } from '../build/given';
import { reader } from '../build/lin';
import { standOf } from '../build/stand';
import { exact, say } from '../quantity/say';
import { ruleBasis } from '../rules/rules';
import type { Check } from './check';
import type { Verdict } from './finding';
import { judge, plainVerdict } from './judge';

export const mountLoad: Check = {
  id: 'mount.load',
  title: 'Load on the mounts',
  short: 'mount overloaded',
  says: 'The moment of everything ahead of each joint, with the side load of the drives, against what its mount bears: its maker\u2019s number, or the house rule where there is none.',
  formula:
    'sum of m g (z of the centre of gravity - z of the joint) + torque / pitch radius x lever',
  run(built) {
    if (!built.closed) return [];
    const stand = standOf(built);
    return loadedJoints(built).map((j, i): Verdict => {
      const key = `mount.load:${j.key}`;
      const about = [j.bearer.id, built.lens!.id];
      const station = stand.value(j.station);
      const who = supportedBy(built, i);
      const own = (j.bearer as { mountMoment?: unknown }).mountMoment !== undefined;
      const { inputs, f } = momentOf(j);
      const house = built.rules['support.require'];
      if (who)
        return plainVerdict({
          id: 'mount.load',
          key,
          about,
          station,
          state: 'ok',
          why: `${who[0]!.toUpperCase()}${who.slice(1)} takes the load off the mount of ${j.bearer.name}.`,
          sum: `${
            inputs.every((g) => g.known)
              ? `${exact(
                  f((g) => g.known!.value),
                  2,
                )} N m, `
              : ''
          }held up ahead of the joint`,
          basis: '[trade] two points of contact',
        });
      const limit = own ? given(j.bearer, 'mountMoment') : null;
      const all = limit ? [...inputs, limit] : inputs;
      const from = reader(inputs);
      const nominal = (g: Given) => g.known?.value ?? NaN;
      return judge({
        id: 'mount.load',
        key,
        about,
        station,
        inputs: all,
        margin: (x) => (limit ? x[x.length - 1]! : house) - f(from(x)),
        unit: 'N m',
        limit: {
          value: limit?.known?.value ?? house,
          unit: 'N m',
          rule: own ? null : 'support.require',
        },
        why: (o) => {
          const has = (limit?.known?.value ?? house) - o.value;
          const says = `${exact(has, 2)} N m hang on the mount of ${j.bearer.name}`;
          if (o.state === 'ok')
            return `${says}; it bears ${say(limit?.known?.value ?? house, 'N m')}.`;
          return `${says}, ${o.state === 'fail' ? 'more than' : 'about'} the ${say(limit?.known?.value ?? house, 'N m')} ${own ? 'its maker allows' : 'the house allows without a support'}: hold the front up.`;
        },
        sum: () =>
          `${j.hanging.map((h) => `${exact(h.mass.known?.value ?? NaN, 0)} g x ${exact(h.z.f(nominal) - station, 0)} mm`).join(' + ')}${j.side.inputs.length > 0 ? ` + drive ${exact(j.side.f(nominal), 2)} N m` : ''} = ${exact(f(nominal), 2)} N m`,
        lacking: (missing) =>
          `What hangs on the mount of ${j.bearer.name} is not known: ${missing} missing.`,
        basis: own ? '[math] number of its maker' : ruleBasis('support.require'),
      });
    });
  },
};
