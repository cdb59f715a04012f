/** A word with its article: `a ring`, `an interface`. By its first letter; no word here is spoken otherwise. */
export function withArticle(word: string): string {
  return `${/^[aeiou]/i.test(word) ? 'an' : 'a'} ${word}`;
}
