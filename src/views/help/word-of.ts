import type { Explained } from '@/core/words/explain';

/** What is explained: fields with their labels, heads of rows and columns, terms of lists. */
export const WORDS =
  'label, th, dt, legend, input, select, textarea, [role=combobox], [role=slider], [role=switch]';

/** The reading of an element as a label, without what is only behind it on the screen. */
function reading(e: Element): string {
  // As it is laid out: what stands on a line of its own is not run into the word before it.
  return (e as HTMLElement).innerText.replace(/\s+/g, ' ').trim();
}

/** What an element is called: its own words, or those that name it as a field. */
export function wordOf(e: Element): string {
  if (e.matches('label, th, dt, legend')) return reading(e);
  const own = e.getAttribute('aria-label');
  if (own) return own;
  const labels = [...((e as HTMLInputElement).labels ?? [])].map(reading);
  if (labels.length > 0) return labels.join(' ');
  return (e.getAttribute('aria-labelledby') ?? '')
    .split(' ')
    .flatMap((id) => {
      const by = id ? document.getElementById(id) : null;
      return by ? [reading(by)] : [];
    })
    .join(' ');
}

/** The kind of part that an element is about, where the sheet of one lies open round it. */
export function kindOf(e: Element): string | null {
  return e.closest<HTMLElement>('[data-kind]')?.dataset.kind ?? null;
}

/** What is to be said of a word, in one line. */
export function lineOf({ is, tool, unit }: Explained): string {
  return [is, tool && `by ${tool}`, unit && `in ${unit}`].filter(Boolean).join('; ');
}

/** Every word that is on the screen and has a meaning to be told, once each, in reading order. */
export function wordsOnScreen(
  explain: (label: string, kind: string | null) => Explained | null,
  root: ParentNode = document,
): Explained[] {
  const seen = new Map<string, Explained>();
  // Help itself lies on top of all others.
  const help = [...root.querySelectorAll('[role=dialog]')].at(-1);
  for (const e of root.querySelectorAll(WORDS)) {
    if (help?.contains(e) || e.getClientRects().length === 0) continue;
    const found = explain(wordOf(e), kindOf(e));
    if (found && !seen.has(found.word)) seen.set(found.word, found);
  }
  return [...seen.values()];
}
