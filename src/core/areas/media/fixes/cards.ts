import { candidate, hire, kitOf, type Generator } from '../../../checks/candidate';
import { at } from '../../../edit/rig-path';
import { isCard, onHand } from '../../../kit/types';
import { cardsOn } from '../model/cards';

/** Another card in the place of one that is too slow or too small. */
export const otherCards: Generator = (built, v) => {
  if (!v.id.startsWith('media.') && !['power.port', 'space.pieces'].includes(v.id)) return [];
  const own = cardsOn(built).filter((c) => v.about.includes(c.card.id));
  return own.flatMap(({ id, card }) => {
    const used = (part: string) => (built.rig.cards ?? []).filter((u) => u.part === part).length;
    return kitOf(built)
      .filter(isCard)
      .filter((c) => c.id !== card.id && used(c.id) < Math.max(1, onHand(c)))
      .map((c) =>
        candidate(
          {
            title: `Use ${c.name} instead of ${card.name}`,
            changes: [{ path: at(built.rig, 'cards', id, 'part'), value: c.id }],
          },
          1,
          0,
          'card',
          hire(c),
        ),
      );
  });
};
