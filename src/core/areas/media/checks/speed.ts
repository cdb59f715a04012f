import { given } from '../../../build/given';
import type { Check } from '../../../checks/check';
import { judge } from '../../../checks/judge';
import { exact, plain } from '../../../quantity/say';
import { ruleBasis } from '../../../rules/names';
import { cardsOn } from '../model/cards';
import { countedRate } from '../model/log';

export const mediaSpeed: Check = {
  id: 'media.speed',
  title: 'Speed of a card',
  short: 'card too slow',
  says: 'Whether a card writes for as long as it takes what the mode sends it, with something in hand: one that just keeps up drops frames when it is warm.',
  formula: 'MB/s sustained x 8 - spare x Mb/s',
  run(built) {
    const { rate, assumed } = countedRate(built);
    const spare = built.rules['media.spare'];
    return cardsOn(built).map(({ id, card }) => {
      const writes = given(card, 'sustained');
      return judge({
        id: 'media.speed',
        key: `media.speed:${id}`,
        about: [card.id, ...(built.body ? [built.body.id] : [])],
        inputs: [writes, rate],
        margin: (x) => x[0]! * 8 - spare * x[1]!,
        unit: 'Mb/s',
        limit: { value: spare, unit: 'x', rule: 'media.spare' },
        assumed,
        why: () =>
          `${card.name} writes ${plain(writes.known!.value * 8, 0)} Mb/s for as long as it takes; the mode sends ${plain(rate.known!.value, 0)} and ${plain(spare, 2)} times that is wanted.`,
        sum: (o) =>
          `${plain(writes.known!.value, 1)} x 8 - ${plain(spare, 2)} x ${plain(rate.known!.value, 1)} = ${exact(o.value, 1)} Mb/s`,
        lacking: (missing) =>
          `Whether ${card.name} is fast enough is not known: ${missing} missing.`,
        basis: ruleBasis('media.spare'),
      });
    });
  },
};
