/** Paper that sheets are laid out for; a choice of this device. */
export type Paper = 'a4' | 'letter';

/** Sizes, mm: ISO 216 and ANSI. */
const SIZE = { a4: [210, 297], letter: [215.9, 279.4] } as const;
/** Margins of a page: see `paper.css`. */
const [SIDES, ENDS] = [2 * 14, 18 + 16];

/** What a page leaves to print on, mm; `across` when it lies on its long side. */
export function inside(paper: Paper, across = false): { w: number; h: number } {
  const [short, long] = SIZE[paper];
  return across ? { w: long - SIDES, h: short - ENDS } : { w: short - SIDES, h: long - ENDS };
}

const KEY = 'nelvix.paper';

/** The paper of this device: what was chosen, else letter where that is in use. */
export function paperHere(): Paper {
  try {
    const own = localStorage.getItem(KEY);
    if (own === 'a4' || own === 'letter') return own;
  } catch {
    // Nothing is kept here: by the language then.
  }
  return /-(US|CA|MX|PH)$/i.test(navigator.language) ? 'letter' : 'a4';
}

export function choosePaper(paper: Paper): void {
  localStorage.setItem(KEY, paper);
}
