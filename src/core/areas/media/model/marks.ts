import type { Built } from '../../../build/build';
import type { CardState } from '../../../kit/records';
import { isCard, type Card } from '../../../kit/types';
import { markedAs, piecesOnHand, sayMarks, type OnHand } from '../../power/model/marks';
import { cardsOn } from './cards';

/** What each is called, as it stands on a label. */
export const CARD_NAMES: Readonly<Record<CardState, string>> = {
  empty: 'empty',
  'in-use': 'in the camera',
  full: 'full, not copied',
  copied: 'copied and compared',
  aside: 'set aside as faulty',
};

/** Every card and drive that there is, by name. */
export function cardsOnHand(built: Built): OnHand<Card>[] {
  const on = cardsOn(built);
  return piecesOnHand(
    built,
    [...built.kit.values()].filter(isCard),
    (card) => on.filter((c) => c.card.id === card.id).length,
  );
}

/** How many pieces of a sort, of so many, are full and not copied: nothing goes on them. */
export const fullOf = (built: Built, card: Card, of: number): number =>
  markedAs(built, card, of, ['full']);

/** Which goes in next, and after that: empty ones by name; how many are left as what. */
export function sayCards(cards: readonly OnHand<Card>[]): string[] {
  const next = cards.filter((c) => c.mark?.state === 'empty').slice(0, 3);
  return [
    `${sayMarks(cards, CARD_NAMES)}.`,
    ...(next.length > 0 ? [`Goes in next: ${next.map((c) => c.name).join(', then ')}.`] : []),
    ...(cards.some((c) => c.mark?.state === 'full')
      ? ['What is full is not emptied before it is copied and compared.']
      : []),
  ];
}
