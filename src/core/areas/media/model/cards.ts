import type { Built } from '../../../build/build';
import { constant, given, type Given } from '../../../build/given';
import { isCard, type Card } from '../../../kit/types';

/** The cards of a rig, by id of their use. */
export function cardsOn({ rig, kit }: Built): { id: string; card: Card }[] {
  return [...(rig.cards ?? [])]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .flatMap((u) => {
      const card = kit.get(u.part);
      return isCard(card) ? [{ id: u.id, card }] : [];
    });
}

/** Data rate of the mode that is recorded, Mb/s. */
export function rateOf({ body, mode }: Built): Given {
  return body && mode
    ? given(body, 'modes', mode.id, 'rate')
    : constant('data rate of a mode', 'Mb/s', null);
}
