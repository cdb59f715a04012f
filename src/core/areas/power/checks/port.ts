import type { Check } from '../../../checks/check';
import { inWords, plainVerdict } from '../../../checks/judge';
import { byOutlet } from '../model/fed';

export const powerPort: Check = {
  id: 'power.port',
  title: 'One plug in one socket',
  short: 'socket used twice',
  says: 'Whether an outlet is asked to take more than one plug.',
  formula: 'one plug in one socket',
  run(built) {
    return [...byOutlet(built)].flatMap(([key, feeds]) => {
      const { out } = feeds[0]!;
      const name = out?.name ?? 'An outlet that is not on the rig';
      const names = inWords(feeds.map((f) => f.device.part.name));
      return [
        plainVerdict({
          id: 'power.port',
          key: `power.port:${key}`,
          about: [...(out ? [out.part] : []), ...feeds.map((f) => f.device.part.id)],
          state: feeds.length > 1 ? 'fail' : out ? 'ok' : 'unknown',
          why:
            feeds.length > 1
              ? `${name} takes one plug; ${names} are to hang on it.`
              : out
                ? `${names} has ${name} to itself.`
                : `The outlet that ${names} hangs on is not on the rig.`,
          sum: `1 socket, ${feeds.length} ${feeds.length > 1 ? 'plugs' : 'plug'}`,
          basis: '[math] one plug in one socket',
        }),
      ];
    });
  },
};
