import { given } from '../../../build/given';
import { exact, mm } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import type { Check } from '../../../checks/check';
import { judge, plainVerdict } from '../../../checks/judge';

export const mountPlay: Check = {
  id: 'mount.play',
  title: 'Play in the joints',
  short: 'rocks',
  says: 'Whether the lens rocks in its adapters when focus is racked. A foot tied to cage or rods gives two points of contact and takes the joint out of it.',
  formula: 'play limit - sum of the plays of the pieces that are not tied',
  run(built) {
    const { links, body, lens } = built;
    if (!built.closed || links.length === 0 || !body || !lens) return [];
    const about = links.map((l) => l.link.id);
    const loose = links.filter((l) => !l.use.tied);
    const limit = built.rules['mount.play-limit'];
    const wanted = built.rules['mount.play-wanted'];
    if (loose.length === 0)
      return [
        plainVerdict({
          id: 'mount.play',
          about,
          state: 'ok',
          why: `Every piece between ${body.name} and ${lens.name} is tied by its foot: two points of contact, nothing rocks.`,
          sum: 'no piece hangs on its mount alone',
          basis: `[trade] two points of contact`,
        }),
      ];
    const names = loose.map((l) => l.link.name).join(' and ');
    const cure = loose.some((l) => l.link.foot)
      ? ' Tie the foot to the cage or the rods.'
      : ' A lens support takes it.';
    return [
      judge({
        id: 'mount.play',
        about,
        station: built.mounts.get(body.mount ?? '')?.flange?.value ?? null,
        inputs: loose.map((l) => given(l.link, 'play')),
        margin: (x) => limit - x.reduce((a, b) => a + b, 0),
        wanted: limit - wanted,
        unit: 'mm',
        limit: { value: limit, unit: 'mm', rule: 'mount.play-limit' },
        why: (o) => {
          const play = mm(limit - o.value);
          return o.state === 'ok'
            ? `${names} ${loose.length > 1 ? 'have' : 'has'} ${play} of play: nobody sees it.`
            : o.state === 'fail'
              ? `${names} ${loose.length > 1 ? 'have' : 'has'} ${play} of play, over the ${mm(limit)} the house allows: ${lens.name} rocks when focus is racked and the picture jumps.${cure}`
              : `${names} ${loose.length > 1 ? 'have' : 'has'} ${play} of play (${mm(limit - o.hi)} to ${mm(limit - o.lo)}): more than the ${mm(wanted)} nobody sees.${cure}`;
        },
        sum: (o) =>
          `limit ${exact(limit, 2)} - play ${exact(limit - o.value, 3)} = ${exact(o.value, 3)} mm; wanted at most ${exact(wanted, 2)} mm`,
        lacking: (missing) =>
          `Whether the lens rocks is not known: ${missing} missing. Take it by the front and feel.`,
        basis: ruleBasis('mount.play-limit'),
      }),
    ];
  },
};
