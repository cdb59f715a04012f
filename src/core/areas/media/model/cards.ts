import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { node } from '../../../engine/reads';
import { isCard, type Card } from '../../../kit/types';

/** A card or a drive of a rig, by the id of its use. */
export interface RigCard {
  id: string;
  card: Card;
}

/** The cards of a rig, by id of their use; once for a rig. */
export function cardsOn(built: Built): readonly RigCard[] {
  return built.once(CARDS);
}

const CARDS = node('cards of the rig', ({ rig, kit }: Built): readonly RigCard[] =>
  [...(rig.cards ?? [])]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((u) => {
      const card = kit.get(u.part);
      return isCard(card) ? [{ id: u.id, card }] : [];
    }),
);

/** Data rate of the mode that is recorded, Mb/s. */
export function rateOf({ body, mode }: Built): Given {
  return body && mode
    ? given(body, 'modes', mode.id, 'rate')
    : constant('data rate of a mode', 'Mb/s', null);
}
